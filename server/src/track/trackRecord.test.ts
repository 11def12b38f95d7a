import { addDays, decide, logistic, logit, type IsoDate, type Signals } from '@fernbank/core';
import { afterEach, describe, expect, it } from 'vitest';
import { eq } from 'drizzle-orm';
import { looks, plants } from '../db/schema.ts';
import { ReaderHere } from '../reader/reader.ts';
import { judge } from '../services/judging.ts';
import { readSettings } from '../services/settings.ts';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';
import { learnFromRecord } from './learn.ts';
import { learnedOn, trackRecordOn } from './trackRecord.ts';

let app: TestApp;
const { add, addPlant, get, repot } = handsOf(() => app);
afterEach(() => app.close());

const record = () => trackRecordOn(app.file.db, TODAY);
const said = (plantId: number, date: IsoDate, state = 'crowded') =>
  record().newest.find(
    (one) => one.plantId === plantId && one.date === date && one.state === state,
  );
const look = (plantId: number, date: IsoDate, signals: Signals) =>
  add('/api/looks', { plantId, date, signals });
/** As if it had been written down on that day: the tests are written down in one moment. */
const writtenOn = (
  table: 'looks' | 'measurements' | 'plants' | 'repots',
  id: number,
  day: IsoDate,
) => app.file.run(`UPDATE ${table} SET created_at = ? WHERE id = ?`, `${day}T10:00:00.000Z`, id);
const FIRST = '2025-06-01';
const FOUND = '2026-02-10';

/** A plant that Fernbank has known since last summer, looked at then and ten days ago. */
async function knownPlant() {
  app = testApp();
  const plant = await addPlant({ lastRepot: '2024-05-01', acquired: '2024-01-01' });
  writtenOn('plants', plant.id, '2025-05-01');
  const first = await look(plant.id, FIRST, { rootsAtHoles: 'several' });
  writtenOn('looks', first.id, FIRST);
  const found = await look(plant.id, FOUND, { rootsAtHoles: 'mat', compacted: true });
  writtenOn('looks', found.id, FOUND);
  return { plant, first, found };
}

describe('what was said the day before', () => {
  it('is what the verdict of that day says', async () => {
    const { plant, found } = await knownPlant();
    const told = said(plant.id, FOUND)!;
    expect([told.found, told.plant]).toEqual([1, plant.name]);
    await app.call.delete(`/api/looks/${found.id}`).set('If-Match', '*');
    app.file.run('DELETE FROM looks WHERE id = ?', found.id);
    const row = app.file.db.select().from(plants).where(eq(plants.id, plant.id)).get()!;
    const { states } = judge(app.file.db, row, addDays(FOUND, -1)).decision;
    expect(told.said).toBeCloseTo(states.crowded, 12);
  });

  it('takes nothing from what was done or written down later', async () => {
    const { plant, first } = await knownPlant();
    const before = said(plant.id, FOUND)!;
    // Seen later, remembered later, done later, described anew later.
    await look(plant.id, '2026-03-01', { ballCover: 1, circling: 'tight' });
    await look(plant.id, '2026-02-08', { ballCover: 1, circling: 'tight' });
    await app.call
      .patch(`/api/looks/${first.id}`)
      .set('If-Match', '*')
      .send({ signals: { rootsAtHoles: 'none', circling: 'none' } });
    await repot(plant.id, { date: '2026-03-10', mediumKind: 'bark', recipeId: null });
    const row = app.file.db.select().from(plants).where(eq(plants.id, plant.id)).get()!;
    await app.call
      .patch(`/api/plants/${plant.id}`)
      .set('If-Match', `"${row.rev}"`)
      .send({ traits: { vigour: 'slow' } })
      .expect(200);
    expect(said(plant.id, FOUND)).toEqual(before);
  });

  it('stands by its place as it was then, however that is described later', async () => {
    const { plant } = await knownPlant();
    const ofSpot = async () => {
      const { items } = await get('/api/spots');
      return items.find((one: { id: number }) => one.id === plant.spotId);
    };
    const before = said(plant.id, FOUND)!;
    const spot = await ofSpot();
    await app.call
      .patch(`/api/spots/${spot.id}`)
      .set('If-Match', '*')
      .send({ light: 'dim', temperatureC: 12 })
      .expect(200);
    expect((await ofSpot()).temperatureC).toBe(12);
    expect(said(plant.id, FOUND)).toEqual(before);
  });

  it('of what the keeper brought along is reckoned in the order of its dates', async () => {
    app = testApp();
    const plant = await addPlant({ lastRepot: '2024-05-01', acquired: '2024-01-01' });
    await look(plant.id, FOUND, { ballCover: 0.9 });
    const alone = said(plant.id, FOUND)!;
    await look(plant.id, '2025-12-20', { rootsAtHoles: 'several' });
    expect(said(plant.id, FOUND)!.said).toBeGreaterThan(alone.said);
    // From where it stood before a repot that came after.
    const before = said(plant.id, FOUND)!;
    await repot(plant.id, { date: '2026-02-20', mediumKind: 'bark', recipeId: null });
    expect(said(plant.id, FOUND)).toEqual(before);
  });

  it('is told of the pot that was left, not of the one it came into that day', async () => {
    app = testApp();
    const plant = await addPlant({ lastRepot: '2024-05-01', acquired: '2024-01-01' });
    await look(plant.id, FOUND, { ballCover: 0.9 });
    await repot(plant.id, { date: FOUND });
    await look(plant.id, FOUND, { rootsAtHoles: 'none', compacted: false });
    expect(said(plant.id, FOUND)!.found).toBe(1);
    expect(said(plant.id, FOUND, 'mediumFailing')).toBeUndefined();
  });

  it('is not told where it was known already, nor where it was only said: look first', async () => {
    app = testApp();
    const plant = await addPlant({ lastRepot: '2024-05-01', acquired: '2024-01-01' });
    await look(plant.id, '2026-02-01', { ballCover: 0.9 });
    await look(plant.id, '2026-02-20', { rootsAtHoles: 'mat', compacted: false });
    expect(said(plant.id, '2026-02-20')).toBeUndefined();
    expect(said(plant.id, '2026-02-20', 'mediumFailing')).toBeDefined();
    const unknown = await addPlant({ name: 'Foundling', lastRepot: null });
    await look(unknown.id, '2026-02-01', { ballCover: 0.9 });
    expect(said(unknown.id, '2026-02-01')).toBeUndefined();
  });
});

