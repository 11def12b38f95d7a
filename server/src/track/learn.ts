import { recordInForce, type IsoDate, type KeepersPace, type OwnRecord } from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import type { Journal } from '../history/journal.ts';
import type { Reader } from '../reader/reader.ts';
import { readSettings, writeSettings } from '../services/settings.ts';
import { isDue, type Learned } from './trackRecord.ts';

/** What the history calls it. */
const LEARNED = 'Fernbank corrects what it says by what was found';

/** At another pace it is worked through once more; a third time nothing would be new. */
const ROUNDS = 2;

/** What a keeper's record until the first of the month comes to; each time it is worked through as a whole. */
async function learned(
  db: Db,
  ask: (filling: KeepersPace | null) => Promise<Learned> | Learned,
): Promise<OwnRecord> {
  let { record, again } = await ask(recordInForce(readSettings(db))?.filling ?? null);
  for (let round = 1; again && round < ROUNDS; round++) {
    ({ record, again } = await ask(record.filling));
  }
  return record;
}

/**
 * On the first day of a month, or once after it: what was found until then corrects what is said from then
 * on. Read beside other requests; only what it came to is written.
 */
export async function learnFromRecord(
  journal: Journal,
  reader: Reader,
  today: IsoDate,
): Promise<void> {
  const { db } = journal.file;
  if (!isDue(readSettings(db), today)) return;
  const record = await learned(db, async (filling) => {
    for (;;) {
      const part = await reader.ask('learned', { date: today, filling });
      if (part.toCome === 0) return part;
    }
  });
  journal.write({ what: LEARNED }, () => writeSettings(db, { ownRecord: record }));
}
