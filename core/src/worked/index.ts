export * from './beta.ts';
export * from './learned.ts';
export * from './outcome.ts';
export * from './practice.ts';
export * from './tally.ts';
export * from './traySuccess.ts';
