import { component, partsOf, preparationWords, recipe, substitutes } from '@fernbank/core';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { m } from '../messages/index.ts';
import { useSettings } from '../stores/settings.ts';
import { useChangeWords } from './changeWords.ts';
import { useExtraWords } from './extraWords.ts';
import { usePreparing } from './preparing.ts';
import { useTimeLeft } from './timeLeft.ts';
import { useUnits } from './useUnits.ts';

beforeEach(() => setActivePinia(createPinia()));
const inUs = () => (useSettings().current.units = 'us');

describe('densities and prices', () => {
  it('are per litre, or per US quart (NIST SP 811: 1 qt = 0.946353 L, 1 lb = 0.453592 kg)', () => {
    expect(useUnits().density(0.312)).toBe('0.31 kg/L');
    inUs();
    // 0.312 kg/L × 0.946353 L/qt ÷ 0.453592 kg/lb = 0.651 lb/qt
    expect(useUnits().density(0.312)).toBe('0.65 lb/qt');
  });

  it('prices keep their pence and the keeper’s own sign', () => {
    expect(useUnits().money(2.4)).toBe('€ 2.40');
    expect(useUnits().pricePerVolume(0.28)).toBe('€ 0.28/L');
    useSettings().current.currency = '$';
    inUs();
    expect(useUnits().pricePerVolume(1)).toBe('$ 0.95/qt');
    useSettings().current.currency = '';
    expect(useUnits().money(3)).toBe('3.00');
  });
});

describe('what a swap changes, in words', () => {
  const everyday = partsOf(recipe('everyday').parts);
  const place = { heightCm: 12, lifeOf: () => 18, priceOf: () => 0.4 };

  it('names each change with its sign and unit, and leaves out what hardly changes', () => {
    const [pumice] = substitutes(everyday, 1, [component('pumice')], place);
    const words = useChangeWords().changes(pumice!);
    expect(words).toMatch(/\+0\.\d+ kg\/L wet/);
    expect(words).not.toContain('pH');
    expect(words).not.toContain('€');
  });

  it('says of the same thing under another name that it changes hardly anything', () => {
    const twin = { ...component('perlite'), id: 'twin' };
    const [same] = substitutes(everyday, 1, [twin], place);
    expect(useChangeWords().changes(same!)).toBe(m.mix.change.nothing);
  });

  it('tells acidity, life and price where they change', () => {
    const lives = {
      ...place,
      lifeOf: (mix: { organicShare: number }) => 30 - 20 * mix.organicShare,
    };
    const priced = { ...lives, priceOf: ({ id }: { id: string }) => (id === 'peat' ? 0.1 : 0.4) };
    const [peat] = substitutes(everyday, 0, [component('peat')], priced);
    const words = useChangeWords().changes(peat!);
    expect(words).toMatch(/pH −\d/);
    expect(words).toContain('−€ 0.23/L');
    const [grit] = substitutes(everyday, 0, [component('grit')], priced);
    expect(useChangeWords().changes(grit!)).toMatch(/\+15 months of life/);
  });
});

describe('other words of the bench', () => {
  it('extras with their amounts, and what is left out for the avoid-list', () => {
    const { extraWords } = useExtraWords();
    const dressing = { kind: 'topDressing', label: 'grit', depthMm: 8, litres: 0.16 } as const;
    expect(extraWords(dressing)).toBe('Top dressing: 8 mm of grit, 160 mL.');
    expect(extraWords({ kind: 'feed', label: '', grams: 6.4 })).toContain('6 g');
    expect(extraWords({ kind: 'perPot', label: 'compost', litres: 0.1 })).toContain('100 mL');
    expect(extraWords({ kind: 'perPot', label: 'worm compost', leftOut: true })).toContain(
      'is on your avoid-list',
    );
  });

  it('what repels water is wetted by the school of the settings', () => {
    const peat = [{ ingredient: component('peat'), parts: 1 }];
    expect(preparationWords(usePreparing().preparing(peat)[0]!)).toMatch(/in the tub/);
    useSettings().current.wettingSchool = 'dryFill';
    expect(preparationWords(usePreparing().preparing(peat)[0]!)).toMatch(/small doses/);
  });

  it('time that is left: seconds, hours, days', () => {
    const { timeLeft } = useTimeLeft();
    expect(timeLeft(65_000)).toBe('1:05');
    expect(timeLeft(90 * 60_000)).toBe('90:00');
    expect(timeLeft(8 * 3_600_000)).toBe('8 h');
    expect(timeLeft(7 * 86_400_000)).toBe('7 days');
  });
});
