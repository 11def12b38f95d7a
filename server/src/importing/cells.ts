import {
  amountIn,
  amountWithWords,
  dateIn,
  dayOfRepotIn,
  type IsoDate,
  LENGTH_UNITS,
  MASS_UNITS,
  middleSoFar,
  numberIn,
  type LengthUnit,
  type MassUnit,
} from '@fernbank/core';
import type { Fate, Mapping } from './mapping.ts';
import type { Row, Sheet } from './sheet.ts';

/** Longest text that a field takes; of what is longer nobody can tell what it was to be. */
const LONGEST_TEXT = 4000;
const YES = new Set(['1', 'x', 'y', 'yes', 'true', 'ja', 'oui', 'si', 'sí', '✓', '✔']);
/** What people write where they know no day. */
const UNKNOWN = new Set(['?', '??', '-', '–', '—', 'unknown', 'not known', 'n/a', 'na', 'never']);
const NO = new Set(['0', 'n', 'no', 'false', 'nein', 'non', '-', '']);

/** Where and when a file is read: a season is one of its place, a year ends with today. */
export interface Written {
  latitudeDeg: number;
  today: IsoDate;
}

/** One row's cells by their field, read as their columns say; what cannot be read is noted on the fate. */
export class Cells {
  readonly #columns: Map<string, number>;

  constructor(
    private readonly sheet: Sheet,
    private readonly mapping: Mapping,
    private readonly row: Row,
    private readonly fate: Fate,
    private readonly written: Written,
  ) {
    this.#columns = new Map(
      mapping.columns.flatMap(({ field }, i) => (field && field !== 'note' ? [[field, i]] : [])),
    );
    if (row.tooLong) fate.problems.push({ column: null, message: 'has more cells than headings' });
  }

  /** '' where there is none */
  text(field: string): string {
    const at = this.#columns.get(field);
    return at === undefined ? '' : this.#whole(at);
  }

  date(field: string): string | null {
    const text = this.text(field);
    if (text === '') return null;
    if (UNKNOWN.has(text.toLowerCase())) {
      this.fate.notes.push(`“${text}” taken as not known`);
      return null;
    }
    const order = this.#use(field)?.order ?? 'dmy';
    const found = dateIn(text, order, this.written.latitudeDeg);
    if (!found)
      return this.blame(field, `“${shortly(text)}” is no day in the order ${ORDERS[order]}`);
    const { latitudeDeg, today } = this.written;
    if (field === 'lastRepot' && found.told === 'year') {
      this.fate.notes.push('of a repot only its year: taken as that year’s spring');
      return dayOfRepotIn(Number(found.date.slice(0, 4)), today, latitudeDeg);
    }
    if (found.told !== 'day') this.fate.notes.push(ASSUMED[found.told]);
    return found.told === 'season' ? middleSoFar(found.date, today) : found.date;
  }

  /** cm */
  length(field: string): number | null {
    return this.#amount(field, LENGTH_UNITS, 'cm', 'a length');
  }

  /** kg */
  mass(field: string): number | null {
    return this.#amount(field, MASS_UNITS, 'kg', 'a weight');
  }

  number(field: string): number | null {
    const text = this.text(field);
    if (text === '') return null;
    const found = numberIn(text, this.mapping.decimal);
    return found && found.rest === ''
      ? found.value
      : this.blame(field, `“${shortly(text)}” is no number`);
  }

  yes(field: string): boolean | null {
    const text = this.text(field).toLowerCase();
    if (YES.has(text)) return true;
    if (NO.has(text)) return false;
    return this.blame(field, `“${shortly(text)}” is neither yes nor no`);
  }

  /** Minutes since midnight. */
  time(field: string): number | null {
    const text = this.text(field);
    if (text === '') return null;
    const [, hours, minutes, half] =
      /^(\d{1,2})[:.h](\d{2})(?::\d{2}(?:\.\d+)?)?\s*([ap]m)?Z?$/i.exec(text) ?? [];
    const hour = (Number(hours) % (half ? 12 : 24)) + (/p/i.test(half ?? '') ? 12 : 0);
    return hours !== undefined && Number(minutes) < 60 && Number(hours) < 25
      ? hour * 60 + Number(minutes)
      : this.blame(field, `“${shortly(text)}” is no time of day`);
  }

  /** All that goes into the note: columns without a field of their own stand under their heading. */
  note(): string {
    const parts = this.mapping.columns.flatMap(({ field }, i) => {
      const text = field === 'note' ? this.#whole(i) : '';
      if (text === '') return [];
      const heading = this.sheet.headings[i]!;
      return [/^(note|notes|remarks?|comments?)$/i.test(heading) ? text : `${heading}: ${text}`];
    });
    return parts.join('\n');
  }

  /** Notes what is wrong under its column. */
  blame(field: string, message: string): null {
    const at = this.#columns.get(field);
    this.fate.problems.push({
      column: at === undefined ? null : this.sheet.headings[at]!,
      message,
    });
    return null;
  }

  /** Notes what is refused of a field: under its column, where it has one, that need not be named again. */
  refuse(field: string, message: string): null {
    const named = `${field} must `;
    const told = this.#columns.has(field) && message.startsWith(named);
    return this.blame(field, told ? message.slice(field.length + 1) : message);
  }

  /** A length with words behind it, which tell more of the thing: `8 cm net pot`. */
  lengthWithWords(field: string): { cm: number | null; words: string } {
    const split = amountWithWords(this.text(field));
    if (!split || split.words === '') return { cm: this.length(field), words: '' };
    const unit = this.#use(field)?.unit;
    const columns = unit && Object.hasOwn(LENGTH_UNITS, unit) ? (unit as LengthUnit) : 'cm';
    return {
      cm: amountIn(split.amount, this.mapping.decimal, LENGTH_UNITS, columns),
      words: split.words,
    };
  }

  #amount<Unit extends LengthUnit | MassUnit>(
    field: string,
    units: Readonly<Record<Unit, number>>,
    fallback: Unit,
    what: string,
  ): number | null {
    const text = this.text(field);
    if (text === '') return null;
    const unit = this.#use(field)?.unit;
    const columns = unit && Object.hasOwn(units, unit) ? (unit as Unit) : fallback;
    const value = amountIn(text, this.mapping.decimal, units, columns);
    return value ?? this.blame(field, `“${shortly(text)}” is not ${what}`);
  }

  #use(field: string) {
    const at = this.#columns.get(field);
    return at === undefined ? undefined : this.mapping.columns[at];
  }

  #whole(at: number): string {
    const text = this.row.cells[at]!;
    if (text.length <= LONGEST_TEXT) return text;
    this.fate.problems.push({
      column: this.sheet.headings[at]!,
      message: `is ${text.length.toLocaleString('en')} characters long, more than ${LONGEST_TEXT}`,
    });
    return '';
  }
}

/** What is assumed of a day that is told in part. */
const ASSUMED = {
  month: 'of a day only its month: taken as the first of it',
  season: 'of a day only its season: taken as the middle of it, as far as it has gone',
  year: 'of a day only its year: taken as the first of it',
} as const;
const ORDERS = {
  ymd: 'year, month, day',
  dmy: 'day, month, year',
  mdy: 'month, day, year',
  serial: 'of spreadsheet days',
};
export const shortly = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);
