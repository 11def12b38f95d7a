import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  addDays,
  CHECKPOINTS,
  daysBetween,
  nominalPot,
  rimCm,
  type IsoDate,
  type Signals,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import { afterEach, describe, expect, it } from 'vitest';
import { fillGarden, MONTHS_KEPT } from '../../../demo/fill.ts';
import { PLANTS } from '../../../demo/garden.ts';
import { makeDemo } from '../../../demo/make.ts';
import { pictureFile, PICTURES } from '../../../demo/pictures.ts';
import { batchLookOn } from '../../../demo/starts.ts';
import { lifeOf, storyFrom } from '../../../demo/story.ts';
import { truthOn } from '../../../demo/truth.ts';
import { openCollection } from '../db/open.ts';
import { outcomes, plants, repots } from '../db/schema.ts';
import type { FoundInDemo, FoundInTray } from '../demo.ts';
import { photoFolderOf } from '../place.ts';
import { DRAWN } from '../shipped.ts';
import type { RoundsEntry } from '../services/walk.ts';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

const open: TestApp[] = [];
afterEach(() => {
  for (const app of open.splice(0)) app.close();
});

function writeGarden(path: string): void {
  rmSync(path, { force: true });
  const file = openCollection(path);
  fillGarden(file.db, TODAY);
  file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  file.close();
}
function garden() {
  const demo = storyFrom(TODAY, writeGarden);
  const app = testApp({ garden: true, today: () => demo.day, demo });
  open.push(app);
  const { get, add } = handsOf(() => app);
  const on = async (to: 'day' | 'week' | 'next') =>
    (await app.call.post('/api/demo/on').send({ to }).expect(200)).body.day as IsoDate;
  return { app, get, add, on };
}

describe('time in the demo', () => {
  it('is nobody else’s: a collection of one’s own says that its time is its own', async () => {
    const app = testApp({ garden: true });
    open.push(app);
    for (const path of ['/api/demo', '/api/demo/plants/1/look', '/api/demo/repots/1/outcome']) {
      const { body } = await app.call.get(path).expect(404);
      expect(body.error.message).toMatch(/time is its own/);
    }
    await app.call.post('/api/demo/on').send({ to: 'day' }).expect(404);
    await app.call.post('/api/demo/anew').expect(404);
    expect((await app.call.get('/api/settings')).body.clock).toBe(false);
  });

  it('goes on by a day, a week, and to what comes next', async () => {
    const { app, get, on } = garden();
    expect(await get('/api/settings')).toMatchObject({ clock: true, today: TODAY });
    expect(await on('day')).toBe(addDays(TODAY, 1));
    expect(await on('week')).toBe(addDays(TODAY, 8));
    const { day, begins, next } = await get('/api/demo');
    expect([day, begins]).toEqual([addDays(TODAY, 8), TODAY]);
    expect(daysBetween(day, next)).toBeGreaterThan(0);
    expect(await on('next')).toBe(next);
    expect((await get('/api/rounds')).date).toBe(next);
    await app.call.post('/api/demo/on').send({ to: 'year' }).expect(400);
  });

  it('is tended the same in one step as in many', async () => {
    const [once, bitByBit] = [garden(), garden()];
    await once.on('week');
    for (let day = 0; day < 7; day++) await bitByBit.on('day');
    const logOf = ({ app }: typeof once) =>
      app.file.rows(
        'SELECT plant_id, date, minute, kind, value FROM measurements WHERE date > ? ORDER BY 1, 2, 3',
        TODAY,
      );
    expect(logOf(once)).toEqual(logOf(bitByBit));
    expect(logOf(once).length).toBeGreaterThan(4);
  });

  it('goes on with a repot as was told of it before', async () => {
    const { app } = garden();
    const { db, demo } = app.context;
    const told = db.select().from(outcomes).all();
    const season = CHECKPOINTS.season.days;
    for (const { repotId, grade, seen } of told) {
      const { date } = db.select().from(repots).where(eq(repots.id, repotId)).get()!;
      const later = demo!.outcome(db, repotId, addDays(date, season)).grade;
      // Who only stood firm after three weeks thrives; whose leaves fell never does.
      const firm = grade === 'holdsOn' && !seen.includes('leafLoss');
      expect(later).toBe(firm ? 'thrives' : grade);
    }
    expect(new Set(told.map(({ grade }) => grade)).size).toBeGreaterThan(1);
  });

  it('begins anew as it began, and what was there is kept as a copy', async () => {
    const { app, get, add, on } = garden();
    const atFirst = await get('/api/rounds');
    await on('week');
    const plantId = atFirst.first.plantId;
    await add('/api/visits', { plantId, date: addDays(TODAY, 7), signals: { allFine: true } });
    await app.call.post('/api/demo/anew').expect(200);
    expect(await get('/api/settings')).toMatchObject({ today: TODAY });
    const untimed = (rounds: object) => JSON.stringify(rounds).replaceAll(/"\w+At":"[^"]+",?/g, '');
    expect(untimed(await get('/api/rounds'))).toBe(untimed(atFirst));
    const { items } = await get('/api/copies');
    expect(items.map(({ kind }: { kind: string }) => kind)).toContain('beforeRestore');
  });
});

