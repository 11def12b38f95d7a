import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../catalogue/index.ts';
import type { Situation } from '../decide/index.ts';
import { blendOfRecipe } from '../mixing/index.ts';
import {
  coverFit,
  nominalPot,
  POT_MATERIALS,
  TRADE_SHAPES,
  type PotMaterialId,
  type PotShape,
} from '../pots/index.ts';
import { addDays } from '../season/index.ts';
import { AIM_DEG } from '../stability/index.ts';
import { POT_SOURCES, potLadder, remedies, type FitRequest, type PotOption } from './index.ts';

const DATE = '2026-04-20';
const trade = fc.constantFrom(...TRADE_SHAPES.map(({ id }) => id));
const material = fc.constantFrom(...POT_MATERIALS.map(({ id }) => id));
const rim = fc.integer({ min: 7, max: 40 });
const option = fc
  .record({ rim, trade, material, source: fc.constantFrom(...POT_SOURCES), id: fc.uuid() })
  .map(({ rim: width, trade: shape, material: of, source, id }): PotOption => ({
    id,
    label: id.slice(0, 4),
    outside: nominalPot(width, shape),
    material: of,
    source,
  }));

/** Any plant of the catalogue, in any pot, with any pots to choose from. */
const request: fc.Arbitrary<FitRequest> = fc
  .record({
    taxon: fc.constantFrom(...CATALOGUE),
    rim,
    options: fc.array(option, { minLength: 1, maxLength: 12 }),
    heightCm: fc.integer({ min: 3, max: 200 }),
    months: fc.option(fc.integer({ min: 1, max: 60 })),
    live: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
    holes: fc.option(fc.constantFrom('none', 'one', 'several', 'every', 'mat')),
    pieces: fc.integer({ min: 1, max: 4 }),
    rootsPruned: fc.boolean(),
    layer: fc.constantFrom('none' as const, 'screen' as const, 'ballast' as const),
    size: fc.constantFrom('oneUp' as const, 'growth' as const, 'snug' as const),
    latitudeDeg: fc.integer({ min: -60, max: 65 }),
    temperatureC: fc.integer({ min: 2, max: 30 }),
    headroomCm: fc.option(fc.integer({ min: 20, max: 250 })),
    supportCm: fc.option(fc.integer({ min: 30, max: 180 })),
  })
  .map((given) => {
    const { taxon, months, live, holes, supportCm, headroomCm } = given;
    const situation: Situation = {
      traits: taxon.traits,
      date: DATE,
      spot: {
        latitudeDeg: given.latitudeDeg,
        indoors: true,
        temperatureC: given.temperatureC,
        relativeHumidity: 0.5,
        lampHours: 0,
        light: 'bright',
      },
      pot: nominalPot(given.rim),
      medium: { kind: taxon.traits.medium },
      lastRepot: months === null ? null : addDays(DATE, -months * 30),
      signals: {
        ...(live === null ? {} : { liveRoots: live }),
        ...(holes === null ? {} : { rootsAtHoles: holes }),
      },
      schools: { size: given.size },
    };
    return {
      situation,
      options: given.options,
      mix: blendOfRecipe(taxon.traits.recipe),
      plantHeightCm: given.heightCm,
      cuts: { pieces: given.pieces, rootsPruned: given.rootsPruned },
      layer: given.layer,
      headroomCm,
      ...(supportCm === null
        ? {}
        : { support: { lengthCm: supportCm, dryKg: 0.2, wetKg: 0.6, sectionCm2: 20 } }),
    };
  });

const RUNS = { numRuns: 300 };

