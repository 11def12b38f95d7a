export * from './events.ts';
