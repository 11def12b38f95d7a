/** A layer on the surface. */
export interface TopDressing {
  component: string;
  depthMm: number;
}

/** What is laid on the pot's floor under a recipe; the fit page's own choice wins. */
export type RecipeLayer = 'screen' | 'none' | 'ballast';

/** What goes into each pot beside the parts of its recipe. All optional. */
export interface RecipeExtras {
  topDressing?: TopDressing;
  layer?: RecipeLayer;
  /** slow-release feed, g per litre of mix: the label's rate rules */
  feedGPerL?: number;
  /** how long that lasts, by its label; absent: as usual */
  feedMonths?: number;
  /** a handful of something into every pot, whatever its size */
  perPot?: { component: string; litres: number };
}

/** Usual top dressings. @source common practice, no source */
export const TOP_DRESSINGS = {
  wormCompost: { component: 'wormCompost', depthMm: 7 },
  grit: { component: 'grit', depthMm: 8 },
  clayPebbles: { component: 'clayPebbles', depthMm: 12 },
  longMoss: { component: 'longMoss', depthMm: 10 },
} as const satisfies Record<string, TopDressing>;

/** What each is for. */
export const TOP_DRESSING_USES: Record<keyof typeof TOP_DRESSINGS, string> = {
  wormCompost: 'feeds gently from above',
  grit: 'keeps the neck dry and gnats off',
  clayPebbles: 'keeps gnats off, slows drying',
  longMoss: 'keeps new root tips damp',
};

/** The most that any label of a slow-release feed is likely to allow, g/L. @source typical value, from memory */
export const MOST_FEED_G_PER_L = 8;
/** About a tablespoon for a 20–25 cm pot. @source common practice, no source */
export const USUAL_FEED_G_PER_L = 3;
/** How long such a feed lasts. @source common practice, no source */
export const USUAL_FEED_MONTHS = 6;
export const MOST_FEED_MONTHS = 24;
