export * from './highs.ts';
export * from './model.ts';
