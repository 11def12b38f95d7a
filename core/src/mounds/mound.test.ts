import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planMound } from './index.ts';

const CORE = { topDiameterCm: 8, baseDiameterCm: 5, heightCm: 6 };
const REQUEST = { mouthCm: 12, core: CORE, marginCm: 1.5, overCm: 3 };

describe('a moss mound', () => {
  it('its litres are those of the solid, by summing thin slices', () => {
    const { mossL, diameterCm, heightCm } = planMound(REQUEST);
    const slices = 100_000;
    let cm3 = 0;
    for (let i = 0; i < slices; i++) {
      const z = ((i + 0.5) / slices) * heightCm;
      const outer = (diameterCm / 2) ** 2 * (1 - (z / heightCm) ** 2);
      const share = Math.min(1, z / CORE.heightCm);
      const coreRadius =
        z < CORE.heightCm
          ? (CORE.topDiameterCm + (CORE.baseDiameterCm - CORE.topDiameterCm) * share) / 2
          : 0;
      cm3 += Math.PI * (outer - coreRadius ** 2) * (heightCm / slices);
    }
    expect(mossL).toBeCloseTo(cm3 / 1000, 4);
  });

  it('by hand: half a ball of 15 cm and 9 cm high, less the core', () => {
    // 2/3·π·7.5²·9 = 1060 cm³; core π/12·6·(64 + 40 + 25) = 203 cm³.
    const { mossL, looseL, dryG, dampG } = planMound(REQUEST);
    expect(mossL).toBeCloseTo(1.0603 - 0.2026, 3);
    expect(looseL).toBeCloseTo(mossL * 1.6, 9);
    expect(dryG).toBeCloseTo(looseL * 40, 6);
    expect(dampG).toBeCloseTo(dryG * 8, 6);
  });

  it('holds from the least margin on, and not below it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 30, noNaN: true }),
        fc.double({ min: 0.3, max: 0.8, noNaN: true }),
        (mouthCm, share) => {
          const core = { topDiameterCm: mouthCm * share, baseDiameterCm: 3, heightCm: 6 };
          const { leastMarginCm } = planMound({ mouthCm, core, marginCm: 2, overCm: 2 });
          const at = (marginCm: number) => planMound({ mouthCm, core, marginCm, overCm: 2 }).holds;
          expect(at(leastMarginCm + 0.01)).toBe(true);
          if (leastMarginCm > 0.51) expect(at(leastMarginCm - 0.01)).toBe(false);
        },
      ),
    );
  });

  it('is never wider after settling than when made', () => {
    const { settledCm, diameterCm } = planMound(REQUEST);
    expect(settledCm).toBeLessThan(diameterCm);
  });

  it.each([
    ['a core as wide as the mound', { core: { ...CORE, topDiameterCm: 15 } }, /core/],
    ['a margin below nothing', { marginCm: -1 }, /marginCm/],
    ['more roots than mound', { rootsL: 5 }, /rootsL/],
    ['a core of no height', { core: { ...CORE, heightCm: 0 } }, /heightCm/],
  ])('%s is refused', (_what, change, message) => {
    expect(() => planMound({ ...REQUEST, ...change })).toThrow(message);
  });
});
