import type { Traits } from '../catalogue/index.ts';
import { SCHOOLS, type Schools, USUAL_SCHOOLS } from '../schools/index.ts';

/** What decides on the day of a first water; `school` where a keeper's own decides, or would have. */
export type FirstWaterBecause =
  | {
      of:
        'neverDries' | 'callusCut' | 'callusUncut' | 'nothingCut' | 'velamen' | 'storage' | 'leafy';
    }
  | { of: 'neverDriesWhatever' | 'callusWhatever' | 'school'; school: Schools['firstWater'] };

/** Days that a potted plant waits for its first water, and why. */
export interface FirstWater {
  days: number;
  because: FirstWaterBecause;
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
  const { days } = SCHOOLS.firstWater.options[school];
  if (neverDries(traits) && (cut || days !== null)) {
    return {
      days: 0,
      because:
        days === null || days === 0 ? { of: 'neverDries' } : { of: 'neverDriesWhatever', school },
    };
  }
  if (days === 0 && cut && traits.drying === 'fullyDry') {
    return { days: CALLUS.cut, because: { of: 'callusWhatever', school } };
  }
  if (days !== null) return { days, because: { of: 'school', school } };
  if (traits.drying === 'fullyDry') {
    return {
      days: cut ? CALLUS.cut : CALLUS.uncut,
      because: { of: cut ? 'callusCut' : 'callusUncut' },
    };
  }
  if (!cut) return { days: 0, because: { of: 'nothingCut' } };
  if (traits.rootKind === 'velamen') return { days: VELAMEN_CUT, because: { of: 'velamen' } };
  if (storesWater(traits)) return { days: STORAGE_CUT, because: { of: 'storage' } };
  return { days: LEAFY_CUT, because: { of: 'leafy' } };
}

const WHY: Record<FirstWaterBecause['of'], (school: string) => string> = {
  neverDries: () => 'it must never dry out: damp at once and humid, though roots were cut',
  neverDriesWhatever: (school) =>
    `it must never dry out: damp at once, whatever the school “${school}” says`,
  callusWhatever: (school) =>
    `cuts in succulent roots rot unless they callus dry first, whatever the school “${school}” says`,
  school: (school) => `you follow the school “${school}”`,
  callusCut: () => 'cuts in succulent roots rot unless they callus dry first',
  callusUncut: () =>
    'succulent roots break unseen when they are moved, and rot unless they dry first',
  nothingCut: () => 'settles the mix round the roots; nothing was cut that must dry first',
  velamen: () => 'cut aerial roots close within a few days; wet wounds rot',
  storage: () => 'thick roots hold water of their own; their wounds must dry',
  leafy: () => 'cut roots close overnight; leaves cannot wait longer',
};

/** The same in words. */
export const firstWaterWhy = (because: FirstWaterBecause): string =>
  WHY[because.of]('school' in because ? SCHOOLS.firstWater.options[because.school].label : '');
