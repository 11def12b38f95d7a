import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { addDays, type IsoDate } from '@fernbank/core';
import type { OpenFile } from '../db/driver.ts';
import { HttpError, notFound } from '../http/errors.ts';

/** What was removed can be put back this long. */
export const BIN_DAYS = 30;
/** How long a deed can be read and taken back: a whole round of the seasons, and a month. */
export const HISTORY_DAYS = 400;
/** A write that is sent again after so long is a new one. */
const ANSWER_DAYS = 30;

/** First moment that still counts, so many days ago. ISO 8601, UTC. */
export const sinceDay = (today: IsoDate, days: number) => addDays(today, -days);

/** Throws away for good what a deed took out. @throws HttpError 404, 409 when it took nothing out */
export function emptyDeed(file: OpenFile, photoFolder: string, id: number, today: IsoDate): void {
  const [deed] = file.rows('SELECT * FROM deeds WHERE id = ?', id);
  if (!deed) throw notFound(`entry ${id} of the bin`);
  if (deed.kind !== 'remove' || deed.undone_by !== null || deed.emptied !== null) {
    throw new HttpError(409, 'notInBin', 'this is not in the bin');
  }
  file.db.transaction(() => empty(file, id, today));
  dropUnusedPhotos(file, photoFolder);
}

/** Forgets what is older than it is kept for. Meant for once a day. */
export function sweep(file: OpenFile, photoFolder: string, today: IsoDate): void {
  file.db.transaction(() => {
    const late = file.rows(
      `SELECT id FROM deeds WHERE kind = 'remove' AND at < ? AND undone_by IS NULL AND emptied IS NULL`,
      sinceDay(today, BIN_DAYS),
    );
    for (const { id } of late) empty(file, Number(id), today);
    file.run('DELETE FROM deeds WHERE at < ?', sinceDay(today, HISTORY_DAYS));
    file.run('DELETE FROM answers WHERE at < ?', sinceDay(today, ANSWER_DAYS));
    file.run('DELETE FROM devices WHERE until < ?', new Date().toISOString());
  });
  dropUnusedPhotos(file, photoFolder);
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
