import type { State } from './signals.ts';

/**
 * What a keeper’s own record makes of what is said of a state: log-odds become `a + b · log-odds`.
 * It is worked out in `track`, from findings that nobody knew when it was said.
 */
export interface Correction {
  a: number;
  /** above 0: more for it never says less */
  b: number;
  /** findings that it rests on */
  findings: number;
}
export type Corrections = Partial<Record<State, Correction>>;

/** Log-odds as the record corrects them. @param by  absent: as they are */
export const corrected = (by: Correction | undefined, logOdds: number): number =>
  by ? by.a + by.b * logOdds : logOdds;

/** … and what they were before. */
export const uncorrected = (by: Correction | undefined, logOdds: number): number =>
  by ? (logOdds - by.a) / by.b : logOdds;

/** What a finding adds to log-odds that are corrected. */
export const evidenceBy = (by: Correction | undefined, logOdds: number): number =>
  by ? by.b * logOdds : logOdds;
