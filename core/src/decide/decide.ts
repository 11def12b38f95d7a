import { addDays, DAYS_PER_MONTH, type IsoDate } from '../season/index.ts';
import type { Diagnosis } from '../causes/index.ts';
import { monthsSaid } from '../saying/index.ts';
import { alongside, isInDoubt, isPotUnlikely, troubleshoot, unpotFor } from './counsel.ts';
import {
  DANGER_OPENS,
  HALF_LOST_WEEKS,
  LESSER_ACTS,
  PRIOR_DANGER,
  PRIOR_TOO_WET,
  PRIOR_UNSTABLE,
  WEEKS_OF_GROWTH,
  type LesserAct,
} from './costs.ts';
import { answered, contradictionsIn, weighSignals, type Reason } from './evidence.ts';
import { corrected, uncorrected } from './corrected.ts';
import { bloomLasts } from './disturbing.ts';
import {
  dueMonths,
  frameOf,
  mediumPrior,
  snugLogOdds,
  withOldMedium,
  type Frame,
} from './frame.ts';
import { headlineOf, type Headline } from './headline.ts';
import { lookWorthOf, NOTHING_TO_ASK, type LookWorth } from './lookWorth.ts';
import { harmByWeek, statesIn, windowOf, type VerdictKind } from './optimum.ts';
import type { RootPace } from '../roots/index.ts';
import { readinessFactors, type ReadinessFactor } from './readiness.ts';
import { STATES, type State } from './signals.ts';
import { checkSituation, type Situation } from './situation.ts';
import {
  judgeOn,
  nextLookWeek,
  planOf,
  whatIf,
  type Judged,
  type NotLooked,
  type TurningPoint,
} from './whatIf.ts';
import { SCHOOLS, type Schools, USUAL_SCHOOLS } from '../schools/index.ts';

/** Weeks that the two curves are drawn for. */
export const CURVE_WEEKS = 52;

/** What to do, when and why. */
export interface Decision {
  /** what is shown first, everywhere */
  headline: Headline;
  verdict: VerdictKind;
  /** the Monday of the best week; null when the verdict names none */
  week: IsoDate | null;
  /** the weeks that cost hardly more, as Mondays, with the best; null when the verdict names none */
  window: { from: IsoDate; best: IsoDate; to: IsoDate } | null;
  /** when a further look is worth most; null when the plant is repotted now */
  lookAgain: IsoDate | null;
  /** lesser acts that pay now, instead of a repot or until then */
  now: LesserAct[];
  /** weeks of growth that a repot today or in the best week sets it back, and that waiting until then costs */
  costs: { now: number; then: number; waiting: number };
  /** chance of losing the plant within 12 weeks, were nothing done, 0 … 1 */
  lossRisk: number;
  /** unsure and much at stake: what to see once it is slid out, before anything is cut or bought */
  unpot: { because: string; lookFor: string[] } | null;
  /** what may lie behind a plant that looks poorly */
  troubleshoot: Diagnosis | null;
  /** what pays to do in the same go as a repot */
  alongside: { act: 'divide' | 'reroot'; text: string }[];
  /** how far roots are taken to have explored the pot by earlier looks, with its standard deviation */
  roots: { explored: number; sd: number } | null;
  states: Record<State, number>;
  /** sums, state by state, to the log-odds of `states` */
  reasons: Reason[];
  contradictions: string[];
  readiness: ReadinessFactor[];
  notLooked: NotLooked[];
  turningPoint: TurningPoint[];
  /** per week from now: cost of acting then, cost of having waited until then, and whether the school lets it be disturbed */
  curves: { weeks: number[]; disturbing: number[]; waiting: number[]; open: boolean[] };
  schools: { school: Schools['when']; label: string; verdict: VerdictKind; week: IsoDate | null }[];
  /** the same for what is taken off the roots, which decides what a repot costs them */
  oldMediumSchools: {
    school: Schools['oldMedium'];
    label: string;
    verdict: VerdictKind;
    week: IsoDate | null;
  }[];
  school: Schools['when'];
  /** what looking today is expected to save, and the question that would help most */
  lookWorth: LookWorth;
  /** weeks until its bloom is over; 0 without */
  bloomWeeksLeft: number;
  /** expected cost of doing the best thing late by a year, for ranking */
  costOfWaiting: number;
  medium: { lifeMonths: number | null; judgedBy: string; freshAir: number };
  monthsInPot: number | null;
  monthsToFill: number;
  /** age at which this plant in a fresh pot would be due again at least cost, months */
  freshCycleMonths: number;
  /** long-run cost per week of this plant once it is in a fresh pot */
  freshPerWeek: number;
}

