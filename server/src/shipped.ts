import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Where this program lies: `server/src` as sources, `server/dist` as it is installed. */
const here = dirname(fileURLToPath(import.meta.url));
const root = join(here, '../..');

/** Changes to the tables, in their order. */
export const MIGRATIONS = join(here, '../drizzle');
/** The built interface. */
export const INTERFACE = join(root, 'web/dist');
export const { version: VERSION } = JSON.parse(
  readFileSync(join(root, 'package.json'), 'utf8'),
) as { version: string };
