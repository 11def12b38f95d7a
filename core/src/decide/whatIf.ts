import { disturbingByWeek } from './disturbing.ts';
import { LOOK_COST } from './costs.ts';
import { weighSignals, type Evidence } from './evidence.ts';
import type { Frame } from './frame.ts';
import { refreshFor, type Refresh } from './lesserActs.ts';
import { canShow } from './shows.ts';
import {
  kindOf,
  optimaAhead,
  optimum,
  schoolPlan,
  statesIn,
  type Optimum,
  type OptimaAhead,
  type Plan,
  type SchoolPlan,
  type VerdictKind,
} from './optimum.ts';
import {
  possibleValues,
  SIGNAL_GROUPS,
  SIGNALS,
  STATES,
  weigh,
  type SignalDefinition,
  type Signals,
  type SignalValue,
  type State,
  type SignalId,
} from './signals.ts';
import type { Schools } from '../schools/index.ts';

/** A verdict in short: all that a comparison needs. */
export interface Judged {
  plan: Plan;
  evidence: Evidence;
  best: Optimum;
  kind: VerdictKind;
  refresh: Refresh | null;
}

/** Findings that change what a disturbance costs, beside what they say of the states. */
const TIMING_SIGNALS = new Set([
  'newRootTips',
  'bloom',
  'resting',
  'justArrived',
  'coldHurt',
  'limp',
]);
/** Of a limp plant these tell whether it thirsts, and is watered before anything else. */
const TELL_THIRST = new Set(['staysWetLonger', 'smell', 'rot', 'coldHurt']);
const isTiming = (id: string, { limp }: Signals) =>
  TIMING_SIGNALS.has(id) || (limp === true && TELL_THIRST.has(id));

/** The plan of a school, kept for each frame: findings change only what a disturbance costs. */
const schoolPlans = new WeakMap<Frame, Map<Schools['when'], SchoolPlan>>();

export function planOf(frame: Frame, signals: Signals, school: Schools['when']): Plan {
  let plans = schoolPlans.get(frame);
  if (!plans) schoolPlans.set(frame, (plans = new Map()));
  let ofSchool = plans.get(school);
  if (!ofSchool) plans.set(school, (ofSchool = schoolPlan(frame, school)));
  return {
    ...ofSchool,
    frame,
    disturbing: disturbingByWeek(frame, signals, school),
    moment: signals.newRootTips === 'starting',
  };
}

/**
 * Judges findings on a plan that is already made for their timing signals.
 *
 * @param asked  a week whose cost is wanted beside the best one
 */
export function judgeOn(plan: Plan, signals: Signals, asked = 0): Judged {
  const evidence = weighSignals(signals, plan.frame.situation);
  const best = optimum(plan, evidence.sums, asked);
  const plain = kindOf(plan, evidence.sums, best);
  // A rescue cannot be put off, and where nothing worsens the odds there is nothing to put right.
  const refresh =
    plain === 'rescueNow' || !evidence.reasons.some(({ logOdds }) => logOdds > 0)
      ? null
      : refreshFor(plan, evidence, signals, best);
  // A lesser act that pays is done, also where nothing else is.
  const only = refresh !== null && (refresh.instead || plain === 'leave');
  return { plan, evidence, best, refresh, kind: only ? 'refreshOnly' : plain };
}

export interface TurningPoint {
  signal: SignalId;
  from: SignalValue | null;
  to: SignalValue;
  verdict: VerdictKind;
  /** chance of meeting it, 0 … 1 */
  chance: number;
}

export interface NotLooked {
  signal: SignalId;
  /** expected fall in cost if this one were looked at, in units of a badly timed repot */
  worth: number;
}

const MOST_TURNING_POINTS = 4;

/** A thirsty or newly arrived plant is seen to first, for days: that turns nothing. */
const PUTS_OFF: ReadonlySet<string> = new Set(['limp', 'justArrived', 'coldHurt']);

/** What is met less often than this is not told as a turning point. @source common practice, no source */
const LEAST_CHANCE = 0.06;