describe('the tray of the demo', () => {
  it('roots as its starts do: nothing told is taken back, none is lost twice, what is ready gets there', async () => {
    const { app, get, add, on } = garden();
    const living = ({ count, lost, pottedOn }: Batch) => count - lost - pottedOn;
    interface Batch {
      id: number;
      name: string;
      planned: boolean;
      count: number;
      lost: number;
      pottedOn: number;
      advice: { when: string };
      looks: FoundInTray[];
    }
    const tray = async () => (await get('/api/batches/tray')).items as Batch[];
    const planned = (await tray()).find((batch) => batch.planned)!;
    await app.call.get(`/api/demo/batches/${planned.id}/look`).expect(422);
    for (let week = 0; week < 20; week++) {
      const today = await on('week');
      for (const batch of await tray()) {
        if (batch.planned || living(batch) === 0) continue;
        const found: FoundInTray = await get(`/api/demo/batches/${batch.id}/look`);
        const before = batch.looks[0];
        expect(found.rooted, batch.name).toBeGreaterThanOrEqual(before?.rooted ?? 0);
        expect(found.rooted + found.lost, batch.name).toBeLessThanOrEqual(living(batch));
        expect(found.rootCm ?? 0, batch.name).toBeGreaterThanOrEqual(before?.rootCm ?? 0);
        if (found.rooted === 0) expect(found.rootCm, batch.name).toBeNull();
        await add(`/api/batches/${batch.id}/looks`, { date: today, ...found });
        // Asked again that day, nothing more has rotted.
        expect((await get(`/api/demo/batches/${batch.id}/look`)).lost, batch.name).toBe(0);
      }
    }
    const begun = (await tray()).filter((batch) => !batch.planned && living(batch) > 0);
    expect(begun.length).toBeGreaterThan(2);
    for (const batch of begun) expect(['ready', 'late'], batch.name).toContain(batch.advice.when);
  });

  it('is slower in moss than in water, slower with leaves, and loses some of a hundred', () => {
    const started = { name: 'quay', date: TODAY, count: 100, gone: 0, lost: 0, activity: 0.9 };
    const on = (method: 'cutting' | 'leaf' | 'division', medium: 'water' | 'moss', weeks: number) =>
      batchLookOn({ ...started, method, medium, told: null }, addDays(TODAY, 7 * weeks));
    const inWater = on('cutting', 'water', 3);
    expect(inWater.rooted).toBeGreaterThan(on('cutting', 'moss', 3).rooted);
    expect(on('cutting', 'moss', 4).rooted).toBeGreaterThan(on('leaf', 'moss', 4).rooted);
    expect(on('division', 'moss', 1)).toMatchObject({ rooted: 100, lost: 0 });
    const late = on('cutting', 'water', 20);
    expect(late.lost).toBeGreaterThan(4);
    expect(late.lost).toBeLessThan(22);
    expect(late.rooted + late.lost).toBe(100);
  });
});

describe('pictures of the demo', () => {
  it('show a plant as its record has it: never lower than before, and at the end as tall as it is', () => {
    const drawn = Object.entries(PICTURES).flatMap(([name, taken]) =>
      taken.map((_one, which) => pictureFile(name, which)),
    );
    expect(readdirSync(DRAWN).sort()).toEqual(drawn.sort());
    for (const [name, taken] of Object.entries(PICTURES)) {
      const kept = PLANTS.find((plant) => plant.name === name)!;
      const since = kept.repottedMonthsAgo!;
      for (const [i, { monthsAgo, heightCm, rimCm: rim, supportCm }] of taken.entries()) {
        expect(monthsAgo, name).toBeLessThan(taken[i - 1]?.monthsAgo ?? MONTHS_KEPT);
        expect(heightCm, name).toBeGreaterThan(taken[i - 1]?.heightCm ?? 0);
        if (monthsAgo < since) expect([rim, supportCm], name).toEqual([kept.rimCm, kept.supportCm]);
        else expect(rim, name).toBeLessThan(kept.rimCm);
      }
      expect(taken.at(-1)!.heightCm, name).toBe(kept.heightCm);
    }
  });

  it('are there when it is made, and after it began anew with its bin emptied', async () => {
    const folder = mkdtempSync(join(tmpdir(), '.fernbank-'));
    const at = join(folder, 'collection.sqlite');
    const demo = makeDemo(at);
    const app = testApp({ at, today: () => demo.day, demo });
    open.push(app);
    const { get } = handsOf(() => app);
    const newest = async () => (await get('/api/photos')).items as { id: number }[];
    expect(await newest()).toHaveLength(Object.keys(PICTURES).length);
    rmSync(photoFolderOf(at), { recursive: true });
    await app.call.post('/api/demo/anew').expect(200);
    const [{ id }] = (await newest()) as [{ id: number }];
    const { type } = await app.call.get(`/api/photos/${id}`).expect(200);
    expect(type).toBe('image/png');
  });
});

