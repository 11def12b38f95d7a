import type { Traits } from '../catalogue/index.ts';
import { SCHOOLS, type Schools, USUAL_SCHOOLS } from '../schools/index.ts';

/** Days that a potted plant waits for its first water, and why. */
export interface FirstWater {
  days: number;
  why: string;
}

/* Days below: common practice, no source. */
const CALLUS = { cut: 10, uncut: 7 } as const;
const VELAMEN_CUT = 3;
const STORAGE_CUT = 4;
const LEAFY_CUT = 1;

/** Ferns, prayer plants, bog plants, soft hair-rooted ones: an hour too dry costs them their leaves. */
export function neverDries({ drying, rootKind, fed, airNeed }: Traits): boolean {
  const softRoots = rootKind === 'hair' && airNeed !== null && drying === 'littleDry';
  return drying === 'wet' || drying === 'evenlyMoist' || !fed || softRoots;
}

/** Thick roots, rhizomes and bulbs that hold water of their own, and rot where they are cut. */
const storesWater = ({ rootKind, drying, growthForm }: Traits) =>
  rootKind === 'tuberous' ||
  (rootKind === 'fleshy' && (drying === 'halfDry' || growthForm === 'bulb'));

/**
 * When a plant is first watered: by its roots and by what was cut, or by the
 * keeper's school, which never leaves dry what must not dry.
 *
 * @param cut  roots or rhizome were cut, torn or divided
 * @source common practice, no source
 */
export function firstWaterFor(
  traits: Traits,
  cut: boolean,
  school: Schools['firstWater'] = USUAL_SCHOOLS.firstWater,
): FirstWater {
  const { days, label } = SCHOOLS.firstWater.options[school];
  if (neverDries(traits) && (cut || days !== null)) {
    return {
      days: 0,
      why:
        days === null || days === 0
          ? 'it must never dry out: damp at once and humid, though roots were cut'
          : `it must never dry out: damp at once, whatever the school “${label}” says`,
    };
  }
  if (days === 0 && cut && traits.drying === 'fullyDry') {
    return {
      days: CALLUS.cut,
      why: `cuts in succulent roots rot unless they callus dry first, whatever the school “${label}” says`,
    };
  }
  if (days !== null) return { days, why: `you follow the school “${label}”` };
  if (traits.drying === 'fullyDry') {
    return {
      days: cut ? CALLUS.cut : CALLUS.uncut,
      why: cut
        ? 'cuts in succulent roots rot unless they callus dry first'
        : 'succulent roots break unseen when they are moved, and rot unless they dry first',
    };
  }
  if (!cut) {
    return { days: 0, why: 'settles the mix round the roots; nothing was cut that must dry first' };
  }
  if (traits.rootKind === 'velamen') {
    return { days: VELAMEN_CUT, why: 'cut aerial roots close within a few days; wet wounds rot' };
  }
  if (storesWater(traits)) {
    return { days: STORAGE_CUT, why: 'thick roots hold water of their own; their wounds must dry' };
  }
  return { days: LEAFY_CUT, why: 'cut roots close overnight; leaves cannot wait longer' };
}
