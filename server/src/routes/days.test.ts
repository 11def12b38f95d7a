import { addDays, type DayProblem, type DayLine, type LaidDay, type Pin } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { components, days, plants, pots, supports } from '../db/schema.ts';
import { handsOf, testApp, TODAY, type TestApp, takeRowBack } from '../testApp.ts';

let app: TestApp;
beforeEach(() => {
  app = testApp();
});
afterEach(() => app.close());
const { get, add, refused, addPlant } = handsOf(() => app);

const wide = (topDiameterCm: number) => ({
  shape: 'round' as const,
  topDiameterCm,
  baseDiameterCm: 0.7 * topDiameterCm,
  heightCm: 0.85 * topDiameterCm,
});
/** Crowded, and in its season: another pot pays today. */
const CROWDED = {
  rootsAtHoles: 'mat',
  circling: 'tight',
  ballCover: 1,
  driesSooner: true,
  rootsOnTop: 'many',
  newLeaves: 'smaller',
  wobble: 'topples',
};
async function crowded(name: string, cm: number, { potId, ...over }: Over = {}) {
  const plant = await addPlant({
    name,
    taxon: 'Cissus alata',
    pot: wide(cm),
    lastRepot: '2022-05-01',
    schools: { when: 'need' },
    ...over,
  });
  // Which pot of the shelf it stands in is the record's to say, not a form's.
  if (potId) {
    app.file.db.update(plants).set({ potId }).where(eq(plants.id, plant.id)).run();
  }
  await add('/api/looks', { plantId: plant.id, date: TODAY, signals: CROWDED });
  return plant as { id: number; name: string };
}
type Over = { potId?: number } & Record<string, unknown>;
const shelfPot = (label: string, cm: number, over: object = {}) =>
  add('/api/pots', { label, shape: wide(cm), ...over });
const newDay = (over: object = {}) =>
  add('/api/days', {
    dates: [{ date: TODAY, minutes: 400 }],
    cleaning: 'rinse',
    nextChance: addDays(TODAY, 60),
    ...over,
  });
const post = async (path: string, body: object = {}) => app.call.post(path).send(body);

interface Answer {
  problem: DayProblem;
  notAsked: { plant: number; name: string; text: string }[];
}
const problemOf = async (id: number): Promise<Answer> => get(`/api/days/${id}/problem`);
/** Settles a day on moves by name: plant into pot. */
async function settle(id: number, moves: [plant: number, pot: string, date?: string][]) {
  return post(`/api/days/${id}/settle`, {
    moves: moves.map(([plant, pot, date = TODAY]) => ({ plant, pot, date })),
    bound: null,
  });
}

