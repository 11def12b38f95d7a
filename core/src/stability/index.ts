export * from './tip.ts';
