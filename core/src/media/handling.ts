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
