import { m } from '../messages/index.ts';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** Time that is left, as a glance takes it in. */
export function useTimeLeft() {
  return {
    timeLeft: (ms: number): string => {
      if (ms >= 2 * DAY) return m.bench.days(Math.round(ms / DAY));
      if (ms >= 2 * HOUR) return m.bench.hours(Math.round(ms / HOUR));
      const minutes = Math.floor(ms / MINUTE);
      const seconds = Math.floor((ms % MINUTE) / 1000);
      return `${minutes}:${String(seconds).padStart(2, '0')}`;
    },
  };
}
