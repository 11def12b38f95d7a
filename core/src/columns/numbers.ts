import { LENGTH_UNITS, lookUp, MASS_UNITS } from '../number/index.ts';

/** Which sign parts the whole from the fraction. */
export type Decimal = '.' | ',';

export type LengthUnit = keyof typeof LENGTH_UNITS;
export type MassUnit = keyof typeof MASS_UNITS;

/** What is written behind a number, by the unit that it means. */
const WRITTEN: Record<string, LengthUnit | MassUnit> = {
  '"': 'in',
  '″': 'in',
  inch: 'in',
  inches: 'in',
  "'": 'ft',
  '′': 'ft',
  feet: 'ft',
  metre: 'm',
  meter: 'm',
  centimetre: 'cm',
  centimeter: 'cm',
  millimetre: 'mm',
  millimeter: 'mm',
  gram: 'g',
  kilogram: 'kg',
  kilo: 'kg',
  pound: 'lb',
  lbs: 'lb',
  ounce: 'oz',
};

const NUMBER = /^([+-]?[\d.,'’\s\u00a0\u202f]*\d)\s*(.*)$/u;

/**
 * A number as people write it, and what stands behind it.
 *
 * @param text  `1,234.5 g`, `12,5`, `6"`
 * @returns null where there is none
 */
export function numberIn(text: string, decimal: Decimal): { value: number; rest: string } | null {
  const [, digits, rest] = NUMBER.exec(text.trim()) ?? [];
  if (digits === undefined) return null;
  const grouping = decimal === '.' ? /[,'’\s\u00a0\u202f]/gu : /[.'’\s\u00a0\u202f]/gu;
  const plain = digits.replace(grouping, '').replace(decimal, '.');
  const value = Number(plain);
  return Number.isFinite(value) ? { value, rest: rest!.trim() } : null;
}

/**
 * A length or mass in the unit of its column; a unit of its own wins over the column's.
 *
 * @returns cm or kg; null where there is no number, or what stands behind it is no such unit
 */
export function amountIn<Unit extends LengthUnit | MassUnit>(
  text: string,
  decimal: Decimal,
  units: Readonly<Record<Unit, number>>,
  columns: Unit,
): number | null {
  const found = numberIn(text, decimal);
  if (!found) return null;
  if (found.rest === '') return found.value * units[columns];
  const unit = unitNamed(found.rest);
  return unit !== null && Object.hasOwn(units, unit) ? found.value * units[unit as Unit] : null;
}

/**
 * An amount with words behind it, as a label has it: `8 cm net pot`, `6" clay`.
 *
 * @returns the amount as by itself, and the words; null where no amount comes first
 */
export function amountWithWords(text: string): { amount: string; words: string } | null {
  const [, number, unit, words] = AMOUNT_FIRST.exec(text.trim()) ?? [];
  if (number === undefined) return null;
  const isUnit = unit !== undefined && unitNamed(unit) !== null;
  return {
    amount: isUnit ? `${number.trim()} ${unit}` : number.trim(),
    words: (isUnit ? words! : `${unit ?? ''} ${words ?? ''}`).trim().toLowerCase(),
  };
}
const AMOUNT_FIRST = /^([+-]?\d[\d.,]*)\s*([a-z]+\.?|["″'′])?\s*(.*)$/iu;

/** The unit that a word stands for. */
export function unitNamed(word: string): LengthUnit | MassUnit | null {
  const plain = word.trim().toLowerCase().replace(/\.$/, '');
  if (Object.hasOwn(LENGTH_UNITS, plain) || Object.hasOwn(MASS_UNITS, plain)) {
    return plain as LengthUnit;
  }
  return lookUp(WRITTEN, plain) ?? lookUp(WRITTEN, plain.replace(/s$/, '')) ?? null;
}

/**
 * Which sign parts the fraction, from all numbers of a file: a comma followed by other than three
 * digits can only be a decimal one.
 */
export function guessDecimal(texts: readonly string[]): Decimal {
  let comma = 0;
  let point = 0;
  for (const text of texts) {
    if (/^\s*[+-]?\d+,(\d{1,2}|\d{4,})(\D|$)/.test(text) || /\d\.\d{3},\d/.test(text)) comma += 1;
    else if (/^\s*[+-]?\d+\.\d+(\D|$)/.test(text) || /\d,\d{3}\.\d/.test(text)) point += 1;
  }
  return comma > point ? ',' : '.';
}
