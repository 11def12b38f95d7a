export * from './rhythm.ts';
export * from './upkeep.ts';
