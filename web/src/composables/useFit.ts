import {
  OutOfRange,
  blend,
  climbAhead,
  CUTTING_START_CM,
  extendedSupport,
  fittedSteps,
  grownOutcomes,
  grownStanding,
  isGrown,
  keepingDamp,
  kindsFor,
  piecesAllowed,
  piecesFault,
  potLadder,
  meanTemperatureC,
  partsOf,
  potExtras,
  remedies,
  sectionCm2,
  settleSupport,
  SIZE_SCHOOLS,
  standingSupport,
  standsAtCm,
  unsupportedCm,
  stanceOf,
  supportKind,
  supportMode,
  swapPlace,
  usualHeadspaceCm,
  vpdAtYearEnd,
  wantsSupport,
  withoutAvoided,
  type Climb,
  type Component,
  type DrainageLayer,
  type FitRequest,
  type GrownOutcome,
  type GrownSchool,
  type Ladder,
  type Part,
  type PottedPlace,
  type RecipePart,
  type Remedy,
  type Rung,
  type SizeSchool,
  type Stance,
  type Standing,
  type Step,
  type SupportGoal,
  type SupportKindId,
  type SupportPlace,
  type SupportPlan,
  type SupportWanted,
} from '@fernbank/core';
import { computed, reactive, watch, type Ref } from 'vue';
import type { FitPlan, Fitting, PlantFile, SupportWish } from '../api/types.ts';
import { coverOption, isKept, optionsFor, shelfIdOf } from './fitOptions.ts';
import { usePantry } from '../stores/pantry.ts';
import { useSettings } from '../stores/settings.ts';
import { useExtraWords } from './extraWords.ts';
import { usePreparing } from './preparing.ts';
import { kindOfRecipe } from './figureWords.ts';

