/** Plants of a spot that Rounds tell of at first, and with each tap for more. */
export const EACH = 60;
/** As Rounds begin. */
export const ROUNDS = `/rounds?each=${EACH}`;
/** Plants of the ranking that are told of at once: most collections are smaller. */
export const PAGE = 500;
/** As Verdicts begin. */
export const VERDICTS = `/verdicts?limit=${PAGE}`;
