import { TUB_SHARE } from '../mixing/index.ts';
import { bagsFor, potCost, worthOf, type Bags } from './account.ts';
import {
  CHANGE_MINUTES,
  handsMinutes,
  isShortEnough,
  leavesPot,
  measuresOf,
  readyAfter,
} from './limits.ts';
import { allowedFor, NO_ALLOWANCE, type Allowance } from './model.ts';
import type { DayOption, DayPlant, DayProblem, Move } from './problem.ts';
import { ringsIn } from './cycles.ts';

/** A plan by hand: moves, and the bags they take. */
export interface Found {
  moves: Move[];
  bags: Map<string, Bags>;
  worth: number;
}

/**
 * What a good keeper would do with pencil and paper: the plants that lose most
 * by waiting for each minute of work, one after the other, each into the best
 * pot that is there by then, as long as time, mix and money last.
 */
export function greedyPlan(problem: DayProblem, allowance: Allowance = NO_ALLOWANCE): Found {
  const hand = new Hand(problem, allowance);
  hand.fill();
  return hand.found();
}

/**
 * Moves from elsewhere, as far as they can be made, with every further plant
 * that still goes in.
 */
export function filledUp(
  problem: DayProblem,
  moves: readonly Move[],
  allowance: Allowance = NO_ALLOWANCE,
): Found {
  const hand = new Hand(problem, allowance);
  const rows = new Map(problem.plants.map((plant) => [plant.id, plant]));
  // A pot that is handed down is there once its plant has been put in.
  // Where not all can be made, those that save most are.
  const saves = ({ plant, option, date }: Move) =>
    rows.get(plant)!.gain[date]! - rows.get(plant)!.options[option]!.penalty;
  let open = [...moves].sort((a, b) => saves(b) - saves(a));
  for (let before = -1; open.length !== before;) {
    before = open.length;
    open = open.filter(({ plant, option, date }) => !hand.put(rows.get(plant)!, option, date));
  }
  hand.fill();
  return hand.found();
}

/** What is taken so far, and whether one more goes in. */
class Hand {
  private moves: Move[] = [];
  private readonly perL: Map<string, ReadonlyMap<string, number>>;
  /** mixes made and tools changed, on each date */
  private readonly setUp = new Set<string>();
  private readonly minutesLeft: number[];
  private readonly litres = new Map<string, number>();
  private paidForPots = 0;

  constructor(
    private readonly problem: DayProblem,
    allowance: Allowance,
  ) {
    this.perL = new Map(problem.mixes.map((mix) => [mix.id, measuresOf(mix)]));
    this.minutesLeft = problem.dates.map(
      (_, date) => handsMinutes(problem, date) - (allowance[date] ?? 0),
    );
  }

  /** Puts in whatever still goes in, what gains most for each minute first. */
  fill(): void {
    const { plants, pins } = this.problem;
    const pinned = new Set(
      pins.flatMap((pin) =>
        pin.kind === 'in' || pin.kind === 'on' || pin.kind === 'pot' ? [pin.plant] : [],
      ),
    );
    const rank = (plant: DayPlant) =>
      Math.max(...plant.gain) / Math.min(...plant.options.map(({ minutes }) => minutes));
    const taken = new Set(this.moves.map(({ plant }) => plant));
    let left = plants
      .filter(({ id, options }) => options.length > 0 && !taken.has(id))
      .sort(
        (a, b) =>
          Number(pinned.has(b.id)) - Number(pinned.has(a.id)) || rank(b) - rank(a) || a.id - b.id,
      );
    // A pot that is left late can still help one that was passed over before.
    for (let before = -1; left.length !== before;) {
      before = left.length;
      left = left.filter((plant) => !this.take(plant, pinned.has(plant.id)));
    }
  }

  put(plant: DayPlant, option: number, date: number): boolean {
    return this.fits(plant, plant.options[option]!, option, date);
  }

  /** Puts a plant in where it gains most. @returns whether it went in */
  take(plant: DayPlant, must: boolean): boolean {
    const allowed = allowedFor(plant, this.problem.pins);
    const ways = plant.options
      .flatMap((option, at) =>
        this.problem.dates.map((day, date) => ({ option, at, date, day: day.date })),
      )
      .filter(({ option, day }) => allowed(option, day))
      .map((way) => ({ ...way, worth: this.gainOf(plant, way.option, way.date) }))
      .filter(({ worth }) => must || worth > 0)
      .sort((a, b) => b.worth - a.worth);
    return ways.some(({ option, at, date }) => this.fits(plant, option, at, date));
  }

