import { resolveTaxon } from '../../catalogue/index.ts';
import {
  decide,
  leadingReasons,
  type Decision,
  type Situation,
  type VerdictKind,
} from '../../decide/index.ts';
import { potLadder } from '../../fit/index.ts';
import { kindOfParts, recipe } from '../../media/index.ts';
import { blendOfRecipe } from '../../mixing/index.ts';
import type { PotMaterialId, PotShape } from '../../pots/index.ts';
import { addDays, daysBetween, DAYS_PER_MONTH, mondayOf } from '../../season/index.ts';
import { PLACES } from './places.ts';
import type { PanelPot } from './pots.ts';
import type { PanelSituation } from './situations.ts';
import { METRIC, spoken } from '../../saying/index.ts';

/** A pot of the panel's usual proportions. @param cm  inside width at the rim */
export const panelPot = (cm: number): PotShape => ({
  shape: 'round',
  topDiameterCm: cm,
  baseDiameterCm: 0.72 * cm,
  heightCm: 0.9 * cm,
});

export const traitsNamed = (taxon: string) => {
  const found = resolveTaxon(taxon);
  if (!found) throw new Error(`the panel names ${taxon}, which the catalogue lacks`);
  return found.traits;
};

const monthsBefore = (date: string, months: number) =>
  addDays(date, -Math.round(months * DAYS_PER_MONTH));

export function situationOf(given: PanelSituation | PanelPot): Situation {
  const { taxon, date, potCm, kind, months, signals } = given;
  const place = 'place' in given && given.place ? given.place : 'room';
  return {
    traits: traitsNamed(taxon),
    date,
    spot: PLACES[place],
    pot: panelPot(potCm),
    medium: { kind },
    lastRepot: months === null ? null : monthsBefore(date, months),
    signals,
    ...('school' in given && given.school ? { schools: { size: given.school } } : {}),
  };
}

/** Weeks from the Monday of the date to the week advised; null where none is. */
export const weekAdvised = ({ week }: Pick<Decision, 'week'>, date: string) =>
  week === null ? null : Math.round(daysBetween(mondayOf(date), week) / 7);

/** Whether a verdict is one of those accepted, in the words of `PanelSituation`. */
export function isAccepted(accepts: string, verdict: VerdictKind, week: number | null): boolean {
  return accepts.split(' | ').some((one) => {
    if (one === 'now') return verdict === 'repotNow';
    if (one === 'rescue') return verdict === 'rescueNow';
    if (one === 'refresh') return verdict === 'refreshOnly';
    if (one === 'leave') return verdict === 'leave';
    const [, from = '0', to] = /^(?:(\d+) to |by )(\d+)$/.exec(one) ?? [];
    if (to === undefined) throw new Error(`the panel accepts ${one}, which is no verdict`);
    const isIn = week !== null && week >= Number(from) && week <= Number(to);
    return isIn && (verdict === 'repotInWeek' || (verdict === 'repotNow' && Number(from) === 0));
  });
}

export interface Held {
  what: string;
  expected: string;
  got: string;
  met: boolean;
}

export function verdictHeld(given: PanelSituation): Held & { leads: boolean; leading: string[] } {
  const decision = decide(situationOf(given));
  const week = weekAdvised(decision, given.date);
  const leading = leadingReasons(decision, 3).map(({ signal }) => signal);
  return {
    what: `${given.taxon}: ${given.what}`,
    expected: given.accepts,
    got: decision.verdict + (week === null ? '' : ` ${week}`),
    met: isAccepted(given.accepts, decision.verdict, week),
    leads: given.leads === undefined || given.leads.includes(leading[0] ?? ''),
    leading,
  };
}

export interface Offered {
  label: string;
  outside: PotShape;
  material: PotMaterialId;
}

/** The pot chosen among those offered; null where all are refused. */
export function potChosen(
  situation: Situation,
  offered: readonly Offered[],
  mix: string,
  { cuts, heightCm = 30 }: Pick<PanelPot, 'cuts' | 'heightCm'>,
): { label: string; days: number } | null {
  const newKind = kindOfParts(recipe(mix).parts, (id) => id);
  const { rungs, choice } = potLadder({
    situation,
    options: offered.map((pot) => ({ id: pot.label, ...pot, source: 'free' })),
    mix: blendOfRecipe(mix),
    newKind,
    plantHeightCm: heightCm,
    ...(cuts ? { cuts } : {}),
  });
  const chosen = choice === null ? null : rungs[choice]!;
  return chosen && { label: spoken(chosen.option.label, METRIC), days: chosen.drying.growthDays };
}

export function potHeld(given: PanelPot): Held {
  const offered = given.offered.split(' ').map((label): Offered => ({
    label,
    outside: panelPot(Number.parseFloat(label)),
    material: label.endsWith('c') ? 'terracotta' : 'plastic',
  }));
  const chosen = potChosen(situationOf(given), offered, given.mix, given);
  const accepted = given.accepts.split(' ').filter(Boolean);
  const days = chosen?.days ?? null;
  const dries = !given.days || days === null || (days >= given.days[0] && days <= given.days[1]);
  return {
    what: `${given.taxon}: ${given.what}`,
    expected: `${given.accepts || 'none'}${given.days ? `, ${given.days.join('–')} days` : ''}`,
    got: `${chosen?.label ?? 'none'}${days === null ? '' : `, ${days.toFixed(1)} days`}`,
    met: (chosen ? accepted.includes(chosen.label) : accepted.length === 0) && dries,
  };
}
