import type { Decimal, Guess, ImportKind } from '@fernbank/core';

/** What the API answers with of history, copies, devices and files that come in. */

export interface Entry {
  of: string;
  op: 'add' | 'change' | 'remove';
  row: string;
  name: string;
  plantId: number | null;
  plant: string | null;
  date: string | null;
  fields: { field: string; before: unknown; after: unknown }[];
}
export interface Deed {
  id: number;
  at: string;
  what: string;
  kind: 'write' | 'remove' | 'undo' | 'import' | 'restore';
  device: string | null;
  undoes: number | null;
  undoneBy: number | null;
  emptied: string | null;
  entries: Entry[];
  counts: Record<string, number>;
}
export interface HistoryPage {
  items: Deed[];
  next: number | null;
}
export interface Bin {
  days: number;
  items: Deed[];
}

export interface Copy {
  name: string;
  kind: 'daily' | 'beforeRestore';
  date: string;
  bytes: number;
  state: { sound: true; plants: number } | { sound: false; why: string };
}
/** What is being done with the whole collection, and how far it has come. */
export interface Working {
  what: 'copy' | 'restore';
  share: number | null;
  rows: number;
}

export interface CopyList {
  working: Working | null;
  fault: string | null;
  items: Copy[];
}
export interface DeviceRow {
  id: number;
  label: string;
  scope: 'all' | 'calendar';
  since: string;
  seen: string;
  here: boolean;
}

export interface ReadFile {
  token: string;
  encoding: string;
  encodings: string[];
  delimiter: string;
  notices: string[];
  headings: string[];
  rows: number;
  sample: string[][];
  guess: Guess;
  remembered: Mapping | null;
}
export interface Mapping {
  kind: ImportKind;
  decimal: Decimal;
  columns: Guess['columns'];
  same: 'skip' | 'update' | 'add';
  groups: Record<string, string>;
  elseGroup: string | null;
  spotId: number | null;
  latitudeDeg: number | null;
  potCm: number | null;
  medium: string | null;
}
export type FateKind = 'add' | 'update' | 'skip' | 'refuse';
export interface Preview {
  counts: Record<FateKind, number>;
  newSpots: string[];
  unknownTaxa: string[];
  fates: {
    line: number;
    fate: FateKind;
    name: string;
    problems: { column: string | null; message: string }[];
    notes: string[];
  }[];
  more: number;
}
