import { recordInForce, type IsoDate } from '@fernbank/core';
import type { Journal } from '../history/journal.ts';
import type { Reader } from '../reader/reader.ts';
import { readSettings, writeSettings } from '../services/settings.ts';
import { isDue } from './trackRecord.ts';

/** What the history calls it. */
const LEARNED = 'Fernbank corrects what it says by what was found';

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
  const settings = readSettings(db);
  if (!isDue(settings, today)) return;
  let filling = recordInForce(settings)?.filling ?? null;
  // At another pace it is worked through once more; a third time nothing is new.
  for (let time = 0; time < 2; time++) {
    let learned = null;
    while (!learned) learned = await reader.ask('learned', { date: today, filling });
    const { record, again } = learned;
    if (!again || time === 1) {
      journal.write({ what: LEARNED }, () => writeSettings(db, { ownRecord: record }));
      return;
    }
    ({ filling } = record);
  }
}
