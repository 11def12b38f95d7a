export * from './setup.ts';
export * from './wick.ts';
export * from './use.ts';
export * from './under.ts';
