import { daysBetween } from '@fernbank/core';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { PAGE, VERDICTS } from '../../api/lists.ts';
import type { VerdictsOn, VerdictSummary } from '../../api/types.ts';
import { costWords, weeksLost } from '../../messages/cost.ts';
import { m } from '../../messages/index.ts';
import { fakeServer, fileOf, open, PLANT, TODAY } from '../../test/harness.ts';
import VerdictsView from './VerdictsView.vue';
import VerdictView from './VerdictView.vue';

// A chart needs a canvas, which there is none of here; the browser tests see it drawn.
vi.mock('../../components/verdict/CostCurves.vue', async () => {
  const { defineComponent, h } = await import('vue');
  return {
    __esModule: true,
    __isTeleport: false,
    __isKeepAlive: false,
    default: defineComponent({ render: () => h('div', { class: 'curves' }) }),
  };
});

beforeEach(() => {
  localStorage.clear();
  document.body.innerHTML = '';
});

describe('Verdicts', () => {
  const summary = (over: Partial<VerdictSummary>): VerdictSummary => ({
    plantId: 5,
    name: 'Gangway',
    taxon: 'Davallia fejeensis',
    common: 'fern',
    spot: 'East glazing',
    pot: PLANT.pot,
    potMaterial: 'plastic',
    together: 1,
    heightCm: 30,
    growthForm: 'walker',
    supportCm: null,
    headline: 'repotInWindow',
    week: '2026-04-20',
    lookAgain: '2026-04-13',
    group: 'epiphyteFern',
    groupLabel: 'ferns that walk and cling',
    overrule: null,
    lookWorth: 0,
    lookWhy: '',
    bloom: 0,
    now: [],
    window: null,
    states: { crowded: 0.9, mediumFailing: 0.1, danger: 0, tooWet: 0, unstable: 0 },
    costOfWaiting: 1,
    contradictions: [],
    reasons: [{ signal: 'rootsAtHoles', state: 'crowded', logOdds: 1.4, text: 'roots show' }],
    readiness: Array.from({ length: 52 }, () => 0.7),
    ...over,
  });

  it('shows week, reasons and contradictions, and filters by any of its words', async () => {
    fakeServer({
      [`GET ${VERDICTS}`]: {
        date: TODAY,
        total: 2,
        matching: 2,
        kinds: ['repotInWindow'],
        spots: ['East glazing', 'Porch'],
        items: [
          summary({}),
          summary({ plantId: 6, name: 'Bosun', spot: 'Porch', contradictions: ['wet and dry'] }),
        ],
        unjudged: [
          { plantId: 8, name: 'Coxswain', spot: 'Porch', why: 'there is no recipe own-9' },
        ],
      },
    });
    const { wrapper } = await open(VerdictsView, '/verdicts');
    expect(wrapper.text()).toContain('1 plant cannot be judged');
    expect(wrapper.text()).toContain('Coxswain (Porch): something in its record does not hold.');
    expect(wrapper.text()).toContain('there is no recipe own-9');
    expect(wrapper.find('a[href="/plants/8/edit"]').exists()).toBe(true);
    expect(wrapper.text()).toContain('roots show');
    expect(wrapper.text()).toContain('Contradiction: wet and dry');
    await wrapper.find('input').setValue('porch bosun');
    expect(wrapper.findAll('.entry')).toHaveLength(1);
    await wrapper.find('input').setValue('nothing');
    expect(wrapper.text()).toContain('No plant matches.');
  });

  it('of a large house fetches what is scrolled to, and searches it where it lies', async () => {
    const many = Array.from({ length: PAGE + 20 }, (_, i) =>
      summary({ plantId: i + 1, name: `Plant ${i + 1}` }),
    );
    const told = (items: VerdictSummary[], matching = many.length): VerdictsOn => ({
      date: TODAY,
      items,
      matching,
      total: many.length,
      kinds: ['repotInWindow'],
      spots: ['East glazing'],
      unjudged: [],
    });
    const server = fakeServer({
      [`GET ${VERDICTS}`]: () => told(many.slice(0, PAGE)),
      [`GET ${VERDICTS}&words=plant+517`]: () => told([many[516]!], 1),
    });
    const { wrapper } = await open(VerdictsView, '/verdicts');
    expect(wrapper.text()).toContain(`${many.length} plants`);
    await wrapper.find('input').setValue('plant 517');
    await vi.waitFor(() => expect(wrapper.findAll('.entry')).toHaveLength(1));
    expect(wrapper.text()).toContain('Plant 517');
    expect(server.calls.at(-1)?.path).toBe(`${VERDICTS}&words=plant+517`);
  });
});

