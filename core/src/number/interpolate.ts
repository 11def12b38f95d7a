/**
 * Value at `x` by straight lines between points in double-log scale, held at
 * both ends.
 *
 * @param xs  rising, > 0
 * @param ys  > 0, as many
 */
export function interpolatedLog(xs: readonly number[], ys: readonly number[], x: number): number {
  const last = xs.length - 1;
  if (x <= xs[0]!) return ys[0]!;
  if (x >= xs[last]!) return ys[last]!;
  const next = xs.findIndex((each) => each > x);
  const share = Math.log(x / xs[next - 1]!) / Math.log(xs[next]! / xs[next - 1]!);
  return ys[next - 1]! * (ys[next]! / ys[next - 1]!) ** share;
}
