/** Cords that lift water from a reservoir. */
export const WICKS = {
  polyester: { label: 'polyester cord, 6 mm', liftCm: 20, mLPerDay: 120 },
  cotton: { label: 'cotton cord, 6 mm', liftCm: 16, mLPerDay: 90 },
  microfibre: { label: 'microfibre strip, 2 cm', liftCm: 28, mLPerDay: 200 },
} as const;
export type WickKind = keyof typeof WICKS;

/*
 * Lift: how high it still wets what touches it. Flow: a day's water at no height.
 * Both are typical values, from memory; a wick of one's own is tried in a glass overnight.
 */

/**
 * Water that a wick brings up in a day: falls evenly to none at its lift, as the
 * pull of its pores is used up against the height.
 *
 * @param heightCm  from the water to the wick's upper end
 * @source Darcy's law along a wick of even pores
 */
export function wickFlowMl(kind: WickKind, heightCm: number): number {
  const { liftCm, mLPerDay } = WICKS[kind];
  return mLPerDay * Math.max(0, 1 - Math.max(0, heightCm) / liftCm);
}
