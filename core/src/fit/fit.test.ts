import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import type { Signals, Situation } from '../decide/index.ts';
import { blendOfRecipe } from '../mixing/index.ts';
import { fillL, nominalPot, rimCm } from '../pots/index.ts';
import {
  grownStanding,
  potLadder,
  stanceOf,
  standardOptions,
  unsupportedCm,
  type Ladder,
  type PotOption,
} from './index.ts';
import type { Schools } from '../schools/index.ts';
import { inMetric } from '../saying/index.ts';

const pot = { shape: 'round' as const, topDiameterCm: 15, baseDiameterCm: 11, heightCm: 13.5 };

function ladderFor(
  taxon: string,
  signals: Signals = { rootsAtHoles: 'several' },
  other: { size?: Schools['size']; options?: PotOption[]; heightCm?: number } = {},
): Ladder {
  const { traits } = resolveTaxon(taxon)!;
  const situation: Situation = {
    traits,
    date: '2026-05-10',
    spot: {
      latitudeDeg: 54,
      indoors: true,
      temperatureC: 20,
      relativeHumidity: 0.5,
      lampHours: 0,
      light: 'medium',
    },
    pot,
    medium: { kind: traits.medium },
    lastRepot: '2024-09-01',
    signals,
    schools: { size: other.size ?? 'oneUp' },
  };
  return potLadder({
    situation,
    options: other.options ?? standardOptions(pot),
    mix: blendOfRecipe(traits.recipe),
    plantHeightCm: other.heightCm ?? 30,
  });
}

const chosen = ({ rungs, choice }: Ladder) => rungs[choice!]!;

