import { OutOfRange } from '../number/outOfRange.ts';
import type { IsoDate } from '../season/index.ts';
import { within } from '../number/index.ts';
import { component, type Component } from './components.ts';
import type { Handling } from './handling.ts';
import type { KitchenResult } from './kitchenTest.ts';
import { retentionFromPorometer } from './retention.ts';

/** Numbers of a component that a keeper may know better than a table, with the range that makes sense. */
export const COMPONENT_NUMBERS = {
  grainMm: { label: 'middling grain', unit: 'mm', least: 0.05, most: 80 },
  packing: { label: 'packing alone', unit: '', least: 0.2, most: 0.9 },
  dryKgPerL: { label: 'dry weight', unit: 'kg/L', least: 0.01, most: 3 },
  totalPorosity: { label: 'total porosity', unit: '', least: 0.1, most: 0.98 },
  airAt7_6cm: { label: 'air at 7.6 cm', unit: '', least: 0.005, most: 0.93 },
  n: { label: 'shape of the retention curve', unit: '', least: 1.1, most: 8 },
  halfLifeMonths: { label: 'half-life of structure', unit: 'months', least: 1, most: 600 },
  ph: { label: 'acidity', unit: 'pH', least: 2.5, most: 10 },
} as const;
export type ComponentNumber = keyof typeof COMPONENT_NUMBERS;
export const COMPONENT_NUMBER_IDS = Object.keys(COMPONENT_NUMBERS) as ComponentNumber[];

/** A number of the keeper's own, which wins over the table's. */
export interface OwnNumber {
  /** null only for a half-life: it does not rot */
  value: number | null;
  from: 'typed' | 'kitchenTest';
  on: IsoDate;
  /** one standard error, where it was measured */
  error?: number | undefined;
}
export type OwnNumbers = Partial<Record<ComponentNumber, OwnNumber>>;

/** A component as the keeper has it: what it is most like, and what is known better. */
export interface ComponentRecord {
  id: string;
  label: string;
  /** id of the shipped component whose numbers stand wherever the keeper's do not */
  like: string;
  own: OwnNumbers;
  handling?: Partial<Pick<Handling, 'rinseMinutes' | 'soakMinutes' | 'rewets' | 'contains'>>;
  dusty?: boolean | undefined;
  biohazard?: boolean | undefined;
}

/**
 * The component that a record stands for.
 *
 * @throws RangeError naming the number that is out of range or cannot be beside the others
 */
export function componentOf(record: ComponentRecord): Component {
  const base = component(record.like);
  const values: Partial<Record<ComponentNumber, number | null>> = {};
  for (const id of COMPONENT_NUMBER_IDS) {
    const own = record.own[id];
    if (!own) continue;
    const { least, most } = COMPONENT_NUMBERS[id];
    if (own.value === null) {
      if (id !== 'halfLifeMonths') throw new OutOfRange(`${id} must be a number`);
    } else within(id, own.value, least, most);
    values[id] = own.value;
  }
  const made: Component = {
    ...base,
    ...record.handling,
    ...(values as Partial<Component>),
    id: record.id,
    like: record.like,
    label: record.label,
    dusty: record.dusty ?? base.dusty,
    biohazard: record.biohazard ?? base.biohazard,
  };
  retentionFromPorometer(made.totalPorosity, made.airAt7_6cm, made.n);
  // What rots in twice the time serves twice as long.
  if (made.halfLifeMonths === null) made.lifeMonths = null;
  else if (base.halfLifeMonths && base.lifeMonths) {
    made.lifeMonths = (base.lifeMonths * made.halfLifeMonths) / base.halfLifeMonths;
  }
  return made;
}

/** Where a number comes from: the keeper's own, or the table's row. */
export type Provenance = { from: 'table'; like: string; source: string } | OwnNumber;

export function provenanceOf(
  record: Pick<ComponentRecord, 'like' | 'own'>,
  number: ComponentNumber,
): Provenance {
  const base = component(record.like);
  return record.own[number] ?? { from: 'table', like: base.label, source: base.source };
}

/** What a kitchen test replaces: porosity, air, and the dry weight where it was weighed. */
export function ownFromKitchenTest(result: KitchenResult, on: IsoDate): OwnNumbers {
  const number = ({ value, error }: { value: number; error: number }): OwnNumber => ({
    value: round(value),
    error: round(error),
    from: 'kitchenTest',
    on,
  });
  return {
    totalPorosity: number(result.totalPorosity),
    airAt7_6cm: number(result.airAt7_6cm),
    ...(result.dryKgPerL ? { dryKgPerL: number(result.dryKgPerL) } : {}),
  };
}

const round = (value: number) => Math.round(value * 1e4) / 1e4;
