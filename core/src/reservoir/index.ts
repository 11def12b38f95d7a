export * from './log.ts';
export * from './state.ts';
export * from './suggest.ts';
