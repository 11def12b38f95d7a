import { describe, expect, it } from 'vitest';
import { CATALOGUE, GROUPS, type Taxon } from '../catalogue/index.ts';
import type { Signals } from '../decide/index.ts';
import { component, type MediumKind } from '../media/index.ts';
import { moundOnPot } from '../mounds/index.ts';
import { procedure, type ProcedureRequest, type Step, type StepId } from './index.ts';
import { METRIC, spoken } from '../saying/index.ts';

/**
 * What may not stand together in one job: each step may be right, the two are not. Written down before
 * the steps were asked. @source common practice, no source
 */
const NEVER_BOTH: [why: string, one: StepId[], other: StepId[]][] = [
  ['a ball is whole or its medium is off', ['keepBall'], ['takeAllOff', 'loosenOutside']],
  ['a whole ball has no bare roots', ['keepBall'], ['rinseRoots', 'spreadRoots', 'waterJar']],
  ['a whole ball is not cut', ['keepBall'], ['divide', 'pruneRoots', 'cutToClean']],
  ['a core that stays cannot go on among pebbles', ['loosenOutside'], ['pourPebbles']],
  [
    'grown-in pebbles stay, or all comes off',
    ['easeOut'],
    ['takeAllOff', 'keepBall', 'loosenOutside'],
  ],
  [
    'one is enough: damp ball, soak, limp stems, or dry roots',
    ['waterBefore'],
    ['soakToLoosen', 'limpVine', 'keepDry'],
  ],
  ['what is soaked is neither limp nor dry', ['soakToLoosen'], ['limpVine', 'keepDry']],
  ['one way out of the pot', ['cutPot'], ['squeezePot', 'knifeRound']],
  ['one way out of the pot', ['squeezePot'], ['knifeRound']],
  [
    'a cut closes dry for days, or roots stand in water',
    ['callus'],
    ['waterJar', 'waterNow', 'waterDoses', 'fillReservoir'],
  ],
  ['a wound dries for a day or for half an hour', ['callus'], ['dryWounds']],
  [
    'the first water is held back or given',
    ['holdWater'],
    ['waterNow', 'waterDoses', 'waterAgain', 'fillReservoir'],
  ],
  ['water is given in one way', ['waterDoses'], ['waterNow', 'waterAgain', 'fillReservoir']],
  [
    'a reservoir is filled, not watered',
    ['fillReservoir'],
    ['waterNow', 'waterAgain', 'topDress', 'ballast'],
  ],
  ['filled dry, or wetted before', ['fillDry'], ['preWet', 'waterNow']],
  ['pebbles, moss or mix', ['pourPebbles'], ['packMoss', 'fillDamp', 'fillDry', 'settle']],
  ['moss or mix', ['packMoss'], ['fillDamp', 'fillDry', 'settle', 'bed']],
  [
    'a mound stands on no floor',
    ['seatOnNetPot'],
    ['bed', 'screen', 'ballast', 'setSupport', 'tie', 'setPlant', 'setWalker'],
  ],
  [
    'a mound is wrapped, not filled',
    ['wrapMoss'],
    ['packMoss', 'fillDamp', 'pourPebbles', 'keepBall'],
  ],
  ['moss is soaked once', ['soakMoss'], ['soakComponents', 'preWet']],
  ['it is held by its support, or by a clip', ['setSupport'], ['secure']],
];

const has = (steps: readonly Step[], id: StepId) => steps.some((step) => step.id === id);
const titleOf = (steps: readonly Step[], id: StepId) =>
  spoken(steps.find((step) => step.id === id)?.title ?? '', METRIC);

