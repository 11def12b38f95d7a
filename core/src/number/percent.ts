/** A share of 1 as whole hundredths, in words. */
export const percent = (share: number): string => `${Math.round(share * 100)} %`;
