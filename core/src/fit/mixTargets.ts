import type { Traits } from '../catalogue/index.ts';
import type { MixTarget } from '../mixing/index.ts';
import type { PottedPlace } from './mixInPot.ts';

/** Air beyond the need, so that a mix lasts and does not begin at its end. @source common practice, no source */
const AIR_TO_SPARE = { low: 0.06, high: 0.2 };
/** Water that suits how far a medium may dry. @source common practice, no source */
const WATER: Record<Traits['drying'], { low: number; high: number }> = {
  wet: { low: 0.55, high: 0.8 },
  evenlyMoist: { low: 0.45, high: 0.65 },
  littleDry: { low: 0.4, high: 0.6 },
  halfDry: { low: 0.25, high: 0.5 },
  fullyDry: { low: 0.15, high: 0.38 },
};
/** Light enough to carry, heavy enough to stand, kg/L. @source the guideline for nursery mixes (media/guideline.ts) */
const WEIGHT = { low: 0.12, high: 0.7 };
/** What roots are judged by drying for carries more weight in its pot, kg/L. @source common practice, no source */
const DRY_WEIGHT = { low: 0.3, high: 1.4 };
const STANDS_MONTHS = 14;
/** What holds feed for roots; succulents want little of it. @source common practice, no source */
const ORGANIC = { low: 0.5 };
const DRY_ORGANIC = { low: 0.2, high: 0.5 };

/** Targets to begin a design from: what a plant asks of its mix in its pot. */
export function mixTargets(place: Pick<PottedPlace, 'airNeed' | 'drying'>): MixTarget[] {
  const { airNeed, drying } = place;
  return [
    ...(airNeed === null
      ? []
      : [
          {
            property: 'air' as const,
            low: airNeed + AIR_TO_SPARE.low,
            high: airNeed + AIR_TO_SPARE.high,
            importance: 4,
          },
        ]),
    { property: 'water', ...WATER[drying], importance: airNeed === null ? 4 : 2 },
    { property: 'dryKgPerL', ...(airNeed === null ? DRY_WEIGHT : WEIGHT), importance: 1 },
    { property: 'halfLifeMonths', low: STANDS_MONTHS, importance: 1 },
    { property: 'organic', ...(airNeed === null ? DRY_ORGANIC : ORGANIC), importance: 1 },
  ];
}
