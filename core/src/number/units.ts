/** One of each unit in centimetres, kilograms, litres; all exact by definition. */
export const LENGTH_UNITS = { cm: 1, mm: 0.1, m: 100, in: 2.54, ft: 30.48 } as const;
/** @source the international avoirdupois pound is 0.45359237 kg exactly */
export const MASS_UNITS = { kg: 1, g: 0.001, lb: 0.45359237, oz: 0.45359237 / 16 } as const;
/** @source the US gallon is 231 cubic inches: 3.785411784 L exactly; a quart is its quarter, a cup its sixteenth */
export const VOLUME_UNITS = {
  L: 1,
  mL: 0.001,
  qt: 3.785411784 / 4,
  cup: 3.785411784 / 16,
} as const;