describe('what a day is chosen from', () => {
  it('asks plants whose verdict wants a pot, and says why not of the others', async () => {
    const wants = await crowded('Gangway', 14);
    const fresh = await addPlant({ name: 'Fresh', lastRepot: addDays(TODAY, -20) });
    const unknown = await addPlant({ name: 'Never seen', lastRepot: null });
    const day = await newDay();
    const { problem, notAsked } = await problemOf(day.id);
    expect(problem.plants.map(({ id }) => id)).toEqual([wants.id]);
    expect(problem.plants[0]!.gain[0]).toBeGreaterThan(0);
    expect(notAsked.map(({ plant }) => plant).sort()).toEqual([fresh.id, unknown.id].sort());
    expect(notAsked.every(({ text }) => text.length > 8)).toBe(true);
    // The keeper's word takes one in all the same.
    const pins: Pin[] = [{ kind: 'in', plant: fresh.id }];
    await app.call.patch(`/api/days/${day.id}`).send({ pins }).expect(200);
    expect((await problemOf(day.id)).problem.plants.map(({ id }) => id)).toContain(fresh.id);
  });

  it('offers the shelf, pots that others leave and sizes to buy, each with its minutes', async () => {
    const pot = await shelfPot('tub 24', 24, { count: 1 });
    const large = await crowded('Large', 21);
    const small = await crowded('Small', 17);
    const { problem } = await problemOf((await newDay()).id);
    const optionsOf = (id: number) => problem.plants.find((row) => row.id === id)!.options;
    expect(optionsOf(large.id).map(({ pot: id }) => id)).toContain(`shelf-${pot.id}`);
    expect(optionsOf(small.id).map(({ pot: id }) => id)).toContain(`left-${large.id}`);
    expect(optionsOf(small.id).some(({ pot: id }) => id.startsWith('standard-'))).toBe(true);
    for (const { minutes, filledL } of optionsOf(large.id)) {
      expect(minutes).toBeGreaterThan(8);
      expect(filledL).toBeGreaterThan(0);
    }
  });

  it('keeps to what was chosen for the group of a plant: a fast one is not given room where it is kept snug', async () => {
    const { id: plant } = await crowded('Gangway', 17);
    const { group } = (await get('/api/taxa?q=Cissus alata')).items[0];
    const widthsUnder = async (size: string) => {
      const groupSchools = { [group]: { size } };
      await app.call.patch('/api/settings').send({ groupSchools }).expect(200);
      const day = await newDay();
      const { options } = (await problemOf(day.id)).problem.plants[0]!;
      const best = options.reduce((one, other) => (other.penalty < one.penalty ? other : one));
      await settle(day.id, [[plant, best.pot]]);
      const { fit } = (await get('/api/plans')).items[0];
      await app.call.post(`/api/days/${day.id}/reopen`).send({}).expect(200);
      return { size: fit.size, rimCm: fit.pot.topDiameterCm };
    };
    const growth = await widthsUnder('growth');
    const snug = await widthsUnder('snug');
    expect([growth.size, snug.size]).toEqual(['growth', 'snug']);
    expect(snug.rimCm).toBeLessThan(growth.rimCm);
  });

  it('mixes without what is avoided as its record does, whatever the pot', async () => {
    await app.call
      .patch('/api/settings')
      .send({ avoided: { contents: ['peat'], components: [] } })
      .expect(200);
    const plant = await crowded('Gangway', 17, { recipeId: 'everyday' });
    const { problem } = await problemOf((await newDay()).id);
    const mixed = problem.mixes[0]!.parts.map(({ ingredient, parts }) => ({
      component: ingredient.id,
      parts,
    }));
    expect(mixed.length).toBeGreaterThan(1);
    const { recipeId } = problem.mixes[0]!;
    const order = { plantId: plant.id, date: TODAY, pot: wide(24), mediumKind: 'mix', recipeId };
    await add('/api/repots', order);
    expect((await get(`/api/plants/${plant.id}`)).mediumParts).toEqual(mixed);
  });

  it('has what still soaks ready only from the next day on', async () => {
    const pot = await shelfPot('soaked 19', 19, { count: 1, free: 0, soaking: 1 });
    await crowded('Gangway', 17);
    const day = await newDay({
      dates: [0, 1].map((i) => ({ date: addDays(TODAY, i), minutes: 100 })),
    });
    const { problem } = await problemOf(day.id);
    expect(problem.pots.find(({ id }) => id === `shelf-${pot.id}`)!.ready).toEqual([0, 1]);
  });

  it('judges a day that has passed as if it were today, and none beyond a year', async () => {
    const plant = await crowded('Gangway', 14);
    const passed = await newDay({ dates: [{ date: addDays(TODAY, -3), minutes: 90 }] });
    const today = await newDay();
    const gainOn = async (id: number) =>
      (await problemOf(id)).problem.plants.find(({ id: of }) => of === plant.id)!.gain;
    expect(await gainOn(passed.id)).toEqual(await gainOn(today.id));
    const date = addDays(TODAY, 400);
    const far = await newDay({ dates: [{ date, minutes: 90 }], nextChance: addDays(date, 9) });
    const { status, body } = await app.call.get(`/api/days/${far.id}/problem`);
    expect([status, body.error.field]).toEqual([422, 'dates']);
  });

  const doneOf = ({ tasks }: { tasks: { rule: string; done: string | null }[] }, rule: string) =>
    tasks.find((task) => task.rule === rule)!.done;

  it('learns minutes from what was ticked at the bench', async () => {
    const plant = await crowded('Gangway', 14);
    const other = await crowded('Other', 14);
    const minutesOf = async () => {
      const { problem } = await problemOf((await newDay()).id);
      return problem.plants.find(({ id }) => id === other.id)!.options[0]!.minutes;
    };
    const typical = await minutesOf();
    const at = (minutes: number) => 1_800_000_000_000 + minutes * 60_000;
    const tell = (event: object) =>
      app.call.post(`/api/benches/${plant.id}/events`).send(event).expect(200);
    await tell({ kind: 'start', at: at(0) });
    const steps = ['easeOut', 'loosenOutside', 'setPlant', 'fillDamp', 'settle', 'waterNow'];
    for (const [i, step] of steps.entries())
      await tell({ kind: 'done', step, at: at(12 * (i + 1)) });
    const repot = await add('/api/repots', {
      plantId: plant.id,
      date: TODAY,
      pot: wide(17),
      mediumKind: 'peatSoil',
      recipeId: 'everyday',
    });
    expect(repot.timed.map(({ minutes }: { minutes: number }) => minutes)).toEqual(
      steps.map(() => 12),
    );
    // It was watered there: aftercare asks only for what is still to be done.
    expect(doneOf(repot, 'firstWater')).toBe(TODAY);
    expect(doneOf(repot, 'turn')).toBeNull();
    expect(await minutesOf()).toBeGreaterThan(1.1 * typical);
  });
});

