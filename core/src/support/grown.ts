import { addDays, type IsoDate } from '../season/index.ts';
import type { Climb } from './climb.ts';
import { usableShare, type UsableShare } from './usable.ts';
import { say, type Saying } from '../saying/index.ts';

/** What good keepers do about a damp pole for a plant that is already tall. */
export const GROWN_SCHOOLS = {
  restart: { label: 'no: restart a cutting at its foot' },
  fromNow: { label: 'yes: growth from now on uses it' },
  plain: { label: 'plain support instead' },
} as const;
export type GrownSchool = keyof typeof GROWN_SCHOOLS;

/** What one school would give this plant. */
export interface GrownOutcome {
  school: GrownSchool;
  label: string;
  usable: UsableShare;
  /** when the part that roots can use is used up; null: not within five years, or nothing to use */
  usedUp: IsoDate | null;
  /** when a cutting would have caught up with the present height; null: not within five years */
  caughtUp: IsoDate | null;
  minutesPerWeek: number;
  gives: Saying;
}

/** A plant counts as grown where less than this of the pole is left to it. */
const GROWN_BELOW = 0.75;
/** From cutting to a rooted start. @source common practice, no source */
const ROOTING_WEEKS = 6;
/** A rooted cutting begins at about this height, cm. @source common practice, no source */
export const CUTTING_START_CM = 10;

/** Whether the question arises at all. */
export function isGrown(aboveCm: number, plantCm: number): boolean {
  return usableShare(aboveCm, plantCm).share < GROWN_BELOW;
}

/**
 * The three schools for a grown plant, with what each would give.
 *
 * @param own  the plant's climb from its present height
 * @param cutting  the climb of a rooted cutting, from its own start
 * @param dampMinutes  a week, for a damp pole of that length
 */
export function grownOutcomes(plant: {
  plantCm: number;
  aboveCm: number;
  own: Climb;
  cutting: Climb;
  dampMinutes: number;
}): GrownOutcome[] {
  const { plantCm, aboveCm, own, cutting, dampMinutes } = plant;
  const fromNow = usableShare(aboveCm, plantCm);
  const whole = usableShare(aboveCm, 0);
  const none: UsableShare = { fromCm: aboveCm, usableCm: 0, share: 0 };
  const later = (day: IsoDate | null) => day && addDays(day, ROOTING_WEEKS * 7);
  const catchUp = later(cutting.reaches(Math.min(plantCm, aboveCm)).expected);
  return [
    {
      school: 'restart',
      usable: whole,
      usedUp: later(cutting.reaches(aboveCm).expected),
      caughtUp: catchUp,
      minutesPerWeek: dampMinutes,
      gives: `a cutting roots in about ${ROOTING_WEEKS} weeks and uses the whole pole; the old plant stays plain`,
    },
    {
      school: 'fromNow',
      usable: fromNow,
      usedUp: fromNow.usableCm > 0 ? own.reaches(aboveCm).expected : null,
      caughtUp: null,
      minutesPerWeek: dampMinutes,
      gives:
        fromNow.share > 0
          ? say`only what grows from now on roots: the uppermost ${{ cm: fromNow.usableCm }}`
          : 'nothing: it is past the top already',
    },
    {
      school: 'plain',
      usable: none,
      usedUp: null,
      caughtUp: null,
      minutesPerWeek: 0,
      gives: 'it stands tidy, leaves stay as large as they are, nothing is kept damp',
    },
  ].map((outcome) => ({
    ...outcome,
    school: outcome.school as GrownSchool,
    label: GROWN_SCHOOLS[outcome.school as GrownSchool].label,
  }));
}
