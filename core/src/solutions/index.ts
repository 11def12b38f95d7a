export * from './dilution.ts';
export * from './disinfect.ts';
export * from './ec.ts';
export * from './elements.ts';
export * from './flush.ts';
export * from './labelRate.ts';
export * from './ph.ts';