describe('settling', () => {
  it('writes pot and mix into the plan of every plant, and gives back what was there on opening', async () => {
    const pot = await shelfPot('tub 24', 24, { count: 1 });
    const large = await crowded('Large', 21);
    const small = await crowded('Small', 17);
    const day = await newDay();
    const { body, status } = await settle(day.id, [
      [large.id, `shelf-${pot.id}`],
      [small.id, `left-${large.id}`],
    ]);
    expect(status).toBe(200);
    const laid = body.plan as LaidDay;
    expect(laid.chains[0]!.links.map(({ name }) => name)).toEqual(['Large', 'Small']);
    expect(laid.schedules[0]!.order).toEqual([large.id, small.id]);
    const fits = Object.fromEntries(
      (await get('/api/plans')).items.map((row: { plantId: number; fit: object }) => [
        row.plantId,
        row.fit,
      ]),
    );
    expect(fits[large.id]).toMatchObject({ potId: pot.id, potSource: 'free' });
    expect(fits[small.id]).toMatchObject({ potSource: 'handedDown', leftBy: 'Large' });
    expect((await get(`/api/plants/${small.id}/fitting`)).day).toEqual({
      id: day.id,
      date: TODAY,
      mixedRecipe: null,
    });
    const again = await post(`/api/days/${day.id}/settle`, {
      moves: [{ plant: large.id, pot: `shelf-${pot.id}`, date: TODAY }],
    });
    expect([again.status, again.body.error.code]).toEqual([409, 'settled']);
    // The walk and the calendar tell of it.
    const { potting } = await get('/api/rounds');
    expect(potting).toMatchObject({ date: TODAY, plants: 2 });
    const minutes = body.plan.lines.reduce((sum: number, line: DayLine) => sum + line.minutes, 0);
    expect(potting.minutes).toBeCloseTo(minutes, 9);
    const calendar = async () => (await app.call.get('/api/tasks/calendar.ics').buffer(true)).text;
    expect(await calendar()).toContain('SUMMARY:Potting day: 2 plants');
    await app.call.post(`/api/days/${day.id}/reopen`).expect(200);
    expect((await get('/api/rounds')).potting).toBeNull();
    expect(await calendar()).not.toContain('Potting day');
    expect((await get('/api/plans')).items).toEqual([]);
  });

  it('says what changed when the shelf was edited in another window meanwhile', async () => {
    const pot = await shelfPot('tub 24', 24, { count: 1 });
    const plant = await crowded('Large', 21);
    const day = await newDay();
    await app.call.patch(`/api/pots/${pot.id}`).send({ count: 1, free: 0, soaking: 1 }).expect(200);
    const taken = await settle(day.id, [[plant.id, `shelf-${pot.id}`]]);
    expect([taken.status, taken.body.error.code]).toEqual([409, 'changed']);
    expect(taken.body.error.message).toMatch(/tub 24: 1 taken of 0/);
    await app.call.delete(`/api/pots/${pot.id}`).expect(204);
    const gone = await settle(day.id, [[plant.id, `shelf-${pot.id}`]]);
    expect(gone.body.error.message).toMatch(/that pot no longer does for Large/);
  });

  it('says what changed when the stock was used up meanwhile', async () => {
    const pot = await shelfPot('tub 24', 24, { count: 1 });
    const plant = await crowded('Large', 21);
    const day = await newDay({ money: 0 });
    const { problem } = await problemOf(day.id);
    for (const { component } of problem.stock) {
      const stock = { bagL: 20, bags: 0, openL: 0.05, pricePerBag: 9 };
      await app.call.patch(`/api/components/${component}`).send(stock).expect(200);
    }
    const { status, body } = await settle(day.id, [[plant.id, `shelf-${pot.id}`]]);
    expect(status).toBe(409);
    expect(body.error.message).toMatch(/would cost .* more than 0/);
  });

  it('refuses a stale copy, a plant twice and a date that is none of its own', async () => {
    const pot = await shelfPot('tub 24', 24, { count: 2 });
    const plant = await crowded('Large', 21);
    const day = await newDay();
    await app.call.patch(`/api/days/${day.id}`).send({ hands: 2 }).expect(200);
    const moves = [{ plant: plant.id, pot: `shelf-${pot.id}`, date: TODAY }];
    const stale = await app.call
      .post(`/api/days/${day.id}/settle`)
      .set('If-Match', '"1"')
      .send({ moves });
    expect(stale.status).toBe(412);
    const twice = await settle(day.id, [
      [plant.id, `shelf-${pot.id}`],
      [plant.id, `shelf-${pot.id}`],
    ]);
    expect([twice.status, twice.body.error.field]).toEqual([422, 'moves']);
    const elsewhere = await settle(day.id, [[plant.id, `shelf-${pot.id}`, addDays(TODAY, 3)]]);
    expect(elsewhere.body.error.field).toBe('moves');
  });

  it.each([
    ['minutes', { dates: [{ date: TODAY, minutes: 0 }] }, 'dates.0.minutes'],
    ['no date', { dates: [] }, 'dates'],
    [
      'dates out of order',
      { dates: [1, 0].map((i) => ({ date: addDays(TODAY, i), minutes: 60 })) },
      'dates',
    ],
    ['hands', { hands: 0 }, 'hands'],
    ['next chance', { nextChance: TODAY }, 'nextChance'],
    ['a pin of no kind', { pins: [{ kind: 'perhaps', plant: 1 }] }, 'pins.0'],
    ['a pin on another date', { pins: [{ kind: 'on', plant: 1, date: '2027-01-01' }] }, 'pins'],
  ])('refuses a day with bad %s by its field', async (_, over, field) => {
    const [status, named] = await refused('/api/days', {
      dates: [{ date: TODAY, minutes: 60 }],
      ...over,
    });
    expect([400, 422]).toContain(status);
    expect(named).toBe(field);
  });
});

