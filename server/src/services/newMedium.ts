import {
  blend,
  coverOption,
  insideOfMaterial,
  listedParts,
  mixFor,
  newKindOf,
  partsOf,
  placeOf,
  potExtras,
  potLadder,
  sectionCm2,
  type CoverOption,
  type DrainageLayer,
  type MediumKind,
  type PebbleSetupKind,
  type PotExtra,
  type PotMaterialId,
  type PotShape,
  type PottedPlace,
  type Recipe,
  type RecipePart,
  type RootCuts,
  type Rung,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { pots, type HousedSupport } from '../db/schema.ts';
import { heightOf, supportOf, weighSupport, type PlantFile } from './collection.ts';
import { pantryFor } from './pantry.ts';

/** A pot that a plant is to move into, with its mix. */
export interface MixOrder {
  pot: PotShape;
  potMaterial: PotMaterialId;
  recipeId: string;
  /** as it is mixed, where that is not the recipe's own */
  parts?: RecipePart[] | undefined;
  mediumKind?: MediumKind;
  /** absent: the one it has; null: none */
  support?: HousedSupport | null;
  layer?: DrainageLayer;
  cuts?: RootCuts;
  /** pebbles: how they stand over their water, and in which cover */
  water?: { kind?: PebbleSetupKind; coverId?: number | null | undefined } | undefined;
  /** wrapped in moss over an upturned net pot */
  mound?: boolean | undefined;
}

/**
 * Parts as they go in that day: kept with the plant, whatever becomes of the
 * recipe. Where they are not told, its recipe's, without what is avoided.
 *
 * @param place  where the plant stands in its pot: what stands in for what is avoided is judged there
 */
export function partsOrdered(
  db: Db,
  { recipeId, parts }: Pick<MixOrder, 'recipeId' | 'parts'>,
  place: PottedPlace,
): RecipePart[] {
  if (parts) return parts;
  const pantry = pantryFor(db);
  return listedParts(mixFor(pantry.recipe(recipeId).parts, pantry, place).parts);
}

/** The pot of an order as its fit has it: what goes in, and what it stands over. */
export function rungOrdered(
  db: Db,
  file: PlantFile,
  order: MixOrder,
  parts: readonly RecipePart[],
): Rung {
  const pantry = pantryFor(db);
  const mixed = partsOf(parts, pantry);
  const cover = coverOf(db, order.water?.coverId ?? null);
  const support = order.support
    ? weighSupport(order.support)
    : order.support === null
      ? undefined
      : supportOf(file.plant);
  const { rungs } = potLadder({
    situation: file.situation,
    options: [
      { id: 'new', label: '', outside: order.pot, material: order.potMaterial, source: 'free' },
    ],
    mix: blend(mixed),
    newKind: order.mediumKind ?? newKindOf(file.plant, order, mixed, pantry),
    plantHeightCm: heightOf(file).cm,
    ...(support ? { support } : {}),
    ...(order.layer ? { layer: order.layer } : {}),
    ...(order.cuts ? { cuts: order.cuts } : {}),
    mound: order.mound ?? false,
    log: file.logs.water,
    presentMaterial: file.plant.potMaterial,
    covers: cover ? [cover] : [],
    presentCover: cover,
    ...(order.water?.kind ? { water: { kind: order.water.kind } } : {}),
  });
  return rungs[0]!;
}

/** A cover of the shelf as a fit takes it. */
function coverOf(db: Db, coverId: number | null): CoverOption | null {
  const row = coverId === null ? null : db.select().from(pots).where(eq(pots.id, coverId)).get();
  return row ? coverOption(row) : null;
}

/** New medium that goes round a plant's ball, and what goes into its pot beside it. */
export function newMediumFor(
  db: Db,
  file: PlantFile,
  order: MixOrder,
): { recipe: Recipe; parts: RecipePart[]; rung: Rung; extras: PotExtra[] } {
  const pantry = pantryFor(db);
  const recipe = pantry.recipe(order.recipeId);
  const parts = partsOrdered(db, order, placeOf(file.situation));
  const rung = rungOrdered(db, file, order, parts);
  const { newMediumL, fillHeightCm, pots: many } = rung;
  const inside = insideOfMaterial(order.pot, order.potMaterial);
  const surfaceCm2 = sectionCm2(inside, fillHeightCm) * many;
  const { traits } = file.situation;
  const extras = potExtras(recipe.extras, pantry, surfaceCm2, newMediumL * many, traits);
  return { recipe, parts, rung, extras: extras.filter(({ leftOut }) => !leftOut) };
}
