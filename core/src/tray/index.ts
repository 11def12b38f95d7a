export * from './firstPot.ts';
export * from './method.ts';
export * from './moveOn.ts';
export * from './pieces.ts';
export * from './steps.ts';
