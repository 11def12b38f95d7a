import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import { addsFor, canShow } from './shows.ts';

const { traits } = resolveTaxon('Spathiphyllum')!;
const standing = (kind: MediumKind) => ({ traits, medium: { kind } });

// @source common practice, no source
describe('which findings a plant can show goes by the medium it stands in, not its usual one', () => {
  it('in pebbles, roots that grow out of them are asked for and speak of a full pot', () => {
    expect(canShow('aerialRootsOutside', standing('peatSoil'), 12)).toBe(false);
    expect(canShow('aerialRootsOutside', standing('pebbles'), 12)).toBe(true);
    expect(addsFor('aerialRootsOutside', 'many', standing('peatSoil'))).toEqual({});
    expect(addsFor('aerialRootsOutside', 'many', standing('pebbles')).crowded).toBeGreaterThan(0);
  });

  it('water that runs through says something of soil, nothing of bark or grit', () => {
    expect(canShow('waterRunsThrough', standing('peatSoil'), 12)).toBe(true);
    for (const kind of ['bark', 'mineral', 'pebbles'] as const) {
      expect(canShow('waterRunsThrough', standing(kind), 12), kind).toBe(false);
    }
  });
});
