import type { Traits } from '../catalogue/index.ts';
import { freshIn, type Situation } from '../decide/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { Blend } from '../mixing/index.ts';
import {
  fillL,
  potMaterial,
  rimCm,
  sectionCm2,
  usualHeadspaceCm,
  volumeBelowL,
  type PotMaterialId,
  type PotShape,
} from '../pots/index.ts';
import {
  activityOnDay,
  dryingKPa,
  temperatureOn,
  type Spot,
  DAYS_PER_MONTH,
} from '../season/index.ts';
import { canopyTogether } from '../roots/index.ts';
import {
  daysToDry,
  ownUse,
  SPENT_BEFORE_WATER,
  STANDS_DRY_AT_REST,
  typicalUseG,
  type OwnUse,
  type WaterFindings,
} from '../water/index.ts';

/** Growth and thirst of the air in one month. */
export interface MonthPace {
  activity: number;
  vpdKPa: number;
}

/** How a pot is watered: when it has dried, before it ever does, or by filling its reservoir. */
export type Watering = 'dries' | 'keptWet' | 'filling';

/** Water that may go, and how fast it goes. */
export interface Drying {
  watering: Watering;
  /** held after draining, above what never comes out, or in the reservoir, L */
  heldL: number;
  /** share of it that may go before the next water */
  spentShare: number;
  /** how many times as long it is left at rest once dry: what is grown dry stands dry a while */
  standsAtRest: number;
  /** use at the height of growth and at rest, g a day */
  growthG: number;
  restG: number;
  /** days until the next water, at the height of growth */
  growthDays: number;
  /** … and at rest; null: it is kept dry then */
  restDays: number | null;
  /** … and in the middle of each month, January first; null: kept dry */
  byMonth: (number | null)[];
  /** at the height of growth, were the wall tight */
  tightDays: number;
}

/** A pot as far as drying goes. */
export interface DryingPot {
  traits: Traits;
  spot: Spot;
  /** inside and outside of the pot */
  inside: PotShape;
  outside: PotShape;
  material: PotMaterialId;
  mix: Blend;
  kind: MediumKind;
  fillHeightCm?: number;
  floorCm?: number;
  /** the pot that the present canopy was grown in; this one when absent */
  grownIn?: PotShape;
  /** share of its roots alive, 0 … 1 */
  live?: number;
  /** plants that share the pot; absent: one */
  together?: number;
  /** the plant's own use against the typical, by its log */
  ownFactor?: number;
  /** water that may go from one filling to the next, L; absent: as such pots usually have it */
  reservoir?: { growthL: number; restL: number };
}

/** A pot that its roots reach little of dries at most so many times later. @source common practice, no source */
const MOST_FOR_FEW_ROOTS = 1.6;
/** Share of the pot's litres that an outer pot of water under pebbles holds. @source common practice, no source */
const USUAL_RESERVOIR = 0.3;
/** Below this share of its fullest activity a plant that is kept dry at rest gets no water. */
const RESTS_BELOW = 0.45;
/** A mix that holds no more than this dries through and through. @source common practice, no source */
const DRIES_THROUGH = 0.34;
/** Longer than two months nobody leaves a plant that is watered at all. @source common practice, no source */
const MOST_DAYS = 60;
const LEAST = 1e-6;
/** Below this activity the dark months' level of a reservoir holds. @source common practice, no source */
export const WINTER_LEVEL_BELOW = 0.35;
/** An empty one in winter, its wick damp, is seen so often. @source common practice, no source: every few days */
export const WICK_EVERY_DAYS = 4;
/** Water that never comes out, as a share of the pores. */
const BOUND_SHARE = 0.05;

/** A spot's year as a plant meets it, month by month, January first. */
export function yearOf(spot: Spot, traits: Traits): MonthPace[] {
  return Array.from({ length: 12 }, (_, month) => {
    const day = Math.round(15 + month * DAYS_PER_MONTH);
    return {
      activity: activityOnDay(spot, traits, day).activity,
      vpdKPa: dryingKPa(temperatureOn(spot, day), spot.relativeHumidity),
    };
  });
}

/** Wall through which water leaves, as the open surface that would lose as much, cm². */
export function breathingCm2(pot: PotShape, fillCm: number, material: PotMaterialId): number {
  return potMaterial(material).wallEvaporation * Math.PI * rimCm(pot) * fillCm;
}

/** The months of most and of least use. */
export function yearEnds(
  year: readonly MonthPace[],
  waterUse: number,
): { growth: MonthPace; rest: MonthPace } {
  const use = ({ activity, vpdKPa: vpd }: MonthPace) =>
    typicalUseG({ surfaceCm2: 1, canopyCm2: 1, vpd, activity, waterUse });
  const byUse = [...year].sort((a, b) => use(a) - use(b));
  return { rest: byUse[0]!, growth: byUse[byUse.length - 1]! };
}

/** The part of a pot that its use of water follows from. */
export type UsingPot = Omit<DryingPot, 'mix' | 'kind' | 'floorCm' | 'reservoir'>;

/**
 * What a plant in a pot uses on a day at some pace, g; of its wall it may be told otherwise.
 *
 * @source typicalUseG; shares: common practice, no source
 */
