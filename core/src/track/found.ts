import type { Signals, State } from '../decide/index.ts';

/** States that a look can settle: of these what was said is held against what was found. */
export const TOLD_STATES = [
  'crowded',
  'mediumFailing',
  'danger',
  'tooWet',
] as const satisfies readonly State[];
export type ToldState = (typeof TOLD_STATES)[number];

/** A ball so far covered is full, or has room. @source common practice, no source */
const FULL_FROM = 0.75;
const ROOM_UNTIL = 0.5;
/** Of roots alive: 45 % is doubtful, 60 % ordinary. @source common practice, no source */
const DYING_BELOW = 0.45;
const ALIVE_FROM = 0.6;

/** Yes where one finding says so, no where one says no and none yes; else nothing was found. */
const settled = (yes: boolean, no: boolean): boolean | undefined =>
  yes ? true : no ? false : undefined;

/** Whether the medium was found gone; undefined: nobody looked, or it did not show. */
export const mediumFound = ({
  compacted,
  smell,
  mould,
  mediumSunk,
}: Signals): boolean | undefined =>
  settled(
    compacted === true || smell === 'sour' || mould === 'through',
    compacted === false || (smell === 'fresh' && mediumSunk !== true),
  );

/**
 * What a look settles, state by state. Findings between yes and no settle nothing: a root at several
 * holes is neither room nor a full pot.
 *
 * @source common practice, no source
 */
export function foundIn(signals: Signals): Partial<Record<ToldState, boolean>> {
  const { rootsAtHoles, potBulging, ballCover, circling, rot, infestedRoots, liveRoots } = signals;
  const cover = typeof ballCover === 'number' ? ballCover : null;
  const live = typeof liveRoots === 'number' ? liveRoots : null;
  const found: Record<ToldState, boolean | undefined> = {
    // Out of its pot one sees it; from outside only what is plain counts.
    crowded: settled(
      cover === null
        ? circling === 'tight' ||
            potBulging === true ||
            rootsAtHoles === 'every' ||
            rootsAtHoles === 'mat'
        : cover >= FULL_FROM,
      cover === null ? circling === 'none' || rootsAtHoles === 'none' : cover <= ROOM_UNTIL,
    ),
    mediumFailing: mediumFound(signals),
    danger: settled(
      rot === 'roots' ||
        rot === 'stem' ||
        infestedRoots === true ||
        (live !== null && live < DYING_BELOW),
      live === null ? rot === 'none' : live >= ALIVE_FROM,
    ),
    tooWet: settled(signals.staysWetLonger === true, signals.staysWetLonger === false),
  };
  return Object.fromEntries(Object.entries(found).filter(([, held]) => held !== undefined));
}

/**
 * What a look settles that was not settled yet: who has seen roots run out of the pot a month ago
 * foretells nothing by saying so again.
 *
 * @param known  findings that still counted the day before
 */
export function newlyFound(signals: Signals, known: Signals): Partial<Record<ToldState, boolean>> {
  const before = foundIn(known);
  return Object.fromEntries(
    Object.entries(foundIn(signals)).filter(([state]) => before[state as ToldState] === undefined),
  );
}
