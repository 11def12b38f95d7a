import {
  decide,
  SIGNALS,
  possibleValues,
  waterFindings,
  type WaterLogEntry,
  HEADLINES,
} from '@fernbank/core';
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia, type Pinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { createVuetify } from 'vuetify';
import * as components from 'vuetify/components';
import type { Component } from 'vue';
import type { PlantFile, VerdictSummary } from '../../api/types.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useSettings } from '../../stores/settings.ts';
import { fakeServer, fileOf, PLANT, refuse, situationOf, TODAY } from '../../test/harness.ts';
import CausesPanel from './CausesPanel.vue';
import { DRAWINGS, drawingOf } from '../look/drawings.ts';
import { rootBall } from '../look/rootDrawing.ts';
import LogPanel from '../plant/LogPanel.vue';
import LesserActs from './LesserActs.vue';
import OverrulePanel from './OverrulePanel.vue';
import TraitsPanel from '../plant/TraitsPanel.vue';
import VerdictMark from './VerdictMark.vue';
import WhatIf from './WhatIf.vue';
import YearRibbons from './YearRibbons.vue';

vi.mock('../plant/WaterChart.vue', async () => {
  const { defineComponent, h } = await import('vue');
  return {
    __esModule: true,
    __isTeleport: false,
    __isKeepAlive: false,
    default: defineComponent({ render: () => h('div', { class: 'chart' }) }),
  };
});

let pinia: Pinia;
beforeEach(() => {
  pinia = createPinia();
  setActivePinia(pinia);
  useSettings().current.today = TODAY;
});
const router = createRouter({
  history: createMemoryHistory(),
  routes: [{ path: '/:rest(.*)*', component: { template: '<div />' } }],
});
function show(component: Component, props: Record<string, unknown>): VueWrapper {
  return mount(component, {
    props,
    global: { plugins: [pinia, router, createVuetify({ components })] },
    attachTo: document.body,
  });
}
const press = (wrapper: VueWrapper, word: string) =>
  wrapper
    .findAll('button')
    .find((button) => button.text() === word)!
    .trigger('click');

describe('the drawings of a look', () => {
  it('every answer has one, and no two answers of a question share it', () => {
    for (const definition of SIGNALS.filter(({ kind }) => kind === 'choice')) {
      const drawn = possibleValues(definition).map(({ value }) =>
        JSON.stringify(drawingOf(definition.id, value)),
      );
      expect(drawn, definition.id).not.toContain('[]');
      expect(new Set(drawn).size, definition.id).toBe(drawn.length);
    }
  });

  it('draws nothing that is not asked', () => {
    const asked = new Set<string>(SIGNALS.map(({ id }) => id));
    expect(Object.keys(DRAWINGS).filter((id) => !asked.has(id))).toEqual([]);
  });

  it('a ball of a share has that share of roots, and of them that share alive', () => {
    expect(rootBall(0.5, 1, 'x')).toHaveLength(32);
    expect(rootBall(1, 1, 'x')).toHaveLength(64);
    const roots = rootBall(1, 0.3, 'x');
    expect(roots.filter(({ alive }) => alive)).toHaveLength(Math.floor(64 * 0.3));
    expect(rootBall(0.5, 1, 'x')).toEqual(rootBall(0.5, 1, 'x'));
  });
});

describe('a verdict’s mark', () => {
  it.each(HEADLINES)(
    'of %s is a word of its own, and gives way to the keeper’s own',
    (headline) => {
      const read = show(VerdictMark, { headline }).text();
      expect(HEADLINES.filter((one) => m.headline[one] === read)).toEqual([headline]);
      expect(show(VerdictMark, { headline, overruled: true }).text()).toBe(m.headline.overruled);
    },
  );
});

describe('causes', () => {
  it('likeliest first, with what speaks for it and the check', () => {
    const { troubleshoot } = decide(
      situationOf({ oldLeavesYellowing: true, limp: true, staysWetLonger: true }),
    );
    const text = show(CausesPanel, { troubleshoot }).text();
    expect(text.indexOf(troubleshoot!.causes[0]!.label)).toBeGreaterThan(-1);
    expect(text.indexOf(troubleshoot!.causes[0]!.label)).toBeLessThan(
      text.indexOf(troubleshoot!.causes[1]!.label),
    );
    expect(text).toContain(troubleshoot!.check!.text);
  });
});

