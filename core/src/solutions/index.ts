export * from './dilution.ts';
