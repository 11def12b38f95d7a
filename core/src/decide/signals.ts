import { percent } from '../number/index.ts';
import { OutOfRange } from '../number/outOfRange.ts';
import type { MeasuredFinding } from './measured.ts';

/**
 * Everything a look can find, with what it says of the five states.
 *
 * A weight is a log-odds: how much more often the finding is met when the state
 * holds than when it does not. `usual` is how often the value is met in a plant
 * that is fine; it only serves to tell beforehand what a look may bring.
 *
 * @source weights: common practice, no source; each value says why in its text
 */

export const STATES = ['crowded', 'mediumFailing', 'danger', 'tooWet', 'unstable'] as const;
export type State = (typeof STATES)[number];
export type Weights = Partial<Record<State, number>>;

/** Where the hand meets it: holes and pot → surface → growth → whole plant → ball → roots. */
export const SIGNAL_GROUPS = [
  { id: 'pot', label: 'Pot and holes', unpotted: false },
  { id: 'surface', label: 'Surface and medium', unpotted: false },
  { id: 'growth', label: 'Growth', unpotted: false },
  { id: 'plant', label: 'The whole plant', unpotted: false },
  { id: 'ball', label: 'Out of the pot', unpotted: true },
] as const;
export type SignalGroup = (typeof SIGNAL_GROUPS)[number]['id'];

export type SignalValue = string | boolean | number;

interface Choice {
  value: string | boolean;
  label: string;
  usual: number;
  weights: Weights;
  /** the reason, in words that follow "because" */
  text: string;
}

interface ChoiceOf<Id extends string> {
  kind: 'choice';
  id: Id;
  label: string;
  group: SignalGroup;
  choices: readonly Choice[];
}

interface ShareOf<Id extends string> {
  kind: 'share';
  id: Id;
  label: string;
  group: SignalGroup;
  /** shares a keeper is likely to find, with how usual they are in a plant that is fine */
  samples: readonly { value: number; usual: number }[];
  weights: (share: number) => Weights;
  text: (share: number) => string;
}

export type SignalDefinition = ChoiceOf<SignalId> | ShareOf<SignalId>;

type ChoiceRow = [
  value: string | boolean,
  label: string,
  usual: number,
  weights: Weights,
  text: string,
];

const choice = <Id extends string>(
  id: Id,
  label: string,
  group: SignalGroup,
  ...rows: ChoiceRow[]
): ChoiceOf<Id> => ({
  kind: 'choice',
  id,
  label,
  group,
  choices: rows.map(([value, valueLabel, usual, weights, text]) => ({
    value,
    label: valueLabel,
    usual,
    weights,
    text,
  })),
});

/** Yes or no; `no` carries the little that its absence tells. */
const yesNo = <Id extends string>(
  id: Id,
  label: string,
  group: SignalGroup,
  usual: number,
  weights: Weights,
  text: string,
  no: { weights: Weights; text: string } = { weights: {}, text: '' },
): ChoiceOf<Id> =>
  choice(
    id,
    label,
    group,
    [false, 'no', 1 - usual, no.weights, no.text],
    [true, 'yes', usual, weights, text],
  );