/**
 * Repot, when, or leave.
 *
 * Five states each have a probability; disturbing and waiting each have a cost
 * in every week; the week with the least sum wins, counted against the fresh
 * cycle that a repot starts.
 *
 * @param depth  `brief` leaves out what only matters to one who asks why: what-ifs
 *   (turning points, worth of looks) and the other schools; headline, verdict and reasons are the same
 * @throws RangeError for an impossible situation, naming the field
 * @source form: age replacement (Barlow & Proschan, 1965) with log-odds for evidence;
 * weights: common practice, no source
 */
export function decide(given: Situation, depth: 'full' | 'brief' = 'full'): Decision {
  const situation = checkSituation(given);
  const { signals, date } = situation;
  const school = situation.schools?.when ?? USUAL_SCHOOLS.when;
  const frame = frameOf(situation);
  const judged = judgeOn(planOf(frame, signals, school), signals);
  const { plan, evidence, best, kind, refresh } = judged;
  const states = statesIn(plan, evidence.sums, 0);
  const lookFirst = mustLookFirst(situation);
  // Whether to unpot a plant of which danger is an open question hangs on what seeing its roots is worth.
  const looks =
    depth === 'full' || isInDoubt(signals, states)
      ? whatIf(frame, signals, school, judged)
      : { turningPoint: [], notLooked: [] };
  const verdict = lookFirst ? 'leave' : kind;
  const harm = harmByWeek(plan, evidence.sums);
  const waiting = [0];
  for (let week = 1; week < CURVE_WEEKS; week++) {
    waiting.push(waiting[week - 1]! + harm[week - 1]!);
  }
  const actsNow = verdict === 'rescueNow' || verdict === 'repotNow';
  const unpot = lookFirst ? null : unpotFor(signals, states, looks.notLooked);
  const causes = troubleshoot(situation, states);
  return {
    headline: headlineOf(verdict, {
      nothingKnown: lookFirst,
      rootsInDoubt: unpot !== null,
      // Whoever saw that cold did it need not look for what did.
      potUnlikely:
        situation.signals.coldHurt !== true && causes !== null && isPotUnlikely(causes, states),
    }),
    verdict,
    week: weekOf(verdict, best.week, frame.monday),
    window: spanOf(judged, verdict),
    lookAgain: lookAgain(),
    now: actsNow || !refresh ? [] : refresh.acts,
    costs: costsOf(plan.disturbing, waiting, verdict === 'repotInWeek' ? best.week : 0),
    lossRisk: states.danger * (1 - 2 ** (-LOSS_WEEKS / HALF_LOST_WEEKS)),
    states,
    reasons: withRecord(situation, [...priorReasons(frame), ...evidence.reasons]).sort(
      (a, b) => Math.abs(b.logOdds) - Math.abs(a.logOdds),
    ),
    contradictions: contradictionsIn(signals),
    readiness: readinessFactors(frame, signals),
    unpot,
    troubleshoot: causes,
    alongside: alongside(situation, states, verdict),
    roots: situation.roots ?? null,
    turningPoint: lookFirst ? [] : looks.turningPoint,
    notLooked: looks.notLooked,
    curves: {
      weeks: Array.from({ length: CURVE_WEEKS }, (_, week) => week),
      disturbing: Array.from(plan.disturbing.slice(0, CURVE_WEEKS)),
      waiting,
      open: plan.open.slice(0, CURVE_WEEKS).map((open) => open || states.danger >= DANGER_OPENS),
    },
    schools: depth === 'full' ? schoolVerdicts(frame, situation, school, judged) : [],
    oldMediumSchools: depth === 'full' ? oldMediumVerdicts(frame, situation, school) : [],
    school,
    lookWorth: verdict === 'rescueNow' ? NOTHING_TO_ASK : lookWorthOf(judged, lookFirst),
    bloomWeeksLeft: bloomLasts(signals, situation.traits.bloomWeeks),
    costOfWaiting: waiting[CURVE_WEEKS - 1]!,
    medium: {
      lifeMonths: frame.life.months,
      judgedBy: frame.life.judgedBy,
      freshAir: frame.life.freshAir,
    },
    monthsInPot: frame.monthsInPot,
    monthsToFill: frame.monthsToFill,
    freshCycleMonths: (plan.freshCycleWeeks * 7) / DAYS_PER_MONTH,
    freshPerWeek: plan.freshPerWeek,
  };

  function lookAgain(): IsoDate | null {
    if (actsNow) return null;
    return lookFirst ? date : addDays(frame.monday, 7 * nextLookWeek(judged));
  }
}

