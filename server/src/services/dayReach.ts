import { addDays, gainOf, type FitPlan, type IsoDate } from '@fernbank/core';
import type { days } from '../db/days.ts';
import type { Judged, Judgement } from './judging.ts';

type DayRow = typeof days.$inferSelect;
export type DayAsk = Pick<DayRow, 'dates' | 'hands' | 'money' | 'cleaning' | 'nextChance' | 'pins'>;

/** A plant that a day does not consider, and why. */
export interface NotAsked {
  plant: number;
  name: string;
  text: string;
}

/** Which plants a day is chosen among, and why each other one is not considered. */
export function askedOf(
  { judgements, unjudged }: Pick<Judged, 'judgements' | 'unjudged'>,
  settled: ReadonlyMap<number, FitPlan>,
  ask: DayAsk,
  today: IsoDate,
): { asked: Judgement[]; notAsked: NotAsked[] } {
  const asking: Judgement[] = [];
  const notAsked: NotAsked[] = unjudged.map(({ plantId: plant, name }) => ({
    plant,
    name,
    text: 'it cannot be judged: something in its record does not hold',
  }));
  const leave = ({ file: { plant } }: Judgement, text: string) =>
    notAsked.push({ plant: plant.id, name: plant.name, text });
  for (const judgement of judgements) {
    const { plant } = judgement.file;
    const wish = ask.pins.some((pin) => pin.plant === plant.id && pin.kind !== 'notPot');
    const text = wish ? null : whyNot(judgement, settled.has(plant.id), ask);
    if (text === null) asking.push(judgement);
    else leave(judgement, text);
  }
  const { within, beyond } = withinReach(asking, settled, ask, today);
  for (const judgement of beyond) leave(judgement, BEYOND_REACH);
  return { asked: within, notAsked };
}

/** Why a plant does not come into question; null: it does. */
function whyNot(
  { decision, overrule, file }: Judgement,
  hasPlan: boolean,
  { dates }: DayAsk,
): string | null {
  if (overrule?.instead === 'leave' && overrule.until > dates[0]!.date) {
    return `you said to leave it until ${overrule.until}: ${overrule.reason}`;
  }
  if (overrule?.instead === 'repotNow' || hasPlan) return null;
  switch (decision.headline) {
    case 'rescueNow':
    case 'repotNow':
    case 'repotInWindow':
      return null;
    case 'lookFirst':
      return 'look at it first: nothing is known of it';
    case 'unpotAndLook':
      return 'slide it out and look at its roots first';
    case 'troubleshootFirst':
      return 'the pot is unlikely to be its trouble: find that first';
    case 'refresh':
      return 'a refresh is enough';
    case 'leave':
      return file.plant.lastRepot
        ? 'it is better left as it is'
        : 'nothing says that it wants another pot';
  }
}

/** Even a plug takes so long. @source common practice, no source */
const LEAST_MINUTES = 5;
/** So many more are considered as could be potted at the very most. */
const CHOICE = 2;
const FEWEST_CONSIDERED = 80;
const MOST_CONSIDERED = 400;
const BEYOND_REACH = 'others gain more, and the minutes do not suffice for more than those';

/** Those among which a day is chosen: all that is pinned or settled, then what gains most as long as there is room. */
function withinReach(
  asked: readonly Judgement[],
  settled: ReadonlyMap<number, FitPlan>,
  ask: DayAsk,
  today: IsoDate,
): { within: Judgement[]; beyond: Judgement[] } {
  const minutes = ask.hands * ask.dates.reduce((sum, date) => sum + date.minutes, 0);
  const room = Math.min(
    MOST_CONSIDERED,
    Math.max(FEWEST_CONSIDERED, Math.ceil((CHOICE * minutes) / LEAST_MINUTES)),
  );
  if (asked.length <= room) return { within: [...asked], beyond: [] };
  const pinned = new Set(ask.pins.map(({ plant }) => plant));
  const gain = ({ decision }: Judgement) => Math.max(...gainsOf(decision, ask, today));
  const chosen = new Set(
    asked.filter(({ file: { plant } }) => pinned.has(plant.id) || settled.has(plant.id)),
  );
  const others = asked
    .filter((judgement) => !chosen.has(judgement))
    .map((judgement) => ({ judgement, gain: gain(judgement) }))
    .sort((a, b) => b.gain - a.gain);
  for (const { judgement } of others.slice(0, Math.max(0, room - chosen.size))) {
    chosen.add(judgement);
  }
  return {
    within: asked.filter((one) => chosen.has(one)),
    beyond: asked.filter((one) => !chosen.has(one)),
  };
}

/** What a plant gains on each of the dates against the next chance. */
export function gainsOf(decision: Judgement['decision'], ask: DayAsk, today: IsoDate): number[] {
  return ask.dates.map(({ date }) => {
    // A day that has passed is judged as if it were today.
    const on = date < today ? today : date;
    const next = ask.nextChance > on ? ask.nextChance : addDays(on, 1);
    return gainOf(decision, today, on, next);
  });
}
