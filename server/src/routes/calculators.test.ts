import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROUND_POT, testApp, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeAll(() => (app = testApp()));
afterAll(() => app.close());

const post = (path: string, body: object | string) => app.call.post(`/api/calc/${path}`).send(body);

const SITUATION = {
  taxon: 'Davallia fejeensis',
  date: '2026-03-20',
  spot: { latitudeDeg: 54, indoors: true, temperatureC: 20, relativeHumidity: 0.5, lampHours: 0 },
  pot: ROUND_POT,
  medium: { kind: 'bark' },
  lastRepot: '2024-05-01',
  signals: { rootsAtHoles: 'several', smell: 'fresh' },
};
const SOIL = {
  grainMm: 2,
  packing: 0.55,
  dryKgPerL: 0.18,
  totalPorosity: 0.87,
  airAt7_6cm: 0.14,
};

describe('calculators over HTTP', () => {
  it('pot: 15/11/13.5 cm holds 1.806 L', async () => {
    const { body } = await post('pot', {
      shape: 'round',
      topDiameterCm: 15,
      baseDiameterCm: 11,
      heightCm: 13.5,
    }).expect(200);
    expect(body.brimfulL).toBeCloseTo(1.806, 3);
    expect(body.fillL).toBeLessThan(body.brimfulL);
  });

  it('pot: every shape answers', async () => {
    const shapes = [
      { shape: 'cylinder', topDiameterCm: 12, heightCm: 20 },
      { shape: 'square', topLengthCm: 11, baseLengthCm: 8, heightCm: 12 },
      {
        shape: 'rectangular',
        topLengthCm: 40,
        topWidthCm: 18,
        baseLengthCm: 36,
        baseWidthCm: 14,
        heightCm: 16,
      },
      { shape: 'bowl', topDiameterCm: 26, baseDiameterCm: 10, heightCm: 11, headspaceCm: 2 },
    ];
    for (const shape of shapes) {
      const { body } = await post('pot', shape).expect(200);
      expect(body.brimfulL).toBeGreaterThan(body.fillL);
    }
  });

  it('season: 20° S on 3 September (FAO 56, examples 8 and 9)', async () => {
    const { body } = await post('season', {
      latitudeDeg: -20,
      date: '2026-09-03',
      temperatureC: 24.5,
      relativeHumidity: 0.4,
    }).expect(200);
    expect(body.extraterrestrialMJ).toBeCloseTo(32.2, 1);
    expect(body.daylightHours).toBeCloseTo(11.7, 1);
    expect(body.saturationKPa).toBeCloseTo(3.075, 3);
    expect(body.vpdKPa).toBeCloseTo(3.075 * 0.6, 3);
  });

  it('season: without temperature there is no pressure', async () => {
    const { body } = await post('season', { latitudeDeg: 54, date: '2026-06-21' }).expect(200);
    expect(Object.keys(body).sort()).toEqual(['daylightHours', 'extraterrestrialMJ']);
  });

  it('column: n = 2 at αH = 1 is 0.8814 full (closed form)', async () => {
    const { body } = await post('column', {
      thetaR: 0,
      thetaS: 1,
      alphaPerCm: 0.1,
      n: 2,
      heightCm: 10,
    }).expect(200);
    expect(body.water).toBeCloseTo(0.8814, 4);
    expect(body.water + body.air).toBeCloseTo(1, 9);
  });

  it('column: a porometer reading gives itself back', async () => {
    const { body } = await post('column', {
      totalPorosity: 0.87,
      airAt7_6cm: 0.14,
      n: 1.75,
      heightCm: 7.6,
    }).expect(200);
    expect(body.air).toBeCloseTo(0.14, 6);
    expect(body.alphaPerCm).toBeGreaterThan(0);
  });

  it('mix: litres of the parts, shrunk, are the litres mixed', async () => {
    const { body } = await post('mix', {
      parts: [
        { component: 'barkMedium', parts: 3 },
        { component: 'peat', parts: 2 },
      ],
      mixedL: 10,
      heightCm: 12,
      scoopL: 1,
    }).expect(200);
    expect(body.shrink).toBeCloseTo(0.21, 2);
    expect(body.measuredL * (1 - body.shrink)).toBeCloseTo(10, 9);
    const measured = body.components.reduce(
      (sum: number, { measureL }: { measureL: number }) => sum + measureL,
      0,
    );
    expect(measured).toBeCloseTo(body.measuredL, 9);
    expect(body.components[0].scoops).toBe(Math.round(body.components[0].measureL));
    expect(body.air + body.water).toBeCloseTo(body.totalPorosity, 9);
    expect(body.wetKgPerL).toBeCloseTo(body.dryKgPerL + body.water, 9);
    expect(body.lifeMonths).toBeGreaterThan(3);
  });

  it('mix: an own component alone does not shrink and does not rot', async () => {
    const { body } = await post('mix', {
      parts: [{ component: { ...SOIL, halfLifeMonths: null }, parts: 1 }],
      mixedL: 5,
    }).expect(200);
    expect(body.shrink).toBeCloseTo(0, 12);
    expect(body.air).toBeCloseTo(0.14, 6);
    expect(body.lifeMonths).toBeNull();
  });

  it('stability: r 5.5 cm, h 30 cm tips at 10.4°', async () => {
    const { body } = await post('stability', {
      baseRadiusCm: 5.5,
      bodies: [{ massKg: 2, heightCm: 30 }],
      pushHeightCm: 60,
    }).expect(200);
    expect(body.tipAngleDeg).toBeCloseTo(10.4, 1);
    expect(body.gravityHeightCm).toBe(30);
    expect(body.pushN).toBeCloseTo((2 * 9.80665 * 5.5) / 60, 6);
  });

  it('dilution: 1 part of 5 % in 10 in all is 0.5 %', async () => {
    const { body } = await post('dilution', {
      stockPercent: 5,
      targetPercent: 0.5,
      totalL: 10,
    }).expect(200);
    expect(body).toEqual({ stockL: 1, waterL: 9, ratio: 10 });
  });

  it('feed: 200 ppm of a 20 % product is 1 g/L', async () => {
    const { body } = await post('feed', {
      targetPpm: 200,
      nutrientPercent: 20,
      totalL: 4,
    }).expect(200);
    expect(body.gramsPerL).toBeCloseTo(1, 12);
    expect(body.grams).toBeCloseTo(4, 12);
  });

  it('decision: verdict with states, reasons, curves, schools', async () => {
    const { body } = await post('decision', SITUATION).expect(200);
    expect(['repotNow', 'repotInWeek']).toContain(body.verdict);
    expect(body.states.crowded).toBeGreaterThan(0.5);
    expect(body.curves.weeks).toHaveLength(52);
    expect(body.curves.disturbing).toHaveLength(52);
    expect(body.schools.map(({ school }: { school: string }) => school).sort()).toEqual([
      'need',
      'newRoots',
      'window',
    ]);
    for (const reason of body.reasons) {
      expect(reason).toMatchObject({ signal: expect.any(String), text: expect.any(String) });
    }
  });

  it('decision: full traits in place of a taxon, no looks at all', async () => {
    const { body: file } = await app.call.get('/api/taxa?q=clivia').expect(200);
    const { taxon: _taxon, ...rest } = SITUATION;
    const { body } = await post('decision', {
      ...rest,
      traits: file.items[0].traits,
      lastRepot: null,
      signals: {},
    }).expect(200);
    expect(body.headline).toBe('lookFirst');
    expect(body.lookAgain).toBe(rest.date);
  });

  it('fit: a ladder with a choice and a reason for every rung', async () => {
    const { body } = await post('fit', {
      ...SITUATION,
      pots: [],
      mix: 'barkEpiphyte',
      support: { lengthCm: 60, kg: 0.3 },
    }).expect(200);
    expect(body.ladder.length).toBeGreaterThan(4);
    expect(body.choice).toMatch(/standard/);
    for (const rung of body.ladder) {
      expect(rung.because).not.toBe('');
      expect(rung.newMediumL).toBeGreaterThanOrEqual(0);
      expect(rung.tipAngleDeg).toBeGreaterThan(0);
    }
  });
});

