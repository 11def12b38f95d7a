export { mannKendall, type MannKendall } from './mannKendall.ts';
export { theilSen, type Point, type RobustLine } from './theilSen.ts';
export * from './normal.ts';
