export * from './batch.ts';
export * from './blend.ts';
export * from './packing.ts';
export * from './scoops.ts';
