import type { DrainageLayer, PotSource, RootCuts } from '../fit/index.ts';
import type { PebbleSetupKind } from '../pebbles/index.ts';
import type { RecipePart } from '../media/index.ts';
import type { PotMaterialId, PotShape } from '../pots/index.ts';
import type { Countable } from '../tray/index.ts';
import type { Section, SupportKindId } from '../support/index.ts';
import type { Schools } from '../schools/index.ts';
import type { Saying } from '../saying/index.ts';

/** A support that was chosen with its pot. */
export interface PlannedSupport {
  kind: SupportKindId;
  section: Section;
  lengthCm: number;
  /** the piece that it is cut from; id null: one to buy */
  stock: { id: number | null; lengthCm: number } | null;
  poles: number;
}

/** A pot, a mix and a support that were chosen together, as they are kept. */
export interface FitPlan {
  /** outside sizes */
  pot: PotShape;
  potMaterial: PotMaterialId;
  potLabel: Saying;
  /** the row of the shelf; null: not the shelf's */
  potId: number | null;
  potSource: PotSource;
  /** of one that is handed down: the plant that leaves it */
  leftBy?: string | undefined;
  recipeId: string;
  /** parts as they are to be mixed, where they are not the recipe's own */
  parts?: RecipePart[] | undefined;
  size: Schools['size'];
  layer: DrainageLayer;
  cuts: RootCuts & { counted?: Countable | undefined };
  /** seated on an upturned net pot, wrapped in moss */
  mound?: boolean | undefined;
  /** what its pebbles stand over; coverId null: no vessel of the shelf */
  water?: { kind: PebbleSetupKind; coverId: number | null } | undefined;
  support: PlannedSupport | null;
}
