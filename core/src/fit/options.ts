import {
  insideOfMaterial,
  nominalPot,
  rimCm,
  STANDARD_RIMS_CM,
  type PotMaterialId,
  type PotShape,
} from '../pots/index.ts';

/** A pot that the plant might move into. */
export interface PotOption {
  id: string;
  label: string;
  /** outside sizes, as measured or sold */
  outside: PotShape;
  material: PotMaterialId;
  /** on the shelf and free; otherwise it must be bought */
  owned: boolean;
  /** the keeper's own weighing, empty, kg */
  emptyKg?: number;
}

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
    label: `${cm} cm`,
    outside: nominalPot(cm, trade),
    material,
    owned: false,
  }));
}

/** Inside of an option. */
export function insideOfOption(option: PotOption): PotShape {
  return insideOfMaterial(option.outside, option.material);
}