/** What comes later of each, never what was before, as long as the plant stays in its pot. */
const ORDER = {
  rootsAtHoles: ['none', 'one', 'several', 'every', 'mat'],
  bloom: ['bud', 'open', 'fading', 'none'],
} as const;

describe('thirty weeks of the demo, its keeper following what Fernbank says', () => {
  it('show nothing that its truth forbids', async () => {
    const { app, get, add, on } = garden();
    const { db } = app.context;
    const last = new Map<number, { repotted: IsoDate | null; signals: Signals; cm: number }>();
    const seen = { looks: 0, repots: 0, outcomes: 0, full: 0, roomy: 0, ill: 0 };
    let today: IsoDate = TODAY;
    // A quarter of the garden is looked after: of each kind of life there is one among them.
    const all = db.select().from(plants).all();
    for (const [i, { id }] of all.entries()) {
      if (i % 4 !== 0) await app.call.delete(`/api/plants/${id}`).expect(204);
    }

    const lookAt = async (plantId: number) => {
      const found: FoundInDemo = await get(`/api/demo/plants/${plantId}/look`);
      expect(await get(`/api/demo/plants/${plantId}/look`)).toEqual(found);
      await add('/api/visits', { plantId, date: today, ...found });
      const plant = db.select().from(plants).where(eq(plants.id, plantId)).get()!;
      const before = last.get(plantId);
      const cm = found.measurements[0]?.value ?? 0;
      if (before && before.repotted === plant.lastRepot) {
        for (const [id, order] of Object.entries(ORDER)) {
          const at = (signals: Signals) =>
            order.indexOf(signals[id as keyof typeof ORDER] as never);
          expect(at(found.signals), `${plant.name}: ${id}`).toBeGreaterThanOrEqual(
            at(before.signals),
          );
        }
        expect(cm, plant.name).toBeGreaterThanOrEqual(before.cm);
      }
      last.set(plantId, { repotted: plant.lastRepot, signals: found.signals, cm });
      seen.looks += 1;
      const { decision } = await get(`/api/plants/${plantId}/file`);
      const life = lifeOf(db, plant, TODAY);
      const { filled, liveRoots, spent } = truthOn(life, today);
      const { crowded, mediumFailing } = decision.states;
      if (filled > 0.95 && !life.traits.snug) {
        seen.full += 1;
        expect(crowded, `${plant.name} is full`).toBeGreaterThan(0.5);
      }
      if (filled < 0.65) {
        seen.roomy += 1;
        expect(crowded, `${plant.name} has room`).toBeLessThan(0.5);
      }
      if (spent < 0.6 && liveRoots === 1) {
        expect(mediumFailing, `the mix of ${plant.name} is good`).toBeLessThan(0.5);
      }
      if (liveRoots < 0.5) seen.ill += 1;
      const rescue = decision.headline === 'rescueNow';
      if (liveRoots === 1) expect(rescue, `${plant.name} is well`).toBe(false);
    };
    const repotIt = async (plantId: number) => {
      const plant = db.select().from(plants).where(eq(plants.id, plantId)).get()!;
      const pot = nominalPot(Math.round(rimCm(plant.pot) * 1.2));
      const { mediumKind, recipeId } = plant;
      await add('/api/repots', {
        plantId,
        date: today,
        pot,
        mediumKind,
        recipeId,
        drawStock: false,
      });
      seen.repots += 1;
    };
    const judge = async (repotId: number) => {
      const judged = await get(`/api/demo/repots/${repotId}/outcome`);
      await add('/api/outcomes', { repotId, date: today, ...judged });
      seen.outcomes += 1;
    };

    for (let week = 0; week < 30; week++) {
      const { spots } = await get('/api/rounds');
      const entries = spots.flatMap(({ plants: asking }: { plants: RoundsEntry[] }) => asking);
      for (const { plantId, asks } of entries as RoundsEntry[]) {
        const asksFor = (kind: string) => asks.some((ask) => ask.kind === kind);
        // On the first walk everything is looked at.
        if (week === 0 || asksFor('look')) await lookAt(plantId);
        if (asksFor('act')) {
          const { decision } = await get(`/api/plants/${plantId}/file`);
          if (/repotNow|rescueNow/.test(decision.headline)) await repotIt(plantId);
        }
        for (const ask of asks) {
          if (ask.kind !== 'task') continue;
          const { rule, repotId, id } = ask.task;
          const at = CHECKPOINTS[rule as keyof typeof CHECKPOINTS];
          const repotted = app.file.value('SELECT date FROM repots WHERE id = ?', repotId);
          const days = daysBetween(String(repotted), today);
          if (at && repotId !== null && days >= at.from && days <= at.until) await judge(repotId);
          else await app.call.patch(`/api/tasks/${id}`).send({ done: today }).expect(200);
        }
      }
      today = await on('week');
    }
    expect(seen.looks).toBeGreaterThan(60);
    expect(seen.repots).toBeGreaterThan(8);
    expect(seen.outcomes).toBeGreaterThan(8);
    for (const kind of ['full', 'roomy', 'ill'] as const) expect(seen[kind]).toBeGreaterThan(0);
  });
});
