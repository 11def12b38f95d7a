import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { and, eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { photos } from '../db/schema.ts';
import { HttpError } from '../http/errors.ts';
import { stamp } from '../http/resource.ts';

export type PhotoRow = typeof photos.$inferSelect;

/** What a picture begins with. A name or a header can say anything; the bytes do not. */
const KINDS: { mime: string; extension: string; is: (bytes: Buffer) => boolean }[] = [
  {
    mime: 'image/jpeg',
    extension: 'jpg',
    is: (bytes) => bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff,
  },
  {
    mime: 'image/png',
    extension: 'png',
    is: (bytes) => bytes.subarray(0, 8).equals(Buffer.from('89504e470d0a1a0a', 'hex')),
  },
  {
    mime: 'image/webp',
    extension: 'webp',
    is: (bytes) =>
      bytes.subarray(0, 4).toString('latin1') === 'RIFF' &&
      bytes.subarray(8, 12).toString('latin1') === 'WEBP',
  },
];

/** Largest file taken: the browser has resized it before, to well under this. */
export const LARGEST_PHOTO_BYTES = 8_000_000;

/**
 * Keeps a picture beside the database, once however often it is sent.
 *
 * The file is written under another name and then renamed, so that a half
 * written one is never taken for whole; the row comes last.
 *
 * @throws HttpError 415 when the bytes are no picture
 */
export function keepPhoto(
  db: Db,
  folder: string,
  plantId: number,
  date: string,
  bytes: Buffer,
): { photo: PhotoRow; isNew: boolean } {
  const kind = kindOf(bytes);
  if (!kind) {
    throw new HttpError(415, 'noPicture', 'this file is not a picture (JPEG, PNG or WebP)', 'body');
  }
  const hash = createHash('sha256').update(bytes).digest('hex');
  const before = db
    .select()
    .from(photos)
    .where(and(eq(photos.plantId, plantId), eq(photos.hash, hash)))
    .get();
  if (before) return { photo: before, isNew: false };
  const path = pathOf(folder, hash, kind.mime);
  writeWhole(path, bytes);
  const photo = db
    .insert(photos)
    .values({ ...stamp(), plantId, date, hash, mime: kind.mime, bytes: bytes.length })
    .returning()
    .get();
  return { photo, isNew: true };
}

/** Writes a file that takes its name only once it is whole; on a full disk nothing of it stays. */
export function writeWhole(path: string, bytes: Buffer): void {
  if (existsSync(path)) return;
  mkdirSync(dirname(path), { recursive: true });
  const part = `${path}.part`;
  try {
    writeFileSync(part, bytes);
    renameSync(part, path);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/** What kind of picture some bytes are. */
export const kindOf = (bytes: Buffer) => KINDS.find(({ is }) => is(bytes));

export function pathOf(folder: string, hash: string, mime: string): string {
  const extension = KINDS.find((kind) => kind.mime === mime)!.extension;
  return join(folder, `${hash}.${extension}`);
}