/** The whole shelf and stock, without what counts revisions. */
const shelfNow = () => {
  const plainRows = (rows: object[]) =>
    rows.map((row) => ({ ...row, rev: 0, updatedAt: '', createdAt: '' }));
  const { db } = app.file;
  return {
    pots: plainRows(db.select().from(pots).all()),
    supports: plainRows(db.select().from(supports).all()),
    components: plainRows(db.select().from(components).all()),
  };
};

describe('the day itself', () => {
  async function settledDay() {
    const tub = await shelfPot('tub 24', 24, { count: 1 });
    const old = await shelfPot('black 21', 21, { count: 2, free: 1 });
    const spare = await shelfPot('black 17', 17, { count: 2, free: 0, soaking: 1 });
    const large = await crowded('Large', 21, { potId: old.id });
    const small = await crowded('Small', 17, { potId: spare.id });
    const day = await newDay({ money: 100 });
    const { problem } = await problemOf(day.id);
    for (const { component } of problem.stock) {
      await app.call
        .patch(`/api/components/${component}`)
        .send({ bagL: 1.3, bags: 1, openL: 0.7, pricePerBag: 4.1 })
        .expect(200);
    }
    const before = shelfNow();
    const settled = await settle(day.id, [
      [large.id, `shelf-${tub.id}`],
      [small.id, `left-${large.id}`],
    ]);
    expect(settled.status, JSON.stringify(settled.body)).toBe(200);
    return { day, laid: settled.body.plan as LaidDay, large, small, tub, old, spare, before };
  }
  const fitOf = async (plantId: number) =>
    (await get('/api/plans')).items.find((row: { plantId: number }) => row.plantId === plantId).fit;
  async function potIt(plantId: number) {
    const { pot, potMaterial, potId, recipeId } = await fitOf(plantId);
    return add('/api/repots', {
      plantId,
      date: TODAY,
      pot,
      potMaterial,
      potId,
      mediumKind: 'peatSoil',
      recipeId,
    });
  }
  const report = (id: number, event: object) =>
    app.call.post(`/api/days/${id}/events`).send(event).expect(200);

  it('draws a batch off the stock once, hands the pot down, and is taken back to the last drop', async () => {
    const { day, laid, large, small, old, spare, before } = await settledDay();
    const [batch] = laid.batches;
    // One bag is ticked when it is bought, the others only show in the tub.
    const [ticked] = laid.bags.filter(({ buys }) => buys > 0);
    if (ticked) await report(day.id, { kind: 'bought', component: ticked.component });
    const mixed = { kind: 'mixed', mix: batch!.mix, date: TODAY };
    await report(day.id, mixed);
    const afterMix = shelfNow().components;
    // Told again, it draws no second time.
    await report(day.id, mixed);
    expect(shelfNow().components).toEqual(afterMix);
    for (const { component, litres } of batch!.measures) {
      const row = (rows: object[]) =>
        rows.find((one) => (one as { key: string }).key === component) as {
          bagL: number;
          bags: number;
          openL: number;
        };
      const bought = laid.bags.find((bag) => bag.component === component)!.buys;
      const had = row(before.components);
      const has = row(afterMix);
      const litresOf = ({ bagL, bags, openL }: typeof had) => bags * bagL + openL;
      expect(litresOf(had) + bought * had.bagL - litresOf(has)).toBeCloseTo(litres, 9);
      expect(has.openL).toBeGreaterThanOrEqual(0);
    }
    // At the bench its mix comes from the tub.
    const { mixedRecipe } = (await get(`/api/plants/${large.id}/fitting`)).day;
    expect(mixedRecipe).toBe(batch!.mix.split('|')[0]);
    const first = await potIt(large.id);
    expect(first.dayId).toBe(day.id);
    expect(shelfNow().components).toEqual(afterMix);
    const second = await potIt(small.id);
    // The pot that Large left is the one that Small stands in; one of its kind is free as before.
    expect(second.after.potId).toBe(old.id);
    const blacks = (await get(`/api/pots/${old.id}`)) as { free: number; soaking: number };
    expect(blacks.free + blacks.soaking).toBe(1);
    expect((await get(`/api/pots/${spare.id}`)).soaking).toBe(2);
    expect(
      (await get(`/api/days/${day.id}`)).done.map((d: { plantId: number }) => d.plantId),
    ).toEqual([small.id, large.id]);
    // What it was settled for is done: another repot is no part of it, and the day is not opened any more.
    expect((await get(`/api/plants/${large.id}/fitting`)).day).toBeNull();
    const opened = await post(`/api/days/${day.id}/reopen`);
    expect([opened.status, opened.body.error.code]).toEqual([409, 'inUse']);
    const unmix = await post(`/api/days/${day.id}/events`, { ...mixed, kind: 'notMixed' });
    expect([unmix.status, unmix.body.error.code]).toEqual([409, 'used']);
    const removed = await app.call.delete(`/api/days/${day.id}`);
    expect([removed.status, removed.body.error.code]).toEqual([409, 'inUse']);

    await app.call.post(`/api/days/${day.id}/undo`).expect(200);
    expect(shelfNow()).toEqual(before);
    const plant = await get(`/api/plants/${large.id}`);
    expect([plant.potId, plant.lastRepot]).toEqual([old.id, '2022-05-01']);
    // Its plan stands again, to be done another day.
    expect((await fitOf(small.id)).leftBy).toBe('Large');
  });

  it('planned anew, the rest does not draw what stands in the tub already', async () => {
    const { day, laid, large, small, before } = await settledDay();
    const [batch] = laid.batches;
    await report(day.id, { kind: 'mixed', mix: batch!.mix, date: TODAY });
    await potIt(large.id);
    const mixed = shelfNow().components;
    await app.call.post(`/api/days/${day.id}/close`).expect(200);
    const rest = await newDay({ carries: day.id, pins: [{ kind: 'in', plant: small.id }] });
    expect(rest.mixed).toHaveLength(1);
    const { problem } = await problemOf(rest.id);
    const asked = problem.plants.find(({ id }) => id === small.id)!;
    expect(asked.mix).toBe(batch!.mix);
    await settle(rest.id, [[small.id, asked.options[0]!.pot]]);
    await potIt(small.id);
    expect(shelfNow().components).toEqual(mixed);
    await app.call.post(`/api/days/${rest.id}/undo`).expect(200);
    await app.call.post(`/api/days/${day.id}/undo`).expect(200);
    expect(shelfNow()).toEqual(before);
    const nowhere = await post('/api/days', { dates: rest.dates, carries: 999 });
    expect(nowhere.status).toBe(404);
  });

  it('without a batch each repot draws its own, and gives it back', async () => {
    const { large, before } = await settledDay();
    const repot = await potIt(large.id);
    const { measures } = repot.mixedIn as { measures: { component: string; litres: number }[] };
    expect(measures.length).toBeGreaterThan(0);
    type Stock = { key: string; bagL: number | null; bags: number; openL: number };
    const stockOf = (shelf: object) => (shelf as { components: Stock[] }).components;
    const after = stockOf(shelfNow());
    for (const { component, litres } of measures) {
      const stock = ({ key }: Stock) => key === component;
      const litresOf = ({ bagL, bags, openL }: Stock) => bags * (bagL ?? 0) + openL;
      // What there is may be less than what was measured: it runs out, and never below nothing.
      const had = litresOf(stockOf(before).find(stock)!);
      expect(had - litresOf(after.find(stock)!)).toBeCloseTo(Math.min(litres, had), 9);
    }
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect(shelfNow()).toEqual(before);
  });

  it('draws for itself what goes into another mix than its day’s batch, and long after its day', async () => {
    const { day, laid, large, small } = await settledDay();
    await report(day.id, { kind: 'mixed', mix: laid.batches[0]!.mix, date: TODAY });
    const { pot, potId } = await fitOf(large.id);
    const other = { plantId: large.id, date: TODAY, pot, potId, mediumKind: 'loam' };
    const recipeId = 'barkEpiphyte';
    expect((await fitOf(large.id)).recipeId).not.toBe(recipeId);
    const repot = await add('/api/repots', { ...other, recipeId });
    expect(repot.drawn).not.toBeNull();
    expect(repot.dayId).toBe(day.id);
    const late = { dates: [{ date: addDays(TODAY, -40), minutes: 90 }] };
    app.file.db
      .update(days)
      .set({ plan: { ...laid, ...late } })
      .run();
    expect((await potIt(small.id)).dayId).toBeNull();
  });

  it('leaves the stock alone where the keeper says so, and what is not counted always', async () => {
    const { large, before } = await settledDay();
    const { pot, potId, recipeId } = await fitOf(large.id);
    const order = { plantId: large.id, date: TODAY, pot, potId, mediumKind: 'peatSoil', recipeId };
    await add('/api/repots', { ...order, drawStock: false });
    expect(shelfNow().components).toEqual(before.components);
  });

  it('takes bars off the shelf when they are cut, and gives them back', async () => {
    await add('/api/supports', {
      label: 'trellis 150',
      kind: 'trellis',
      section: { form: 'flat', widthCm: 30, thicknessCm: 1 },
      lengthCm: 150,
      count: 2,
    });
    const vine = await crowded('Vine', 21, { heightCm: 40, taxon: 'Passiflora caerulea' });
    await add('/api/looks', {
      plantId: vine.id,
      date: TODAY,
      signals: { ...CROWDED, vinePastSupport: true },
    });
    const day = await newDay({ pins: [{ kind: 'in', plant: vine.id }] });
    const [asked] = (await problemOf(day.id)).problem.plants;
    expect(asked!.support?.kind).toBe('trellis');
    const settled = await settle(day.id, [[vine.id, asked!.options[0]!.pot]]);
    expect(settled.status, JSON.stringify(settled.body)).toBe(200);
    // The pole goes into the plan, for the sheet and the bench.
    const [plan] = (await get('/api/plans')).items;
    expect(plan.fit.support).toMatchObject({ kind: 'trellis', lengthCm: asked!.support!.lengthCm });
    const [cut] = (settled.body.plan as LaidDay).cuts;
    expect(cut!.kind).toBe('trellis');
    const before = shelfNow();
    const own = cut!.stock.filter(({ toBuy }) => !toBuy).reduce((sum, { count }) => sum + count, 0);
    expect(own).toBeGreaterThan(0);
    await report(day.id, { kind: 'cut', supportKind: 'trellis' });
    const [bar, ...offcuts] = (await get('/api/supports')).items;
    expect([bar.count, bar.free]).toEqual([2 - own, 2 - own]);
    const kept = cut!.patterns.filter(({ offcutCm }) => offcutCm >= 25);
    expect(offcuts.map(({ lengthCm }: { lengthCm: number }) => lengthCm)).toEqual(
      kept.map(({ offcutCm }) => Math.floor(offcutCm)),
    );
    expect(offcuts.map(({ label }: { label: string }) => label)).toEqual(
      kept.map(({ offcutCm }) => expect.stringMatching(`offcut ${Math.floor(offcutCm)} cm$`)),
    );
    await report(day.id, { kind: 'notCut', supportKind: 'trellis' });
    expect(shelfNow()).toEqual(before);
  });

  it('fetches net pots and strands for plants that were settled on mounds', async () => {
    const seated = [];
    for (const name of ['Semaphore', 'Halyard']) {
      const plant = await crowded(name, 12, { mediumKind: 'moss', taxon: 'Davallia fejeensis' });
      const fit = {
        pot: wide(12),
        potMaterial: 'plastic',
        potLabel: 'its own',
        potId: null,
        potSource: 'present',
        recipeId: 'mossOnly',
        size: 'oneUp',
        layer: 'screen',
        cuts: { pieces: 1, rootsPruned: false },
        mound: true,
        support: null,
      };
      await app.call.put(`/api/plants/${plant.id}/plan`).send(fit).expect(200);
      seated.push(plant);
    }
    const day = await newDay();
    await settle(
      day.id,
      seated.map(({ id }): [number, string] => [id, `stays-${id}`]),
    );
    const { plan } = await get(`/api/days/${day.id}`);
    const mounds = (plan as LaidDay).lines.map(({ mound }) => mound!);
    expect(mounds).toHaveLength(2);
    const { text } = await app.call.get(`/api/days/${day.id}/picking.csv`).expect(200);
    const rows = Papa.parse<Record<string, string>>(text, { header: true }).data;
    const net = rows.find(({ what }) => what === 'net pot')!;
    expect([net.count, net.amount]).toEqual(['2', String(mounds[0]!.netPotCm)]);
    expect(mounds[0]!.netPotCm).toBeLessThan(12);
    const moss = rows.find(({ what }) => what === 'moss for mounds')!;
    expect(Number(moss.amount)).toBe(mounds[0]!.dryG + mounds[1]!.dryG);
    // It stays a mound once the day is settled.
    const [{ fit }] = (await get('/api/plans')).items;
    expect(fit.mound).toBe(true);
  });

  it('goes out as CSV in the units of who reads it, the same amounts', async () => {
    const { day } = await settledDay();
    const rowsOf = async (list: string) => {
      const { text } = await app.call.get(`/api/days/${day.id}/${list}.csv`).expect(200);
      return Papa.parse<Record<string, string>>(text, { header: true }).data;
    };
    const metric = { picking: await rowsOf('picking'), batches: await rowsOf('batches') };
    await app.call.patch('/api/settings').send({ units: 'us' }).expect(200);
    const us = { picking: await rowsOf('picking'), batches: await rowsOf('batches') };
    // NIST SP 811 (2008), appendix B: US liquid quart 0.946 352 9 L.
    const component = us.picking.findIndex(({ what }) => what === 'component');
    expect([metric.picking[component]!.unit, us.picking[component]!.unit]).toEqual(['L', 'qt']);
    expect(Number(us.picking[component]!.amount) * 0.946_352_9).toBeCloseTo(
      Number(metric.picking[component]!.amount),
      2,
    );
    expect(us.batches.every(({ unit }) => unit === 'qt')).toBe(true);
    expect(Number(us.batches[0]!.mixed) * 0.946_352_9).toBeCloseTo(
      Number(metric.batches[0]!.mixed),
      2,
    );
  });

  it('goes out as CSV that a spreadsheet reads, formulas as text', async () => {
    const { day, laid } = await settledDay();
    for (const list of ['shopping', 'picking', 'batches', 'order']) {
      const { text, headers } = await app.call.get(`/api/days/${day.id}/${list}.csv`).expect(200);
      expect(headers['content-type']).toContain('text/csv');
      const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true });
      expect(errors).toEqual([]);
      if (list === 'batches') {
        expect(data.length).toBe(laid.batches.flatMap(({ measures }) => measures).length);
      }
      if (list === 'order') {
        expect(data.filter(({ what }) => what === 'plant').map(({ plant }) => plant)).toEqual([
          'Large',
          'Small',
        ]);
      }
      if (list === 'picking') expect(data.some(({ name }) => name === 'Large')).toBe(true);
    }
    const evil = await crowded('=HYPERLINK("x")', 14);
    const other = await newDay({ pins: [{ kind: 'in', plant: evil.id }] });
    const { problem } = await problemOf(other.id);
    const pot = problem.plants.find(({ id }) => id === evil.id)!.options[0]!.pot;
    await settle(other.id, [[evil.id, pot]]);
    const { text } = await app.call.get(`/api/days/${other.id}/picking.csv`);
    expect(text).toContain(`'=HYPERLINK`);
    expect(text).not.toMatch(/(^|,)"?=HYPERLINK/m);
  });

  it('refuses what is not in its plan, and anything before it is settled', async () => {
    const { day } = await settledDay();
    const wrong = await post(`/api/days/${day.id}/events`, {
      kind: 'mixed',
      mix: 'nothing',
      date: TODAY,
    });
    expect([wrong.status, wrong.body.error.field]).toEqual([422, 'mix']);
    const open = await newDay();
    const early = await post(`/api/days/${open.id}/events`, { kind: 'cut', supportKind: 'stake' });
    expect([early.status, early.body.error.code]).toEqual([409, 'notSettled']);
    const csv = await app.call.get(`/api/days/${open.id}/order.csv`);
    expect(csv.status).toBe(409);
  });
});

