import type { TaskRule } from '../aftercare/index.ts';
import { STEP_IDS, type StepId } from './step.ts';

/** What a step means beyond its words. */
interface Meaning {
  /** it is mostly waiting: its minutes tell nothing of hands */
  waits?: true;
  /** mix is measured or filled in it: the scoops stand beside it */
  takesMix?: true;
  /** done at the bench, aftercare need not ask for it any more */
  task?: TaskRule;
}

const MEANING: Partial<Record<StepId, Meaning>> = {
  soakComponents: { waits: true, takesMix: true },
  preWet: { waits: true, takesMix: true },
  soakToLoosen: { waits: true },
  callus: { waits: true },
  dryWounds: { waits: true },
  waterJar: { waits: true },
  soakMoss: { takesMix: true },
  bed: { takesMix: true },
  packMoss: { takesMix: true },
  pourPebbles: { takesMix: true },
  fillDry: { takesMix: true },
  fillDamp: { takesMix: true },
  fillReservoir: { task: 'firstWater' },
  waterDoses: { task: 'firstWater' },
  waterNow: { task: 'firstWater' },
  waterAgain: { task: 'secondWater' },
};

export const WAITS: readonly StepId[] = STEP_IDS.filter((id) => MEANING[id]?.waits);

export const takesMix = (step: StepId): boolean => MEANING[step]?.takesMix === true;

/** What aftercare need not ask for any more, since it was done at the bench. */
export function tasksDoneBy(steps: readonly StepId[]): TaskRule[] {
  return [...new Set(steps.flatMap((step) => MEANING[step]?.task ?? []))];
}
