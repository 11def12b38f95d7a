import type { IsoDate } from '../season/index.ts';
import type { VerdictKind } from './optimum.ts';

/** The one word that every screen shows first of a plant, the most urgent first. */
export const HEADLINES = [
  'rescueNow',
  'repotNow',
  'unpotAndLook',
  'troubleshootFirst',
  'lookFirst',
  'repotInWindow',
  'refresh',
  'leave',
] as const;
export type Headline = (typeof HEADLINES)[number];

const OF_VERDICT: Record<VerdictKind, Headline> = {
  rescueNow: 'rescueNow',
  repotNow: 'repotNow',
  repotInWeek: 'repotInWindow',
  refreshOnly: 'refresh',
  leave: 'leave',
};

/** What may come before a verdict: nothing is known, the roots must be seen, the pot is unlikely to be it. */
interface Before {
  nothingKnown: boolean;
  rootsInDoubt: boolean;
  potUnlikely: boolean;
}

const NOTHING_BEFORE: Before = { nothingKnown: false, rootsInDoubt: false, potUnlikely: false };

/** What is said first: eyes come before hands, but nothing comes before a rescue. */
export function headlineOf(
  verdict: VerdictKind,
  { nothingKnown, rootsInDoubt, potUnlikely }: Before = NOTHING_BEFORE,
): Headline {
  if (nothingKnown) return 'lookFirst';
  if (verdict === 'rescueNow') return 'rescueNow';
  if (rootsInDoubt) return 'unpotAndLook';
  return potUnlikely ? 'troubleshootFirst' : OF_VERDICT[verdict];
}

/** What is needed of a decision, and of the keeper's own word against it, where that is in force. */
interface Said {
  decision: { headline: Headline; week: IsoDate | null };
  overrule: { instead: 'repotNow' | 'leave' } | null;
}

/**
 * Whether a plant is to have another pot. The keeper's own word goes before the verdict; what asks for
 * eyes first does not ask for a pot.
 *
 * @param by  at the latest on that day; absent: whenever its week comes
 */
export function wantsPot({ decision, overrule }: Said, by?: IsoDate): boolean {
  if (overrule) return overrule.instead === 'repotNow';
  const { headline, week } = decision;
  if (headline === 'rescueNow' || headline === 'repotNow') return true;
  return headline === 'repotInWindow' && (by === undefined || (week !== null && week <= by));
}
