import {
  HEADLINES,
  leadingReasons,
  matchesVerdict,
  seasonAhead,
  verdictWord,
  wantsPot,
  type Headline,
  type IsoDate,
  type VerdictFaces,
  type VerdictFilter,
  type VerdictWord,
} from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import { drawnOf } from './collection.ts';
import { judgedOn, type Judgement, type Unjudged } from './judging.ts';

/** What part of the ranking is told: a large house has more plants than anyone reads at once. */
export interface VerdictsPart extends VerdictFilter {
  /** so many at most; absent: all of them */
  limit?: number | undefined;
  /** so many of those that match are passed over */
  from?: number | undefined;
  /** those that are to have another pot come first; absent: what waiting costs most */
  first?: 'toPot' | undefined;
}

export interface VerdictsOn {
  date: IsoDate;
  items: Summary[];
  /** how many match what was asked for; and how many plants there are */
  matching: number;
  total: number;
  /** what can be asked for */
  kinds: VerdictWord[];
  spots: string[];
  /** plants that cannot be judged, and why */
  unjudged: Unjudged[];
}

/** Every plant of a day, ranked by what waiting costs; those that cannot be judged beside them. */
export function verdictsOn(db: Db, date: IsoDate, part: VerdictsPart = {}): VerdictsOn {
  const { judgements, unjudged } = judgedOn(db, date);
  const { ranked, kinds, spots } = ranking(judgements);
  const { limit = Infinity, from = 0, first, ...filter } = part;
  const wanted = Object.values(filter).some(Boolean);
  const matching = wanted ? ranked.filter((one) => matchesVerdict(facesOf(one), filter)) : ranked;
  const inOrder = first === 'toPot' ? toPotFirst(matching) : matching;
  return {
    date,
    items: inOrder.slice(from, from + limit).map(summaryOf),
    matching: matching.length,
    total: judgements.length,
    kinds,
    spots,
    unjudged,
  };
}

/** Judgements that stand are ranked once, however many parts of the ranking are asked for. */
const rankings = new WeakMap<readonly Judgement[], ReturnType<typeof rank>>();
function ranking(judgements: readonly Judgement[]) {
  let known = rankings.get(judgements);
  if (!known) rankings.set(judgements, (known = rank(judgements)));
  return known;
}
function rank(judgements: readonly Judgement[]) {
  const ranked = [...judgements].sort(byUrgency);
  const kinds = [...new Set(ranked.map((one) => verdictWord(saidOf(one))))];
  const spots = [...new Set(judgements.map(({ file }) => file.spot.name))];
  return { ranked, kinds, spots };
}

const saidOf = ({ decision, overrule }: Judgement) => ({ headline: decision.headline, overrule });

/** By what a plant is found on the list. */
function facesOf(judgement: Judgement): VerdictFaces {
  const { plant, spot, taxon } = judgement.file;
  return {
    ...saidOf(judgement),
    name: plant.name,
    taxon: plant.taxon,
    common: taxon.common,
    groupLabel: taxon.groupLabel,
    spot: spot.name,
  };
}

function toPotFirst(ranked: readonly Judgement[]): Judgement[] {
  const toPot = new Set(ranked.filter((one) => wantsPot(one)));
  return [...toPot, ...ranked.filter((one) => !toPot.has(one))];
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

const RANK = Object.fromEntries(HEADLINES.map((headline, i) => [headline, i])) as Record<
  Headline,
  number
>;
const byUrgency = ({ decision: a }: Judgement, { decision: b }: Judgement): number =>
  RANK[a.headline] - RANK[b.headline] || b.costOfWaiting - a.costOfWaiting;

export type Summary = ReturnType<typeof summary>;

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
    ...drawnOf(file),
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
