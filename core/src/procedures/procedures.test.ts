import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUTIONS } from '../cautions/index.ts';
import { CATALOGUE, resolveTaxon } from '../catalogue/index.ts';
import { component } from '../media/index.ts';
import { moundOnPot } from '../mounds/index.ts';
import { procedure, STEP_IDS, tasksDoneBy, type ProcedureRequest, type StepId } from './index.ts';
import { inMetric, METRIC, spoken } from '../saying/index.ts';

/** A fern moved on from soil to soil, its ball kept. */
const FERN: ProcedureRequest = {
  traits: resolveTaxon('Nephrolepis exaltata')!.traits,
  signals: {},
  from: 'peatSoil',
  to: 'peatSoil',
  work: 'ballKept',
  pieces: 1,
  rootsPruned: false,
  potMaterial: 'plastic',
  depth: { layerCm: 0, bedCm: 3, levelCm: 12, headspaceCm: 1.4, screenCm: 9 },
  layer: 'screen',
  components: [component('pottingSoil'), component('perlite')],
  newMediumL: 1.2,
  support: null,
  wetKg: 2,
};
const traits = (taxon: string) => ({ traits: resolveTaxon(taxon)!.traits });
const BARK = {
  ...traits('Oncidium'),
  from: 'bark',
  to: 'bark',
  work: 'bareRoot',
  components: [component('barkMedium'), component('perlite'), component('charcoal')],
} as const;
const SHRUB = traits('Schefflera');
const CACTUS = {
  ...traits('Mammillaria'),
  from: 'mineral',
  to: 'mineral',
  work: 'mostOff',
  components: [component('pumice'), component('lava')],
} as const;
const POLE = {
  ...traits('Syngonium podophyllum'),
  support: {
    label: 'folded-sheet pole',
    lengthCm: 95,
    damp: true,
    ties: 6,
    fixing: 'wire through the rim',
  },
} as const;
const UNDER: NonNullable<ProcedureRequest['under']> = {
  kind: 'wick',
  gapCm: 4,
  summer: { levelCm: 3.8, litres: 0.9, days: 14, airGapCm: 0.2 },
  wick: { count: 2, winterCount: 1, lengthCm: 11, flowPerDayL: 0.07, liftCm: 8, reaches: true },
  wickKind: 'polyester',
  wickInsideCm: 4,
  cautions: ['wrapDark'],
};
const PEBBLES = { to: 'pebbles', components: [component('clayPebbles')] } as const;
const INFESTED = { signals: { infestedRoots: true } } as const;
const ROT = { signals: { rot: 'roots', liveRoots: 0.4 }, work: 'bareRoot' } as const;
const HUGE = { wetKg: 34 } as const;

type Row = [
  situation: string,
  change: Partial<ProcedureRequest>,
  must: StepId[],
  mustNot: StepId[],
  order?: StepId[],
];

