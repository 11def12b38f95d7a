import { eq } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Request } from 'express';
import type { Schema } from 'joi';
import type { Db } from '../db/driver.ts';
import type { ShownAt } from './answers.ts';
import type { DescribedRouter } from './described.ts';
import {
  checkFresh,
  idOf,
  page,
  pageQuery,
  rowOr404,
  sendRow,
  stamp,
  touch,
  type Filter,
} from './resource.ts';

type RowTable = SQLiteTable & { id: SQLiteColumn; rev: SQLiteColumn };
/** What every row has by itself. */
type Stamped = ReturnType<typeof stamp> & { id: number; rev: number };
type RowOf<T extends RowTable> = T['$inferSelect'] & { id: number; rev: number };

/**
 * A resource of rows. What is left out cannot be done: every resource is listed
 * and read, few are made, changed or removed in the plain way.
 */
export interface Rows<T extends RowTable, New = never, Changed = never> {
  db: Db;
  table: T;
  /** in errors: `pot 7 was not found` */
  name: string;
  /** in the description: `add a kind of pot on the shelf` */
  what: string;
  plural: string;
  /** rows of a list, by its query */
  where?: (request: Request) => Filter | undefined;
  /** made from a body; `values` checks and completes it */
  made?: { body: Schema<New>; values: (input: New) => Omit<T['$inferInsert'], keyof Stamped> };
  /** changed by a body; `values` checks it against the row and completes it */
  changed?: {
    body: Schema<Changed>;
    values: (before: RowOf<T>, changed: Changed) => Partial<T['$inferInsert']>;
  };
  /** removed; `check` refuses, or lets go of what hangs on it */
  removed?: { check?: (row: RowOf<T>) => void };
}

/** How a row is answered: as it is, where the contract says no more than it holds. */
type ShownAs<Row, Shown> = Row extends Shown
  ? { shown?: (row: Row) => Shown }
  : { shown: (row: Row) => Shown };

/** Adds list, one, add, change and remove to a router, as far as they are given; each write is one transaction. */
export function addRows<At extends string, T extends RowTable, New, Changed>(
  routes: DescribedRouter<At>,
  rows: Rows<T, New, Changed> & ShownAs<RowOf<T>, ShownAt<At>>,
): void;
// Where it is mounted is not known here: what is answered was checked above, by what is shown.
export function addRows<T extends RowTable, New, Changed>(
  routes: DescribedRouter<string>,
  rows: Rows<T, New, Changed> & { shown?: (row: RowOf<T>) => { id: number; rev: number } },
): void {
  const { db, table, name, what, where, made, changed, removed, shown = (row) => row } = rows;
  const one = (on: Db, request: Request) =>
    rowOr404(on, table, idOf(request), name) as unknown as RowOf<T>;

  routes.get('/', { summary: `list ${rows.plural}`, query: pageQuery }, (request, response) => {
    const { items, nextCursor } = page(db, table, request, where?.(request));
    response.json({ items: (items as unknown as RowOf<T>[]).map(shown), nextCursor });
  });
  routes.get('/:id', { summary: `one of ${rows.plural}` }, (request, response) => {
    sendRow(response, shown(one(db, request)));
  });
  if (made) {
    const { body, values } = made;
    routes.post('/', { summary: `add ${what}`, body }, (_request, response, input) => {
      // Of a table that is not known here its insert's type cannot be told: `values` was held to it above.
      const row = db
        .insert(table)
        .values({ ...stamp(), ...values(input) } as never)
        .returning()
        .get() as unknown as RowOf<T>;
      sendRow(response.location(`/api${routes.at}/${row.id}`), shown(row), 201);
    });
  }
  if (changed) {
    const { body, values } = changed;
    routes.patch('/:id', { summary: `change ${what}`, body }, (request, response, input) => {
      const before = one(db, request);
      checkFresh(request, before);
      const row = db
        .update(table)
        .set({ ...values(before, input), ...touch(before) } as never)
        .where(eq(table.id, before.id))
        .returning()
        .get() as unknown as RowOf<T>;
      sendRow(response, shown(row));
    });
  }
  if (removed) {
    routes.delete('/:id', { summary: `remove ${what}` }, (request, response) => {
      const row = one(db, request);
      checkFresh(request, row);
      removed.check?.(row);
      db.delete(table).where(eq(table.id, row.id)).run();
      response.status(204).end();
    });
  }
}
