import { describe, expect, it } from 'vitest';
import { recipe, recipeOfKind } from '../media/index.ts';
import { CATALOGUE, GROUPS, resolveTaxon, searchTaxa, taxonOfGroup, traitsOf } from './index.ts';

describe('catalogue', () => {
  it('holds at least 150 taxa, each once', () => {
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(150);
    expect(new Set(CATALOGUE.map(({ name }) => name)).size).toBe(CATALOGUE.length);
  });

  it('every taxon has possible traits', () => {
    for (const { name, traits } of CATALOGUE) {
      expect(() => recipe(traits.recipe), name).not.toThrow();
      expect(() => recipeOfKind(traits.medium), name).not.toThrow();
      expect(traits.growsFullyC, name).toBeGreaterThan(traits.growsFromC);
      expect(traits.growsFromC, name).toBeGreaterThanOrEqual(Math.min(traits.floorC, 4));
      expect(traits.bloomMatters, name).toBeGreaterThanOrEqual(0);
      expect(traits.bloomMatters, name).toBeLessThanOrEqual(1);
      expect(traits.waterUse, name).toBeGreaterThan(0);
    }
  });

  it('every group is used and every taxon names its source', () => {
    const used = new Set(CATALOGUE.map(({ group }) => group));
    expect(GROUPS.filter(({ id }) => !used.has(id)).map(({ id }) => id)).toEqual([]);
    expect(CATALOGUE.every(({ source }) => source.length > 0)).toBe(true);
  });

  it('a species of the catalogue is itself, another of the genus is its genus', () => {
    expect(resolveTaxon('davallia FEJEENSIS')?.common).toBe('lacy hare’s-foot fern');
    expect(resolveTaxon('Davallia solida')?.traits.growthForm).toBe('walker');
    expect(resolveTaxon('Davallia solida')?.name).toBe('Davallia solida');
  });

  it('an unknown name is nothing, a group is a group', () => {
    expect(resolveTaxon('Imaginaria nulla')).toBeNull();
    expect(resolveTaxon('treeFern')?.group).toBe('treeFern');
    expect(taxonOfGroup('treeFern', 'Imaginaria').name).toBe('Imaginaria');
    expect(() => taxonOfGroup('weeds')).toThrow(/weeds/);
  });

  it('type-ahead finds by any word of either name, beginnings first', () => {
    expect(searchTaxa('hare')[0]?.name).toMatch(/^Davallia/);
    expect(searchTaxa('strepto')[0]?.name).toBe('Streptocarpus');
    expect(searchTaxa('fern tree')[0]?.group).toBe('treeFern');
    expect(searchTaxa('zzzz')).toEqual([]);
  });

  it("the keeper's own words win over the catalogue", () => {
    const taxon = resolveTaxon('Clivia miniata')!;
    expect(traitsOf(taxon, { vigour: 'fast' }).vigour).toBe('fast');
    expect(traitsOf(taxon).vigour).toBe('slow');
  });
});
