export * from './mound.ts';
