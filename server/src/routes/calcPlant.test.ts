import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testApp, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeAll(() => (app = testApp()));
afterAll(() => app.close());

const post = (path: string, body: object) => app.call.post(`/api/calc/${path}`).send(body);
const sum = async (path: string, body: object) => (await post(path, body).expect(200)).body;

const round = (cm: number) => ({
  shape: 'round',
  topDiameterCm: cm,
  baseDiameterCm: 0.72 * cm,
  heightCm: 0.9 * cm,
});
const plant = (taxon: string, cm: number, kind: string, over: object = {}) => ({
  taxon,
  date: '2026-05-11',
  spot: { latitudeDeg: 51, indoors: true, temperatureC: 20, relativeHumidity: 0.5 },
  pot: round(cm),
  medium: { kind },
  lastRepot: '2025-05-11',
  ...over,
});

/* Days: common practice, no source. */
describe('water', () => {
  it.each([
    ['Schefflera', 14, 'peatSoil', 5, 10],
    ['Schefflera', 20, 'peatSoil', 7, 14],
    ['Adiantum', 13, 'peatSoil', 3, 7],
    ['Oncidium', 13, 'bark', 4, 10],
    ['Gymnocalycium', 8, 'mineral', 8, 18],
    ['Spathiphyllum', 13, 'pebbles', 5, 21],
  ])('%s in %d cm of %s wants it again after %4$d to %5$d days', async (taxon, cm, kind, a, b) => {
    const { daysToDry, useGPerDay, holdsG, byMonth } = await sum('water', plant(taxon, cm, kind));
    expect(daysToDry).toBeGreaterThanOrEqual(a);
    expect(daysToDry).toBeLessThanOrEqual(b);
    expect(useGPerDay).toBeGreaterThan(0);
    expect(holdsG).toBeGreaterThan(0);
    expect(byMonth).toHaveLength(12);
  });

  it('a cactus is kept dry at rest, a bog plant never dries, pebbles are filled', async () => {
    const cactus = await sum('water', plant('Rebutia', 8, 'mineral'));
    expect(cactus.daysToDryAtRest).toBeNull();
    expect(cactus.byMonth[0]).toBeNull();
    expect(cactus.byMonth[5]).toBeGreaterThan(5);
    expect((await sum('water', plant('Sarracenia', 13, 'peatSoil'))).watering).toBe('keptWet');
    expect((await sum('water', plant('Spathiphyllum', 13, 'pebbles'))).watering).toBe('filling');
  });

  it('clay dries in 0.4–0.65 of the time, heat and wind in a third or less', async () => {
    const given = plant('Schefflera', 14, 'peatSoil');
    const { daysToDry } = await sum('water', given);
    const clay = await sum('water', { ...given, material: 'terracotta' });
    expect(clay.daysToDry / daysToDry).toBeGreaterThanOrEqual(0.4);
    expect(clay.daysToDry / daysToDry).toBeLessThanOrEqual(0.65);
    const spot = { latitudeDeg: 40, indoors: false, temperatureC: 31, relativeHumidity: 0.45 };
    expect((await sum('water', { ...given, spot })).daysToDry).toBeLessThan(daysToDry / 3);
  });
});

describe('life', () => {
  it('is the number that verdict and fit show', async () => {
    const given = plant('Oncidium', 14, 'bark');
    const { medium } = await sum('decision', given);
    const { lifeMonths } = await sum('life', {
      taxon: 'Oncidium',
      mix: 'barkEpiphyte',
      pot: given.pot,
      temperatureC: 20,
    });
    const { ladder } = await sum('fit', { ...given, mix: 'barkEpiphyte', pots: [round(14)] });
    expect(medium.lifeMonths).toBeCloseTo(lifeMonths, 9);
    // A plastic pot is 2 mm narrower inside than out.
    expect(ladder[0].mediumMonths).toBeCloseTo(lifeMonths, 1);
  });

  it('less air than a plant likes is a caution, not an age', async () => {
    const dense = await sum('life', { taxon: 'Oncidium', mix: 'everyday' });
    expect(dense.airier).toBe(true);
    expect(dense.lifeMonths).toBeGreaterThan(12);
  });

  it.each([
    [{ mix: 'everyday' }, 'body'],
    [{ taxon: 'Imaginaria', mix: 'everyday' }, 'taxon'],
    [{ taxon: 'Adiantum', mix: 'soup' }, 'mix'],
  ])('%j is refused by name', async (body, field) => {
    const { status, body: answer } = await post('life', body);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect(answer.error.field).toBe(field);
  });
});

describe('aftercare', () => {
  const cut = { to: { kind: 'mix' }, work: 'mostOff', rootsCut: true };
  const rules = async (taxon: string, over: object = {}) =>
    (await sum('aftercare', { ...plant(taxon, 13, 'peatSoil'), ...cut, ...over })).tasks as {
      rule: string;
      due: string;
      title: string;
      why: string;
    }[];

  it('kills nobody: never dry what must not dry, no feed for carnivores, no damp after rot', async () => {
    const fern = await rules('Adiantum');
    expect(fern.find(({ rule }) => rule === 'firstWater')!.due).toBe('2026-05-11');
    expect((await rules('Dionaea')).some(({ rule }) => rule === 'feed')).toBe(false);
    const rotten = await rules('Schefflera', { signals: { rot: 'roots', liveRoots: 0.3 } });
    expect(rotten.map(({ rule }) => rule)).toContain('justMoist');
    expect(rotten.map(({ rule }) => rule)).not.toContain('keepDamp');
  });

  it('tells every task and its reason in words', async () => {
    for (const { title, why } of await rules('Schefflera', { signals: { rot: 'roots' } })) {
      expect(title.length).toBeGreaterThan(8);
      expect(why.length).toBeGreaterThan(8);
    }
  });

  it('what is bare of a new medium is refused', async () => {
    const { status, body } = await post('aftercare', plant('Adiantum', 13, 'peatSoil'));
    expect([status, body.error.field]).toEqual([400, 'to']);
  });
});

describe('a decision', () => {
  it('names the window, what to do now, and what it costs in weeks of growth', async () => {
    const { window, now, refresh, costs, lossRisk, states, headline } = await sum(
      'decision',
      plant('Aglaonema', 15, 'peatSoil', {
        date: '2026-12-07',
        lastRepot: '2025-02-01',
        signals: { saltCrust: 'thick', rootsAtHoles: 'every' },
      }),
    );
    expect(headline).toBe('repotInWindow');
    expect(window.from <= window.best && window.best <= window.to).toBe(true);
    for (const monday of Object.values(window))
      expect(new Date(`${monday}T12:00Z`).getUTCDay()).toBe(1);
    expect(refresh).toEqual(now);
    expect(now).toContain('flush');
    expect(costs.now).toBeGreaterThan(costs.then);
    expect(costs.waiting).toBeGreaterThan(0);
    expect(lossRisk).toBeLessThan(0.1);
    expect(states.tooWet).toBeLessThan(0.2);
  });
});
