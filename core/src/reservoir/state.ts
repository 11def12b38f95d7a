import { positive } from '../number/index.ts';
import { addDays, daysBetween, type IsoDate } from '../season/index.ts';
import { nextFlushDays, PH_USABLE } from '../solutions/index.ts';
import {
  flushDays,
  lastLevel,
  newest,
  ownThirst,
  typicalBetween,
  type OwnThirst,
  type ReservoirEvent,
} from './log.ts';
import { WICK_EVERY_DAYS, WINTER_LEVEL_BELOW } from '../fit/index.ts';
import { USABLE_SHARE } from '../pebbles/index.ts';
import { SCHOOLS, type Schools } from '../schools/index.ts';
import { say, type Saying } from '../saying/index.ts';

/** A plant over water, with all that is known of its reservoir. */
export interface ReservoirRequest {
  today: IsoDate;
  /** water at its mark in growth, L */
  fullL: number;
  events: readonly ReservoirEvent[];
  /** typical use of a plant in such a pot on a day, L */
  typicalPerDayL: (date: IsoDate) => number;
  /** of the season today, 0 … 1 */
  activity: number;
  school: Schools['flush'];
  winter: Schools['winter'];
  hasWick: boolean;
}

export const REMEDIES = {
  wickDry: {
    title: 'Its wick is dry: flush at once',
    remedy:
      'refilling is not enough, a dry wick lifts nothing: water from above until it runs out below, see that the wick is wet, then fill',
    urgent: true,
  },
  empty: {
    title: 'Its reservoir is empty: flush and fill it',
    remedy: 'dry pebbles draw water out of roots',
    urgent: true,
  },
  refill: {
    title: 'Fill its reservoir',
    remedy: 'nutrient solution at a pH of about 6, up to the mark',
    urgent: false,
  },
  checkWick: {
    title: 'Feel its wick',
    remedy: 'empty in winter is well, dry is not: wet it at once when it is',
    urgent: false,
  },
  flush: {
    title: 'Flush its reservoir',
    remedy: 'lukewarm water through the pebbles, pour it off, fill anew: it also brings air',
    urgent: false,
  },
  salt: {
    title: 'Rinse off the salt crust',
    remedy:
      'lukewarm water from above, about three times the pot, until no white is left; the next solution weaker',
    urgent: false,
  },
  ph: {
    title: 'Set its pH',
    remedy: 'to about 6: outside of it roots cannot take up what is in the water',
    urgent: false,
  },
  strong: {
    title: 'Its solution has grown too strong',
    remedy: 'the plant drank the water and left the salts: flush, fill with a weaker one',
    urgent: false,
  },
} as const;
export type RemedyId = keyof typeof REMEDIES;

/** Something that its reservoir asks for. */
export interface ReservoirAsk {
  id: RemedyId;
  title: string;
  why: Saying;
  remedy: string;
  urgent: boolean;
  due: IsoDate;
}

export interface ReservoirState {
  /** at its mark in this season, L */
  fullL: number;
  /** null: never filled or read, nothing is known */
  left: { litres: number; share: number; asOf: IsoDate } | null;
  perDayL: number;
  thirst: OwnThirst;
  emptyOn: IsoDate | null;
  daysLeft: number | null;
  winter: boolean;
  flush: { due: IsoDate; why: string; intervalDays: number } | null;
  ph: { filled: number | null; now: number; on: IsoDate } | null;
  ec: { filled: number | null; now: number; on: IsoDate } | null;
  asks: ReservoirAsk[];
}

/** The last of the water lies in corners. */
const EMPTY_SHARE = 1 - USABLE_SHARE;
/** Less than a drop. */
const NOTHING_L = 1e-6;
/** Asked to fill so many days before it is empty. */
const AHEAD_DAYS = 2;
/** A little wider than what roots can use before it asks: a pen drifts too. */
const PH_RANGE = { low: PH_USABLE.low - 0.3, high: PH_USABLE.high + 0.4 } as const;
/** @source common practice, no source: about twice a middling feed */
const EC_MOST = 2.2;
const EC_GROWN = 1.5;
const FIRST_INTERVAL_DAYS = 14;
/** A reading so soon after a flush tells the fresh solution. */
const FRESH_DAYS = 1;
/** A reservoir is not foreseen further than this. */
const FARTHEST_DAYS = 120;

/**
 * How a reservoir stands today and what it asks for.
 *
 * @throws RangeError for a reservoir or a use of nothing
 */
export function reservoirState(request: ReservoirRequest): ReservoirState {
  const { today, events, typicalPerDayL, activity, winter: school } = request;
  positive('fullL', request.fullL);
  const winter = activity < WINTER_LEVEL_BELOW;
  const fullL = request.fullL * (winter ? SCHOOLS.winter.options[school].share : 1);
  const thirst = ownThirst(events, typicalPerDayL);
  const use = (date: IsoDate) => positive('use', typicalPerDayL(date) * thirst.factor);
  const known = lastLevel(events);
  const left = known && leftNow(fullL, known, today, use);
  const daysLeft = left && daysUntilEmpty(left.litres - EMPTY_SHARE * fullL, today, use);
  const base = {
    fullL,
    left,
    perDayL: use(today),
    thirst,
    daysLeft,
    emptyOn: daysLeft === null ? null : addDays(today, daysLeft),
    winter,
    ph: readingOf(events, 'ph'),
    ec: readingOf(events, 'ec'),
    flush: flushOf(request, fullL, use(today)),
  };
  return { ...base, asks: asksOf(request, base) };
}

