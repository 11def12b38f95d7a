import { betaAfter, betaMean, betaQuantile, EVEN } from './beta.ts';
import { FEWEST_CASES } from './tally.ts';
import { TRAY_MEDIA, TRAY_METHODS, type TrayMedium, type TrayMethod } from '../tray/index.ts';

/** A batch as far as it is decided. */
export interface TrayCount {
  method: TrayMethod;
  medium: TrayMedium;
  pottedOn: number;
  lost: number;
}

/** How often one way of starting came through. */
export interface TraySuccess {
  method: TrayMethod;
  medium: TrayMedium;
  label: string;
  cases: number;
  pottedOn: number;
  mean: number;
  low: number;
  high: number;
  telling: boolean;
}

/**
 * Starts that came through, by method and medium; what still stands in the tray
 * is not counted. The same belief as for repots: Beta(1 + potted on, 1 + lost).
 */
export function traySuccess(batches: readonly TrayCount[]): TraySuccess[] {
  const byWay = new Map<string, TrayCount>();
  for (const { method, medium, pottedOn, lost } of batches) {
    const key = `${method} ${medium}`;
    const before = byWay.get(key) ?? { method, medium, pottedOn: 0, lost: 0 };
    byWay.set(key, { ...before, pottedOn: before.pottedOn + pottedOn, lost: before.lost + lost });
  }
  return [...byWay.values()]
    .filter(({ pottedOn, lost }) => pottedOn + lost > 0)
    .map(({ method, medium, pottedOn, lost }) => {
      const belief = betaAfter(EVEN, pottedOn, lost);
      return {
        method,
        medium,
        label: `${TRAY_METHODS[method].label}, ${TRAY_MEDIA[medium].label}`,
        cases: pottedOn + lost,
        pottedOn,
        mean: betaMean(belief),
        low: betaQuantile(belief, 0.1),
        high: betaQuantile(belief, 0.9),
        telling: pottedOn + lost >= FEWEST_CASES,
      };
    })
    .sort((a, b) => Number(b.telling) - Number(a.telling) || b.mean - a.mean);
}