describe('the ladder of any plant', () => {
  it('has a reason and finite numbers on every rung, and at most one is chosen', () => {
    fc.assert(
      fc.property(request, (given) => {
        const { rungs, choice, leastBad, because } = potLadder(given);
        expect(because).not.toBe('');
        // There is always an answer, where any pot has a hole.
        const holds = rungs.some(({ verdict }) => verdict !== 'noHoles');
        expect(choice !== null || leastBad !== null).toBe(holds);
        expect(choice !== null && leastBad !== null).toBe(false);
        expect(rungs).toHaveLength(given.options.length);
        const chosen = rungs.filter(({ verdict }) => verdict === 'chosen');
        expect(chosen).toHaveLength(choice === null ? 0 : 1);
        for (const rung of rungs) {
          const { stance, depth, crowdedBand, monthsToCrowded } = rung;
          expect(rung.because, rung.verdict).not.toBe('');
          for (const value of [
            rung.newMediumL,
            rung.drying.growthDays,
            rung.drying.restDays ?? 0,
            stance.tipAngleDryDeg,
            stance.wetKg,
            rung.air,
            rung.water,
          ]) {
            expect(Number.isFinite(value)).toBe(true);
            expect(value).toBeGreaterThanOrEqual(0);
          }
          expect(rung.air + rung.water).toBeLessThanOrEqual(1);
          expect(stance.wetKg).toBeGreaterThanOrEqual(stance.dryKg - 1e-9);
          expect(depth.bedCm).toBeGreaterThanOrEqual(0);
          if (monthsToCrowded && crowdedBand) {
            expect(crowdedBand.soonest).toBeLessThanOrEqual(monthsToCrowded);
            expect(crowdedBand.latest).toBeGreaterThanOrEqual(monthsToCrowded);
          }
        }
      }),
      RUNS,
    );
  });

  it('never chooses a pot that topples, holds no hole-less water, or does not take the ball', () => {
    fc.assert(
      fc.property(request, (given) => {
        const { rungs, choice, ball } = potLadder(given);
        if (choice === null) return;
        const { stance, depth } = rungs[choice]!;
        expect(stance.tipAngleDryDeg).toBeGreaterThanOrEqual(10);
        if (ball.live > 0.5) expect(depth.shaveCm).toBeLessThanOrEqual(0.2 * ball.heightCm + 1e-9);
      }),
      RUNS,
    );
  });

  it('the order in which pots are listed is of no account', () => {
    fc.assert(
      fc.property(request, (given) => {
        const forth = potLadder(given);
        const back = potLadder({ ...given, options: [...given.options].reverse() });
        expect(back.rungs.map(({ option: { id } }) => id)).toEqual(
          forth.rungs.map(({ option: { id } }) => id),
        );
        expect(back.choice).toBe(forth.choice);
      }),
      RUNS,
    );
  });
});

describe('remedies of any plant', () => {
  it('what is called enough reaches the aim, and each steadies it', () => {
    fc.assert(
      fc.property(request, (given) => {
        const { rungs } = potLadder(given);
        for (const rung of rungs.slice(0, 3)) {
          for (const { enough, stance } of remedies(rung.standing, [], rungs)) {
            if (!stance) continue;
            if (enough) expect(stance.tipAngleDryDeg).toBeGreaterThanOrEqual(AIM_DEG);
          }
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('covers of any size', () => {
  const grown = (pot: PotShape, by: number): PotShape =>
    pot.shape === 'round'
      ? {
          ...pot,
          topDiameterCm: pot.topDiameterCm + by,
          baseDiameterCm: pot.baseDiameterCm + by,
          heightCm: pot.heightCm + by,
        }
      : pot;
  it('a cover that takes a pot also takes it when it is larger all round', () => {
    fc.assert(
      fc.property(rim, rim, fc.double({ min: 0, max: 10, noNaN: true }), (pot, cover, by) => {
        const small = nominalPot(pot);
        const of: PotMaterialId = 'plastic';
        const fits = (outside: PotShape) => coverFit(small, outside, of).fits;
        if (fits(nominalPot(cover, 'standard'))) {
          expect(fits(grown(nominalPot(cover, 'standard'), by))).toBe(true);
        }
      }),
    );
  });
});
