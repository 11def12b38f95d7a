import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from '../app.ts';
import { openFile } from '../db/driver.ts';
import { ReaderApart, ReaderHere } from '../reader/reader.ts';
import { threadOf } from '../shipped.ts';
import { testApp, TODAY, type TestApp } from '../testApp.ts';
import type { AskedSum } from './sums.ts';
import { textOf, Thread } from './thread.ts';

let app: TestApp;
let reader: ReaderApart;
beforeAll(() => {
  app = testApp({ garden: true });
  reader = new ReaderApart(app.file, app.path, threadOf('reader.js', 'reader/worker.ts'));
});
afterAll(async () => {
  await reader.end();
  app.close();
});

describe('the reader in a thread of its own', () => {
  const here = () => new ReaderHere(app.file);

  it('answers as it would here', async () => {
    for (const question of ['rounds', 'verdicts', 'reservoirs', 'plans'] as const) {
      const params = { date: TODAY };
      expect(await reader.ask(question, params), question).toEqual(
        await here().ask(question, params),
      );
    }
  });

  it('sends long answers packed to one who can unpack them, the same to one who cannot', async () => {
    const context = { ...app.context, reader };
    const server = request(createApp(context, pino({ level: 'silent' })));
    const packed = await server.get('/api/verdicts').expect('Content-Encoding', 'gzip');
    const plain = await server.get('/api/verdicts').set('Accept-Encoding', 'identity');
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(packed.body).toEqual(plain.body);
    expect(plain.body.items.length).toBeGreaterThan(20);
  });

  it('follows what is written through the journal, and past it', async () => {
    const headline = async (id: number) =>
      (await reader.ask('verdicts', { date: TODAY })).items.find(({ plantId }) => plantId === id)!
        .headline;
    const quiet = (await reader.ask('verdicts', { date: TODAY })).items.findLast(
      (one) => one.headline === 'leave',
    )!.plantId;
    const signals = { smell: 'sour', liveRoots: 0.1 };
    await app.call.post('/api/looks').send({ plantId: quiet, date: TODAY, signals }).expect(201);
    expect(await headline(quiet)).toBe('rescueNow');
    const other = openFile(app.path);
    other.run('DELETE FROM looks WHERE plant_id = ? AND date = ?', quiet, TODAY);
    other.close();
    expect(await headline(quiet)).toBe('leave');
  });

  it('refuses in the words of who refuses', async () => {
    await expect(reader.ask('fitting', { plantId: 9999, date: TODAY })).rejects.toMatchObject({
      status: 404,
      code: 'notFound',
      message: 'plant 9999 was not found',
    });
    expect((await reader.ask('rounds', { date: TODAY })).toCome).toBe(0);
  });

  it('does not begin what nobody waits for any more', async () => {
    const gone = new AbortController();
    const first = reader.ask('verdicts', { date: '2026-09-01' });
    const second = reader.ask('verdicts', { date: '2026-11-01' }, gone.signal);
    gone.abort();
    await expect(second).rejects.toMatchObject({ code: 'gone' });
    await first;
  });
});

/** Two pieces of 55 cm out of one bar of 120 cm, whatever the saw takes. */
const ONE_BAR = { stockUsed: 1, wasteCm: 10, optimal: true };

describe('a heavy sum', () => {
  /** Twelve lengths that share no measure: the proof of the least waste takes long. */
  const pieces = Array.from({ length: 40 }, (_, i) => ({ lengthCm: 31.7 + 1.37 * i, count: 97 }));
  const cuts = (body: object): (() => AskedSum) => {
    return () => ({ path: '/cuts', body });
  };

  it('is given up after its budget; what stays within one is worked out', async () => {
    // Its thread reads its sources first: on a busy machine that alone takes seconds.
    const sums = new Thread(threadOf('sums.js', 'threads/sums.ts'), null, { budgetMs: 60_000 });
    const small = { stockCm: [120], pieces: [{ lengthCm: 55, count: 2 }], kerfCm: 0.3 };
    expect(JSON.parse(textOf(await sums.ask(cuts(small))))).toMatchObject(ONE_BAR);
    const impatient = new Thread(threadOf('sums.js', 'threads/sums.ts'), null, { budgetMs: 1 });
    await expect(
      impatient.ask(cuts({ stockCm: [211.3, 307.9, 401.1], pieces, kerfCm: 0.37 })),
    ).rejects.toMatchObject({ status: 422, code: 'tooMuch' });
    await Promise.all([sums.end(), impatient.end()]);
  });

  it('is stopped when who asked has gone', async () => {
    const sums = new Thread(threadOf('sums.js', 'threads/sums.ts'), null, { letGo: true });
    const gone = new AbortController();
    const asked = sums.ask(cuts({ stockCm: [211.3, 307.9], pieces, kerfCm: 0.37 }), {
      signal: gone.signal,
    });
    gone.abort();
    await expect(asked).rejects.toMatchObject({ code: 'gone' });
    const small = { stockCm: [120], pieces: [{ lengthCm: 55, count: 2 }], kerfCm: 0.3 };
    expect(JSON.parse(textOf(await sums.ask(cuts(small))))).toMatchObject(ONE_BAR);
    await sums.end();
  });
});
