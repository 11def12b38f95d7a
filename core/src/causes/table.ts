import type { SignalId } from '../decide/index.ts';
/**
 * Why a plant looks poorly: causes beside the pot, what speaks for each, and
 * the checks that tell them apart.
 *
 * @source weights, thresholds and checks: common practice, no source
 */
export const CAUSES = [
  { id: 'pot', label: 'the pot: roots have used it, or its medium fails', prior: -0.4 },
  { id: 'tooWet', label: 'too wet for too long', prior: 0 },
  { id: 'tooDry', label: 'too dry between waterings', prior: 0 },
  { id: 'tooDark', label: 'too dark', prior: -0.3 },
  { id: 'sunBurnt', label: 'sun-burnt', prior: -1.2 },
  { id: 'cold', label: 'too cold', prior: -1.2 },
  { id: 'dryAir', label: 'air too dry', prior: -0.8 },
  { id: 'salts', label: 'salts, hard water or fluoride', prior: -0.8 },
  { id: 'pests', label: 'pests', prior: -0.8 },
  { id: 'rest', label: 'its usual rest', prior: -1 },
  { id: 'freshMove', label: 'a fresh move or repot', prior: -1.2 },
] as const;
export type CauseId = (typeof CAUSES)[number]['id'];
export type CauseWeights = Partial<Record<CauseId, number>>;

/** What a keeper complains of; each finding speaks for several causes. */
export const SYMPTOMS: readonly {
  signal: SignalId;
  is: string | boolean;
  words: string;
  weights: CauseWeights;
}[] = [
  {
    signal: 'oldLeavesYellowing',
    is: true,
    words: 'older leaves yellow',
    weights: {
      pot: 0.8,
      tooWet: 1.2,
      tooDry: 0.6,
      tooDark: 0.8,
      sunBurnt: 0.2,
      cold: 0.5,
      salts: 0.4,
      pests: 0.4,
      rest: 1,
      freshMove: 0.6,
    },
  },
  {
    signal: 'limp',
    is: true,
    words: 'it is limp',
    weights: {
      pot: 0.4,
      tooWet: 1.1,
      tooDry: 1.5,
      tooDark: -0.4,
      sunBurnt: 0.4,
      cold: 0.6,
      dryAir: 0.3,
      salts: 0.4,
      pests: 0.3,
      rest: 0.2,
      freshMove: 0.7,
    },
  },
  {
    signal: 'brownTips',
    is: true,
    words: 'tips or edges turn brown',
    weights: {
      pot: 0.2,
      tooWet: 0.3,
      tooDry: 0.7,
      sunBurnt: 0.5,
      cold: 0.1,
      dryAir: 1.6,
      salts: 1.6,
      pests: -0.2,
    },
  },
  {
    signal: 'newLeaves',
    is: 'smaller',
    words: 'new leaves come smaller',
    weights: { pot: 1, tooWet: 0.4, tooDry: 0.5, tooDark: 1.2, salts: 0.3, pests: 0.6, rest: 0.2 },
  },
  {
    signal: 'growth',
    is: 'stalled',
    words: 'growth has stalled',
    weights: {
      pot: 0.6,
      tooWet: 0.5,
      tooDry: 0.4,
      tooDark: 0.9,
      cold: 0.9,
      salts: 0.3,
      pests: 0.4,
      rest: 1.3,
      freshMove: 0.8,
    },
  },
  {
    signal: 'leafSpots',
    is: true,
    words: 'leaves are spotted',
    weights: { pot: -0.2, tooWet: 0.6, sunBurnt: 1.2, cold: 0.7, salts: 0.2, pests: 1 },
  },
];

