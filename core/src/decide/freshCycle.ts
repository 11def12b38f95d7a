/**
 * Lowest long-run cost per week of an item that is renewed at age T and harms
 * more the older it gets: min over T of (K + ∫₀ᵀ harm) / T.
 *
 * @param renewal  K, cost of a renewal, > 0
 * @param harmPerWeek  harm in the week of that age, ≥ 0
 * @param longestWeeks  oldest age considered
 * @returns the cost per week and the age at which it is reached
 * @source age replacement: Barlow & Proschan, Mathematical Theory of Reliability, 1965
 */
export function freshCycle(
  renewal: number,
  harmPerWeek: (week: number) => number,
  longestWeeks: number,
): { perWeek: number; atWeeks: number } {
  let harm = 0;
  let best = { perWeek: Infinity, atWeeks: longestWeeks };
  for (let week = 1; week <= longestWeeks; week++) {
    harm += harmPerWeek(week - 0.5);
    const perWeek = (renewal + harm) / week;
    if (perWeek < best.perWeek) best = { perWeek, atWeeks: week };
  }
  return best;
}
