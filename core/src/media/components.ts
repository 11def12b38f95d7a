import { OutOfRange } from '../number/outOfRange.ts';
import type { Handling } from './handling.ts';
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
  /** in which it is drawn, as #rrggbb */
  colour: string;
  /** raises dust when dry: wet it down, wear a mask */
  dusty: boolean;
  /** may carry microbes that harm people: gloves, wash hands */
  biohazard: boolean;
  source: string;
}

const TYPICAL = 'typical value, from memory';

/** Left out of the table where they are the usual ones. */
type Usual = 'n' | 'halfLifeMonths' | 'lifeMonths' | 'rinseMinutes' | 'soakMinutes' | 'contains' | 'dusty' | 'biohazard';
type Row = Omit<Component, 'id' | 'like' | 'source' | Usual> & Partial<Pick<Component, Usual>>;

/*
 * Half-lives were calibrated so that the trade lives of docs/models.md come out (see ageing.test.ts).
 * Months that what ages serves, times of soaking and rinsing: common practice, no source, the middle of
 * what the trade gives. All else: typical values, from memory.
 */
const ROWS = {
  peat: { label: 'peat', grain: 'dust', colour: '#4a3524', grainMm: 1.5, packing: 0.55, dryKgPerL: 0.1, totalPorosity: 0.93, airAt7_6cm: 0.15, n: 1.6, halfLifeMonths: 20, lifeMonths: 21, ph: 3.8, buffers: 1, rewets: 'repels', contains: ['peat'], dusty: true, biohazard: true },
  coir: { label: 'coir pith', grain: 'fibre', colour: '#8a6236', grainMm: 1, packing: 0.55, dryKgPerL: 0.08, totalPorosity: 0.94, airAt7_6cm: 0.13, halfLifeMonths: 20, lifeMonths: 21, ph: 6, buffers: 0.6, rewets: 'slowly', soakMinutes: 30, contains: ['coconut'], dusty: true },
  coconutChips: { label: 'coconut chips', grain: 'chip', colour: '#9a6b3c', grainMm: 12, packing: 0.55, dryKgPerL: 0.1, totalPorosity: 0.92, airAt7_6cm: 0.45, halfLifeMonths: 20, lifeMonths: 24, ph: 6, buffers: 0.3, rewets: 'slowly', rinseMinutes: 5, soakMinutes: 720, contains: ['coconut'] },
  pottingSoil: { label: 'peat-based potting soil', grain: 'crumb', colour: '#3f3226', grainMm: 2, packing: 0.55, dryKgPerL: 0.18, totalPorosity: 0.87, airAt7_6cm: 0.062, halfLifeMonths: 10, lifeMonths: 19, ph: 6, buffers: 1, rewets: 'repels', contains: ['peat'], biohazard: true },
  loamCompost: { label: 'loam-based compost', grain: 'crumb', colour: '#5d4a33', grainMm: 1.5, packing: 0.55, dryKgPerL: 0.95, totalPorosity: 0.6, airAt7_6cm: 0.08, n: 1.6, halfLifeMonths: 48, lifeMonths: 29, ph: 6.5, buffers: 1, rewets: 'easily', contains: ['peat', 'mined'], biohazard: true },
  compost: { label: 'garden compost', grain: 'crumb', colour: '#3b2f20', grainMm: 3, packing: 0.55, dryKgPerL: 0.45, totalPorosity: 0.78, airAt7_6cm: 0.15, halfLifeMonths: 10, lifeMonths: 15, ph: 7.5, buffers: 1, rewets: 'easily', biohazard: true },
  wormCompost: { label: 'worm compost', grain: 'dust', colour: '#2f261c', grainMm: 1, packing: 0.55, dryKgPerL: 0.5, totalPorosity: 0.75, airAt7_6cm: 0.08, halfLifeMonths: 10, lifeMonths: 15, ph: 7, buffers: 1, rewets: 'easily', contains: ['animal'], biohazard: true },
  barkFine: { label: 'bark 3–8 mm', grain: 'chip', colour: '#8b5a35', grainMm: 5, packing: 0.55, dryKgPerL: 0.22, totalPorosity: 0.82, airAt7_6cm: 0.32, halfLifeMonths: 16, lifeMonths: 18, ph: 5, buffers: 0.5, rewets: 'slowly', soakMinutes: 60 },
  barkMedium: { label: 'bark 8–12 mm', grain: 'chip', colour: '#8b5a35', grainMm: 10, packing: 0.55, dryKgPerL: 0.21, totalPorosity: 0.82, airAt7_6cm: 0.48, halfLifeMonths: 16.5, lifeMonths: 21, ph: 5, buffers: 0.4, rewets: 'slowly', rinseMinutes: 5, soakMinutes: 720 },
  barkCoarse: { label: 'bark 15–25 mm', grain: 'chip', colour: '#7c4e2c', grainMm: 20, packing: 0.55, dryKgPerL: 0.2, totalPorosity: 0.82, airAt7_6cm: 0.58, halfLifeMonths: 20, lifeMonths: 25, ph: 5, buffers: 0.3, rewets: 'slowly', rinseMinutes: 5, soakMinutes: 720 },
  longMoss: { label: 'long-fibre moss', grain: 'strand', colour: '#8f9a52', grainMm: 20, packing: 0.5, dryKgPerL: 0.04, totalPorosity: 0.96, airAt7_6cm: 0.4, n: 1.6, halfLifeMonths: 10, lifeMonths: 14, ph: 4.2, buffers: 0.6, rewets: 'slowly', soakMinutes: 20, contains: ['moss'], dusty: true, biohazard: true },
  perlite: { label: 'perlite', grain: 'round', colour: '#f3efe6', grainMm: 4, packing: 0.58, dryKgPerL: 0.1, totalPorosity: 0.78, airAt7_6cm: 0.38, ph: 7.2, buffers: 0.05, rewets: 'easily', rinseMinutes: 3, contains: ['mined'], dusty: true },
  pumice: { label: 'pumice', grain: 'shard', colour: '#c9bfae', grainMm: 6, packing: 0.57, dryKgPerL: 0.55, totalPorosity: 0.7, airAt7_6cm: 0.38, ph: 7, buffers: 0.05, rewets: 'easily', rinseMinutes: 5, contains: ['mined'], dusty: true },
  vermiculite: { label: 'vermiculite', grain: 'plate', colour: '#b99a5b', grainMm: 3, packing: 0.55, dryKgPerL: 0.11, totalPorosity: 0.92, airAt7_6cm: 0.3, halfLifeMonths: 36, lifeMonths: 13, ph: 7.2, buffers: 0.4, rewets: 'easily', contains: ['mined'], dusty: true },
  sharpSand: { label: 'sharp sand', grain: 'dust', colour: '#d8c59a', grainMm: 1, packing: 0.62, dryKgPerL: 1.55, totalPorosity: 0.4, airAt7_6cm: 0.05, n: 2.5, ph: 7, buffers: 0.05, rewets: 'easily', contains: ['mined'], dusty: true },
  grit: { label: 'grit', grain: 'shard', colour: '#8d8a84', grainMm: 3.5, packing: 0.6, dryKgPerL: 1.5, totalPorosity: 0.42, airAt7_6cm: 0.27, n: 2.8, ph: 7, buffers: 0.05, rewets: 'easily', rinseMinutes: 2, contains: ['mined'] },
  lava: { label: 'lava', grain: 'shard', colour: '#7d3c31', grainMm: 7, packing: 0.55, dryKgPerL: 0.75, totalPorosity: 0.65, airAt7_6cm: 0.4, ph: 7.5, buffers: 0.1, rewets: 'easily', rinseMinutes: 5, contains: ['mined'], dusty: true },
  firedClay: { label: 'fired clay granules', grain: 'round', colour: '#b5673f', grainMm: 3, packing: 0.56, dryKgPerL: 0.6, totalPorosity: 0.74, airAt7_6cm: 0.32, ph: 6.5, buffers: 0.2, rewets: 'easily', rinseMinutes: 5, contains: ['mined'], dusty: true },
  clayPebbles: { label: 'clay pebbles', grain: 'round', colour: '#b06a42', grainMm: 12, packing: 0.58, dryKgPerL: 0.38, totalPorosity: 0.52, airAt7_6cm: 0.44, ph: 7, buffers: 0.05, rewets: 'easily', rinseMinutes: 10, soakMinutes: 720, contains: ['mined'] },
  charcoal: { label: 'charcoal', grain: 'shard', colour: '#26262a', grainMm: 7, packing: 0.52, dryKgPerL: 0.25, totalPorosity: 0.8, airAt7_6cm: 0.45, ph: 8.5, buffers: 0.3, rewets: 'slowly', rinseMinutes: 5, soakMinutes: 60, dusty: true },
  treeFernFibre: { label: 'tree-fern fibre', grain: 'strand', colour: '#4d3a26', grainMm: 15, packing: 0.5, dryKgPerL: 0.15, totalPorosity: 0.9, airAt7_6cm: 0.5, n: 1.6, halfLifeMonths: 30, lifeMonths: 36, ph: 5.5, buffers: 0.3, rewets: 'slowly', soakMinutes: 60 },
} satisfies Record<string, Row>;

/** The shipped ingredients. */
export const COMPONENTS: readonly Component[] = Object.entries<Row>(ROWS).map(([id, row]) => ({
  id,
  like: id,
  n: usualN(row.grainMm),
  halfLifeMonths: null,
  lifeMonths: null,
  rinseMinutes: 0,
  soakMinutes: 0,
  contains: [],
  dusty: false,
  biohazard: false,
  ...row,
  source: TYPICAL,
}));

/** @throws RangeError for an id that is not shipped */
export function component(id: string): Component {
  const found = COMPONENTS.find((candidate) => candidate.id === id);
  if (!found) throw new OutOfRange(`component must be a known one, got ${id}`);
  return found;
}
