import { bagsFor, potCost, type Bags } from './account.ts';
import { litresOf, priceOf, type DayBatch } from './batches.ts';
import { handsMinutes, leavesPot, measuresOf, readyAfter } from './limits.ts';
import { allowedFor } from './model.ts';
import type { DayOption, DayPlant, DayProblem, Move } from './problem.ts';
import type { DaySchedule } from './schedule.ts';
import type { LeftOutAbout } from './words.ts';

/** Why a plant is not potted. */
export type LeftOutWhy =
  'banned' | 'noPot' | 'potsTaken' | 'waits' | 'minutes' | 'mix' | 'worthLess';

export interface LeftOut {
  plant: number;
  why: LeftOutWhy;
  about: LeftOutAbout;
  /** what it would save if it went in by itself, at its best */
  gain: number;
}

/** A gain over the next chance that nobody would notice, units of a badly timed repot. */
const HARDLY_ANYTHING = 0.02;

interface Laid {
  moves: readonly Move[];
  batches: readonly DayBatch[];
  bags: ReadonlyMap<string, Bags>;
  schedules: readonly DaySchedule[];
}

/** Why each plant that is not potted was left out, most worth first. */
export function leftOutOf(problem: DayProblem, laid: Laid): LeftOut[] {
  const taken = new Set(laid.moves.map(({ plant }) => plant));
  return problem.plants
    .filter(({ id }) => !taken.has(id))
    .map((plant) => reasonFor(plant, problem, laid))
    .sort((a, b) => b.gain - a.gain || a.plant - b.plant);
}

function reasonFor(plant: DayPlant, problem: DayProblem, laid: Laid): LeftOut {
  const gain = Math.max(...plant.gain);
  const left = (why: LeftOutWhy, about: LeftOutAbout): LeftOut => ({
    plant: plant.id,
    why,
    about,
    gain,
  });
  if (problem.pins.some((pin) => pin.plant === plant.id && pin.kind === 'out')) {
    return left('banned', { of: 'leftOut' });
  }
  if (plant.options.length === 0) {
    return left('noPot', { of: 'noPot' });
  }
  const allowed = allowedFor(plant, problem.pins);
  const ways = problem.dates.flatMap((day, date) =>
    plant.options
      .filter((option) => allowed(option, day.date))
      .map((option) => ({
        option,
        date,
        worth: plant.gain[date]! - option.penalty - potCost(potOf(problem, option)),
      })),
  );
  if (ways.length === 0) return left('banned', { of: 'wordLeavesNone' });
  if (ways.every(({ worth }) => worth <= 0)) {
    return left('waits', { of: gain <= 0 ? 'waitingCostsLess' : 'notWorthMoving' });
  }
  const there = ways.filter(({ option, date }) => potIsThere(problem, plant, option, date, laid));
  if (there.length === 0) {
    return left('potsTaken', { of: 'potsTaken' });
  }
  const best = there.sort((a, b) => b.worth - a.worth)[0]!;
  const lacking = mixLacking(problem, plant, best.option, laid);
  if (lacking) return left('mix', lacking);
  const least = Math.min(...there.map(({ option }) => option.minutes));
  const spare = Math.max(
    ...problem.dates.map((_, date) => {
      const works = laid.schedules.find((one) => one.date === date)?.works ?? 0;
      const { hands, overheads } = problem;
      const fixed = works > 0 ? (overheads.setUp + overheads.cleanUp) * hands : 0;
      return handsMinutes(problem, date) - Math.max(0, works - fixed);
    }),
  );
  const isMixed = laid.batches.some(({ mix }) => mix === plant.mix);
  const asks = least + (isMixed ? 0 : problem.overheads.mix);
  if (asks > spare - 1e-9) {
    return left('minutes', {
      of: 'minutes',
      asks: Math.round(asks),
      left: Math.max(0, Math.floor(spare)),
    });
  }
  return left('worthLess', { of: best.worth < HARDLY_ANYTHING ? 'gainsLittle' : 'othersUse' });
}

const potOf = ({ pots }: DayProblem, { pot }: DayOption) => pots.find(({ id }) => id === pot)!;

function potIsThere(
  problem: DayProblem,
  plant: DayPlant,
  option: DayOption,
  date: number,
  { moves }: Laid,
): boolean {
  const pot = potOf(problem, option);
  if (pot.source === 'toBuy' || pot.source === 'stays') return true;
  const rows = new Map(problem.plants.map((row) => [row.id, row]));
  const uses = moves.filter((move) => rows.get(move.plant)!.options[move.option]!.pot === pot.id);
  if (pot.source === 'shelf') return uses.length < pot.ready![problem.dates.length - 1]!;
  const giver = moves.find((move) => move.plant === pot.of && move.plant !== plant.id);
  if (!giver || uses.length > 0) return false;
  const row = rows.get(giver.plant)!;
  return (
    leavesPot(potOf(problem, row.options[giver.option]!), row.id) &&
    readyAfter(problem, row, giver.date, date)
  );
}

/** The component that stands in its way; null: none does. */
function mixLacking(
  problem: DayProblem,
  plant: DayPlant,
  option: DayOption,
  { moves, batches, bags }: Laid,
): LeftOutAbout | null {
  const used = litresOf(batches);
  const perL = measuresOf(problem.mixes.find(({ id }) => id === plant.mix)!);
  const more = new Map(bags);
  for (const row of problem.stock) {
    const asks = (perL.get(row.component) ?? 0) * option.filledL;
    if (asks <= 0) continue;
    const own = bagsFor((used.get(row.component) ?? 0) + asks, row);
    if (!own) return { of: 'bagUnknown', component: row.label };
    more.set(row.component, own);
    if (problem.money === null) continue;
    const price = priceOf(problem, moves, more);
    if (price > problem.money + 1e-9) {
      return { of: 'moneyShort', component: row.label };
    }
  }
  return null;
}
