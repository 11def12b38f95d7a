export * from './highs.ts';
export * from './model.ts';
export * from './whole.ts';
export * from './dive.ts';