const ROWS = [
  choice(
    'rootsAtHoles',
    'Roots at the drainage holes',
    'pot',
    ['none', 'none', 0.55, { crowded: -2.4 }, 'no root has reached the holes'],
    ['one', 'at one', 0.25, { crowded: -0.8 }, 'a root shows at one hole only'],
    ['several', 'at several', 0.13, { crowded: 1.6 }, 'roots show at several holes'],
    ['every', 'at every one', 0.05, { crowded: 3.2 }, 'roots come out of every hole'],
    ['mat', 'a mat beneath', 0.02, { crowded: 4.8 }, 'roots form a mat under the pot'],
  ),
  yesNo(
    'potBulging',
    'Pot bulging',
    'pot',
    0.02,
    { crowded: 4.5 },
    'roots push the pot out of shape',
  ),
  yesNo(
    'growthAtWall',
    'New growth against the wall',
    'pot',
    0.12,
    { crowded: 2 },
    'new growth presses on the pot wall or leaves the pot',
    { weights: { crowded: -0.2 }, text: 'new growth still has room to the wall' },
  ),
  yesNo(
    'emptySide',
    'One side of the pot bare',
    'pot',
    0.15,
    { crowded: -0.4 },
    'one side of the pot is bare: the plant has walked, the medium is not used up',
  ),
  choice(
    'aerialRootsOutside',
    'Roots over the outside',
    'pot',
    ['none', 'none', 0.6, {}, ''],
    ['few', 'a few', 0.3, { crowded: 0.2 }, 'a few roots wander outside the pot'],
    ['many', 'many', 0.1, { crowded: 1.2 }, 'many roots grow outside the pot'],
  ),
  yesNo(
    'nurseryPlug',
    'Nursery plug or basket inside',
    'pot',
    0.03,
    { mediumFailing: 1.2, tooWet: 0.8 },
    'a nursery plug holds the roots in another medium that stays wet or dry on its own',
  ),
  choice(
    'wobble',
    'Stands firm?',
    'pot',
    ['no', 'firm', 0.8, { unstable: -0.5 }, 'it stands firm'],
    ['leans', 'leans', 0.17, { unstable: 1.5 }, 'it leans or wobbles'],
    ['topples', 'topples', 0.03, { unstable: 4.3 }, 'it topples'],
  ),
  choice(
    'rootsOnTop',
    'Roots on the surface',
    'surface',
    ['none', 'none', 0.65, { crowded: -0.2 }, 'no roots lie on the surface'],
    ['few', 'a few', 0.28, { crowded: 0.4 }, 'a few roots lie on the surface'],
    [
      'many',
      'many',
      0.07,
      { crowded: 1, mediumFailing: 0.4 },
      'many roots lie on the surface: no room or no air below',
    ],
  ),
  yesNo(
    'waterRunsThrough',
    'Water runs straight through',
    'surface',
    0.08,
    { crowded: 1.4, mediumFailing: 1.1 },
    'water runs straight through: roots have displaced the medium, or it repels water',
    { weights: { crowded: -0.4, mediumFailing: -0.2 }, text: 'the medium still takes up water' },
  ),
  yesNo(
    'driesSooner',
    'Dries sooner than it did',
    'surface',
    0.12,
    { crowded: 1.4, mediumFailing: 0.2 },
    'it dries sooner than at the same time last year',
    { weights: { crowded: -0.6 }, text: 'it does not dry sooner than it did' },
  ),
  yesNo(
    'staysWetLonger',
    'Stays wet longer than it did',
    'surface',
    0.08,
    { mediumFailing: 1.2, danger: 1.2, tooWet: 1.8 },
    'it stays wet longer than it did: pores have closed, or roots no longer drink',
    {
      weights: { mediumFailing: -0.3, tooWet: -0.8 },
      text: 'it does not stay wet longer than it did',
    },
  ),
  yesNo(
    'compacted',
    'Packed hard',
    'surface',
    0.08,
    { mediumFailing: 3 },
    'the medium is packed hard',
    { weights: { mediumFailing: -0.9 }, text: 'the medium is still loose' },
  ),
  yesNo(
    'mediumSunk',
    'Level has sunk',
    'surface',
    0.15,
    { mediumFailing: 0.9 },
    'the level has sunk: part of the medium has rotted away',
    { weights: { mediumFailing: -0.5 }, text: 'the level has not sunk' },
  ),
  choice(
    'smell',
    'Smell',
    'surface',
    [
      'fresh',
      'fresh',
      0.98,
      { mediumFailing: -0.25, danger: -0.8, tooWet: -0.5 },
      'it smells fresh: air still reaches the roots',
    ],
    [
      'sour',
      'sour',
      0.02,
      { mediumFailing: 2.2, danger: 4, tooWet: 1 },
      'it smells sour: the medium rots without air',
    ],
  ),
  choice(
    'mould',
    'Mould or mushrooms',
    'surface',
    ['none', 'none', 0.85, { danger: -0.2 }, 'no mould'],
    ['surface', 'on top', 0.14, { mediumFailing: 0.2 }, 'mould on the surface'],
    [
      'through',
      'all through',
      0.01,
      { mediumFailing: 2, danger: 1 },
      'mould runs all through the medium',
    ],
  ),
  choice(
    'saltCrust',
    'White salt crust',
    'surface',
    ['none', 'none', 0.75, {}, ''],
    ['some', 'some', 0.2, { mediumFailing: 0.15 }, 'some salt has gathered'],
    ['thick', 'thick', 0.05, { mediumFailing: 1.6 }, 'salt has gathered in a thick crust'],
  ),
  yesNo(
    'algae',
    'Algae',
    'surface',
    0.15,
    { mediumFailing: 0.2, tooWet: 0.3 },
    'algae: the surface or wall stays wet and lit',
  ),
  choice(
    'growth',
    'Growth',
    'growth',
    [
      'stalled',
      'stalled',
      0.12,
      { crowded: 0.2, mediumFailing: 0.5, danger: 0.6, tooWet: 0.8 },
      'growth has stalled',
    ],
    ['slow', 'slow', 0.25, { crowded: 0.1, mediumFailing: 0.2 }, 'growth is slow'],
    [
      'normal',
      'normal',
      0.48,
      { crowded: -0.3, danger: -0.6, mediumFailing: -0.4, tooWet: -0.8 },
      'growth is normal',
    ],
    [
      'vigorous',
      'vigorous',
      0.15,
      { crowded: 0.4, danger: -1, mediumFailing: -0.5, tooWet: -1.5 },
      'growth is vigorous: it will fill the pot soon',
    ],
  ),
  choice(
    'newLeaves',
    'New leaves',
    'growth',
    ['smaller', 'smaller', 0.12, { crowded: 0.5, mediumFailing: 0.4 }, 'new leaves come smaller'],
    ['same', 'the same', 0.63, { crowded: -0.45 }, 'new leaves come as large as before'],
    [
      'larger',
      'larger',
      0.25,
      { crowded: -0.6, mediumFailing: -0.3 },
      'new leaves come larger: it lacks nothing',
    ],
  ),
  yesNo(
    'oldLeavesYellowing',
    'Older leaves yellowing',
    'growth',
    0.15,
    { crowded: 0.1, mediumFailing: 0.25, danger: 0.4, tooWet: 0.4 },
    'older leaves yellow, one after another',
  ),
  yesNo(
    'brownTips',
    'Brown tips or edges',
    'growth',
    0.2,
    { mediumFailing: 0.1 },
    'tips or edges turn brown: the medium is one of several possible causes',
  ),
  yesNo(
    'leafSpots',
    'Spots on the leaves',
    'growth',
    0.1,
    { danger: 0.1 },
    'spots on the leaves: most causes lie outside the pot',
  ),
  yesNo(
    'stemBare',
    'Long bare stem',
    'growth',
    0.08,
    { unstable: 0.8 },
    'the stem has grown long and bare below its head',
  ),
  yesNo(
    'vinePastSupport',
    'Vine past its support',
    'growth',
    0.06,
    { unstable: 2.5 },
    'the vine has outgrown its support',
    { weights: { unstable: -0.3 }, text: 'the support still reaches' },
  ),
  choice(
    'newRootTips',
    'New root tips',
    'growth',
    ['none', 'none', 0.6, {}, ''],
    ['starting', 'just starting', 0.2, {}, ''],
    ['long', 'already long', 0.2, {}, ''],
  ),
  choice(
    'bloom',
    'Bloom',
    'growth',
    ['none', 'none', 0.75, {}, ''],
    ['bud', 'in bud', 0.1, {}, ''],
    ['open', 'open', 0.1, {}, ''],
    ['fading', 'fading', 0.05, {}, ''],
  ),
  yesNo('resting', 'Resting, leafless or about to', 'growth', 0.12, {}, ''),
  yesNo(
    'limp',
    'Limp, curled, little recoil',
    'plant',
    0.08,
    { danger: 0.7, mediumFailing: 0.2, tooWet: 0.3 },
    'it is limp: thirst or lost roots; feel the medium first',
    { weights: { danger: -0.1 }, text: 'leaves stand firm' },
  ),
  choice(
    'pests',
    'Pests',
    'plant',
    ['none', 'none', 0.85, { danger: -0.3 }, 'no pests seen'],
    ['gnats', 'gnats', 0.07, { mediumFailing: 0.2, tooWet: 0.4 }, 'gnats: the surface stays wet'],
    ['snails', 'snails', 0.01, { danger: 1 }, 'snails eat root tips'],
    ['ants', 'ants', 0.01, { danger: 0.3 }, 'ants nest in it or tend other pests'],
    [
      'mealy',
      'white mealy clusters',
      0.03,
      { danger: 2.5 },
      'mealy clusters, likely on the roots too',
    ],
    ['scale', 'scale at the base', 0.02, { danger: 1.2 }, 'scale sits at the base'],
    ['other', 'others', 0.01, { danger: 0.5 }, 'pests are on it'],
  ),
  yesNo('justArrived', 'Just arrived', 'plant', 0.03, {}, ''),
  yesNo(
    'coldHurt',
    'Hurt by cold: glassy, limp or black',
    'plant',
    0.01,
    { danger: 0.6, tooWet: 0.4 },
    'cold has hurt it: what is glassy may rot, and hurt roots drink little',
  ),
  {
    kind: 'share',
    id: 'ballCover' as const,
    label: 'Ball covered by roots',
    group: 'ball',
    samples: [
      { value: 0.2, usual: 0.2 },
      { value: 0.5, usual: 0.45 },
      { value: 0.8, usual: 0.27 },
      { value: 1, usual: 0.08 },
    ],
    weights: (cover) => ({
      crowded: 8 * (cover - 0.6),
      // Few roots in much medium: what they do not drink stays.
      tooWet: cover < 0.4 ? 7 * (0.4 - cover) : -3 * (cover - 0.4),
    }),
    text: (cover) => `roots cover ${percent(cover)} of the ball`,
  },
  choice(
    'circling',
    'Roots circling',
    'ball',
    ['none', 'not', 0.55, { crowded: -0.6 }, 'roots do not circle'],
    ['some', 'some', 0.35, { crowded: 0.6 }, 'some roots circle'],
    ['tight', 'tightly', 0.1, { crowded: 2.4 }, 'roots circle tightly'],
  ),
  {
    kind: 'share',
    id: 'liveRoots' as const,
    label: 'Roots alive',
    group: 'ball',
    samples: [
      { value: 0.3, usual: 0.02 },
      { value: 0.6, usual: 0.13 },
      { value: 0.8, usual: 0.4 },
      { value: 1, usual: 0.45 },
    ],
    // 60 % and more is ordinary, 45 % doubtful, 30 % and less acute.
    weights: (alive) => ({
      danger: alive < 0.6 ? Math.min(8.4, 28 * (0.6 - alive)) : -5 * (alive - 0.6),
      tooWet: 4 * (0.7 - alive),
      ...(alive < 0.5 ? { crowded: -1.5 } : {}),
    }),
    text: (alive) =>
      alive < 0.5
        ? `only ${percent(alive)} of the roots are alive: they no longer fill the pot`
        : `${percent(alive)} of the roots are alive`,
  },
  choice(
    'rot',
    'Rot',
    'ball',
    ['none', 'none', 0.97, { danger: -0.8 }, 'no rot on roots or stem'],
    ['roots', 'on roots', 0.028, { danger: 4.8, mediumFailing: 1, tooWet: 1 }, 'roots rot'],
    ['stem', 'in the stem', 0.002, { danger: 5.5 }, 'rot has reached stem or rhizome'],
  ),
  yesNo('infestedRoots', 'Infested roots', 'ball', 0.01, { danger: 5 }, 'roots are infested', {
    weights: { danger: -0.3 },
    text: 'no pests among the roots',
  }),
] satisfies readonly (ChoiceOf<string> | ShareOf<string>)[];
export const SIGNALS: readonly SignalDefinition[] = ROWS;

