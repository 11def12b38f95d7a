import { recipe, signal } from '@fernbank/core';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { createVuetify } from 'vuetify';
import { VTextField } from 'vuetify/components';
import PotCutaway from './cutaway/PotCutaway.vue';
import MixColumns from './mix/MixColumns.vue';
import NumberField from './NumberField.vue';
import QuantityField from './QuantityField.vue';
import { typedNumber } from './typedNumber.ts';
import { emptyPot, entryOf, potErrors, potFromEntry } from './plant/potEntry.ts';
import ReadinessRibbon from './verdict/ReadinessRibbon.vue';
import SignalPicker from './look/SignalPicker.vue';
import VerdictMark from './verdict/VerdictMark.vue';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';
import { kindOfRecipe } from '../composables/figureWords.ts';
import { useUnits, type Measure } from '../composables/useUnits.ts';
import { useSettings } from '../stores/settings.ts';
import { useDraft } from '../composables/useDraft.ts';
import { nextTick } from 'vue';

beforeEach(() => setActivePinia(createPinia()));

describe('SignalPicker', () => {
  const definition = signal('rootsAtHoles');

  it('offers every answer of the core and emits the one tapped', async () => {
    const picker = mount(SignalPicker, { props: { definition, modelValue: undefined } });
    const buttons = picker.findAll('button');
    expect(buttons.map((button) => button.text())).toEqual([
      'none',
      'at one',
      'at several',
      'at every one',
      'a mat beneath',
    ]);
    await buttons[3]!.trigger('click');
    expect(picker.emitted('update:modelValue')).toEqual([['every']]);
  });

  it('tapping the chosen answer again means not looked', async () => {
    const picker = mount(SignalPicker, { props: { definition, modelValue: 'every' } });
    await picker.find('[aria-pressed=true]').trigger('click');
    expect(picker.emitted('update:modelValue')).toEqual([[undefined]]);
  });
});

describe('NumberField', () => {
  const field = (modelValue: number | null) =>
    mount(NumberField, {
      props: { modelValue, label: 'Width' },
      global: { plugins: [createVuetify({ components: { VTextField } })] },
    });

  it('takes a decimal comma as well as a point', async () => {
    const width = field(null);
    await width.find('input').setValue('13,5');
    await width.find('input').setValue('13.5');
    expect(width.emitted('update:modelValue')).toEqual([[13.5], [13.5]]);
  });

  it('keeps what is no number in sight and says so', async () => {
    const width = field(null);
    await width.find('input').setValue('wide');
    expect(width.find('input').element.value).toBe('wide');
    expect(width.text()).toContain('Please type a number above 0');
  });
});

describe('QuantityField', () => {
  const field = (modelValue: number | null, of: Measure) =>
    mount(QuantityField, {
      props: { modelValue, label: 'Width', of },
      global: { plugins: [createVuetify({ components: { VTextField } })] },
    });

  it('is typed in inches, kept in cm, and keeps what was typed in sight', async () => {
    useSettings().current.units = 'us';
    const width = field(null, 'length');
    await width.find('input').setValue('5.25');
    expect(width.emitted('update:modelValue')).toEqual([[5.25 * 2.54]]);
    await width.setProps({ modelValue: 5.25 * 2.54 });
    expect(width.find('input').element.value).toBe('5.25');
    expect(width.text()).toContain('in');
  });

  it('shows what is kept in the keeper’s units, and nothing where nothing is', async () => {
    useSettings().current.units = 'us';
    expect(field(20, 'temperature').find('input').element.value).toBe('68');
    expect(field(null, 'volume').find('input').element.value).toBe('');
    useSettings().current.units = 'metric';
    expect(field(1.234, 'weight').find('input').element.value).toBe('1.234');
  });
});

