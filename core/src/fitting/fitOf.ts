import {
  coverIdOf,
  grownStanding,
  potLadder,
  remedies,
  stanceOf,
  unsupportedCm,
  type FitRequest,
  type Ladder,
  type Remedy,
  type Rung,
  type Stance,
  type Standing,
} from '../fit/index.ts';
import type { MediumKind, Pantry, RecipePart } from '../media/index.ts';
import { blend, potExtras, type Blend, type PotExtra } from '../mixing/index.ts';
import type { WaterUnder } from '../pebbles/index.ts';
import { OutOfRange } from '../number/outOfRange.ts';
import { sectionCm2, usualHeadspaceCm } from '../pots/index.ts';
import { fittedSteps, type Step } from '../procedures/index.ts';
import { vpdAtYearEnd, WEEKS_PER_MONTH } from '../season/index.ts';
import {
  climbAhead,
  extendedSupport,
  CUTTING_START_CM,
  grownOutcomes,
  isGrown,
  keepingDamp,
  kindsFor,
  settleSupport,
  standingSupport,
  standsAtCm,
  supportKind,
  wantsSupport,
  type Climb,
  type GrownOutcome,
  type KindAdvice,
  type SupportPlace,
  type SupportPlan,
  type SupportWanted,
} from '../support/index.ts';
import { countedOf, cutsOf, waterChosen, type FitChoices } from './choices.ts';
import { mixFor, newKindOf, ownPartsOf, type FittedMix } from './mix.ts';
import type { FitPlan } from './plan.ts';
import { placeOf, type FitShelf, type FitSubject } from './subject.ts';
import { say } from '../saying/index.ts';

/** A plant's fit as it follows from what is chosen: mix, pots side by side, support, how it stands. */
export interface Fit {
  subject: FitSubject;
  choices: FitChoices;
  mixed: FittedMix;
  /** parts that differ from what the recipe says; null: they are its own */
  ownParts: RecipePart[] | null;
  mix: Blend;
  newKind: MediumKind;
  ladder: Ladder;
  /** the pot that is taken: the keeper's, the best, or the least bad; null: none holds the plant */
  rung: Rung | null;
  /** the support it then has, kept or new; null: none */
  plan: SupportPlan | null;
  /** why there can be none, in words; empty: there can, or none is wanted */
  supportFault: string;
  /** kinds of support, the best first */
  advice: KindAdvice[];
  climb: Climb;
  horizonWeeks: number;
  /** ways with a damp pole for a plant that is grown; empty: the question does not arise */
  grown: GrownOutcome[];
  standing: Standing | null;
  /** today, and at the horizon */
  stances: { now: Stance; later: Stance } | null;
  remedies: Remedy[];
  onMound: boolean;
  /** what goes in beside the mix */
  extras: PotExtra[];
}

/** Kinds are compared for a support of this height while none is planned, cm. */
const COMPARED_AT_CM = 60;
/** … in a pot of this depth. */
const COMPARED_IN_CM = 10;

/**
 * Composes a fit: the one place where mix, avoidance, pot, support, stance and depths meet.
 *
 * Pot and support depend on each other: the support is cut for the pot, which must carry it. So the
 * ladder is judged twice where there is one.
 *
 * @throws RangeError for an impossible situation, an unknown recipe, or a shelf without any pot
 */
export function fitOf(
  known: FitSubject,
  shelf: FitShelf,
  choices: FitChoices,
  pantry: Pantry,
): Fit {
  const fit = composed(known, shelf, choices, pantry);
  const { plan } = fit;
  const suggested = choices.supportMode === 'new' && choices.lengthCm === null;
  if (!plan || !suggested || fit.ladder.choice !== null) return fit;
  // A support that no pot carries helps nobody: then as long a piece as one does.
  const shorter = plan.kind.stockCm.filter((cm) => cm < plan.lengthCm).sort((a, b) => b - a);
  for (const lengthCm of shorter) {
    const carried = composed(known, shelf, { ...choices, lengthCm }, pantry);
    if (carried.ladder.choice === null || !carried.plan) continue;
    const because = say`as long as a pot of this plant carries: ${{ cm: plan.lengthCm }} would tip it over`;
    return { ...carried, choices, plan: { ...carried.plan, because } };
  }
  return fit;
}

