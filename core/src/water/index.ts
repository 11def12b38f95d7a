export * from './cycles.ts';
export * from './findings.ts';
export * from './use.ts';
export * from './ownUse.ts';
