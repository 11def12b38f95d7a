import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openReader } from '../db/driver.ts';
import { followForeign } from '../history/touched.ts';
import { testApp, TODAY, type TestApp } from '../testApp.ts';
import { plants } from '../db/schema.ts';
import { judgedOn, judgedWithin, type Judged } from './judging.ts';
import { roundsOf } from './rounds.ts';

let app: TestApp;
/** More plants than are judged at once. */
function growMany(): void {
  const { db } = app.file;
  const [{ id: _, ...like }] = db.select().from(plants).limit(1).all() as [
    typeof plants.$inferSelect,
  ];
  for (let i = 0; i < 5; i++) {
    db.insert(plants)
      .values(Array.from({ length: 60 }, () => ({ ...like, spotId: 1 + (i % 3) })))
      .run();
  }
}
/** Runs with a reader who remembers nothing. */
function anew<T>(run: (db: typeof app.file.db) => T): T {
  const file = openReader(app.path);
  followForeign(file.db, 0);
  try {
    return run(file.db);
  } finally {
    file.close();
  }
}
beforeEach(() => (app = testApp({ garden: true })));
afterEach(() => app.close());

const inShort = ({ judgements, unjudged }: Judged) => ({
  judged: judgements.map(({ file, decision, lookDue }) => [
    file.plant.id,
    file.spot.id,
    decision.headline,
    decision.costOfWaiting,
    lookDue,
  ]),
  unjudged,
});

describe('what is remembered of the collection', () => {
  const deeds: [what: string, path: string, method: 'post' | 'patch' | 'delete', body?: object][] =
    [
      ['a look', '/api/looks', 'post', { plantId: 5, date: TODAY, signals: { smell: 'sour' } }],
      ['another spot', '/api/plants/7', 'patch', { spotId: 1 }],
      ['the way of the walk', '/api/spots/1', 'patch', { sortOrder: 99 }],
      ['a plant that is gone', '/api/plants/9', 'delete'],
      ['a cooler spot', '/api/spots/2', 'patch', { temperatureC: 9 }],
    ];

  it('is after every deed what is judged anew, in the order of the walk', async () => {
    judgedOn(app.file.db, TODAY);
    roundsOf(app.file.db, TODAY);
    for (const [what, path, method, body] of deeds) {
      const { status } = await app.call[method](path).send(body);
      expect([what, status < 300]).toEqual([what, true]);
      const { judged, rounds } = anew((db) => ({
        judged: inShort(judgedOn(db, TODAY)),
        rounds: roundsOf(db, TODAY),
      }));
      expect(inShort(judgedOn(app.file.db, TODAY)), what).toEqual(judged);
      expect(roundsOf(app.file.db, TODAY), what).toEqual(rounds);
    }
  });

  it('begins with the first stops, goes on where it was left, and comes to the same whatever was done meanwhile', async () => {
    growMany();
    const whole = anew((db) => inShort(judgedOn(db, TODAY)));
    const first = judgedWithin(app.file.db, TODAY, 0);
    expect(first.toCome.length).toBeGreaterThan(100);
    // What is judged is the beginning of the walk, each as it stays.
    const begun = inShort(first).judged;
    expect(begun.length).toBeGreaterThan(50);
    expect(begun).toEqual(whole.judged.slice(0, begun.length));
    const told = roundsOf(app.file.db, TODAY, { each: 3 });
    expect(told.toCome).toBeLessThan(first.toCome.length);
    for (const [what, path, method, body] of deeds) {
      judgedWithin(app.file.db, '2026-03-17', 0);
      await app.call[method](path).send(body);
      const left = judgedWithin(app.file.db, '2026-03-17', 0).toCome.length;
      expect([what, judgedWithin(app.file.db, '2026-03-17', 0).toCome.length]).toEqual([
        what,
        Math.max(0, left - 100),
      ]);
    }
    expect(inShort(judgedOn(app.file.db, '2026-03-17'))).toEqual(
      anew((db) => inShort(judgedOn(db, '2026-03-17'))),
    );
  });
});
