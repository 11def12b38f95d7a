/**
 * Lowest long-run cost per week of an item that is renewed at age T and harms
 * more the older it gets: min over T of (K + ∫₀ᵀ harm) / T.
 *
 * @param renewal  K, cost of a renewal, > 0
 * @param harmByAge  harm up to the end of each week of age, from the first week on: rising
 * @returns the cost per week and the age at which it is reached
 * @source age replacement: Barlow & Proschan, Mathematical Theory of Reliability, 1965
 */
export function freshCycle(
  renewal: number,
  harmByAge: ArrayLike<number>,
): { perWeek: number; atWeeks: number } {
  let best = { perWeek: Infinity, atWeeks: harmByAge.length };
  for (let week = 1; week <= harmByAge.length; week++) {
    const perWeek = (renewal + harmByAge[week - 1]!) / week;
    if (perWeek < best.perWeek) best = { perWeek, atWeeks: week };
  }
  return best;
}

/**
 * Harm added up week by week, each taken at its middle.
 *
 * @param harmPerWeek  harm in the week of that age, ≥ 0
 */
export function harmByAge(harmPerWeek: (week: number) => number, weeks: number): Float64Array {
  const sums = new Float64Array(weeks);
  let harm = 0;
  for (let week = 0; week < weeks; week++) {
    harm += harmPerWeek(week + 0.5);
    sums[week] = harm;
  }
  return sums;
}
