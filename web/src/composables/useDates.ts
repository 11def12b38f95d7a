import { daysBetween } from '@fernbank/core';
import { useSettings } from '../stores/settings.ts';

// Made once: a formatter costs more than all the dates of a page. A day has no zone: it is written as it is read.
const short = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});
const long = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

const monthAndYear = new Intl.DateTimeFormat(undefined, {
  month: 'long',
  year: 'numeric',
  timeZone: 'UTC',
});
const monthAlone = new Intl.DateTimeFormat(undefined, { month: 'long', timeZone: 'UTC' });

const withWeekday = new Intl.DateTimeFormat(undefined, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});

const withTime = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
});

const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });

const asDate = (iso: string) => new Date(`${iso}T00:00:00Z`);

/** Calendar days in the reader's own way of writing them. */
export function useDates() {
  const settings = useSettings();
  return {
    /** day and month; with the year where it is not this one */
    day: (iso: string) =>
      (iso.slice(0, 4) === settings.current.today.slice(0, 4) ? short : long).format(asDate(iso)),
    /** the month of YYYY-MM; with the year where it is not this one */
    month: (iso: string) =>
      (iso.slice(0, 4) === settings.current.today.slice(0, 4) ? monthAlone : monthAndYear).format(
        asDate(`${iso}-01`),
      ),
    /** day and month with the day of the week */
    weekday: (iso: string) => withWeekday.format(asDate(iso)),
    full: (iso: string) => long.format(asDate(iso)),
    /** a moment, ISO 8601 */
    moment: (iso: string) => withTime.format(new Date(iso)),
    /** the time of day of a moment */
    time: (iso: string) => clock.format(new Date(iso)),
    daysLate: (due: string) => daysBetween(due, settings.current.today),
  };
}
