import type {
  Cleaning,
  DayDate,
  DayProblem,
  LaidDay,
  Pace,
  Pin,
  SupportKindId,
} from '@fernbank/core';

/** What the API answers with of potting days. */

/** What a keeper asks of a potting day. */
export interface DayAsk {
  dates: DayDate[];
  hands: number;
  money: number | null;
  cleaning: Cleaning;
  tubL: number | null;
  nextChance: string;
  potPrice: number | null;
  pins: Pin[];
}
export interface Day extends DayAsk {
  id: number;
  rev: number;
  state: 'planning' | 'settled' | 'closed';
  plan: LaidDay | null;
  bought: { component: string }[];
  mixed: { mix: string; date: string }[];
  cut: { kind: SupportKindId }[];
  startedAt: Partial<Record<string, number>>;
  done: { plantId: number; repotId: number; minutes: number | null; at: string }[];
}
/** A plant that a day does not consider. */
export interface NotAsked {
  plant: number;
  name: string;
  text: string;
}
export interface DayProblemAnswer {
  problem: DayProblem;
  notAsked: NotAsked[];
  pace: Pace;
}
export type DayEvent =
  | { kind: 'begin'; date: string; at: number }
  | { kind: 'bought' | 'notBought'; component: string }
  | { kind: 'mixed' | 'notMixed'; mix: string; date: string }
  | { kind: 'cut' | 'notCut'; supportKind: SupportKindId };