/** Changes that decide whether to move the plant come first, of those the likeliest. */
const byWeight = (
  a: { chance: number; moves: boolean },
  b: { chance: number; moves: boolean },
): number => Number(b.moves) - Number(a.moves) || b.chance - a.chance;

/**
 * What each single further or other finding would change, as far as such a
 * plant can show it: what turns the verdict and may well be met, and which
 * look not yet taken is worth most.
 */
export function whatIf(
  frame: Frame,
  signals: Signals,
  school: Schools['when'],
  now: Judged,
): { turningPoint: TurningPoint[]; notLooked: NotLooked[] } {
  const turns: (TurningPoint & { moves: boolean })[] = [];
  const notLooked: NotLooked[] = [];
  const states = statesIn(now.plan, now.evidence.sums, 0);
  for (const definition of SIGNALS) {
    if (!canShow(definition.id, frame.situation, frame.monthsInPot)) continue;
    const from = signals[definition.id] ?? null;
    const chances = chancesOf(definition, states);
    const outcomes = possibleValues(definition)
      .map(({ value }, index) => ({ value, chance: chances[index]! }))
      .filter(({ value }) => value !== from)
      .map(({ value, chance }) => {
        if (from === null && saysNothing(definition.id, value))
          return { value, chance, judged: now };
        const changed = { ...signals, [definition.id]: value };
        const plan = isTiming(definition.id, signals) ? planOf(frame, changed, school) : now.plan;
        return { value, chance, judged: judgeOn(plan, changed, now.best.week) };
      });
    const turning = outcomes
      .filter(
        ({ judged, chance }) =>
          judged.kind !== now.kind && chance >= LEAST_CHANCE && !PUTS_OFF.has(definition.id),
      )
      .map(({ value, chance, judged }) => ({
        signal: definition.id,
        from,
        to: value,
        verdict: judged.kind,
        chance,
        moves: moves(judged.kind) !== moves(now.kind),
      }))
      .sort(byWeight)[0];
    if (turning) turns.push(turning);
    if (from === null) {
      notLooked.push({
        signal: definition.id,
        worth: expectedSaving(
          definition,
          outcomes.map(({ value, judged }) => ({ value, saves: savedBy(judged, now.best.week) })),
          states,
        ),
      });
    }
  }
  return {
    turningPoint: turns
      .sort(byWeight)
      .slice(0, MOST_TURNING_POINTS)
      .map(({ moves: _moves, ...turn }) => turn),
    notLooked: notLooked.sort((a, b) => b.worth - a.worth),
  };
}

/** An answer without weight that leaves the timing as it was: the verdict stays. */
function saysNothing(id: string, value: SignalValue): boolean {
  const moment = TIMING_SIGNALS.has(id) && value !== 'none' && value !== false;
  return !moment && Object.keys(weigh(id, value).weights).length === 0;
}

const UNPOTTED: ReadonlySet<string> = new Set(
  SIGNAL_GROUPS.filter((group) => group.unpotted).map(({ id }) => id),
);

function isUnpotted(definition: SignalDefinition): boolean {
  return UNPOTTED.has(definition.group);
}

/** Whether a verdict moves the plant at all. */
const moves = (kind: VerdictKind) => kind !== 'leave' && kind !== 'refreshOnly';

/**
 * For each state, how much more often each value is met when the state holds:
 * e^weight, scaled so that the chances of all values still add up to one.
 */
function valuesWhenHeld(definition: SignalDefinition): Record<State, number[]> {
  let ratios = heldRatios.get(definition);
  if (!ratios) {
    const values = possibleValues(definition);
    const weights = values.map(({ value }) => weigh(definition.id, value).weights);
    ratios = Object.fromEntries(
      STATES.map((state) => {
        const raw = weights.map((weight) => Math.exp(weight[state] ?? 0));
        const total = raw.reduce((sum, ratio, i) => sum + ratio * values[i]!.usual, 0);
        const usual = values.reduce((sum, value) => sum + value.usual, 0);
        return [state, raw.map((ratio) => (ratio * usual) / total)];
      }),
    ) as Record<State, number[]>;
    heldRatios.set(definition, ratios);
  }
  return ratios;
}
const heldRatios = new WeakMap<SignalDefinition, Record<State, number[]>>();

