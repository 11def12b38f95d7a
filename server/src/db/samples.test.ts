import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import {
  leftOutWords,
  METRIC,
  preparationWords,
  speakerFor,
  spoken,
  type Saying,
} from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { judgedOn } from '../services/judging.ts';
import type { HistoryPage } from '../history/reading.ts';
import type { ShownDay } from '../routes/days.ts';
import type { ShownTask } from '../services/tasks.ts';
import { testApp, TODAY } from '../testApp.ts';
import { openFile } from './driver.ts';
import { openCollection } from './open.ts';

/** A file as each Fernbank made it that ever changed its tables, the oldest first; once kept, never changed. */
const SAMPLES = join(import.meta.dirname, 'samples');
const names = readdirSync(SAMPLES).sort();

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), '.fernbank-sample-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

function laid(name: string): string {
  const path = join(folder, 'collection.sqlite');
  writeFileSync(path, gunzipSync(readFileSync(join(SAMPLES, name))));
  return path;
}
/** Values of tables that have stood from the first, by what they are. */
function kept(path: string) {
  const file = openFile(path);
  const rows = {
    plants: file.rows('SELECT id, name, taxon, pot, last_repot, note FROM plants ORDER BY id'),
    looks: file.rows('SELECT id, plant_id, date, signals FROM looks ORDER BY id'),
    repots: file.rows('SELECT id, plant_id, date FROM repots ORDER BY id'),
    spots: file.rows('SELECT id, name, latitude_deg, temperature_c FROM spots ORDER BY id'),
  };
  file.close();
  return rows;
}
/** Tables with their columns, in no order. */
function shape(path: string) {
  const file = openFile(path);
  const tables = file
    .rows(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE '\\_\\_%' ESCAPE '\\'",
    )
    .map(({ name }) => [
      name,
      file
        .rows(`PRAGMA table_info("${String(name)}")`)
        .map((column) => column.name)
        .sort(),
    ]);
  file.close();
  return Object.fromEntries(tables) as Record<string, unknown>;
}

describe('a file of an earlier Fernbank', () => {
  it.each(names)('%s opens, loses nothing, and has all that a new one has', (name) => {
    const path = laid(name);
    const before = kept(path);
    expect(before.plants.length).toBeGreaterThan(3);
    openCollection(path).close();
    expect(kept(path)).toEqual(before);
    const fresh = join(folder, 'fresh.sqlite');
    openCollection(fresh).close();
    expect(shape(path)).toEqual(shape(fresh));
    expect(readdirSync(folder)).toContain('collection.before-1.sqlite');
  });

  it('is judged, every plant of it', () => {
    const app = testApp({ at: laid(names[0]!) });
    const { judgements, unjudged } = judgedOn(app.file.db, TODAY);
    expect(unjudged).toEqual([]);
    expect(judgements.length).toBeGreaterThan(3);
    app.file.close();
  });

  it('that kept sentences tells the same from codes: tasks, days, what was taken out', async () => {
    const path = laid('11.sqlite.gz');
    const old = openFile(path);
    const sentences = old.rows('SELECT id, title, why, moved FROM tasks ORDER BY id');
    const [day] = old.rows('SELECT plan FROM days');
    const removed = old.value("SELECT id FROM deeds WHERE what = 'remove a plant'");
    old.close();
    const app = testApp({ at: path });
    const told = (said: Saying | null) => (said === null ? '' : spoken(said, METRIC));
    const { items } = (await app.call.get('/api/tasks?limit=200').expect(200)).body as {
      items: ShownTask[];
    };
    expect(
      items.map(({ id, title, why, moved }) => ({
        id,
        title: told(title),
        why: told(why),
        moved: told(moved),
      })),
    ).toEqual(sentences);
    const kept = items.find(({ rule }) => rule === 'extend')!;
    expect(spoken(kept.title, speakerFor('us'))).toBe('Put 15.7 in on top of its support');

    const before = JSON.parse(String(day!.plan)) as {
      ahead: { text: string }[];
      leftOut: { text: string }[];
    };
    const { plan } = (await app.call.get('/api/days').expect(200)).body.items[0] as ShownDay;
    expect(plan!.ahead.map(preparationWords)).toEqual(before.ahead.map(({ text }) => text));
    expect(plan!.leftOut.map(({ about }) => leftOutWords(about))).toEqual(
      before.leftOut.map(({ text }) => text),
    );

    // A plant that was removed before comes back with its tasks.
    await app.call.post(`/api/history/${String(removed)}/undo`).expect(200);
    const back = (await app.call.get('/api/tasks?limit=200').expect(200)).body.items as ShownTask[];
    expect(back.length).toBeGreaterThan(items.length + 5);
    expect(back.every(({ title }) => told(title).length > 5)).toBe(true);
    const { items: deeds } = (await app.call.get('/api/history').expect(200)).body as HistoryPage;
    expect(deeds.map(({ what }) => what).slice(0, 2)).toEqual([
      'take back: remove a plant',
      'settle a day on the moves that were chosen',
    ]);
    app.file.close();
  });

  it('that cannot be brought up to date says so and is as it was', () => {
    const path = laid(names[0]!);
    const file = openFile(path);
    file.exec('CREATE TABLE components (mine TEXT)');
    file.close();
    const before = readFileSync(path);
    expect(() => openCollection(path)).toThrow(/could not be brought up to date, and is as it was/);
    const again = openFile(path);
    expect(again.value('SELECT count(*) FROM plants')).toBe(6);
    again.close();
    expect(readFileSync(path).length).toBe(before.length);
  });
});
