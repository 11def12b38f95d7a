import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { IsoDate } from '@fernbank/core';
import type { OpenFile } from '../db/driver.ts';
import { HttpError, notFound } from '../http/errors.ts';
import { thinReadings } from '../services/climate.ts';

/** What was removed can be put back this long: days on which Fernbank ran. */
export const BIN_DAYS = 30;
/** How long a deed can be read and taken back: a whole round of the seasons, and a month. */
export const HISTORY_DAYS = 400;
/** A write that is sent again after so long is a new one. */
const ANSWER_DAYS = 30;

/** Throws away for good what a deed took out. @throws HttpError 404, 409 when it took nothing out */
export function emptyDeed(
  file: OpenFile,
  photoFolder: string | null,
  id: number,
  today: IsoDate,
): void {
  const [deed] = file.rows('SELECT * FROM deeds WHERE id = ?', id);
  if (!deed) throw notFound(`entry ${id} of the bin`);
  if (deed.kind !== 'remove' || deed.undone_by !== null || deed.emptied !== null) {
    throw new HttpError(409, 'notInBin', 'this is not in the bin');
  }
  file.db.transaction(() => empty(file, id, today));
  if (photoFolder) dropUnusedPhotos(file, photoFolder);
}

/**
 * Forgets what is older than it is kept for. Meant for once a day. Days are those on which Fernbank
 * ran: a clock that was set far ahead for a moment makes one day of it, and the house that was shut
 * for a year finds all as it was left.
 *
 * @param photoFolder  null: pictures are left alone this time
 */
export function sweep(file: OpenFile, photoFolder: string | null, today: IsoDate): void {
  file.db.transaction(() => {
    file.run('INSERT OR IGNORE INTO lived_days (day) VALUES (?)', today);
    const binned = livedBack(file, today, BIN_DAYS);
    if (binned) {
      const late = file.rows(
        `SELECT id FROM deeds WHERE kind = 'remove' AND at < ? AND undone_by IS NULL AND emptied IS NULL`,
        binned,
      );
      for (const { id } of late) empty(file, Number(id), today);
    }
    const told = livedBack(file, today, HISTORY_DAYS);
    if (told) file.run('DELETE FROM deeds WHERE at < ?', told);
    const answered = livedBack(file, today, ANSWER_DAYS);
    if (answered) file.run('DELETE FROM answers WHERE at < ?', answered);
    if (told) file.run('DELETE FROM lived_days WHERE day < ?', told);
    // One that has run out lets nobody in: its row may wait.
    if (binned) file.run('DELETE FROM devices WHERE until < ?', binned);
  });
  thinReadings(file, today);
  if (photoFolder) dropUnusedPhotos(file, photoFolder);
}

/** The day before which so many lived days, and as many of the calendar, have passed; null: there is none yet. */
function livedBack(file: OpenFile, today: IsoDate, days: number): IsoDate | null {
  const lived = file.value(
    'SELECT day FROM lived_days WHERE day <= ? ORDER BY day DESC LIMIT 1 OFFSET ?',
    today,
    days,
  );
  return typeof lived === 'string' ? lived : null;
}

function empty(file: OpenFile, id: number, today: IsoDate): void {
  file.run('UPDATE deeds SET emptied = ? WHERE id = ?', today, id);
  file.run("UPDATE changes SET before = NULL WHERE deed_id = ? AND op = 'remove'", id);
}

const PHOTO_NAME = /^([0-9a-f]{64})\.(jpg|png|webp)$/;

/** Pictures whose last row is gone, and is in no bin either. */
export function dropUnusedPhotos(file: OpenFile, folder: string): void {
  if (!existsSync(folder)) return;
  const used = new Set(
    file
      .rows(
        `SELECT hash FROM photos UNION SELECT json_extract(before, '$.hash') FROM changes
         WHERE "of" = 'photos' AND before IS NOT NULL`,
      )
      .map(({ hash }) => String(hash)),
  );
  for (const name of readdirSync(folder)) {
    const [, hash] = PHOTO_NAME.exec(name) ?? [];
    if (hash && !used.has(hash)) rmSync(join(folder, name), { force: true });
  }
}