/** Chance of each value of a signal: how usual it is, raised or lowered by the states that it speaks of. */
function chancesOf(definition: SignalDefinition, states: Record<State, number>): number[] {
  const whenHeld = valuesWhenHeld(definition);
  const chances = possibleValues(definition).map(({ usual }, index) =>
    STATES.reduce(
      (chance, state) => chance * (1 - states[state] + states[state] * whenHeld[state][index]!),
      usual,
    ),
  );
  const total = chances.reduce((sum, chance) => sum + chance, 0);
  return chances.map((chance) => chance / total);
}

/** What choosing the best week saves against the week that seemed best, whose cost was asked for. */
export const savedBy = ({ best }: Pick<Judged, 'best'>, weekNow: number): number =>
  best.week === weekNow ? 0 : Math.max(0, best.costAsked - best.cost);

/**
 * Expected fall in cost when a signal is looked at before acting.
 *
 * @param outcomes  for values that it may take: what is saved by then choosing the best week instead
 *   of the one that seems best now; of others nothing is saved
 */
export function expectedSaving(
  definition: SignalDefinition,
  outcomes: readonly { value: SignalValue; saves: number }[],
  states: Record<State, number>,
): number {
  const chances = chancesOf(definition, states);
  let saving = 0;
  for (const [index, { value }] of possibleValues(definition).entries()) {
    saving += chances[index]! * (outcomes.find((one) => one.value === value)?.saves ?? 0);
  }
  const price = isUnpotted(definition) ? LOOK_COST.unpotted : LOOK_COST.outside;
  return Math.max(0, saving - price);
}

const LOOK_STEP_WEEKS = 6;
const FIRST_LOOK_WEEKS = 4;
const USUAL_LOOK_WEEKS = 26;
const LAST_LOOK_WEEKS = 52;
/** Looks that stand for "a look" when the next one is planned: one for roots, one for the medium. */
const PROXIES = ['rootsAtHoles', 'compacted'];

/**
 * When a further look is expected to save most, in weeks from now.
 *
 * What was found today is old by then, so that only time speaks for crowding
 * and medium.
 */
export function nextLookWeek({ plan, best }: Judged): number {
  if (best.week <= FIRST_LOOK_WEEKS) return best.week;
  const last = Math.min(LAST_LOOK_WEEKS, best.week);
  const unseen = optimaAhead(plan, nothing.sums);
  const seen = PROXY_LOOKS.map(({ definition, values }) => ({
    definition,
    values: values.map(({ value, sums }) => ({ value, ahead: optimaAhead(plan, sums) })),
  }));
  let week = Math.min(USUAL_LOOK_WEEKS, last);
  let most = 0;
  for (let from = FIRST_LOOK_WEEKS; from <= last; from += LOOK_STEP_WEEKS) {
    const worth = worthOfLookIn(plan, unseen, seen, from);
    if (worth > most) {
      most = worth;
      week = from;
    }
  }
  return week;
}

const nothing = weighSignals({});
/** What each value of a proxy says on its own: the same for every plant. */
const PROXY_LOOKS = SIGNALS.filter(({ id }) => PROXIES.includes(id)).map((definition) => ({
  definition,
  values: possibleValues(definition).map(({ value }) => ({
    value,
    sums: weighSignals({ [definition.id]: value }).sums,
  })),
}));

function worthOfLookIn(
  plan: Plan,
  unseen: OptimaAhead,
  seen: readonly {
    definition: SignalDefinition;
    values: { value: SignalValue; ahead: OptimaAhead }[];
  }[],
  from: number,
): number {
  const states = statesIn(plan, nothing.sums, from);
  const weekNow = unseen.week[from]!;
  let worth = 0;
  for (const { definition, values } of seen) {
    const outcomes = values.map(({ value, ahead: { week, cost } }) => ({
      value,
      saves: Math.max(0, cost[weekNow]! - cost[week[from]!]!),
    }));
    worth += expectedSaving(definition, outcomes, states);
  }
  return worth;
}
