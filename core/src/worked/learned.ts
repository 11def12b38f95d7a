import { clamp, positive } from '../number/index.ts';
import { rootPace, TYPICAL_PACE, type RootPace, type RootReading } from '../roots/index.ts';
import { normalTail } from '../trend/index.ts';

/** One stay of a plant in a pot, from a repot to the next, as its end told it. */
export interface Stay {
  months: number;
  /** of the season over them, 0 … 1 */
  meanActivity: number;
  /** months in which plants of its vigour fill that pot */
  toFill: number;
  /** roots at its end; null: not read */
  roots: RootReading | null;
}

/** The pace of one plant differs from pot to pot by about so much (logarithm). @source common practice, no source */
const BETWEEN_POTS = 0.12;

/**
 * A plant's pace by all its earlier pots, as what is believed before the present
 * one has said anything.
 *
 * @param stays  in the order of time
 * @param usual  what is believed of a plant that nothing is known of
 * @returns null when none of them told anything
 * @source normal prior and likelihood by precision, one stay after the other
 */
export function learnedPace(
  stays: readonly Stay[],
  usual: RootPace = TYPICAL_PACE,
): RootPace | null {
  let pace = usual;
  for (const { months, meanActivity, toFill, roots } of stays) {
    pace = rootPace(roots, months, meanActivity, toFill, pace);
  }
  if (!pace.own) return null;
  return { ...pace, sdLog: Math.min(usual.sdLog, Math.hypot(pace.sdLog, BETWEEN_POTS)) };
}

/** One time that a medium was judged, against the life that was reckoned for it. */
export interface MediumJudged {
  /** age when it was judged, months */
  atMonths: number;
  /** reckoned life, months */
  lifeMonths: number;
  /** its structure was found gone */
  failed: boolean;
}

/** What one plant makes of its media, in parts of the life that is reckoned. */
export interface LearnedLife {
  factor: number;
  /** 80 % band */
  low: number;
  high: number;
  judged: number;
}

/** Lives of one medium differ by about so much (logarithm) … @source common practice, no source */
const LIFE_SPREAD = 0.35;
/** … and a look tells it to this. */
const JUDGED_SPREAD = 0.25;
/**
 * One look in so many is mistaken, or tells of something else than age: a soaked ball that feels packed, a
 * corner that is still loose. @source common practice, no source
 */
const MISTAKEN = 0.05;
/** However many looks agree, no keeper would believe more. @source common practice, no source */
const BELIEVED = { least: 0.5, most: 1.7 } as const;
const STEPS = 241;
const WIDEST_LOG = 1.2;
const OUTSIDE = 0.1;

/**
 * How long media last with one plant: each look at an old medium says that its
 * life was longer, or was shorter, than its age that day.
 *
 * @returns null when no medium was judged
 * @throws RangeError for an age or a life of nothing
 * @source Bayes on a grid: log-normal prior, probit likelihood of interval-censored lives, with a share of mistaken looks
 */
export function learnedLife(judged: readonly MediumJudged[]): LearnedLife | null {
  if (judged.length === 0) return null;
  const grid = Array.from({ length: STEPS }, (_, i) => {
    const log = -WIDEST_LOG + (2 * WIDEST_LOG * i) / (STEPS - 1);
    const weight = judged.reduce(
      (product, one) => product * likelihood(one, log),
      Math.exp(-0.5 * (log / LIFE_SPREAD) ** 2),
    );
    return { log, weight };
  });
  const total = grid.reduce((sum, { weight }) => sum + weight, 0);
  const mean = grid.reduce((sum, { log, weight }) => sum + log * weight, 0) / total;
  const below = (share: number) => {
    let sum = 0;
    return grid.find(({ weight }) => (sum += weight) >= share * total)!.log;
  };
  return {
    factor: believed(mean),
    low: believed(below(OUTSIDE)),
    high: believed(below(1 - OUTSIDE)),
    judged: judged.length,
  };
}

const believed = (log: number) => clamp(Math.exp(log), BELIEVED.least, BELIEVED.most);

/** Probability of what a look found, were lives longer by e^log. */
function likelihood({ atMonths, lifeMonths, failed }: MediumJudged, log: number): number {
  positive('atMonths', atMonths);
  positive('lifeMonths', lifeMonths);
  // Positive: older than its life.
  const z = (Math.log(atMonths / lifeMonths) - log) / JUDGED_SPREAD;
  const told = failed ? normalTail(-z) : normalTail(z);
  return MISTAKEN + (1 - 2 * MISTAKEN) * told;
}
