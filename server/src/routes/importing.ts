import { randomBytes } from 'node:crypto';
import { guessColumns } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import express from 'express';
import Joi from 'joi';
import Papa from 'papaparse';
import type { Context } from '../context.ts';
import { mappings } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { bringIn, countsOf, outlineOf } from '../importing/bringIn.ts';
import { mappingBody, type Mapping } from '../importing/mapping.ts';
import { ENCODINGS, LARGEST_CSV_BYTES, readSheet, type Sheet } from '../importing/sheet.ts';
import { check } from '../http/validate.ts';
import { readSettings } from '../services/settings.ts';

/** Files are held while a keeper decides what their columns mean. */
const HELD_MS = 60 * 60 * 1000;
const MOST_HELD = 4;
/** Rows that are shown of a file, and that its columns are guessed from. */
const SHOWN_ROWS = 6;
const JUDGED_ROWS = 500;
/** Fates that are told one by one; of the others the count. */
const MOST_FATES = 400;

const readQuery = Joi.object<{ encoding?: string }>({
  encoding: Joi.string().valid(...ENCODINGS),
});

interface Held {
  sheet: Sheet;
  until: number;
}

/** A file of rows, from its bytes to plants and logs: read, previewed row by row, brought in as one deed. */
export function importRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const held = new Map<string, Held>();
  const routes = new DescribedRouter();
  routes.router.use('/imports', (request, response, next) =>
    request.path === '/'
      ? express.raw({ type: () => true, limit: LARGEST_CSV_BYTES })(request, response, next)
      : next(),
  );

  const heldOf = (token: unknown): Sheet => {
    const found = typeof token === 'string' ? held.get(token) : undefined;
    if (!found || found.until < Date.now()) {
      throw new HttpError(404, 'notHeld', 'the file is no longer held here: choose it again');
    }
    return found.sheet;
  };
  const checked = (token: unknown, mapping: Mapping): Sheet => {
    const sheet = heldOf(token);
    if (mapping.columns.length !== sheet.headings.length) {
      throw invalid('columns', `columns must be one for each of ${sheet.headings.length} headings`);
    }
    return sheet;
  };

  routes.post(
    '/imports',
    {
      summary: 'read a CSV (the body is the file) and say what its columns seem to mean',
      query: readQuery,
      alone: true,
    },
    (request, response) => {
      const bytes: unknown = request.body;
      if (!Buffer.isBuffer(bytes) || bytes.length === 0) {
        throw new HttpError(400, 'empty', 'the body must be the file', 'body');
      }
      const { encoding: named = null } = check(readQuery, request.query);
      const sheet = readSheet(bytes, named);
      const token = randomBytes(16).toString('hex');
      for (const [old, { until }] of held) {
        if (until < Date.now() || held.size >= MOST_HELD) held.delete(old);
      }
      held.set(token, { sheet, until: Date.now() + HELD_MS });
      const { headings, rows, encoding, delimiter, notices } = sheet;
      const sample = rows.slice(0, JUDGED_ROWS).map(({ cells }) => cells);
      const guess = guessColumns(headings, sample, readSettings(db).units);
      const known = db
        .select()
        .from(mappings)
        .where(eq(mappings.headings, JSON.stringify(headings)))
        .get();
      response.status(201).json({
        token,
        encoding,
        encodings: ENCODINGS,
        delimiter,
        notices,
        headings,
        rows: rows.length,
        sample: sample.slice(0, SHOWN_ROWS),
        guess,
        remembered: known ? (known.mapping as Mapping) : null,
      });
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
    (request, response, mapping) => {
      const sheet = checked(request.params.token, mapping);
      const outline = outlineOf(context, sheet, mapping);
      const { fates, newSpots, unknownTaxa } = outline;
      // What needs the eye first: refused, then assumed, then plain.
      const rank = { refuse: 0, skip: 1, update: 2, add: 3 };
      const told = [...fates].sort((a, b) => rank[a.fate] - rank[b.fate] || a.line - b.line);
      response.json({
        counts: countsOf(outline),
        newSpots,
        unknownTaxa,
        fates: told.slice(0, MOST_FATES),
        more: Math.max(0, told.length - MOST_FATES),
      });
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
    (request, response, mapping) => {
      const sheet = checked(request.params.token, mapping);
      const byLine = new Map(
        outlineOf(context, sheet, mapping).fates.map((one) => [one.line, one]),
      );
      const refused = sheet.rows.filter(({ line }) => byLine.get(line)?.fate === 'refuse');
      const data = refused.map(({ line, cells }) => [
        ...cells,
        byLine
          .get(line)!
          .problems.map(({ column, message }) => (column ? `${column}: ${message}` : message))
          .join('; '),
      ]);
      const csv = Papa.unparse(
        { fields: [...sheet.headings, 'why it was refused'], data },
        { newline: '\r\n', escapeFormulae: true },
      );
      response.attachment('refused.csv').type('text/csv').send(`${csv}\r\n`);
    },
  );
  routes.post(
    '/imports/:token/run',
    {
      summary: 'bring in every row that is not refused, as one step that can be taken back',
      kind: 'import',
      body: mappingBody,
      status: 200,
    },
    (request, response, mapping) => {
      const sheet = checked(request.params.token, mapping);
      const counts = bringIn(context, sheet, mapping);
      const row = { mapping, at: new Date().toISOString() };
      db.insert(mappings)
        .values({ headings: JSON.stringify(sheet.headings), ...row })
        .onConflictDoUpdate({ target: mappings.headings, set: row })
        .run();
      response.json({ counts });
    },
  );
  return routes;
}
