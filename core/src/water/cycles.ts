import { median } from 'simple-statistics';
import { dayNumber, type IsoDate } from '../season/index.ts';

/** One entry of a plant's log, as the scale or the keeper gave it. */
export interface WaterLogEntry {
  date: IsoDate;
  /** minutes since midnight; unknown: the order of entries of a day is kept */
  minute?: number;
  kind: 'weightKg' | 'watered';
  /** kg; of no meaning for a watering */
  value: number;
}

/** From one watering to the next. */
export interface WaterCycle {
  /** days since 1 January 1970, with the time as a fraction */
  from: number;
  to: number;
  days: number;
  /** drained weight after the watering, kg; null when only dates are known */
  wetKg: number | null;
  /** weight before the next watering, kg */
  dryKg: number | null;
  /** null without weights */
  gPerDay: number | null;
}

/** What a log comes down to, and what in it was not used. */
export interface WaterLog {
  cycles: WaterCycle[];
  /** entries left out, with the reason */
  leftOut: { entry: WaterLogEntry; why: string }[];
}

/** A rise by this share of what the pot gives off between waterings is a watering. */
const JUMP_SHARE = 0.25;
/** … and never less than this, kg: a hand, a drop, a draught. */
const LEAST_JUMP_KG = 0.02;
/** Weights within these minutes of each other are one weighing. */
const ONE_WEIGHING_MINUTES = 10;
/** A weight this many times off the usual one was not this pot alone. */
const WILD_RATIO = 2.2;
const MINUTES_A_DAY = 1440;

interface Event {
  at: number;
  kind: WaterLogEntry['kind'];
  kg: number;
}

/**
 * Cuts a log into cycles: a watering is one that was written down, or a jump
 * up in weight.
 *
 * Weights that cannot be this pot's (a hand on the plate, another pot) are left
 * out and named; two weights of one weighing count once, the later one. The
 * order in which entries arrive is of no account.
 */
export function waterCycles(entries: readonly WaterLogEntry[]): WaterLog {
  const leftOut: WaterLog['leftOut'] = [];
  const weights = entries.filter(({ kind }) => kind === 'weightKg').map(({ value }) => value);
  const usual = weights.length > 0 ? median(weights) : 0;
  const sound = entries.filter((entry) => {
    if (entry.kind !== 'weightKg') return true;
    if (!(entry.value > 0)) leftOut.push({ entry, why: 'not a weight above 0' });
    else if (entry.value > usual * WILD_RATIO || entry.value < usual / WILD_RATIO) {
      leftOut.push({
        entry,
        why: 'more than twice off its usual weight: something else was weighed',
      });
    } else return true;
    return false;
  });
  const events = onceEach(timed(sound));
  return { cycles: cut(withJumps(events)), leftOut };
}

/** In the order of time; of one day without times, as a keeper does it: weighed, watered, weighed. */
function timed(entries: readonly WaterLogEntry[]): Event[] {
  const days = new Map<number, WaterLogEntry[]>();
  for (const entry of entries) {
    const day = dayNumber(entry.date);
    days.set(day, [...(days.get(day) ?? []), entry]);
  }
  const weights = entries.filter(({ kind }) => kind === 'weightKg').map(({ value }) => value);
  const middle = (Math.min(...weights) + Math.max(...weights)) / 2;
  return [...days]
    .sort(([a], [b]) => a - b)
    .flatMap(([day, ofDay]) => eventsOfDay(day, ofDay, middle));
}

const NOON = MINUTES_A_DAY / 2;
/** Minutes before and after the watering at which its weights are taken to have been read. */
const AROUND_WATERING = 60;

/** @param middle  between the lightest and heaviest weight of the whole log, kg */
function eventsOfDay(day: number, entries: readonly WaterLogEntry[], middle: number): Event[] {
  const at = (minute: number) => day + minute / MINUTES_A_DAY;
  const watered = entries.some(({ kind }) => kind === 'watered');
  const untimed = entries.filter(({ kind, minute }) => kind === 'weightKg' && minute === undefined);
  const kgs = untimed.map(({ value }) => value);
  // Without a time, the light ones were before the water and the heavy ones after it.
  const heavyFrom = kgs.length > 1 ? (Math.min(...kgs) + Math.max(...kgs)) / 2 : middle;
  return entries
    .map(({ kind, minute, value }): Event => {
      if (minute !== undefined) return { at: at(minute), kind, kg: value };
      if (kind === 'watered' || !watered) return { at: at(NOON), kind, kg: value };
      const side = value >= heavyFrom ? AROUND_WATERING : -AROUND_WATERING;
      return { at: at(NOON + side), kind, kg: value };
    })
    .sort(
      (a, b) => a.at - b.at || (a.kind === b.kind ? a.kg - b.kg : a.kind === 'watered' ? -1 : 1),
    );
}

/** Entries of one moment once: of weights the last, of waterings the first. */
function onceEach(events: readonly Event[]): Event[] {
  const once: Event[] = [];
  for (const event of events) {
    const before = once[once.length - 1];
    const same =
      before?.kind === event.kind && (event.at - before.at) * MINUTES_A_DAY <= ONE_WEIGHING_MINUTES;
    if (same && event.kind === 'weightKg') once[once.length - 1] = event;
    else if (!same) once.push(event);
  }
  return once;
}

/** Adds the waterings that nobody wrote down, where the weight jumps up. */
function withJumps(events: readonly Event[]): Event[] {
  const falls: number[] = [];
  let before: Event | null = null;
  for (const event of events) {
    if (event.kind === 'weightKg') {
      if (before && before.kg > event.kg) falls.push(before.kg - event.kg);
      before = event;
    } else before = null;
  }
  const least = Math.max(LEAST_JUMP_KG, falls.length > 0 ? JUMP_SHARE * median(falls) : 0);
  const all: Event[] = [];
  let lastWeight: Event | null = null;
  for (const event of events) {
    if (event.kind === 'weightKg') {
      if (lastWeight && event.kg - lastWeight.kg > least) {
        all.push({ at: (lastWeight.at + event.at) / 2, kind: 'watered', kg: 0 });
      }
      lastWeight = event;
    } else lastWeight = null;
    all.push(event);
  }
  return all;
}

function cut(events: readonly Event[]): WaterCycle[] {
  const cycles: WaterCycle[] = [];
  const waterings = events.flatMap((event, index) => (event.kind === 'watered' ? [index] : []));
  for (let i = 0; i + 1 < waterings.length; i++) {
    const from = events[waterings[i]!]!.at;
    const to = events[waterings[i + 1]!]!.at;
    const weights = events.slice(waterings[i]! + 1, waterings[i + 1]!);
    const wet = weights[0];
    const dry = weights[weights.length - 1];
    const spent = wet && dry && dry.at - wet.at >= 0.5 ? (wet.kg - dry.kg) * 1000 : null;
    cycles.push({
      from,
      to,
      days: to - from,
      wetKg: wet?.kg ?? null,
      dryKg: dry && dry !== wet ? dry.kg : null,
      gPerDay: spent !== null && spent > 0 ? spent / (dry!.at - wet!.at) : null,
    });
  }
  return cycles.filter(({ days }) => days > 0);
}
