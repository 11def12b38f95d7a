import { halvesSaid, inHalves, WEEKS_OF_GROWTH } from '@fernbank/core';

/** A cost of the judgement in weeks of growth lost. */
export const weeksLost = (cost: number) => WEEKS_OF_GROWTH * cost;

const DAYS_A_WEEK = 7;
const WEEKS_A_YEAR = 52;
/** From here on half a week is neither here nor there. */
const WHOLE_WEEKS = 4;

/** The same within a year: who loses more has lost the plant. */
export const weeksWithinYear = (cost: number) => Math.min(WEEKS_A_YEAR, weeksLost(cost));

/** … as a figure of a table. */
export const weeksFigure = (cost: number) =>
  weeksLost(cost) > WEEKS_A_YEAR ? `${WEEKS_A_YEAR}+` : weeksLost(cost).toFixed(1);

/** How long, as one says it: days below a week, halves of a week while those count. */
function howLong(weeks: number): string {
  const days = Math.round(DAYS_A_WEEK * weeks);
  if (days < 1) return 'less than a day';
  if (days < DAYS_A_WEEK) return days === 1 ? 'a day' : `${days} days`;
  const said = inHalves(weeks, WHOLE_WEEKS);
  return said === 1 ? 'a week' : `${halvesSaid(said)} weeks`;
}

const about = (long: string) => (long.startsWith('less') ? long : `about ${long}`);

/** Weeks of growth that one plant loses. Beyond a year nobody counts them. */
export const weeksShare = (weeks: number) =>
  weeks > WEEKS_A_YEAR ? 'more than a year' : about(howLong(weeks));

/** A cost to one plant, where what is counted was just said. */
export const costShare = (cost: number) => weeksShare(weeksLost(Math.abs(cost)));

/** A cost to one plant in words. */
export const costWords = (cost: number) => `${costShare(cost)} of growth`;

/** What many plants are spared together: it can come to years, and is counted all the same. */
export const costInAll = (cost: number) => `${about(howLong(weeksLost(Math.abs(cost))))} of growth`;

/** Costs this near to each other are told as the same. */
export const SAME_COST = 0.005;
