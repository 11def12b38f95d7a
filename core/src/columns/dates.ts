import { lookUp } from '../number/index.ts';
import { dayNumber, middleOf, type IsoDate, type NamedSeason } from '../season/index.ts';

/** In which order a column writes its days. `serial`: days since the end of 1899, as spreadsheets count. */
export const DATE_ORDERS = ['ymd', 'dmy', 'mdy', 'serial'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** Two digits of a year up to this one belong to this century, those above to the last. */
const CENTURY_TURNS_AT = 69;
/**
 * Day 0 of a spreadsheet's count, so that 60 is 29 February 1900, a day that never was: right from
 * 1 March 1900 on.
 * @source the 1900 date system of spreadsheets: 2 January 2024 is 45293, from memory
 */
const SERIAL_ZERO = '1899-12-30';

const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
/** Who writes “about” knows no better: what follows is taken. */
const ABOUT = /^(?:about|approx\.?|circa|ca?\.|~)\s*|\s*\?$/gi;
const ISO = /^(\d{4})-?(\d{2})-?(\d{2})(?:[T\s].*)?$/;

const SEASONS: Readonly<Record<string, NamedSeason>> = {
  spring: 'spring',
  summer: 'summer',
  autumn: 'autumn',
  fall: 'autumn',
  winter: 'winter',
};

/** A day that was read, and how much of it the cell told: the rest was assumed. */
export interface ReadDay {
  date: IsoDate;
  told: 'day' | 'month' | 'season' | 'year';
}

/**
 * A day as it is written in a column of some order. ISO 8601 is always understood; of a span the
 * first day counts, of a month or year alone too, of a season of a year its middle.
 *
 * @param latitudeDeg  where it was written: seasons of the south are half a year on
 * @returns null where it is no day
 */
export function dateIn(text: string, order: DateOrder, latitudeDeg = 0): ReadDay | null {
  const [start = ''] = text
    .trim()
    .replace(ABOUT, '')
    .split(/\s*\/\s*(?=\d{4}-)/);
  const iso = ISO.exec(start);
  if (iso && order !== 'serial') return real(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  if (order === 'serial') return fromSerial(start);
  const parts = start
    .replace(/(?<=\d)(st|nd|rd|th)\b/gi, '')
    .split(/[\s./,-]+/)
    .filter(Boolean)
    .filter((part) => !/^\d{1,2}:\d{2}/.test(part) && !/^(am|pm|of)$/i.test(part));
  const season = seasonIn(parts, latitudeDeg);
  if (season) return season;
  const named = parts.findIndex((part) => monthNamed(part) !== null);
  if (named >= 0) return withMonthName(parts, named);
  if (parts.some((part) => !/^\d+$/.test(part))) return null;
  const numbers = parts.map(Number);
  if (numbers.length === 1) return parts[0]!.length === 4 ? real(numbers[0]!, 1, 1, 'year') : null;
  if (numbers.length === 2) {
    // A month and a year, whichever comes first.
    const year = parts.findIndex((part) => part.length === 4);
    return year < 0 ? null : real(numbers[year]!, numbers[1 - year]!, 1, 'month');
  }
  if (numbers.length !== 3) return null;
  const [a, b, c] = numbers as [number, number, number];
  if (parts[0]!.length === 4) return real(a, b, c);
  if (order === 'ymd') return real(fullYear(a), b, c);
  const year = parts[2]!.length === 4 ? c : fullYear(c);
  return order === 'dmy' ? real(year, b, a) : real(year, a, b);
}

/** `spring 2022`, `2022 autumn`; null where no season of one year is named. */
function seasonIn(parts: readonly string[], latitudeDeg: number): ReadDay | null {
  const season = lookUp(SEASONS, parts.find((part) => /^[a-z]+$/i.test(part))?.toLowerCase() ?? '');
  const year = parts.find((part) => /^\d{4}$/.test(part));
  if (!season || !year || parts.length !== 2) return null;
  return { date: middleOf(season, Number(year), latitudeDeg), told: 'season' };
}

function withMonthName(parts: readonly string[], at: number) {
  const month = monthNamed(parts[at]!)!;
  const others = parts.filter((_, i) => i !== at);
  if (others.some((part) => !/^\d+$/.test(part))) return null;
  if (others.length === 1) {
    return others[0]!.length === 4 ? real(Number(others[0]), month, 1, 'month') : null;
  }
  if (others.length !== 2) return null;
  const yearFirst = others[0]!.length === 4;
  const [year, day] = yearFirst ? [others[0]!, others[1]!] : [others[1]!, others[0]!];
  return real(year.length === 4 ? Number(year) : fullYear(Number(year)), month, Number(day));
}

function monthNamed(part: string): number | null {
  const plain = part.toLowerCase();
  if (!/^[a-z]{3,9}$/.test(plain)) return null;
  const month = MONTHS.indexOf(plain.slice(0, 3));
  return month < 0 ? null : month + 1;
}

function fromSerial(text: string) {
  const days = Number(text.replace(',', '.'));
  if (!Number.isFinite(days) || days < 1 || days > 80_000) return null;
  const ms = (dayNumber(SERIAL_ZERO) + Math.floor(days)) * 86_400_000;
  return { date: new Date(ms).toISOString().slice(0, 10), told: 'day' } as const;
}

const fullYear = (year: number) =>
  year > 99 ? year : year <= CENTURY_TURNS_AT ? 2000 + year : 1900 + year;

function real(
  year: number,
  month: number,
  day: number,
  told: ReadDay['told'] = 'day',
): ReadDay | null {
  const pad = (n: number, width: number) => String(n).padStart(width, '0');
  const date = `${pad(year, 4)}-${pad(month, 2)}-${pad(day, 2)}`;
  try {
    dayNumber(date);
    return { date, told };
  } catch {
    return null;
  }
}

/**
 * The order that a column's days are written in.
 *
 * @returns the order under which most are days, and whether another does as well: then only the
 *   keeper knows
 */
export function guessDateOrder(texts: readonly string[]): { order: DateOrder; unsure: boolean } {
  const filled = texts.filter((text) => text.trim() !== '');
  if (filled.length > 0 && filled.every((text) => /^\d{5}([.,]\d+)?$/.test(text.trim()))) {
    return { order: 'serial', unsure: false };
  }
  const read = (order: DateOrder) => filled.map((text) => dateIn(text, order)?.date ?? null);
  const counted = (['ymd', 'dmy', 'mdy'] as const)
    .map((order) => ({ order, days: read(order) }))
    .map(({ order, days }) => ({ order, days, sound: days.filter((day) => day !== null).length }))
    .sort((a, b) => b.sound - a.sound);
  const [best, next] = counted;
  const unsure = best!.sound === next!.sound && best!.days.some((day, i) => day !== next!.days[i]);
  return { order: best!.order === 'ymd' && unsure ? 'dmy' : best!.order, unsure };
}
