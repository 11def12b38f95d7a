import { coverFit, inMetric, type IsoDate } from '@fernbank/core';
import { eq, sql } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { pots, supports } from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, touch } from '../http/resource.ts';

export type PotRow = typeof pots.$inferSelect;
export type SupportRow = typeof supports.$inferSelect;

/**
 * A pot of the shelf is taken: a clean one, else one out of its soak, which the
 * keeper then has rinsed.
 *
 * @throws HttpError 409 when none is there to take
 */
export function takePot(db: Db, potId: number): void {
  const row = rowOr404(db, pots, potId, 'pot');
  if (row.free < 1 && row.soaking < 1) {
    throw new HttpError(
      409,
      'potTaken',
      'no such pot is free: another plant stands in it',
      'potId',
    );
  }
  const from = row.free > 0 ? ('free' as const) : ('soaking' as const);
  db.update(pots)
    .set({ [from]: row[from] - 1, ...touch(row) })
    .where(eq(pots.id, potId))
    .run();
  endSoak(db, potId);
}

/**
 * A plant has left its pot, which is to be cleaned before the next; nothing to
 * do for one that was never the shelf's.
 *
 * @param apart  it was in quarantine: its pot is kept for it until disinfected
 */
export function soakPot(db: Db, potId: number | null, date: IsoDate, apart = false): void {
  if (potId === null) return;
  if (apart) {
    db.update(pots)
      .set({
        apart: sql`min(${pots.count} - ${pots.free} - ${pots.soaking}, ${pots.apart} + 1)`,
        rev: sql`${pots.rev} + 1`,
      })
      .where(eq(pots.id, potId))
      .run();
    return;
  }
  db.update(pots)
    .set({
      soaking: sql`min(${pots.count} - ${pots.free} - ${pots.apart}, ${pots.soaking} + 1)`,
      soakingSince: sql`coalesce(${pots.soakingSince}, ${date})`,
      rev: sql`${pots.rev} + 1`,
    })
    .where(eq(pots.id, potId))
    .run();
}

/** A pot or cover of the shelf that nothing stands in any more, and that is clean. */
export function freePot(db: Db, potId: number | null): void {
  if (potId === null) return;
  db.update(pots)
    .set({
      free: sql`min(${pots.count} - ${pots.soaking} - ${pots.apart}, ${pots.free} + 1)`,
      rev: sql`${pots.rev} + 1`,
    })
    .where(eq(pots.id, potId))
    .run();
}

function endSoak(db: Db, potId: number): void {
  db.update(pots)
    .set({ soakingSince: sql`case when ${pots.soaking} > 0 then ${pots.soakingSince} end` })
    .where(eq(pots.id, potId))
    .run();
}

/**
 * A plant's pot is put into a cover of the shelf.
 *
 * @throws HttpError 422 when it does not go in, 409 when none is free
 */
export function takeCover(db: Db, coverId: number, pot: PotRow['shape']): void {
  const row = db.select().from(pots).where(eq(pots.id, coverId)).get();
  if (!row || row.role !== 'cover') throw invalid('coverId', `cover ${coverId} was not found`);
  const fit = coverFit(pot, row.shape, row.material);
  if (!fit.fits)
    throw invalid('coverId', `${row.label} does not take this pot: ${inMetric(fit.why)}`);
  if (row.free < 1) throw new HttpError(409, 'potTaken', `no ${row.label} is free`, 'coverId');
  db.update(pots)
    .set({ free: row.free - 1, ...touch(row) })
    .where(eq(pots.id, coverId))
    .run();
}

/** A support of the shelf is taken. @throws HttpError 409 when none is free */
export function takeSupport(db: Db, supportId: number): void {
  const row = rowOr404(db, supports, supportId, 'support');
  if (row.free < 1) {
    throw new HttpError(409, 'supportTaken', `no ${row.label} is free`, 'support.supportId');
  }
  db.update(supports)
    .set({ free: row.free - 1, ...touch(row) })
    .where(eq(supports.id, supportId))
    .run();
}

/** A support of the shelf that nothing is tied to any more. */
export function freeSupport(db: Db, supportId: number | null): void {
  if (supportId === null) return;
  db.update(supports)
    .set({ free: sql`min(${supports.count}, ${supports.free} + 1)`, rev: sql`${supports.rev} + 1` })
    .where(eq(supports.id, supportId))
    .run();
}