describe('cuts', () => {
  it('two 60 cm pieces and two 40 cm pieces come out of two lengths of 100 (by hand)', async () => {
    const { body } = await post('cuts', {
      stockCm: [100],
      pieces: [
        { lengthCm: 60, count: 2 },
        { lengthCm: 40, count: 2 },
      ],
    }).expect(200);
    expect(body).toMatchObject({ stockUsed: 2, wasteCm: 0, optimal: true });
    expect(body.patterns[0]).toMatchObject({ stockCm: 100, times: 2, offcutCm: 0 });
  });
});

/** What a keeper or a script may send by mistake, and the field that is named. */
const BAD: [path: string, what: string, body: object, field: string][] = [
  ['pot', 'no shape', { topDiameterCm: 14, heightCm: 12 }, 'shape'],
  ['pot', 'unknown shape', { ...ROUND_POT, shape: 'boot' }, 'shape'],
  ['pot', 'missing height', { shape: 'cylinder', topDiameterCm: 14 }, 'heightCm'],
  ['pot', 'text for a number', { ...ROUND_POT, topDiameterCm: '14' }, 'topDiameterCm'],
  ['pot', 'zero', { ...ROUND_POT, heightCm: 0 }, 'heightCm'],
  ['pot', 'negative', { ...ROUND_POT, baseDiameterCm: -4 }, 'baseDiameterCm'],
  ['pot', 'ten metres', { ...ROUND_POT, topDiameterCm: 1000 }, 'topDiameterCm'],
  ['pot', 'null for NaN', { ...ROUND_POT, heightCm: NaN }, 'heightCm'],
  ['pot', 'size of another shape', { ...ROUND_POT, topLengthCm: 3 }, 'topLengthCm'],
  ['pot', 'headspace above the rim', { ...ROUND_POT, headspaceCm: 30 }, 'headspaceCm'],
  ['season', 'latitude beyond the pole', { latitudeDeg: 95, date: '2026-01-01' }, 'latitudeDeg'],
  ['season', 'no date', { latitudeDeg: 5 }, 'date'],
  ['season', 'a day that is not', { latitudeDeg: 5, date: '2026-02-30' }, 'date'],
  ['season', 'day first', { latitudeDeg: 5, date: '03.09.2026' }, 'date'],
  [
    'season',
    'humidity in percent',
    { latitudeDeg: 5, date: '2026-01-01', relativeHumidity: 50 },
    'relativeHumidity',
  ],
  ['column', 'empty', {}, 'thetaR'],
  ['column', 'n of 1', { thetaR: 0, thetaS: 0.9, alphaPerCm: 0.1, n: 1, heightCm: 10 }, 'n'],
  [
    'column',
    'residual above saturation',
    { thetaR: 0.9, thetaS: 0.5, alphaPerCm: 0.1, n: 2, heightCm: 10 },
    'thetaR',
  ],
  [
    'column',
    'more air than pores',
    { totalPorosity: 0.5, airAt7_6cm: 0.8, n: 1.7, heightCm: 10 },
    'airAt7_6cm',
  ],
  ['mix', 'no parts', { parts: [], mixedL: 5 }, 'parts'],
  ['mix', 'parts all zero', { parts: [{ component: 'peat', parts: 0 }], mixedL: 5 }, 'sum'],
  [
    'mix',
    'negative part',
    { parts: [{ component: 'peat', parts: -1 }], mixedL: 5 },
    'parts.0.parts',
  ],
  [
    'mix',
    'unknown component',
    { parts: [{ component: 'gold', parts: 1 }], mixedL: 5 },
    'component',
  ],
  ['mix', 'no volume', { parts: [{ component: 'peat', parts: 1 }] }, 'mixedL'],
  [
    'mix',
    'a scoop of nothing',
    { parts: [{ component: 'peat', parts: 1 }], mixedL: 5, scoopL: 0 },
    'scoopL',
  ],
  [
    'mix',
    'own component without density',
    { parts: [{ component: { ...SOIL, dryKgPerL: undefined }, parts: 1 }], mixedL: 5 },
    'parts.0.component.dryKgPerL',
  ],
  ['stability', 'no body', { baseRadiusCm: 5, bodies: [] }, 'bodies'],
  ['stability', 'weightless', { baseRadiusCm: 5, bodies: [{ massKg: 0, heightCm: 10 }] }, 'sum'],
  [
    'dilution',
    'target above stock',
    { stockPercent: 3, targetPercent: 5, totalL: 1 },
    'targetPercent',
  ],
  ['dilution', '0 % stock', { stockPercent: 0, targetPercent: 0, totalL: 1 }, 'stockPercent'],
  ['feed', 'no nutrient', { targetPpm: 100, nutrientPercent: 0, totalL: 1 }, 'nutrientPercent'],
  ['feed', 'huge', { targetPpm: 100, nutrientPercent: 20, totalL: 1e12 }, 'totalL'],
  ['decision', 'unknown taxon', { ...SITUATION, taxon: 'Imaginaria nulla' }, 'taxon'],
  ['decision', 'unknown signal', { ...SITUATION, signals: { shoeSize: 44 } }, 'signals.shoeSize'],
  [
    'decision',
    'unknown value of a signal',
    { ...SITUATION, signals: { rootsAtHoles: 'lots' } },
    'signals.rootsAtHoles',
  ],
  ['decision', 'text for yes', { ...SITUATION, signals: { limp: 'yes' } }, 'signals.limp'],
  ['decision', 'share above 1', { ...SITUATION, signals: { ballCover: 80 } }, 'signals.ballCover'],
  ['decision', 'repot after the date', { ...SITUATION, lastRepot: '2027-01-01' }, 'lastRepot'],
  ['decision', 'wrong date', { ...SITUATION, date: '20 March' }, 'date'],
  ['decision', 'unknown medium', { ...SITUATION, medium: { kind: 'custard' } }, 'medium.kind'],
  [
    'decision',
    'three temperatures',
    { ...SITUATION, spot: { temperatureC: [1, 2, 3] } },
    'spot.temperatureC',
  ],
  [
    'decision',
    'an impossible pot',
    { ...SITUATION, pot: { ...ROUND_POT, heightCm: -1 } },
    'pot.heightCm',
  ],
  ['decision', 'unknown school', { ...SITUATION, schools: { when: 'never' } }, 'schools.when'],
  [
    'decision',
    'a trait of another type',
    { ...SITUATION, traits: { snug: 'very' } },
    'traits.snug',
  ],
  ['cuts', 'no stock', { stockCm: [], pieces: [{ lengthCm: 5, count: 1 }] }, 'stockCm'],
  ['cuts', 'a piece too long', { stockCm: [50], pieces: [{ lengthCm: 60, count: 1 }] }, 'pieces'],
  [
    'cuts',
    'too little stock',
    { stockCm: [{ lengthCm: 50, count: 1 }], pieces: [{ lengthCm: 40, count: 2 }] },
    'stockCm',
  ],
  [
    'cuts',
    'half a piece',
    { stockCm: [50], pieces: [{ lengthCm: 40, count: 0.5 }] },
    'pieces.0.count',
  ],
  ['fit', 'no layer like that', { ...SITUATION, layer: 'straw' }, 'layer'],
  ['fit', 'no pieces', { ...SITUATION, cuts: { pieces: 0 } }, 'cuts.pieces'],
  ['fit', 'unknown recipe', { ...SITUATION, mix: 'soup' }, 'mix'],
  [
    'fit',
    'a pot without a height',
    { ...SITUATION, pots: [{ shape: 'cylinder', topDiameterCm: 9 }] },
    'pots.0.heightCm',
  ],
];

describe('bad bodies', () => {
  it.each(BAD)('%s: %s names its field', async (path, _what, body, field) => {
    const response = await post(path, body);
    expect(response.status).toBeGreaterThanOrEqual(400);
    expect(response.status).toBeLessThan(500);
    expect(response.body.error.message).toEqual(expect.any(String));
    expect(response.body.error.code).toEqual(expect.any(String));
    expect(response.body.error.field).toBe(field);
  });

  it('there are at least 40 kinds of them', () => {
    expect(BAD.length).toBeGreaterThanOrEqual(40);
  });

  it.each(['{"shape":', '[1,2', 'NaN', '"pot"'])('malformed JSON %s is refused', async (text) => {
    const { status, body } = await app.call
      .post('/api/calc/pot')
      .set('Content-Type', 'application/json')
      .send(text);
    expect(status).toBe(400);
    expect(body.error.field).toBe('body');
  });

  it('no body at all, an array, a huge body', async () => {
    expect((await app.call.post('/api/calc/pot')).status).toBe(400);
    expect((await post('pot', [])).status).toBe(400);
    expect((await post('pot', { shape: 'x'.repeat(2_000_000) })).status).toBe(413);
  });
});
