import { positive } from '../number/index.ts';
import type { Component } from '../media/index.ts';
import type { Part } from './blend.ts';

/**
 * Acidity that a mix begins with: the mean of its parts', each weighted by how
 * strongly it buffers. A guide only: water and feed move it within weeks.
 *
 * @source form: common practice, no source; values: media/handling.ts
 */
export function mixPh(parts: readonly Part<Component>[]): number {
  const weight = ({ ingredient, parts: amount }: Part<Component>) => ingredient.buffers * amount;
  const total = positive(
    'sum of parts',
    parts.reduce((sum, part) => sum + weight(part), 0),
  );
  return parts.reduce((sum, part) => sum + part.ingredient.ph * weight(part), 0) / total;
}
