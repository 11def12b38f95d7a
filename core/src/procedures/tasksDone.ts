import type { TaskRule } from '../aftercare/index.ts';
import type { StepId } from './step.ts';

/** Steps of the bench that are the first thing aftercare would ask for. */
const TASK_OF_STEP: Partial<Record<StepId, TaskRule>> = {
  waterNow: 'firstWater',
  waterDoses: 'firstWater',
  fillReservoir: 'firstWater',
  waterAgain: 'secondWater',
};

/** What aftercare need not ask for any more, since it was done at the bench. */
export function tasksDoneBy(steps: readonly StepId[]): TaskRule[] {
  return [...new Set(steps.flatMap((step) => TASK_OF_STEP[step] ?? []))];
}
