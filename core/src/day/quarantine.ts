import { addDays, type IsoDate } from '../season/index.ts';
import type { Signals } from '../decide/index.ts';
import type { Tidiness } from './problem.ts';

/** What a keeper said: put apart on a day, or cleared on a day. */
export interface ApartWord {
  apartSince: IsoDate | null;
  clearedOn: IsoDate | null;
}

/** A plant that is kept apart with its pot and tools. */
export interface Quarantine {
  since: IsoDate;
  /** the day from which it can be cleared, where nothing new is found; null: by the keeper alone */
  until: IsoDate | null;
  why: 'arrived' | 'infested' | 'keeper';
  text: string;
}

/** A new plant is watched for so long: eggs and scale show by then. @source common practice, no source: 3–6 weeks */
const NEW_DAYS = 28;
/**
 * An infested one is watched so long after the last find: then a look that finds no pests clears it, or the
 * keeper's word. Time alone does not. @source common practice, no source
 */
const INFESTED_DAYS = 28;

const INFESTING: readonly string[] = ['mealy', 'scale'];

/** A finding that pots and tools carry to other plants. */
export const isCarried = ({ infestedRoots, pests }: Signals): boolean =>
  infestedRoots === true || (typeof pests === 'string' && INFESTING.includes(pests));

/**
 * Whether a plant is kept apart on a day, and why. A keeper's clearing counts until something new is found, and so
 * does a look that finds none once enough time has gone by.
 *
 * @param arrived  the day it came; null: not known, taken as long ago
 * @param looks  what was seen and when, in any order
 */
export function quarantineOn(
  day: IsoDate,
  arrived: IsoDate | null,
  looks: readonly { date: IsoDate; signals: Signals }[],
  { apartSince, clearedOn }: ApartWord,
): Quarantine | null {
  const cleared = (since: IsoDate) => clearedOn !== null && clearedOn >= since && clearedOn <= day;
  const found = looks
    .filter(({ date, signals }) => date <= day && isCarried(signals))
    .sort((a, b) => b.date.localeCompare(a.date))[0];
  if (found && !cleared(found.date)) {
    const until = addDays(found.date, INFESTED_DAYS);
    const clean = looks.some(
      ({ date, signals }) => date >= until && date <= day && signals.pests === 'none',
    );
    if (!clean) {
      const seen = 'pests that pots, hands and blades carry were seen on it';
      const text = until > day ? seen : `${seen}, and no look since has found it clean`;
      return { since: found.date, until, why: 'infested', text };
    }
  }
  if (apartSince && apartSince <= day && !cleared(apartSince)) {
    return { since: apartSince, until: null, why: 'keeper', text: 'you put it apart' };
  }
  if (arrived && arrived <= day && !cleared(arrived) && addDays(arrived, NEW_DAYS) > day) {
    return {
      since: arrived,
      until: addDays(arrived, NEW_DAYS),
      why: 'arrived',
      text: 'it came lately: what it may have brought shows within four weeks',
    };
  }
  return null;
}

const SUSPECT_PESTS: readonly string[] = ['gnats', 'snails', 'ants', 'other'];

/** How far a plant is to be trusted at the bench beside others. */
export function tidinessOf(signals: Signals, quarantine: Quarantine | null): Tidiness {
  if (quarantine || isCarried(signals)) return 'quarantine';
  const { pests, rot, mould, smell } = signals;
  const doubtful =
    (typeof pests === 'string' && SUSPECT_PESTS.includes(pests)) ||
    rot === 'roots' ||
    rot === 'stem' ||
    mould === 'through' ||
    smell === 'sour';
  return doubtful ? 'suspect' : 'clean';
}