function composed(known: FitSubject, shelf: FitShelf, choices: FitChoices, pantry: Pantry): Fit {
  const subject = asFound(known, choices);
  const { situation, heightCm } = subject;
  const mixed = mixFor(
    choices.parts ?? pantry.recipe(choices.recipeId).parts,
    pantry,
    placeOf(situation),
  );
  const mix = blend(mixed.parts);
  const newKind = newKindOf(subject, choices, mixed.parts, pantry);
  const onMound = choices.mound && newKind === 'moss';
  const horizonWeeks = Math.round(choices.horizonMonths * WEEKS_PER_MONTH);
  const climb = climbFrom(subject, choices, heightCm);
  const wanted = wantedOf(subject, choices);
  const vpdKPa = vpdAtYearEnd(situation.spot, 'warmest');
  const placeIn = (depthCm: number, floorCm: number, mouthCm2: number | null): SupportPlace => ({
    habit: situation.traits.support,
    plantCm: heightCm,
    climb,
    horizonWeeks,
    vpdKPa,
    shelf: shelf.supports,
    headroomCm: shelf.headroomCm,
    depthCm,
    floorCm,
    mouthCm2,
  });
  const supportedIn = (depthCm: number, floorCm: number, mouthCm2: number) => {
    // A mound has no floor that a support could stand on.
    if (choices.supportMode === 'none' || onMound) return { plan: null, fault: '' };
    try {
      return { plan: settleSupport(wanted, placeIn(depthCm, floorCm, mouthCm2)), fault: '' };
    } catch (error) {
      if (error instanceof OutOfRange) return { plan: null, fault: error.message };
      throw error;
    }
  };
  const supportFor = ({ fillHeightCm, depth, option, inside }: Rung) =>
    supportedIn(
      fillHeightCm - depth.layerCm,
      option.outside.heightCm - inside.heightCm + depth.layerCm,
      sectionCm2(inside, fillHeightCm),
    );
  const request = { ...requestOf(subject, shelf, choices, mix, newKind), mound: onMound };
  const ladderWith = (plan: SupportPlan | null): Ladder =>
    potLadder({
      ...request,
      plantHeightCm: heightOn(plan, subject, heightCm),
      ...(plan ? { support: standingSupport(plan) } : {}),
    });
  const taken = ({ rungs, choice, leastBad }: Ladder): Rung | null =>
    rungs.find(({ option }) => option.id === choices.picked) ??
    rungs[choice ?? leastBad ?? -1] ??
    null;

  const presentFillCm = situation.pot.heightCm - usualHeadspaceCm(situation.pot);
  const inPresent = supportedIn(presentFillCm, 0, sectionCm2(situation.pot, presentFillCm));
  const first = ladderWith(inPresent.plan);
  const inFirst = taken(first);
  const ladder = inFirst && inPresent.plan ? ladderWith(supportFor(inFirst).plan) : first;
  const rung = taken(ladder);
  const { plan, fault } = rung ? supportFor(rung) : { plan: null, fault: inPresent.fault };

  const standing = rung && {
    ...rung.standing,
    ...(plan ? { support: standingSupport(plan) } : {}),
  };
  const later = standing && atHorizon(standing, { subject, shelf, plan, climb, horizonWeeks });
  const stances = standing && later ? { now: stanceOf(standing), later: stanceOf(later) } : null;
  return {
    subject,
    choices,
    mixed,
    ownParts: ownPartsOf(choices, mixed.parts, pantry),
    mix,
    newKind,
    ladder,
    rung,
    plan,
    supportFault: fault,
    advice: kindsFor(
      wanted,
      placeIn(COMPARED_IN_CM, 0, rung && sectionCm2(rung.inside, rung.fillHeightCm)),
      plan?.aboveCm ?? COMPARED_AT_CM,
    ),
    climb,
    horizonWeeks,
    grown: grownWays(subject, choices, plan, climb, vpdKPa),
    standing,
    stances,
    remedies:
      rung && standing && later && stances
        ? remedies(
            stances.later.tipAngleDryDeg < stances.now.tipAngleDryDeg ? later : standing,
            rung.covers,
            ladder.rungs,
          )
        : [],
    onMound,
    extras: rung
      ? potExtras(
          pantry.recipe(choices.recipeId).extras,
          pantry,
          sectionCm2(rung.inside, rung.fillHeightCm) * rung.pots,
          rung.newMediumL * rung.pots,
          situation.traits,
        )
      : [],
  };
}

/** The plant as it is known, with what was found at the bench. */
function asFound(subject: FitSubject, { liveRoots }: FitChoices): FitSubject {
  if (liveRoots === null) return subject;
  const { situation } = subject;
  return { ...subject, situation: { ...situation, signals: { ...situation.signals, liveRoots } } };
}

function requestOf(
  { situation, log, potMaterial, heightCm }: FitSubject,
  { pots, covers, presentCover, headroomCm }: FitShelf,
  choices: FitChoices,
  mix: Blend,
  newKind: MediumKind,
): FitRequest {
  return {
    situation: { ...situation, schools: { ...situation.schools, size: choices.size } },
    options: pots,
    mix,
    newKind,
    plantHeightCm: heightCm,
    presentMaterial: potMaterial,
    log,
    headroomCm,
    cuts: cutsOf(choices),
    layer: choices.layer,
    covers: [...covers, ...(presentCover ? [presentCover] : [])],
    presentCover,
    water: waterChosen(choices),
  };
}

function climbFrom(
  { situation: { spot, traits, date }, heights }: FitSubject,
  { wound }: FitChoices,
  heightCm: number,
): Climb {
  return climbAhead({ heightCm, heights: [...heights], spot, traits, date, wound });
}

