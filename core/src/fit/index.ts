export * from './ball.ts';
export * from './ladder.ts';
export * from './options.ts';
export * from './standing.ts';
