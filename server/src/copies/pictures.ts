import { copyFileSync, existsSync, linkSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'libsql';

const PICTURE = /^([0-9a-f]{64})\.(jpg|png|webp)$/;
const own = (folder: string) => join(folder, 'photos');

/**
 * Keeps the pictures that any copy shows, as further names of the same files, which take no room
 * of their own where the file system can do that. They never change: their name is their hash.
 */
export function keepPictures(folder: string, photoFolder: string): void {
  const shown = new Set<string>();
  for (const name of readdirSync(folder)) {
    if (name.endsWith('.sqlite')) for (const hash of hashesIn(join(folder, name))) shown.add(hash);
  }
  const there = existsSync(photoFolder) ? readdirSync(photoFolder) : [];
  for (const name of there) {
    const hash = PICTURE.exec(name)?.[1];
    if (hash && shown.has(hash)) put(join(photoFolder, name), own(folder), name);
  }
  if (!existsSync(own(folder))) return;
  for (const name of readdirSync(own(folder))) {
    const hash = PICTURE.exec(name)?.[1];
    if (hash && !shown.has(hash)) rmSync(join(own(folder), name), { force: true });
  }
}

/** Brings back pictures that a restored copy shows and that are gone here. */
export function bringPictures(folder: string, photoFolder: string): void {
  if (!existsSync(own(folder))) return;
  for (const name of readdirSync(own(folder))) {
    if (PICTURE.test(name)) put(join(own(folder), name), photoFolder, name);
  }
}

function put(from: string, folder: string, name: string): void {
  const to = join(folder, name);
  if (existsSync(to)) return;
  mkdirSync(folder, { recursive: true });
  try {
    linkSync(from, to);
  } catch {
    copyFileSync(from, to);
  }
}

/** A damaged copy shows nothing that could be brought back. */
function hashesIn(path: string): string[] {
  let file: InstanceType<typeof Database> | null = null;
  try {
    file = new Database(path);
    file.pragma('query_only = ON');
    return (file.prepare('SELECT DISTINCT hash FROM photos').all() as { hash: string }[]).map(
      ({ hash }) => hash,
    );
  } catch {
    return [];
  } finally {
    file?.close();
  }
}
