import { createWriteStream, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Request } from 'express';
import type { Context } from '../context.ts';
import { backup } from '../copies/backup.ts';
import { bring } from '../copies/bring.ts';
import { bringPictures } from '../copies/pictures.ts';
import { replaceBy } from '../copies/replace.ts';
import { backupSchema } from '../copies/shape.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { tableAsCsv } from '../services/tables.ts';
import { COLLECTION_TABLES } from '../history/tables.ts';

/** A backup with thousands of pictures. */
const LARGEST_ARCHIVE_BYTES = 4_000_000_000;

/** Copies, backups and tables: what makes the collection the keeper's own. */
export function copyRoutes(context: Context): DescribedRouter {
  const { journal, copies, photoFolder } = context;
  const { file } = journal;
  const routes = new DescribedRouter();
  const by = (response: { locals: Record<string, unknown> }) => ({
    device: (response.locals.device as string | undefined) ?? null,
    scratch: context.copyFolder,
  });

  routes.get('/copies', { summary: 'copies that are kept, newest first' }, (_request, response) => {
    response.json({ fault: copies.fault, items: copies.list() });
  });
  routes.post(
    '/copies',
    { summary: 'copy the collection now', alone: true },
    (_request, response) => {
      copies.now();
      response.status(201).json({ fault: null, items: copies.list() });
    },
  );
  routes.post(
    '/copies/:name/restore',
    {
      summary: 'put a copy in the place of the collection; what it replaces is kept',
      alone: true,
      status: 200,
    },
    (request, response) => {
      const { name } = request.params as { name: string };
      const path = copies.pathOf(name);
      const before = copies.beforeRestore();
      const deed = replaceBy(journal, path, `restore the copy ${name}`, by(response));
      bringPictures(context.copyFolder, photoFolder);
      response.json({ deed, before });
    },
  );

  routes.get(
    '/backup',
    {
      summary: 'everything as one ZIP: fernbank.json (by /api/backup/schema.json) and the pictures',
    },
    async (_request, response) => {
      mkdirSync(context.copyFolder, { recursive: true });
      const made = new Date().toISOString();
      response.attachment(`fernbank-${context.today()}.zip`).type('application/zip');
      await pipeline(
        backup(file, photoFolder, {
          scratch: join(context.copyFolder, `.backup-${process.pid}-${Date.now()}.sqlite`),
          version: context.version,
          made,
        }),
        response,
      ).catch(whenLeft);
    },
  );
  routes.get(
    '/backup/schema.json',
    { summary: 'JSON Schema of fernbank.json in a backup' },
    (_request, response) =>
      void response.type('application/schema+json').send(JSON.stringify(backupSchema(), null, 2)),
  );
  routes.post(
    '/backup',
    {
      summary:
        'put a backup (the body is the ZIP) in the place of the collection; what it replaces is kept',
      alone: true,
      status: 200,
    },
    async (request, response) => {
      mkdirSync(context.copyFolder, { recursive: true });
      const folder = mkdtempSync(join(context.copyFolder, '.brought-'));
      try {
        const archive = join(folder, 'archive.zip');
        await receive(request, archive);
        const brought = join(folder, 'brought.sqlite');
        await bring(archive, brought, photoFolder);
        const before = copies.beforeRestore();
        const deed = replaceBy(journal, brought, 'restore a backup', by(response));
        response.json({ deed, before });
      } finally {
        rmSync(folder, { recursive: true, force: true });
      }
    },
  );

  routes.get('/tables', { summary: 'tables that can be had as CSV' }, (_request, response) => {
    const items = COLLECTION_TABLES.map(({ name }) => ({
      name,
      rows: Number(file.value(`SELECT count(*) FROM "${name}"`)),
    }));
    response.json({ items });
  });
  for (const { name } of COLLECTION_TABLES) {
    routes.get(
      `/tables/${name}.csv`,
      { summary: `${name} as CSV (RFC 4180), nested fields as columns of their own` },
      (_request, response) => {
        response.attachment(`${name}.csv`).type('text/csv').send(tableAsCsv(file, name));
      },
    );
  }
  return routes;
}

/** Writes a body to a file. @throws HttpError 400, 413 */
async function receive(request: Request, path: string): Promise<void> {
  let bytes = 0;
  const counted = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      done(
        bytes > LARGEST_ARCHIVE_BYTES
          ? new HttpError(413, 'tooLarge', 'this archive is larger than any backup', 'body')
          : null,
        chunk,
      );
    },
  });
  await pipeline(request as Readable, counted, createWriteStream(path));
  if (bytes === 0) throw new HttpError(400, 'empty', 'the body must be the archive', 'body');
}

/** Who asked went away: nothing to say to nobody. */
function whenLeft(error: NodeJS.ErrnoException): void {
  if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
}
