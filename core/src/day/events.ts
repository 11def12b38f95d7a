import type { Bags } from './account.ts';
import type { DayBatch } from './batches.ts';
import { leavesPot } from './limits.ts';
import type { DayProblem, Move } from './problem.ts';
import type { DaySchedule } from './schedule.ts';
import { inMetric } from '../saying/index.ts';

/** What happens to pots, bags and mix, minute by minute. */
export type DayEvent = { date: number; minute: number } & (
  | { kind: 'bagBought'; component: string; count: number }
  | { kind: 'bagOpened'; component: string; count: number; litres: number }
  | { kind: 'drawn'; component: string; litres: number; mix: string }
  | { kind: 'mixed'; mix: string; litres: number }
  | { kind: 'filled'; mix: string; litres: number; plant: number }
  | { kind: 'potTaken'; pot: string; plant: number }
  /** `of`: the plant that stood in it */
  | { kind: 'potLeft'; of: number }
);

/** Order of what happens in one minute: things are there before they are used. */
const RANK: Record<DayEvent['kind'], number> = {
  bagBought: 0,
  bagOpened: 1,
  drawn: 2,
  mixed: 3,
  potLeft: 4,
  potTaken: 5,
  filled: 6,
};

/** The whole log of a plan, in order. */
export function eventsOf(
  problem: DayProblem,
  moves: readonly Move[],
  batches: readonly DayBatch[],
  bags: ReadonlyMap<string, Bags>,
  schedules: readonly DaySchedule[],
): DayEvent[] {
  const events: DayEvent[] = [];
  const rows = new Map(problem.plants.map((plant) => [plant.id, plant]));
  const stock = new Map(problem.stock.map((row) => [row.component, row]));
  for (const [component, { buys }] of bags) {
    if (buys > 0) events.push({ date: 0, minute: 0, kind: 'bagBought', component, count: buys });
  }
  const openL = new Map(problem.stock.map((row) => [row.component, row.openL]));
  for (const schedule of schedules) {
    const { date } = schedule;
    for (const { kind, from, to, plant, mix } of schedule.stretches) {
      if (kind === 'mix') {
        const batch = batches.find((one) => one.mix === mix && one.date === date)!;
        for (const { component, litres } of batch.litres) {
          const row = stock.get(component);
          const there = openL.get(component) ?? 0;
          if (row?.counted && row.bagL !== null && litres > there) {
            const count = Math.ceil((litres - there) / row.bagL - 1e-9);
            if (count > 0) {
              const opened = count * row.bagL;
              events.push({
                date,
                minute: from,
                kind: 'bagOpened',
                component,
                count,
                litres: opened,
              });
              openL.set(component, there + opened);
            }
          }
          openL.set(component, (openL.get(component) ?? 0) - litres);
          events.push({ date, minute: from, kind: 'drawn', component, litres, mix: batch.mix });
        }
        events.push({
          date,
          minute: to,
          kind: 'mixed',
          mix: batch.mix,
          litres: batch.tub.mixedL,
        });
      }
      if (kind === 'plant') {
        const move = moves.find((one) => one.plant === plant)!;
        const row = rows.get(move.plant)!;
        const option = row.options[move.option]!;
        const pot = problem.pots.find(({ id }) => id === option.pot)!;
        events.push({ date, minute: from, kind: 'potTaken', pot: pot.id, plant: row.id });
        const batch = batches.find((one) => one.mix === row.mix && one.date === date);
        if (batch && option.filledL > 0) {
          const { batch: measured } = batch.tub;
          const litres = (option.filledL / measured.filledL) * batch.tub.mixedL;
          events.push({ date, minute: to, kind: 'filled', mix: row.mix, litres, plant: row.id });
        }
        if (leavesPot(pot, row.id)) {
          events.push({ date, minute: to, kind: 'potLeft', of: row.id });
        }
      }
    }
  }
  return events.sort(
    (a, b) => a.date - b.date || a.minute - b.minute || RANK[a.kind] - RANK[b.kind],
  );
}

/** Litres that may be lost to rounding. */
const DUST_L = 1e-6;

/**
 * Replays a log against what there is, and tells every breach of what cannot
 * be: a pot in two places, a pot that is not ready, litres that are not there.
 *
 * @returns in words; none when all holds
 */
export function breachesIn(problem: DayProblem, events: readonly DayEvent[]): string[] {
  const breaches: string[] = [];
  const names = new Map(problem.plants.map(({ id, name }) => [id, name]));
  const tidiness = new Map(problem.plants.map((plant) => [plant.id, plant.tidiness]));
  const potOf = new Map(problem.pots.map((pot) => [pot.id, pot]));
  const taken = new Map<string, { plant: number; date: number; minute: number }[]>();
  const left = new Map<number, { date: number; minute: number }>();
  const bags = new Map(problem.stock.map((row) => [row.component, row.bags]));
  const openL = new Map(problem.stock.map((row) => [row.component, row.openL]));
  const mixL = new Map<string, number>();
  const counted = new Map(problem.stock.map((row) => [row.component, row.counted]));
  const add = (to: Map<string, number>, key: string, by: number) => {
    const now = (to.get(key) ?? 0) + by;
    to.set(key, now);
    return now;
  };
  for (const event of events) {
    const { date, minute } = event;
    switch (event.kind) {
      case 'bagBought':
        add(bags, event.component, event.count);
        break;
      case 'bagOpened':
        if (add(bags, event.component, -event.count) < 0) {
          breaches.push(`${event.component}: more bags opened than there are`);
        }
        add(openL, event.component, event.litres);
        break;
      case 'drawn':
        if (add(openL, event.component, -event.litres) < -DUST_L && counted.get(event.component)) {
          breaches.push(`${event.component}: more drawn than is open`);
        }
        break;
      case 'mixed':
        add(mixL, `${event.mix}|${date}`, event.litres);
        break;
      case 'filled':
        if (add(mixL, `${event.mix}|${date}`, -event.litres) < -DUST_L) {
          breaches.push(`${names.get(event.plant)}: more mix used than was made`);
        }
        break;
      case 'potLeft':
        if (left.has(event.of)) breaches.push(`the pot of ${names.get(event.of)} was left twice`);
        left.set(event.of, { date, minute });
        break;
      case 'potTaken': {
        const pot = potOf.get(event.pot)!;
        const uses = taken.get(event.pot) ?? [];
        uses.push({ plant: event.plant, date, minute });
        taken.set(event.pot, uses);
        if (pot.source === 'shelf' && uses.length > pot.ready![date]!) {
          breaches.push(`${inMetric(pot.label)}: ${uses.length} taken of ${pot.ready![date]!}`);
        }
        if (pot.source === 'stays' && pot.of !== event.plant) {
          breaches.push(`${inMetric(pot.label)}: another plant stands in it`);
        }
        if (pot.source === 'left') {
          if (uses.length > 1) breaches.push(`${inMetric(pot.label)}: in two places`);
          const gone = left.get(pot.of!);
          const ready =
            gone !== undefined &&
            tidiness.get(pot.of!) !== 'quarantine' &&
            (problem.cleaning === 'rinse' && tidiness.get(pot.of!) === 'clean'
              ? gone.date < date || (gone.date === date && gone.minute <= minute + DUST_L)
              : gone.date < date);
          if (!ready) breaches.push(`${inMetric(pot.label)}: taken before it was left and clean`);
        }
        break;
      }
    }
  }
  for (const [component, count] of bags) {
    if (count < 0) breaches.push(`${component}: fewer than no bags are left`);
  }
  return [...new Set(breaches)];
}
