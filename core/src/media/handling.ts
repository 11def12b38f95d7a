import { OutOfRange } from '../number/outOfRange.ts';
/** What keepers avoid for its origin; a component may hold several. */
export const CONTENTS = {
  peat: 'peat',
  coconut: 'coconut',
  moss: 'harvested moss',
  animal: 'worm or animal manure',
  mined: 'mined and fired rock',
} as const;
export type Content = keyof typeof CONTENTS;

/** How a dry component takes up water. */
export const REWETTING = {
  easily: 'takes water at once',
  slowly: 'takes water slowly: wet it some hours before',
  repels: 'repels water when dry',
} as const;
export type Rewetting = keyof typeof REWETTING;

/** How a component is handled before it goes into a mix. */
export interface Handling {
  /** of a slurry in water: a guide only, feed and water move it */
  ph: number;
  /** how strongly it sets the acidity of a mix, beside peat's 1 */
  buffers: number;
  contains: readonly Content[];
  /** under the tap until the water runs clear, minutes */
  rinseMinutes: number;
  /** in water before use, minutes */
  soakMinutes: number;
  rewets: Rewetting;
}

type Row = [
  ph: number,
  buffers: number,
  rinseMinutes: number,
  soakMinutes: number,
  rewets: Rewetting,
  contains?: Content[],
];

/* Acidity: typical values, from memory. Times: common practice, no source. */
const ROWS: Record<string, Row> = {
  peat: [3.8, 1, 0, 0, 'repels', ['peat']],
  coir: [6, 0.6, 0, 30, 'slowly', ['coconut']],
  coconutChips: [6, 0.3, 5, 720, 'slowly', ['coconut']],
  pottingSoil: [6, 1, 0, 0, 'repels', ['peat']],
  loamCompost: [6.5, 1, 0, 0, 'easily', ['peat', 'mined']],
  compost: [7.5, 1, 0, 0, 'easily'],
  wormCompost: [7, 1, 0, 0, 'easily', ['animal']],
  barkFine: [5, 0.5, 0, 60, 'slowly'],
  barkMedium: [5, 0.4, 5, 720, 'slowly'],
  barkCoarse: [5, 0.3, 5, 720, 'slowly'],
  longMoss: [4.2, 0.6, 0, 20, 'slowly', ['moss']],
  perlite: [7.2, 0.05, 3, 0, 'easily', ['mined']],
  pumice: [7, 0.05, 5, 0, 'easily', ['mined']],
  vermiculite: [7.2, 0.4, 0, 0, 'easily', ['mined']],
  sharpSand: [7, 0.05, 0, 0, 'easily', ['mined']],
  grit: [7, 0.05, 2, 0, 'easily', ['mined']],
  lava: [7.5, 0.1, 5, 0, 'easily', ['mined']],
  firedClay: [6.5, 0.2, 5, 0, 'easily', ['mined']],
  clayPebbles: [7, 0.05, 10, 720, 'easily', ['mined']],
  charcoal: [8.5, 0.3, 5, 60, 'slowly'],
  treeFernFibre: [5.5, 0.3, 0, 60, 'slowly'],
};

/** @throws RangeError for an id that is not in the table */
export function handlingOf(id: string): Handling {
  const row = ROWS[id];
  if (!row) throw new OutOfRange(`component must be a known one, got ${id}`);
  const [ph, buffers, rinseMinutes, soakMinutes, rewets, contains = []] = row;
  return { ph, buffers, contains, rinseMinutes, soakMinutes, rewets };
}
