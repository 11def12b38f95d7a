export * from './bars.ts';
export * from './mesh.ts';
