import { addDays, nominalPot, rimCm, type PotShape } from '@fernbank/core';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

/*
 * Whatever is done in whatever order, taken back or refused: every pot, cover and support of the shelf is free,
 * soaking, apart or with exactly one plant, water stands under pebbles alone, and no task asks for a plant that is gone.
 */

const POTS: [label: string, shape: PotShape, role: 'pot' | 'cover', count: number][] = [
  ['black 13', nominalPot(13, 'standard'), 'pot', 2],
  ['black 15', nominalPot(15, 'standard'), 'pot', 1],
  ['cover 20', nominalPot(20, 'standard'), 'cover', 1],
  ['cup 9', nominalPot(9, 'standard'), 'cover', 1],
];
const MEDIA = { peatSoil: 'everyday', bark: 'barkEpiphyte', pebbles: 'pebblesOnly' } as const;

const which = fc.nat({ max: 3 });
const deed = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('repot' as const),
      plant: which,
      pot: fc.option(fc.nat({ max: 1 })),
      cover: fc.constantFrom(undefined, null, 2, 3),
      support: fc.constantFrom(undefined, null, 'shelf' as const),
      medium: fc.constantFrom(...(Object.keys(MEDIA) as (keyof typeof MEDIA)[])),
      pieces: fc.constantFrom(1, 1, 1, 2),
    }),
  },
  fc.record({
    kind: fc.constant('add' as const),
    cover: fc.constantFrom(null, 2, 3),
  }),
  fc.record({
    kind: fc.constant('cover' as const),
    plant: which,
    cover: fc.constantFrom(null, 2, 3),
  }),
  fc.record({ kind: fc.constant('remove' as const), plant: which }),
  fc.record({ kind: fc.constant('lose' as const), plant: which }),
  fc.record({ kind: fc.constant('apart' as const), plant: which }),
  fc.record({ kind: fc.constant('clean' as const), pot: fc.nat({ max: 1 }) }),
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('undo' as const), back: fc.nat(5) }) },
);
type Deed = ReturnType<typeof deed.generate>['value'];
interface Shelved {
  id: number;
  label: string;
  shape: PotShape;
  count: number;
  free: number;
  soaking: number;
  apart: number;
}
interface Kept {
  id: number;
  potId: number | null;
  coverId: number | null;
  supportId: number | null;
  mediumKind: string;
}

class House {
  #day = addDays(TODAY, -300);
  readonly #deeds: number[] = [];
  readonly #rows: number[] = [];
  #support = 0;
  readonly #app: TestApp;
  readonly #hands: ReturnType<typeof handsOf>;
  constructor(app: TestApp) {
    this.#app = app;
    this.#hands = handsOf(() => app);
  }

  async furnish(): Promise<this> {
    for (const [label, shape, role, count] of POTS) {
      this.#rows.push((await this.#hands.add('/api/pots', { label, shape, role, count })).id);
    }
    const pole = { label: 'pole', kind: 'coirPole', lengthCm: 60, count: 1 };
    this.#support = (await this.#hands.add('/api/supports', pole)).id;
    for (let i = 0; i < 3; i++) await this.#hands.addPlant({ pot: nominalPot(13, 'standard') });
    return this;
  }

