import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { Program } from './threads/thread.ts';

/** Where this program lies: `server/src` as sources, `server/dist` as it is installed. */
const here = dirname(fileURLToPath(import.meta.url));
const root = join(here, '../..');

/** Changes to the tables, in their order. */
export const MIGRATIONS = join(here, '../drizzle');
/** Pictures of the plants of the demo. */
export const DRAWN = join(root, 'demo/pictures');
/** The built interface. */
export const INTERFACE = join(root, 'web/dist');
export const { version: VERSION } = JSON.parse(
  readFileSync(join(root, 'package.json'), 'utf8'),
) as { version: string };

/** A program for a thread of its own: built beside this one, or as sources, which Node needs help to read. */
export function threadOf(built: string, source: string): Program {
  if (!import.meta.url.endsWith('.ts')) return { url: pathToFileURL(join(here, built)) };
  const told = JSON.stringify(pathToFileURL(join(here, source)).href);
  return { code: `import('@swc-node/register/esm-register').then(() => import(${told}))` };
}
