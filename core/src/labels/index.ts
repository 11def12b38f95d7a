export * from './sheets.ts';
