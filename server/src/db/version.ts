import { sql } from 'drizzle-orm';
import type { Db } from './driver.ts';

/** Changes with every written row: by this connection, and by any other. */
export function versionOf(db: Db): string {
  const own = db.get<{ n: number }>(sql`select total_changes() as n`).n;
  const others = db.get<{ data_version: number }>(sql`pragma data_version`).data_version;
  return `${own}.${others}`;
}
