import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { OpenAPIClientAxios, type Document } from 'openapi-client-axios';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
let server: Server;
beforeAll(async () => {
  app = testApp();
  await new Promise<void>((resolve) => (server = app.app.listen(0, '127.0.0.1', () => resolve())));
});
afterAll(() => {
  server.close();
  app.close();
});

describe('a client that others made, from the description alone', () => {
  it('adds a spot and a plant, looks at it, and reads the rounds', async () => {
    const { port } = server.address() as AddressInfo;
    const at = `http://127.0.0.1:${port}/api`;
    const definition = (await (await fetch(`${at}/openapi.json`)).json()) as Document;
    const client = await new OpenAPIClientAxios({
      definition,
      withServer: { url: at },
    }).init();
    const call = async (name: string, params: object | null, body?: object) =>
      (await client[name]!(params as never, body)).data;

    const spot = await call('postSpots', null, { name: 'East sill', latitudeDeg: 54 });
    const plant = await call('postPlants', null, {
      name: 'Gangway',
      taxon: 'Aspidistra elatior',
      spotId: spot.id,
      pot: ROUND_POT,
      mediumKind: 'peatSoil',
    });
    await call('postLooks', null, {
      plantId: plant.id,
      date: TODAY,
      signals: { smell: 'sour', liveRoots: 0.2 },
    });
    const file = await call('getPlantsIdFile', { id: plant.id });
    expect(file.looks[0].signals.smell).toBe('sour');
    const rounds = await call('getRounds', { date: TODAY, each: 5 });
    expect(rounds.spots).toMatchObject([{ id: spot.id, name: 'East sill', asking: 1 }]);
    await call('patchPlantsId', { id: plant.id }, { name: 'Gangplank' });
    const page = await call('getPlants', { limit: 10 });
    expect(page.items.map(({ name }: { name: string }) => name)).toEqual(['Gangplank']);
    await expect(call('getPlantsId', { id: 999 })).rejects.toMatchObject({
      response: { status: 404 },
    });
  });
});