function wantedOf({ support }: FitSubject, choices: FitChoices): SupportWanted {
  const { kind, acrossCm, lengthCm, goal, minutesPerWeek, stems, internodeCm } = choices;
  return {
    keep: choices.supportMode === 'keep' ? support : null,
    kind,
    acrossCm,
    lengthCm,
    goal,
    minutesPerWeek,
    stems,
    internodeCm,
  };
}

/** What holds on to a support stands no higher than that carries it. */
const heightOn = (
  plan: SupportPlan | null,
  { situation: { traits } }: FitSubject,
  cm: number,
  aboveCm = plan?.aboveCm,
): number => (plan && wantsSupport(traits, cm) ? standsAtCm(cm, aboveCm!) : cm);

function atHorizon(
  now: Standing,
  {
    subject,
    shelf: { headroomCm },
    plan,
    climb,
    horizonWeeks,
  }: {
    subject: FitSubject;
    shelf: FitShelf;
    plan: SupportPlan | null;
    climb: Climb;
    horizonWeeks: number;
  },
): Standing {
  const lengthCm = climb.heightAt(horizonWeeks).cm;
  const aboveCm = plan?.extensions.at(-1)?.aboveCm ?? plan?.aboveCm;
  const heldCm = plan
    ? heightOn(plan, subject, lengthCm, aboveCm)
    : unsupportedCm(subject.situation.traits.growthForm, subject.heightCm, lengthCm);
  return grownStanding(now, {
    lengthCm: plan ? heldCm : lengthCm,
    standsCm: headroomCm === null ? heldCm : Math.min(heldCm, headroomCm),
    support: plan ? extendedSupport(plan) : undefined,
  });
}

function grownWays(
  subject: FitSubject,
  choices: FitChoices,
  plan: SupportPlan | null,
  climb: Climb,
  vpdKPa: number,
): GrownOutcome[] {
  const { heightCm, situation } = subject;
  const rooting = plan?.kind.rooted === true || situation.traits.support === 'aerialRoots';
  if (!plan || choices.supportMode !== 'new' || !rooting) return [];
  if (!isGrown(plan.aboveCm, heightCm)) return [];
  const moss = supportKind('mossSheet');
  const damp = keepingDamp('mossSheet', moss.section, plan.aboveCm, vpdKPa);
  return grownOutcomes({
    plantCm: heightCm,
    aboveCm: plan.aboveCm,
    own: climb,
    cutting: climbFrom(subject, choices, CUTTING_START_CM),
    dampMinutes: damp?.minutesPerWeek ?? 0,
  });
}

/** A support that is new with this fit; one that is kept is no news. */
export const newSupport = ({ choices, plan }: Pick<Fit, 'choices' | 'plan'>): SupportPlan | null =>
  choices.supportMode === 'new' ? plan : null;

/**
 * What hands do, in order, from soaking the bark to the first water.
 *
 * @param rung  the pot it moves into
 * @param at.dressing  on the surface, in words with its amount
 * @param at.mixed  the mix stands ready in a tub
 */
export function stepsOf(
  fit: Fit,
  rung: Rung,
  { dressing = null, mixed = false }: { dressing?: string | null; mixed?: boolean } = {},
): Step[] {
  const { subject, choices } = fit;
  return fittedSteps({
    situation: subject.situation,
    rung,
    newKind: fit.newKind,
    cuts: cutsOf(choices),
    layer: choices.layer,
    components: fit.mixed.parts.map(({ ingredient }) => ingredient),
    potMaterial: subject.potMaterial,
    support: newSupport(fit),
    topDressing: dressing,
    mixed,
    wetKg: rung === fit.rung && fit.stances ? fit.stances.now.wetKg : rung.stance.wetKg,
  });
}

/** What is settled on, as it is kept; null: no pot will do. */
export function settledPlan(fit: Fit): FitPlan | null {
  if (!fit.rung) return null;
  const { option } = fit.rung;
  const { choices, ownParts } = fit;
  const at = newSupport(fit);
  return {
    pot: option.outside,
    potMaterial: option.material,
    potLabel: option.label,
    potId: option.potId ?? null,
    potSource: option.source,
    ...(option.leftBy ? { leftBy: option.leftBy } : {}),
    recipeId: choices.recipeId,
    ...(ownParts ? { parts: ownParts } : {}),
    size: choices.size,
    layer: choices.layer,
    cuts: { ...cutsOf(choices), ...(choices.pieces > 1 ? { counted: countedOf(choices) } : {}) },
    ...(fit.onMound ? { mound: true } : {}),
    ...(fit.rung.under ? { water: plannedWater(fit.rung.under) } : {}),
    support: at && plannedSupport(at),
  };
}

const plannedWater = ({ kind, vessel }: WaterUnder): NonNullable<FitPlan['water']> => ({
  kind,
  coverId: coverIdOf(vessel?.id),
});

/** A new support as it is kept, with the piece that it is cut from. */
export const plannedSupport = ({
  kind,
  section,
  lengthCm,
  poles,
  stock,
}: SupportPlan): NonNullable<FitPlan['support']> => ({
  kind: kind.id,
  section,
  lengthCm,
  stock: stock && { id: stock.owned ? Number(stock.id) : null, lengthCm: stock.lengthCm },
  poles,
});
