export * from './mound.ts';
export * from './onPot.ts';
