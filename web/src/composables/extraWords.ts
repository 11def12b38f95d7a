import type { PotExtra } from '@fernbank/core';
import { m } from '../messages/index.ts';
import { useUnits } from './useUnits.ts';

/** What goes into a pot beside its mix, in words with amounts. */
export function useExtraWords() {
  const { length, volume, weight } = useUnits();
  return {
    extraWords: ({
      kind,
      label,
      litres,
      grams,
      depthMm,
      lastsMonths,
      leftOut,
    }: PotExtra): string => {
      if (leftOut) return m.mix.extraLeftOut(label);
      if (kind === 'topDressing')
        return m.mix.dressing(label, length(depthMm! / 10), volume(litres!));
      if (kind === 'perPot') return m.mix.handful(label, volume(litres!));
      return m.mix.feedLine(weight(grams! / 1000), lastsMonths);
    },
  };
}
