import { rimCm, type PotShape } from '@fernbank/core';

/** A tall plant is drawn so far up, cm: the others would be specks beside the whole of it. */
const MOST_CM = 90;
const LEAST_CM = 30;

/**
 * One scale for all plants of a list: pixels per centimetre, and the place that each has.
 *
 * @param tallPx  height of the place, px
 */
export function outlineScale(
  drawn: readonly { pot: PotShape; heightCm: number; supportCm: number | null }[],
  tallPx: number,
): { pxPerCm: number; mostCm: number; roomCm: number } {
  const tall = drawn.map(({ pot, heightCm, supportCm }) =>
    Math.max(pot.heightCm + heightCm, supportCm ?? 0),
  );
  const mostCm = Math.min(MOST_CM, Math.max(LEAST_CM, ...tall));
  const wide = Math.max(0, ...drawn.map(({ pot }) => rimCm(pot)));
  return { pxPerCm: tallPx / mostCm, mostCm, roomCm: 1.5 * Math.min(wide, mostCm / 2) };
}
