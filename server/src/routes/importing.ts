import express, { type Request } from 'express';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { whoAsks } from '../http/answered.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { mappingBody, type Mapping } from '../importing/mapping.ts';
import { ENCODINGS, LARGEST_CSV_BYTES } from '../importing/sheet.ts';
import { check } from '../http/validate.ts';

const readQuery = Joi.object<{ encoding?: string }, true>({
  encoding: Joi.string().valid(...ENCODINGS),
});

/** Where an outline is written; by it the history knows the deed. */
const RUN = '/imports/:token/run';

/** A file of rows, from its bytes to plants and logs: read, previewed row by row, brought in as one deed. */
export function importRoutes(context: Context): DescribedRouter {
  const { importer } = context;
  const routes = new DescribedRouter();
  routes.router.use('/imports', (request, response, next) =>
    request.path === '/'
      ? express.raw({ type: () => true, limit: LARGEST_CSV_BYTES })(request, response, next)
      : next(),
  );
  const of = (request: Request, mapping: Mapping) => ({
    token: String(request.params.token),
    mapping,
    today: context.today(),
  });

  routes.post(
    '/imports',
    {
      summary: 'read a CSV (the body is the file) and say what its columns seem to mean',
      query: readQuery,
      alone: true,
    },
    async (request, response) => {
      const bytes: unknown = request.body;
      if (!Buffer.isBuffer(bytes) || bytes.length === 0) {
        throw new HttpError(400, 'empty', 'the body must be the file', 'body');
      }
      const { encoding = null } = check(readQuery, request.query);
      response.status(201).json(await importer.do('read', { bytes, encoding }));
    },
  );
  routes.post(
    '/imports/:token/preview',
    {
      summary: 'what would become of every row; nothing is written',
      body: mappingBody,
      alone: true,
      status: 200,
    },
    async (request, response, mapping) => {
      response.json(await importer.do('preview', of(request, mapping)));
    },
  );
  routes.post(
    '/imports/:token/refused.csv',
    {
      summary: 'the refused rows as CSV, each with its reason',
      body: mappingBody,
      alone: true,
      status: 200,
    },
    async (request, response, mapping) => {
      const csv = await importer.do('refused', of(request, mapping));
      response.attachment('refused.csv').type('text/csv').send(csv);
    },
  );
  routes.post(
    RUN,
    {
      summary: 'bring in every row that is not refused, as one step that can be taken back',
      kind: 'import',
      body: mappingBody,
      alone: true,
      status: 200,
    },
    async (request, response, mapping) => {
      const intent = { what: `POST ${RUN}`, ...whoAsks(request, response) };
      const { counts, done } = await importer.do('run', { ...of(request, mapping), intent });
      if (done) response.set('X-Fernbank-Deed', String(done.id));
      response.json({ counts });
    },
  );
  return routes;
}