/** How likely each state is today, without what follows from it. @throws RangeError as `decide` does */
export function statesOf(given: Situation): Record<State, number> {
  const situation = checkSituation(given);
  const { sums } = weighSignals(situation.signals, situation);
  return statesIn({ frame: frameOf(situation) }, sums, 0);
}

/**
 * Long neglected is a reason to look, not yet a reason to repot: with an
 * unknown age and not one finding, any other verdict would be a guess.
 */
function mustLookFirst({ lastRepot, signals, roots }: Situation): boolean {
  return lastRepot === null && !roots && answered(signals).length === 0;
}

function weekOf(kind: VerdictKind, week: number, monday: IsoDate): IsoDate | null {
  if (kind === 'leave' || kind === 'refreshOnly') return null;
  return kind === 'repotInWeek' ? addDays(monday, 7 * week) : monday;
}

function spanOf({ plan, evidence, best }: Judged, kind: VerdictKind): Decision['window'] {
  if (kind !== 'repotNow' && kind !== 'repotInWeek') return null;
  const span = windowOf(plan, evidence.sums, best);
  const day = (week: number) => addDays(plan.frame.monday, 7 * week);
  return { from: day(span.from), best: day(span.best), to: day(span.to) };
}

const LOSS_WEEKS = 12;

function costsOf(
  disturbing: Float64Array,
  waiting: readonly number[],
  week: number,
): Decision['costs'] {
  return {
    now: WEEKS_OF_GROWTH * disturbing[0]!,
    then: WEEKS_OF_GROWTH * disturbing[week]!,
    waiting: WEEKS_OF_GROWTH * waiting[week]!,
  };
}

function schoolVerdicts(
  frame: Frame,
  { signals }: Situation,
  own: Schools['when'],
  judged: Judged,
): Decision['schools'] {
  return (Object.keys(SCHOOLS.when.options) as Schools['when'][]).map((school) => {
    const { kind, best } =
      school === own ? judged : judgeOn(planOf(frame, signals, school), signals);
    return {
      school,
      label: SCHOOLS.when.options[school].label,
      verdict: kind,
      week: weekOf(kind, best.week, frame.monday),
    };
  });
}

/** What taking more or less of the old medium off would make of the week. */
function oldMediumVerdicts(
  frame: Frame,
  situation: Situation,
  when: Schools['when'],
): Decision['oldMediumSchools'] {
  return (Object.keys(SCHOOLS.oldMedium.options) as Schools['oldMedium'][]).map((oldMedium) => {
    const other = withOldMedium(frame, oldMedium);
    const { kind, best } = judgeOn(planOf(other, situation.signals, when), situation.signals);
    return {
      school: oldMedium,
      label: SCHOOLS.oldMedium.options[oldMedium].label,
      verdict: kind,
      week: weekOf(kind, best.week, frame.monday),
    };
  });
}

/** Beyond this share of the pot nobody counts: it is full. */
const FULL_SHARE = 0.95;
const rootsByNow = (explored: number) =>
  explored >= FULL_SHARE
    ? 'earlier looks and growth since say that roots fill the pot'
    : `earlier looks and growth since put the roots at ${Math.round(explored * 100)} % of the pot`;

/** Within these shares of its life a medium that still speaks against a repot is told to be about its term. */
const ABOUT_ITS_TERM = { from: 0.8, to: 1.1 };

