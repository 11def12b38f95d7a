import { within } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { components, type Drawn } from '../db/schema.ts';
import { touch } from '../http/resource.ts';

/**
 * Takes litres off the stock: opened bags first, then own bags, one after the
 * other. What a keeper does not count is not touched; what is counted and does
 * not suffice runs out, and never goes below nothing.
 *
 * @param litres  loosened, by component
 * @returns what was taken, to be put back by `putStockBack`
 */
export function drawStock(
  db: Db,
  litres: readonly { component: string; litres: number }[],
): Drawn[] {
  return litres.flatMap(({ component, litres: wanted }): Drawn[] => {
    within('litres', wanted, 0, Number.MAX_VALUE);
    const row = db.select().from(components).where(eq(components.key, component)).get();
    if (!row || wanted === 0 || !isCounted(row)) return [];
    const before = { bags: row.bags, openL: row.openL };
    const after = { ...before };
    let left = wanted;
    const fromOpen = Math.min(left, after.openL);
    after.openL -= fromOpen;
    left -= fromOpen;
    while (left > 0 && after.bags > 0 && row.bagL !== null) {
      after.bags -= 1;
      const taken = Math.min(left, row.bagL);
      after.openL += row.bagL - taken;
      left -= taken;
    }
    write(db, row, after);
    return [{ component, litres: wanted - left, before, after }];
  });
}

/** Adds bags that were bought. */
export function addBags(db: Db, component: string, count: number): Drawn | null {
  const row = db.select().from(components).where(eq(components.key, component)).get();
  if (!row || count === 0) return null;
  const before = { bags: row.bags, openL: row.openL };
  const after = { ...before, bags: before.bags + count };
  write(db, row, after);
  return { component, litres: 0, before, after };
}

/**
 * Takes a draw back: to the very numbers from before where nothing else has
 * moved the stock since, else by what was taken.
 */
export function putStockBack(db: Db, drawn: readonly Drawn[]): void {
  for (const { component, before, after } of [...drawn].reverse()) {
    const row = db.select().from(components).where(eq(components.key, component)).get();
    if (!row) continue;
    const untouched = row.bags === after.bags && row.openL === after.openL;
    write(
      db,
      row,
      untouched
        ? before
        : {
            bags: Math.max(0, row.bags + before.bags - after.bags),
            openL: Math.max(0, row.openL + before.openL - after.openL),
          },
    );
  }
}

/** A bag, a bag size or a litre is known. */
export const isCounted = ({
  bagL,
  bags,
  openL,
}: Pick<typeof components.$inferSelect, 'bagL' | 'bags' | 'openL'>): boolean =>
  bagL !== null || bags > 0 || openL > 0;

function write(
  db: Db,
  row: typeof components.$inferSelect,
  { bags, openL }: Drawn['before'],
): void {
  db.update(components)
    .set({ bags, openL, ...touch(row) })
    .where(eq(components.id, row.id))
    .run();
}