/** What a keeper can turn on the fit page. */
export interface FitChoices {
  size: SizeSchool;
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

export const HORIZONS_MONTHS = [6, 12, 18, 24] as const;
const WEEKS_A_MONTH = 4.348;

/** What is chosen before the keeper has turned anything: the plant's own plan, school and support. */
export function startingChoices(file: PlantFile, fitting: Fitting): FitChoices {
  const { plant, situation, height } = file;
  const { traits, signals, schools } = situation;
  const plan = fitting.plan?.fit;
  const wish = plant.supportWish;
  const climbs = wantsSupport(traits, height.cm);
  const outgrown = signals.vinePastSupport === true;
  const has = plant.supportCm !== null;
  return {
    size: plan?.size ?? schools?.size ?? 'oneUp',
    recipeId: plan?.recipeId ?? traits.recipe,
    parts: plan?.parts ?? null,
    layer: plan?.layer ?? usePantry().pantry.recipe(traits.recipe).extras.layer ?? 'screen',
    pieces: plan?.cuts.pieces ?? 1,
    rootsPruned: plan?.cuts.rootsPruned ?? false,
    growths: plan?.cuts.counted?.growths ?? null,
    countedRoots: plan?.cuts.counted?.roots ?? null,
    mound: plan?.mound ?? false,
    liveRoots: null,
    picked: null,
    supportMode: plan
      ? plan.support
        ? 'new'
        : has
          ? 'keep'
          : 'none'
      : supportMode({ has, outgrown, climbs }),
    goal: wish.goal ?? (traits.support === 'aerialRoots' ? 'largerLeaves' : 'tidy'),
    minutesPerWeek: wish.minutesPerWeek ?? null,
    stems: plant.stems,
    kind: plan?.support?.kind ?? null,
    acrossCm: null,
    school: wish.school ?? null,
    lengthCm: plan?.support?.lengthCm ?? null,
    wound: wish.wound ?? false,
    internodeCm: wish.internodeCm ?? null,
    horizonMonths: 12,
  };
}

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

interface Supported {
  plan: SupportPlan | null;
  /** why there is none, in words */
  fault: string;
}

/** A plant's fit as it follows from what is chosen: ladder, support, how it stands now and later. */
export function useFit(loaded: Readonly<Ref<{ file: PlantFile; fitting: Fitting }>>) {
  const choices = reactive(startingChoices(loaded.value.file, loaded.value.fitting));
  /** The plant as it is known, with what was found at the bench. */
  const file = computed((): PlantFile => {
    const { file: known } = loaded.value;
    if (choices.liveRoots === null) return known;
    const { situation } = known;
    const signals = { ...situation.signals, liveRoots: choices.liveRoots };
    return { ...known, situation: { ...situation, signals } };
  });
  const fitting = computed(() => loaded.value.fitting);
  const store = usePantry();
  const settings = useSettings();
  const place = computed((): PottedPlace => ({
    pot: file.value.situation.pot,
    airNeed: file.value.situation.traits.airNeed,
    drying: file.value.situation.traits.drying,
    temperatureC: meanTemperatureC(file.value.situation.spot),
  }));
  /** The mix for this pot: its recipe, or as it was swapped by hand; never what is avoided. */
  const mixed = computed(() => {
    const { pantry, priceOf } = store;
    const listed = choices.parts ?? pantry.recipe(choices.recipeId).parts;
    return withoutAvoided(partsOf(listed, pantry), pantry, swapPlace(place.value, priceOf));
  });
  const mix = computed(() => blend(mixed.value.parts));
  const ownParts = computed((): RecipePart[] | null => {
    const now = listedParts(mixed.value.parts);
    const recipe = store.pantry.recipe(choices.recipeId).parts;
    return JSON.stringify(now) === JSON.stringify(recipe) ? null : now;
  });
  watch(
    () => choices.recipeId,
    () => (choices.parts = null),
  );
  const options = computed(() => optionsFor(file.value, fitting.value));
  const newKind = computed(() =>
    choices.recipeId === file.value.plant.recipeId
      ? file.value.plant.mediumKind
      : kindOfRecipe(choices.recipeId, listedParts(mixed.value.parts)),
  );
  const heights = computed(() =>
    file.value.measurements
      .filter(({ kind }) => kind === 'heightCm')
      .map(({ date, value }) => ({ date, cm: value })),
  );
  const horizonWeeks = computed(() => Math.round(choices.horizonMonths * WEEKS_A_MONTH));
  const climbFrom = (heightCm: number): Climb => {
    const { spot, traits, date } = file.value.situation;
    return climbAhead({
      heightCm,
      heights: heights.value,
      spot,
      traits,
      date,
      wound: choices.wound,
    });
  };
  const climb = computed(() => climbFrom(file.value.height.cm));

  const request = computed((): FitRequest => {
    const { situation, height, plant, water } = file.value;
    const { covers, presentCover, headroomCm } = fitting.value;
    return {
      situation: { ...situation, schools: { ...situation.schools, size: choices.size } },
      options: options.value,
      mix: mix.value,
      newKind: newKind.value,
      plantHeightCm: height.cm,
      presentMaterial: plant.potMaterial,
      log: water,
      headroomCm,
      cuts: { pieces: choices.pieces, rootsPruned: choices.rootsPruned },
      layer: choices.layer,
      covers: [...covers, ...(presentCover ? [presentCover] : [])].map(coverOption),
      presentCover: presentCover ? coverOption(presentCover) : null,
    };
  });

  const wanted = computed((): SupportWanted => {
    const { plant } = file.value;
    const { kind, acrossCm, lengthCm, goal, minutesPerWeek, stems, internodeCm } = choices;
    const keeps = choices.supportMode === 'keep';
    return {
      keep: keeps
        ? { kind: plant.supportKind, section: plant.supportSection, lengthCm: plant.supportCm! }
        : null,
      kind,
      acrossCm,
      lengthCm,
      goal,
      minutesPerWeek,
      stems,
      internodeCm,
    };
  });
  const supportPlace = (depthCm: number, floorCm: number): SupportPlace => ({
    habit: file.value.situation.traits.support,
    plantCm: file.value.height.cm,
    climb: climb.value,
    horizonWeeks: horizonWeeks.value,
    vpdKPa: vpdKPaInGrowth.value,
    shelf: fitting.value.supports,
    headroomCm: fitting.value.headroomCm,
    depthCm,
    floorCm,
  });

  /** Support for a pot of this depth. */
  function supportedIn(depthCm: number, floorCm: number): Supported {
    if (choices.supportMode === 'none') return { plan: null, fault: '' };
    try {
      return { plan: settleSupport(wanted.value, supportPlace(depthCm, floorCm)), fault: '' };
    } catch (error) {
      if (error instanceof OutOfRange) return { plan: null, fault: error.message };
      throw error;
    }
  }

  const takenFrom = ({ rungs, choice }: Ladder): Rung | null =>
    rungs.find(({ option }) => option.id === choices.picked) ??
    (choice === null ? null : rungs[choice]!);
  const supportFor = (rung: Rung): Supported =>
    supportedIn(
      rung.fillHeightCm - rung.depth.layerCm,
      rung.option.outside.heightCm - rung.inside.heightCm + rung.depth.layerCm,
    );
  const withSupport = (plan: SupportPlan | null): Ladder =>
    potLadder({
      ...request.value,
      plantHeightCm: heightOn(plan, file.value.height.cm),
      ...(plan ? { support: standingSupport(plan) } : {}),
    });
  /** What holds on to a support stands no higher than that carries it. */
  const heightOn = (plan: SupportPlan | null, cm: number, aboveCm = plan?.aboveCm): number =>
    plan && wantsSupport(file.value.situation.traits, cm) ? standsAtCm(cm, aboveCm!) : cm;

  /** Pot and support depend on each other: the support is cut for the pot, which must carry it. */
  const fitted = computed(() => {
    const { pot } = file.value.situation;
    const first = withSupport(supportedIn(pot.heightCm - usualHeadspaceCm(pot), 0).plan);
    const taken = takenFrom(first);
    const ladder = taken ? withSupport(supportFor(taken).plan) : first;
    const rung = takenFrom(ladder);
    return { ladder, rung, ...(rung ? supportFor(rung) : { plan: null, fault: '' }) };
  });
  const ladder = computed(() => fitted.value.ladder);
  const rung = computed(() => fitted.value.rung);
  const plan = computed(() => fitted.value.plan);
  const vpdKPaInGrowth = computed(() => vpdAtYearEnd(file.value.situation.spot, 'warmest'));

  const advice = computed(() =>
    kindsFor(wanted.value, supportPlace(10, 0), plan.value?.aboveCm ?? 60),
  );
  const grown = computed((): GrownOutcome[] => {
    const at = plan.value;
    const { height, situation } = file.value;
    const rooting = at?.kind.rooted === true || situation.traits.support === 'aerialRoots';
    if (!at || choices.supportMode !== 'new' || !rooting) return [];
    if (!isGrown(at.aboveCm, height.cm)) return [];
    const moss = supportKind('mossSheet');
    const damp = keepingDamp('mossSheet', moss.section, at.aboveCm, vpdKPaInGrowth.value);
    return grownOutcomes({
      plantCm: height.cm,
      aboveCm: at.aboveCm,
      own: climb.value,
      cutting: climbFrom(CUTTING_START_CM),
      dampMinutes: damp?.minutesPerWeek ?? 0,
    });
  });

  const standing = computed(
    (): Standing | null =>
      rung.value && {
        ...rung.value.standing,
        ...(plan.value ? { support: standingSupport(plan.value) } : {}),
      },
  );
  const later = computed((): Standing | null => standing.value && atHorizon(standing.value));
  function atHorizon(now: Standing): Standing {
    const { headroomCm } = fitting.value;
    const { height, situation } = file.value;
    const lengthCm = climb.value.heightAt(horizonWeeks.value).cm;
    const aboveCm = plan.value?.extensions.at(-1)?.aboveCm ?? plan.value?.aboveCm;
    const heldCm = plan.value
      ? heightOn(plan.value, lengthCm, aboveCm)
      : unsupportedCm(situation.traits.growthForm, height.cm, lengthCm);
    return grownStanding(now, {
      lengthCm: plan.value ? heldCm : lengthCm,
      standsCm: headroomCm === null ? heldCm : Math.min(heldCm, headroomCm),
      support: plan.value ? extendedSupport(plan.value) : undefined,
    });
  }
  const stances = computed((): { now: Stance; later: Stance } | null =>
    standing.value && later.value
      ? { now: stanceOf(standing.value), later: stanceOf(later.value) }
      : null,
  );
  const remedied = computed((): Remedy[] => {
    if (!standing.value || !later.value || !stances.value || !rung.value) return [];
    const worse =
      stances.value.later.tipAngleDryDeg < stances.value.now.tipAngleDryDeg
        ? later.value
        : standing.value;
    return remedies(worse, rung.value.covers, ladder.value.rungs);
  });

  const counted = computed(() => ({ growths: choices.growths, roots: choices.countedRoots }));
  /** Why it cannot be divided so; empty: it can. */
  const piecesRefused = computed(
    () => piecesFault(choices.pieces, file.value.situation.traits, counted.value) ?? '',
  );
  const onMound = computed(() => choices.mound && newKind.value === 'moss');

  /** What is settled on, as it is kept. */
  const settled = computed((): FitPlan | null => {
    if (!rung.value) return null;
    const { option } = rung.value;
    const at = choices.supportMode === 'new' ? plan.value : null;
    return {
      pot: option.outside,
      potMaterial: option.material,
      potLabel: option.label,
      potId: shelfIdOf(option, file.value, fitting.value),
      potSource: option.source,
      ...(option.leftBy ? { leftBy: option.leftBy } : {}),
      recipeId: choices.recipeId,
      ...(ownParts.value ? { parts: ownParts.value } : {}),
      size: choices.size,
      layer: choices.layer,
      cuts: {
        pieces: choices.pieces,
        rootsPruned: choices.rootsPruned,
        ...(choices.pieces > 1 ? { counted: counted.value } : {}),
      },
      ...(onMound.value ? { mound: true } : {}),
      support: at && {
        kind: at.kind.id,
        section: at.section,
        lengthCm: at.lengthCm,
        stock: at.stock && {
          id: at.stock.owned ? Number(at.stock.id) : null,
          lengthCm: at.stock.lengthCm,
        },
        poles: at.poles,
      },
    };
  });

  const kept = fitting.value.plan?.fit;
  if (kept) {
    choices.picked =
      ladder.value.rungs.find(({ option }) => isKept(option, kept, fitting.value))?.option.id ??
      null;
  }

  /** What goes into the pot beside the mix. */
  const extras = computed(() =>
    rung.value
      ? potExtras(
          store.pantry.recipe(choices.recipeId).extras,
          store.pantry,
          sectionCm2(rung.value.inside, rung.value.fillHeightCm),
          rung.value.newMediumL,
        )
      : [],
  );
  const { preparing } = usePreparing();
  /** What is soaked, rinsed and wetted before it is measured. */
  const before = computed(() => preparing(mixed.value.parts));

  const { extraWords } = useExtraWords();
  /** What hands do, in order, from soaking the bark to the first water. */
  /** Its mix was made as a batch of its potting day. */
  const inTub = computed(() => fitting.value.day?.mixedRecipe === choices.recipeId);
  const steps = computed((): Step[] => {
    const at = choices.supportMode === 'new' ? plan.value : null;
    if (!rung.value || !stances.value) return [];
    const { situation, plant } = file.value;
    const dressing = extras.value.find(({ kind, leftOut }) => kind === 'topDressing' && !leftOut);
    return fittedSteps({
      situation,
      rung: rung.value,
      newKind: newKind.value,
      cuts: { pieces: choices.pieces, rootsPruned: choices.rootsPruned },
      layer: choices.layer,
      components: mixed.value.parts.map(({ ingredient }) => ingredient),
      potMaterial: plant.potMaterial,
      support: at,
      topDressing: dressing ? extraWords(dressing) : null,
      mound: onMound.value,
      mixed: inTub.value,
      wetKg: stances.value.now.wetKg,
      schools: {
        firstWater: plant.schools.firstWater ?? settings.current.firstWaterSchool,
        wetting: settings.current.wettingSchool,
        weakRoots: plant.schools.weakRoots ?? settings.current.weakRootSchool,
        rot: plant.schools.rot ?? settings.current.rotSchool,
        toPebbles: plant.schools.toPebbles ?? settings.current.toPebblesSchool,
      },
    });
  });

  return {
    choices,
    steps,
    inTub,
    extras,
    before,
    place,
    mixed,
    ownParts,
    mix,
    newKind,
    ladder,
    rung,
    plan,
    supportFault: computed(() => fitted.value.fault),
    advice,
    climb,
    horizonWeeks,
    grown,
    standing,
    stances,
    remedies: remedied,
    settled,
    piecesRefused,
    allowed: computed(() => piecesAllowed(file.value.situation.traits, counted.value)),
  };
}
export type Fit = ReturnType<typeof useFit>;

export const sizeSchools = Object.entries(SIZE_SCHOOLS).map(([value, { label }]) => ({
  value: value as SizeSchool,
  label,
}));

/** Parts as they are kept: by id. */
export const listedParts = (parts: readonly Part<Component>[]): RecipePart[] =>
  parts.map(({ ingredient, parts: amount }) => ({ component: ingredient.id, parts: amount }));
