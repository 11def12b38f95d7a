import type { RootWork } from '../aftercare/index.ts';
import { MEDIUM_KINDS, type MediumKind } from '../media/index.ts';
import { monthOfYear, type IsoDate } from '../season/index.ts';
import { TRAY_METHODS, type TrayMedium } from '../tray/index.ts';
import { optionsOf, SCHOOL_IDS, SCHOOLS, type School, type Schools } from '../schools/index.ts';

/** What was done, by what decides how it goes. */
export const METHODS = {
  ballKept: { label: 'moved on, ball kept whole' },
  mostOff: { label: 'outside loosened' },
  bareRoot: { label: 'old medium taken off' },
  rootsPruned: { label: 'roots pruned' },
  divided: { label: 'divided' },
  rescued: { label: 'rescued from rot' },
  intoPebbles: { label: 'moved into pebbles' },
  outOfPebbles: { label: 'moved out of pebbles' },
  mound: { label: 'seated on a moss mound' },
  cutting: TRAY_METHODS.cutting,
  division: TRAY_METHODS.division,
  offset: TRAY_METHODS.offset,
  leaf: TRAY_METHODS.leaf,
  head: TRAY_METHODS.head,
} as const satisfies Record<string, { label: string }>;
export type Method = keyof typeof METHODS;

/** The schools that a repot followed, each where it had a say. */
export type SchoolsFollowed = Partial<Schools>;

/** What is remembered of a repot so that its outcome can be held against how it was done. */
export interface Practice {
  method: Method;
  /** only the schools that this repot put to the test */
  schools: SchoolsFollowed;
  medium: MediumKind;
  season: Season;
  /** in the plant's own window */
  inWindow: boolean;
  group: string;
  /** for one that came from the tray: where it had rooted */
  rootedIn?: TrayMedium;
}

export const SEASONS = {
  spring: { label: 'spring' },
  summer: { label: 'summer' },
  autumn: { label: 'autumn' },
  winter: { label: 'winter' },
} as const;
export type Season = keyof typeof SEASONS;

/** Meteorological seasons: whole months; the southern half of the earth is half a year ahead. */
export function seasonOf(date: IsoDate, latitudeDeg: number): Season {
  const month = monthOfYear(date) - 1 + (latitudeDeg < 0 ? 6 : 0);
  return (['winter', 'spring', 'summer', 'autumn'] as const)[Math.floor(((month + 1) % 12) / 3)]!;
}

/** What a method is told from. */
export interface Done extends RootWork {
  from: MediumKind;
  to: MediumKind;
  pieces: number;
  rootsPruned: boolean;
  rotten: boolean;
  mound?: boolean;
}

/** The one thing about a repot that most decides how it goes. */
export function methodOf({ from, to, pieces, rootsPruned, rotten, mound, work }: Done): Method {
  if (rotten) return 'rescued';
  if (pieces > 1) return 'divided';
  if (mound) return 'mound';
  if (to === 'pebbles' && from !== 'pebbles') return 'intoPebbles';
  if (from === 'pebbles' && to !== 'pebbles') return 'outOfPebbles';
  return rootsPruned ? 'rootsPruned' : work;
}

/** Schools that one repot puts to the test; a reservoir is another matter. */
const TESTED = SCHOOL_IDS.filter((id): id is Tested => id !== 'flush' && id !== 'winter');
type Tested = Exclude<School, 'flush' | 'winter'>;

/** A way in which cases are told apart: its values in words, and which of them a repot was. */
interface FactorRow {
  label: string;
  words: Record<string, { label: string }>;
  /** null: it had no say */
  of: (practice: Practice) => string | null;
}
const schoolRow = (id: Tested): FactorRow => ({
  label: `${SCHOOLS[id].topic} (school)`,
  words: optionsOf(id),
  of: ({ schools }) => schools[id] ?? null,
});

/** Ways in which cases are told apart. */
export const FACTORS = {
  method: { label: 'Method', words: METHODS, of: ({ method }) => method },
  season: { label: 'Season', words: SEASONS, of: ({ season }) => season },
  inWindow: {
    label: 'In its window',
    words: { true: { label: 'within its growing window' }, false: { label: 'outside of it' } },
    of: ({ inWindow }) => String(inWindow),
  },
  medium: {
    label: 'Medium',
    words: Object.fromEntries(MEDIUM_KINDS.map(({ id, label }) => [id, { label }])),
    of: ({ medium }) => medium,
  },
  ...(Object.fromEntries(TESTED.map((id) => [id, schoolRow(id)])) as Record<Tested, FactorRow>),
} satisfies Record<string, FactorRow>;
export type Factor = keyof typeof FACTORS;

/** What a repot was, in one factor; null: it had no say. */
export const factorOf = (practice: Practice, factor: Factor): string | null =>
  FACTORS[factor].of(practice);

/** A value of a factor in words. */
export function wordOf(factor: Factor, value: string): string {
  const words: Record<string, { label: string }> = FACTORS[factor].words;
  return words[value]?.label ?? value;
}