/** A keeper whose pots are hardly ever as full as they are said to be. */
async function slowGarden(count: number) {
  app = testApp();
  const ids: number[] = [];
  for (let i = 0; i < count; i++) {
    const { id } = await addPlant({
      name: `Plant ${i}`,
      lastRepot: '2019-05-01',
      acquired: '2019-01-01',
    });
    await look(id, addDays('2025-09-01', 5 * i), { ballCover: 0.3, compacted: i % 2 === 0 });
    ids.push(id);
  }
  return ids;
}
const learn = (today = TODAY) => learnFromRecord(app.journal, new ReaderHere(app.file), today);
const crowdedOf = (id: number) => {
  const row = app.file.db.select().from(plants).where(eq(plants.id, id)).get()!;
  return judge(app.file.db, row, TODAY);
};

describe('a record of many findings', () => {
  it('corrects what is said from the first of the month on, and can be switched off', async () => {
    await slowGarden(16);
    const { id } = await addPlant({ name: 'Unseen', lastRepot: '2019-05-01' });
    const plain = crowdedOf(id).decision.states.crowded;
    await learn();
    const { ownRecord } = readSettings(app.file.db);
    const by = ownRecord!.corrections.crowded!;
    expect([ownRecord!.since, by.findings]).toEqual(['2026-03-01', 16]);
    const { decision, file } = crowdedOf(id);
    expect(decision.states.crowded).toBeLessThan(plain - 0.05);
    expect(decision.states.crowded).toBeCloseTo(logistic(by.a + by.b * logit(plain)), 9);
    expect(decision.reasons.some(({ signal }) => signal === 'ownRecord')).toBe(true);
    expect(decide(file.situation).states).toEqual(decision.states);
    // Every screen of the collection says the same.
    const { items } = await get('/api/verdicts');
    expect(items.find((one: { plantId: number }) => one.plantId === id)).toBeDefined();
    await app.call.patch('/api/settings').send({ correctsItself: false }).expect(200);
    expect(crowdedOf(id).decision.states.crowded).toBe(plain);
    expect((await get('/api/track-record')).inForce).toBeNull();
    await app.call.patch('/api/settings').send({ ownRecord: null }).expect(400);
  });

  it('is worked out once a month, from what was found before it', async () => {
    const [first] = await slowGarden(14);
    await learn();
    const { ownRecord } = readSettings(app.file.db);
    const { done } = app.journal.write({ what: 'nothing' }, () => undefined);
    expect(done).toBeNull();
    await look(first!, '2026-03-10', { ballCover: 1, compacted: true });
    await learn();
    expect(readSettings(app.file.db).ownRecord).toEqual(ownRecord);
    await learn('2026-04-02');
    expect(readSettings(app.file.db).ownRecord!.since).toBe('2026-04-01');
  });

  it('claims nothing from under twelve findings', async () => {
    await slowGarden(11);
    const learned = learnedOn(app.file.db, TODAY, null);
    expect(learned.record.corrections).toEqual({});
    expect(record().states[0]!.score!.count).toBe(11);
  });

  it('says the same whether it is asked at once, in parts, or after one plant was touched', async () => {
    app = testApp({ garden: true });
    const { db } = app.file;
    let parts = trackRecordOn(db, TODAY, 0);
    expect(parts.toCome).toBeGreaterThan(0);
    while (parts.toCome > 0) parts = trackRecordOn(db, TODAY, 0);
    const [one] = parts.newest;
    app.journal.write({ what: 'touched' }, () =>
      db.update(looks).set({ note: 'seen again' }).where(eq(looks.plantId, one!.plantId)).run(),
    );
    expect(trackRecordOn(db, TODAY)).toEqual(parts);
    const fresh = testApp({ garden: true });
    const whole = trackRecordOn(fresh.file.db, TODAY);
    fresh.close();
    expect(whole).toEqual(parts);
    expect(parts.states.map(({ score }) => score?.count ?? 0)[0]).toBeGreaterThan(60);
  });

  it('of an empty collection is empty, and of one that nobody looked at', async () => {
    app = testApp();
    await addPlant();
    const { states, dry, climbs, outcomes, newest } = record();
    expect([dry, climbs, outcomes, newest]).toEqual([null, null, null, []]);
    for (const { score } of states) expect(score).toBeNull();
    await learn();
    expect(readSettings(app.file.db).ownRecord!.corrections).toEqual({});
  });
});

