import { lookUp } from '@fernbank/core';
import convert from 'convert';

const LENGTHS = {
  cm: 'cm',
  mm: 'mm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
} as const;
const TYPED = /^(-?\d[\d.,\s\u00a0\u202f'’]*?)\s*([a-z]+|"|″)?$/i;
const GROUPED = /^-?[1-9]\d{0,2}([.,]\d{3})+$/;
/** Thousands parted by blanks or strokes. */
const BLANKS = /[\s\u00a0\u202f'’]/;
const BLANK_GROUPED = /^-?\d{1,3}([\s\u00a0\u202f'’]\d{3})+([.,]\d+)?$/;

/** How the reader writes numbers: what parts thousands. */
const group = (locale?: string) =>
  new Intl.NumberFormat(locale, { useGrouping: true })
    .formatToParts(1_234_567)
    .find(({ type }) => type === 'group')?.value ?? '';

/**
 * Digits with points, commas and blanks as a number. Where both stand there the last one parts the
 * fraction; a lone one does too, unless it is how the reader parts thousands and three digits follow.
 */
function valueOf(digits: string, locale?: string): number {
  if (BLANKS.test(digits) && !BLANK_GROUPED.test(digits)) return NaN;
  const plain = digits.replace(/[\s\u00a0\u202f'’]/g, '');
  const last = Math.max(plain.lastIndexOf('.'), plain.lastIndexOf(','));
  if (last < 0) return Number(plain);
  const mark = plain[last]!;
  const others = plain.slice(0, last).replace(/\d|-/g, '');
  const parted =
    GROUPED.test(plain) && (others !== '' ? others.includes(mark) : mark === group(locale));
  if (parted) return Number(plain.replace(/[.,]/g, ''));
  // A mark that stands there twice, and not before threes, is a slip of the finger.
  if (others.includes(mark)) return NaN;
  return Number(`${plain.slice(0, last).replace(/[.,]/g, '')}.${plain.slice(last + 1)}`);
}

/**
 * A number as people type it: decimal comma or point, thousands as the reader parts them, and a
 * length in another unit than the field's (`6 in` in a field of cm).
 *
 * @param locale  the reader's, when absent
 * @returns in the field's unit; NaN when it is no number or of a unit that does not fit
 */
export function typedNumber(typed: string, unit?: string, locale?: string): number {
  const parts = TYPED.exec(typed.trim());
  if (!parts) return NaN;
  const value = valueOf(parts[1]!, locale);
  const given = parts[2]?.toLowerCase();
  if (!given || given === unit?.toLowerCase()) return value;
  const from = lookUp<(typeof LENGTHS)[keyof typeof LENGTHS]>(LENGTHS, given);
  if (!from || (unit !== 'cm' && unit !== 'in')) return NaN;
  return convert(value, from).to(unit);
}
