/** What a look says of how far roots have gone, as share explored with its uncertainty. */
export interface RootReading {
  explored: number;
  sd: number;
}

/**
 * What each finding says of the share explored.
 *
 * @source common practice, no source
 */
const HOLES = { none: 0.5, one: 0.68, several: 0.82, every: 0.95, mat: 1.05 } as const;
const CIRCLING = { none: 0.5, some: 0.8, tight: 1 } as const;
const SD_HOLES = 0.15;
const SD_CIRCLING = 0.12;
const SD_BALL = 0.08;

/** A ball is covered at its wall last: few roots on it are few in all. */
const HALF_COVERED = 0.5;
const byCover = (cover: number) => (cover < HALF_COVERED ? 1.35 * cover : 0.3 + 0.75 * cover);

/** The findings on roots that a reading rests on. */
export interface RootFindings {
  rootsAtHoles?: keyof typeof HOLES;
  circling?: keyof typeof CIRCLING;
  /** 0 … 1 */
  ballCover?: number;
}

/**
 * Share explored by what was seen, combined by precision.
 *
 * @returns null when nothing of it was looked at
 */
export function readRoots(findings: RootFindings): RootReading | null {
  const readings: RootReading[] = [];
  const { rootsAtHoles, circling, ballCover } = findings;
  if (rootsAtHoles) readings.push({ explored: HOLES[rootsAtHoles], sd: SD_HOLES });
  if (circling) readings.push({ explored: CIRCLING[circling], sd: SD_CIRCLING });
  if (ballCover !== undefined) readings.push({ explored: byCover(ballCover), sd: SD_BALL });
  return readings.length > 0 ? combine(readings) : null;
}

/** Precision-weighted mean of independent readings. */
export function combine(readings: readonly RootReading[]): RootReading {
  let precision = 0;
  let weighted = 0;
  for (const { explored, sd } of readings) {
    precision += 1 / sd ** 2;
    weighted += explored / sd ** 2;
  }
  return { explored: weighted / precision, sd: Math.sqrt(1 / precision) };
}
