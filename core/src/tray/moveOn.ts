import { within } from '../number/index.ts';
import { TRAY_METHODS, type TrayMedium, type TrayMethod } from './method.ts';
import { say, type Saying } from '../saying/index.ts';

/** What the newest look at a batch found. */
export interface TrayLook {
  /** of those that live, so many with roots */
  rooted: number;
  /** length of the longest root of a usual one, cm; null: not looked */
  rootCm: number | null;
  /** roots on a usual one; null: not counted */
  roots: number | null;
  branching: boolean | null;
}

export type MoveOn = 'wait' | 'ready' | 'late' | 'lost';

export interface MoveOnAdvice {
  when: MoveOn;
  why: Saying;
  /** days until the next look; null: none is needed */
  lookInDays: number | null;
}

/** Potted from this length on … @source common practice, no source: 5–7 cm */
const READY_CM = 5;
/** … and before they mat. @source common practice, no source */
const MATS_CM = 12;
/** A single root this long is as good as branching ones. */
const LONG_CM = 7;
const FEWEST_ROOTS = 2;
const LOOK_DAYS = { young: 10, soon: 5 } as const;

/**
 * Whether a batch is to be potted on.
 *
 * @param living  of the batch, not lost and not potted on
 * @param look  null: never looked at
 * @source common practice, no source
 */
export function moveOn(
  method: TrayMethod,
  medium: TrayMedium,
  living: number,
  look: TrayLook | null,
): MoveOnAdvice {
  within('living', living, 0, 10_000);
  if (living === 0) return { when: 'lost', why: 'none is left in the tray', lookInDays: null };
  if (!look) {
    return TRAY_METHODS[method].needsRoots
      ? { when: 'wait', why: 'not looked at yet', lookInDays: LOOK_DAYS.young }
      : { when: 'ready', why: 'it came with roots of its own', lookInDays: null };
  }
  const { rooted, rootCm, roots, branching } = look;
  if (rooted === 0) return { when: 'wait', why: 'no roots yet', lookInDays: LOOK_DAYS.young };
  if (rootCm === null) {
    return {
      when: 'wait',
      why: 'rooted, but how long the roots are was not looked at',
      lookInDays: LOOK_DAYS.soon,
    };
  }
  const length = say`roots of about ${{ cm: rootCm }}`;
  if (rootCm >= MATS_CM) {
    return {
      when: 'late',
      why: say`${length}: they begin to mat, and break when they are parted`,
      lookInDays: null,
    };
  }
  if (roots !== null && roots < FEWEST_ROOTS) {
    return { when: 'wait', why: `one root alone: wait for a second`, lookInDays: LOOK_DAYS.soon };
  }
  if (rootCm < READY_CM) {
    return {
      when: 'wait',
      why: say`${length}: from ${{ cm: READY_CM }} on`,
      lookInDays: LOOK_DAYS.soon,
    };
  }
  // Water roots seldom branch: they go in as they are.
  if (medium === 'water') {
    return {
      when: 'ready',
      why: say`${length}: water roots go in as they are, untrimmed`,
      lookInDays: null,
    };
  }
  if (branching === false && rootCm < LONG_CM) {
    return { when: 'wait', why: say`${length}, not branching yet`, lookInDays: LOOK_DAYS.soon };
  }
  return { when: 'ready', why: say`${length}${branching ? ', branching' : ''}`, lookInDays: null };
}
