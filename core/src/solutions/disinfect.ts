/** What is in a keeper's cupboard, as far as it must not meet. */
export const CHEMICALS = {
  bleach: 'bleach (hypochlorite)',
  acid: 'an acid: vinegar, citric acid, descaler, pH down',
  ammonia: 'ammonia, or urine',
  peroxide: 'hydrogen peroxide',
  alcohol: 'alcohol',
  detergent: 'washing-up liquid',
} as const;
export type Chemical = keyof typeof CHEMICALS;

/** Pairs that are dangerous together, with what they give off. */
const NEVER: readonly [Chemical, Chemical, string][] = [
  ['bleach', 'acid', 'gives off chlorine gas'],
  ['bleach', 'ammonia', 'gives off chloramine gas'],
  ['bleach', 'peroxide', 'foams violently and gives off oxygen'],
  ['bleach', 'alcohol', 'forms chloroform and other poisons'],
  ['peroxide', 'acid', 'forms peracetic acid, which burns skin and eyes'],
];

/**
 * Why some things must not be mixed; empty: nothing known against it, which is
 * no promise. Labels and local rules come first.
 *
 * @source general chemistry of household chemicals, from memory
 */
export function whyNeverMix(chemicals: readonly Chemical[]): string[] {
  const there = new Set(chemicals);
  return NEVER.filter(([a, b]) => there.has(a) && there.has(b)).map(
    ([a, b, gives]) => `${CHEMICALS[a]} with ${CHEMICALS[b]} ${gives}`,
  );
}

/** Baths for pots and tools. */
export const BATHS = {
  bleach: {
    label: 'bleach bath for pots and tools',
    percent: 0.5,
    contactMinutes: 10,
    rinse: 'Rinse until no smell is left; let dry.',
    of: 'bleach',
  },
  bleachOvernight: {
    label: 'weak bleach, overnight',
    percent: 0.1,
    contactMinutes: 480,
    rinse: 'Rinse well in the morning; let dry.',
    of: 'bleach',
  },
  alcohol: {
    label: 'alcohol on blades',
    percent: 70,
    contactMinutes: 1,
    rinse: 'Let it dry; keep it from flames.',
    of: 'alcohol',
  },
} as const satisfies Record<
  string,
  { label: string; percent: number; contactMinutes: number; rinse: string; of: Chemical }
>;
export type Bath = keyof typeof BATHS;
