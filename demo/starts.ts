import {
  daysBetween,
  TRAY_METHODS,
  type IsoDate,
  type TrayLook,
  type TrayMedium,
  type TrayMethod,
} from '@fernbank/core';
import { lot } from './truth.ts';

/** What is true of what was started in the tray of the demo: as with its plants, nothing of it is stored. */
export interface Started {
  name: string;
  method: TrayMethod;
  medium: TrayMedium;
  date: IsoDate;
  /** begun with */
  count: number;
  /** told lost, or potted on, since */
  gone: number;
  lost: number;
  /** of the season where it stands, 0 … 1 */
  activity: number;
  /** the newest look that was told */
  told: (TrayLook & { date: IsoDate }) | null;
}

/** Weeks until first roots show of what has none, in warmth and light. */
const FIRST_ROOTS_WEEKS: Record<TrayMedium, number> = { water: 2, moss: 3, pebbles: 3.5, mix: 4 };
/** A leaf makes roots late, and many rot; the last of a batch takes this much longer than the first. */
const OF_LEAVES = { longer: 2, rots: 0.3 };
const ROTS = 0.12;
const LAST_TAKES = 1.8;
/** What rots has done so by then, in parts of the weeks that rooting takes. */
const ROTTEN_BY = 1.5;
const GROWS_CM_A_WEEK: Record<TrayMedium, number> = { water: 1.4, moss: 1.1, pebbles: 1, mix: 1 };
const SLOWEST = 0.35;
const LONGEST_CM = 18;
const OWN_ROOTS = { cm: 5, count: 4 };
const MOST_ROOTS = 7;
const BRANCHES_FROM_CM = 6;

/** What a look at a batch finds on a day: never less than was told of it before. */
export function batchLookOn(batch: Started, date: IsoDate): TrayLook & { lost: number } {
  const { name, method, medium, count, gone, told } = batch;
  const pace = Math.max(SLOWEST, batch.activity);
  const weeksIn = daysBetween(batch.date, date) / 7;
  const leaf = method === 'leaf';
  const rootless = TRAY_METHODS[method].needsRoots;
  const first = rootless ? (FIRST_ROOTS_WEEKS[medium] * (leaf ? OF_LEAVES.longer : 1)) / pace : 0;
  const each = Array.from({ length: count }, (_, which) => ({
    rootsAt: first * (1 + (LAST_TAKES - 1) * lot(name, `roots ${which}`)),
    rots: rootless && lot(name, `rots ${which}`) < (leaf ? OF_LEAVES.rots : ROTS),
    rotsAt: ROTTEN_BY * first * lot(name, `when ${which}`),
  }));
  const living = count - gone;
  // What has roots rots no more.
  const atRisk = living - (told?.rooted ?? 0);
  const rotten = each.filter(({ rots, rotsAt }) => rots && rotsAt < weeksIn).length;
  const lost = Math.min(atRisk, Math.max(0, rotten - batch.lost));
  const rooting = each.filter(({ rots, rootsAt }) => !rots && rootsAt < weeksIn).length;
  const rooted = Math.min(living - lost, Math.max(told?.rooted ?? 0, rooting));
  if (rooted === 0) return { rooted, rootCm: null, roots: null, branching: null, lost };
  const grownIn = (weeks: number) => Math.max(0, weeks) * GROWS_CM_A_WEEK[medium] * pace;
  const sinceCm = rootless ? 0.5 : OWN_ROOTS.cm;
  const reckonedCm = sinceCm + grownIn(weeksIn - first * (1 + LAST_TAKES) * 0.5);
  const rootCm =
    told?.rootCm != null
      ? told.rootCm + grownIn(daysBetween(told.date, date) / 7)
      : Math.max(sinceCm, reckonedCm);
  const lengthCm = Math.max(told?.rootCm ?? 0, Math.round(2 * Math.min(LONGEST_CM, rootCm)) / 2);
  const roots = Math.max(
    told?.roots ?? 0,
    Math.min(MOST_ROOTS, (rootless ? 1 : OWN_ROOTS.count) + Math.floor(lengthCm / 2)),
  );
  const branching =
    told?.branching === true || (medium !== 'water' && lengthCm >= BRANCHES_FROM_CM);
  return { rooted, rootCm: lengthCm, roots, branching, lost };
}