describe('the pot ladder', () => {
  it('one size up is 2–5 cm wider (common practice, no source)', () => {
    for (const taxon of ['Begonia maculata', 'Nephrolepis exaltata', 'Syngonium podophyllum']) {
      const wider = chosen(ladderFor(taxon)).rimCm - rimCm(pot);
      expect(wider).toBeGreaterThanOrEqual(2);
      expect(wider).toBeLessThanOrEqual(5);
    }
  });

  it('larger pots hold more, last longer, dry later, and explored share falls', () => {
    const { rungs } = ladderFor('Nephrolepis exaltata');
    for (let i = 1; i < rungs.length; i++) {
      expect(rungs[i]!.fillL).toBeGreaterThan(rungs[i - 1]!.fillL);
      expect(rungs[i]!.monthsToCrowded!).toBeGreaterThanOrEqual(rungs[i - 1]!.monthsToCrowded!);
      expect(rungs[i]!.drying.restDays!).toBeGreaterThan(rungs[i - 1]!.drying.restDays!);
      expect(rungs[i]!.explored).toBeLessThanOrEqual(rungs[i - 1]!.explored);
    }
  });

  it('new medium and what stays of the ball fill the pot', () => {
    const { rungs, ball } = ladderFor('Nephrolepis exaltata');
    for (const rung of rungs.filter(({ newMediumL }) => newMediumL > 0)) {
      expect(rung.newMediumL + ball.displacesL).toBeCloseTo(rung.fillL, 9);
    }
  });

  it('schools order: snug ≤ one up ≤ to the growth expected, for a strong grower', () => {
    const at = (size: Schools['size']) =>
      chosen(ladderFor('Nephrolepis exaltata', undefined, { size }));
    expect(at('snug').fillL).toBeLessThanOrEqual(at('oneUp').fillL);
    expect(at('oneUp').fillL).toBeLessThanOrEqual(at('growth').fillL);
  });

  it('a plant with few live roots keeps its size or goes smaller', () => {
    const ladder = ladderFor('Oncidium', { rot: 'roots', liveRoots: 0.3 });
    expect(chosen(ladder).rimCm).toBeLessThanOrEqual(rimCm(pot) + 0.5);
    expect(ladder.because).toMatch(/30 %/);
  });

  it('every rung that loses says why', () => {
    const { rungs } = ladderFor('Crassula ovata');
    for (const rung of rungs) {
      expect(rung.because, rung.option.id).not.toBe('');
      expect(rung.verdict).not.toBe('fits');
    }
    expect(rungs.filter(({ verdict }) => verdict === 'chosen')).toHaveLength(1);
  });

  it('a pot that the whole ball does not enter is ruled out', () => {
    const { rungs } = ladderFor('Nephrolepis exaltata');
    expect(rungs[0]!.verdict).toBe('ballTooWide');
  });

  it('a pot in which the plant would topple is ruled out', () => {
    const { rungs } = ladderFor('Begonia maculata', undefined, { heightCm: 160 });
    expect(rungs.some(({ verdict }) => verdict === 'tips')).toBe(true);
    for (const { verdict, stance } of rungs) {
      if (verdict === 'chosen') expect(stance.tipAngleDryDeg).toBeGreaterThanOrEqual(10);
    }
  });

  it('when nothing will do it says so and chooses none', () => {
    const tiny: PotOption = {
      id: 'thimble',
      label: '6 cm',
      outside: nominalPot(6),
      material: 'plastic',
      source: 'free',
    };
    const ladder = ladderFor('Nephrolepis exaltata', undefined, { options: [tiny] });
    expect(ladder.choice).toBeNull();
    expect(inMetric(ladder.because)).toMatch(/none will do as things are.*least bad/i);
  });

  it('of two alike, the one on the shelf wins', () => {
    const bought = standardOptions(pot);
    const owned = bought.map((option): PotOption => ({
      ...option,
      id: `own-${option.id}`,
      source: 'free',
    }));
    expect(
      chosen(ladderFor('Begonia maculata', undefined, { options: [...bought, ...owned] })).option
        .source,
    ).toBe('free');
  });

  it('an own pot within half a step comes before one to buy; one that is further off, or clearly worse, does not', () => {
    const bought = standardOptions(pot);
    const best = chosen(ladderFor('Begonia maculata', undefined, { options: bought }));
    const own = (cm: number, material: PotOption['material'] = 'plastic'): PotOption => ({
      id: 'own',
      label: 'own',
      outside: nominalPot(cm, 'standard'),
      material,
      source: 'free',
    });
    const taken = (option: PotOption) =>
      chosen(ladderFor('Begonia maculata', undefined, { options: [...bought, option] })).option.id;
    // A centimetre wider than the present pot is no size up, owned or not.
    expect(taken(own(rimCm(pot) + 1))).toBe(best.option.id);
    expect(taken(own(best.rimCm + 1))).toBe('own');
    expect(taken(own(best.rimCm + 4))).toBe(best.option.id);
    // Few roots still get the pot that matches them.
    const few = ladderFor(
      'Begonia maculata',
      { liveRoots: 0.2 },
      { options: [...bought, own(14)] },
    );
    expect(chosen(few).rimCm).toBeLessThan(14);
  });

  it('unglazed clay dries sooner and stands firmer than plastic', () => {
    const as = (material: 'plastic' | 'terracotta') =>
      ladderFor('Begonia maculata', undefined, {
        options: standardOptions(pot, material),
      }).rungs.find(({ rimCm: rim }) => rim === 19)!;
    expect(as('terracotta').drying.growthDays).toBeLessThan(as('plastic').drying.growthDays);
    expect(as('terracotta').stance.tipAngleDryDeg).toBeGreaterThan(
      as('plastic').stance.tipAngleDryDeg,
    );
  });

  it('the inside counts, not the rim: walls take from the fill', () => {
    const [plastic] = standardOptions(pot);
    const { rungs } = ladderFor('Begonia maculata', undefined, { options: [plastic!] });
    expect(rungs[0]!.fillL).toBeLessThan(fillL(plastic!.outside));
  });

  it('no option is refused', () => {
    expect(() => ladderFor('Adiantum', undefined, { options: [] })).toThrow(/pots/);
  });
});

describe('a plant that has grown', () => {
  const trailing = chosen(ladderFor('Maranta leuconeura', {}, { heightCm: 11 })).standing;
  it('stands no taller where it trails, or climbs with nothing to climb; a tree does', () => {
    expect(unsupportedCm('trailer', 11, 75)).toBe(11);
    expect(unsupportedCm('climber', 80, 140)).toBe(80);
    expect(unsupportedCm('tree', 95, 120)).toBe(120);
  });
  it('weighs more for its length, and tips sooner the higher it stands', () => {
    const tip = (standsCm: number) =>
      stanceOf(grownStanding(trailing, { lengthCm: 75, standsCm })).tipAngleDryDeg;
    expect(grownStanding(trailing, { lengthCm: 22 }).plantKg).toBeCloseTo(2 * trailing.plantKg, 9);
    expect(tip(75)).toBeLessThan(tip(11));
    expect(tip(11)).toBeLessThan(stanceOf(trailing).tipAngleDryDeg);
  });
});
