import {
  nominalPot,
  SIZES_OF_SHAPE,
  type PotMaterialId,
  type PotShape,
  type TradeShapeId,
} from '@fernbank/core';

/** A pot while it is being typed: sizes may be missing, all in cm. */
export interface PotEntry {
  by: 'nominal' | 'measured';
  nominalCm: number | null;
  trade: TradeShapeId;
  shape: PotShape['shape'];
  sizes: Record<string, number | null>;
  material: PotMaterialId;
}

export const emptyPot = (): PotEntry => ({
  by: 'nominal',
  nominalCm: null,
  trade: 'azalea',
  shape: 'round',
  sizes: {},
  material: 'plastic',
});

export const sizeNames = (shape: PotShape['shape']): readonly string[] => SIZES_OF_SHAPE[shape];

/** The pot, once every size is typed; null before. */
export function potFromEntry(entry: PotEntry): PotShape | null {
  if (entry.by === 'nominal') {
    return entry.nominalCm === null || entry.nominalCm <= 0
      ? null
      : nominalPot(entry.nominalCm, entry.trade);
  }
  const sizes = sizeNames(entry.shape).map((name) => [name, entry.sizes[name] ?? null] as const);
  if (sizes.some(([, cm]) => cm === null)) return null;
  return { shape: entry.shape, ...Object.fromEntries(sizes) } as PotShape;
}

/** The sizes that are still missing or impossible, with a message each. */
export function potErrors(
  entry: PotEntry,
  words: { required: string; range: string },
  least: number,
  most: number,
): Record<string, string> {
  const sizes: [string, number | null][] =
    entry.by === 'nominal'
      ? [['nominalCm', entry.nominalCm]]
      : sizeNames(entry.shape).map((name) => [name, entry.sizes[name] ?? null]);
  return Object.fromEntries(
    sizes.flatMap(([name, cm]) => {
      if (cm === null) return [[name, words.required]];
      return cm < least || cm > most ? [[name, words.range]] : [];
    }),
  );
}

/** An existing pot, ready to be changed. */
export function entryOf(pot: PotShape, material: PotMaterialId): PotEntry {
  const { shape, ...sizes } = pot;
  return { ...emptyPot(), by: 'measured', shape, sizes, material };
}
