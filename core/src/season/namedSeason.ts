import type { IsoDate } from './calendar.ts';

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
