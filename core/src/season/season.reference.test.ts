import { Body, Observer, SearchAltitude } from 'astronomy-engine';
import { describe, expect, it } from 'vitest';
import { daylightHours, dayOfYear, extraterrestrialMJ, saturationKPa, vpdKPa } from './index.ts';

describe('season against published worked examples', () => {
  it('saturation vapour pressure (FAO Irrigation and Drainage Paper 56, example 3)', () => {
    expect(saturationKPa(24.5)).toBeCloseTo(3.075, 3);
    expect(saturationKPa(15)).toBeCloseTo(1.705, 3);
  });

  it('extraterrestrial radiation at 20° S on 3 September is 32.2 MJ m⁻² d⁻¹ (FAO 56, example 8)', () => {
    expect(extraterrestrialMJ(-20, dayOfYear('2026-09-03'))).toBeCloseTo(32.2, 1);
  });

  it('daylight at 20° S on 3 September is 11.7 h (FAO 56, example 9)', () => {
    expect(daylightHours(-20, dayOfYear('2026-09-03'))).toBeCloseTo(11.7, 1);
  });

  it('half-saturated air has half its saturation pressure as deficit (definition)', () => {
    expect(vpdKPa(20, 0.5)).toBeCloseTo(saturationKPa(20) / 2, 12);
  });

  // FAO 56 gives the declination by a single sine, which runs up to 1.2° behind in
  // October: some 3 minutes at 20°, some 13 at 54°. That is its accuracy, not a rounding.
  it.each([
    [0, '2026-02-10', 2],
    [20, '2026-10-15', 5],
    [-35, '2026-01-05', 5],
    [54, '2026-03-20', 8],
    [54, '2026-06-21', 5],
    [54, '2026-10-15', 13],
    [54, '2026-12-21', 5],
    [-54, '2026-07-01', 5],
  ])('daylight at %d° on %s agrees with astronomy-engine within %d min', (latitude, date, most) => {
    // The sun's centre on the geometric horizon, from solar midnight at longitude 0.
    const observer = new Observer(latitude, 0, 0);
    const midnight = new Date(`${date}T00:00:00Z`);
    const rise = SearchAltitude(Body.Sun, observer, +1, midnight, 1, 0)!;
    const set = SearchAltitude(Body.Sun, observer, -1, rise, 1, 0)!;
    const hours = (set.date.getTime() - rise.date.getTime()) / 3_600_000;
    expect(Math.abs(daylightHours(latitude, dayOfYear(date)) - hours) * 60).toBeLessThan(most);
  });
});
