/** Probability for given log-odds; the inverse of `logit`. */
export function logistic(logOdds: number): number {
  return 1 / (1 + Math.exp(-logOdds));
}

/** Log-odds of a probability strictly between 0 and 1. */
export function logit(probability: number): number {
  return Math.log(probability / (1 - probability));
}
