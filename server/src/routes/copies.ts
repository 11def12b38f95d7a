import { createWriteStream } from 'node:fs';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Request, Response } from 'express';
import Joi from 'joi';
import type { Context } from '../context.ts';
import type { Copies } from '../copies/copies.ts';
import { backup } from '../copies/backup.ts';
import { backupSchema } from '../copies/shape.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { check } from '../http/validate.ts';
import { tableAsCsv } from '../services/tables.ts';
import { COLLECTION_TABLES } from '../history/tables.ts';

/** A backup with thousands of pictures. */
const LARGEST_ARCHIVE_BYTES = 4_000_000_000;

const restoreQuery = Joi.object<{ empty?: '1' }, true>({ empty: Joi.string().valid('1') });

/** The copies that are kept, and what is being done with them. */
export type CopyList = Pick<Copies, 'fault' | 'working'> & {
  items: Awaited<ReturnType<Copies['list']>>;
};

/** Copies, backups and tables: what makes the collection the keeper's own. */
export function copyRoutes(context: Context): DescribedRouter {
  const { journal, copies, photoFolder } = context;
  const { file } = journal;
  const routes = new DescribedRouter();
  const deviceOf = (response: Response) => (response.locals.device as string | undefined) ?? null;
  const shown = async (): Promise<CopyList> => ({
    fault: copies.fault,
    working: copies.working,
    // While something is done with the whole collection, only how far it has come is told.
    items: copies.working ? [] : await copies.list(),
  });

  routes.get(
    '/copies',
    { summary: 'copies that are kept, newest first, and how far one has come that is being made' },
    async (_request, response) => void response.json(await shown()),
  );
  routes.post(
    '/copies',
    { summary: 'copy the collection now', alone: true },
    async (_request, response) => {
      await copies.now();
      response.status(201).json(await shown());
    },
  );
  routes.post(
    '/copies/:name/restore',
    {
      summary: 'put a copy in the place of the collection; what it replaces is kept',
      alone: true,
      status: 200,
    },
    async (request, response) => {
      const { name } = request.params as { name: string };
      response.json(await copies.restore(name, deviceOf(response)));
    },
  );

  routes.get(
    '/backup',
    {
      summary: 'everything as one ZIP: fernbank.json (by /api/backup/schema.json) and the pictures',
    },
    async (_request, response) => {
      const made = new Date().toISOString();
      const moment = await copies.moment();
      response.attachment(`fernbank-${context.today()}.zip`).type('application/zip');
      await pipeline(
        backup(moment, photoFolder, { version: context.version, made }),
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
      query: restoreQuery,
      alone: true,
      status: 200,
    },
    async (request, response) => {
      const { empty } = check(restoreQuery, request.query, true);
      const receiving = (path: string) => receive(request, path);
      const how = { device: deviceOf(response), empty: empty === '1' };
      response.json(await copies.restoreBackup(receiving, how));
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
