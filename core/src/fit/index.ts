export * from './ball.ts';
export * from './depth.ts';
export * from './ladder.ts';
export * from './options.ts';
export * from './remedies.ts';
export type { Rung, RungNote, RungVerdict } from './rung.ts';
export * from './standing.ts';
export * from './mixInPot.ts';
export * from './mixTargets.ts';
