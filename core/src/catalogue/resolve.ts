import { GROUPS, taxonGroup } from './groups.ts';
import { lookUp } from '../number/lookUp.ts';
import { SYNONYMS, TAXA, type TaxonRow } from './taxa.ts';
import type { Taxon, Traits } from './traits.ts';

const COMMON = 'common practice, no source';

function fromRow([name, common, groupId, own = {}, source = COMMON]: TaxonRow): Taxon {
  const { label, traits } = taxonGroup(groupId);
  return {
    name,
    common,
    group: groupId,
    groupLabel: label,
    traits: { ...traits, ...own },
    source,
  };
}

/** The whole catalogue with traits inherited, in the order of its groups. */
export const CATALOGUE: readonly Taxon[] = TAXA.map(fromRow);

const byName = new Map(CATALOGUE.map((taxon) => [taxon.name.toLowerCase(), taxon]));

/**
 * What stands for a name: the species, else its genus as a whole, else a group
 * named by its id. Names that the trade has given up count as the present ones.
 *
 * A genus is told by a row of its own, or where all its rows are of one group;
 * of a genus whose kinds differ nothing is guessed.
 *
 * @returns null for a name that nothing here stands for: ask the keeper for a group
 */
export function resolveTaxon(name: string): Taxon | null {
  const wanted = name.trim().toLowerCase().replace(/\s+/g, ' ');
  const exact = byName.get(wanted);
  if (exact) return { ...exact };
  const genus = wanted.split(' ')[0] ?? '';
  const present = lookUp(SYNONYMS, wanted) ?? lookUp(SYNONYMS, genus);
  const close = present ? byName.get(present.toLowerCase()) : ofGenus(genus);
  if (close) return { ...close, name: name.trim() };
  const group = GROUPS.find((candidate) => candidate.id.toLowerCase() === wanted);
  return group ? taxonOfGroup(group.id) : null;
}

function ofGenus(genus: string): Taxon | undefined {
  const own = byName.get(genus);
  if (own) return own;
  const rows = CATALOGUE.filter((taxon) => genusOf(taxon) === genus);
  return rows.every(({ group }) => group === rows[0]!.group) ? rows[0] : undefined;
}

/** A plant of which only the group is known. @throws RangeError for an unknown group */
export function taxonOfGroup(groupId: string, name?: string): Taxon {
  const { id, label, traits } = taxonGroup(groupId);
  return {
    name: name ?? label,
    common: label,
    group: id,
    groupLabel: label,
    traits,
    source: COMMON,
  };
}

/**
 * Catalogue entries that contain every word typed, those that start with it first.
 *
 * @param most  how many to return
 */
export function searchTaxa(typed: string, most = 12): Taxon[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return CATALOGUE.slice(0, most);
  const scored = CATALOGUE.flatMap((taxon) => {
    const text = `${taxon.name} ${taxon.common}`.toLowerCase();
    if (!words.every((word) => text.includes(word))) return [];
    const starts = text.startsWith(words[0]!) || taxon.common.toLowerCase().startsWith(words[0]!);
    return [{ taxon, score: (starts ? 0 : 1000) + text.length }];
  });
  return scored
    .sort((a, b) => a.score - b.score)
    .slice(0, most)
    .map(({ taxon }) => taxon);
}

/** Traits of a plant: the catalogue's, with the keeper's own words on top. */
export function traitsOf(taxon: Taxon, own: Partial<Traits> = {}): Traits {
  return { ...taxon.traits, ...own };
}

function genusOf(taxon: Taxon): string {
  return taxon.name.toLowerCase().split(' ')[0] ?? '';
}
