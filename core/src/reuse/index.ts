export * from './old.ts';
export * from './why.ts';