/**
 * One tap for a whole spot: someone walked past and saw nothing alarming. Weak
 * evidence, and no question of a look, which asks for what is really seen.
 */
const ALL_FINE = choice(
  'allFine',
  'All fine here',
  'plant',
  [false, 'no', 0.2, {}, ''],
  [
    true,
    'yes',
    0.8,
    { crowded: -0.3, mediumFailing: -0.3, danger: -0.7, unstable: -0.6 },
    'walked past: nothing alarming was seen',
  ],
);

/** What can be told of a plant: the findings of a look, and what its logs say. */
type Told = SignalId | MeasuredFinding['id'];

/**
 * Findings with one cause between them: the strongest counts in full, the
 * others at half.
 *
 * @source common practice, no source
 */
export const SHARED_CAUSES: readonly {
  cause: string;
  state: State;
  signals: readonly Told[];
}[] = [
  {
    cause: 'a pot that no longer holds water',
    state: 'crowded',
    signals: ['driesSooner', 'waterRunsThrough', 'usesMore', 'holdsLess'],
  },
  {
    cause: 'roots that have reached the wall',
    state: 'crowded',
    signals: ['rootsAtHoles', 'ballCover', 'circling', 'potBulging'],
  },
  {
    cause: 'closed pores',
    state: 'mediumFailing',
    signals: ['compacted', 'staysWetLonger', 'mediumSunk', 'usesLess', 'holdsLess'],
  },
  {
    cause: 'weak growth',
    state: 'mediumFailing',
    signals: ['growth', 'growthLog', 'newLeaves', 'oldLeavesYellowing', 'brownTips'],
  },
  { cause: 'weak growth', state: 'crowded', signals: ['newLeaves', 'oldLeavesYellowing'] },
  { cause: 'rot', state: 'mediumFailing', signals: ['smell', 'rot', 'mould'] },
  {
    cause: 'roots that do not drink',
    state: 'tooWet',
    signals: ['staysWetLonger', 'usesLess', 'algae', 'smell', 'rot'],
  },
];
export const SECOND_COUNTS = 0.5;

