import { decide, type Decision, type Signals, type Situation } from '../decide/index.ts';
import { addDays, daysBetween } from '../season/index.ts';
import { seeded } from '../number/index.ts';
import { rimCm } from '../pots/index.ts';
import { monthsToFill, rootsBroughtForward, type RootFindings } from '../roots/index.ts';
import { filledAfter, isCrowded, seen, trialPlant, trueCost, type TrialPlant } from './garden.ts';

/** Who is looked at on a round: indexes into the garden, most wanted first. */
export type LookPolicy = (
  round: number,
  acted: readonly boolean[],
  /** what is judged of a plant as it is known now */
  judged: (plant: number) => Decision,
) => number[];

/** Each in its turn, at fixed intervals. */
export const byTurns: LookPolicy = (round, acted) => {
  const order = acted.map((_, i) => (i + round * LOOKS_PER_ROUND) % acted.length);
  return order.filter((i) => !acted[i]);
};

/** Where a look is expected to save most. */
export const byWorth: LookPolicy = (_round, acted, judged) =>
  acted
    .map((done, i) => ({ i, worth: done ? -1 : judged(i).lookWorth.worth }))
    .filter(({ worth }) => worth >= 0)
    .sort((a, b) => b.worth - a.worth)
    .map(({ i }) => i);

export const LOOKS_PER_ROUND = 40;
/** Share of plants whose last repot nobody wrote down. @source common practice, no source */
const FORGOTTEN_SHARE = 0.4;
const ROUND_WEEKS = 4;
const ROUNDS = 13;
const REMEMBERED_DAYS = 90;

/**
 * A year of rounds over plants of which at most the last repot is known, with the
 * same number of looks a round whatever the policy. What a look turns up is
 * acted on by the verdict; the true cost is added up over two years.
 */
export function yearOfRounds(
  plants: number,
  seed: number,
  policy: LookPolicy,
  looksPerRound = LOOKS_PER_ROUND,
): { cost: number; looks: number } {
  const random = seeded(seed);
  const garden: TrialPlant[] = Array.from({ length: plants }, () => {
    const plant = trialPlant(random);
    // One calendar for all, or rounds would have no season.
    const date = '2026-01-05';
    // Of many plants nobody remembers when they were last repotted.
    const forgotten = random() < FORGOTTEN_SHARE;
    const lastRepot = forgotten ? null : addDays(date, -Math.round(plant.truth.ageMonths * 30.4));
    return { ...plant, situation: { ...plant.situation, date, lastRepot } };
  });
  const start = garden[0]!.situation.date;
  const actedIn: (number | null)[] = garden.map(() => null);
  const lookedOn: (string | null)[] = garden.map(() => null);
  const found: Signals[] = garden.map(() => ({}));
  let looks = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const date = addDays(start, round * ROUND_WEEKS * 7);
    const known = garden.map(({ situation }, i) =>
      knownOn({ ...situation, date }, lookedOn[i]!, found[i]!),
    );
    const judgements = new Map<number, Decision>();
    const judged = (i: number): Decision => {
      const decision = judgements.get(i) ?? decide(known[i]!, 'brief');
      judgements.set(i, decision);
      return decision;
    };
    const acted = actedIn.map((week) => week !== null);
    const order = policy(round, acted, judged).slice(0, looksPerRound);
    for (const i of order) {
      looks += 1;
      found[i] = seen(laterTruth(garden[i]!, round * ROUND_WEEKS), seeded(seed + 7919 * i + round));
      lookedOn[i] = date;
    }
    // A keeper follows every verdict, whether it rests on a look or on time alone.
    known.forEach((situation, i) => {
      if (actedIn[i] !== null) return;
      const lookedNow = lookedOn[i] === date;
      const { verdict } = lookedNow
        ? decide(withLook(situation, found[i]!, date), 'brief')
        : judged(i);
      if (verdict === 'rescueNow' || verdict === 'repotNow') actedIn[i] = round * ROUND_WEEKS;
    });
  }
  const cost = garden.reduce((sum, plant, i) => sum + trueCost(plant, actedIn[i]!), 0);
  return { cost, looks };
}

/** What is true some weeks on: roots and medium have gone on. */
export function laterTruth(plant: TrialPlant, weeks: number): TrialPlant {
  const ageMonths = plant.truth.ageMonths + weeks / 4.35;
  const { traits } = plant.situation;
  const { fillMonths, speed, tooWet } = plant.truth;
  const filled = (tooWet ? 0.5 : 1) * filledAfter(ageMonths, fillMonths, speed);
  return {
    ...plant,
    truth: {
      ...plant.truth,
      ageMonths,
      filled,
      crowded: isCrowded(filled, traits.snug),
      mediumFailing: ageMonths > plant.truth.lifeMonths,
    },
  };
}

/** What is known of a plant on its day by a look of before: fresh ones count as they are, old ones as roots that went on. */
export function knownOn(situation: Situation, seenOn: string | null, found: Signals): Situation {
  if (seenOn === null) return situation;
  const { spot, traits, pot, date } = situation;
  if (daysBetween(seenOn, date) <= REMEMBERED_DAYS) {
    return { ...situation, signals: found, lookedOn: seenOn };
  }
  const roots = rootsBroughtForward(
    found as RootFindings,
    seenOn,
    date,
    spot,
    traits,
    monthsToFill(traits.vigour, rimCm(pot)),
  );
  return { ...situation, lookedOn: seenOn, ...(roots ? { roots } : {}) };
}

/** A look made today replaces what earlier ones said of the roots. */
function withLook(
  { roots: _roots, ...situation }: Situation,
  signals: Signals,
  date: string,
): Situation {
  return { ...situation, signals, lookedOn: date };
}
