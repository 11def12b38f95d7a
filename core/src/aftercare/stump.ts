import { addDays, type IsoDate } from '../season/index.ts';
import type { AftercareTask } from './plan.ts';

/* Weeks: common practice, no source. */
const STUMP_WEEKS = { first: 6, every: 4, until: 26 } as const;

/** A head was cut from a rosette: its stump is watched for pups. */
export const stumpWatched = (cut: IsoDate): AftercareTask => ({
  kind: 'look',
  rule: 'stump',
  due: addDays(cut, 7 * STUMP_WEEKS.first),
  everyDays: 7 * STUMP_WEEKS.every,
  until: addDays(cut, 7 * STUMP_WEEKS.until),
  words: { of: 'stump' },
});
