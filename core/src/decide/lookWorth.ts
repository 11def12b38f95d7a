import { daysBetween } from '../season/index.ts';
import { HORIZON_WEEKS } from './costs.ts';
import { weighSignals } from './evidence.ts';
import { optimum, statesIn } from './optimum.ts';
import { canShow } from './shows.ts';
import { possibleValues, SIGNALS, type SignalDefinition, type SignalId } from './signals.ts';
import { expectedSaving, savedBy, type Judged } from './whatIf.ts';

/** What a look at a plant today is expected to save. */
export interface LookWorth {
  /** in units of a badly timed repot */
  worth: number;
  /** the question that would help most */
  signal: SignalId | null;
  /** what each question is worth by itself, the most first */
  questions: { signal: SignalId; worth: number }[];
}

/** Questions that stand for a whole look from outside: roots, medium, danger, stance. */
const ASKED = ['rootsAtHoles', 'compacted', 'smell', 'staysWetLonger', 'wobble'];
const QUESTIONS = SIGNALS.filter(({ id }) => ASKED.includes(id));

/** Days in which what was seen grows old: to 1 − 1/e of a look's full worth. @source common practice, no source */
const GROWS_OLD_DAYS = 45;

/**
 * What a look would show is reckoned over two years; of that so much a keeper notices by the way.
 *
 * @source common practice, no source
 */
const NOTICED_ANYWAY = 0.5;

/** A look takes a minute of the walk: worth taking from here on. @source common practice, no source */
export const LOOK_PRICE = 0.02;

/**
 * Expected saving of looking today instead of acting on what is known: each
 * question answered anew, in proportion to how old the last answers are.
 */
export function lookWorthOf(judged: Judged, lookFirst: boolean): LookWorth {
  const { lookedOn, date } = judged.plan.frame.situation;
  const age = lookedOn === undefined ? Infinity : daysBetween(lookedOn, date);
  const stale = 1 - Math.exp(-Math.max(0, age) / GROWS_OLD_DAYS);
  if (stale === 0) return NOTHING_TO_ASK;
  const { frame } = judged.plan;
  const questions = QUESTIONS.filter(({ id }) => canShow(id, frame.situation, frame.monthsInPot))
    .map((definition) => ({
      signal: definition.id,
      worth: stale * savingOf(definition, judged, lookFirst),
    }))
    .sort((a, b) => b.worth - a.worth);
  const most = questions[0]!;
  // Of a plant never looked at any question stands for the whole look: they are not added up.
  if (lookFirst) return { worth: Math.max(0, most.worth), signal: null, questions };
  return {
    worth: questions.reduce((sum, { worth }) => sum + worth, 0),
    signal: most.worth > 0 ? most.signal : null,
    questions,
  };
}

/** A plant that was just looked at, or that cannot wait for a look. */
export const NOTHING_TO_ASK: LookWorth = { worth: 0, signal: null, questions: [] };

/** Expected saving of one question answered anew, were its last answer unknown. */
function savingOf(
  definition: SignalDefinition,
  { plan, evidence, best }: Judged,
  lookFirst: boolean,
): number {
  const { situation } = plan.frame;
  const { signals } = situation;
  const asked = signals[definition.id] !== undefined;
  const { [definition.id]: _answer, ...others } = signals;
  const without = asked ? weighSignals(others, situation) : evidence;
  // Of a plant that nothing is known of, nothing is done until it is looked at.
  const unseen = asked ? optimum(plan, without.sums).week : best.week;
  const weekNow = lookFirst ? HORIZON_WEEKS : unseen;
  const outcomes = possibleValues(definition).map(({ value }) => {
    const then = weighSignals({ ...others, [definition.id]: value }, situation);
    return { value, saves: savedBy({ best: optimum(plan, then.sums, weekNow) }, weekNow) };
  });
  const states = statesIn(plan, without.sums, 0);
  return (1 - NOTICED_ANYWAY) * expectedSaving(definition, outcomes, states);
}