function mediumAge(old: number, life: number): string {
  const lasts = `here it lasts about ${monthsSaid(life)}`;
  if (old < ABOUT_ITS_TERM.from * life) return `the medium is ${monthsSaid(old)} old; ${lasts}`;
  if (mediumPrior(old, life) >= 0)
    return `the medium is ${monthsSaid(old)} old, past its term; ${lasts}`;
  return old <= ABOUT_ITS_TERM.to * life
    ? `the medium is ${monthsSaid(old)} old and about its term (${lasts}): most still hold then`
    : `the medium is ${monthsSaid(old)} old, older than most last here (about ${monthsSaid(life)}): some hold longer`;
}

/** By what it is known how fast a plant fills its pot. */
const whose = (pace: RootPace | undefined) =>
  pace?.own
    ? 'by its own roots so far it'
    : pace
      ? 'by your other plants one of this vigour'
      : 'a plant of this vigour';

/** What the keeper's own record adds to, or takes off, all else that is said of a state. */
function withRecord({ learned }: Situation, reasons: Reason[]): Reason[] {
  const own = STATES.flatMap((state): Reason[] => {
    const by = learned?.corrections?.[state];
    if (!by) return [];
    const said = reasons.reduce((sum, one) => sum + (one.state === state ? one.logOdds : 0), 0);
    const logOdds = corrected(by, said) - said;
    const text = `by your own record (${by.findings} findings) this is said ${logOdds > 0 ? 'too seldom' : 'too often'}`;
    return logOdds === 0 ? [] : [{ signal: 'ownRecord', state, logOdds, text }];
  });
  return [...reasons, ...own];
}

/** What time alone says of each state, before anything is seen or the keeper's record corrects it. */
function priorReasons(frame: Frame): Reason[] {
  const { monthsInPot, monthsToFill, situation } = frame;
  const by = situation.learned?.corrections;
  const priorDanger = uncorrected(by?.danger, frame.priorDanger);
  // Roots that were read are held against a snug plant's own measure already.
  const snug = situation.roots ? 0 : snugLogOdds(situation.traits);
  const unknown = 'nobody knows when it was last repotted: taken to be well through its term';
  const crowded = situation.roots
    ? rootsByNow(situation.roots.explored)
    : monthsInPot === null
      ? unknown
      : `${monthsSaid(monthsInPot)} in this pot; a plant of this vigour fills one in about ${monthsSaid(monthsToFill)}`.replace(
          'a plant of this vigour',
          whose(situation.learned?.pace),
        );
  const due = dueMonths(frame);
  const medium =
    due === null
      ? 'this medium does not age'
      : monthsInPot === null
        ? unknown
        : situation.traits.renewedYearly
          ? `${monthsSaid(monthsInPot)} in this mix; it is renewed each year as it wakes`
          : mediumAge(monthsInPot, due);
  return [
    {
      signal: 'timeInPot',
      state: 'crowded',
      logOdds: uncorrected(by?.crowded, frame.priorCrowded[0]!) - snug,
      text: crowded,
    },
    ...(snug === 0
      ? []
      : [
          {
            signal: 'snug',
            state: 'crowded' as const,
            logOdds: snug,
            text: 'it likes to be snug: what is full for others is comfortable for it',
          },
        ]),
    {
      signal: 'mediumAge',
      state: 'mediumFailing',
      logOdds: uncorrected(by?.mediumFailing, frame.priorMedium[0]!),
      text: medium,
    },
    {
      signal: 'baseRate',
      state: 'danger',
      logOdds: PRIOR_DANGER,
      text: 'few plants are in danger at any time (about 1 in 90)',
    },
    {
      signal: 'mediumAge',
      state: 'danger',
      logOdds: priorDanger - PRIOR_DANGER,
      text: 'the older a medium for its life, the more often roots drown in it',
    },
    {
      signal: 'baseRate',
      state: 'tooWet',
      logOdds: PRIOR_TOO_WET,
      text: 'few pots hold more water than their roots drink (about 1 in 25)',
    },
    {
      signal: 'baseRate',
      state: 'unstable',
      logOdds: PRIOR_UNSTABLE,
      text: 'few pots are about to fall (about 1 in 55)',
    },
  ];
}

/** Words for a lesser act. */
export function lesserActLabel(id: LesserAct): string {
  return LESSER_ACTS.find((act) => act.id === id)!.label;
}