describe('quarantine', () => {
  it('keeps the pot of a new or infested plant apart until it is cleared and disinfected', async () => {
    const pot = await shelfPot('black 14', 14, { count: 1, free: 0 });
    const tub = await shelfPot('black 17', 17, { count: 2 });
    const plant = await crowded('New one', 14, {
      potId: pot.id,
      acquired: addDays(TODAY, -5),
      lastRepot: null,
    });
    const file = await get(`/api/plants/${plant.id}/file`);
    expect(file.quarantine).toMatchObject({ why: 'arrived', since: addDays(TODAY, -5) });
    const { problem } = await problemOf((await newDay()).id);
    expect(problem.plants[0]!.tidiness).toBe('quarantine');
    const other = await crowded('Neighbour', 12);
    const handed = (await get(`/api/plants/${other.id}/fitting`)).handDowns;
    expect(handed.map(({ plantId }: { plantId: number }) => plantId)).not.toContain(plant.id);
    const repot = await add('/api/repots', {
      plantId: plant.id,
      date: TODAY,
      pot: wide(17),
      potId: tub.id,
      mediumKind: 'peatSoil',
    });
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({ free: 0, soaking: 0, apart: 1 });
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({ free: 0, soaking: 0, apart: 0 });
    await app.call.patch(`/api/plants/${plant.id}`).send({ clearedOn: TODAY }).expect(200);
    expect((await get(`/api/plants/${plant.id}/file`)).quarantine).toBeNull();
    await app.call.patch(`/api/plants/${plant.id}`).send({ apartSince: TODAY, clearedOn: null });
    expect((await get(`/api/plants/${plant.id}/file`)).quarantine).not.toBeNull();
  });
});
