import { describe, expect, it } from 'vitest';
import { component, meanWaterInColumn } from '../media/index.ts';
import { blend, packingDensity, partsOf } from './index.ts';

describe('packing against its limits (de Larrard, Concrete Mixture Proportioning, 1999)', () => {
  it('one component packs as it does alone', () => {
    expect(packingDensity([{ grainMm: 5, packing: 0.57, grainVolume: 3 }])).toBeCloseTo(0.57, 12);
  });

  it('equal sizes and packings do not shrink', () => {
    const grains = { grainMm: 5, packing: 0.6 };
    const density = packingDensity([
      { ...grains, grainVolume: 1 },
      { ...grains, grainVolume: 4 },
    ]);
    expect(density).toBeCloseTo(0.6, 12);
  });

  it('infinitely finer grains fill the gaps: best packing 1 − 0.4² = 0.84 for β = 0.6', () => {
    let best = 0;
    for (let fine = 0.01; fine < 1; fine += 0.0005) {
      best = Math.max(
        best,
        packingDensity([
          { grainMm: 1, packing: 0.6, grainVolume: 1 - fine },
          { grainMm: 1e-9, packing: 0.6, grainVolume: fine },
        ]),
      );
    }
    expect(best).toBeCloseTo(0.84, 3);
  });

  it('order and unit of the grain volumes do not matter', () => {
    const bark = { grainMm: 10, packing: 0.55, grainVolume: 3 };
    const peat = { grainMm: 1.5, packing: 0.5, grainVolume: 2 };
    const doubled = [peat, bark].map((c) => ({ ...c, grainVolume: c.grainVolume * 7 }));
    expect(packingDensity([bark, peat])).toBeCloseTo(packingDensity(doubled), 12);
  });
});

describe('mixing as keepers know it', () => {
  const shrinkOf = (parts: Record<string, number>) =>
    blend(partsOf(Object.entries(parts).map(([id, amount]) => ({ component: id, parts: amount }))))
      .shrink;

  it('three of bark and two of peat lose about a fifth, soil and perlite 1:1 about 7 %', () => {
    // Values of the design, by hand from the model's published formula.
    expect(shrinkOf({ barkMedium: 3, peat: 2 })).toBeCloseTo(0.21, 2);
    expect(shrinkOf({ pottingSoil: 1, perlite: 1 })).toBeCloseTo(0.07, 2);
  });

  it('a little coarse bark hardly airs peat; above two thirds it does (threshold proportion, Spomer 1974, from memory)', () => {
    const airWith = (barkPercent: number) => {
      const mix = blend([
        { ingredient: component('peat'), parts: 100 - barkPercent },
        { ingredient: component('barkMedium'), parts: barkPercent },
      ]);
      return mix.totalPorosity - meanWaterInColumn(mix.water, 12);
    };
    expect(airWith(0)).toBeCloseTo(0.23, 2);
    expect(airWith(60) - airWith(0)).toBeLessThan(0.07);
    expect(airWith(90) - airWith(60)).toBeGreaterThan(0.18);
    expect(airWith(90)).toBeCloseTo(0.49, 2);
  });
});