// Rules of the trade, common practice, no source: which steps there must and must not be, and in which order.
const ROWS: Row[] = [
  // Unpotting
  [
    'a fern in plastic',
    {},
    ['squeezePot', 'waterBefore'],
    ['knifeRound', 'cutPot'],
    ['waterBefore', 'squeezePot'],
  ],
  ['the same in clay', { potMaterial: 'terracotta' }, ['knifeRound'], ['squeezePot', 'cutPot']],
  ['the same in a glazed pot', { potMaterial: 'glazed' }, ['knifeRound'], ['squeezePot']],
  ['a plastic pot that bulges', { signals: { potBulging: true } }, ['cutPot'], ['squeezePot']],
  [
    'a clay pot that is full',
    { potMaterial: 'terracotta', signals: { circling: 'tight' } },
    ['knifeRound', 'soakToLoosen'],
    ['cutPot'],
    ['soakToLoosen', 'knifeRound'],
  ],
  [
    'roots circling tightly in plastic',
    { signals: { circling: 'tight' } },
    ['cutPot', 'soakToLoosen', 'openCircling'],
    ['squeezePot'],
    ['soakToLoosen', 'cutPot', 'openCircling'],
  ],
  [
    'roots circling a little',
    { signals: { circling: 'some' } },
    ['openCircling', 'keepBall'],
    ['cutPot'],
    ['keepBall', 'openCircling'],
  ],
  ['no circling', {}, ['keepBall'], ['openCircling']],
  [
    'a plug inside the ball',
    { signals: { nurseryPlug: true } },
    ['takePlugOff'],
    [],
    ['squeezePot', 'takePlugOff'],
  ],
  ['a large plant', HUGE, ['twoPeople'], [], ['twoPeople', 'squeezePot']],
  ['a small one', {}, [], ['twoPeople']],
  ['an orchid in bark', BARK, ['soakToLoosen'], ['waterBefore'], ['soakToLoosen', 'takeAllOff']],
  ['a cactus', CACTUS, ['keepDry'], ['waterBefore', 'soakToLoosen']],
  [
    'a cactus that is jammed',
    { ...CACTUS, signals: { circling: 'tight' } },
    ['cutPot'],
    ['soakToLoosen'],
  ],
  // Old medium
  ['ball kept', {}, ['keepBall'], ['loosenOutside', 'takeAllOff', 'readRoots', 'weakRoots']],
  [
    'outside loosened',
    { work: 'mostOff' },
    ['loosenOutside', 'readRoots'],
    ['keepBall', 'takeAllOff'],
    ['loosenOutside', 'readRoots', 'weakRoots'],
  ],
  [
    'all off',
    { work: 'bareRoot' },
    ['takeAllOff', 'readRoots', 'spreadRoots'],
    ['keepBall', 'loosenOutside'],
  ],
  [
    'all off, all roots alive',
    { work: 'bareRoot', signals: { liveRoots: 1 } },
    ['readRoots'],
    ['weakRoots'],
  ],
  [
    'all off, half alive',
    { work: 'bareRoot', signals: { liveRoots: 0.5 } },
    ['weakRoots'],
    [],
    ['readRoots', 'weakRoots'],
  ],
  ['from soil to soil, all off', { work: 'bareRoot' }, ['takeAllOff'], ['rinseRoots']],
  // Rot and pests
  [
    'rotted roots',
    ROT,
    ['cutToClean', 'treatRot', 'weakRoots', 'cleanBlade'],
    [],
    ['cleanBlade', 'readRoots', 'weakRoots', 'cutToClean', 'treatRot'],
  ],
  ['rot, peroxide school', { ...ROT, schools: { rot: 'peroxide' } }, ['treatRot'], []],
  ['rotted roots are rinsed', ROT, ['rinseRoots'], []],
  [
    'rot waits for dry cuts and a dry start',
    { ...ROT, ...SHRUB },
    ['dryWounds', 'holdWater'],
    ['waterNow', 'waterAgain'],
    ['treatRot', 'dryWounds', 'holdWater'],
  ],
  [
    'a rotted cactus',
    { ...CACTUS, signals: { rot: 'stem' } },
    ['callus', 'cutToClean', 'holdWater'],
    ['waterNow'],
    ['cutToClean', 'callus', 'screen', 'holdWater'],
  ],
  ['nothing rotted', { work: 'mostOff' }, [], ['cutToClean', 'treatRot']],
  [
    'infested roots',
    INFESTED,
    ['keepApart', 'washPests', 'cleanUp'],
    [],
    ['keepApart', 'squeezePot', 'washPests'],
  ],
  ['mealy bugs at the base', { signals: { pests: 'mealy' } }, ['keepApart', 'washPests'], []],
  ['snails are picked out', { signals: { pests: 'snails' } }, ['washPests'], ['keepApart']],
  [
    'ants are knocked out',
    { signals: { pests: 'ants' } },
    ['washPests', 'keepBall'],
    ['keepApart'],
  ],
  ['gnats alone', { signals: { pests: 'gnats' } }, [], ['keepApart', 'washPests']],
  ['clean', {}, [], ['keepApart', 'washPests']],
  // Cuts and wounds
  [
    'roots pruned',
    { ...SHRUB, rootsPruned: true },
    ['pruneRoots', 'cleanBlade', 'holdWater'],
    ['waterNow'],
    ['cleanBlade', 'pruneRoots'],
  ],
  [
    'divided in three',
    { ...SHRUB, pieces: 3 },
    ['divide', 'dryWounds', 'spreadRoots', 'holdWater'],
    [],
    ['divide', 'dryWounds', 'setPlant'],
  ],
  ['an orchid divided', { ...BARK, pieces: 2 }, ['divide', 'cleanBlade'], []],
  ['not divided', {}, [], ['divide', 'dryWounds', 'callus']],
  ['a cactus with its ball kept', { ...CACTUS, work: 'ballKept' }, [], ['callus']],
  ['a cactus with its roots opened', CACTUS, ['callus'], ['dryWounds'], ['callus', 'fillDamp']],
  [
    'a cactus divided',
    { ...CACTUS, pieces: 2 },
    ['callus', 'divide'],
    ['dryWounds'],
    ['divide', 'callus'],
  ],
  // Pot and support
  ['a screen over the holes', {}, ['screen'], ['ballast'], ['screen', 'bed']],
  [
    'grit as ballast',
    { layer: 'ballast', depth: { ...FERN.depth, layerCm: 2 } },
    ['ballast', 'screen'],
    [],
    ['screen', 'ballast', 'bed'],
  ],
  ['nothing on the floor', { layer: 'none' }, [], ['screen', 'ballast']],
  ['a pot without holes', { depth: { ...FERN.depth, screenCm: null } }, [], ['screen']],
  ['a pot from its soak', { potSoaking: true }, ['rinsePot'], [], ['rinsePot', 'squeezePot']],
  ['a clean pot', {}, [], ['rinsePot']],
  [
    'a pole',
    POLE,
    ['setSupport', 'tie', 'limpVine'],
    ['waterBefore', 'secure'],
    ['limpVine', 'setSupport', 'bed', 'fillDamp', 'tie'],
  ],
  [
    'a pole without ties',
    { ...POLE, support: { ...POLE.support, ties: 0 } },
    ['setSupport'],
    ['tie'],
  ],
  ['no pole', {}, [], ['setSupport', 'tie', 'limpVine']],
  ['the ball fills the pot to its floor', { depth: { ...FERN.depth, bedCm: 0 } }, [], ['bed']],
  // Seating
  ['a plant that walks', traits('Oncidium'), ['setWalker'], ['setPlant']],
  ['one that does not', {}, ['setPlant'], ['setWalker']],
  [
    'aerial roots outside',
    { ...POLE, signals: { aerialRootsOutside: 'many' } },
    ['leadRoots'],
    [],
    ['leadRoots', 'fillDamp'],
  ],
  ['hair roots are not pressed', {}, ['settle', 'level'], []],
  [
    'a top dressing',
    { topDressing: 'Lay 7 mm of worm compost, 146 mL' },
    ['topDress'],
    [],
    ['level', 'topDress', 'label'],
  ],
  ['no dressing', {}, [], ['topDress']],
  ['a bare orchid is held', BARK, ['secure'], []],
  ['a plant that leans', { signals: { wobble: 'leans' } }, ['secure'], []],
  // Filling and water
  [
    'peat wetted before',
    {},
    ['preWet', 'fillDamp'],
    ['fillDry', 'waterDoses'],
    ['preWet', 'fillDamp', 'waterNow'],
  ],
  [
    'peat filled dry',
    { schools: { wetting: 'dryFill' } },
    ['fillDry', 'waterDoses'],
    ['preWet', 'fillDamp', 'waterNow'],
    ['fillDry', 'waterDoses'],
  ],
  ['a mineral mix is never pre-wetted', { ...CACTUS }, ['soakComponents'], ['preWet', 'fillDry']],
  ['bark is soaked ahead', BARK, ['soakComponents'], ['preWet'], ['soakComponents', 'fillDamp']],
  ['nothing new to mix', { newMediumL: 0 }, [], ['soakComponents', 'preWet']],
  [
    'a slow mix is watered twice',
    {},
    ['waterNow', 'waterAgain'],
    ['holdWater'],
    ['waterNow', 'waterAgain'],
  ],
  [
    'a quick mix once',
    { components: [component('grit'), component('loamCompost')] },
    ['waterNow'],
    ['waterAgain'],
  ],
  [
    'a fern with rot is damp at once all the same: it must never dry out',
    ROT,
    ['dryWounds', 'waterNow'],
    ['holdWater'],
  ],
  [
    'the school of waiting a week',
    { ...SHRUB, schools: { firstWater: 'afterWeek' } },
    ['holdWater'],
    ['waterNow', 'waterAgain'],
  ],
  [
    'the school of water at once, though cut',
    { rootsPruned: true, schools: { firstWater: 'atOnce' } },
    ['waterNow'],
    ['holdWater'],
  ],
  ['a succulent waits', CACTUS, ['holdWater'], ['waterNow']],
  // Moss
  [
    'into moss',
    { ...BARK, to: 'moss', components: [component('longMoss')] },
    ['packMoss', 'soakComponents', 'rinseRoots'],
    ['settle', 'level', 'bed', 'waterAgain'],
  ],
  [
    'a moss mound',
    { ...BARK, to: 'moss', mound: moundOnPot(12, 0), components: [component('longMoss')] },
    ['soakMoss', 'seatOnNetPot', 'wrapMoss', 'checkMound'],
    ['screen', 'bed', 'packMoss', 'setWalker'],
    ['soakMoss', 'seatOnNetPot', 'wrapMoss', 'checkMound', 'label'],
  ],
  ['from moss to mix', { from: 'moss' }, ['waterBefore', 'fillDamp'], ['packMoss']],
  // Pebbles
  [
    'from soil to pebbles, the long way',
    { ...PEBBLES, work: 'bareRoot' },
    ['waterJar', 'rinseRoots', 'pourPebbles', 'fillReservoir'],
    ['settle', 'topDress', 'waterNow', 'preWet'],
    ['takeAllOff', 'rinseRoots', 'waterJar', 'pourPebbles', 'fillReservoir'],
  ],
  [
    'from soil to pebbles, straight in',
    { ...PEBBLES, work: 'bareRoot', schools: { toPebbles: 'straight' } },
    ['pourPebbles', 'rinseRoots'],
    ['waterJar'],
  ],
  [
    'from pebbles to pebbles',
    { ...PEBBLES, from: 'pebbles', work: 'bareRoot' },
    ['easeOut', 'pourPebbles', 'rinseRoots'],
    ['waterJar', 'soakToLoosen', 'waterBefore'],
  ],
  [
    'from pebbles to soil',
    { from: 'pebbles', work: 'bareRoot' },
    ['easeOut', 'fillDamp', 'waterNow'],
    ['pourPebbles', 'waterJar', 'fillReservoir'],
  ],
  [
    'pebbles need no ballast',
    { ...PEBBLES, work: 'bareRoot', layer: 'ballast' },
    ['screen'],
    ['ballast'],
  ],
  // Cuttings
  [
    'a cutting from moss',
    { start: 'cuttingFromMoss', work: 'bareRoot', from: 'moss' },
    ['rinseCutting', 'readRoots', 'spreadRoots'],
    ['squeezePot', 'takeAllOff', 'waterBefore', 'weakRoots'],
    ['rinseCutting', 'bed', 'spreadRoots'],
  ],
  [
    'a cutting from water',
    { start: 'cuttingFromWater', work: 'bareRoot' },
    ['rinseCutting', 'waterNow'],
    ['squeezePot', 'waterJar', 'secure'],
  ],
  [
    'pebbles in a clear vessel, on wicks',
    { ...PEBBLES, work: 'bareRoot', under: UNDER },
    ['wrapVessel', 'threadWicks', 'setOverWater', 'pourPebbles', 'fillReservoir'],
    ['holdWater', 'waterNow'],
    ['threadWicks', 'setPlant', 'pourPebbles', 'setOverWater', 'fillReservoir'],
  ],
  [
    'pebbles above holes, of a plant with aerial roots',
    {
      ...PEBBLES,
      work: 'bareRoot',
      under: { ...UNDER, kind: 'holes', wick: null, wickKind: null, cautions: [] },
      signals: { aerialRootsOutside: 'many' },
    },
    ['makeHoles', 'leaveAerial', 'fillReservoir'],
    ['wrapVessel', 'threadWicks', 'setOverWater', 'leadRoots'],
  ],
  [
    'a cutting from water into pebbles',
    { ...PEBBLES, start: 'cuttingFromWater', work: 'bareRoot' },
    ['pourPebbles', 'fillReservoir'],
    ['waterJar'],
  ],
];

