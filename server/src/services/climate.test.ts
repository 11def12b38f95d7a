import { addDays } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testApp, TODAY, type TestApp } from '../testApp.ts';
import { climateOf, keepReadings, thinReadings } from './climate.ts';

let app: TestApp;
let spotId: number;
beforeEach(async () => {
  app = testApp();
  spotId = Number(
    (await app.call.post('/api/spots').send({ name: 'Glass porch', latitudeDeg: 54 })).body.id,
  );
});
afterEach(() => app.close());

const LONG_AGO = addDays(TODAY, -100);
const LATELY = addDays(TODAY, -2);
const at = (date: string, hour: number, temperatureC: number, relativeHumidity: number) => ({
  at: `${date}T${String(hour).padStart(2, '0')}:00:00.000Z`,
  temperatureC,
  relativeHumidity,
});
const rows = () => Number(app.file.value('SELECT count(*) FROM readings'));
const READ = [
  at(LONG_AGO, 6, 12, 0.75),
  at(LONG_AGO, 12, 24, 0.5),
  at(LONG_AGO, 20, 18, 0.25),
  at(LATELY, 6, 15, 0.75),
  at(LATELY, 18, 21, 0.25),
];

describe('readings of long ago', () => {
  beforeEach(() => {
    keepReadings(app.file.db, spotId, READ);
  });

  it('become one row a day with mean, lowest and highest; what is new stays one by one', () => {
    thinReadings(app.file, TODAY);
    expect(rows()).toBe(3);
    expect(climateOf(app.file.db, spotId)).toMatchObject({
      count: 5,
      days: [
        { date: LONG_AGO, lowC: 12, meanC: 18, highC: 24, relativeHumidity: 0.5 },
        { date: LATELY, lowC: 15, meanC: 18, highC: 21, relativeHumidity: 0.5 },
      ],
    });
  });

  it('tell the same climate after as before, however often', () => {
    const before = climateOf(app.file.db, spotId);
    thinReadings(app.file, TODAY);
    thinReadings(app.file, TODAY);
    expect(climateOf(app.file.db, spotId)).toEqual(before);
  });

  it('count one that comes late by its share, also once the day is one row', () => {
    thinReadings(app.file, TODAY);
    keepReadings(app.file.db, spotId, [at(LONG_AGO, 3, 6, 1)]);
    const day = { date: LONG_AGO, lowC: 6, meanC: 15, highC: 24, relativeHumidity: 0.625 };
    expect(climateOf(app.file.db, spotId).days[0]).toEqual(day);
    thinReadings(app.file, TODAY);
    expect(rows()).toBe(3);
    expect(climateOf(app.file.db, spotId).days[0]).toEqual(day);
  });

  it('of another spot on that day stay its own', async () => {
    const other = Number(
      (await app.call.post('/api/spots').send({ name: 'Cellar', latitudeDeg: 54 })).body.id,
    );
    keepReadings(app.file.db, other, [at(LONG_AGO, 6, 8, 0.75), at(LONG_AGO, 18, 10, 0.5)]);
    thinReadings(app.file, TODAY);
    expect(climateOf(app.file.db, other).days).toEqual([
      { date: LONG_AGO, lowC: 8, meanC: 9, highC: 10, relativeHumidity: 0.625 },
    ]);
  });
});
