export * from './use.ts';
