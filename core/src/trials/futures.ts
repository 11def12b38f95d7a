import { aheadOf, Futures, type AheadPlant, type AheadProblem } from '../ahead/index.ts';
import { decide, weeksAhead } from '../decide/index.ts';
import { clamp, seeded } from '../number/index.ts';
import { rimCm } from '../pots/index.ts';
import { addDays } from '../season/index.ts';
import { seen, trialPlant, type TrialPlant } from './garden.ts';
import { knownOn, laterTruth } from './looks.ts';

/** How often what came lay below, within and above the band that was foretold. */
export interface Held {
  below: number;
  within: number;
  above: number;
  /**
   * … and between a tenth and nine tenths of what was drawn, those that are equal to it shared out:
   * a band of whole repots takes in more than its 80 %, this does not
   */
  between: number;
}

const DATE = '2026-01-05';
const WEEKS = 52;
/** of the year from a first week of January on */
const LAST_MONTH = 11;
const FUTURES = 400;
/** A keeper walks round every four weeks, and looks closely each quarter. */
const ROUND_WEEKS = 4;
const LOOK_WEEKS = 12;
/** … and comes to what is due in its week as often as not. */
const COMES = 0.5;

/**
 * Gardens whose truth is known, foretold a year ahead from one look, then lived: their keeper looks
 * every quarter, follows the verdict, and comes to it late as often as not.
 */
export function yearsHeld(gardens: number, plants: number, seed: number): Held {
  const held: Held = { below: 0, within: 0, above: 0, between: 0 };
  for (let garden = 0; garden < gardens; garden++) {
    const random = seeded(seed + 7919 * garden);
    const all = Array.from({ length: plants }, (): TrialPlant => {
      const plant = trialPlant(random);
      const lastRepot = addDays(DATE, -Math.round(plant.truth.ageMonths * 30.4));
      const signals = seen(plant, random);
      return {
        ...plant,
        situation: { ...plant.situation, date: DATE, lastRepot, signals, lookedOn: DATE },
      };
    });
    const problem = { from: DATE, plants: all.map(foreseen), shelf: [] };
    const drawn = { futures: FUTURES, seed: garden + 1 };
    const foretold = aheadOf(problem, drawn).repots.upTo[LAST_MONTH]!;
    const came = all.filter((plant) => isRepotted(plant, random)).length;
    if (came < foretold.low) held.below += 1;
    else if (came > foretold.high) held.above += 1;
    else held.within += 1;
    held.between += shareBetween(came, countsOf(problem, drawn));
  }
  return held;
}

/** Repots of the year in every future. */
function countsOf(problem: AheadProblem, { futures, seed }: { futures: number; seed: number }) {
  const luck = new Futures(problem, seed);
  return Array.from(
    { length: futures },
    () => luck.next().repots.filter(({ week }) => week < WEEKS).length,
  );
}

/**
 * The share of a count that lies between a tenth and nine tenths of counts drawn.
 *
 * @source the probability integral transform of counts: Czado, Gneiting & Held (2009), from memory
 */
export function shareBetween(came: number, drawn: readonly number[]): number {
  const upTo = (count: number) => drawn.filter((one) => one <= count).length / drawn.length;
  const [from, to] = [upTo(came - 1), upTo(came)];
  if (to === from) return from > 0.1 && from < 0.9 ? 1 : 0;
  return Math.max(0, clamp(to, 0.1, 0.9) - clamp(from, 0.1, 0.9)) / (to - from);
}

function foreseen({ situation }: TrialPlant, index: number): AheadPlant {
  const { states, headline } = decide(situation, 'brief');
  return {
    id: index,
    name: '',
    spotId: 1,
    group: '',
    rimCm: rimCm(situation.pot),
    parts: [],
    weeks: weeksAhead(situation),
    notBefore: 0,
    settledIn: null,
    window: null,
    meets: { likely: null, soonest: null },
    danger: states.danger,
    rescue: headline === 'rescueNow',
    repots: [{ rimCm: 1.2 * rimCm(situation.pot), newMediumL: 1, minutes: 20 }],
  };
}

/** Whether its keeper comes to repot it within the year. */
function isRepotted(plant: TrialPlant, random: () => number): boolean {
  let found = plant.situation.signals;
  let lookedOn = DATE;
  for (let week = 0; week < WEEKS; week += ROUND_WEEKS) {
    const date = addDays(DATE, 7 * week);
    if (week > 0 && week % LOOK_WEEKS === 0) {
      found = seen(laterTruth(plant, week), random);
      lookedOn = date;
    }
    const { signals: _then, ...situation } = plant.situation;
    const known = knownOn({ ...situation, signals: {}, date }, lookedOn, found);
    const { verdict } = decide(known, 'brief');
    if (verdict === 'rescueNow') return true;
    if (verdict === 'repotNow' && (week + ROUND_WEEKS < WEEKS || random() < COMES)) return true;
  }
  return false;
}
