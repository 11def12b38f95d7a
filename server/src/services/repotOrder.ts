import type {
  Countable,
  DrainageLayer,
  IsoDate,
  MediumKind,
  PebbleSetupKind,
  PotMaterialId,
  PotShape,
  RecipePart,
  RootCuts,
} from '@fernbank/core';
import type { HousedSupport } from '../db/schema.ts';

/** A repot as the keeper confirms it. */
export interface RepotOrder {
  plantId: number;
  date: IsoDate;
  pot: PotShape;
  potMaterial: PotMaterialId;
  /** when it comes from the shelf */
  potId: number | null;
  mediumKind: MediumKind;
  recipeId: string | null;
  /** as it is mixed, where that is not the recipe's own */
  parts?: RecipePart[];
  rootsCut: boolean;
  /** absent: the one it has */
  support?: HousedSupport | null;
  /** absent: the cover it stands in, where the new pot goes into it */
  coverId?: number | null;
  layer?: DrainageLayer;
  cuts?: RootCuts & { counted?: Countable | undefined };
  /** when its support is to be made longer, and by how much */
  extensions?: { on: IsoDate | null; addsCm: number; aboveCm: number }[];
  /** share of the roots found alive at the bench; null: as last seen */
  liveRoots?: number | null;
  /** pebbles: how they stand over their water; its vessel is the cover. Absent: as suits */
  water?: { kind: PebbleSetupKind };
  /** the long way into pebbles: it stands in a jar of water first */
  jar?: boolean;
  /** seated on a moss mound */
  mound?: boolean;
  scoopL: number | null;
  /** what was mixed comes off the stock, where no batch of its day did; absent: yes */
  drawStock?: boolean;
  note: string;
}
