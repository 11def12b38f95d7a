export * from './choices.ts';
export * from './fitOf.ts';
export * from './longerPole.ts';
export * from './mix.ts';
export type { FitPlan, PlannedSupport } from './plan.ts';
export * from './subject.ts';
export * from './waysOut.ts';
export * from './whichPot.ts';
