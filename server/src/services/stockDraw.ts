import { within } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { components } from '../db/schema.ts';
import { touch } from '../http/resource.ts';

/**
 * Takes litres off the stock: opened bags first, then own bags, one after the
 * other. What a keeper does not count is not touched; what is counted and does
 * not suffice runs out, and never goes below nothing.
 *
 * @param litres  loosened, by component
 */
export function drawStock(db: Db, litres: readonly { component: string; litres: number }[]): void {
  for (const { component, litres: wanted } of litres) {
    within('litres', wanted, 0, Number.MAX_VALUE);
    const row = db.select().from(components).where(eq(components.key, component)).get();
    if (!row || wanted === 0 || !isCounted(row)) continue;
    const after = { bags: row.bags, openL: row.openL };
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
  }
}

/** Adds bags that were bought. */
export function addBags(db: Db, component: string, count: number): void {
  const row = db.select().from(components).where(eq(components.key, component)).get();
  if (row && count > 0) write(db, row, { bags: row.bags + count, openL: row.openL });
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
  { bags, openL }: { bags: number; openL: number },
): void {
  db.update(components)
    .set({ bags, openL, ...touch(row) })
    .where(eq(components.id, row.id))
    .run();
}
