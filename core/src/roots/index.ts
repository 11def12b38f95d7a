export * from './filling.ts';
export * from './reading.ts';
