import { rimCm, supportKind, type DayLine, type SupportKindId } from '@fernbank/core';
import { m } from '../messages/index.ts';
import { useUnits } from './useUnits.ts';

/** Things of a potting day as words. */
export function useDayWords() {
  const { said, length } = useUnits();
  return {
    /** a pot by its name and width; one to buy by its width alone */
    potWords: ({ label, source, shape }: DayLine['pot']): string => {
      const wide = length(rimCm(shape));
      if (source === 'toBuy') return m.day.newPot(wide);
      const name = said(label);
      return name === wide ? wide : `${name}, ${wide}`;
    },
    polesOf: (kind: SupportKindId): string => m.day.polesOf(supportKind(kind).label.toLowerCase()),
  };
}
