import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  activityOn,
  addDays,
  checkSpot,
  dayNumber,
  daylightHours,
  daysBetween,
  mondayOf,
  nextWindow,
  RHYTHMS,
  seasonAhead,
  temperatureOn,
  TYPICAL_SPOT,
  type SeasonTraits,
  type Spot,
} from './index.ts';

const sill: Spot = { ...TYPICAL_SPOT, latitudeDeg: 54 };
const leafy: SeasonTraits = {
  rhythm: 'evergreen',
  growsFromC: 11,
  growsFullyC: 19,
  hotC: 36,
  window: 'growing',
};

describe('calendar', () => {
  it.each(['2026-02-30', '2026-13-01', '26-01-01', 'tomorrow', ''])('%s is no day', (date) => {
    expect(() => dayNumber(date)).toThrow(RangeError);
  });

  it('a leap day is a day', () => {
    expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
  });

  it('a week is named by its Monday', () => {
    expect(mondayOf('2026-03-17')).toBe('2026-03-16');
    expect(mondayOf('2026-03-16')).toBe('2026-03-16');
    expect(mondayOf('2026-03-22')).toBe('2026-03-16');
    expect(mondayOf('1969-12-31')).toBe('1969-12-29');
  });

  it('adding days and counting them agree', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 5000 }), (days) => {
        expect(daysBetween('2026-11-24', addDays('2026-11-24', days))).toBe(days);
      }),
    );
  });
});

describe('season', () => {
  it('polar day is 24 h and polar night 0', () => {
    expect(daylightHours(80, 172)).toBe(24);
    expect(daylightHours(80, 355)).toBe(0);
  });

  it('an evergreen on a sill at 54° N is active in June, hardly in December', () => {
    expect(activityOn(sill, leafy, '2026-06-20').activity).toBeGreaterThan(0.9);
    expect(activityOn(sill, leafy, '2026-12-20').activity).toBeLessThan(0.35);
  });

  it('a lamp of twelve hours makes December like June', () => {
    const lit = { ...sill, lampHours: 12 };
    expect(activityOn(lit, leafy, '2026-12-20').activity).toBeGreaterThan(0.95);
  });

  it('the scarcer of light and warmth rules', () => {
    const cold = { ...sill, temperatureC: 12 };
    expect(activityOn(cold, leafy, '2026-06-20').activity).toBeCloseTo(1 / 8, 6);
  });

  it('autumn is not spring run backwards: at equal daylight, spring is the readier', () => {
    const march = seasonAhead(sill, leafy, '2026-03-20', 1).readiness[0]!;
    const september = seasonAhead(sill, leafy, '2026-09-22', 1).readiness[0]!;
    expect(march).toBeGreaterThan(september + 0.15);
  });

  it('a winter grower is readier in November than in June', () => {
    const winter: SeasonTraits = {
      ...leafy,
      rhythm: 'winterGrowing',
      growsFromC: 5,
      growsFullyC: 14,
    };
    const bright: Spot = { ...sill, light: 'sun', latitudeDeg: 38 };
    expect(activityOn(bright, winter, '2026-11-20').activity).toBeGreaterThan(
      1.5 * activityOn(bright, winter, '2026-06-20').activity,
    );
  });

  it('the other hemisphere has the other half of the year', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 360 }),
        fc.constantFrom(...(Object.keys(RHYTHMS) as (keyof typeof RHYTHMS)[])),
        (days, rhythm) => {
          const plant: SeasonTraits = { ...leafy, rhythm };
          const date = addDays('2026-01-01', days);
          const north = activityOn(sill, plant, date).activity;
          const south = activityOn(
            { ...sill, latitudeDeg: -54 },
            plant,
            addDays(date, 182),
          ).activity;
          // The year's ellipse makes southern summers about 7 % stronger in radiation.
          expect(Math.abs(north - south)).toBeLessThan(0.08);
        },
      ),
    );
  });

  it('activity and readiness stay within 0 and 1 anywhere, any day', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -30, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 24, noNaN: true }),
        fc.integer({ min: 0, max: 730 }),
        (latitudeDeg, temperatureC, lampHours, days) => {
          const spot = { ...sill, latitudeDeg, temperatureC, lampHours };
          const { activity, readiness } = seasonAhead(spot, leafy, addDays('2026-01-01', days), 4);
          for (const value of [...activity, ...readiness]) {
            expect(value).toBeGreaterThanOrEqual(0);
            expect(value).toBeLessThanOrEqual(1);
          }
        },
      ),
    );
  });

  it('the next window from January opens in late winter or spring', () => {
    const season = seasonAhead(sill, leafy, '2026-01-05', 52);
    const window = nextWindow(season, '2026-01-05')!;
    expect(window.from >= '2026-02-15' && window.from <= '2026-04-15').toBe(true);
    expect(window.to >= '2026-08-01' && window.to <= '2026-10-15').toBe(true);
  });

  it('months of temperature are met in their middle and joined between', () => {
    const monthly = [4, 4, 6, 9, 12, 15, 17, 17, 14, 11, 7, 5];
    expect(temperatureOn({ temperatureC: monthly }, 46)).toBeCloseTo(4, 1);
    expect(temperatureOn({ temperatureC: monthly }, 198)).toBeCloseTo(17, 1);
    const endOfMarch = temperatureOn({ temperatureC: monthly }, 91);
    expect(endOfMarch).toBeGreaterThan(6.5);
    expect(endOfMarch).toBeLessThan(8.5);
  });

  it.each([
    [{ latitudeDeg: 91 }, /latitudeDeg/],
    [{ relativeHumidity: 50 }, /relativeHumidity/],
    [{ lampHours: 25 }, /lampHours/],
    [{ temperatureC: 80 }, /temperatureC/],
    [{ temperatureC: [1, 2, 3] }, /one value or twelve/],
  ])('a spot with %j is refused by name', (wrong, message) => {
    expect(() => checkSpot({ ...sill, ...wrong })).toThrow(message);
  });
});
