import { HEADLINES, leadingReasons, type IsoDate } from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import { heightOf } from './collection.ts';
import { judgedOn, readinessAhead, type Judgement } from './judging.ts';

/** Every plant of a day, ranked by what waiting costs; those that cannot be judged beside them. */
export function verdictsOn(db: Db, date: IsoDate) {
  const { judgements, unjudged } = judgedOn(db, date);
  return { date, items: judgements.map(summary).sort(byUrgency), unjudged };
}

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
    refresh: decision.refresh,
    states: decision.states,
    costOfWaiting: decision.costOfWaiting,
    contradictions: decision.contradictions,
    reasons: leadingReasons(decision, 3),
    readiness: readinessAhead(judgement),
  };
}
