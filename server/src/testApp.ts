import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { addDays, type IsoDate } from '@fernbank/core';
import type { Express } from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { fillGarden } from '../../demo/fill.ts';
import { createApp } from './app.ts';
import type { OpenFile } from './db/driver.ts';
import { openCollection } from './db/open.ts';
import { deedThatBrought } from './history/dependents.ts';
import { Journal } from './history/journal.ts';
import { contextOf, type Context } from './context.ts';
import type { Demo } from './demo.ts';
import { Door } from './door/door.ts';
import { checkedAnswers } from './openapi/checkedAnswers.ts';

/** An application on a collection of its own, on a day that stands still. */
export interface TestApp {
  call: ReturnType<typeof request>;
  app: Express;
  context: Context;
  file: OpenFile;
  journal: Journal;
  path: string;
  close(): void;
}

interface TestOptions {
  garden?: boolean;
  /** a day that stands still, or the clock to ask */
  today?: IsoDate | (() => IsoDate);
  /** the garden's time goes on when asked */
  demo?: Demo;
  /** a collection that is there already, as another start would find it */
  at?: string;
}

export const TODAY: IsoDate = '2026-03-16';

export function testApp(options: TestOptions = {}): TestApp {
  const filledOn = options.garden ? dayOf(options) : null;
  const place = options.at ? placeAt(options.at) : newPlace(filledOn);
  return served(place, null, options);
}

const dayOf = ({ today = TODAY }: TestOptions): IsoDate =>
  typeof today === 'string' ? today : today();

/** A guess that costs a test nothing. */
export const CHEAP_GUESS = { N: 2 ** 10, r: 8, p: 1 };

/** The same behind a door: other machines may reach it. */
export async function guardedApp(passphrase: string, now?: () => number): Promise<TestApp> {
  const place = newPlace();
  return served(place, await Door.hang(place.file.db, passphrase, now, CHEAP_GUESS), {});
}

const placeAt = (path: string) => ({ folder: dirname(path), path, file: openCollection(path) });

function newPlace(filledOn: IsoDate | null = null) {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-'));
  const path = join(folder, 'collection.sqlite');
  writeFileSync(path, master(filledOn));
  return placeAt(path);
}

/** Collections that were made once, empty or with the garden of a day: laying one down is ten times quicker. */
const masters = new Map<IsoDate | null, Buffer>();
function master(filledOn: IsoDate | null): Buffer {
  const made = masters.get(filledOn);
  if (made) return made;
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-'));
  const path = join(folder, 'collection.sqlite');
  const file = openCollection(path);
  if (filledOn) fillGarden(file.db, filledOn);
  file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  file.close();
  const bytes = readFileSync(path);
  rmSync(folder, { recursive: true });
  masters.set(filledOn, bytes);
  return bytes;
}

function served(
  { folder, path, file }: ReturnType<typeof newPlace>,
  door: Door | null,
  options: TestOptions,
): TestApp {
  const today = () => dayOf(options);
  const journal = new Journal(file);
  const { demo = null } = options;
  const context = contextOf({ file, path, journal, door, today, version: 'test', demo });
  const app = checkedAnswers(createApp(context, pino({ level: 'silent' })));
  return {
    context,
    call: request(app),
    app,
    file,
    journal,
    path,
    close: () => {
      file.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Takes back the deed that brought a row, as a page does that shows it. */
export function takeRowBack(app: TestApp, of: string, id: number) {
  return app.call.post(`/api/history/${deedThatBrought(app.file, of, id)}/undo`);
}

export const ROUND_POT = {
  shape: 'round',
  topDiameterCm: 14,
  baseDiameterCm: 10,
  heightCm: 12,
} as const;

/** What tests of records do again and again: a plant on a sill, and its repot 24 days ago. */
export function handsOf(app: () => TestApp) {
  const get = async (path: string) => (await app().call.get(path).expect(200)).body;
  const add = async (path: string, body: object) =>
    (await app().call.post(path).send(body).expect(201)).body;
  const refused = async (path: string, body: object) => {
    const { status, body: answer } = await app().call.post(path).send(body);
    return [status, answer.error?.field ?? answer.error?.code, answer.error?.message] as const;
  };
  /** The entry of the history that a write became. */
  const deedOf = ({ headers }: { headers: Record<string, string> }) =>
    Number(headers['x-fernbank-deed']);
  const undo = (deed: number, body: object = {}) =>
    app().call.post(`/api/history/${deed}/undo`).send(body);
  const ago = (days: number) => addDays(TODAY, -days);

  async function addPlant(over: object = {}) {
    const { items } = await get('/api/spots');
    const spot = items[0] ?? (await add('/api/spots', { name: 'East sill', latitudeDeg: 54 }));
    return add('/api/plants', {
      name: 'Gangway',
      taxon: 'Aspidistra elatior',
      spotId: spot.id,
      pot: ROUND_POT,
      mediumKind: 'peatSoil',
      lastRepot: '2024-05-01',
      ...over,
    });
  }
  const repot = (plantId: number, over: object = {}) =>
    add('/api/repots', {
      plantId,
      date: ago(24),
      pot: { ...ROUND_POT, topDiameterCm: 17, heightCm: 14 },
      mediumKind: 'peatSoil',
      recipeId: 'everyday',
      ...over,
    });
  return { get, add, refused, addPlant, repot, ago, deedOf, undo };
}
