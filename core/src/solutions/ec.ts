import { within } from '../number/index.ts';

/** Scales on which pens tell dissolved salts: ppm for each mS/cm. */
export const PPM_SCALES = { 500: 500, 640: 640, 700: 700 } as const;
export type PpmScale = keyof typeof PPM_SCALES;

/** @param msPerCm  conductivity, 0 … 30 mS/cm @returns ppm on the pen's own scale */
export const ppmOfEc = (msPerCm: number, scale: PpmScale): number =>
  within('msPerCm', msPerCm, 0, 30) * PPM_SCALES[scale];

/** The other way round. @param ppm  0 … 21,000 */
export const ecOfPpm = (ppm: number, scale: PpmScale): number =>
  within('ppm', ppm, 0, 21_000) / PPM_SCALES[scale];
