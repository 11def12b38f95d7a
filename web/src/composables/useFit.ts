import {
  countedOf,
  coverOption,
  fitOf,
  isSettledPot,
  longerPole,
  piecesAllowed,
  piecesFault,
  placeOf,
  settledPlan,
  settledPots,
  startingChoices,
  stepsOf,
  waysOut,
  type FitShelf,
  type FitSubject,
  SCHOOLS,
  type Schools,
} from '@fernbank/core';
import { computed, reactive, watch, type Ref } from 'vue';
import type { Fitting, PlantFile } from '../api/types.ts';
import { isFree, optionsFor } from './fitOptions.ts';
import { usePantry } from '../stores/pantry.ts';
import { useExtraWords } from './extraWords.ts';
import { usePreparing } from './preparing.ts';

export const HORIZONS_MONTHS = [6, 12, 18, 24] as const;

/** The plant as the core fits it. */
function subjectOf(file: PlantFile): FitSubject {
  const { plant, situation, height, measurements } = file;
  const { supportKind: kind, supportSection: section, supportCm: lengthCm } = plant;
  return {
    situation,
    heightCm: height.cm,
    heights: measurements
      .filter((one) => one.kind === 'heightCm')
      .map(({ date, value }) => ({ date, cm: value })),
    log: file.water,
    potMaterial: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    support: lengthCm === null ? null : { kind, section, lengthCm },
    stems: plant.stems,
    wish: plant.supportWish,
  };
}

/** What it could be fitted with. */
function shelfOf(file: PlantFile, fitting: Fitting): FitShelf {
  const { covers, presentCover, supports, headroomCm } = fitting;
  return {
    pots: optionsFor(file, fitting),
    covers: covers.filter(isFree(fitting)).map(coverOption),
    presentCover: presentCover ? coverOption(presentCover) : null,
    supports,
    headroomCm,
  };
}

/**
 * A plant's fit as it follows from what is chosen, anew with every choice.
 *
 * @param only.mixed  it is taken out of a tub that is mixed for several plants
 * @param only.settled  nothing is chosen any more: the pot is the one that was settled on
 */
export function useFit(
  loaded: Readonly<Ref<{ file: PlantFile; fitting: Fitting }>>,
  only: { settled: boolean; mixed?: () => boolean } = { settled: false },
) {
  const store = usePantry();
  const subject = computed(() => subjectOf(loaded.value.file));
  const kept = loaded.value.fitting.plan?.fit ?? null;
  const all = computed(() => shelfOf(loaded.value.file, loaded.value.fitting));
  const settledOn = computed(() => (kept ? settledPots(all.value.pots, kept) : null));
  const shelf = computed(() =>
    only.settled && settledOn.value ? { ...all.value, pots: settledOn.value.pots } : all.value,
  );
  const choices = reactive(startingChoices(subject.value, kept, store.pantry));
  if (kept) {
    choices.picked = shelf.value.pots.find((option) => isSettledPot(option, kept))?.id ?? null;
    if (only.settled) choices.picked = shelf.value.pots[0]!.id;
  }
  watch(
    () => choices.recipeId,
    () => (choices.parts = null),
  );
  const fit = computed(() => fitOf(subject.value, shelf.value, { ...choices }, store.pantry));

  /** Why it cannot be divided so; empty: it can. */
  const piecesRefused = computed(
    () =>
      piecesFault(
        choices.pieces,
        subject.value.situation.traits,
        countedOf(choices),
        loaded.value.file.plant.together,
      ) ?? '',
  );
  const { preparing } = usePreparing();
  const { extraWords } = useExtraWords();
  /** Its mix was made as a batch of its potting day. */
  const inTub = computed(() => loaded.value.fitting.day?.mixedRecipe === choices.recipeId);
  const isMixed = computed(() => inTub.value || (only.mixed?.() ?? false));
  const dressing = computed(() => {
    const found = fit.value.extras.find(({ kind, leftOut }) => kind === 'topDressing' && !leftOut);
    return found ? extraWords(found) : null;
  });

  return {
    choices,
    steps: computed(() =>
      fit.value.rung
        ? stepsOf(fit.value, fit.value.rung, { dressing: dressing.value, mixed: isMixed.value })
        : [],
    ),
    inTub,
    extras: computed(() => fit.value.extras),
    /** What is soaked, rinsed and wetted before it is measured. */
    before: computed(() => preparing(fit.value.mixed.parts)),
    place: computed(() => placeOf(subject.value.situation)),
    mixed: computed(() => fit.value.mixed),
    ownParts: computed(() => fit.value.ownParts),
    mix: computed(() => fit.value.mix),
    newKind: computed(() => fit.value.newKind),
    ladder: computed(() => fit.value.ladder),
    rung: computed(() => fit.value.rung),
    plan: computed(() => fit.value.plan),
    supportFault: computed(() => fit.value.supportFault),
    advice: computed(() => fit.value.advice),
    climb: computed(() => fit.value.climb),
    horizonWeeks: computed(() => fit.value.horizonWeeks),
    grown: computed(() => fit.value.grown),
    standing: computed(() => fit.value.standing),
    stances: computed(() => fit.value.stances),
    remedies: computed(() => fit.value.remedies),
    settled: computed(() => settledPlan(fit.value)),
    /** the pot that was settled on is nowhere any more */
    gone: computed(() => settledOn.value?.gone === true),
    /** one piece instead of adding to one again and again */
    longer: computed(() => longerPole(fit.value, shelf.value, store.pantry)),
    /** where no pot will do as things are: what would make one good */
    waysOut: computed(() => waysOut(fit.value, shelf.value, store.pantry)),
    piecesRefused,
    allowed: computed(() =>
      piecesAllowed(
        subject.value.situation.traits,
        countedOf(choices),
        loaded.value.file.plant.together,
      ),
    ),
  };
}
export type Fit = ReturnType<typeof useFit>;

export const sizeSchools = Object.entries(SCHOOLS.size.options).map(([value, { label }]) => ({
  value: value as Schools['size'],
  label,
}));
