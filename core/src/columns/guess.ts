import { guessDateOrder, type DateOrder } from './dates.ts';
import { COLLECTION_FIELDS, fieldsOf, LOG_FIELDS, type ImportKind } from './fields.ts';
import {
  guessDecimal,
  unitNamed,
  type Decimal,
  type LengthUnit,
  type MassUnit,
} from './numbers.ts';

/** What is made of one column. */
export interface ColumnUse {
  /** the field it fills; `note`: added to the note under its heading; null: left out */
  field: string | null;
  unit?: LengthUnit | MassUnit;
  order?: DateOrder;
}

export interface Guess {
  kind: ImportKind;
  decimal: Decimal;
  columns: ColumnUse[];
  /** columns whose days can be read in two ways */
  unsureDates: number[];
}

/** `dwc:scientificName`, `http://rs.tdwg.org/dwc/terms/scientificName`, `Pot Ø (in)` → bare word, unit */
export function headingParts(heading: string): {
  word: string;
  unit: LengthUnit | MassUnit | null;
} {
  const local = heading.replace(/^https?:\/\/\S*[/#]/, '').replace(/^\w+:(?=\w)/, '');
  const [, before, inside] = /^(.*?)[([]\s*([^)\]]+?)\s*[)\]]\s*$/.exec(local) ?? [null, local, ''];
  const bare = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const given = inside ? unitNamed(inside) : null;
  if (given) return { word: bare(before!), unit: given };
  const [, stem, tail] = /^(.+)[_\s](\w+)$/.exec(local.trim()) ?? [];
  const trailing = tail ? unitNamed(tail) : null;
  return trailing ? { word: bare(stem!), unit: trailing } : { word: bare(local), unit: null };
}

/**
 * What a file seems to be: a collection or a log, what its columns mean, in which unit and order.
 *
 * @param headings  of its columns
 * @param sample  some rows of it
 * @param system  units where a heading names none
 */
export function guessColumns(
  headings: readonly string[],
  sample: readonly (readonly string[])[],
  system: 'metric' | 'us',
): Guess {
  const kind = kindOf(headings);
  const words = headings.map((heading) => headingParts(heading).word);
  const whatItIs = kind === 'collection' && isBesideName(words) ? PLANT : null;
  const taken = new Set<string>();
  const decimal = guessDecimal(sample.flat());
  const unsureDates: number[] = [];
  const columns = headings.map((heading, i): ColumnUse => {
    const { word, unit } = headingParts(heading);
    const field = fieldsOf(kind).find(({ id, known }) =>
      word === whatItIs ? id === 'taxon' : !taken.has(id) && known.includes(word),
    );
    if (!field) return { field: null };
    taken.add(field.id);
    if (field.kind === 'length')
      return { field: field.id, unit: unit ?? usual(word, 'cm', system) };
    if (field.kind === 'mass') return { field: field.id, unit: unit ?? usual(word, 'kg', system) };
    if (field.kind !== 'date') return { field: field.id };
    const { order, unsure } = guessDateOrder(sample.map((row) => row[i] ?? ''));
    if (unsure) unsureDates.push(i);
    return { field: field.id, order };
  });
  return { kind, decimal, columns, unsureDates };
}

/** A plant's name, unless a column beside it is its name and none its species: then it is what it is. */
const PLANT = 'plant';
function isBesideName(words: readonly string[]): boolean {
  const knownBy = (ids: readonly string[]) =>
    COLLECTION_FIELDS.filter(({ id }) => ids.includes(id)).flatMap(({ known }) => known);
  const others = words.filter((word) => word !== PLANT);
  return (
    others.length < words.length &&
    others.some((word) => knownBy(['name']).includes(word)) &&
    !others.some((word) => knownBy(['taxon', 'genus', 'common']).includes(word))
  );
}

function usual(word: string, metric: 'cm' | 'kg', system: 'metric' | 'us'): LengthUnit | MassUnit {
  // A heading that ends on its unit, as Fernbank's own do.
  if (word.endsWith('cm') || word.endsWith('kg') || system === 'metric') return metric;
  return metric === 'cm' ? 'in' : 'lb';
}

/** A log tells days and plants; a collection tells what a plant is. */
function kindOf(headings: readonly string[]): ImportKind {
  const words = headings.map((heading) => headingParts(heading).word);
  const has = (fields: typeof LOG_FIELDS, ids: readonly string[]) =>
    fields.some(({ id, known }) => ids.includes(id) && known.some((word) => words.includes(word)));
  const isPlant = has(COLLECTION_FIELDS, ['taxon', 'genus', 'potTop', 'medium']);
  const isLog =
    has(LOG_FIELDS, ['date']) &&
    has(LOG_FIELDS, ['weightKg', 'watered', 'heightCm', 'leafCount', 'value', 'reservoirPh']);
  return isLog && !isPlant ? 'log' : 'collection';
}
