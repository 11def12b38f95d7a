import { positive } from '../number/index.ts';
import { addDays, dayNumber, daysBetween, type IsoDate } from '../season/index.ts';

/** What was done to, or read of, a reservoir on a day. */
export type ReservoirEvent =
  /** topped up to its mark, by so many litres */
  | { kind: 'filled'; date: IsoDate; litres: number }
  /** emptied, rinsed and filled anew */
  | { kind: 'flushed'; date: IsoDate }
  /** share of a full one that is left, 0 … 1 */
  | { kind: 'left'; date: IsoDate; share: number }
  | { kind: 'ph'; date: IsoDate; value: number }
  | { kind: 'ec'; date: IsoDate; msPerCm: number }
  | { kind: 'wick'; date: IsoDate; damp: boolean }
  | { kind: 'salt'; date: IsoDate; crust: 'none' | 'some' | 'thick' };

/** A plant's own thirst against what is typical of its pot and season. */
export interface OwnThirst {
  /** parts of the typical use */
  factor: number;
  /** refills it rests on; 0: typical */
  refills: number;
}

/** Plants of one pot size differ by about so much (logarithm) … @source common practice, no source */
const PLANTS_DIFFER = 0.5;
/** … and one refill tells its interval to this: the mark, the can, the weather. */
const REFILL_TOLD_TO = 0.25;
/** An interval shorter than this says nothing. */
const SHORTEST_DAYS = 2;
/** … and one so long that it stood dry meanwhile, or was filled unseen: no more. @source common practice, no source */
const LONGEST_DAYS = 42;

const oldestFirst = (events: readonly ReservoirEvent[]) =>
  [...events].sort((a, b) => dayNumber(a.date) - dayNumber(b.date));

/** Typical use from one day up to another, L. */
export function typicalBetween(
  from: IsoDate,
  to: IsoDate,
  typicalPerDayL: (date: IsoDate) => number,
): number {
  let sum = 0;
  for (let day = 0; day < daysBetween(from, to); day++) sum += typicalPerDayL(addDays(from, day));
  return sum;
}

/**
 * Thirst from refills: each one that follows a full reservoir tells what was
 * drunk since.
 *
 * @param typicalPerDayL  by the day, > 0
 * @source log-normal prior and likelihood, weighted by precision
 */
export function ownThirst(
  events: readonly ReservoirEvent[],
  typicalPerDayL: (date: IsoDate) => number,
): OwnThirst {
  let fullOn: IsoDate | null = null;
  let precision = 1 / PLANTS_DIFFER ** 2;
  let weighted = 0;
  let refills = 0;
  for (const event of oldestFirst(events)) {
    const days = fullOn ? daysBetween(fullOn, event.date) : 0;
    if (event.kind === 'filled' && fullOn && days >= SHORTEST_DAYS && days <= LONGEST_DAYS) {
      const typical = positive('use', typicalBetween(fullOn, event.date, typicalPerDayL));
      const told = 1 / REFILL_TOLD_TO ** 2;
      weighted += told * Math.log(positive('litres', event.litres) / typical);
      precision += told;
      refills += 1;
    }
    if (event.kind === 'filled' || event.kind === 'flushed') fullOn = event.date;
  }
  return { factor: Math.exp(weighted / precision), refills };
}

/** The day on which it was last known how full it was, and how full, 0 … 1. */
export function lastLevel(
  events: readonly ReservoirEvent[],
): { on: IsoDate; share: number } | null {
  let known: { on: IsoDate; share: number } | null = null;
  for (const event of oldestFirst(events)) {
    if (event.kind === 'filled' || event.kind === 'flushed') known = { on: event.date, share: 1 };
    if (event.kind === 'left') known = { on: event.date, share: event.share };
  }
  return known;
}

/** Newest event of one kind, on or after a day. */
export function newest<K extends ReservoirEvent['kind']>(
  events: readonly ReservoirEvent[],
  kind: K,
  since: IsoDate | null = null,
): Extract<ReservoirEvent, { kind: K }> | null {
  const found = oldestFirst(events).filter(
    (event) => event.kind === kind && (since === null || event.date >= since),
  );
  return (found[found.length - 1] as Extract<ReservoirEvent, { kind: K }> | undefined) ?? null;
}

/** Days of flushes, oldest first. */
export const flushDays = (events: readonly ReservoirEvent[]): IsoDate[] =>
  oldestFirst(events)
    .filter(({ kind }) => kind === 'flushed')
    .map(({ date }) => date);
