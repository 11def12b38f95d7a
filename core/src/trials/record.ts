import { statesOf, type State } from '../decide/index.ts';
import { seeded } from '../number/index.ts';
import { correctedChance, correctionBy, scoreOf, type Pair } from '../track/index.ts';
import { trialPlant, type TrialPlant } from './garden.ts';
import { laterTruth } from './looks.ts';

/** A keeper of the trials: how fast roots go with them, and how long media last, against the usual. */
export interface TrialKeeper {
  speed: number;
  life: number;
}

const asKept = (plant: TrialPlant, { speed, life }: TrialKeeper): TrialPlant => {
  const { truth } = plant;
  const kept = { ...truth, speed: truth.speed * speed, lifeMonths: truth.lifeMonths * life };
  return laterTruth({ ...plant, truth: kept }, 0);
};

/** What is said of plants that nobody looked at, and what is true of them. */
function pairsOf(keeper: TrialKeeper, state: State, count: number, seed: number): Pair[] {
  const random = seeded(seed);
  return Array.from({ length: count }, () => {
    const { situation, truth } = asKept(trialPlant(random), keeper);
    return { said: statesOf(situation)[state], found: Number(truth[state]) };
  });
}

/**
 * What correcting by so many findings does to the score on plants that went into no correction.
 *
 * @returns Brier score as it was said and as it is corrected, on the mean of some gardens
 */
export function correctedOnHeldOut(
  keeper: TrialKeeper,
  state: State,
  { findings, gardens, seed }: { findings: number; gardens: number; seed: number },
): { said: number; corrected: number } {
  const sums = { said: 0, corrected: 0 };
  const heldOut = pairsOf(keeper, state, HELD_OUT, seed - 1);
  for (let garden = 0; garden < gardens; garden++) {
    const by = correctionBy(pairsOf(keeper, state, findings, seed + 104_729 * garden))!;
    const after = heldOut.map(({ said, found }) => ({ said: correctedChance(said, by), found }));
    sums.said += scoreOf(heldOut)!.brier / gardens;
    sums.corrected += scoreOf(after)!.brier / gardens;
  }
  return sums;
}
const HELD_OUT = 2500;
