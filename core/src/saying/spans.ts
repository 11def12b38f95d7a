/** From here on nobody counts months, months. @source common practice, no source */
const IN_YEARS_FROM = 24;
export const inYears = (months: number): boolean => Math.round(months) >= IN_YEARS_FROM;

/** Halves while those count, then whole ones. */
export const inHalves = (count: number, below: number): number =>
  count < below ? Math.round(2 * count) / 2 : Math.round(count);
/** Years in halves up to six of them. */
export const yearsOf = (months: number): number => inHalves(months / 12, 6);
/** Months in halves below three. */
export const monthsOf = (months: number): number => inHalves(months, 3);

/** A number of halves as one writes it: 2.5 is "2½". */
export function halvesSaid(count: number): string {
  const whole = Math.floor(count);
  return `${whole > 0 || count === 0 ? whole : ''}${count % 1 === 0.5 ? '½' : ''}`;
}

/** A span of months as one says it: "a month", "7 months", "3½ years". */
export function monthsSaid(months: number): string {
  if (inYears(months)) return `${halvesSaid(yearsOf(months))} years`;
  const said = monthsOf(months);
  return said < 1 ? 'under a month' : said === 1 ? 'a month' : `${halvesSaid(said)} months`;
}
