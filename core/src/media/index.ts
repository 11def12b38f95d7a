export * from './ageing.ts';
export * from './components.ts';
export * from './retention.ts';
export * from './recipes.ts';
export * from './kitchenTest.ts';
