import {
  component,
  kitchenTest,
  ownFromKitchenTest,
  type IsoDate,
  type KitchenReading,
  type RecipePart,
} from '@fernbank/core';
import type { Db } from '../server/src/db/driver.ts';
import { components, recipes, recipeVersions } from '../server/src/db/schema.ts';
import { stamp } from '../server/src/http/resource.ts';

/** What stands under the potting bench: bags, part bags, prices. Invented. */
const STOCK: { id: string; bagL: number; bags: number; openL: number; price: number }[] = [
  { id: 'pottingSoil', bagL: 40, bags: 1, openL: 14, price: 11.5 },
  { id: 'perlite', bagL: 100, bags: 0, openL: 31, price: 26 },
  { id: 'pumice', bagL: 20, bags: 1, openL: 6, price: 14.8 },
  { id: 'barkMedium', bagL: 60, bags: 1, openL: 9, price: 21 },
  { id: 'barkFine', bagL: 60, bags: 0, openL: 22, price: 19 },
  { id: 'coconutChips', bagL: 50, bags: 0, openL: 0, price: 17.5 },
  { id: 'coir', bagL: 9, bags: 6, openL: 2.5, price: 2.4 },
  { id: 'longMoss', bagL: 12, bags: 2, openL: 3, price: 16 },
  { id: 'charcoal', bagL: 5, bags: 0, openL: 3.5, price: 9 },
  { id: 'loamCompost', bagL: 25, bags: 2, openL: 0, price: 8.2 },
  { id: 'grit', bagL: 20, bags: 1, openL: 11, price: 6.4 },
  { id: 'sharpSand', bagL: 20, bags: 1, openL: 4, price: 4.9 },
  { id: 'clayPebbles', bagL: 45, bags: 1, openL: 0, price: 18.5 },
  { id: 'wormCompost', bagL: 10, bags: 1, openL: 2, price: 12 },
  { id: 'compost', bagL: 40, bags: 0, openL: 18, price: 0 },
];

/** A bark of the garden's own, tested in the boat-house kitchen. */
const QUAY_BARK = {
  label: 'quay bark 10–14 mm',
  like: 'barkMedium',
  grade: 'sieved, second year',
  reading: {
    mediumL: 2,
    pouredL: 1.58,
    drainedL: 1.02,
    heightCm: 13,
    dryKg: 0.49,
  } satisfies KitchenReading,
};

const QUAY_MIX: RecipePart[] = [
  { component: 'own-1', parts: 4 },
  { component: 'coir', parts: 2 },
  { component: 'pumice', parts: 1 },
];

/** The garden's bench: stock, one component and one recipe of its own in its second version. */
export function stockPantry(db: Db, tested: IsoDate): void {
  const { label, like, grade, reading } = QUAY_BARK;
  db.insert(components)
    .values({
      ...stamp(),
      key: 'own-1',
      label,
      like,
      grade,
      own: ownFromKitchenTest(kitchenTest(reading, component(like).n), tested),
      kitchen: { on: tested, reading },
      bagL: 50,
      bags: 1,
      openL: 20,
      pricePerBag: 9,
    })
    .run();
  for (const { id, bagL, bags, openL, price } of STOCK) {
    const row = { key: id, label: component(id).label, like: id };
    db.insert(components)
      .values({ ...stamp(), ...row, bagL, bags, openL, pricePerBag: price })
      .run();
  }
  db.insert(recipes)
    .values({
      ...stamp(),
      key: 'own-1',
      label: 'Boat-house climber',
      use: 'climbers in the east glazing',
      version: 2,
      parts: QUAY_MIX,
      extras: { topDressing: { component: 'wormCompost', depthMm: 7 } },
    })
    .run();
  db.insert(recipeVersions)
    .values({
      key: 'own-1',
      version: 1,
      label: 'Boat-house climber',
      parts: QUAY_MIX.map((part) => (part.component === 'coir' ? { ...part, parts: 3 } : part)),
      extras: {},
      until: tested,
    })
    .run();
}
