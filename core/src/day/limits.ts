import { measureOut } from '../mixing/index.ts';
import { daysBetween } from '../season/index.ts';
import {
  CLEANINGS,
  type DayMix,
  type DayOption,
  type DayPlant,
  type DayPot,
  type DayProblem,
  type Overheads,
} from './problem.ts';

/** Hands are washed and tools changed before doubtful plants. @source common practice, no source */
export const CHANGE_MINUTES = 5;

/** Minutes of work that go into a span with its rests. */
export function workIn(span: number, { rest, restEvery }: Overheads): number {
  const cycle = restEvery + rest;
  const cycles = Math.floor(span / cycle);
  return cycles * restEvery + Math.min(restEvery, span - cycles * cycle);
}

/** The span that so many minutes of work take with their rests: `workIn` the other way round. */
export const spanOf = (work: number, { rest, restEvery }: Overheads): number =>
  work + rest * Math.max(0, Math.ceil(work / restEvery - 1e-9) - 1);

/** Minutes of hands on a date that are left for batches and plants. */
export function handsMinutes(problem: DayProblem, date: number): number {
  const { dates, hands, overheads } = problem;
  const work = workIn(dates[date]!.minutes, overheads) - overheads.setUp - overheads.cleanUp;
  return Math.max(0, work * hands);
}

/** One pair of hands can do it within the date at all: soak, mix, plant, clearing up. */
export function isShortEnough(
  { dates, overheads }: DayProblem,
  { soakMinutes }: Pick<DayPlant, 'soakMinutes'>,
  { minutes, filledL }: Pick<DayOption, 'minutes' | 'filledL'>,
  date: number,
): boolean {
  const before = Math.max(soakMinutes, filledL > 0 ? overheads.mix : 0);
  return overheads.setUp + before + minutes + overheads.cleanUp <= dates[date]!.minutes + 1e-9;
}

/** Litres of each component that one litre in the pot takes, loosened, with shrink, settling and spare. */
export function measuresOf(mix: DayMix): ReadonlyMap<string, number> {
  const before = known.get(mix);
  if (before) return before;
  const perL = new Map<string, number>();
  for (const { component, litres } of measureOut(mix.parts, 1).measures) {
    perL.set(component.id, (perL.get(component.id) ?? 0) + litres);
  }
  known.set(mix, perL);
  return perL;
}
const known = new WeakMap<DayMix, ReadonlyMap<string, number>>();

/**
 * Whether a pot that a plant left on one date is ready on another. A doubtful
 * plant's pot is soaked whatever the others' are; a quarantined one's stays
 * with it.
 */
export function readyAfter(
  { dates, cleaning }: Pick<DayProblem, 'dates' | 'cleaning'>,
  giver: Pick<DayPlant, 'tidiness'>,
  left: number,
  used: number,
): boolean {
  if (giver.tidiness === 'quarantine') return false;
  const lag = CLEANINGS[giver.tidiness === 'suspect' ? 'soak' : cleaning].lagDays;
  return daysBetween(dates[left]!.date, dates[used]!.date) >= lag;
}

/** A move into this pot leaves the plant's own pot behind. */
export const leavesPot = ({ source, of }: DayPot, plant: number) =>
  !(source === 'stays' && of === plant);