/** Findings that another one accounts for: beside it they are no evidence of their own. @source common practice, no source */
export const EXPLAINED_BY: Readonly<Partial<Record<SignalId, SignalId>>> = { limp: 'coldHurt' };

/**
 * Findings that say more together than each alone.
 *
 * @source common practice, no source
 */
export const TOGETHER: readonly {
  signals: readonly [signal: SignalId, value: SignalValue][];
  weights: Weights;
  text: string;
}[] = [
  {
    signals: [
      ['limp', true],
      ['staysWetLonger', true],
    ],
    weights: { danger: 1.5, tooWet: 1.3 },
    text: 'it is limp although it stays wet: that is no thirst, roots are lost',
  },
];

/** Findings that cannot both be the whole truth. */
export const CONTRADICTIONS: readonly {
  a: [SignalId, SignalValue];
  b: [SignalId, SignalValue];
  text: string;
}[] = [
  {
    a: ['waterRunsThrough', true],
    b: ['staysWetLonger', true],
    text: 'water runs straight through, yet it stays wet longer: a dry, repelling part beside a soaked one is likely; feel the ball',
  },
  {
    a: ['driesSooner', true],
    b: ['staysWetLonger', true],
    text: 'it cannot dry sooner and stay wet longer: weigh it after two waterings',
  },
  {
    a: ['growth', 'vigorous'],
    b: ['rot', 'stem'],
    text: 'vigorous growth above a rotted stem: the growth lives on its reserves',
  },
  {
    a: ['rootsAtHoles', 'none'],
    b: ['potBulging', true],
    text: 'a bulging pot without a root at the holes: check for swollen medium or thick roots inside',
  },
];

