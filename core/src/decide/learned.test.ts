import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { potLadder, standardOptions } from '../fit/index.ts';
import { nominalPot } from '../pots/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import { asLearned, blendOf, decide, type Situation } from './index.ts';
import { rimCm } from '../pots/index.ts';

const SITUATION: Situation = {
  traits: resolveTaxon('Cissus alata')!.traits,
  date: '2026-03-16',
  spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
  pot: nominalPot(14),
  medium: { kind: 'peatSoil' },
  lastRepot: '2025-04-01',
  signals: {},
};
const pace = (factor: number): Situation => ({
  ...SITUATION,
  learned: { pace: { factor, sdLog: 0.2, own: true } },
});
const life = (mediumLifeFactor: number): Situation => ({
  ...SITUATION,
  learned: { mediumLifeFactor },
});

describe('what earlier pots taught', () => {
  it('a plant that fills its pots twice as fast is crowded sooner, and the reason says by what', () => {
    const usual = decide(SITUATION);
    const fast = decide(pace(2));
    expect(fast.monthsToFill).toBeCloseTo(usual.monthsToFill / 2, 9);
    expect(fast.states.crowded).toBeGreaterThan(usual.states.crowded);
    const text = fast.reasons.find(({ signal }) => signal === 'timeInPot')!.text;
    expect(text).toMatch(/by its own roots so far it fills one in about 5 months/);
    expect(decide(pace(0.5)).states.crowded).toBeLessThan(usual.states.crowded);
  });

  it('a medium that lasts longer with it fails later', () => {
    const failing = (situation: Situation) =>
      decide({ ...situation, lastRepot: '2023-06-01' }).states.mediumFailing;
    expect(failing(life(0.6))).toBeGreaterThan(failing(SITUATION));
    expect(failing(life(1.6))).toBeLessThan(failing(SITUATION));
    expect(asLearned({ months: null, judgedBy: 'structure', freshAir: 0.2 }, 2).months).toBeNull();
  });

  it('the ladder of pots reckons with both', () => {
    const rung = (situation: Situation) =>
      potLadder({
        situation,
        options: standardOptions(SITUATION.pot).filter(({ outside }) => rimCm(outside) === 17),
        mix: blendOf({ kind: 'peatSoil' }),
        plantHeightCm: 40,
      }).rungs[0]!;
    expect(rung(pace(1.6)).monthsToCrowded!).toBeLessThan(rung(SITUATION).monthsToCrowded!);
    expect(rung(life(1.5)).mediumMonths!).toBeCloseTo(1.5 * rung(SITUATION).mediumMonths!, 6);
  });

  it('nothing learned changes nothing', () => {
    expect(decide({ ...SITUATION, learned: {} })).toEqual(decide(SITUATION));
    expect(decide(pace(1)).states).toEqual(decide(SITUATION).states);
  });
});
