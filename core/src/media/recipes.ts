import { OutOfRange } from '../number/outOfRange.ts';
import { TOP_DRESSINGS, type RecipeExtras } from './extras.ts';

/** So many measured parts of a component, by its id. */
export interface RecipePart {
  component: string;
  parts: number;
}

/** A recipe: parts by measured volume, whole numbers, and what goes into each pot beside them. */
export interface Recipe {
  id: string;
  label: string;
  parts: readonly RecipePart[];
  extras: RecipeExtras;
  /** what it is for, in one line */
  use: string;
  /** 1 when first written; one more with each change of its parts or extras */
  version: number;
  source: string;
}

const COMMON = 'common practice, no source';

type Row = [
  id: string,
  label: string,
  use: string,
  parts: Record<string, number>,
  extras?: RecipeExtras,
];

/** A handful. @source common practice, no source */
const HANDFUL_L = 0.1;

const ROWS: Row[] = [
  [
    'everyday',
    'Everyday foliage',
    'leafy plants in rooms',
    { pottingSoil: 3, perlite: 1 },
    { perPot: { component: 'compost', litres: HANDFUL_L } },
  ],
  ['halfAndHalf', 'Half and half', 'quick, light, forgiving', { pottingSoil: 1, perlite: 1 }],
  [
    'woodyDrain',
    'Free-draining woody',
    'shrubs and small trees',
    { pottingSoil: 6, sharpSand: 4, barkFine: 1 },
  ],
  [
    'chunkyClimber',
    'Chunky climber',
    'climbers with thick roots',
    { barkMedium: 2, coconutChips: 1, perlite: 1, pumice: 1, coir: 1 },
    { topDressing: TOP_DRESSINGS.wormCompost },
  ],
  ['fineRoots', 'Fine roots', 'hair-rooted plants', { perlite: 1, vermiculite: 1, peat: 1 }],
  [
    'leafMould',
    'Fern floor',
    'ferns and forest-floor plants',
    { pottingSoil: 2, barkFine: 1, perlite: 1 },
  ],
  [
    'gritty',
    'Gritty thirds',
    'succulents',
    { loamCompost: 1, grit: 1, sharpSand: 1 },
    { topDressing: TOP_DRESSINGS.grit },
  ],
  ['allMineral', 'All mineral', 'cacti and succulents that rot', { pumice: 2, lava: 1, grit: 1 }],
  ['loamy', 'Loam and grit', 'heavy plants, citrus, bulbs', { loamCompost: 3, grit: 1 }],
  [
    'groundOrchid',
    'Ground orchid',
    'terrestrial orchids',
    { peat: 3, barkFine: 3, perlite: 2, firedClay: 2 },
  ],
  ['climbingOrchid', 'Climbing orchid', 'orchids that climb', { barkMedium: 1, peat: 1 }],
  [
    'barkEpiphyte',
    'Bark epiphyte',
    'epiphytic orchids and their like',
    { barkMedium: 7, perlite: 2, charcoal: 1 },
  ],
  ['mossOnly', 'Moss alone', 'epiphytes kept damp', { longMoss: 1 }],
  ['pebblesOnly', 'Pebbles alone', 'plants over a reservoir', { clayPebbles: 1 }],
  ['bog', 'Bog', 'pitcher plants and their like: no lime, no feed', { peat: 3, perlite: 1 }],
  [
    'limeFree',
    'Lime-free woody',
    'shrubs that cannot bear lime: camellias, gardenias and their like',
    { peat: 3, barkFine: 2, perlite: 1 },
  ],
  [
    'looseChunks',
    'Loose chunks',
    'roots that hang bare: a few chunks to hold the plant, or nothing at all',
    { charcoal: 1, lava: 1 },
  ],
  ['peatFree', 'Peat-free everyday', 'leafy plants, no peat', { coir: 3, compost: 1, perlite: 2 }],
];

/** The shipped recipes. */
export const RECIPES: readonly Recipe[] = ROWS.map(([id, label, use, parts, extras = {}]) => ({
  id,
  label,
  use,
  parts: Object.entries(parts).map(([component, amount]) => ({ component, parts: amount })),
  extras,
  version: 1,
  source: COMMON,
}));

/** What a keeper answers when asked "what is it in?", with the recipe that stands for it. */
export const MEDIUM_KINDS = [
  { id: 'bark', label: 'bark', recipe: 'barkEpiphyte' },
  { id: 'moss', label: 'moss', recipe: 'mossOnly' },
  { id: 'pebbles', label: 'clay pebbles', recipe: 'pebblesOnly' },
  { id: 'peatSoil', label: 'peat-based soil', recipe: 'everyday' },
  { id: 'loam', label: 'loam-based soil', recipe: 'loamy' },
  { id: 'mineral', label: 'mineral grit', recipe: 'allMineral' },
  { id: 'mix', label: 'chunky mix', recipe: 'chunkyClimber' },
  { id: 'bare', label: 'bare roots or mounted', recipe: 'looseChunks' },
] as const;

export type MediumKind = (typeof MEDIUM_KINDS)[number]['id'];

/** @throws RangeError for an id that is not shipped */
export function recipe(id: string): Recipe {
  const found = RECIPES.find((candidate) => candidate.id === id);
  if (!found) throw new OutOfRange(`recipe must be a known one, got ${id}`);
  return found;
}

/** The recipe that stands for a kind of medium. @throws RangeError for an unknown kind */
export function recipeOfKind(kind: MediumKind): Recipe {
  const found = MEDIUM_KINDS.find((candidate) => candidate.id === kind);
  if (!found) throw new OutOfRange(`kind of medium must be a known one, got ${String(kind)}`);
  return recipe(found.recipe);
}

const MINERAL = new Set(['pumice', 'lava', 'grit', 'firedClay']);
/** Bark with so few others is still told as bark. */
const PLAIN_BARK_PARTS = 2;

/**
 * The kind of medium that a list of parts makes, by its main part.
 *
 * @param likeOf  the shipped component that a part is most like
 */
export function kindOfParts(
  parts: readonly RecipePart[],
  likeOf: (component: string) => string,
): MediumKind {
  const [main] = [...parts].sort((a, b) => b.parts - a.parts);
  const like = likeOf(main!.component);
  if (like.startsWith('bark')) return parts.length > PLAIN_BARK_PARTS ? 'mix' : 'bark';
  if (like === 'coconutChips' || like === 'treeFernFibre') return 'mix';
  if (like === 'longMoss') return 'moss';
  if (like === 'clayPebbles') return 'pebbles';
  if (like === 'loamCompost') return 'loam';
  return MINERAL.has(like) ? 'mineral' : 'peatSoil';
}