/** What a look found; absent means not looked. */
export type Signals = Readonly<Partial<Record<SignalId, SignalValue>>>;
export type SignalId = (typeof ROWS)[number]['id'] | (typeof ALL_FINE)['id'];

/** What a look may carry: the questions, and the glance. */
export const ALL_SIGNALS: readonly SignalDefinition[] = [...SIGNALS, ALL_FINE];

const byId = new Map<string, SignalDefinition>(
  ALL_SIGNALS.map((definition) => [definition.id, definition]),
);

/** @throws RangeError for an unknown signal */
export function signal(id: string): SignalDefinition {
  const found = byId.get(id);
  if (!found) throw new OutOfRange(`signals.${id} is not a signal`);
  return found;
}

/** The states that a finding speaks of, with the reason. @throws RangeError for a value out of range */
export function weigh(id: string, value: SignalValue): { weights: Weights; text: string } {
  const definition = signal(id);
  if (definition.kind === 'share') {
    if (typeof value !== 'number' || !(value >= 0 && value <= 1)) {
      throw new OutOfRange(`signals.${id} must be between 0 and 1, got ${String(value)}`);
    }
    return { weights: definition.weights(value), text: definition.text(value) };
  }
  const chosen = definition.choices.find((candidate) => candidate.value === value);
  if (!chosen) {
    const known = definition.choices.map((candidate) => String(candidate.value)).join(', ');
    throw new OutOfRange(`signals.${id} must be one of ${known}, got ${String(value)}`);
  }
  return { weights: chosen.weights, text: chosen.text };
}

/** Every value a look could bring for a signal, with how usual it is in a plant that is fine. */
export function possibleValues(
  definition: SignalDefinition,
): readonly { value: SignalValue; usual: number }[] {
  return definition.kind === 'share' ? definition.samples : definition.choices;
}
