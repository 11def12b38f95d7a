import {
  insideOfMaterial,
  nominalPot,
  rimCm,
  STANDARD_RIMS_CM,
  type PotFeatures,
  type PotMaterialId,
  type PotShape,
  type PotTone,
} from '../pots/index.ts';
import type { IsoDate } from '../season/index.ts';
import { say, type Saying } from '../saying/index.ts';

/**
 * Where a pot would come from, in the order in which a keeper would rather take
 * it when two are alike.
 */
export const POT_SOURCES = ['free', 'present', 'soaking', 'handedDown', 'toBuy'] as const;
export type PotSource = (typeof POT_SOURCES)[number];

/** A pot that the plant might move into. */
export interface PotOption {
  id: string;
  label: Saying;
  /** outside sizes, as measured or sold */
  outside: PotShape;
  material: PotMaterialId;
  source: PotSource;
  /** the row of the shelf that it is, also while a plant stands in it; null or absent: not the shelf's */
  potId?: number | null;
  /** for one that is handed down: the plant that leaves it */
  leftBy?: string;
  /** … and the week in which it does, where that is not now: its Monday */
  leftIn?: IsoDate;
  /** the keeper's own weighing, empty, kg */
  emptyKg?: number;
  features?: PotFeatures;
}

/** A cover pot that a pot might stand in. */
export interface CoverOption {
  id: string;
  label: Saying;
  outside: PotShape;
  material: PotMaterialId;
  emptyKg?: number;
  /** what it is as a vessel for water */
  features?: Pick<PotFeatures, 'tone' | 'holes' | 'drain'>;
}

/** A cover of the shelf, as it is kept. */
export interface CoverRow extends Pick<PotFeatures, 'holes'> {
  id: number;
  label: string;
  shape: PotShape;
  material: PotMaterialId;
  emptyKg: number | null;
  tone: PotTone | null;
  drain: boolean;
}
const COVER = 'cover-';
export const coverOptionId = (id: number): string => `${COVER}${id}`;
/** The row of the shelf that a cover is; null: not the shelf's. */
export const coverIdOf = (id: string | undefined): number | null =>
  id?.startsWith(COVER) ? Number(id.slice(COVER.length)) || null : null;

/** A cover of the shelf as a plant is fitted with it. */
export const coverOption = (row: CoverRow): CoverOption => ({
  id: coverOptionId(row.id),
  label: row.label,
  outside: row.shape,
  material: row.material,
  ...(row.emptyKg ? { emptyKg: row.emptyKg } : {}),
  features: {
    holes: row.holes ?? null,
    drain: row.drain,
    ...(row.tone ? { tone: row.tone } : {}),
  },
});

/** Standard sizes offered beside what is on the shelf: from a size down to this much wider. */
const NARROWEST_SHARE = 0.72;
const WIDEST_SHARE = 1.8;
const WIDEST_EXTRA_CM = 4;

/**
 * Standard round pots about the size of the present one, in its own proportions.
 *
 * @param present  inside sizes of the present pot
 */
export function standardOptions(
  present: PotShape,
  material: PotMaterialId = 'plastic',
): PotOption[] {
  const rim = rimCm(present);
  const tall = present.heightCm / rim;
  const trade = tall > 0.88 ? 'standard' : tall < 0.62 ? 'pan' : 'azalea';
  return STANDARD_RIMS_CM.filter(
    (cm) => cm >= rim * NARROWEST_SHARE && cm <= rim * WIDEST_SHARE + WIDEST_EXTRA_CM,
  ).map((cm) => ({
    id: `standard-${trade}-${cm}`,
    label: say`${{ cm }}`,
    outside: nominalPot(cm, trade),
    material,
    source: 'toBuy',
  }));
}

/** Pots of the keeper's own that are too far from the present size to be worth a rung. */
const SHELF_NARROWEST = 0.6;
const SHELF_WIDEST = 2.2;
/** A size to buy is no news where one this like it is owned, cm. */
const SAME_WIDTH_CM = 0.6;

/**
 * What stands on a plant's ladder: its own pots of a sensible size, and the
 * standard sizes that nothing of its own is like.
 */
export function ladderOptions(present: PotShape, own: readonly PotOption[]): PotOption[] {
  const near = own.filter(({ outside, source }) => {
    const share = rimCm(outside) / rimCm(present);
    return source === 'present' || (share > SHELF_NARROWEST && share < SHELF_WIDEST);
  });
  const toBuy = standardOptions(present).filter(
    ({ outside }) =>
      !near.some(
        (pot) =>
          // A pot in which another plant still stands is no reason not to buy one.
          pot.source !== 'handedDown' &&
          Math.abs(rimCm(pot.outside) - rimCm(outside)) < SAME_WIDTH_CM,
      ),
  );
  return [...near, ...toBuy];
}

/** Inside of an option. */
export function insideOfOption(option: Pick<PotOption, 'outside' | 'material'>): PotShape {
  return insideOfMaterial(option.outside, option.material);
}
