/**
 * Lowest long-run cost per week of an item that is renewed at age T and harms
 * more the older it gets: min over T of (K + ∫₀ᵀ harm) / T.
 *
 * Where the harm never falls there is one minimum: behind it nothing is reckoned any more.
 *
 * @param renewal  K, cost of a renewal, > 0
 * @param harmPerWeek  harm in the week of an age, ≥ 0, never falling; each week is taken at its middle
 * @param longest  weeks at the most
 * @returns the cost per week and the age at which it is reached
 * @source age replacement: Barlow & Proschan, Mathematical Theory of Reliability, 1965
 */
export function freshCycle(
  renewal: number,
  harmPerWeek: (week: number) => number,
  longest: number,
): { perWeek: number; atWeeks: number } {
  let best = { perWeek: Infinity, atWeeks: longest };
  let cost = renewal;
  for (let week = 1; week <= longest; week++) {
    cost += harmPerWeek(week - 0.5);
    const perWeek = cost / week;
    if (perWeek > best.perWeek) break;
    if (perWeek < best.perWeek) best = { perWeek, atWeeks: week };
  }
  return best;
}
