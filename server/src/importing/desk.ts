import { randomBytes } from 'node:crypto';
import { guessColumns, type IsoDate } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { mappings } from '../db/schema.ts';
import type { Done, Intent, Journal } from '../history/journal.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { readSettings } from '../services/settings.ts';
import { bringIn, countsOf, outlineOf, type Counts } from './bringIn.ts';
import type { Mapping } from './mapping.ts';
import { ENCODINGS, readSheet, type Sheet } from './sheet.ts';

/** Files are held while a keeper decides what their columns mean. */
const HELD_MS = 60 * 60 * 1000;
const MOST_HELD = 4;
/** Rows that are shown of a file, and that its columns are guessed from. */
const SHOWN_ROWS = 6;
const JUDGED_ROWS = 500;
/** Fates that are told one by one; of the others the count. */
const MOST_FATES = 400;

interface Held {
  sheet: Sheet;
  until: number;
  /** what it came to, once it was brought in */
  brought: Brought | null;
}

/** What a file came to, with the entry of the history. */
export interface Brought {
  counts: Counts;
  done: Done | null;
}
type Of = { token: string; mapping: Mapping; today: IsoDate };

/** Where files of rows are read, looked through and brought in: a hundred thousand rows take their time. */
export class ImportDesk {
  readonly #held = new Map<string, Held>();

  constructor(private readonly journal: Journal) {}

  /** @throws HttpError 422 in words when it is no text, has no rows, or is too large */
  read({ bytes, encoding: named }: { bytes: Uint8Array; encoding: string | null }) {
    const { db } = this.journal.file;
    const sheet = readSheet(Buffer.from(bytes), named);
    const token = randomBytes(16).toString('hex');
    for (const [old, { until }] of this.#held) {
      if (until < Date.now() || this.#held.size >= MOST_HELD) this.#held.delete(old);
    }
    this.#held.set(token, { sheet, until: Date.now() + HELD_MS, brought: null });
    const { headings, rows, encoding, delimiter, notices } = sheet;
    const sample = rows.slice(0, JUDGED_ROWS).map(({ cells }) => cells);
    const known = db
      .select()
      .from(mappings)
      .where(eq(mappings.headings, JSON.stringify(headings)))
      .get();
    return {
      token,
      encoding,
      encodings: [...ENCODINGS] as string[],
      delimiter,
      notices,
      headings,
      rows: rows.length,
      sample: sample.slice(0, SHOWN_ROWS),
      guess: guessColumns(headings, sample, readSettings(db).units),
      remembered: known ? (known.mapping as Mapping) : null,
    };
  }

  preview(of: Of) {
    const outline = this.#outline(of);
    const { fates, newSpots, unknownTaxa } = outline;
    // What needs the eye first: refused, then assumed, then plain.
    const rank = { refuse: 0, skip: 1, update: 2, add: 3 };
    const told = [...fates].sort((a, b) => rank[a.fate] - rank[b.fate] || a.line - b.line);
    return {
      counts: countsOf(outline),
      newSpots,
      unknownTaxa,
      fates: told.slice(0, MOST_FATES),
      more: Math.max(0, told.length - MOST_FATES),
    };
  }

  /** The refused rows as CSV, each with its reason. */
  refused(of: Of): string {
    const { sheet } = this.#of(of);
    const byLine = new Map(this.#outline(of).fates.map((one) => [one.line, one]));
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
    return `${csv}\r\n`;
  }

  /** Brings in every row that is not refused, as one deed; once, however often it is asked. */
  run({ intent, ...of }: Of & { intent: Intent }): Brought {
    const held = this.#of(of);
    if (held.brought) return held.brought;
    const { sheet } = held;
    const { journal } = this;
    const { db } = journal.file;
    const { result: counts, done } = journal.write({ ...intent, kind: 'import' }, () => {
      const row = { mapping: of.mapping, at: new Date().toISOString() };
      const came = bringIn({ db, today: () => of.today }, sheet, of.mapping);
      db.insert(mappings)
        .values({ headings: JSON.stringify(sheet.headings), ...row })
        .onConflictDoUpdate({ target: mappings.headings, set: row })
        .run();
      return came;
    });
    held.brought = { counts, done };
    return held.brought;
  }

  #outline(of: Of) {
    const { sheet } = this.#of(of);
    return outlineOf({ db: this.journal.file.db, today: () => of.today }, sheet, of.mapping);
  }

  #of({ token, mapping }: Of): Held {
    const found = this.#held.get(token);
    if (!found || found.until < Date.now()) {
      throw new HttpError(404, 'notHeld', 'the file is no longer held here: choose it again');
    }
    if (mapping.columns.length !== found.sheet.headings.length) {
      throw invalid(
        'columns',
        `columns must be one for each of ${found.sheet.headings.length} headings`,
      );
    }
    return found;
  }
}

/** What a desk is asked, and what it answers. */
export type DeskTask = 'read' | 'preview' | 'refused' | 'run';
export type DeskOrder<T extends DeskTask> = Parameters<ImportDesk[T]>[0];
export type DeskAnswer<T extends DeskTask> = ReturnType<ImportDesk[T]>;
