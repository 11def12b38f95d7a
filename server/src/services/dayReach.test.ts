import { addDays } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testApp, TODAY, type TestApp } from '../testApp.ts';
import { askedOf, type DayAsk } from './dayReach.ts';
import { judgedOn, type Judgement } from './judging.ts';

let app: TestApp;
beforeEach(() => (app = testApp({ garden: true })));
afterEach(() => app.close());

const ASK: DayAsk = {
  dates: [{ date: addDays(TODAY, 7), minutes: 60 }],
  hands: 1,
  money: null,
  cleaning: 'rinse',
  nextChance: addDays(TODAY, 35),
  pins: [],
};

/** A house with one plant of the garden so many times over. */
function manyOf(count: number): Judgement[] {
  const { judgements } = judgedOn(app.file.db, TODAY);
  const wanting = judgements.find(({ decision }) => decision.headline === 'repotNow')!;
  return Array.from({ length: count }, (_, i) => ({
    ...wanting,
    file: { ...wanting.file, plant: { ...wanting.file.plant, id: i + 1 } },
  }));
}
const idsOf = (asked: readonly Judgement[]) => asked.map(({ file }) => file.plant.id);

describe('whom a day is chosen among', () => {
  it('is fewer than all where the minutes never suffice; the others are told why', () => {
    const { asked, notAsked } = askedOf(
      { judgements: manyOf(500), unjudged: [] },
      new Map(),
      ASK,
      TODAY,
    );
    expect(asked.length).toBeLessThan(500);
    expect(asked.length + notAsked.length).toBe(500);
    expect(notAsked[0]!.text).toContain('the minutes do not suffice');
  });

  it('is everything that was pinned, however much that is', () => {
    const pins = Array.from({ length: 450 }, (_, i) => ({
      kind: 'in' as const,
      plant: 500 - i,
    }));
    const { asked } = askedOf(
      { judgements: manyOf(500), unjudged: [] },
      new Map(),
      { ...ASK, pins },
      TODAY,
    );
    for (const { plant } of pins) expect(idsOf(asked)).toContain(plant);
  });

  it('leaves out whom it cannot judge, in words for a keeper', () => {
    const { asked, notAsked } = askedOf(
      {
        judgements: [],
        unjudged: [
          { plantId: 3, name: 'Turnstile', spotId: 1, spot: 'Porch', why: 'fillHeightCm: NaN' },
        ],
      },
      new Map(),
      ASK,
      TODAY,
    );
    expect(asked).toEqual([]);
    expect(notAsked[0]!.name).toBe('Turnstile');
    expect(notAsked[0]!.text).not.toContain('fillHeightCm');
  });
});
