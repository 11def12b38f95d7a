import { CATALOGUE } from '../catalogue/index.ts';
import { statesOf, type Corrections } from '../decide/index.ts';
import { nominalPot } from '../pots/index.ts';
import { TYPICAL_SPOT, type IsoDate } from '../season/index.ts';
import type { KeepersPace } from './correct.ts';

/** What a keeper's own record makes of what is said, from the first of a month on. */
export interface OwnRecord {
  /** what was found before this day went into it */
  since: IsoDate;
  /** the models that it corrects: `modelsMark` */
  models: string;
  corrections: Corrections;
  /** how fast roots fill pots, and how much water goes, against the typical */
  filling: KeepersPace | null;
  use: KeepersPace | null;
}

const EACH = 7;
const FNV = { offset: 0x811c9dc5, prime: 0x01000193 } as const;

/**
 * A mark of the models that judge: it changes when any of them says something else, so that a correction
 * of what was said before is not taken for one of what is said now.
 *
 * @returns eight hexadecimal digits
 * @source FNV-1a (Fowler, Noll, Vo) over chances of plants of the catalogue
 */
export function modelsMark(): string {
  known ??= markOf();
  return known;
}
let known: string | null = null;

function markOf(): string {
  const told = CATALOGUE.filter((_, i) => i % EACH === 0).map(({ traits }, i) =>
    statesOf({
      traits,
      date: '2026-03-16',
      spot: TYPICAL_SPOT,
      pot: nominalPot(10 + (i % 12)),
      medium: { kind: traits.medium },
      lastRepot: i % 2 === 0 ? '2024-07-01' : '2025-05-01',
      signals:
        i % 3 === 0
          ? {}
          : { rootsAtHoles: 'several', compacted: i % 2 === 0, smell: 'fresh', growth: 'slow' },
    }),
  );
  const text = JSON.stringify(told, (_key, value: unknown) =>
    typeof value === 'number' ? value.toFixed(4) : value,
  );
  let hash: number = FNV.offset;
  for (let i = 0; i < text.length; i++) {
    hash = Math.imul(hash ^ text.charCodeAt(i), FNV.prime);
  }
  return (hash >>> 0).toString(16).padStart(8, '0');
}
