import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openReader } from '../db/driver.ts';
import { followForeign } from '../history/touched.ts';
import { testApp, TODAY, type TestApp } from '../testApp.ts';
import { judgedOn, type Judged } from './judging.ts';
import { roundsOf } from './rounds.ts';

let app: TestApp;
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
      const anew = openReader(app.path);
      followForeign(anew.db, 0);
      try {
        expect(inShort(judgedOn(app.file.db, TODAY)), what).toEqual(
          inShort(judgedOn(anew.db, TODAY)),
        );
        expect(roundsOf(app.file.db, TODAY), what).toEqual(roundsOf(anew.db, TODAY));
      } finally {
        anew.close();
      }
    }
  });
});
