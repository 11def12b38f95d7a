import { MEDIUM_KINDS, potMaterial, signal, type Told } from '@fernbank/core';
import { useUnits } from './useUnits.ts';
import { m } from '../messages/index.ts';

/** What a field is called: its own word, else its name taken apart. */
export function fieldWord(field: string): string {
  return m.fields[field] ?? field.replace(/([a-z\d])([A-Z])/g, '$1 $2').toLowerCase();
}

/** A value of a row in words, as short as it can be told. */
export function valueWords(field: string, value: unknown): string {
  if (value === null || value === undefined || value === '') return m.keeping.history.empty;
  if (typeof value === 'boolean') return value ? m.look.yes : m.look.no;
  if (typeof value === 'number') {
    return value.toLocaleString(undefined, { maximumFractionDigits: 4 });
  }
  if (typeof value === 'string') return named(field, value);
  if (Array.isArray(value)) {
    return value.length === 0
      ? m.keeping.history.empty
      : value.map((one) => valueWords('', one)).join(', ');
  }
  if (typeof value === 'object' && 'told' in value) return useUnits().said(value as Told);
  const entries = Object.entries(value).filter(([, one]) => one !== null && one !== undefined);
  if (entries.length === 0) return m.keeping.history.empty;
  return entries
    .map(([key, one]) =>
      field === 'signals'
        ? `${signalWord(key).toLowerCase()}: ${valueWords('', one)}`
        : `${fieldWord(key)} ${valueWords(key, one)}`,
    )
    .join(', ');
}

function named(field: string, value: string): string {
  try {
    if (field === 'mediumKind') return MEDIUM_KINDS.find(({ id }) => id === value)?.label ?? value;
    if (field === 'potMaterial' || field === 'material') return potMaterial(value).label;
  } catch {
    // A word of another time is told as it stands.
  }
  return value;
}
function signalWord(id: string): string {
  try {
    return signal(id).label;
  } catch {
    return fieldWord(id);
  }
}

/** `3 looks`, `1 plant` */
export function rowsInWords(table: string, count: number): string {
  const [one, several] = m.rowWords[table] ?? [table, table];
  return `${count.toLocaleString()} ${count === 1 ? one : several}`;
}