  plants = async (): Promise<Kept[]> => (await this.#hands.get('/api/plants?limit=100')).items;
  shelf = async (): Promise<Shelved[]> => (await this.#hands.get('/api/pots?limit=100')).items;

  async #send(method: 'post' | 'patch' | 'delete', path: string, body: object = {}) {
    const answer = await this.#app.call[method](path).send(body);
    expect(answer.status, `${method} ${path}: ${JSON.stringify(answer.body)}`).toBeLessThan(500);
    const deedId = this.#hands.deedOf(answer);
    if (deedId) this.#deeds.push(deedId);
  }

  async do(one: Deed): Promise<void> {
    this.#day = addDays(this.#day, 9);
    const row = (i: number | null | undefined) => (i == null ? i : this.#rows[i]!);
    const plants = await this.plants();
    const plant = 'plant' in one ? plants[one.plant % Math.max(1, plants.length)] : undefined;
    if ('plant' in one && !plant) return;
    switch (one.kind) {
      case 'repot': {
        const pot = one.pot === null ? nominalPot(14, 'standard') : POTS[one.pot]![1];
        await this.#send('post', '/api/repots', {
          plantId: plant!.id,
          date: this.#day,
          pot,
          potId: row(one.pot) ?? null,
          ...(one.cover === undefined ? {} : { coverId: row(one.cover) }),
          ...(one.support === undefined
            ? {}
            : { support: one.support && { lengthCm: 60, supportId: this.#support } }),
          mediumKind: one.medium,
          recipeId: MEDIA[one.medium],
          cuts: { pieces: one.pieces, rootsPruned: false },
        });
        return;
      }
      case 'add': {
        await this.#send('post', '/api/plants', {
          name: 'Bosun',
          taxon: 'Aspidistra elatior',
          spotId: 1,
          pot: nominalPot(14, 'standard'),
          coverId: row(one.cover),
          mediumKind: 'peatSoil',
        });
        return;
      }
      case 'cover':
        return this.#send('patch', `/api/plants/${plant!.id}`, { coverId: row(one.cover) });
      case 'remove':
        return this.#send('delete', `/api/plants/${plant!.id}`);
      case 'lose': {
        const { items } = await this.#hands.get(`/api/repots?plantId=${plant!.id}&limit=100`);
        const newest = items
          .map((made: { date: string }) => made.date)
          .sort()
          .at(-1);
        if (!newest) return;
        this.#day = addDays(newest, 24);
        const repotId = items.find((made: { date: string }) => made.date === newest).id;
        const lost = { repotId, date: this.#day, grade: 'suffers', seen: ['lost'] };
        return this.#send('post', '/api/outcomes', lost);
      }
      case 'apart':
        return this.#send('patch', `/api/plants/${plant!.id}`, { apartSince: this.#day });
      case 'clean': {
        const { id, free, soaking } = (await this.shelf()).find(
          ({ id: of }) => of === row(one.pot),
        )!;
        return this.#send('patch', `/api/pots/${id}`, { free: free + soaking, soaking: 0 });
      }
      case 'undo': {
        const deedId = this.#deeds[this.#deeds.length - 1 - (one.back % this.#deeds.length)];
        if (deedId) await this.#send('post', `/api/history/${deedId}/undo`, { also: [] });
      }
    }
  }

  async check(): Promise<void> {
    const plants = await this.plants();
    for (const { id, label, shape, count, free, soaking, apart } of await this.shelf()) {
      const inIt = plants.filter(({ potId, coverId }) => potId === id || coverId === id).length;
      const told = `${label} of ${rimCm(shape)}: ${free} free, ${soaking} soaking, ${apart} apart, ${inIt} with plants`;
      expect(free + soaking + apart + inIt, told).toBe(count);
      expect(Math.min(free, soaking, apart), told).toBeGreaterThanOrEqual(0);
    }
    const [pole] = (await this.#hands.get('/api/supports?limit=10')).items;
    const tied = plants.filter(({ supportId }) => supportId === pole.id).length;
    expect(pole.free + tied, 'poles').toBe(pole.count);
    for (const { id, mediumKind } of plants) {
      const { reservoir } = await this.#hands.get(`/api/reservoirs/${id}`);
      expect(reservoir !== null, `water under ${mediumKind}`).toBe(mediumKind === 'pebbles');
    }
    const { items } = await this.#hands.get('/api/tasks?limit=1000');
    const there = new Set(plants.map(({ id }) => id));
    const open = items.filter(({ done }: { done: string | null }) => done === null);
    expect(open.every(({ plantId }: { plantId: number }) => there.has(plantId))).toBe(true);
  }
}

it('each thing of the shelf has one owner at any time, over any order of deeds', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { minLength: 4, maxLength: 14 }), async (deeds) => {
      const app = testApp();
      try {
        const house = await new House(app).furnish();
        for (const one of deeds) {
          await house.do(one);
          await house.check();
        }
      } finally {
        app.close();
      }
    }),
    { numRuns: 15 },
  );
}, 120_000);
