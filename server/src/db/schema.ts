/** All that a collection is kept in. */
export * from './tables.ts';
export * from './days.ts';
export * from './followUp.ts';
export * from './history.ts';
