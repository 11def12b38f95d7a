import { mkdtempSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  component,
  factorOf,
  FACTORS,
  guessColumns,
  procedure,
  resolveTaxon,
  type Practice,
} from '@fernbank/core';
import { pino } from 'pino';
import { createApp } from '../app.ts';
import { contextOf } from '../context.ts';
import { openCollection } from '../db/open.ts';
import { Journal } from '../history/journal.ts';

/*
 * What follows from each row of added.ts, asked of the program that was made with them. It is a program of
 * its own: what it found is written as one line.
 */

const path = join(mkdtempSync(join(tmpdir(), '.fernbank-')), 'collection.sqlite');
const file = openCollection(path);
const journal = new Journal(file);
const today = () => '2026-03-16' as const;
const context = contextOf({ file, path, journal, today, version: 'tried' });
const server = createApp(context, pino({ level: 'silent' })).listen(0, '127.0.0.1');
await new Promise((listens) => server.once('listening', listens));
const { port } = server.address() as AddressInfo;

type Answer = { status: number; body: Record<string, unknown> };
async function call(method: string, to: string, body?: object): Promise<Answer> {
  const response = await fetch(`http://127.0.0.1:${port}/api${to}`, {
    method,
    headers: { 'Content-Type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  return { status: response.status, body: (await response.json()) as Answer['body'] };
}
const itemsAt = async (to: string) =>
  (await call('GET', to)).body.items as Record<string, unknown>[];

const spot = await call('POST', '/spots', { name: 'Sill', latitudeDeg: 54 });
const plant = await call('POST', '/plants', {
  name: 'Bollard',
  taxon: 'Marrowia quayensis',
  spotId: spot.body.id,
  pot: { shape: 'hexagonal', topAcrossCm: 14, heightCm: 12 },
  mediumKind: 'peatSoil',
});
const plantId = plant.body.id;
const look = await call('POST', '/looks', {
  plantId,
  date: today(),
  signals: { wireGrownIn: true },
});
const verdict = await call('GET', `/plants/${String(plantId)}/file`);
const measured = await call('POST', '/measurements', {
  plantId,
  kind: 'girthCm',
  value: 11,
  date: today(),
});
const tooThick = await call('POST', '/measurements', {
  plantId,
  kind: 'girthCm',
  value: 301,
  date: today(),
});
const known = await call('PATCH', '/components/coir', {
  own: { springShare: { value: 0.4, on: today() } },
});
const settings = await call('PATCH', '/settings', { saucerSchool: 'left' });
const plantSchool = await call('PATCH', `/plants/${String(plantId)}`, {
  schools: { saucer: 'left' },
});
const steps = procedure({
  traits: resolveTaxon('Marrowia quayensis')!.traits,
  signals: {},
  from: 'peatSoil',
  to: 'peatSoil',
  work: 'ballKept',
  pieces: 1,
  rootsPruned: false,
  potMaterial: 'plastic',
  depth: { layerCm: 0, bedCm: 3, levelCm: 12, headspaceCm: 1.4, screenCm: 9 },
  layer: 'screen',
  components: [component('pottingSoil')],
  newMediumL: 1.2,
  support: null,
  wetKg: 2,
}).map(({ id }) => id as string);
const factors = Object.keys(FACTORS);

console.log(
  JSON.stringify({
    'a signal': [look.status, JSON.stringify(verdict.body).includes('a wire is grown in')],
    'a pot shape': [plant.status, (plant.body.pot as { shape?: string } | undefined)?.shape],
    'a number that components have': [
      known.status,
      (known.body.own as Record<string, { value: number }> | undefined)?.springShare?.value,
    ],
    'a component or recipe': [
      (await itemsAt('/components')).find(({ id }) => id === 'corkCrumb')?.label,
      (await itemsAt('/recipes')).find(({ id }) => id === 'corky')?.label,
    ],
    'a kind of plant': [
      (await itemsAt('/taxa?q=quay')).map(({ name }) => name),
      resolveTaxon('Marrowia quayensis')?.traits.floorC,
    ],
    // At its place in the order, wherever its rule stands.
    'a step of a procedure': steps.filter((id) =>
      ['squeezePot', 'brushOff', 'keepBall'].includes(id),
    ),
    'what is measured beside a look': [measured.status, tooThick.status],
    'what outcomes are told apart by': factors
      .filter((id) => id === 'groupOfPlant')
      .map((id) => factorOf({ group: 'fern' } as Practice, id as keyof typeof FACTORS)),
    'a question on which keepers differ': [
      settings.body.saucerSchool,
      plantSchool.status,
      (await call('PATCH', '/settings', { saucerSchool: 'licked' })).status,
    ],
    'a heading that a CSV may have': guessColumns(['What we call it', 'Species'], [], 'metric')
      .columns[0]?.field,
  }),
);
server.close();
file.close();
process.exit(0);