  private gainOf(plant: DayPlant, { penalty, pot }: DayOption, date: number): number {
    return plant.gain[date]! - penalty - potCost(this.potOf(pot));
  }

  private potOf(id: string) {
    return this.problem.pots.find((pot) => pot.id === id)!;
  }

  private fits(plant: DayPlant, option: DayOption, at: number, date: number): boolean {
    const { overheads, tubL } = this.problem;
    const mixKey = `${plant.mix}|${date}`;
    const tierKey = `${plant.tidiness}|${date}`;
    const perL = this.perL.get(plant.mix)!;
    const measured = [...perL.values()].reduce((sum, l) => sum + l, 0) * option.filledL;
    const minutes =
      option.minutes +
      (option.filledL > 0 && !this.setUp.has(mixKey) ? overheads.mix : 0) +
      (plant.tidiness !== 'clean' && !this.setUp.has(tierKey)
        ? CHANGE_MINUTES * this.problem.hands
        : 0) +
      (tubL ? (overheads.load * measured) / (tubL * TUB_SHARE) : 0);
    if (minutes > this.minutesLeft[date]!) return false;
    if (!isShortEnough(this.problem, plant, option, date)) return false;
    if (!this.potIsThere(plant.id, option.pot, date)) return false;
    const litres = new Map(this.litres);
    for (const [component, l] of perL) {
      litres.set(component, (litres.get(component) ?? 0) + l * option.filledL);
    }
    const pot = this.potOf(option.pot);
    const pots = this.paidForPots + (pot.source === 'toBuy' ? (pot.price ?? 0) : 0);
    const bags = this.bagsOf(litres);
    if (!bags || !this.canPay(bags, pots)) return false;
    const move = { plant: plant.id, option: at, date };
    if (ringsIn(this.problem, [...this.moves, move]).length > 0) return false;
    this.moves.push(move);
    this.minutesLeft[date]! -= minutes;
    if (option.filledL > 0) this.setUp.add(mixKey);
    this.setUp.add(tierKey);
    for (const [component, l] of litres) this.litres.set(component, l);
    this.paidForPots = pots;
    return true;
  }

  private potIsThere(plant: number, id: string, date: number): boolean {
    const pot = this.potOf(id);
    if (pot.source === 'toBuy' || pot.source === 'stays') return true;
    const rows = this.problem.plants;
    const uses = this.moves.filter(
      (move) => rows.find((row) => row.id === move.plant)!.options[move.option]!.pot === id,
    );
    if (pot.source === 'shelf') {
      // Taken today or on any later date it must still be there then.
      return pot.ready!.every(
        (count, on) => on < date || uses.filter((use) => use.date <= on).length < count,
      );
    }
    const left = this.moves.find((move) => move.plant === pot.of && move.plant !== plant);
    if (!left || uses.length > 0) return false;
    const giver = rows.find(({ id: row }) => row === left.plant)!;
    const into = this.potOf(giver.options[left.option]!.pot);
    return leavesPot(into, left.plant) && readyAfter(this.problem, giver, left.date, date);
  }

  private bagsOf(litres: ReadonlyMap<string, number>): Map<string, Bags> | null {
    const bags = new Map<string, Bags>();
    for (const row of this.problem.stock) {
      const own = bagsFor(litres.get(row.component) ?? 0, row);
      if (!own) return null;
      bags.set(row.component, own);
    }
    return bags;
  }

  private canPay(bags: ReadonlyMap<string, Bags>, pots: number): boolean {
    const { money, stock } = this.problem;
    if (money === null) return true;
    const paid = stock.reduce(
      (sum, row) => sum + (bags.get(row.component)?.buys ?? 0) * (row.pricePerBag ?? 0),
      pots,
    );
    return paid <= money + 1e-9;
  }

  found(): Found {
    const bags = this.bagsOf(this.litres)!;
    return { moves: this.moves, bags, worth: worthOf(this.problem, this.moves, bags) };
  }
}
