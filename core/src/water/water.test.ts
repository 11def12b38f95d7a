import { describe, expect, it } from 'vitest';
import { vpdKPa } from '../season/index.ts';
import { daysToDry, typicalUseG } from './index.ts';

const surface = (widthCm: number) => (Math.PI / 4) * widthCm ** 2;
const room = vpdKPa(20, 0.5);

describe('typical water use (common practice, no source)', () => {
  const use = (waterUse: number) =>
    typicalUseG({
      surfaceCm2: surface(14),
      canopyCm2: surface(14),
      vpd: room,
      activity: 1,
      waterUse,
    });

  it('a leafy 14 cm pot uses 25–60 g a day, a cactus a fraction, most of it from the bare surface', () => {
    expect(use(1)).toBeGreaterThan(25);
    expect(use(1)).toBeLessThan(60);
    // 8–18 days for a cactus in 9 cm against 3–6 for a leafy plant, which is watered half dry.
    expect(use(0.1) / use(1)).toBeLessThan(0.5);
    expect(use(0.1) / use(1)).toBeGreaterThan(0.2);
  });

  it('use is proportional to the deficit of the air', () => {
    const at = (vpd: number) =>
      typicalUseG({ surfaceCm2: 150, canopyCm2: 150, vpd, activity: 0.5, waterUse: 1 });
    expect(at(1.8) / at(0.9)).toBeCloseTo(2, 12);
  });

  it('a breathing wall adds to it, rest takes from it', () => {
    const base = { surfaceCm2: 150, canopyCm2: 150, vpd: 1, waterUse: 1 };
    const growing = typicalUseG({ ...base, activity: 1 });
    expect(typicalUseG({ ...base, activity: 1, wallCm2: 100 })).toBeGreaterThan(growing);
    expect(typicalUseG({ ...base, activity: 0 })).toBeLessThan(0.7 * growing);
  });

  it('days to dry by hand: 500 g held, 55 % to spend, 27.5 g a day: 10 days', () => {
    expect(daysToDry(0.5, 0.55, 27.5)).toBeCloseTo(10, 12);
  });

  it.each([0, -1, NaN])('a use of %d g a day is refused', (useG) => {
    expect(() => daysToDry(0.5, 0.55, useG)).toThrow(/useG/);
  });
});
