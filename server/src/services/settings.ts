import type {
  Avoided,
  FirstWaterSchool,
  FlushSchool,
  LabelSheet,
  OldMediumSchool,
  Paper,
  RotSchool,
  SizeSchool,
  ToPebbles,
  WeakRootSchool,
  WettingSchool,
  WhenSchool,
  WinterSchool,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { settings } from '../db/schema.ts';

export interface GroupSchools {
  when?: WhenSchool;
  size?: SizeSchool;
  oldMedium?: OldMediumSchool;
}

/** What the keeper chose for the whole collection. */
export interface Settings {
  collectionName: string;
  units: 'metric' | 'us';
  whenSchool: WhenSchool;
  sizeSchool: SizeSchool;
  oldMediumSchool: OldMediumSchool;
  /** schools for the plants of one group of the catalogue; a plant's own win over them */
  groupSchools: Record<string, GroupSchools>;
  firstWaterSchool: FirstWaterSchool;
  weakRootSchool: WeakRootSchool;
  rotSchool: RotSchool;
  toPebblesSchool: ToPebbles;
  flushSchool: FlushSchool;
  winterSchool: WinterSchool;
  paper: Paper;
  /** own label sheet; null: the common one for the paper */
  labelSheet: LabelSheet | null;
  /** own scoop, L; null: suggest one */
  scoopL: number | null;
  /** own tub, to its brim, L; null: large enough */
  tubL: number | null;
  /** what no mix may hold */
  avoided: Avoided;
  wettingSchool: WettingSchool;
  /** sign before or after prices, as the keeper writes it */
  currency: string;
  /** filled with invented plants */
  demo: boolean;
}

export const DEFAULT_SETTINGS: Settings = {
  collectionName: '',
  units: 'metric',
  whenSchool: 'window',
  sizeSchool: 'oneUp',
  oldMediumSchool: 'byMedium',
  groupSchools: {},
  firstWaterSchool: 'byPlant',
  weakRootSchool: 'cutAll',
  rotSchool: 'dryAir',
  toPebblesSchool: 'long',
  flushSchool: 'calendar',
  winterSchool: 'lower',
  paper: 'a4',
  labelSheet: null,
  scoopL: null,
  tubL: null,
  avoided: { contents: [], components: [] },
  wettingSchool: 'preWet',
  currency: '€',
  demo: false,
};

export function readSettings(db: Db): Settings {
  const rows = db.select().from(settings).all();
  return { ...DEFAULT_SETTINGS, ...Object.fromEntries(rows.map(({ key, value }) => [key, value])) };
}

export function writeSettings(db: Db, changed: Partial<Settings>): Settings {
  db.transaction((tx) => {
    for (const [key, value] of Object.entries(changed)) {
      // Nothing of one's own: the default is in force again.
      if (value === null) {
        tx.delete(settings).where(eq(settings.key, key)).run();
        continue;
      }
      tx.insert(settings)
        .values({ key, value })
        .onConflictDoUpdate({ target: settings.key, set: { value } })
        .run();
    }
  });
  return readSettings(db);
}