export function useIn(pot: UsingPot): (pace: MonthPace, wallCm2?: number) => number {
  const { traits, spot, inside, material, live = 1, ownFactor = 1 } = pot;
  const fill = pot.fillHeightCm ?? inside.heightCm - usualHeadspaceCm(inside);
  const surfaceCm2 = sectionCm2(inside, fill);
  const rooted = sectionCm2(inside, inside.heightCm);
  const grownIn = pot.grownIn ?? inside;
  // Roots run into fresh mix within weeks: a pot just filled is used as one half-way to it.
  const closer = canopyTogether(pot.together);
  const canopy = Math.sqrt(sectionCm2(grownIn, grownIn.heightCm) * rooted) * live * closer;
  const wall = breathingCm2(pot.outside, fill, material);
  const useG = ({ activity, vpdKPa: vpd }: MonthPace, canopyCm2: number, wallCm2: number) =>
    ownFactor *
    typicalUseG({
      surfaceCm2,
      canopyCm2,
      vpd,
      activity,
      waterUse: traits.waterUse,
      wallCm2,
      windy: !spot.indoors,
    });
  // What few roots do not drink the surface still gives off.
  return (pace, wallCm2 = wall) =>
    Math.max(useG(pace, canopy, wallCm2), useG(pace, rooted, wallCm2) / MOST_FOR_FEW_ROOTS);
}

/**
 * How long a pot goes between waterings, over the year.
 *
 * @param year  as `yearOf` gives it
 * @source water held: the drained column; use: typicalUseG; shares: common practice, no source
 */
export function dryingIn(pot: DryingPot, year: readonly MonthPace[]): Drying {
  const { traits, inside, mix, kind } = pot;
  const fill = pot.fillHeightCm ?? inside.heightCm - usualHeadspaceCm(inside);
  const floorCm = pot.floorCm ?? 0;
  // A drainage layer holds no water for the plant.
  const litres = fillL(inside) - (floorCm > 0 ? volumeBelowL(inside, floorCm) : 0);
  const watering: Watering =
    kind === 'pebbles' ? 'filling' : traits.drying === 'wet' ? 'keptWet' : 'dries';
  const fresh = freshIn(mix, inside, fill, floorCm);
  const usualL = USUAL_RESERVOIR * litres;
  const { growthL, restL } = pot.reservoir ?? { growthL: usualL, restL: usualL };
  const heldL =
    watering === 'filling'
      ? growthL
      : Math.max(0.01, fresh.water - BOUND_SHARE * mix.totalPorosity) * litres;
  // A fine mix is dry on top long before its core is, and nobody waits for that.
  const reached = Math.min(1, DRIES_THROUGH / fresh.water);
  const spentShare =
    watering === 'filling'
      ? 1
      : SPENT_BEFORE_WATER[traits.drying] * (traits.drying === 'fullyDry' ? reached : 1);
  const use = useIn(pot);
  const { growth, rest } = yearEnds(year, traits.waterUse);
  const stands = ({ activity }: MonthPace) => {
    const resting = watering === 'dries' ? 1 - activity / Math.max(LEAST, growth.activity) : 0;
    return 1 + STANDS_DRY_AT_REST[traits.drying] * Math.max(0, resting);
  };
  const heldIn = ({ activity }: MonthPace) =>
    watering === 'filling' && activity < WINTER_LEVEL_BELOW ? restL : heldL;
  const days = (pace: MonthPace, wallCm2?: number) => {
    const held = heldIn(pace);
    // A reservoir that is left empty in winter has its wick felt, and a drop poured.
    if (held <= 0) return WICK_EVERY_DAYS;
    return Math.min(MOST_DAYS, stands(pace) * daysToDry(held, spentShare, use(pace, wallCm2)));
  };
  const isDry = ({ activity }: MonthPace) =>
    traits.dryRest && activity < RESTS_BELOW * growth.activity;
  const wanted = (pace: MonthPace) => (isDry(pace) ? null : days(pace));
  return {
    watering,
    heldL,
    spentShare,
    standsAtRest: stands(rest),
    growthG: use(growth),
    restG: use(rest),
    growthDays: days(growth),
    restDays: wanted(rest),
    byMonth: year.map(wanted),
    tightDays: days(growth, 0),
  };
}

type Standing = Pick<Situation, 'traits' | 'spot' | 'pot' | 'together' | 'learned'>;

/** A plant's own use against typical use of its present pot, by its log; null: that tells nothing yet. */
export function ownUseOfPresent(
  { traits, spot, pot, together }: Standing,
  log: Pick<WaterFindings, 'points'> | null,
  material: PotMaterialId = 'plastic',
): OwnUse | null {
  if (!log) return null;
  const fill = pot.heightCm - usualHeadspaceCm(pot);
  return ownUse(log, spot, traits, {
    surfaceCm2: sectionCm2(pot, fill),
    canopyCm2: sectionCm2(pot, pot.heightCm) * canopyTogether(together),
    wallCm2: breathingCm2(pot, fill, material),
  });
}

/** Use against the typical: by the plant's own log, else as its keeper's other plants were weighed. */
export const useFactorOf = ({ learned }: Pick<Situation, 'learned'>, own: OwnUse | null): number =>
  own?.factor ?? learned?.useFactor ?? 1;

/** The same of a plant as it stands, rooted through its own pot; by its own log where there is one. */
export function dryingOfPresent(
  present: Standing,
  mix: Blend,
  kind: MediumKind,
  material: PotMaterialId = 'plastic',
  log: Pick<WaterFindings, 'points'> | null = null,
  reservoir?: DryingPot['reservoir'],
): Drying & { own: OwnUse | null } {
  const { traits, spot, pot, together } = present;
  const own = ownUseOfPresent(present, log, material);
  const drying = dryingIn(
    {
      traits,
      spot,
      inside: pot,
      outside: pot,
      material,
      mix,
      kind,
      ...(together ? { together } : {}),
      ownFactor: useFactorOf(present, own),
      ...(reservoir ? { reservoir } : {}),
    },
    yearOf(spot, traits),
  );
  return { ...drying, own };
}