describe('lengths typed in another unit', () => {
  it.each([
    ['6 in', 'cm', 15.24],
    ['5.5"', 'cm', 13.97],
    ['140mm', 'cm', 14],
    ['14 cm', 'in', 14 / 2.54],
    ['6', 'in', 6],
    ['13,5', 'cm', 13.5],
  ])('%s in a field of %s is %d', (typed, unit, value) => {
    expect(typedNumber(typed, unit)).toBeCloseTo(value, 9);
  });

  it.each(['wide', '6 ft', '1 4', ''])('“%s” is no number', (typed) => {
    expect(Number.isFinite(typedNumber(typed, 'cm'))).toBe(false);
  });

  it.each([
    ['1,250', 'en', 1250],
    ['1,250', 'de', 1.25],
    ['1.250', 'en', 1.25],
    ['1.250', 'de', 1250],
    ['1,250.5', 'de', 1250.5],
    ['1.250,5', 'en', 1250.5],
    ['1,250,000', 'de', 1_250_000],
    ['1\u00a0250', 'fr', 1250],
    ["1'250", 'de-CH', 1250],
    ['12,5', 'en', 12.5],
    ['0,250', 'en', 0.25],
    ['-3,5', 'en', -3.5],
  ])('%s, as typed by who writes as in %s, is %d', (typed, locale, value) => {
    expect(typedNumber(typed, undefined, locale)).toBeCloseTo(value, 9);
  });

  it.each(['1,2,3', '1..5', '5 constructor', '3 __proto__'])('%s is no number', (typed) => {
    expect(typedNumber(typed, 'cm', 'en')).toBeNaN();
  });
});

describe('pots as they are typed', () => {
  const words = { required: 'missing', range: 'out of range' };

  it('a nominal size is a pot; without one it is missing', () => {
    expect(potFromEntry({ ...emptyPot(), nominalCm: 20, trade: 'pan' })?.heightCm).toBe(10);
    expect(potFromEntry(emptyPot())).toBeNull();
    expect(potErrors(emptyPot(), words, 1, 200)).toEqual({ nominalCm: 'missing' });
  });

  it('each missing or impossible size is named', () => {
    const entry = {
      ...emptyPot(),
      by: 'measured' as const,
      sizes: { topDiameterCm: 14, heightCm: 500 },
    };
    expect(potErrors(entry, words, 1, 200)).toEqual({
      baseDiameterCm: 'missing',
      heightCm: 'out of range',
    });
  });

  it('an existing pot goes into the form and comes out the same', () => {
    const pot = { shape: 'bowl', topDiameterCm: 26, baseDiameterCm: 10, heightCm: 11 } as const;
    expect(potFromEntry(entryOf(pot, 'glazed'))).toEqual(pot);
  });
});

describe('units', () => {
  it('metric as typed, US converted (1 in = 2.54 cm, 1 lb = 0.45359237 kg: NIST SP 811)', () => {
    const { length, weight, volume } = useUnits();
    expect([length(14), weight(0.5), volume(0.25)]).toEqual(['14 cm', '500 g', '250 mL']);
    useSettings().current.units = 'us';
    expect(length(2.54)).toBe('1 in');
    expect(weight(0.45359237)).toBe('1 lb');
    expect(volume(0.2365882365)).toBe('1 cup');
    expect(volume(0.473176473)).toBe('2 cups');
    expect(useUnits().temperature(20)).toBe('68 °F');
    expect(useUnits().measures.value.temperature.to(50)).toBeCloseTo(10, 9);
    expect(useUnits().measures.value.length.to(6)).toBeCloseTo(15.24, 9);
  });
});

