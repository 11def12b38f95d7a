import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, addPlant, deedOf, undo } = handsOf(() => app);

const PNG = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex').toString('base64');
const visit = (plantId: number, over: object = {}) => ({
  plantId,
  date: TODAY,
  minute: 600,
  signals: { smell: 'sour' },
  note: 'by the door',
  measurements: [
    { kind: 'weightKg', value: 1.25 },
    { kind: 'heightCm', value: 41 },
  ],
  photos: [PNG],
  ...over,
});
const send = (body: object) => app.call.post('/api/visits').send(body);
const fileOf = (id: number) => get(`/api/plants/${id}/file`);

describe('a visit', () => {
  it('keeps look, measurements and pictures as one deed, and takes them back as one', async () => {
    const { id } = await addPlant();
    const before = (await get('/api/history')).items.length;
    const kept = await send(visit(id)).expect(201);
    expect(kept.body).toMatchObject({ look: { note: 'by the door' }, photos: [{ plantId: id }] });
    expect((await get('/api/history')).items).toHaveLength(before + 1);
    const file = await fileOf(id);
    expect(file.looks).toMatchObject([{ signals: { smell: 'sour' } }]);
    expect(file.measurements.map(({ kind }: { kind: string }) => kind).sort()).toEqual([
      'heightCm',
      'weightKg',
    ]);
    expect(file.plant.heightCm).toBe(41);
    await undo(deedOf(kept)).expect(200);
    const { looks, measurements, photos, plant } = await fileOf(id);
    expect([looks, measurements, photos, plant.heightCm]).toEqual([[], [], [], null]);
  });

  it('says the same of those that look alike, each in its own record; weights and pictures are one’s own', async () => {
    const made = [];
    for (const name of ['Bollard 1', 'Bollard 2', 'Bollard 3']) made.push(await addPlant({ name }));
    const elsewhere = await addPlant({ name: 'Bollard 4', mediumKind: 'bark' });
    const [first, second, third] = made.map(({ id }) => id);
    expect((await fileOf(first)).alike).toMatchObject([
      { id: second, name: 'Bollard 2' },
      { id: third, name: 'Bollard 3' },
    ]);
    const measurements = [
      { kind: 'weightKg', value: 1.25 },
      { kind: 'watered', value: 1 },
    ];
    const kept = await send(visit(first, { measurements, alike: [first, third] })).expect(201);
    expect((await fileOf(first)).looks).toHaveLength(1);
    const other = await fileOf(third);
    expect(other.looks).toMatchObject([{ signals: { smell: 'sour' }, note: 'by the door' }]);
    expect(other.measurements.map(({ kind }: { kind: string }) => kind)).toEqual(['watered']);
    expect([other.photos, (await fileOf(second)).looks]).toEqual([[], []]);
    // One deed: all of it goes with one undo.
    await undo(deedOf(kept)).expect(200);
    for (const id of [first, third]) expect((await fileOf(id)).looks).toEqual([]);
    expect((await send(visit(first, { alike: [999] }))).status).toBe(422);
    expect((await fileOf(first)).looks).toEqual([]);
    expect((await fileOf(elsewhere.id)).alike).toEqual([]);
  });

  it('is kept once however often it is sent', async () => {
    const { id } = await addPlant();
    for (let i = 0; i < 3; i++) {
      await send(visit(id)).set('Idempotency-Key', 'visit-0001').expect(201);
    }
    expect((await fileOf(id)).looks).toHaveLength(1);
    expect((await fileOf(id)).photos).toHaveLength(1);
  });

  it('may be a weight alone, without a look', async () => {
    const { id } = await addPlant();
    const { body } = await send(visit(id, { signals: {}, note: ' ', photos: [] })).expect(201);
    expect(body.look).toBeNull();
    expect((await fileOf(id)).looks).toEqual([]);
  });

  it.each([
    ['nothing at all', { signals: {}, note: '', measurements: [], photos: [] }, 422, 'signals'],
    ['a weight of nothing', { measurements: [{ kind: 'weightKg', value: 0 }] }, 422, 'value'],
    ['one kind twice', { measurements: Array(2).fill({ kind: 'watered', value: 1 }) }, 400, /1$/],
    ['a picture that is none', { photos: ['aGVsbG8='] }, 415, 'body'],
    ['text in place of a file', { photos: ['no base64!'] }, 400, 'photos.0'],
    ['the day after', { date: '2026-03-17' }, 422, 'date'],
    ['the day before it came', { date: '2020-01-01' }, 422, 'date'],
  ])('of %s is refused, by its field, and keeps nothing', async (_what, over, status, field) => {
    const { id } = await addPlant({ acquired: '2024-01-01' });
    const refused = await send(visit(id, over));
    expect(refused.status).toBe(status);
    expect(refused.body.error.field).toMatch(field);
    const { looks, measurements, photos } = await fileOf(id);
    expect([looks, measurements, photos]).toEqual([[], [], []]);
  });
});