const ids = (change: Partial<ProcedureRequest>) =>
  procedure({ ...FERN, ...change } as ProcedureRequest).map(({ id }) => id);

describe('procedures as a table of situations', () => {
  it('knows at least sixty', () => {
    expect(ROWS.length).toBeGreaterThanOrEqual(60);
  });

  it.each(ROWS)('%s', (_situation, change, must, mustNot, order = []) => {
    const steps = ids(change);
    for (const id of must) expect(steps, id).toContain(id);
    for (const id of mustNot) expect(steps, id).not.toContain(id);
    const places = order.map((id) => steps.indexOf(id));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(places.every((place) => place >= 0)).toBe(true);
  });

  it('every step is asked for by some situation', () => {
    const seen = new Set(ROWS.flatMap(([, change]) => ids(change)));
    for (const id of STEP_IDS) expect(seen, id).toContain(id);
  });
});

describe('any procedure', () => {
  const anything = fc.record({
    taxon: fc.constantFrom(...CATALOGUE),
    from: fc.constantFrom('bark', 'moss', 'pebbles', 'peatSoil', 'loam', 'mineral', 'mix'),
    to: fc.constantFrom('bark', 'moss', 'pebbles', 'peatSoil', 'loam', 'mineral', 'mix'),
    work: fc.constantFrom('ballKept', 'mostOff', 'bareRoot'),
    pieces: fc.integer({ min: 1, max: 4 }),
    rootsPruned: fc.boolean(),
    rot: fc.constantFrom('none', 'roots', 'stem'),
    mound: fc.constantFrom(null, moundOnPot(12, 0)),
  });

  it('has no step twice, says why at each, and keeps the order of the hands', () => {
    fc.assert(
      fc.property(anything, ({ taxon, rot, ...change }) => {
        const steps = procedure({
          ...FERN,
          ...change,
          traits: taxon.traits,
          signals: { rot },
        } as ProcedureRequest);
        const names = steps.map(({ id }) => id);
        expect(new Set(names).size).toBe(names.length);
        for (const { title, why, cautions, timer } of steps) {
          expect(spoken(title, METRIC).length).toBeGreaterThan(6);
          expect(why.length).toBeGreaterThan(10);
          for (const caution of cautions) expect(CAUTIONS[caution]).toBeTruthy();
          if (timer) expect(timer.minutes).toBeGreaterThan(0);
        }
        const places = names.map((id) => STEP_IDS.indexOf(id));
        expect(places).toEqual([...places].sort((a, b) => a - b));
      }),
    );
  });

  it('bleach and peroxide are never handled without the warning of what they must not meet', () => {
    expect(CAUTIONS.bleach).toMatch(/Never with acid, ammonia or peroxide/);
    const rotted = procedure({ ...FERN, ...ROT, schools: { rot: 'peroxide' } } as ProcedureRequest);
    expect(rotted.find(({ id }) => id === 'treatRot')!.cautions).toContain('peroxide');
    expect(procedure(FERN).find(({ id }) => id === 'cleanUp')!.cautions).toContain('bleach');
  });
});

