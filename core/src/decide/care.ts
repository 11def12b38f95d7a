import { LESSER_ACTS, type Cure, type LesserAct } from './costs.ts';
import type { Signals, SignalValue } from './signals.ts';
import type { IsoDate } from '../season/index.ts';

/**
 * What is done to a plant between two looks, and which findings that answers:
 * once it is done they are no longer taken to hold, and are asked anew. A repot
 * answers all of them: they spoke of the pot that was left.
 *
 * A lesser act answers what it puts right for the most part; a watering answers
 * thirst.
 *
 * @source common practice, no source
 */
export type CareKind = 'watered' | Exclude<LesserAct, (typeof HABITS)[number]>;
/** What is kept up for weeks and shows in weeks: no finding ends with its first day. */
const HABITS = ['changeWatering', 'nurseCold'] as const;
type Deed = Exclude<(typeof LESSER_ACTS)[number], { id: (typeof HABITS)[number] }>;
const ACTS = LESSER_ACTS.filter(
  (act): act is Deed => !(HABITS as readonly string[]).includes(act.id),
);
export const CARE_KINDS: readonly CareKind[] = ['watered', ...ACTS.map(({ id }) => id)];

/** Of what an act puts right by less than this the finding stands until somebody looks again. */
const ANSWERED_FROM = 0.6;

const ANSWERS = new Map<CareKind, ReadonlySet<string>>([
  ['watered', new Set(['limp'])],
  ...ACTS.map(({ id, cures }): [CareKind, ReadonlySet<string>] => [
    id,
    new Set(
      (cures as readonly Cure[])
        .filter(({ share }) => share >= ANSWERED_FROM)
        .map(({ signal }) => signal),
    ),
  ]),
]);

/** Findings that a deed answers. */
export const answersOf = (deed: CareKind): ReadonlySet<string> => ANSWERS.get(deed)!;

/** When something was seen or done; `at` tells the order within a day, as the record was written. */
export interface Moment {
  date: IsoDate;
  /** moment of writing, ISO 8601 in UTC */
  at: string;
}
export const isAfter = (one: Moment, other: Moment): boolean =>
  one.date === other.date ? one.at > other.at : one.date > other.date;

/**
 * The newest answer to each question that nothing has answered since.
 *
 * @param newestFirst  looks at the plant in its present pot
 * @param deeds  what was done to it, in any order
 */
export function standingFindings(
  newestFirst: readonly (Moment & { signals: Signals })[],
  deeds: readonly (Moment & { kind: CareKind })[],
): Signals {
  const current: Record<string, SignalValue | undefined> = {};
  for (const look of newestFirst) {
    for (const [id, value] of Object.entries(look.signals)) {
      if (value === undefined || value === null || id in current) continue;
      const answered = deeds.some((deed) => answersOf(deed.kind).has(id) && isAfter(deed, look));
      // An older answer to the same question is answered too: none stands.
      current[id] = answered ? undefined : value;
    }
  }
  return Object.fromEntries(
    Object.entries(current).filter(([, value]) => value !== undefined),
  ) as Signals;
}
