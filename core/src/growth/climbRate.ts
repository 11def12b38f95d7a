import { DAYS_PER_MONTH } from '../season/index.ts';
import type { Traits } from '../catalogue/index.ts';
import type { SeasonTraits, Spot } from '../season/index.ts';
import { theilSen } from '../trend/index.ts';
import { activePoints, sinceCut, type HeightEntry } from './rate.ts';

/** How fast a shoot lengthens, and how far off a forecast by it can be. */
export interface ClimbRate {
  /** at full growth, cm a month */
  cmPerMonth: number;
  /** heights it rests on; 0: the usual pace of its vigour */
  readings: number;
  /** what is gained in so many months of full growth, with the 80 % band, cm */
  gainIn: (activeMonths: number) => { lowCm: number; cm: number; highCm: number };
}

/**
 * Usual climb at full growth, cm a month, and how far plants of one vigour
 * differ (standard deviation of the logarithm).
 *
 * @source common practice, no source: a fast vine climbs 60–70 cm in three
 * months, a slow one 10 cm a year
 */
export const USUAL_CLIMB = { fast: 22, middling: 8, slow: 1.5 } as const;
const SPREAD_LOG = 0.6;
/**
 * How much of that climb plants of a form make: what rises from its base grows
 * wider, not taller.
 *
 * @source common practice, no source
 */
const LENGTHENS: Record<Traits['growthForm'], number> = {
  climber: 1,
  trailer: 1,
  shrub: 0.3,
  tree: 0.3,
  palmLike: 0.3,
  column: 0.1,
  clump: 0,
  rosette: 0,
  walker: 0,
  fan: 0,
  bulb: 0,
};
/** Usual climb of such a plant at full growth, cm a month. */
export const usualClimb = (plant: Pick<Traits, 'vigour' | 'growthForm' | 'lengthens'>): number =>
  USUAL_CLIMB[plant.vigour] * (plant.lengthens ?? LENGTHENS[plant.growthForm]);
/** What is not known of a plant that is not thought to lengthen, cm a month. */
const LEAST_PRIOR_SD = 0.5;

/** Growth of single months scatters about a plant's own rate by this share of it. @source common practice, no source */
const MONTHLY_SCATTER = 0.4;
/** … believed as firmly as so many observed steps. */
const SCATTER_PRIOR_STEPS = 4;
/** A height is read to this, cm, and this share of it: where does a vine begin? */
const READ_TO = { cm: 0.7, share: 0.01 } as const;
const Z80 = 1.2816;
/** The slope of a line through a random walk is by this less sure than its ends are. @source 6/5, least squares on a random walk */
const WALK_INFLATION = 1.2;
const LEAST_ACTIVE_MONTHS = 0.5;

/**
 * Climb rate from a plant's heights as a random walk with drift over its
 * active months: the usual pace is the prior, its own log moves it.
 *
 * @param entries  heights in any order; a cut starts anew
 * @source Theil–Sen slope; normal prior and likelihood; Student band by Cornish–Fisher
 */
export function climbRate(
  entries: readonly HeightEntry[],
  spot: Spot,
  plant: Pick<Traits, 'vigour' | 'growthForm' | 'lengthens'> & SeasonTraits,
): ClimbRate {
  const usual = usualClimb(plant);
  const points = sinceCut(activePoints(entries, spot, plant)).map(({ x, y }) => ({
    x: x / DAYS_PER_MONTH,
    y,
  }));
  const last = points[points.length - 1];
  const span = points.length > 1 ? last!.x - points[0]!.x : 0;
  if (!last || span < LEAST_ACTIVE_MONTHS) return usualRate(usual);

  const own = points.length > 3 ? theilSen(points).slope : (last.y - points[0]!.y) / span;
  const readSd = READ_TO.cm + READ_TO.share * last.y;
  const level = Math.max(own, 0.2 * usual, LEAST_PRIOR_SD);
  const scatter = scatterOf(points, own, readSd, MONTHLY_SCATTER * level);
  const ownVariance = (WALK_INFLATION * scatter.variance) / span + (2 * readSd ** 2) / span ** 2;
  const priorVariance = Math.max(LEAST_PRIOR_SD ** 2, Math.expm1(SPREAD_LOG ** 2) * usual ** 2);
  const told = 1 / ownVariance;
  const prior = 1 / priorVariance;
  const rate = Math.max(0, (told * own + prior * usual) / (told + prior));
  const rateVariance = 1 / (told + prior);
  const reach = Z80 * (1 + (Z80 ** 2 + 1) / (4 * scatter.freedom));
  return {
    cmPerMonth: rate,
    readings: points.length,
    gainIn: (months) => {
      const gain = rate * months;
      const sd = Math.sqrt(scatter.variance * months + rateVariance * months ** 2 + readSd ** 2);
      return {
        lowCm: Math.max(0, gain - reach * sd),
        cm: gain,
        highCm: gain + reach * sd,
      };
    },
  };
}

function usualRate(usual: number): ClimbRate {
  const low = usual * Math.exp(-Z80 * SPREAD_LOG);
  const high = usual * Math.exp(Z80 * SPREAD_LOG);
  return {
    cmPerMonth: usual,
    readings: 0,
    gainIn: (months) => ({ lowCm: low * months, cm: usual * months, highCm: high * months }),
  };
}

/** Variance of growth per active month, drawn toward the usual scatter where steps are few. */
function scatterOf(
  points: readonly { x: number; y: number }[],
  rate: number,
  readSd: number,
  usualSd: number,
): { variance: number; freedom: number } {
  let sum = SCATTER_PRIOR_STEPS * usualSd ** 2;
  let steps = SCATTER_PRIOR_STEPS;
  for (let i = 1; i < points.length; i++) {
    const months = points[i]!.x - points[i - 1]!.x;
    if (months < 0.1) continue;
    const off = points[i]!.y - points[i - 1]!.y - rate * months;
    sum += Math.max(0, off ** 2 - 2 * readSd ** 2) / months;
    steps += 1;
  }
  return { variance: sum / steps, freedom: steps };
}
