import { DEFAULT_SETTINGS, type Settings } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { settings } from '../db/schema.ts';

export function readSettings(db: Db): Settings {
  const rows = readable(db, settings);
  return { ...DEFAULT_SETTINGS, ...Object.fromEntries(rows.map(({ key, value }) => [key, value])) };
}

export function writeSettings(db: Db, changed: Partial<Settings>): Settings {
  for (const [key, value] of Object.entries(changed)) {
    // Nothing of one's own: the default is in force again.
    if (value === null) {
      db.delete(settings).where(eq(settings.key, key)).run();
      continue;
    }
    db.insert(settings)
      .values({ key, value })
      .onConflictDoUpdate({ target: settings.key, set: { value } })
      .run();
  }
  return readSettings(db);
}