describe('what if', () => {
  const ask = () => {
    const situation = situationOf({ rootsAtHoles: 'none', smell: 'fresh' });
    const wrapper = show(WhatIf, { situation, own: 'window', headline: 'Then.' });
    return { wrapper, situation };
  };

  it('another day is judged by the core as on that day', async () => {
    const { wrapper, situation } = ask();
    await press(wrapper, m.whatIf.title);
    const slider = wrapper.findComponent({ name: 'VSlider' });
    await slider.setValue(26);
    await flushPromises();
    const [decision, then] = wrapper.emitted('judged')!.at(-1) as [object, { date: string }];
    expect(then.date).toBe('2026-09-14');
    expect(decision).toEqual(
      decide({ ...situation, date: '2026-09-14', schools: { when: 'window' } }),
    );
  });

  it('back to today takes every change back', async () => {
    const { wrapper } = ask();
    await press(wrapper, m.whatIf.title);
    await wrapper.findComponent({ name: 'VSlider' }).setValue(8);
    await flushPromises();
    await press(wrapper, m.whatIf.reset);
    await flushPromises();
    expect(wrapper.emitted('judged')!.at(-1)).toEqual([null, null]);
  });
});

describe('the keeper’s own word', () => {
  it('needs a reason, and a refusal is told by its field', async () => {
    const server = fakeServer({
      'POST /overrules': refuse(422, 'until must be after the day', 'until'),
    });
    const wrapper = show(OverrulePanel, { file: fileOf({}) });
    await press(wrapper, m.overrule.open);
    await wrapper.find('form').trigger('submit');
    expect(wrapper.text()).toContain(m.form.required);
    expect(server.calls).toEqual([]);
    await wrapper.find('textarea').setValue('show week');
    await wrapper.find('form').trigger('submit');
    await flushPromises();
    expect(server.calls[0]!.body).toMatchObject({
      plantId: 5,
      instead: 'leave',
      reason: 'show week',
    });
    expect(wrapper.text()).toContain('until must be after the day');
    expect((wrapper.find('textarea').element as HTMLTextAreaElement).value).toBe('show week');
  });

  it('shows what stands, against what was advised', () => {
    const overrule = {
      id: 3,
      rev: 1,
      plantId: 5,
      date: '2026-03-01',
      advised: 'repotNow' as const,
      instead: 'leave' as const,
      until: '2026-06-01',
      reason: 'in the show',
    };
    const text = show(OverrulePanel, {
      file: { ...fileOf({}), overrule, overrules: [overrule] },
    }).text();
    expect(text).toContain('in the show');
    expect(text).toContain(m.verdict.repotNow);
    expect(text).toContain(m.overrule.counted(1));
  });
});

describe('traits', () => {
  it('says which are the keeper’s own, and writes one with the revision it builds on', async () => {
    const server = fakeServer({ 'PATCH /plants/5': PLANT });
    const file: PlantFile = { ...fileOf({}), plant: { ...PLANT, traits: { vigour: 'slow' } } };
    const wrapper = show(TraitsPanel, { file });
    expect(
      wrapper.findAll('dd').filter((each) => each.text().includes(m.traits.yours)),
    ).toHaveLength(1);
    await press(wrapper, m.app.edit);
    const selects = wrapper.findAllComponents({ name: 'VSelect' });
    const light = selects.find((select) => select.props('label') === m.traits.names.light)!;
    await light.setValue('sun');
    await flushPromises();
    expect(server.calls[0]).toMatchObject({
      method: 'PATCH',
      ifMatch: '"3"',
      body: { traits: { vigour: 'slow', light: 'sun' } },
    });
    const cautions = selects.find((select) => select.props('label') === m.traits.cautions)!;
    await cautions.setValue(['spines']);
    await flushPromises();
    expect(server.calls[1]!.body).toEqual({ traits: { vigour: 'slow', cautions: ['spines'] } });
  });

  it('tells and takes temperatures in the keeper’s own degrees, and keeps °C', async () => {
    useSettings().current.units = 'us';
    const server = fakeServer({ 'PATCH /plants/5': PLANT });
    const wrapper = show(TraitsPanel, { file: fileOf({}) });
    expect(wrapper.text()).toMatch(/Lowest temperature\s*\d+ °F/);
    await press(wrapper, m.app.edit);
    const floor = wrapper
      .findAllComponents({ name: 'VTextField' })
      .find((field) => field.props('label') === m.traits.names.floorC)!;
    expect(floor.props('suffix')).toBe('°F');
    // Nothing is written before it is typed to its end.
    const input = floor.find('input');
    for (const typed of ['5', '50']) {
      input.element.value = typed;
      await input.trigger('input');
    }
    expect(server.calls).toEqual([]);
    await input.trigger('change');
    await flushPromises();
    expect(server.calls[0]!.body).toEqual({ traits: { floorC: 10 } });
  });
});

