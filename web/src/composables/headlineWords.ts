import { addDays, lesserActLabel, type Decision } from '@fernbank/core';
import { m } from '../messages/index.ts';
import { useDates } from './useDates.ts';

/** What is said first of a plant, in one sentence: the same on every page. */
export function useHeadlineWords() {
  const { day, full } = useDates();
  /** A window is told by its days: its last week ends on a Sunday. */
  const lastDay = (monday: string) => day(addDays(monday, 6));
  function headlineLine(decision: Decision): string {
    const { headline, window: span } = decision;
    const wide = span !== null && span.to > span.from;
    switch (headline) {
      case 'troubleshootFirst':
        return m.headlineLine.troubleshootFirst(decision.troubleshoot!.causes[0]!.label);
      case 'repotNow':
        return m.headlineLine.repotNow(
          wide ? lastDay(span.to) : null,
          span && span.best > span.from ? day(span.best) : null,
        );
      case 'repotInWindow':
        return wide
          ? m.headlineLine.repotInWindow(day(span.from), lastDay(span.to), full(span.best))
          : m.headlineLine.repotInWeek(full(decision.week!));
      case 'leave':
        return m.headlineLine.leave(full(decision.lookAgain!));
      case 'refresh':
        return m.headlineLine.refresh(lesserActLabel(decision.now[0]!));
      default:
        return m.headlineLine[headline];
    }
  }
  return { headlineLine };
}

/** What the moment costs, in weeks of growth; empty where no moment is advised. */
export function whyThenOf({ headline, bloomWeeksLeft, costs }: Decision): string {
  const { now, then, waiting } = costs;
  if (headline === 'repotInWindow') {
    const weeks = Math.round(bloomWeeksLeft);
    const why = m.verdictPage.whyThen(now, then, waiting);
    // What a repot costs now is its bloom then, more than its growth.
    return weeks > 0 ? `${m.verdictPage.inBloom(weeks)} ${why}` : why;
  }
  return headline === 'repotNow' ? m.verdictPage.whyNow(now) : '';
}
