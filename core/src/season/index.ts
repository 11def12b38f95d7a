export * from './activity.ts';
export * from './calendar.ts';
export * from './namedSeason.ts';
export * from './spot.ts';
export * from './sun.ts';
export * from './typicalYear.ts';
export * from './vapour.ts';
export * from './yearEnds.ts';
