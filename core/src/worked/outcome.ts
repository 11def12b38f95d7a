import type { Signals } from '../decide/index.ts';
import { daysBetween, type IsoDate } from '../season/index.ts';

/** When a repot is judged, in days after it; `from` opens the question, `until` closes it. */
export const CHECKPOINTS = {
  weeks3: { label: '3 weeks', days: 21, from: 14, until: 34 },
  weeks7: { label: '6–8 weeks', days: 49, from: 35, until: 89 },
  season: { label: 'a season', days: 182, from: 90, until: 400 },
} as const;
export type Checkpoint = keyof typeof CHECKPOINTS;
export const CHECKPOINT_IDS = Object.keys(CHECKPOINTS) as Checkpoint[];

/**
 * Three taps' worth of judgement. A middling one counts half a success: it
 * neither proves a method nor condemns it.
 */
export const GRADES = {
  thrives: { label: 'it thrives', success: 1 },
  holdsOn: { label: 'it holds on', success: 0.5 },
  suffers: { label: 'it suffers, or is lost', success: 0 },
} as const;
export type Grade = keyof typeof GRADES;

/** What is seen that speaks for or against. */
interface SeenRow {
  label: string;
  /** leans the grade that is offered */
  weight: number;
  /** what a look would call it: what is seen here is asked nowhere else */
  finds?: Signals;
}
/** @source common practice, no source. Some leaves are lost after any repot: no finding. */
export const SEEN = {
  newGrowth: { label: 'new growth', weight: 1, finds: { growth: 'normal' } },
  newRoots: { label: 'new roots', weight: 1, finds: { newRootTips: 'long' } },
  firm: { label: 'stands firm', weight: 0.5, finds: { wobble: 'no' } },
  leafLoss: { label: 'leaves lost', weight: -1 },
  shrivel: { label: 'shrivelled', weight: -1, finds: { limp: true } },
  rocks: { label: 'rocks in its pot', weight: -0.5, finds: { wobble: 'leans' } },
  sour: { label: 'sour or soft at the base', weight: -2, finds: { smell: 'sour' } },
  lost: { label: 'lost', weight: -10 },
} as const satisfies Record<string, SeenRow>;
export type Seen = keyof typeof SEEN;
export const SEEN_IDS = Object.keys(SEEN) as Seen[];

/** The findings of a look that a judgement of a repot stands for. */
export const findingsOf = (seen: readonly Seen[]): Signals =>
  Object.assign({}, ...seen.map((id) => (SEEN[id] as SeenRow).finds));

const THRIVES_FROM = 1;
const SUFFERS_UNTIL = -1;

/** The grade that what was seen leans to: offered, never forced. Nothing seen: no grade. */
export function gradeBySeen(seen: readonly Seen[]): Grade | null {
  if (seen.length === 0) return null;
  const sum = seen.reduce((total, id) => total + SEEN[id].weight, 0);
  if (sum >= THRIVES_FROM) return 'thrives';
  return sum < SUFFERS_UNTIL ? 'suffers' : 'holdsOn';
}

/**
 * Why a grade cannot be meant; null: it can.
 *
 * A lost plant has no new growth, and does not thrive.
 */
export function gradeFault(grade: Grade, seen: readonly Seen[]): string | null {
  if (!seen.includes('lost')) return null;
  if (grade !== 'suffers') return 'a lost plant cannot be graded as holding on or thriving';
  const alive = seen.find((id) => SEEN[id].weight > 0);
  return alive ? `a lost plant does not show “${SEEN[alive].label}”` : null;
}

/**
 * The checkpoint that a day stands for.
 *
 * @returns null before the first opens and after the last has closed
 */
export function checkpointOn(repotted: IsoDate, date: IsoDate): Checkpoint | null {
  const days = daysBetween(repotted, date);
  return (
    CHECKPOINT_IDS.find((id) => days >= CHECKPOINTS[id].from && days <= CHECKPOINTS[id].until) ??
    null
  );
}
