import type { DayBatch } from './batches.ts';
import { waiting } from './cycles.ts';
import { CHANGE_MINUTES } from './limits.ts';
import { TIDINESS, type DayPlant, type DayProblem, type Move } from './problem.ts';

/** One stretch of the day at the bench. */
export interface Stretch {
  kind: 'setUp' | 'soakPlant' | 'mix' | 'plant' | 'rest' | 'changeTools' | 'cleanUp';
  /** minutes from the start of the day */
  from: number;
  to: number;
  /** which pair of hands, from 0; null: all of them */
  hands: number | null;
  plant?: number;
  /** id of the mix, for `mix` and `plant` */
  mix?: string;
}

export interface DaySchedule {
  date: number;
  stretches: Stretch[];
  /** minutes from first to last */
  lasts: number;
  /** minutes of hands at work, rests aside */
  works: number;
  /** minutes for which hands stand idle, waiting for a pot or a soak */
  idle: number;
  /** plants in the order in which they come to the bench */
  order: number[];
}

const HAIR = 1e-9;

/**
 * The order of a day's work: soaks begin first, a mix is made before its first
 * pot, plants of one mix follow each other, a pot is rinsed before the next
 * plant moves in, doubtful plants come late and quarantined ones last with
 * tools of their own; rests are kept.
 */
export function scheduleDate(
  problem: DayProblem,
  date: number,
  moves: readonly Move[],
  batches: readonly DayBatch[],
): DaySchedule {
  const today = moves.filter((move) => move.date === date);
  if (today.length === 0) {
    return { date, stretches: [], lasts: 0, works: 0, idle: 0, order: [] };
  }
  const urgentFirst = laidInOrder(problem, date, today, batches, 'urgent');
  // Several pairs of hands end together when the long ones come first.
  const longFirst = laidInOrder(problem, date, today, batches, 'long');
  return longFirst.lasts < urgentFirst.lasts - HAIR ? longFirst : urgentFirst;
}

function laidInOrder(
  problem: DayProblem,
  date: number,
  today: readonly Move[],
  batches: readonly DayBatch[],
  by: 'urgent' | 'long',
): DaySchedule {
  const { hands, overheads } = problem;
  const rows = new Map(problem.plants.map((plant) => [plant.id, plant]));
  const order = orderOf(problem, today, by);
  const waits = waiting(problem, new Map(today.map((move) => [move.plant, move])));
  const minutesOf = (plant: number) => {
    const move = today.find((one) => one.plant === plant)!;
    return rows.get(plant)!.options[move.option]!.minutes;
  };
  const bench = new Bench(hands, overheads.restEvery, overheads.rest);
  bench.all('setUp', overheads.setUp);
  const soaked = new Map<number, number>();
  for (const plant of order) {
    const { soakMinutes } = rows.get(plant)!;
    if (soakMinutes > 0) soaked.set(plant, bench.start + soakMinutes);
  }
  for (const [plant, to] of soaked) {
    bench.stretches.push({ kind: 'soakPlant', from: bench.start, to, hands: null, plant });
  }
  const mixed = new Map<string, number>();
  const finished = new Map<number, number>();
  const open = [...order];
  let tier = rows.get(order[0]!)!.tidiness;
  while (open.length > 0) {
    // The next in order that need not wait; where all must, the one that waits least.
    const now = bench.nextFree();
    const sameTier = open.filter((plant) => rows.get(plant)!.tidiness === tier);
    if (sameTier.length === 0) {
      tier = rows.get(open[0]!)!.tidiness;
      bench.together();
      bench.all('changeTools', CHANGE_MINUTES);
      continue;
    }
    const readyAt = (plant: number): number => {
      const giver = waits.get(plant);
      const pot = giver === undefined ? 0 : (finished.get(giver) ?? Infinity);
      return Math.max(soaked.get(plant) ?? 0, pot);
    };
    const ready = sameTier.filter((plant) => readyAt(plant) <= now + HAIR);
    const plant = ready[0] ?? [...sameTier].sort((a, b) => readyAt(a) - readyAt(b))[0]!;
    open.splice(open.indexOf(plant), 1);
    const { mix } = rows.get(plant)!;
    const batch = batches.find((one) => one.mix === mix && one.date === date);
    if (batch && !mixed.has(mix) && batch.pots.some((pot) => pot.plant === plant)) {
      mixed.set(mix, bench.work('mix', batch.minutes, 0, { mix }));
    }
    const from = Math.max(readyAt(plant), mixed.get(mix) ?? 0);
    finished.set(plant, bench.work('plant', minutesOf(plant), from, { plant, mix }));
  }
  bench.together();
  bench.all('cleanUp', overheads.cleanUp);
  const stretches = bench.stretches.sort((a, b) => a.from - b.from || a.to - b.to);
  return {
    date,
    stretches,
    lasts: Math.max(...stretches.map(({ to }) => to)),
    works: bench.worked,
    idle: bench.idle,
    order: stretches.filter(({ kind }) => kind === 'plant').map(({ plant }) => plant!),
  };
}

