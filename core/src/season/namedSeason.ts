import { addDays, daysBetween, type IsoDate } from './calendar.ts';

/** Middle of each season in the north; south of the equator it is half a year on. */
const MIDDLE = { spring: '04-15', summer: '07-15', autumn: '10-15', winter: '01-15' } as const;
export type NamedSeason = keyof typeof MIDDLE;
const SOUTH: Record<NamedSeason, NamedSeason> = {
  spring: 'autumn',
  summer: 'winter',
  autumn: 'spring',
  winter: 'summer',
};

/** The day in the middle of a season of a year, at a latitude. */
export function middleOf(season: NamedSeason, year: number, latitudeDeg: number): IsoDate {
  return `${String(year).padStart(4, '0')}-${MIDDLE[latitudeDeg < 0 ? SOUTH[season] : season]}`;
}

/** A season of the year lasts three months: half of one. */
const HALF_DAYS = 45;

/** The middle of what has gone by of a season by a day: its own middle, unless that is still ahead of a season begun. */
export function middleSoFar(middle: IsoDate, today: IsoDate): IsoDate {
  const first = addDays(middle, -HALF_DAYS);
  if (middle <= today || first > today) return middle;
  return addDays(first, Math.floor(daysBetween(first, today) / 2));
}
