import { LESSER_ACTS, REFRESH_LASTS_WEEKS, type Cure, type LesserAct } from './costs.ts';
import type { Evidence } from './evidence.ts';
import { kindOf, optimum, type Optimum, type Plan, type Sums } from './optimum.ts';
import type { State } from './signals.ts';

/** What lesser acts would bring here. */
export interface Refresh {
  acts: LesserAct[];
  /** they make a repot unnecessary for now, and cost less */
  instead: boolean;
  /** expected cost saved against doing without them */
  saves: number;
  after: Optimum;
}

/**
 * Lesser acts that pay for themselves, and whether they do instead of a repot.
 *
 * @param best  optimum without them
 */
export function refreshFor(plan: Plan, evidence: Evidence, best: Optimum): Refresh | null {
  const worthwhile = LESSER_ACTS.filter(({ cures, cost }) => {
    const relieved = relieve(evidence, cures);
    return relieved !== null && optimum(plan, relieved).cost + cost < best.cost;
  });
  if (worthwhile.length === 0) return null;
  const relieved = relieve(
    evidence,
    worthwhile.flatMap(({ cures }) => [...cures]),
  );
  if (!relieved) return null;
  const price = worthwhile.reduce((sum, { cost }) => sum + cost, 0);
  const after = optimum(plan, relieved);
  const saves = best.cost - (after.cost + price);
  const rescued = kindOf(plan, relieved, after) === 'rescueNow';
  return {
    acts: worthwhile.map(({ id }) => id),
    instead: saves > 0 && !rescued && after.week > REFRESH_LASTS_WEEKS,
    saves,
    after,
  };
}

/** The sums once the acts have put their part right; null when there is nothing to put right. */
function relieve({ reasons, sums }: Evidence, cures: readonly Cure[]): Sums | null {
  let relieved: Record<State, number> | null = null;
  for (const { signal, state, logOdds } of reasons) {
    if (logOdds <= 0) continue;
    for (const cure of cures) {
      if (cure.signal !== signal || (cure.state !== undefined && cure.state !== state)) continue;
      relieved ??= { ...sums };
      relieved[state] -= cure.share * logOdds;
      break;
    }
  }
  return relieved;
}
