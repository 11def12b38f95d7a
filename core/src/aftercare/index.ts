export * from './feeding.ts';
export * from './firstWater.ts';
export * from './plan.ts';
export * from './moves.ts';
export * from './words.ts';
export * from './deeds.ts';
export * from './stump.ts';
