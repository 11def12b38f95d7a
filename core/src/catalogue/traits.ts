import type { MediumKind } from '../media/index.ts';
import type { LightClass, Rhythm } from '../season/index.ts';

export const GROWTH_FORMS = [
  'climber',
  'trailer',
  'shrub',
  'tree',
  'palmLike',
  'clump',
  'rosette',
  'walker',
  'fan',
  'bulb',
  'column',
] as const;
export const ROOT_KINDS = ['hair', 'fibrous', 'velamen', 'fleshy', 'tuberous'] as const;
export const DRYINGS = ['wet', 'evenlyMoist', 'littleDry', 'halfDry', 'fullyDry'] as const;
export const VIGOURS = ['slow', 'middling', 'fast'] as const;
export const WINDOWS = ['growing', 'newRoots', 'waking'] as const;
export const SUPPORT_HABITS = ['none', 'aerialRoots', 'twines', 'tendrils', 'leans'] as const;

/**
 * What Fernbank must know of a kind of plant. Every field can be set for one
 * plant by its keeper.
 */
export interface Traits {
  growthForm: (typeof GROWTH_FORMS)[number];
  rootKind: (typeof ROOT_KINDS)[number];
  /** likes a tight pot: a full pot alone is no reason to move it */
  snug: boolean;
  /**
   * air its roots need in the drained medium, fraction of volume; null where
   * the medium is judged by its structure instead (succulents, bulbs, bog plants)
   */
  airNeed: number | null;
  /** how far it wants to dry before the next water */
  drying: (typeof DRYINGS)[number];
  /** recipe that suits it */
  recipe: string;
  medium: MediumKind;
  rhythm: Rhythm;
  /** what opens its window: growth as such, the first new root tips, or waking from rest */
  window: (typeof WINDOWS)[number];
  /** how much is lost when it is disturbed in bloom, 0 … 1 */
  bloomMatters: number;
  /** how long a bloom lasts, weeks */
  bloomWeeks: number;
  vigour: (typeof VIGOURS)[number];
  /** lowest temperature it takes without harm, °C */
  floorC: number;
  growsFromC: number;
  growsFullyC: number;
  /** above this heat holds it back, °C */
  hotC: number;
  /** its storage organs are lifted into fresh mix each year as it wakes */
  renewedYearly: boolean;
  /** it is kept dry while it rests */
  dryRest: boolean;
  /** it is fed by the usual rule; carnivorous and bog plants never are */
  fed: boolean;
  /** class of light that it wants */
  light: LightClass;
  /** relative humidity from which dry air no longer marks its leaves, 0 … 1 */
  humidity: number;
  support: (typeof SUPPORT_HABITS)[number];
  /** who must be kept from eating it, and sap that irritates */
  cautions: readonly ('toxicToPets' | 'toxicToPeople' | 'irritantSap' | 'spines')[];
  /** water used, against a leafy plant of the same pot = 1 */
  waterUse: number;
  /** share of the usual climb of its vigour that its shoots make; null: as its form has it */
  lengthens: number | null;
  /** usual height above the pot, in pot widths, for first drawings and weights */
  heightInPots: number;
}

/** A kind of plant with everything inherited and filled in. */
export interface Taxon {
  /** scientific name of genus or species, or the group's id when nothing closer is known */
  name: string;
  common: string;
  group: string;
  groupLabel: string;
  traits: Traits;
  source: string;
}
