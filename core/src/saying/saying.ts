import type { IsoDate } from '../season/index.ts';

/** A quantity within a sentence, metric; how it is written is for who reads it. */
export type Quantity =
  { cm: number } | { litres: number } | { kg: number } | { celsius: number } | { day: IsoDate };

/** A sentence with its quantities apart, so that each reader has them in units of their own. */
export interface Told {
  told: (string | Quantity)[];
}

/** A sentence: plain words where it holds no quantity. */
export type Saying = string | Told;

const partsOf = (part: Saying | Quantity | number): (string | Quantity)[] => {
  if (typeof part === 'number') return [String(part)];
  if (typeof part === 'string') return [part];
  return 'told' in part ? part.told : [part];
};

/** Neighbouring words become one; a sentence without a quantity is its words. */
function told(parts: readonly (string | Quantity)[]): Saying {
  const joint: (string | Quantity)[] = [];
  for (const part of parts) {
    const last = joint.at(-1);
    if (typeof part === 'string' && typeof last === 'string') joint[joint.length - 1] = last + part;
    else if (part !== '') joint.push(part);
  }
  if (joint.length === 0) return '';
  const [only] = joint;
  return joint.length === 1 && typeof only === 'string' ? only : { told: joint };
}

/** A sentence from words, quantities and other sentences: say`${{ cm: 4 }} wider`. */
export const say = (
  words: TemplateStringsArray,
  ...values: readonly (Saying | Quantity | number)[]
): Saying =>
  told(words.flatMap((word, i) => (i < values.length ? [word, ...partsOf(values[i]!)] : [word])));

/** Sentences one after the other. */
export const sayAll = (sayings: readonly Saying[], between: string): Saying =>
  told(sayings.flatMap((one, i) => (i === 0 ? partsOf(one) : [between, ...partsOf(one)])));

/** How each kind of quantity is written for one reader. */
export type Speaker = {
  [K in 'cm' | 'litres' | 'kg' | 'celsius']: (value: number) => string;
} & { day: (date: IsoDate) => string };

function written(quantity: Quantity, by: Speaker): string {
  if ('cm' in quantity) return by.cm(quantity.cm);
  if ('litres' in quantity) return by.litres(quantity.litres);
  if ('kg' in quantity) return by.kg(quantity.kg);
  if ('celsius' in quantity) return by.celsius(quantity.celsius);
  return by.day(quantity.day);
}

/** A sentence as its reader has it. */
export const spoken = (saying: Saying, by: Speaker): string =>
  partsOf(saying)
    .map((part) => (typeof part === 'string' ? part : written(part, by)))
    .join('');

/** What an answer is when every sentence in it is written out. */
export type SpokenOut<T> = T extends Told
  ? string
  : T extends readonly (infer One)[]
    ? SpokenOut<One>[]
    : T extends object
      ? { [K in keyof T]: SpokenOut<T[K]> }
      : T;

/** Writes out every sentence of an answer. */
export function spokenOut<T>(answer: T, by: Speaker): SpokenOut<T> {
  const out = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null) return value;
    if (Array.isArray(value)) return value.map(out);
    if ('told' in value) return spoken(value as Told, by);
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, out(one)]));
  };
  return out(answer) as SpokenOut<T>;
}