function leftNow(
  fullL: number,
  { on, share }: { on: IsoDate; share: number },
  today: IsoDate,
  use: (date: IsoDate) => number,
): NonNullable<ReservoirState['left']> {
  const litres = Math.max(0, fullL * share - typicalBetween(on, today, use));
  return { litres, share: litres / fullL, asOf: on };
}

function daysUntilEmpty(
  litres: number,
  today: IsoDate,
  use: (date: IsoDate) => number,
): number | null {
  let left = litres;
  for (let day = 0; day <= FARTHEST_DAYS; day++) {
    if (left <= NOTHING_L) return day;
    left -= use(addDays(today, day));
  }
  return null;
}

/** A reading with what the fresh solution read. */
function readingOf(events: readonly ReservoirEvent[], kind: 'ph' | 'ec') {
  const valueOf = (event: ReservoirEvent | null) =>
    event?.kind === 'ph' ? event.value : event?.kind === 'ec' ? event.msPerCm : null;
  const now = newest(events, kind);
  const value = valueOf(now);
  if (!now || value === null) return null;
  const flushed = flushDays(events).at(-1);
  const fresh = flushed
    ? events.find(
        (event) =>
          event.kind === kind &&
          event.date >= flushed &&
          daysBetween(flushed, event.date) <= FRESH_DAYS,
      )
    : undefined;
  return { filled: valueOf(fresh ?? null), now: value, on: now.date };
}

function flushOf(
  { events, school }: ReservoirRequest,
  fullL: number,
  perDayL: number,
): ReservoirState['flush'] {
  const days = flushDays(events);
  const last = days.at(-1);
  if (!last) return null;
  const before = days.at(-2);
  const ph = readingOf(events, 'ph');
  const { days: intervalDays, why } = nextFlushDays({
    school,
    lastIntervalDays: before
      ? Math.min(365, Math.max(1, daysBetween(before, last)))
      : FIRST_INTERVAL_DAYS,
    reservoirL: fullL,
    usePerDayL: perDayL,
    ...(ph && ph.filled !== null && ph.on > last ? { ph: { filled: ph.filled, now: ph.now } } : {}),
  });
  return { due: addDays(last, intervalDays), why, intervalDays };
}

/** Only the newest flush clears what was wrong before it. */
function asksOf(
  { today, events, hasWick, winter: winterSchool }: ReservoirRequest,
  state: Omit<ReservoirState, 'asks'>,
): ReservoirAsk[] {
  const { left, daysLeft, flush, ph, ec, winter } = state;
  const flushed = flushDays(events).at(-1) ?? null;
  const asks: ReservoirAsk[] = [];
  const ask = (id: RemedyId, why: Saying, due: IsoDate = today) =>
    asks.push({ id, ...REMEDIES[id], why, due });
  const wick = newest(events, 'wick');
  // A flush of the same day came after: that is what one does on finding it dry.
  if (wick && !wick.damp && (flushed === null || flushed < wick.date))
    ask('wickDry', say`found dry on ${{ day: wick.date }}`, wick.date);
  const emptyOnPurpose = winter && winterSchool === 'wickDamp' && hasWick;
  if (emptyOnPurpose) {
    const seen = wick?.date ?? null;
    if (seen === null || daysBetween(seen, today) >= WICK_EVERY_DAYS) {
      ask('checkWick', seen ? say`last felt on ${{ day: seen }}` : 'not felt yet this winter');
    }
  } else if (left && left.share <= EMPTY_SHARE + NOTHING_L) {
    ask('empty', say`by its use it was drunk up; last known full on ${{ day: left.asOf }}`);
  } else if (left && daysLeft !== null && daysLeft <= AHEAD_DAYS) {
    ask('refill', say`${{ litres: left.litres }} left, ${daysLeft} days of its use`);
  }
  const salt = newest(events, 'salt');
  if (salt && salt.crust === 'thick' && (flushed === null || flushed < salt.date)) {
    ask('salt', say`a thick crust on ${{ day: salt.date }}`, salt.date);
  }
  if (ec && ec.now > EC_MOST && (flushed === null || flushed < ec.on)) {
    ask('strong', say`${ec.now} mS/cm on ${{ day: ec.on }}, above ${EC_MOST}`, ec.on);
  } else if (ec && ec.filled !== null && ec.now > EC_GROWN * ec.filled && (flushed ?? '') < ec.on) {
    ask('strong', say`${ec.now} mS/cm on ${{ day: ec.on }}, ${ec.filled} when fresh`, ec.on);
  }
  if (ph && (ph.now < PH_RANGE.low || ph.now > PH_RANGE.high) && (flushed ?? '') <= ph.on) {
    ask(
      'ph',
      say`${ph.now} on ${{ day: ph.on }}, outside ${PH_RANGE.low.toFixed(1)}–${PH_RANGE.high.toFixed(1)}`,
      ph.on,
    );
  }
  const flushAsked = asks.some(({ id }) => ['wickDry', 'empty', 'strong'].includes(id));
  if (flush && flush.due <= today && !flushAsked) ask('flush', flush.why, flush.due);
  return asks.sort((a, b) => Number(b.urgent) - Number(a.urgent) || a.due.localeCompare(b.due));
}
