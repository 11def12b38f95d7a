export * from './batch.ts';
export * from './blend.ts';
export * from './packing.ts';
export * from './scoops.ts';
export * from './design.ts';
export * from './buys.ts';
export * from './substitutes.ts';
