import { and, asc, eq, gt, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Request, Response } from 'express';
import Joi from 'joi';
import type { Db } from '../db/driver.ts';
import { orEach } from '../db/readable.ts';
import { HttpError, notFound } from './errors.ts';
import { rowId } from './fields.ts';
import { check } from './validate.ts';

/** Any table whose rows carry an id and a revision. */
type TrackedTable = SQLiteTable & {
  id: SQLiteColumn;
  rev: SQLiteColumn;
};
interface Revised {
  rev: number;
}
interface TrackedRow extends Revised {
  id: number;
}

const MOST_PER_PAGE = 1000;

const idInAddress = Joi.object<{ id: number }, true>({ id: rowId().required() });
/** The id in the address. */
export function idOf(request: Request): number {
  const { id } = request.params;
  return check(idInAddress, { id }, true).id;
}

/** `"<rev>"`, strong: a row is the same when its revision is. */
export const etag = ({ rev }: Revised) => `"${rev}"`;

/** Answers one row with its ETag. */
export function sendRow<Answer>(
  response: Response<Answer>,
  row: NoInfer<Answer> & Revised,
  status = 200,
): void {
  response.status(status).set('ETag', etag(row)).json(row);
}

/** @throws HttpError 412 when the caller's copy is not the newest */
export function checkFresh(request: Request, row: Revised): void {
  const wanted = request.get('If-Match');
  if (wanted !== undefined && wanted !== '*' && wanted !== etag(row)) {
    throw new HttpError(412, 'stale', 'it was changed elsewhere meanwhile; load it again first');
  }
}

/** The query that is asked most, put together once for each table. */
const queries = new WeakMap<Db, Map<SQLiteTable, { get(of: { id: number }): unknown }>>();
function byId(db: Db, table: TrackedTable) {
  const ofDb = queries.get(db) ?? new Map();
  queries.set(db, ofDb);
  let query = ofDb.get(table);
  if (!query) {
    query = db
      .select()
      .from(table)
      .where(eq(table.id, sql.placeholder('id')))
      .prepare();
    ofDb.set(table, query);
  }
  return query;
}

/** One row or 404. */
export function rowOr404<T extends TrackedTable>(db: Db, table: T, id: number, what: string) {
  let row: object | undefined;
  try {
    row = byId(db, table).get({ id }) as object | undefined;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    const why = `${what} ${id} cannot be read: its row is damaged. Bring back an earlier copy of the collection`;
    throw new HttpError(409, 'damaged', why);
  }
  if (!row) throw notFound(`${what} ${id}`);
  return row as T['$inferSelect'] & TrackedRow;
}

export const pageQuery = Joi.object<
  {
    cursor: number;
    limit: number;
    plantId?: number;
    gone?: string;
  },
  true
>({
  cursor: Joi.number().integer().min(0).default(0),
  limit: Joi.number().integer().min(1).max(MOST_PER_PAGE).default(100),
  plantId: rowId(),
  gone: Joi.string().valid('1'),
});

/** Which rows a list has: the same few, put together once and asked again and again. */
export interface Filter {
  key: string;
  sql: SQL;
  /** what its placeholders stand for */
  params?: Record<string, unknown>;
}

const plantQuery = Joi.object<{ plantId: number }, true>({ plantId: rowId() });
/** `?plantId=` on a list of records. */
export function ofPlant<T extends { plantId: unknown }>(
  request: Request,
  table: T,
): Filter | undefined {
  const { plantId } = request.query;
  if (plantId === undefined) return undefined;
  const params = { plantId: check(plantQuery, { plantId }, true).plantId };
  return { key: 'ofPlant', sql: eq(table.plantId as never, sql.placeholder('plantId')), params };
}

interface PageQuery {
  all(of: Record<string, unknown>): unknown[];
}
const pages = new WeakMap<Db, Map<SQLiteTable, Map<string, PageQuery>>>();
function pageOf(db: Db, table: TrackedTable, filter: Filter | undefined): PageQuery {
  const ofDb = pages.get(db) ?? new Map<SQLiteTable, Map<string, PageQuery>>();
  pages.set(db, ofDb);
  const ofTable = ofDb.get(table) ?? new Map<string, PageQuery>();
  ofDb.set(table, ofTable);
  const key = filter?.key ?? '';
  let query = ofTable.get(key);
  if (!query) {
    query = db
      .select()
      .from(table)
      .where(and(gt(table.id, sql.placeholder('cursor')), filter?.sql))
      .orderBy(asc(table.id))
      .limit(sql.placeholder('limit'))
      .prepare();
    ofTable.set(key, query);
  }
  return query;
}

const idsOf = (db: Db, table: TrackedTable, filter: Filter | undefined, asked: object) =>
  db
    .select({ id: table.id })
    .from(table)
    .where(and(gt(table.id, sql.placeholder('cursor')), filter?.sql))
    .orderBy(asc(table.id))
    .limit(sql.placeholder('limit'))
    .prepare()
    .all({ ...asked })
    .map(({ id }) => id as number);

/** A page of rows by id, with the cursor of the next one. */
export function page<T extends TrackedTable>(db: Db, table: T, request: Request, filter?: Filter) {
  const { cursor, limit } = check(pageQuery, request.query, true);
  const asked = { ...filter?.params, cursor, limit: limit + 1 };
  const read = () => pageOf(db, table, filter).all(asked) as TrackedRow[];
  const rows = orEach(
    read,
    () => idsOf(db, table, filter, asked),
    (id) => byId(db, table).get({ id }) as TrackedRow,
  ) as (T['$inferSelect'] & TrackedRow)[];
  const items = rows.slice(0, limit);
  return { items, nextCursor: rows.length > limit ? items[items.length - 1]!.id : null };
}

/** Columns that a new row is stamped with. */
export function stamp() {
  const now = new Date().toISOString();
  return { createdAt: now, updatedAt: now };
}

/** Columns that a change stamps. */
export function touch(row: Revised) {
  return { rev: row.rev + 1, updatedAt: new Date().toISOString() };
}