describe('a keeper whose roots fill pots otherwise than is usual', () => {
  /** Plants that were found hardly rooted through when they left their pots, and stand in new ones. */
  async function slowRoots(count: number) {
    app = testApp();
    for (let i = 0; i < count; i++) {
      const { id } = await addPlant({
        name: `Plant ${i}`,
        taxon: 'Nephrolepis exaltata',
        lastRepot: '2023-05-01',
        acquired: '2023-01-01',
      });
      await look(id, '2024-08-01', { ballCover: 0.3 });
      await repot(id, { date: '2024-08-02' });
      await look(id, '2025-11-01', { ballCover: 0.3 });
    }
    return addPlant({ name: 'Unseen', taxon: 'Nephrolepis exaltata', lastRepot: '2024-08-02' });
  }

  it('is met by their pace first, and corrected only by what that leaves over', async () => {
    const { id } = await slowRoots(14);
    const plain = crowdedOf(id).decision;
    await learn();
    const { filling, corrections } = readSettings(app.file.db).ownRecord!;
    expect(filling!.factor).toBeLessThan(0.95);
    expect(filling!.findings).toBe(14);
    const { decision, file } = crowdedOf(id);
    expect(decision.monthsToFill).toBeGreaterThan(plain.monthsToFill);
    expect(decision.states.crowded).toBeLessThan(plain.states.crowded);
    expect(file.situation.learned!.pace!.own).toBe(false);
    // Under the typical pace more would have to be corrected.
    const alone = learnedOn(app.file.db, TODAY, null);
    expect(alone.again).toBe(true);
    const shift = ({ a, b }: { a: number; b: number }) => a + b * logit(0.5 + 0.2);
    expect(shift(alone.record.corrections.crowded!)).toBeLessThan(shift(corrections.crowded!));
    // Worked out again nothing is new.
    const again = learnedOn(app.file.db, TODAY, filling);
    expect(again.again).toBe(false);
    expect(again.record.corrections).toEqual(corrections);
  });
});
