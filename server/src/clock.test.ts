import { afterEach, describe, expect, it } from 'vitest';
import { localToday } from './clock.ts';
import { testApp } from './testApp.ts';

const home = process.env.TZ;
afterEach(() => {
  if (home === undefined) delete process.env.TZ;
  else process.env.TZ = home;
});

/** 16 March 2026, 03:30 UTC, as calendars on walls have it. */
const MOMENT = '2026-03-16T03:30:00Z';
const WALLS: [zone: string, day: string][] = [
  ['America/Los_Angeles', '2026-03-15'],
  ['America/St_Johns', '2026-03-16'],
  ['Asia/Kathmandu', '2026-03-16'],
  ['Pacific/Kiritimati', '2026-03-16'],
  ['Pacific/Pago_Pago', '2026-03-15'],
];

describe('the keeper’s day', () => {
  it('is where this project’s tests live', () => {
    // By its offset: zones have older names too.
    const told = new Intl.DateTimeFormat('en', { timeZone: process.env.TZ!, timeStyle: 'short' });
    const local = new Intl.DateTimeFormat('en', { timeStyle: 'short' });
    expect(process.env.TZ).not.toBe('UTC');
    expect(local.format(new Date(MOMENT))).toBe(told.format(new Date(MOMENT)));
  });

  it.each(WALLS)('is that of the wall in %s', (zone, day) => {
    process.env.TZ = zone;
    expect(localToday(new Date(MOMENT))).toBe(day);
  });

  it.each(WALLS)('a sensor that reads now is taken in %s, one of tomorrow is not', async (zone) => {
    process.env.TZ = zone;
    const now = new Date('2026-03-16T18:00:00Z');
    const app = testApp({ garden: true, today: localToday(now) });
    const reading = (at: Date) =>
      app.call.post('/api/spots/1/readings').send({
        readings: [{ at: at.toISOString(), temperatureC: 20, relativeHumidity: 0.5 }],
      });
    await reading(now).expect(201);
    // Late in the evening, whatever day it is in UTC by then.
    const evening = new Date(`${localToday(now)}T23:40:00`);
    await reading(evening).expect(201);
    await reading(new Date(evening.getTime() + 3_600_000)).expect(422);
    app.close();
  });
});
