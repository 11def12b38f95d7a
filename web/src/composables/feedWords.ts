import { feedState, type FeedGiven, type IsoDate } from '@fernbank/core';
import type { PlantFile } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useDates } from './useDates.ts';

type Given = FeedGiven & { on: IsoDate };

/** What was given since the last repot, and with it. */
function givenTo({ plant, measurements, repots }: PlantFile): Given[] {
  const since = plant.lastRepot ?? '';
  const logged = measurements
    .filter(({ date }) => date >= since)
    .flatMap(({ kind, value, date: on }): Given[] => {
      if (kind === 'fedLiquid') return [{ kind: 'liquid', on }];
      return kind === 'fedLastingMonths' ? [{ kind: 'lasting', months: value, on }] : [];
    });
  const [newest] = repots;
  const laidIn = newest?.mixedIn?.extras?.find(({ kind }) => kind === 'feed')?.lastsMonths;
  return laidIn && newest
    ? [...logged, { kind: 'lasting', months: laidIn, on: newest.date }]
    : logged;
}

/** What feed a plant has, in words. */
export function useFeedWords() {
  const { full } = useDates();
  return {
    feedWords(file: PlantFile): string {
      const state = feedState(givenTo(file), file.situation.traits, file.situation.date);
      switch (state?.kind) {
        case undefined:
          return m.feed.unknown;
        case 'none':
          return m.feed.none;
        case 'lasting':
          return m.feed.until(full(state.until));
        case 'usedUp':
          return m.feed.usedUp(full(state.since));
        case 'liquid':
          return m.feed.liquidOn(full(state.last));
      }
    },
  };
}
