import type { Traits } from '../catalogue/index.ts';

/** How a new plant is started. */
export const TRAY_METHODS = {
  cutting: { label: 'cutting', needsRoots: true },
  division: { label: 'division', needsRoots: false },
  offset: { label: 'offset', needsRoots: false },
  leaf: { label: 'leaf start', needsRoots: true },
  head: { label: 'head cut from a rosette', needsRoots: true },
} as const;
export type TrayMethod = keyof typeof TRAY_METHODS;
export const TRAY_METHOD_IDS = Object.keys(TRAY_METHODS) as TrayMethod[];

/** What it stands in until it has roots of its own. */
export const TRAY_MEDIA = {
  water: {
    label: 'water',
    weeks: 3,
    cost: 'water roots differ from soil roots: some die back when potted',
  },
  moss: {
    label: 'damp moss',
    weeks: 4,
    cost: 'kept damp and airy by hand; roots grow into the strands',
  },
  mix: { label: 'airy mix', weeks: 6, cost: 'roots are not seen; they stay when potted on' },
  pebbles: {
    label: 'clay pebbles',
    weeks: 5,
    cost: 'stays in pebbles, or goes through a damp fortnight',
  },
} as const;
export type TrayMedium = keyof typeof TRAY_MEDIA;
export const TRAY_MEDIUM_IDS = Object.keys(TRAY_MEDIA) as TrayMedium[];

/* Weeks until roots are long enough, in warmth and light: common practice, no source. */

/** Leaf starts form a whole plant first. @source common practice, no source */
const LEAF_FACTOR = 2.5;
/** A cool, dark time is slower by this much at most. */
const SLOWEST = 0.35;
/** What has roots of its own only settles. */
const SETTLE_WEEKS = 2;

/**
 * Days that a cut lies dry before it meets anything damp.
 *
 * @source common practice, no source: a cut head of a succulent about a week, other cuts of it some days
 */
export function callusDays(method: TrayMethod, drying: Traits['drying']): number {
  if (drying !== 'fullyDry') return method === 'head' ? 2 : 0;
  return { head: 7, cutting: 4, leaf: 3, division: 2, offset: 2 }[method];
}

/**
 * Weeks until the next step is likely due.
 *
 * @param activity  of the season, 0 … 1
 */
export function weeksToRoot(method: TrayMethod, medium: TrayMedium, activity: number): number {
  if (!TRAY_METHODS[method].needsRoots) return SETTLE_WEEKS;
  const base = TRAY_MEDIA[medium].weeks * (method === 'leaf' ? LEAF_FACTOR : 1);
  return Math.round(base / Math.max(SLOWEST, activity));
}
