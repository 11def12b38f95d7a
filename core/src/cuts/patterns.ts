/** How often each piece is cut from one length. */
export type Counts = readonly number[];

const TOLERANCE = 1e-9;

/**
 * Every maximal way to cut pieces from a length: nothing more would fit.
 *
 * @param sizes  of the pieces, > 0
 * @param most  how often each is wanted at most
 * @param enough  give up beyond so many patterns
 * @returns null when there are more than `enough`
 */
export function maximalPatterns(
  sizes: readonly number[],
  length: number,
  most: readonly number[],
  enough: number,
): Counts[] | null {
  const order = sizes.map((_, i) => i).sort((a, b) => sizes[b]! - sizes[a]!);
  const patterns: Counts[] = [];
  const counts = sizes.map(() => 0);
  const fits = (size: number, left: number) => size <= left + TOLERANCE;
  const walk = (at: number, left: number): boolean => {
    if (at === order.length) {
      const maximal = !sizes.some((size, i) => counts[i]! < most[i]! && fits(size, left));
      if (maximal && counts.some((count) => count > 0)) patterns.push([...counts]);
      return patterns.length <= enough;
    }
    const piece = order[at]!;
    const times = Math.min(most[piece]!, Math.floor((left + TOLERANCE) / sizes[piece]!));
    for (let count = times; count >= 0; count--) {
      counts[piece] = count;
      if (!walk(at + 1, left - count * sizes[piece]!)) return false;
    }
    counts[piece] = 0;
    return true;
  };
  return walk(0, length) ? patterns : null;
}
