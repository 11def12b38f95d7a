export * from './material.ts';
export * from './shape.ts';
export * from './tradeSizes.ts';
export * from './volume.ts';
export * from './weight.ts';
export * from './vessel.ts';
