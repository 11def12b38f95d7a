/** A range of one property of a medium. */
export interface Band {
  low: number;
  high: number;
}

/**
 * Guideline for nursery container mixes, drained. Epiphytes stand far above it
 * on purpose; succulents far below its water.
 *
 * @source Yeager et al., Best Management Practices: Guide for Producing Nursery Crops, from memory
 */
export const NURSERY_GUIDELINE = {
  totalPorosity: { low: 0.5, high: 0.85 },
  air: { low: 0.1, high: 0.3 },
  water: { low: 0.45, high: 0.65 },
  dryKgPerL: { low: 0.19, high: 0.7 },
} as const satisfies Record<string, Band>;

export type GuidelineProperty = keyof typeof NURSERY_GUIDELINE;

/** Where a value stands against its band. */
export function against(value: number, { low, high }: Band): 'below' | 'within' | 'above' {
  if (value < low) return 'below';
  return value > high ? 'above' : 'within';
}