describe('pictures in words', () => {
  it('a cutaway says what it shows', () => {
    const drawing = mount(PotCutaway, {
      props: {
        subject: {
          name: 'Coxswain',
          pot: { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 },
          material: 'terracotta',
          mediumKind: 'bark',
          explored: 0.8,
          gravityHeightCm: 12,
          tipAngleDeg: 21.4,
        },
      },
    });
    expect(drawing.find('title').text()).toMatch(
      /unglazed clay pot, 14 cm wide and 12 cm high.*% water and \d+ % air.*80 %.*21°/,
    );
  });

  it('the column adds up in words as well', () => {
    const columns = [{ label: 'fresh', air: 0.3, water: 0.5, solid: 0.2 }];
    const drawing = mount(MixColumns, { props: { columns, airNeed: 0.2 } });
    expect(drawing.attributes('aria-label')).toBe('fresh: air 30 %, water 50 %, solid 20 %');
    expect(drawing.find('.need').exists()).toBe(true);
    expect(drawing.text()).toContain('20 %');
    expect(
      mount(MixColumns, { props: { columns, airNeed: null } })
        .find('.need')
        .exists(),
    ).toBe(false);
  });

  it('a verdict is a word and a shape, not a colour alone', () => {
    const mark = mount(VerdictMark, { props: { headline: 'rescueNow' } });
    expect(mark.text()).toBe('Rescue now');
    expect(mark.find('path').attributes('d')).not.toBe(
      mount(VerdictMark, { props: { headline: 'leave' } })
        .find('path')
        .attributes('d'),
    );
    expect(mount(VerdictMark, { props: { headline: 'lookFirst' } }).text()).toBe('Look first');
  });

  it('the ribbon marks the best week where it lies, and none beyond the year', () => {
    useSettings().current.today = '2026-03-16';
    const readiness = Array.from({ length: 52 }, () => 0.6);
    const at = (week: string) =>
      mount(ReadinessRibbon, { props: { readiness, week } }).find('.best');
    expect(Number(at('2026-04-13').attributes('x'))).toBeCloseTo(4.2, 9);
    expect(at('2028-04-13').exists()).toBe(false);
  });

  it('the ribbon has a bar for each week, the open ones apart', () => {
    const readiness = Array.from({ length: 52 }, (_, week) => (week < 20 ? 0.8 : 0.1));
    const ribbon = mount(ReadinessRibbon, { props: { readiness, week: null } });
    const bars = (of: string) => ribbon.find(of).attributes('d')!.match(/M/g)!.length;
    expect([bars('.open'), bars('.shut')]).toEqual([20, 32]);
  });
});

describe('drafts', () => {
  it('are kept in the browser, found again, and cleared', async () => {
    localStorage.clear();
    const first = useDraft('test', () => ({ name: '' }));
    first.draft.value.name = 'half typed';
    await nextTick();
    const second = useDraft('test', () => ({ name: '' }));
    expect(second.restored).toBe(true);
    expect(second.draft.value.name).toBe('half typed');
    second.clear();
    await nextTick();
    expect(useDraft('test', () => ({ name: '' })).restored).toBe(false);
  });

  it('of another form, or of an earlier one, keep only what this form knows', () => {
    const kept = { name: 'half typed', rows: [1], count: 'many' };
    localStorage.setItem('fernbank.draft.test', JSON.stringify(kept));
    const { draft } = useDraft('test', () => ({ name: '', count: 1, note: '' }));
    expect(draft.value).toEqual({ name: 'half typed', count: 1, note: '' });
  });

  it('that cannot be read are let go with a word', () => {
    localStorage.setItem('fernbank.draft.test', '{"name": "half ty');
    const { draft } = useDraft('test', () => ({ name: '' }));
    expect(draft.value).toEqual({ name: '' });
    expect(useNotices().current?.text).toBe(m.app.draftDropped);
  });

  it('each form has a key of its own', () => {
    const forms = import.meta.glob<string>(['../**/*.vue'], {
      query: '?raw',
      import: 'default',
      eager: true,
    });
    const keys = Object.values(forms).flatMap((text) =>
      [...text.matchAll(/useDraft(?:<\w+>)?\(\s*[`']([a-zA-Z]+)(?=[.`'$])([^,]*)/g)].map(
        ([, first, rest]) => `${first}${rest}`,
      ),
    );
    expect(keys.length).toBeGreaterThan(12);
    expect(new Set(keys).size).toBe(keys.length);
  });
});

it('every recipe has a kind of medium', () => {
  setActivePinia(createPinia());
  const kind = (id: string) => kindOfRecipe(id, recipe(id).parts);
  expect(kind('barkEpiphyte')).toBe('bark');
  expect(kind('gritty')).toBe('loam');
  expect(kind('leafMould')).toBe('peatSoil');
  expect(kind('fineRoots')).toBe('peatSoil');
});
