import { climbRate, type HeightEntry } from '../growth/index.ts';
import type { Traits } from '../catalogue/index.ts';
import { DAYS_PER_MONTH, seasonAhead, type IsoDate, type Spot } from '../season/index.ts';
import { WEEKS_AHEAD } from './futures.ts';

/**
 * When a plant grows into what is above it.
 *
 * @param standsCm  its top above the shelf today, with its pot
 * @param headroomCm  from shelf to what is above
 * @param heights  as they were measured, in any order
 * @returns weeks from `from` on; null: not within two years
 * @source climbRate, over months of full growth
 */
export function meetsAbove(of: {
  standsCm: number;
  headroomCm: number;
  heights: readonly HeightEntry[];
  from: IsoDate;
  spot: Spot;
  traits: Traits;
}): { likely: number | null; soonest: number | null } {
  const { standsCm, headroomCm, heights, from, spot, traits } = of;
  const room = headroomCm - standsCm;
  const { gainIn } = climbRate(heights, spot, traits);
  const { activity } = seasonAhead(spot, traits, from, WEEKS_AHEAD);
  let months = 0;
  let soonest: number | null = null;
  for (let week = 0; week < WEEKS_AHEAD; week++) {
    const { cm, highCm } = gainIn(months);
    if (soonest === null && highCm >= room) soonest = week;
    if (cm >= room) return { likely: week, soonest };
    months += (7 * activity[week]!) / DAYS_PER_MONTH;
  }
  return { likely: null, soonest };
}
