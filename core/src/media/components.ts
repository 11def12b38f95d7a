import { OutOfRange } from '../number/outOfRange.ts';
import { handlingOf, type Handling } from './handling.ts';
import { usualN } from './retention.ts';

/** Texture by which a component is drawn. */
export type Grain = 'dust' | 'fibre' | 'crumb' | 'chip' | 'strand' | 'round' | 'shard' | 'plate';

/** A bagged ingredient. Fractions are of bulk volume; all numbers typical, replaced by a kitchen test. */
export interface Component extends Handling {
  id: string;
  /** the shipped component that it is most like: itself, for those */
  like: string;
  label: string;
  /** middling grain, mm */
  grainMm: number;
  /** β: grain volume per bulk volume when packed alone */
  packing: number;
  dryKgPerL: number;
  totalPorosity: number;
  /** air in a drained 7.6 cm ring */
  airAt7_6cm: number;
  /** shape of the retention curve */
  n: number;
  /** months in which half of the structure is lost at 20 °C; null: it does not rot */
  halfLifeMonths: number | null;
  /** months that it serves in a middling pot at 20 °C; null: it does not age */
  lifeMonths: number | null;
  grain: Grain;
  /** raises dust when dry: wet it down, wear a mask */
  dusty: boolean;
  /** may carry microbes that harm people: gloves, wash hands */
  biohazard: boolean;
  source: string;
}

const TYPICAL = 'typical value, from memory';

type Row = [
  id: string,
  label: string,
  grainMm: number,
  packing: number,
  dryKgPerL: number,
  totalPorosity: number,
  airAt7_6cm: number,
  halfLifeMonths: number | null,
  grain: Grain,
  cautions: '' | 'dust' | 'bio' | 'dust bio',
  n?: number,
];

/* Half-lives were calibrated so that the trade lives of docs/models.md come out (see ageing.test.ts). */
const ROWS: Row[] = [
  ['peat', 'peat', 1.5, 0.55, 0.1, 0.93, 0.15, 20, 'dust', 'dust bio', 1.6],
  ['coir', 'coir pith', 1, 0.55, 0.08, 0.94, 0.13, 20, 'fibre', 'dust'],
  ['coconutChips', 'coconut chips', 12, 0.55, 0.1, 0.92, 0.45, 20, 'chip', ''],
  ['pottingSoil', 'peat-based potting soil', 2, 0.55, 0.18, 0.87, 0.062, 10, 'crumb', 'bio'],
  ['loamCompost', 'loam-based compost', 1.5, 0.55, 0.95, 0.6, 0.08, 48, 'crumb', 'bio', 1.6],
  ['compost', 'garden compost', 3, 0.55, 0.45, 0.78, 0.15, 10, 'crumb', 'bio'],
  ['wormCompost', 'worm compost', 1, 0.55, 0.5, 0.75, 0.08, 10, 'dust', 'bio'],
  ['barkFine', 'bark 3–8 mm', 5, 0.55, 0.22, 0.82, 0.32, 16, 'chip', ''],
  ['barkMedium', 'bark 8–12 mm', 10, 0.55, 0.21, 0.82, 0.48, 16.5, 'chip', ''],
  ['barkCoarse', 'bark 15–25 mm', 20, 0.55, 0.2, 0.82, 0.58, 20, 'chip', ''],
  ['longMoss', 'long-fibre moss', 20, 0.5, 0.04, 0.96, 0.4, 10, 'strand', 'dust bio', 1.6],
  ['perlite', 'perlite', 4, 0.58, 0.1, 0.78, 0.38, null, 'round', 'dust'],
  ['pumice', 'pumice', 6, 0.57, 0.55, 0.7, 0.38, null, 'shard', 'dust'],
  ['vermiculite', 'vermiculite', 3, 0.55, 0.11, 0.92, 0.3, 36, 'plate', 'dust'],
  ['sharpSand', 'sharp sand', 1, 0.62, 1.55, 0.4, 0.05, null, 'dust', 'dust', 2.5],
  ['grit', 'grit', 3.5, 0.6, 1.5, 0.42, 0.27, null, 'shard', '', 2.8],
  ['lava', 'lava', 7, 0.55, 0.75, 0.65, 0.4, null, 'shard', 'dust'],
  ['firedClay', 'fired clay granules', 3, 0.56, 0.6, 0.74, 0.32, null, 'round', 'dust'],
  ['clayPebbles', 'clay pebbles', 12, 0.58, 0.38, 0.52, 0.44, null, 'round', ''],
  ['charcoal', 'charcoal', 7, 0.52, 0.25, 0.8, 0.45, null, 'shard', 'dust'],
  ['treeFernFibre', 'tree-fern fibre', 15, 0.5, 0.15, 0.9, 0.5, 30, 'strand', '', 1.6],
];

/**
 * Months that what ages serves, in a 14 cm pot at 20 °C.
 *
 * @source common practice, no source: the middle of what the trade gives each
 */
const LIFE_MONTHS: Record<string, number> = {
  peat: 21,
  coir: 21,
  coconutChips: 24,
  pottingSoil: 19,
  loamCompost: 29,
  compost: 15,
  wormCompost: 15,
  barkFine: 18,
  barkMedium: 21,
  barkCoarse: 25,
  longMoss: 14,
  vermiculite: 13,
  treeFernFibre: 36,
};

/** The shipped ingredients. */
export const COMPONENTS: readonly Component[] = ROWS.map(
  ([
    id,
    label,
    grainMm,
    packing,
    dryKgPerL,
    totalPorosity,
    airAt7_6cm,
    halfLifeMonths,
    grain,
    cautions,
    n,
  ]) => ({
    id,
    like: id,
    label,
    grainMm,
    packing,
    dryKgPerL,
    totalPorosity,
    airAt7_6cm,
    n: n ?? usualN(grainMm),
    halfLifeMonths,
    lifeMonths: LIFE_MONTHS[id] ?? null,
    grain,
    dusty: cautions.includes('dust'),
    biohazard: cautions.includes('bio'),
    ...handlingOf(id),
    source: TYPICAL,
  }),
);

/** @throws RangeError for an id that is not shipped */
export function component(id: string): Component {
  const found = COMPONENTS.find((candidate) => candidate.id === id);
  if (!found) throw new OutOfRange(`component must be a known one, got ${id}`);
  return found;
}
