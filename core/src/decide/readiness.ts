import { percent } from '../number/index.ts';
import { nextWindow, WINDOW_READINESS } from '../season/index.ts';
import { RECENT_REPOT_WEEKS } from './costs.ts';
import { isThirsty } from './disturbing.ts';
import type { Frame } from './frame.ts';
import type { Signals } from './signals.ts';

/** One thing that makes now a good or a poor moment. */
export interface ReadinessFactor {
  factor: string;
  /** good: speaks for acting now; poor: against; plain: neither */
  sense: 'good' | 'poor' | 'plain';
  text: string;
  /** a day the text speaks of, for the reader's own date format */
  date?: string;
}

const WORK_WORDS = {
  ballKept: 'the ball stays whole, a mild disturbance',
  mostOff: 'most of the old medium comes off, a middling disturbance',
  bareRoot: 'the roots are bared, a strong disturbance',
} as const;

/** Why this is, or is not, the moment, in words. */
export function readinessFactors(frame: Frame, signals: Signals): ReadinessFactor[] {
  const { situation, season, monthsInPot } = frame;
  const factors: ReadinessFactor[] = [];
  const now = season.readiness[0]!;
  const window = nextWindow(season, situation.date);
  if (now >= WINDOW_READINESS) {
    factors.push({
      factor: 'season',
      sense: 'good',
      text: `in its growing window: ${percent(season.activity[0]!)} of full growth here now`,
    });
  } else if (window) {
    factors.push({
      factor: 'season',
      sense: 'poor',
      text: `outside its growing window: readiness ${percent(now)} of full; it opens in the week of`,
      date: window.from,
    });
  } else {
    factors.push({
      factor: 'season',
      sense: 'poor',
      text: 'this spot is too dark or too cool for a clear growing window',
    });
  }
  if (signals.newRootTips === 'starting') {
    factors.push({
      factor: 'newRootTips',
      sense: 'good',
      text: 'new root tips are just starting: the best moment, for about three weeks',
    });
  } else if (signals.newRootTips === 'long') {
    factors.push({
      factor: 'newRootTips',
      sense: 'poor',
      text: 'new roots are long already and break easily',
    });
  }
  if (signals.bloom === 'bud' || signals.bloom === 'open') {
    const much = situation.traits.bloomMatters >= 0.5;
    factors.push({
      factor: 'bloom',
      sense: much ? 'poor' : 'plain',
      text: much
        ? 'it is in bud or bloom, and would drop it'
        : 'it is in bud or bloom, which matters little in this plant',
    });
  } else if (signals.bloom === 'fading') {
    factors.push({ factor: 'bloom', sense: 'plain', text: 'its bloom is just fading' });
  }
  if (signals.resting === true) {
    factors.push({ factor: 'resting', sense: 'poor', text: 'it rests: roots do not mend now' });
  }
  if (signals.justArrived === true) {
    factors.push({
      factor: 'justArrived',
      sense: 'poor',
      text: 'it has just arrived and is still settling in',
    });
  }
  if (signals.coldHurt === true) {
    factors.push({
      factor: 'coldHurt',
      sense: 'poor',
      text: 'cold has hurt it: wait until it is plain what lives',
    });
  }
  if (isThirsty(signals)) {
    factors.push({ factor: 'limp', sense: 'poor', text: 'it is limp: water it first' });
  } else if (signals.limp === true) {
    factors.push({
      factor: 'limp',
      sense: 'plain',
      text:
        signals.coldHurt === true
          ? 'it is limp from cold: water would not help it'
          : 'it is limp though wet: water would not help it',
    });
  }
  if (monthsInPot !== null && monthsInPot * 4.35 < 2 * RECENT_REPOT_WEEKS) {
    factors.push({
      factor: 'justRepotted',
      sense: 'poor',
      text: `repotted ${Math.max(0, Math.round(monthsInPot * 4.35))} weeks ago`,
    });
  }
  factors.push({ factor: 'work', sense: 'plain', text: WORK_WORDS[frame.work] });
  return factors;
}
