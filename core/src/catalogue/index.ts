export { GROUPS, taxonGroup, type TaxonGroup } from './groups.ts';
export * from './resolve.ts';
export * from './traits.ts';