/** Pairs of hands that are free from some minute on. */
class Bench {
  readonly stretches: Stretch[] = [];
  worked = 0;
  idle = 0;
  /** end of setting up */
  start = 0;
  private readonly free: number[];
  /** work since the last rest */
  private readonly since: number[];

  constructor(
    hands: number,
    private readonly restEvery: number,
    private readonly restMinutes: number,
  ) {
    this.free = Array.from({ length: hands }, () => 0);
    this.since = this.free.map(() => 0);
  }

  nextFree = () => Math.min(...this.free);

  /** All hands for so long. */
  all(kind: Stretch['kind'], minutes: number): void {
    const from = Math.max(...this.free);
    this.stretches.push({ kind, from, to: from + minutes, hands: null });
    this.free.fill(from + minutes);
    this.since.forEach((_, i) => (this.since[i]! += minutes));
    this.worked += minutes * this.free.length;
    this.start = kind === 'setUp' ? from + minutes : this.start;
  }

  /** All hands wait for the last. */
  together(): void {
    const last = Math.max(...this.free);
    this.free.forEach((at, i) => {
      this.idle += last - at;
      this.free[i] = last;
    });
  }

  /** The first free pair of hands does it, after a rest where one is due. @returns when it is done */
  work(
    kind: Stretch['kind'],
    minutes: number,
    notBefore: number,
    of: { plant?: number; mix?: string },
  ): number {
    const hands = this.free.indexOf(this.nextFree());
    let from = this.free[hands]!;
    if (this.since[hands]! > 0 && this.since[hands]! + minutes / 2 > this.restEvery + HAIR) {
      this.stretches.push({ kind: 'rest', from, to: from + this.restMinutes, hands });
      from += this.restMinutes;
      this.since[hands] = 0;
    }
    if (notBefore > from) {
      this.idle += notBefore - from;
      if (notBefore - from >= this.restMinutes) this.since[hands] = 0;
      from = notBefore;
    }
    this.stretches.push({ kind, from, to: from + minutes, hands, ...of });
    this.free[hands] = from + minutes;
    this.since[hands]! += minutes;
    this.worked += minutes;
    return from + minutes;
  }
}

/**
 * Plants of a date as they come to the bench: by tidiness, then by mix, the
 * one whose pot another waits for before that one, the most urgent first.
 */
function orderOf(problem: DayProblem, today: readonly Move[], by: 'urgent' | 'long'): number[] {
  const rows = new Map(problem.plants.map((plant) => [plant.id, plant]));
  const waits = waiting(problem, new Map(today.map((move) => [move.plant, move])));
  const gives = new Set(waits.values());
  const tier = ({ tidiness }: DayPlant) => TIDINESS.indexOf(tidiness);
  const moveOf = (plant: number) => today.find((move) => move.plant === plant)!;
  const gain = (plant: number) => rows.get(plant)!.gain[moveOf(plant).date]!;
  const minutes = (plant: number) => rows.get(plant)!.options[moveOf(plant).option]!.minutes;
  const mixes = [...new Set(today.map(({ plant }) => rows.get(plant)!.mix))];
  const pots = (mix: string) => today.filter(({ plant }) => rows.get(plant)!.mix === mix).length;
  mixes.sort((a, b) => pots(b) - pots(a) || (a < b ? -1 : 1));
  return today
    .map(({ plant }) => plant)
    .sort(
      (a, b) =>
        tier(rows.get(a)!) - tier(rows.get(b)!) ||
        mixes.indexOf(rows.get(a)!.mix) - mixes.indexOf(rows.get(b)!.mix) ||
        Number(gives.has(b)) - Number(gives.has(a)) ||
        (by === 'long' ? minutes(b) - minutes(a) : gain(b) - gain(a)) ||
        a - b,
    );
}
