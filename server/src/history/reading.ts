import {
  movedWhy,
  OutOfRange,
  taskTitle,
  type Settings,
  type TaskMoved,
  type TaskWords,
} from '@fernbank/core';
import type { Cell, Cells, OpenFile } from '../db/driver.ts';
import type { DeedKind } from '../db/history.ts';
import { tableNamed } from './tables.ts';
import { settingTold, settingWords } from './settingWords.ts';
import { STAMPS } from './triggers.ts';
import { deedWords } from './words.ts';

/** One row of a deed, for people: what it is called and which of its fields changed. */
export interface Entry {
  of: string;
  op: 'add' | 'change' | 'remove';
  row: string;
  /** what the row is called: its own name, or its plant's with its day */
  name: string;
  plantId: number | null;
  plant: string | null;
  date: string | null;
  fields: { field: string; before: unknown; after: unknown }[];
}

/** A deed as the history shows it. */
export interface DeedShown {
  id: number;
  at: string;
  what: string;
  kind: DeedKind;
  device: string | null;
  undoes: number | null;
  undoneBy: number | null;
  emptied: string | null;
  /** the first rows of it, the one it is about first */
  entries: Entry[];
  /** rows of each table: `looks: 14` */
  counts: Record<string, number>;
}

/** Rows of a deed that are shown one by one; an import has thousands. */
const MOST_ENTRIES = 8;
/** Of rows that belong to others it is told last. */
const AFTERTHOUGHTS = new Set(['tasks', 'benches', 'plans', 'pots', 'supports', 'readings']);

interface Ask {
  /** only deeds before this one */
  before: number | null;
  limit: number;
  plantId: number | null;
}

/** The newest deeds first, a page of them. */
export function history(file: OpenFile, { before, limit, plantId }: Ask) {
  const asked: [sql: string, value: number | null][] = [
    ['id < ?', before],
    ['id IN (SELECT deed_id FROM changes WHERE plant_id = ?)', plantId],
  ];
  const given = asked.filter((one): one is [string, number] => one[1] !== null);
  const where = given.map(([sql]) => sql).join(' AND ') || '1';
  const rows = file.rows(
    `SELECT * FROM deeds WHERE ${where} ORDER BY id DESC LIMIT ?`,
    ...given.map(([, value]) => value),
    limit + 1,
  );
  const items = rows.slice(0, limit).map((deed) => shown(file, deed));
  return { items, next: rows.length > limit ? items[items.length - 1]!.id : null };
}

export type HistoryPage = ReturnType<typeof history>;

/** Deeds that took something out and can still be taken back. */
export function bin(file: OpenFile): DeedShown[] {
  return file
    .rows(
      `SELECT * FROM deeds d WHERE kind = 'remove' AND undone_by IS NULL AND emptied IS NULL
         AND EXISTS (SELECT 1 FROM changes WHERE deed_id = d.id AND op = 'remove')
       ORDER BY id DESC`,
    )
    .map((deed) => shown(file, deed));
}

/** One deed as the history shows it. @throws RangeError when there is none */
export function deedShown(file: OpenFile, id: number): DeedShown {
  const [deed] = file.rows('SELECT * FROM deeds WHERE id = ?', id);
  if (!deed) throw new OutOfRange(`deed must be one of the history, got ${id}`);
  return shown(file, deed);
}

function shown(file: OpenFile, deed: Cells): DeedShown {
  const id = Number(deed.id);
  const counts = Object.fromEntries(
    file
      .rows('SELECT "of", count(*) AS n FROM changes WHERE deed_id = ? GROUP BY "of"', id)
      .map((row) => [String(row.of), Number(row.n)]),
  );
  const rows = file.rows('SELECT * FROM changes WHERE deed_id = ? ORDER BY id LIMIT 200', id);
  const entries = rows
    .map((row) => entryOf(file, row))
    // What the deed was about, then what followed from it; a cascade leaves the head row to the end.
    .sort((a, b) => weight(a) - weight(b))
    .slice(0, MOST_ENTRIES);
  return {
    id,
    at: String(deed.at),
    what: deedWords(file, deed),
    kind: String(deed.kind) as DeedKind,
    device: text(deed.device),
    undoes: number(deed.undoes),
    undoneBy: number(deed.undone_by),
    emptied: text(deed.emptied),
    entries,
    counts,
  };
}

const RECKONED: keyof Settings = 'ownRecord';

const weight = ({ of, op }: Entry) =>
  of === 'plants' && op !== 'change' ? 0 : AFTERTHOUGHTS.has(of) ? 2 : 1;

function entryOf(file: OpenFile, change: Cells): Entry {
  const of = String(change.of);
  const table = tableNamed(of);
  const before = object(change.before);
  const after = object(change.after);
  const op = change.op as Entry['op'];
  const plantId = number(change.plant_id);
  const row = op === 'remove' ? before : op === 'add' ? after : rowNow(file, of, change.row);
  const plant = plantId === null ? null : plantNamed(file, plantId);
  const setting = of === 'settings' ? String(change.row) : null;
  const own = row?.name ?? row?.label ?? (setting && settingWords(setting));
  return {
    of,
    op,
    row: String(change.row),
    name: own === null || own === undefined ? (plant ?? '') : String(own),
    plantId,
    plant,
    date: row?.date === undefined ? null : text(row.date),
    // What Fernbank reckoned itself is told on a page of its own: a heap of numbers says nothing here.
    fields: (setting === RECKONED ? [] : table.columns)
      .filter(({ name }) => !STAMPS.has(name) && name !== 'id' && name !== 'created_at')
      .filter(({ name }) => (before !== null && name in before) || (after && name in after))
      .map(({ name, field, kind }) => {
        const shown = (value: Cell | undefined) => {
          const read = shownValue(value, kind);
          return setting === null ? told(of, name, read) : settingTold(setting, read);
        };
        return { field, before: shown(before?.[name]), after: shown(after?.[name]) };
      }),
  };
}

/** Codes that stand for a sentence are told as the sentence. */
function told(of: string, column: string, value: unknown): unknown {
  if (of !== 'tasks' || value === null) return value;
  if (column === 'words') return taskTitle(value as TaskWords);
  return column === 'moved' ? movedWhy(value as TaskMoved) : value;
}

function shownValue(value: Cell | undefined, kind: string): unknown {
  if (value === undefined || value === null) return null;
  if (kind === 'boolean') return value === 1;
  if (kind !== 'json') return value;
  try {
    return JSON.parse(String(value)) as unknown;
  } catch {
    return value;
  }
}

function rowNow(file: OpenFile, of: string, key: Cell | undefined): Cells | null {
  const table = tableNamed(of);
  return file.rows(`SELECT * FROM "${of}" WHERE "${table.key}" = ?`, key ?? null)[0] ?? null;
}

/** A plant that is gone keeps the name it had when it went. */
function plantNamed(file: OpenFile, id: number): string {
  const now = file.value('SELECT name FROM plants WHERE id = ?', id);
  if (now !== undefined) return String(now);
  const gone = file.value(
    `SELECT json_extract(before, '$.name') FROM changes
     WHERE "of" = 'plants' AND "row" = ? AND op = 'remove' AND before IS NOT NULL ORDER BY id DESC LIMIT 1`,
    String(id),
  );
  return gone === undefined || gone === null ? `plant ${id}` : String(gone);
}

const object = (json: Cell | undefined) =>
  json == null ? null : (JSON.parse(String(json)) as Cells);
const text = (cell: Cell | undefined) => (cell == null ? null : String(cell));
const number = (cell: Cell | undefined) => (cell == null ? null : Number(cell));
