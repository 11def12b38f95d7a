export * from './filling.ts';
export * from './reading.ts';
export { rootsBroughtForward } from './forward.ts';
export * from './pace.ts';
export * from './together.ts';