/** Other findings that point at a cause, or away from it. */
export const POINTERS: readonly {
  signal: SignalId;
  is: string | boolean;
  words: string;
  weights: CauseWeights;
}[] = [
  {
    signal: 'staysWetLonger',
    is: true,
    words: 'it stays wet longer',
    weights: { tooWet: 1.8, tooDry: -1.5, pot: 0.3 },
  },
  {
    signal: 'driesSooner',
    is: true,
    words: 'it dries sooner',
    weights: { tooDry: 1.2, pot: 0.8, tooWet: -1 },
  },
  {
    signal: 'waterRunsThrough',
    is: true,
    words: 'water runs straight through',
    weights: { tooDry: 1, pot: 0.8 },
  },
  {
    signal: 'smell',
    is: 'sour',
    words: 'the medium smells sour',
    weights: { tooWet: 1.5, pot: 0.8 },
  },
  { signal: 'smell', is: 'fresh', words: 'the medium smells fresh', weights: { tooWet: -0.6 } },
  { signal: 'saltCrust', is: 'thick', words: 'a thick crust of salts', weights: { salts: 2 } },
  { signal: 'saltCrust', is: 'some', words: 'some crust of salts', weights: { salts: 0.8 } },
  { signal: 'saltCrust', is: 'none', words: 'no crust of salts', weights: { salts: -0.9 } },
  { signal: 'pests', is: 'none', words: 'no pests were seen', weights: { pests: -2 } },
  { signal: 'pests', is: 'gnats', words: 'gnats breed in wet medium', weights: { tooWet: 0.9 } },
  { signal: 'pests', is: 'mealy', words: 'mealy clusters', weights: { pests: 2.5 } },
  { signal: 'pests', is: 'scale', words: 'scale', weights: { pests: 2.5 } },
  { signal: 'pests', is: 'ants', words: 'ants tend sap-suckers', weights: { pests: 1.2 } },
  { signal: 'pests', is: 'other', words: 'pests were seen', weights: { pests: 2.2 } },
  { signal: 'infestedRoots', is: true, words: 'roots are infested', weights: { pests: 2 } },
  {
    signal: 'rootsAtHoles',
    is: 'none',
    words: 'no root has reached the holes',
    weights: { pot: -1 },
  },
  { signal: 'rootsAtHoles', is: 'several', words: 'roots at several holes', weights: { pot: 0.6 } },
  { signal: 'rootsAtHoles', is: 'every', words: 'roots at every hole', weights: { pot: 1.2 } },
  { signal: 'rootsAtHoles', is: 'mat', words: 'a mat of roots beneath', weights: { pot: 1.6 } },
  { signal: 'circling', is: 'tight', words: 'roots circle tightly', weights: { pot: 1 } },
  { signal: 'circling', is: 'none', words: 'roots do not circle', weights: { pot: -0.8 } },
  {
    signal: 'compacted',
    is: true,
    words: 'the medium is packed',
    weights: { pot: 0.8, tooWet: 0.5 },
  },
  { signal: 'algae', is: true, words: 'algae on the surface', weights: { tooWet: 0.5 } },
  { signal: 'mould', is: 'through', words: 'mould through the medium', weights: { tooWet: 1 } },
  { signal: 'rot', is: 'roots', words: 'roots rot', weights: { tooWet: 1.6 } },
  { signal: 'rot', is: 'stem', words: 'the stem rots', weights: { tooWet: 1.4 } },
  { signal: 'rot', is: 'none', words: 'no rot', weights: { tooWet: -0.6 } },
  { signal: 'resting', is: true, words: 'it goes to rest', weights: { rest: 2.4 } },
  { signal: 'coldHurt', is: true, words: 'cold has hurt it', weights: { cold: 6, tooDry: -1 } },
  { signal: 'justArrived', is: true, words: 'it has just arrived', weights: { freshMove: 2.2 } },
];

/** One thing to do that tells two causes apart; a yes speaks as its weights say. */
export const CHECKS: readonly {
  id: string;
  text: string;
  yes: string;
  weights: CauseWeights;
  signals: readonly SignalId[];
}[] = [
  {
    id: 'lift',
    text: 'Lift the pot the day before you would water it.',
    yes: 'heavy: it drowns; light as the dry pot: it thirsts',
    weights: { tooWet: 2, tooDry: -2 },
    signals: ['staysWetLonger', 'driesSooner'],
  },
  {
    id: 'slideOut',
    text: 'Slide it out of the pot and look at the ball.',
    yes: 'a wall of roots or a sodden core: it is the pot; loose medium and pale roots: it is not',
    weights: { pot: 2.2, tooWet: 0.8 },
    signals: ['ballCover', 'circling'],
  },
  {
    id: 'shadow',
    text: 'Hold a hand a forearm’s length above a leaf at noon.',
    yes: 'no shadow with an edge: too dark; a hard black one: too much sun',
    weights: { tooDark: 2, sunBurnt: -2 },
    signals: [],
  },
  {
    id: 'lens',
    text: 'Turn three leaves over and look along the ribs with a lens.',
    yes: 'anything that moves, sticks or webs: pests',
    weights: { pests: 2.6 },
    signals: ['pests'],
  },
  {
    id: 'side',
    text: 'See which leaves are marked.',
    yes: 'only those toward the glass: sun or cold; all round: neither',
    weights: { sunBurnt: 2, cold: 1.2, dryAir: -0.4, salts: -0.6 },
    signals: [],
  },
  {
    id: 'night',
    text: 'Read the lowest temperature of the night beside the leaves.',
    yes: 'under the plant’s floor: cold',
    weights: { cold: 2.6 },
    signals: [],
  },
  {
    id: 'hygrometer',
    text: 'Read the humidity beside the plant at midday.',
    yes: 'well under what it wants: dry air; else look to salts',
    weights: { dryAir: 2.2, salts: -0.4 },
    signals: [],
  },
  {
    id: 'runoff',
    text: 'Look for a white rim, or measure the EC of what drains out.',
    yes: 'a crust, or twice the EC of what went in: salts',
    weights: { salts: 2.6, dryAir: -0.6 },
    signals: ['saltCrust'],
  },
  {
    id: 'lastYear',
    text: 'Look in its record: did it do this at the same time last year?',
    yes: 'it did, and came back: its rest',
    weights: { rest: 2.2 },
    signals: ['resting'],
  },
  {
    id: 'since',
    text: 'Count back to the day it began.',
    yes: 'within three weeks of a move or a repot: that',
    weights: { freshMove: 2.2 },
    signals: ['justArrived'],
  },
];
