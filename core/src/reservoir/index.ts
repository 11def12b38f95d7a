export * from './log.ts';
export * from './state.ts';
