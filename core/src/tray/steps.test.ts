import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CATALOGUE, resolveTaxon } from '../catalogue/index.ts';
import { component } from '../media/index.ts';
import { fillL, nominalPot } from '../pots/index.ts';
import { STEP_IDS } from '../procedures/index.ts';
import { potOnSteps, TRAY_MEDIUM_IDS, TRAY_METHOD_IDS, type PotOnRequest } from './index.ts';

const IVY: PotOnRequest = {
  method: 'cutting',
  medium: 'water',
  rootCm: 6,
  traits: resolveTaxon('Cissus alata')!.traits,
  pot: nominalPot(8, 'standard'),
  potMaterial: 'plastic',
  to: 'peatSoil',
  components: [component('pottingSoil'), component('perlite')],
  starts: 1,
};
const ids = (change: Partial<PotOnRequest> = {}) =>
  potOnSteps({ ...IVY, ...change }).steps.map(({ id }) => id);

// Common practice, no source: which steps a start needs that comes out of its tray.
describe('potting a start on', () => {
  it('out of water or moss nothing is unpotted, watered before, or soaked loose', () => {
    for (const medium of ['water', 'moss'] as const) {
      for (const id of ['waterBefore', 'squeezePot', 'knifeRound', 'soakToLoosen'] as const) {
        expect(ids({ medium })).not.toContain(id);
      }
      expect(ids({ medium })).toEqual(expect.arrayContaining(['bed', 'spreadRoots', 'label']));
    }
  });

  it('stays in pebbles with its reservoir, or goes into mix with its first water', () => {
    const pebbles = ids({
      medium: 'pebbles',
      to: 'pebbles',
      components: [component('clayPebbles')],
    });
    expect(pebbles).toEqual(expect.arrayContaining(['pourPebbles', 'fillReservoir']));
    expect(pebbles).not.toContain('waterJar');
    expect(ids()).toContain('waterNow');
  });

  it('a succulent is left dry first', () => {
    const { traits } = resolveTaxon('Crassula ovata')!;
    expect(ids({ traits, medium: 'mix', method: 'leaf' })).not.toContain('waterNow');
  });

  it('takes what the pot holds less the roots, less for each start that shares it', () => {
    const one = potOnSteps(IVY).newMediumL;
    expect(one).toBeLessThan(fillL(IVY.pot));
    expect(one).toBeGreaterThan(0.8 * fillL(IVY.pot));
    expect(potOnSteps({ ...IVY, starts: 4 }).newMediumL).toBeLessThan(one);
    expect(() => potOnSteps({ ...IVY, starts: 0 })).toThrow(/starts/);
  });

  it('whatever is started, no step stands twice and all keep the order of the hands', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CATALOGUE),
        fc.constantFrom(...TRAY_METHOD_IDS),
        fc.constantFrom(...TRAY_MEDIUM_IDS),
        fc.option(fc.double({ min: 0.1, max: 40, noNaN: true })),
        ({ traits }, method, medium, rootCm) => {
          const order = ids({ traits, method, medium, rootCm }).map((id) => STEP_IDS.indexOf(id));
          expect(order).toEqual([...new Set(order)].sort((a, b) => a - b));
        },
      ),
      { numRuns: 60 },
    );
  });
});
