import { coverOptionId, type DrainageLayer, type RootCuts } from '../fit/index.ts';
import { recipeOfKind, type Pantry, type RecipePart } from '../media/index.ts';
import type { PebbleSetupKind } from '../pebbles/index.ts';
import type { Countable } from '../tray/index.ts';
import {
  supportMode,
  wantsSupport,
  type GrownSchool,
  type SupportGoal,
  type SupportKindId,
} from '../support/index.ts';
import type { FitPlan } from './plan.ts';
import type { FitSubject, SupportWish } from './subject.ts';
import { USUAL_SCHOOLS, type Schools } from '../schools/index.ts';

/** What a keeper can turn when a plant is fitted. */
export interface FitChoices {
  size: Schools['size'];
  recipeId: string;
  /** mixed otherwise for this pot; null: as its recipe has it */
  parts: RecipePart[] | null;
  layer: DrainageLayer;
  pieces: number;
  rootsPruned: boolean;
  /** growths and live roots to divide by; null: not counted */
  growths: number | null;
  countedRoots: number | null;
  /** seated on an upturned net pot, wrapped in moss */
  mound: boolean;
  /** pebbles: how they stand over their water, and in which vessel; null: as suits */
  waterKind: PebbleSetupKind | null;
  /** id of a free cover; `found`: none of the keeper's */
  vessel: string | null;
  /** share of the roots found alive at the bench, 0 … 1; null: as last seen */
  liveRoots: number | null;
  /** id of the pot taken by hand; null: the ladder's own choice */
  picked: string | null;
  supportMode: 'keep' | 'new' | 'none';
  goal: SupportGoal;
  minutesPerWeek: number | null;
  stems: number;
  /** null: the kind that is advised */
  kind: SupportKindId | null;
  /** width across or diameter, cm; null: as usual */
  acrossCm: number | null;
  /** what is done about a damp pole for a plant that is grown; null: not decided */
  school: GrownSchool | null;
  /** null: as long as the plan asks */
  lengthCm: number | null;
  wound: boolean;
  internodeCm: number | null;
  horizonMonths: number;
}

/** So far ahead a support is planned until the keeper says otherwise. */
const HORIZON_MONTHS = 12;

/**
 * What is chosen before the keeper has turned anything: what was settled on, else the plant's own
 * mix, school and support.
 */
export function startingChoices(
  subject: FitSubject,
  plan: FitPlan | null,
  pantry: Pick<Pantry, 'recipe'>,
): FitChoices {
  const { situation, wish } = subject;
  const { traits, signals, schools } = situation;
  const has = subject.support !== null;
  const suggested = supportMode({
    has,
    outgrown: signals.vinePastSupport === true,
    climbs: wantsSupport(traits, subject.heightCm),
  });
  const recipeId = plan?.recipeId ?? usualRecipe(subject);
  return {
    size: plan?.size ?? schools?.size ?? USUAL_SCHOOLS.size,
    recipeId,
    parts: plan?.parts ?? null,
    layer: plan?.layer ?? pantry.recipe(recipeId).extras.layer ?? 'screen',
    pieces: plan?.cuts.pieces ?? 1,
    rootsPruned: plan?.cuts.rootsPruned ?? false,
    growths: plan?.cuts.counted?.growths ?? null,
    countedRoots: plan?.cuts.counted?.roots ?? null,
    mound: plan?.mound ?? false,
    waterKind: plan?.water?.kind ?? null,
    vessel: plan?.water ? vesselOf(plan.water.coverId) : null,
    liveRoots: null,
    picked: null,
    supportMode: !plan ? suggested : plan.support ? 'new' : has ? 'keep' : 'none',
    goal: wish.goal ?? (growsLeaves(traits) ? 'largerLeaves' : 'tidy'),
    minutesPerWeek: wish.minutesPerWeek ?? null,
    stems: subject.stems,
    kind: plan?.support?.kind ?? null,
    acrossCm: null,
    school: wish.school ?? null,
    lengthCm: plan?.support?.lengthCm ?? null,
    wound: wish.wound ?? false,
    internodeCm: wish.internodeCm ?? null,
    horizonMonths: HORIZON_MONTHS,
  };
}

/**
 * Of those that cling the climbers of chunky mixes grow larger leaves on what is damp; ivies, figs and climbing
 * cacti only cling. @source common practice, no source
 */
const growsLeaves = ({ support, medium }: FitSubject['situation']['traits']): boolean =>
  support === 'aerialRoots' && medium === 'mix';

/** A vessel that is none of the shelf's. */
export const FOUND_VESSEL = 'found';

const vesselOf = (coverId: number | null) =>
  coverId === null ? FOUND_VESSEL : coverOptionId(coverId);

/** What was chosen of the water under pebbles, as the ladder takes it. */
export const waterChosen = ({ waterKind, vessel }: Pick<FitChoices, 'waterKind' | 'vessel'>) => ({
  ...(waterKind ? { kind: waterKind } : {}),
  ...(vessel === null ? {} : { vesselId: vessel === FOUND_VESSEL ? null : vessel }),
});

/** The mix of its kind; what stands in pebbles stays in them until the keeper says otherwise. */
const usualRecipe = ({ mediumKind, situation: { traits } }: FitSubject): string =>
  mediumKind === 'pebbles' ? recipeOfKind('pebbles').id : traits.recipe;

/** The wish that is kept with the plant. */
export function wishOf(choices: FitChoices): SupportWish {
  const { goal, minutesPerWeek, wound, internodeCm, school } = choices;
  return {
    goal,
    minutesPerWeek,
    wound,
    ...(internodeCm ? { internodeCm } : {}),
    ...(school ? { school } : {}),
  };
}

export const cutsOf = ({ pieces, rootsPruned }: FitChoices): RootCuts => ({ pieces, rootsPruned });
export const countedOf = ({ growths, countedRoots }: FitChoices): Countable => ({
  growths,
  roots: countedRoots,
});