describe('Verdict', () => {
  const show = async (...given: Parameters<typeof fileOf>) => {
    const file = fileOf(...given);
    fakeServer({ 'GET /plants/5/file': file });
    localStorage.setItem('fernbank.verdict.behind', 'true');
    const { wrapper } = await open(VerdictView, '/plants/5/verdict', '/plants/:id/verdict');
    await flushPromises();
    return { text: wrapper.text(), wrapper, decision: file.decision };
  };

  it('puts the answer first, then every reason with how much likelier it makes its state', async () => {
    const { text, wrapper, decision } = await show({ rootsAtHoles: 'every', smell: 'fresh' });
    expect(wrapper.find('h1').text()).toMatch(/^Repot/);
    for (const { signal, text: reason, logOdds } of decision.reasons) {
      if (signal === 'baseRate') continue;
      expect(text).toContain(reason);
      const times = Math.exp(Math.abs(logOdds));
      const figure = times > 100 ? '100+' : times.toFixed(times < 9.95 ? 1 : 0);
      expect(text).toContain(`${logOdds > 0 ? '×' : '÷'}${figure}`);
    }
  });

  it('shows the four states, the timing, the schools and what would turn it', async () => {
    const { text, decision } = await show({ rootsAtHoles: 'several' });
    for (const words of Object.values(m.state)) expect(text).toContain(words);
    for (const { text: factor } of decision.readiness) expect(text).toContain(factor);
    for (const { label } of decision.schools) expect(text).toContain(label);
    expect(text).toContain('(yours)');
    expect(decision.turningPoint.length).toBeGreaterThan(0);
    expect(text).toContain('would change this');
  });

  it('tells what waiting costs against what it saves when it names a later week', async () => {
    const { text, decision } = await show({ rootsAtHoles: 'every' }, { date: '2026-01-10' });
    expect(decision.verdict).toBe('repotInWeek');
    expect(text).toContain(
      `Now it would set it back ${costWords(decision.curves.disturbing[0]!)}, then`,
    );
  });

  it('holds the answer alone until one asks how it was judged, and remembers that', async () => {
    const { wrapper } = await show({ rootsAtHoles: 'every' });
    expect(wrapper.find('details.behind').text()).toContain('Roots have used the pot');
    const fold = wrapper.find('details.behind').element as HTMLDetailsElement;
    fold.open = false;
    await wrapper.find('details.behind').trigger('toggle');
    expect(wrapper.text()).not.toContain('Roots have used the pot');
    expect(localStorage.getItem('fernbank.verdict.behind')).toBe('false');
    expect(wrapper.find('.answer').text()).toContain('Because');
  });

  it('the year strip tells its window and best week, and is not there without one', async () => {
    const { wrapper, decision } = await show({ rootsAtHoles: 'every' }, { date: '2026-01-10' });
    const strip = wrapper.find('.year');
    expect(strip.attributes('aria-label')).toMatch(
      /^The year from now: repot between .* best about/,
    );
    const left = (of: string) => parseFloat(strip.find(of).attributes('style')!.slice(5));
    const best = daysBetween('2026-01-05', decision.window!.best) / 7;
    expect(left('.best')).toBeCloseTo((100 * (best + 0.5)) / 52, 3);
    expect(
      (await show({ rootsAtHoles: 'none', growth: 'normal' })).wrapper.find('.year').exists(),
    ).toBe(false);
  });

  it('has the whole curve as a table', async () => {
    const { wrapper, decision } = await show({ rootsAtHoles: 'every' });
    const rows = wrapper.findAll('.scroll tbody tr');
    expect(rows).toHaveLength(52);
    expect(rows[10]!.text()).toContain(weeksLost(decision.curves.waiting[10]!).toFixed(1));
  });

  it('names the lesser act where that is the verdict', async () => {
    const { text } = await show({ wobble: 'topples' }, { lastRepot: '2026-02-01' });
    expect(text).toContain('No new pot: stake, tie or weight it');
    expect(text).toContain('stake, tie or weight it');
  });

  it('with nothing known asks for a look and claims nothing else', async () => {
    const { wrapper } = await show({}, { lastRepot: null });
    expect(wrapper.find('h1').text()).toContain('Look at it first');
  });

  it('shows a contradiction as one', async () => {
    const { wrapper } = await show({ waterRunsThrough: true, staysWetLonger: true });
    expect(wrapper.find('[role=note]').text()).toContain('Contradiction');
  });
});
