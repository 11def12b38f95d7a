/** A cost of the judgement in words: its unit is what a typical repot costs that is done at a poor time. */
export const costWords = (cost: number) =>
  Math.abs(cost) < 1
    ? `${Math.round(100 * cost)} % of a badly timed repot`
    : `${cost.toFixed(1)} badly timed repots`;

/** The same where the unit was just named. */
export const costShare = (cost: number) =>
  Math.abs(cost) < 1 ? `${Math.round(100 * cost)} %` : cost.toFixed(1);

/** Costs this near to each other are told as the same. */
export const SAME_COST = 0.005;
