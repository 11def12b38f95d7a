import { describe, expect, it } from 'vitest';
import { blend, partsOf } from '../mixing/index.ts';
import { against, meanWaterInColumn, NURSERY_GUIDELINE, waterAt } from './index.ts';

/** Mean of a drained pot of 15 cm, as the substrate tables have it. */
function in15cm(parts: Record<string, number>) {
  const mix = blend(
    partsOf(Object.entries(parts).map(([component, amount]) => ({ component, parts: amount }))),
  );
  const water = meanWaterInColumn(mix.water, 15);
  return { ...mix, capacity: water, air: mix.totalPorosity - water };
}

describe('retention parameters of soils (Carsel & Parrish, Water Resour. Res. 24, 1988, from memory)', () => {
  // θr, θs, α 1/cm, n; field capacity (coarse soils at 100 cm, loam at 330 cm, as is usual) and
  // wilting at 15,000 cm: Rawls et al., Trans. ASAE 25, 1982, from memory.
  it.each([
    ['sand', 0.045, 0.43, 0.145, 2.68, 100, 0.091, 0.033],
    ['sandy loam', 0.065, 0.41, 0.075, 1.89, 100, 0.207, 0.095],
    ['loam', 0.078, 0.43, 0.036, 1.56, 330, 0.27, 0.117],
  ])('%s', (_soil, thetaR, thetaS, alphaPerCm, n, capacityCm, capacity, wilting) => {
    const water = waterAt({ thetaR, thetaS, alphaPerCm, n });
    // The two tables are means of other samples: they agree to a tenth of the volume.
    expect(Math.abs(water(capacityCm) - capacity)).toBeLessThan(0.11);
    expect(Math.abs(water(15_000) - wilting)).toBeLessThan(0.04);
  });
});

describe('published property tables of substrates', () => {
  it('bark, peat and sand 3:1:1 in a 15 cm pot: porosity 0.70, capacity 0.52, air 0.18 (Milks, Fonteno & Larson, J. Am. Soc. Hort. Sci. 114, 1989, from memory)', () => {
    const mix = in15cm({ barkFine: 3, peat: 1, sharpSand: 1 });
    expect(Math.abs(mix.totalPorosity - 0.7)).toBeLessThan(0.05);
    expect(Math.abs(mix.capacity - 0.52)).toBeLessThan(0.06);
    expect(Math.abs(mix.air - 0.18)).toBeLessThan(0.06);
  });

  it('soil, peat and sand 1:1:1 in a 15 cm pot: porosity 0.58, capacity 0.49, air 0.09 (the same, from memory)', () => {
    const mix = in15cm({ loamCompost: 1, peat: 1, sharpSand: 1 });
    expect(Math.abs(mix.totalPorosity - 0.58)).toBeLessThan(0.06);
    expect(Math.abs(mix.capacity - 0.49)).toBeLessThan(0.05);
    expect(Math.abs(mix.air - 0.09)).toBeLessThan(0.06);
  });

  it('coir pith: porosity 0.94–0.96, air 0.24–0.45 at 10 cm, easily available water to 0.37, 0.025–0.09 g/cm³ (Abad et al., Bioresource Technology 82, 2002, from memory)', () => {
    const coir = in15cm({ coir: 1 });
    expect(coir.totalPorosity).toBeGreaterThanOrEqual(0.935);
    expect(coir.totalPorosity).toBeLessThanOrEqual(0.965);
    const airAt10 = coir.totalPorosity - coir.water(10);
    expect(airAt10).toBeGreaterThanOrEqual(0.24);
    expect(airAt10).toBeLessThanOrEqual(0.45);
    expect(coir.water(10) - coir.water(50)).toBeLessThanOrEqual(0.37);
    expect(coir.dryKgPerL).toBeLessThanOrEqual(0.09);
  });

  it('peat: porosity above 0.85, easily available water 0.20–0.30 between 10 and 50 cm (De Boodt & Verdonck, Acta Hort. 26, 1972, from memory)', () => {
    const peat = in15cm({ peat: 1 });
    expect(peat.totalPorosity).toBeGreaterThan(0.85);
    const easily = peat.water(10) - peat.water(50);
    expect(easily).toBeGreaterThan(0.2);
    expect(easily).toBeLessThan(0.31);
  });

  it('the nursery mix is within the guideline band in all four properties, an epiphyte mix far above its air', () => {
    const nursery = in15cm({ barkFine: 3, peat: 1, sharpSand: 1 });
    expect(against(nursery.totalPorosity, NURSERY_GUIDELINE.totalPorosity)).toBe('within');
    expect(against(nursery.air, NURSERY_GUIDELINE.air)).toBe('within');
    expect(against(nursery.capacity, NURSERY_GUIDELINE.water)).toBe('within');
    expect(against(nursery.dryKgPerL, NURSERY_GUIDELINE.dryKgPerL)).toBe('within');
    const epiphyte = in15cm({ barkMedium: 7, perlite: 2, charcoal: 1 });
    expect(against(epiphyte.air, NURSERY_GUIDELINE.air)).toBe('above');
    expect(against(0.05, NURSERY_GUIDELINE.air)).toBe('below');
  });
});
