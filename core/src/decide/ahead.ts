import { HORIZON_WEEKS } from './costs.ts';
import { frameOf } from './frame.ts';
import { weighSignals } from './evidence.ts';
import { optimum, type Plan, type Sums } from './optimum.ts';
import { checkSituation, type Situation } from './situation.ts';
import { planOf } from './whatIf.ts';
import { USUAL_SCHOOLS } from '../schools/index.ts';
import type { IsoDate } from '../season/index.ts';

/** What looks to come may add to the log-odds of a state: of these, weeks are worked out. */
export const SHIFTS = [-6, -4, -2, 0, 2, 4, 6] as const;
/** A repot that is due is put off for a better season by so many weeks at most. @source common practice, no source */
const PUT_OFF_WEEKS = 26;

/** When a plant would be repotted by what is believed of it today, and by what looks may still say. */
export interface WeeksAhead {
  monday: IsoDate;
  /** best week by what looks add to “crowded” (rows) and to “medium failing”, as in `SHIFTS`; HORIZON_WEEKS: not within two years */
  best: number[][];
  /** age at which it is due again in a fresh pot of the size of its present one, weeks */
  freshWeeks: number;
  /** per week 0 … HORIZON_WEEKS: whether it may be disturbed then */
  open: boolean[];
  /** … and when to act on what falls due in it: the cheapest week from then on */
  actFrom: number[];
}

/**
 * The tables that a future of two years is walked over.
 *
 * @throws RangeError as `decide` does
 */
export function weeksAhead(given: Situation): WeeksAhead {
  const situation = checkSituation(given);
  const { signals } = situation;
  const plan = planOf(frameOf(situation), signals, situation.schools?.when ?? USUAL_SCHOOLS.when);
  const { sums } = weighSignals(signals, situation);
  const bestBy = (crowded: number, medium: number) =>
    optimum(plan, {
      ...sums,
      crowded: sums.crowded + crowded,
      mediumFailing: sums.mediumFailing + medium,
    } satisfies Sums).week;
  return {
    monday: plan.frame.monday,
    best: SHIFTS.map((crowded) => SHIFTS.map((medium) => bestBy(crowded, medium))),
    freshWeeks: plan.freshCycleWeeks,
    open: plan.open,
    actFrom: actsFrom(plan),
  };
}

/** Disturbing against what each week of waiting costs a plant that is sure to be full. */
function actsFrom({ disturbing, open, frame }: Plan): number[] {
  return Array.from({ length: HORIZON_WEEKS + 1 }, (_, due) => {
    let best = due;
    let least = Infinity;
    let waited = 0;
    for (let week = due; week <= Math.min(HORIZON_WEEKS, due + PUT_OFF_WEEKS); week++) {
      const cost = disturbing[week]! + waited;
      if (open[week] && cost < least) [best, least] = [week, cost];
      waited += frame.harmCrowded[week]!;
    }
    return best;
  });
}