describe('a mix that stands ready in the tub', () => {
  it('is not soaked, wetted or measured again for each pot', () => {
    const own = procedure(FERN).map(({ id }) => id);
    const fromTub = procedure({ ...FERN, mixed: true }).map(({ id }) => id);
    expect(own).toContain('preWet');
    expect(fromTub).toEqual(own.filter((id) => id !== 'soakComponents' && id !== 'preWet'));
  });

  it('is handled with the caution that whoever mixed it was told', () => {
    const told = (mixed: boolean) =>
      procedure({ ...FERN, mixed })
        .filter(({ cautions }) => cautions.includes('biohazard'))
        .map(({ id }) => id);
    expect(told(false)).toContain('preWet');
    expect(told(true)).toEqual(expect.arrayContaining(['bed', 'fillDamp']));
  });
});

describe('what aftercare need not ask for', () => {
  it('is the water that was given at the bench, in every way of giving it', () => {
    expect(tasksDoneBy(['setPlant', 'waterNow', 'waterAgain', 'place'])).toEqual([
      'firstWater',
      'secondWater',
    ]);
    expect(tasksDoneBy(['waterDoses'])).toEqual(['firstWater']);
    expect(tasksDoneBy(['fillReservoir'])).toEqual(['firstWater']);
  });

  it('is not a water that is held back', () => {
    expect(tasksDoneBy(['setPlant', 'holdWater', 'cleanUp'])).toEqual([]);
  });
});

it('the reservoir is filled to its litres and its level, by the work of its wicks', () => {
  const steps = procedure({
    ...FERN,
    ...PEBBLES,
    work: 'bareRoot',
    under: UNDER,
  } as ProcedureRequest);
  const said = (id: string) => inMetric(steps.find((step) => step.id === id)!.title);
  expect(said('fillReservoir')).toMatch(/until 900 mL stand 3\.8 cm deep in the vessel/);
  expect(said('threadWicks')).toMatch(/2 wicks of polyester cord, 6 mm, 11 cm long/);
  const wicks = steps.find(({ id }) => id === 'threadWicks')!;
  expect(wicks.items!.map(inMetric).join()).toMatch(/in the dark months 1 is enough/);
});
