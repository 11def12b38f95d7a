import type { Traits } from '../catalogue/index.ts';
import { within } from '../number/index.ts';

/** What a plant has to be divided by; null: not counted. */
export interface Countable {
  /** growths, crowns or pseudobulbs */
  growths: number | null;
  /** roots that are alive and thick enough to count; null: not counted */
  roots: number | null;
}

/**
 * What each piece keeps at least.
 *
 * @source common practice, no source: two or three growths and as many roots, three pseudobulbs for walking orchids
 */
export function leastPerPiece(traits: Pick<Traits, 'growthForm' | 'rootKind'>): {
  growths: number;
  roots: number;
} {
  return traits.growthForm === 'walker' ? { growths: 3, roots: 3 } : { growths: 2, roots: 2 };
}

/** Into how many pieces a plant may be divided, and what sets the limit. */
export interface PiecesAllowed {
  /** null: nothing was counted, nothing can be said */
  most: number | null;
  why: string;
}

/**
 * @param plants  that share the pot: they come apart into as many without a cut
 * @throws RangeError for counts that are none
 */
export function piecesAllowed(
  traits: Pick<Traits, 'growthForm' | 'rootKind'>,
  { growths, roots }: Countable,
  plants = 1,
): PiecesAllowed {
  const cut = piecesByCounts(traits, { growths, roots });
  const apart = `${plants} plants share the pot: they come apart into as many`;
  if (plants <= 1 || (cut.most !== null && cut.most >= plants)) return cut;
  return { most: cut.most === null ? null : plants, why: apart };
}

function piecesByCounts(
  traits: Pick<Traits, 'growthForm' | 'rootKind'>,
  { growths, roots }: Countable,
): PiecesAllowed {
  const least = leastPerPiece(traits);
  const limits = (
    [
      ['growths', growths],
      ['roots', roots],
    ] as const
  ).flatMap(([what, count]) =>
    count === null
      ? []
      : [
          {
            what,
            count,
            most: Math.max(1, Math.floor(within(what, count, 0, 10_000) / least[what])),
          },
        ],
  );
  const [tightest] = limits.sort((a, b) => a.most - b.most);
  if (!tightest) {
    return {
      most: null,
      why: `count first: each piece keeps at least ${least.growths} growths and ${least.roots} live roots`,
    };
  }
  const { what, count, most } = tightest;
  return {
    most,
    why: `${count} ${what}, at least ${least[what]} on each piece: ${most === 1 ? 'do not divide it' : `${most} pieces at most`}`,
  };
}

/** Why a division cannot be; null: it can, or nothing was counted. */
export function piecesFault(
  pieces: number,
  traits: Pick<Traits, 'growthForm' | 'rootKind'>,
  counted: Countable,
  plants = 1,
): string | null {
  if (pieces <= 1) return null;
  const { most, why } = piecesAllowed(traits, counted, plants);
  return most !== null && pieces > most ? `${pieces} pieces are too many: ${why}` : null;
}
