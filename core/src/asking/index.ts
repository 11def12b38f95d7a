export * from './ask.ts';
export * from './lastRepot.ts';
export * from './place.ts';
