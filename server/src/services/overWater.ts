import { placeOf, type MediumKind, type PebbleSetupKind } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { pots, reservoirs } from '../db/schema.ts';
import { stamp, touch } from '../http/resource.ts';
import type { PlantFile, PlantRow } from './collection.ts';
import { partsOrdered, rungOrdered, type MixOrder } from './newMedium.ts';
import type { ReservoirRow } from './reservoirs.ts';

/** A pot with its mix, as far as the water under it goes by them. */
interface WaterOrder extends Omit<MixOrder, 'recipeId' | 'mediumKind' | 'water'> {
  mediumKind: MediumKind;
  recipeId: string | null;
  potId: number | null;
  water?: { kind: PebbleSetupKind };
}
type SetUp = Pick<
  ReservoirRow,
  'fullL' | 'wick' | 'setup' | 'gapCm' | 'levelCm' | 'wicks' | 'winterWicks'
>;
const NOTHING_KNOWN = { setup: null, gapCm: null, levelCm: null, wicks: null, winterWicks: null };

/**
 * The water that a plant stands over after its repot: set up with its pebbles, gone with them. One that
 * goes on in pebbles without a word of its water keeps what was said of it.
 *
 * @param coverId  the cover that it then stands in
 */
export function settleWater(
  db: Db,
  plant: Pick<PlantRow, 'id'>,
  order: WaterOrder,
  file: PlantFile,
  coverId: number | null,
): void {
  const before = db.select().from(reservoirs).where(eq(reservoirs.plantId, plant.id)).get();
  if (order.mediumKind !== 'pebbles') {
    if (before) db.delete(reservoirs).where(eq(reservoirs.id, before.id)).run();
    return;
  }
  if (before && !order.water) return;
  const setUp = ownReservoir(db, order) ?? setUpUnder(db, order, file, coverId);
  if (!setUp) return;
  if (before) {
    db.update(reservoirs)
      .set({ ...setUp, ...touch(before) })
      .where(eq(reservoirs.id, before.id))
      .run();
  } else {
    db.insert(reservoirs)
      .values({ ...stamp(), ...setUp, plantId: plant.id })
      .run();
  }
}

/** A pot of the shelf that holds its water itself. */
function ownReservoir(db: Db, { potId }: WaterOrder): SetUp | null {
  const pot = potId === null ? null : db.select().from(pots).where(eq(pots.id, potId)).get();
  return pot && pot.reservoirL > 0
    ? { ...NOTHING_KNOWN, fullL: pot.reservoirL, wick: null, wicks: pot.wicks || null }
    : null;
}

/** As its fit has it; null: pebbles of no recipe, of which no litres are known. */
function setUpUnder(
  db: Db,
  order: WaterOrder,
  file: PlantFile,
  coverId: number | null,
): SetUp | null {
  const { recipeId } = order;
  if (recipeId === null) return null;
  const asked = {
    ...order,
    recipeId,
    water: { ...order.water, coverId },
  };
  const parts = partsOrdered(db, asked, placeOf(file.situation));
  const { under } = rungOrdered(db, file, asked, parts);
  if (!under) return null;
  const { kind, gapCm, summer, wick, wickKind } = under;
  return {
    fullL: summer.litres,
    gapCm,
    levelCm: summer.levelCm,
    setup: kind,
    wick: wickKind,
    wicks: wick?.count ?? null,
    winterWicks: wick?.winterCount ?? null,
  };
}
