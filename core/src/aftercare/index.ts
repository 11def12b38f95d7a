export * from './plan.ts';
export * from './moves.ts';
