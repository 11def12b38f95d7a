import Papa from 'papaparse';
import type { OpenFile } from '../db/driver.ts';
import { shown } from '../copies/backup.ts';
import { quoted, tableNamed } from '../history/tables.ts';

/**
 * A table as CSV: a column a field, a nested one by its path (`pot.topDiameterCm`), lists as JSON;
 * beside a reference the name of what it points to. Text that a spreadsheet would take for a formula
 * is marked as text.
 *
 * @source RFC 4180, by the papaparse package
 */
export function tableAsCsv(file: OpenFile, name: string): string {
  const table = tableNamed(name);
  const has = (column: string) => table.columns.some((one) => one.name === column);
  const plants = has('plant_id') ? namesIn(file, 'plants') : null;
  const spots = has('spot_id') ? namesIn(file, 'spots') : null;
  const rows = file
    .rows(`SELECT * FROM ${quoted(name)} ORDER BY ${quoted(table.key)}`)
    .map((row) => {
      const flat: Record<string, unknown> = {};
      for (const [field, value] of Object.entries(shown(table, row))) {
        flatten(flat, field, value);
        if (field === 'plantId' && plants) flat.plant = plants.get(Number(value)) ?? '';
        if (field === 'spotId' && spots) flat.spot = spots.get(Number(value)) ?? '';
      }
      return flat;
    });
  // Rows differ in what their nested fields hold: every path that any of them has is a column.
  const fields = [
    ...new Set(
      rows.length > 0 ? rows.flatMap(Object.keys) : table.columns.map(({ field }) => field),
    ),
  ];
  return `${Papa.unparse({ fields, data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

function namesIn(file: OpenFile, table: string): Map<number, string> {
  return new Map(
    file
      .rows(`SELECT id, name FROM ${quoted(table)}`)
      .map(({ id, name }) => [Number(id), String(name)]),
  );
}

function flatten(flat: Record<string, unknown>, path: string, value: unknown): void {
  if (value === null || typeof value !== 'object') flat[path] = value ?? '';
  else if (Array.isArray(value)) flat[path] = JSON.stringify(value);
  else if (Object.keys(value).length === 0) flat[path] = '';
  else for (const [key, one] of Object.entries(value)) flatten(flat, `${path}.${key}`, one);
}
