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
const TYPED = /^(-?\d+(?:[.,]\d+)?)\s*([a-z]+|"|″)?$/i;

/**
 * A number as people type it: decimal comma or point, and a length in another
 * unit than the field's (`6 in` in a field of cm).
 *
 * @returns in the field's unit; NaN when it is no number or of a unit that does not fit
 */
export function typedNumber(typed: string, unit?: string): number {
  const parts = TYPED.exec(typed.trim());
  if (!parts) return NaN;
  const value = Number(parts[1]!.replace(',', '.'));
  const given = parts[2]?.toLowerCase();
  if (!given || given === unit?.toLowerCase()) return value;
  const from = LENGTHS[given as keyof typeof LENGTHS];
  if (!from || (unit !== 'cm' && unit !== 'in')) return NaN;
  return convert(value, from).to(unit);
}
