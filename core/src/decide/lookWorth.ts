import { daysBetween } from '../season/index.ts';
import { HORIZON_WEEKS } from './costs.ts';
import { weighSignals } from './evidence.ts';
import { optimum, statesIn } from './optimum.ts';
import { possibleValues, SIGNALS } from './signals.ts';
import { expectedSaving, type Judged } from './whatIf.ts';

/** What a look at a plant today is expected to save. */
export interface LookWorth {
  /** in units of an ill-timed pot-up */
  worth: number;
  /** the question that would help most */
  signal: string | null;
}

/** Questions that stand for a whole look from outside: roots, medium, danger, stance. */
const ASKED = ['rootsAtHoles', 'compacted', 'smell', 'staysWetLonger', 'wobble'];
const QUESTIONS = SIGNALS.filter(({ id }) => ASKED.includes(id));

/** Days in which what was seen grows old: to 1 − 1/e of a look's full worth. @source common practice, no source */
const GROWS_OLD_DAYS = 45;

/** A look takes a minute of the walk: worth taking from here on. @source common practice, no source */
export const LOOK_PRICE = 0.02;

/**
 * Expected saving of looking today instead of acting on what is known: each
 * question answered anew, in proportion to how old the last answers are.
 */
export function lookWorthOf({ plan, evidence, best }: Judged, lookFirst: boolean): LookWorth {
  const { signals, measured, lookedOn, date } = plan.frame.situation;
  const age = lookedOn === undefined ? Infinity : daysBetween(lookedOn, date);
  const stale = 1 - Math.exp(-Math.max(0, age) / GROWS_OLD_DAYS);
  if (stale === 0) return { worth: 0, signal: null };
  let worth = 0;
  let most = 0;
  let signal: string | null = null;
  for (const definition of QUESTIONS) {
    const asked = signals[definition.id] !== undefined;
    const { [definition.id]: _answer, ...others } = signals;
    const without = asked ? weighSignals(others, measured) : evidence;
    // Of a plant that nothing is known of, nothing is done until it is looked at.
    const byNow = asked ? optimum(plan, without.sums).week : best.week;
    const week = lookFirst ? HORIZON_WEEKS : byNow;
    const states = statesIn(plan, without.sums, 0);
    const outcomes = possibleValues(definition).map(({ value }) => {
      const then = weighSignals({ ...others, [definition.id]: value }, measured);
      const judged: Judged = {
        plan,
        evidence: then,
        best: optimum(plan, then.sums),
        kind: 'leave',
        refresh: null,
      };
      return { value, judged };
    });
    const saving = stale * expectedSaving(definition, outcomes, states, week);
    worth += saving;
    if (saving > most) {
      most = saving;
      signal = definition.id;
    }
  }
  // Of a plant never looked at any question stands for the whole look: they are not added up.
  return lookFirst ? { worth: most, signal: null } : { worth, signal };
}
