import {
  LENGTH_UNITS,
  MASS_UNITS,
  unitNamed,
  kindNamed,
  measurement,
  valueFault,
  type MeasurementKind,
} from '@fernbank/core';
import { isNull } from 'drizzle-orm';
import type { Reading } from '../http/days.ts';
import { measurements, plants } from '../db/schema.ts';
import type { PlantRow } from '../services/collection.ts';
import { Cells, shortly } from './cells.ts';
import type { Fate, Mapping, Outline } from './mapping.ts';
import type { Sheet } from './sheet.ts';

/** What one row of a log adds to a plant. */
export interface LogDeed {
  plantId: number;
  date: string;
  minute: number | null;
  measured: { kind: MeasurementKind; value: number }[];
  note: string;
}

/** The rows of a log: what each adds, or why it does not. Nothing is written. */
export function outlineLog(context: Reading, sheet: Sheet, mapping: Mapping): Outline<LogDeed> {
  const there = new There(context);
  const written = { today: context.today(), latitudeDeg: mapping.latitudeDeg ?? 0 };
  const outline: Outline<LogDeed> = { fates: [], deeds: [], newSpots: [], unknownTaxa: [] };
  for (const row of sheet.rows) {
    const fate: Fate = { line: row.line, fate: 'add', name: '', problems: [], notes: [] };
    const deed = logOf(context, new Cells(sheet, mapping, row, fate, written), fate, there);
    if (fate.problems.length > 0) fate.fate = 'refuse';
    else if (deed && deed.measured.length === 0 && deed.note === '') {
      fate.fate = 'skip';
      if (fate.notes.length === 0) fate.notes.push('holds nothing that is kept');
    } else if (deed) {
      outline.deeds.push(deed);
      there.remember(deed);
    }
    outline.fates.push(fate);
  }
  return outline;
}

function logOf(context: Reading, cells: Cells, fate: Fate, there: There): LogDeed | null {
  const told = cells.text('plant');
  const plant = there.plant(cells.number('plantId'), told);
  fate.name = plant?.name ?? shortly(told);
  if (!plant) cells.blame('plant', plantless(told, there));
  const date = cells.date('date');
  if (date === null && fate.problems.length === 0) cells.blame('date', 'no day is told');
  if (date !== null && date > context.today()) {
    cells.blame('date', `lies ahead: today is ${context.today()}`);
  }
  if (date !== null && plant?.acquired && date < plant.acquired) {
    cells.blame('date', `is before the plant arrived (${plant.acquired})`);
  }
  const minute = cells.time('time');
  const measured = measuredIn(cells);
  for (const { kind, value } of measured) {
    const fault = valueFault(kind, value);
    if (fault) cells.blame(kind, fault);
  }
  const note = cells.note();
  if (fate.problems.length > 0) return null;
  const { id } = plant!;
  const fresh = measured.filter((one) => !there.has(id, date!, minute, one));
  if (fresh.length < measured.length) fate.notes.push('is kept already');
  return { plantId: id, date: date!, minute, measured: fresh, note };
}

function plantless(told: string, there: There): string {
  if (told === '') return 'no plant is told';
  return there.isAmbiguous(told)
    ? `several plants are called “${shortly(told)}”`
    : `“${shortly(told)}” is none of your plants`;
}

function measuredIn(cells: Cells): LogDeed['measured'] {
  const found: { kind: MeasurementKind; value: number | null }[] = [
    { kind: 'weightKg', value: cells.mass('weightKg') },
    { kind: 'heightCm', value: cells.length('heightCm') },
    { kind: 'watered', value: cells.yes('watered') ? 1 : null },
    { kind: 'leafCount', value: cells.number('leafCount') },
    { kind: 'leafCm', value: cells.length('leafCm') },
    { kind: 'reservoirPh', value: cells.number('reservoirPh') },
    { kind: 'reservoirEcMsCm', value: cells.number('reservoirEcMsCm') },
  ];
  const named = namedIn(cells);
  return [...found, ...(named ? [named] : [])].filter(
    (one): one is { kind: MeasurementKind; value: number } => one.value !== null,
  );
}

/** A row that names what it measured, with its unit in a cell of its own. */
function namedIn(cells: Cells): { kind: MeasurementKind; value: number | null } | null {
  const told = cells.text('kind');
  if (told === '') return null;
  const kind = kindNamed(told);
  if (!kind) {
    cells.blame('kind', `“${shortly(told)}” is nothing that Fernbank keeps`);
    return null;
  }
  const { as } = measurement(kind);
  if (as === 'done') return { kind, value: 1 };
  const value = cells.number('value');
  if (value === null) {
    cells.blame('value', 'no value is told');
    return null;
  }
  const unit = cells.text('unit');
  const units: Record<string, number> | undefined = { kg: MASS_UNITS, cm: LENGTH_UNITS }[
    as as string
  ];
  if (!units || unit === '') return { kind, value };
  const named = unitNamed(unit);
  if (named === null || !Object.hasOwn(units, named)) {
    cells.blame('unit', `“${shortly(unit)}” is no unit of ${told}`);
    return null;
  }
  return { kind, value: value * units[named]! };
}

/** Plants by what a log may call them, and the readings that are kept already. */
class There {
  readonly #byId = new Map<number, PlantRow>();
  readonly #byName = new Map<string, PlantRow[]>();
  readonly #readings: Set<string>;

  constructor({ db }: Reading) {
    for (const plant of db.select().from(plants).where(isNull(plants.goneOn)).all()) {
      this.#byId.set(plant.id, plant);
      const key = plant.name.toLowerCase();
      this.#byName.set(key, [...(this.#byName.get(key) ?? []), plant]);
    }
    this.#readings = new Set(
      db
        .select()
        .from(measurements)
        .all()
        .map((row) => keyOf(row.plantId, row.date, row.minute, row)),
    );
  }
  plant(id: number | null, name: string): PlantRow | null {
    const numbered = id === null ? undefined : this.#byId.get(id);
    if (numbered && (name === '' || numbered.name.toLowerCase() === name.toLowerCase())) {
      return numbered;
    }
    const named = this.#byName.get(name.toLowerCase()) ?? [];
    return named.length === 1 ? named[0]! : null;
  }
  isAmbiguous = (name: string) => (this.#byName.get(name.toLowerCase())?.length ?? 0) > 1;
  has = (id: number, date: string, minute: number | null, one: LogDeed['measured'][number]) =>
    this.#readings.has(keyOf(id, date, minute, one));
  remember({ plantId, date, minute, measured }: LogDeed): void {
    for (const one of measured) this.#readings.add(keyOf(plantId, date, minute, one));
  }
}

const keyOf = (
  plantId: number,
  date: string,
  minute: number | null,
  { kind, value }: { kind: string; value: number },
) => [plantId, date, minute ?? '', kind, value].join('/');
