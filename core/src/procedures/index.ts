export { procedure } from './compose.ts';
export * from './fitted.ts';
export * from './request.ts';
export * from './step.ts';
