import { decide, STATES, statesOf, type State } from '../decide/index.ts';
import { daysBetween, seasonAhead } from '../season/index.ts';
import { HORIZON, trueCost, type TrialPlant } from './garden.ts';

/** Plants whose state was held about as likely, and how often it was true. */
export interface Decile {
  state: State;
  from: number;
  plants: number;
  predicted: number;
  observed: number;
}

/** Predicted against observed, by tenths of the predicted probability. */
export function calibration(garden: readonly TrialPlant[]): Decile[] {
  const bins = new Map<
    string,
    { state: State; from: number; plants: number; predicted: number; held: number }
  >();
  for (const { situation, truth } of garden) {
    const states = statesOf(situation);
    for (const state of STATES) {
      const tenth = Math.min(9, Math.floor(states[state] * 10));
      const key = `${state}${tenth}`;
      const bin = bins.get(key) ?? { state, from: tenth / 10, plants: 0, predicted: 0, held: 0 };
      bin.plants += 1;
      bin.predicted += states[state];
      bin.held += Number(truth[state]);
      bins.set(key, bin);
    }
  }
  return [...bins.values()]
    .map(({ state, from, plants, predicted, held }) => ({
      state,
      from,
      plants,
      predicted: predicted / plants,
      observed: held / plants,
    }))
    .sort((a, b) => STATES.indexOf(a.state) - STATES.indexOf(b.state) || a.from - b.from);
}

/** A way to choose the week, from what was seen. */
export type Policy = (plant: TrialPlant) => number | null;

/** What Fernbank would do. */
export const fernbank: Policy = ({ situation }) => {
  const { verdict, week } = decide(situation, 'brief');
  if (verdict === 'rescueNow' || verdict === 'repotNow') return 0;
  return verdict === 'repotInWeek'
    ? Math.max(0, Math.round(daysBetween(situation.date, week!) / 7))
    : null;
};

const ALARMS = ({ situation: { signals } }: TrialPlant) =>
  signals.rot === 'roots' || signals.smell === 'sour' || signals.pests === 'mealy';
const FULL = ['several', 'every', 'mat'];
const needsIt = ({ situation: { signals } }: TrialPlant) =>
  FULL.includes(String(signals.rootsAtHoles)) ||
  signals.compacted === true ||
  signals.waterRunsThrough === true;

/**
 * The schools as plain rules, the way a keeper follows them: an alarm is
 * rescued at once by all of them; else they wait for spring, for the first
 * weeks of it when roots start, or for nothing.
 */
export const SCHOOL_RULES: Record<'window' | 'newRoots' | 'need', Policy> = {
  window: (plant) => (ALARMS(plant) ? 0 : needsIt(plant) ? opening(plant, false) : null),
  newRoots: (plant) => (ALARMS(plant) ? 0 : needsIt(plant) ? opening(plant, true) : null),
  need: (plant) => (ALARMS(plant) || needsIt(plant) ? 0 : null),
};

/** First week inside the window; of its start only, where the school waits for new roots. */
function opening(plant: TrialPlant, startOnly: boolean): number | null {
  const { spot, traits, date } = plant.situation;
  const { readiness } = seasonAhead(spot, traits, date, HORIZON);
  let shut = !startOnly;
  for (let week = 0; week < readiness.length; week++) {
    const open = readiness[week]! >= 0.5;
    if (open && shut) return week;
    if (!open) shut = true;
  }
  return startOnly ? opening(plant, false) : null;
}

export const totalCost = (garden: readonly TrialPlant[], policy: Policy) =>
  garden.reduce((sum, plant) => sum + trueCost(plant, within(policy(plant))), 0);
const within = (week: number | null) => (week !== null && week < HORIZON ? week : null);
