import { describe, expect, it } from 'vitest';
import { blend, blendOfRecipe, partsOf } from '../mixing/index.ts';
import { freshIn, mediumLife } from '../decide/index.ts';
import { nominalPot } from '../pots/index.ts';
import {
  COMPONENTS,
  meanWaterInColumn,
  meanWaterInPot,
  POROMETER_CM,
  retentionFromPorometer,
  waterAt,
} from './index.ts';

describe('retention against closed forms', () => {
  it.each([0.1, 0.5, 1, 3, 10])(
    'n = 2: mean saturation of a drained column is asinh(αH)/(αH), αH = %d (integral of van Genuchten 1980)',
    (alphaH) => {
      const curve = { thetaR: 0, thetaS: 1, alphaPerCm: alphaH / 10, n: 2 };
      expect(meanWaterInColumn(waterAt(curve), 10)).toBeCloseTo(Math.asinh(alphaH) / alphaH, 6);
    },
  );

  it('the closed form at αH = 1 is 0.8814', () => {
    const curve = { thetaR: 0, thetaS: 1, alphaPerCm: 0.1, n: 2 };
    expect(meanWaterInColumn(waterAt(curve), 10)).toBeCloseTo(0.8814, 4);
  });

  it('steep curves integrate as well as a fine midpoint sum', () => {
    const water = waterAt({ thetaR: 0.02, thetaS: 0.42, alphaPerCm: 1.2, n: 2.8 });
    const slices = 400_000;
    let sum = 0;
    for (let i = 0; i < slices; i++) sum += water(((i + 0.5) / slices) * 15);
    expect(meanWaterInColumn(water, 15)).toBeCloseTo(sum / slices, 5);
  });

  it('water saturates at zero suction and falls to its residue', () => {
    const water = waterAt({ thetaR: 0.05, thetaS: 0.9, alphaPerCm: 0.2, n: 1.8 });
    expect(water(0)).toBe(0.9);
    expect(water(1e7)).toBeCloseTo(0.05, 4);
  });

  it('a porometer reading is given back by the curve made from it, for every component', () => {
    for (const { totalPorosity, airAt7_6cm, n } of COMPONENTS) {
      const water = waterAt(retentionFromPorometer(totalPorosity, airAt7_6cm, n));
      expect(totalPorosity - meanWaterInColumn(water, POROMETER_CM)).toBeCloseTo(airAt7_6cm, 6);
    }
  });

  it('in a straight pot the weighted mean is the column mean', () => {
    const water = waterAt({ thetaR: 0.05, thetaS: 0.9, alphaPerCm: 0.2, n: 1.8 });
    const cylinder = { shape: 'cylinder' as const, topDiameterCm: 9, heightCm: 14 };
    expect(meanWaterInPot(water, cylinder, 12)).toBeCloseTo(meanWaterInColumn(water, 12), 9);
  });

  it('a standard nursery mix lies in the guideline band: porosity 50–85 %, air 10–30 %, capacity 45–65 %, 0.19–0.70 g/cm³', () => {
    // Yeager et al., Best Management Practices for container nurseries, from memory. The mix, fine
    // bark, peat and sand 3:1:1, is a usual one of the trade: common practice, no source.
    const mix = blend(
      partsOf([
        { component: 'barkFine', parts: 3 },
        { component: 'peat', parts: 1 },
        { component: 'sharpSand', parts: 1 },
      ]),
    );
    const water = meanWaterInColumn(mix.water, 15);
    const air = mix.totalPorosity - water;
    const inside = (value: number, low: number, high: number) => value >= low && value <= high;
    expect(inside(mix.totalPorosity, 0.5, 0.85)).toBe(true);
    expect(inside(air, 0.1, 0.3)).toBe(true);
    expect(inside(water, 0.45, 0.65)).toBe(true);
    expect(inside(mix.dryKgPerL, 0.19, 0.7)).toBe(true);
  });
});

describe('trade lives (common practice, no source)', () => {
  const pots = [11, 12, 14, 16].map((width) => nominalPot(width));
  const orchid = { airNeed: 0.25, drying: 'halfDry' } as const;

  it('a bark mix lasts 18–24 months in 11–16 cm pots at 21 °C', () => {
    for (const pot of pots) {
      const { months } = mediumLife(blendOfRecipe('barkEpiphyte'), pot, orchid, 21);
      expect(months).toBeGreaterThan(18);
      expect(months).toBeLessThan(24);
    }
  });

  it('long-fibre moss lasts about 12 months', () => {
    for (const pot of pots) {
      const plant = { airNeed: 0.24, drying: 'littleDry' } as const;
      const { months } = mediumLife(blendOfRecipe('mossOnly'), pot, plant, 20);
      expect(months).toBeGreaterThan(8.5);
      expect(months).toBeLessThan(15);
    }
  });

  it('a peat-based mix lasts 12–24 months', () => {
    for (const pot of pots) {
      const plant = { airNeed: 0.12, drying: 'littleDry' } as const;
      const { months } = mediumLife(blendOfRecipe('everyday'), pot, plant, 21);
      expect(months).toBeGreaterThan(12);
      expect(months).toBeLessThan(24);
    }
  });

  it('a loam-based mix lasts 2–3 years', () => {
    const plant = { airNeed: null, drying: 'halfDry' } as const;
    const { months } = mediumLife(blendOfRecipe('loamy'), nominalPot(17), plant, 20);
    expect(months).toBeGreaterThan(24);
    expect(months).toBeLessThan(36);
  });

  it('mineral media and pebbles do not age', () => {
    const succulent = { airNeed: null, drying: 'fullyDry' } as const;
    for (const recipe of ['allMineral', 'pebblesOnly']) {
      const { months } = mediumLife(blendOfRecipe(recipe), nominalPot(12), succulent, 20);
      expect(months).toBeNull();
    }
  });

  it('typical mixes hold the air and water that keepers know them for, in a 12 cm column', () => {
    // Tried values of the design, common practice, no source.
    const column = { shape: 'cylinder' as const, topDiameterCm: 12, heightCm: 13 };
    const at = (recipe: string) => freshIn(blendOfRecipe(recipe), column, 12);
    // 15–25 % in a pot 15 cm tall, so somewhat less here.
    expect(at('everyday').air).toBeCloseTo(0.18, 1);
    expect(at('chunkyClimber').air).toBeCloseTo(0.33, 1);
    expect(at('barkEpiphyte').air).toBeCloseTo(0.49, 1);
    expect(at('mossOnly').air).toBeCloseTo(0.51, 1);
    expect(at('pebblesOnly').air).toBeCloseTo(0.46, 1);
    expect(at('gritty').air).toBeCloseTo(0.08, 1);
  });
});
