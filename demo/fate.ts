import {
  type Checkpoint,
  type Grade,
  type Practice,
  type RootWork,
  type Seen,
} from '@fernbank/core';

/** What becomes of a repot in the end. */
export type Fate = Grade;

/** How likely a repot goes well, by whether it was done in the plant's window and how hard on the roots. */
const GOES_WELL = { inWindow: 0.85, outside: 0.45, bareRoot: 0.85, mostOff: 0.95, ballKept: 1 };
const HALF_WELL = 0.6;
const SEEN: Record<Grade, Seen[]> = {
  thrives: ['newGrowth', 'firm'],
  holdsOn: ['firm', 'leafLoss'],
  suffers: ['leafLoss', 'shrivel'],
};

/** @param luck  0 … 1, the higher the worse */
export function fateOf(
  { inWindow }: Pick<Practice, 'inWindow'>,
  work: RootWork['work'],
  luck: number,
): Fate {
  const well = (inWindow ? GOES_WELL.inWindow : GOES_WELL.outside) * GOES_WELL[work];
  if (luck < well) return 'thrives';
  return luck < well + (1 - well) * HALF_WELL ? 'holdsOn' : 'suffers';
}

/** What must become of a repot of which something was told already. */
export function fateToldBy({ grade, seen }: { grade: Grade; seen: readonly Seen[] }): Fate {
  // Three weeks in, what thrives in the end only stands firm.
  return grade === 'holdsOn' && !seen.includes('leafLoss') ? 'thrives' : grade;
}

/** What shows of it at a checkpoint: three weeks in, little does. */
export function shownAt(fate: Fate, at: Checkpoint): { grade: Grade; seen: Seen[] } {
  return at === 'weeks3' && fate === 'thrives'
    ? { grade: 'holdsOn', seen: ['firm'] }
    : { grade: fate, seen: SEEN[fate] };
}