/** What a situation demands or forbids, whatever else was chosen. @source common practice, no source */
const DEMANDS: [
  why: string,
  where: (request: ProcedureRequest) => boolean,
  held: (steps: readonly Step[], request: ProcedureRequest) => boolean,
][] = [
  [
    'sour, rotted, mouldy or infested medium comes off whatever the school says',
    ({ signals, from }) => FOUL.includes(signals) && from !== 'pebbles',
    (steps) => has(steps, 'takeAllOff') && has(steps, 'rinseRoots'),
  ],
  [
    'what rots or is sour is given no water before',
    ({ signals }) => FOUL.includes(signals),
    (steps) => !has(steps, 'waterBefore'),
  ],
  [
    'nothing is filled where there is nothing',
    () => true,
    (steps) => steps.every(({ title }) => !/\b0(\.0+)? (L|mL|cm)\b/.test(spoken(title, METRIC))),
  ],
  [
    'a net pot is cut or eased off',
    ({ potMaterial }) => potMaterial === 'net',
    (steps) => has(steps, 'cutPot'),
  ],
  [
    'no warmth for what rests cold',
    ({ traits }) => traits.floorC < 5,
    (steps) => !/warm/.test(titleOf(steps, 'place')),
  ],
  [
    'what must never dry is not left in the air for days',
    ({ traits, schools }) => traits.drying === 'evenlyMoist' && schools?.rot === 'dryAir',
    (steps) => !/until it has closed/.test(titleOf(steps, 'treatRot')) && !has(steps, 'holdWater'),
  ],
  [
    'infested plants are worked on last, with tools of their own, and washed',
    ({ signals }) => signals.infestedRoots === true || signals.pests === 'mealy',
    (steps) => ['keepApart', 'washPests'].every((id) => has(steps, id as StepId)),
  ],
  [
    'something is done about the water',
    () => true,
    (steps) =>
      ['holdWater', 'waterNow', 'waterDoses', 'fillReservoir'].some((id) =>
        has(steps, id as StepId),
      ),
  ],
];
/** What no medium may stay on after. */
const FOUL: Signals[] = [
  { rot: 'roots', liveRoots: 0.4 },
  { rot: 'stem' },
  { smell: 'sour' },
  { mould: 'through' },
  { infestedRoots: true },
  { pests: 'mealy' },
];
const FINDINGS: Signals[] = [
  {},
  ...FOUL,
  { pests: 'scale' },
  { circling: 'tight', potBulging: true },
  { circling: 'some', wobble: 'leans' },
  { nurseryPlug: true, aerialRootsOutside: 'many' },
  { liveRoots: 0.5, staysWetLonger: true },
];
const KINDS: MediumKind[] = ['peatSoil', 'loam', 'mix', 'bark', 'moss', 'mineral', 'pebbles'];
const COMPONENT: Record<MediumKind, string[]> = {
  peatSoil: ['pottingSoil', 'perlite'],
  loam: ['loamCompost', 'grit'],
  mix: ['pottingSoil', 'barkMedium', 'perlite'],
  bark: ['barkMedium', 'charcoal'],
  moss: ['longMoss'],
  mineral: ['pumice', 'lava'],
  pebbles: ['clayPebbles'],
  bare: ['grit'],
};
const POTS = ['plastic', 'terracotta', 'net'] as const;
const CHOICES: Partial<ProcedureRequest>[] = [
  {},
  { pieces: 3 },
  { rootsPruned: true },
  { newMediumL: 0, depth: { layerCm: 0, bedCm: 0, levelCm: 12, headspaceCm: 1.4, screenCm: 9 } },
  { mound: moundOnPot(12, 0) },
  {
    schools: {
      firstWater: 'afterWeek',
      wetting: 'dryFill',
      rot: 'peroxide',
      toPebbles: 'straight',
    },
  },
  { schools: { firstWater: 'atOnce', rot: 'dryAir', weakRoots: 'anchors' } },
  {
    support: { label: 'pole', lengthCm: 90, damp: true, ties: 4, fixing: 'wired to the pot' },
    layer: 'ballast',
    topDressing: 'Lay 7 mm of grit',
  },
];

/** One kind of each group: what a procedure asks of a plant is its group's, nearly. */
const kinds: Taxon[] = GROUPS.flatMap(
  ({ id }) => CATALOGUE.find(({ group }) => group === id) ?? [],
);

function* jobs(): Generator<[string, ProcedureRequest]> {
  for (const [i, taxon] of kinds.entries()) {
    for (const from of KINDS) {
      for (const to of KINDS) {
        for (const [j, signals] of FINDINGS.entries()) {
          for (const [k, work] of (['ballKept', 'mostOff', 'bareRoot'] as const).entries()) {
            const choice = CHOICES[(i + j + 3 * k + from.length + 2 * to.length) % CHOICES.length]!;
            const mound = to === 'moss' ? (choice.mound ?? null) : null;
            const request: ProcedureRequest = {
              traits: taxon.traits,
              signals,
              from,
              to,
              work,
              pieces: 1,
              rootsPruned: false,
              potMaterial: POTS[(i + j) % POTS.length]!,
              depth: { layerCm: 1, bedCm: 3, levelCm: 12, headspaceCm: 1.4, screenCm: 9 },
              layer: 'screen',
              components: COMPONENT[to].map(component),
              newMediumL: 1.2,
              support: null,
              wetKg: 2,
              ...choice,
              mound,
            };
            const name = `${taxon.name}, ${from} to ${to}, ${work}, ${JSON.stringify(signals)}, ${JSON.stringify({ ...choice, mound: mound !== null })}`;
            yield [name, request];
          }
        }
      }
    }
  }
}

describe('the steps of one job', () => {
  it('never contradict each other, over every group, medium, finding and way of working', () => {
    const faults = new Map<string, string>();
    let asked = 0;
    const met = new Set<StepId>();
    for (const [name, request] of jobs()) {
      asked += 1;
      const steps = procedure(request);
      for (const { id } of steps) met.add(id);
      for (const [why, one, other] of NEVER_BOTH) {
        const both = [one, other].map((ids) => ids.filter((id) => has(steps, id)));
        if (both.every((ids) => ids.length > 0))
          faults.set(`${why}: ${both.flat().join(' + ')}`, name);
      }
      for (const [why, where, held] of DEMANDS) {
        if (where(request) && !held(steps, request)) faults.set(why, name);
      }
    }
    expect(asked).toBeGreaterThan(20_000);
    expect(Object.fromEntries(faults)).toEqual({});
    // A table of steps that never come would hold whatever they said.
    for (const [why, one, other] of NEVER_BOTH) {
      for (const id of [...one, ...other]) expect(met, `${id}: ${why}`).toContain(id);
    }
  });
});
