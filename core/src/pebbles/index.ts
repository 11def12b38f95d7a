export * from './setup.ts';
export * from './wick.ts';
