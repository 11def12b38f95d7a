import { HEADLINES, leadingReasons, seasonAhead, type IsoDate } from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import { heightOf } from './collection.ts';
import { judgedOn, type Judgement } from './judging.ts';

/** Every plant of a day, ranked by what waiting costs; those that cannot be judged beside them. */
export function verdictsOn(db: Db, date: IsoDate) {
  const { judgements, unjudged } = judgedOn(db, date);
  return { date, items: judgements.map(summaryOf).sort(byUrgency), unjudged };
}

/** A judgement that stands is summed up once. */
const summed = new WeakMap<Judgement, Summary>();
function summaryOf(judgement: Judgement): Summary {
  let known = summed.get(judgement);
  if (!known) summed.set(judgement, (known = summary(judgement)));
  return known;
}

/** What plants of one kind in one spot have in common on a day. */
const seasons = new Map<string, number[]>();
const MOST_SEASONS = 2000;
function readinessOf({ file }: Judgement): number[] {
  const { spot, traits, date } = file.situation;
  const key = JSON.stringify([date, spot, traits]);
  let known = seasons.get(key);
  if (!known) {
    if (seasons.size >= MOST_SEASONS) seasons.clear();
    known = seasonAhead(spot, traits, date, WEEKS_AHEAD).readiness.map((share) => short(share, 2));
    seasons.set(key, known);
  }
  return known;
}
/** The ribbon under a verdict. */
const WEEKS_AHEAD = 52;

/** As many digits as anyone could see: the list of a large house is long enough. */
const short = (value: number, digits = 4) => Number(value.toFixed(digits));
const shortOf = <T extends object>(given: T): T =>
  Object.fromEntries(
    Object.entries(given).map(([key, value]) => [
      key,
      typeof value === 'number' ? short(value) : (value as unknown),
    ]),
  ) as T;

function byUrgency(a: Summary, b: Summary): number {
  return (
    HEADLINES.indexOf(a.headline) - HEADLINES.indexOf(b.headline) ||
    b.costOfWaiting - a.costOfWaiting
  );
}

type Summary = ReturnType<typeof summary>;

/** What a list needs of the keeper's own word. */
function overruleInShort({ overrule }: Judgement) {
  if (!overrule) return null;
  const { instead, until, reason } = overrule;
  return { instead, until, reason };
}

function summary(judgement: Judgement) {
  const { file, decision } = judgement;
  const { plant, spot, taxon } = file;
  return {
    plantId: plant.id,
    name: plant.name,
    taxon: plant.taxon,
    common: taxon.common,
    spot: spot.name,
    pot: plant.pot,
    potMaterial: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    heightCm: heightOf(file).cm,
    growthForm: file.situation.traits.growthForm,
    supportCm: plant.supportCm,
    headline: decision.headline,
    week: decision.week,
    lookAgain: decision.lookAgain,
    group: taxon.group,
    groupLabel: taxon.groupLabel,
    overrule: overruleInShort(judgement),
    lookWorth: judgement.lookDue.worth,
    lookWhy: judgement.lookDue.why,
    bloom: decision.bloomWeeksLeft,
    now: decision.now,
    window: decision.window,
    states: shortOf(decision.states),
    costOfWaiting: short(decision.costOfWaiting),
    contradictions: decision.contradictions,
    reasons: leadingReasons(decision, 3).map(shortOf),
    readiness: readinessOf(judgement),
  };
}
