import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { judgedOn } from '../services/judging.ts';
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