describe('the log', () => {
  it('tells trend, band, cycles and chance, and names what was left out', () => {
    const entries: WaterLogEntry[] = [];
    for (let i = 0; i < 8; i++) {
      const date = `2026-0${1 + Math.floor(i / 4)}-${String(2 + 7 * (i % 4)).padStart(2, '0')}`;
      entries.push({ date, minute: 600, kind: 'weightKg', value: 1 });
      entries.push({ date, minute: 605, kind: 'watered', value: 1 });
      entries.push({ date, minute: 660, kind: 'weightKg', value: 1.4 });
    }
    entries.push({ date: '2026-01-20', minute: 1, kind: 'weightKg', value: 9 });
    const situation = situationOf({});
    const water = waterFindings(entries, situation.spot, situation.traits);
    const text = show(LogPanel, { file: { ...fileOf({}), water } }).text();
    expect(text).toContain('over 7 waterings');
    expect(text).toMatch(/Use: [+-]?\d+ %/);
    expect(text).toContain('Left out: 9 kg');
    expect(text).toContain(m.log.noRate(4));
  });
});

describe('the year', () => {
  it('has a row a plant with its windows, bloom and best week', () => {
    const readiness = Array.from({ length: 52 }, (_, week) => (week > 3 && week < 20 ? 0.8 : 0.2));
    const summary = {
      plantId: 5,
      name: 'Gangway',
      taxon: 'Davallia',
      spot: 'Porch',
      headline: 'repotInWindow',
      week: '2026-04-20',
      readiness,
      bloom: 6,
      overrule: null,
    } as unknown as VerdictSummary;
    const wrapper = show(YearRibbons, { verdicts: [summary] });
    const style = (name: string) => wrapper.find(`.line .track .${name}`).attributes('style');
    expect(style('window')).toContain(`width: ${(100 * 16) / 52}%`);
    expect(style('bloom')).toContain(`width: ${(100 * 6) / 52}%`);
    expect(style('best')).toContain(`left: ${(100 * 5) / 52}%`);
  });
});

describe('units', () => {
  it('a pot and a weight typed in inches and pounds are judged as the same in cm and kg', () => {
    const settings = useSettings();
    settings.current.units = 'us';
    const { length, weight } = useUnits().measures.value;
    const pot = { shape: 'round' as const, topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 };
    const typed = {
      shape: 'round' as const,
      topDiameterCm: length.to(length.from(14)),
      baseDiameterCm: length.to(length.from(10)),
      heightCm: length.to(length.from(12)),
    };
    expect(weight.to(weight.from(1.234))).toBeCloseTo(1.234, 3);
    settings.current.units = 'metric';
    const judged = (of: typeof pot) =>
      decide({ ...situationOf({ rootsAtHoles: 'every' }), pot: of });
    expect(judged(typed).verdict).toBe(judged(pot).verdict);
    expect(judged(typed).week).toBe(judged(pot).week);
    expect(judged(typed).states.mediumFailing).toBeCloseTo(judged(pot).states.mediumFailing, 2);
  });
});

describe('what is to be done now', () => {
  const show = (asked: boolean) =>
    mount(LesserActs, {
      props: {
        plantId: 5,
        acts: ['flush', 'changeWatering'],
        first: true,
        asked,
        changed: () => null,
      },
      global: { plugins: [createPinia(), createVuetify({ components })] },
    });

  it('is noted with one tap, a habit and a what-if are not', () => {
    const buttons = (asked: boolean) =>
      show(asked)
        .findAll('button')
        .map((one) => one.text());
    expect(buttons(false)).toEqual([m.care.doneToday]);
    expect(buttons(true)).toEqual([]);
    expect(show(true).text()).toContain('flush salts out');
  });
});
