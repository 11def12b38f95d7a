export * from './ranges.ts';
export { walk, type Finding } from './walk.ts';
