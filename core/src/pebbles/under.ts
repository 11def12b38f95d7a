import {
  baseRadiusCm,
  coverFit,
  footprintAt,
  hasCorners,
  insideOfMaterial,
  rimCm,
  usualHeadspaceCm,
  volumeBelowL,
  type PotFeatures,
  type PotMaterialId,
  type PotShape,
} from '../pots/index.ts';
import { SCHOOLS, type Schools } from '../schools/index.ts';
import type { Saying } from '../saying/index.ts';
import {
  DRY_TOP_CM,
  levelFor,
  PEBBLE_LIFT_CM,
  planPebbles,
  TOUCHES_CM,
  USABLE_SHARE,
  type PebbleRequest,
  type PebbleRoots,
  type PebbleSetup,
  type PebbleSetupKind,
} from './setup.ts';
import type { WickKind } from './wick.ts';

/** A vessel that could hold the water under a pot of pebbles. */
export interface Vessel {
  id: string;
  label: Saying;
  outside: PotShape;
  material: PotMaterialId;
  /** holes that were not counted: it is taken as tight */
  features?: Pick<PotFeatures, 'tone' | 'holes' | 'drain'>;
}

/** A pot of pebbles with its water: what is set up, in what, and how it is filled. */
export interface WaterUnder extends PebbleSetup {
  kind: PebbleSetupKind;
  /** null: none of the keeper's; one of `outer` is found, or none is needed */
  vessel: Vessel | null;
  /** inside of what holds the water, cm */
  outer: PotShape;
  inner: PotShape;
  /** from the vessel's floor to the pot's; for `holes` how high they are, cm */
  gapCm: number;
  wickKind: WickKind | null;
  /** from the pot's floor up to the wick's end, cm */
  wickInsideCm: number;
  roots: PebbleRoots;
  cautions: UnderCaution[];
}

/** What is to be done about a vessel, or known of it. */
export type UnderCaution =
  /** light reaches the water: algae */
  | 'wrapDark'
  /** so much water is hard to pour out: it needs a drain */
  | 'noDrain'
  /** the vessel that was chosen does not take this pot with water beneath it */
  | 'notInto'
  /** it asks for water every few days */
  | 'soonEmpty';

export interface UnderRequest extends Pick<PebbleRequest, 'usePerDayL' | 'winter' | 'roots'> {
  /** the plant's pot, outside and inside, cm */
  outside: PotShape;
  inside: PotShape;
  rootsL: number;
  /** the keeper's free vessels, and the one it stands in */
  vessels: readonly Vessel[];
  presentId?: string | null;
  /** what the keeper chose; absent: what suits */
  chosen?: { kind?: PebbleSetupKind | undefined; vesselId?: string | null | undefined };
}

/* Sizes and days below: common practice, no source. */
/** Water stands at least and at most so deep under an inner pot, cm. */
const GAP_CM = { least: 3, most: 12 } as const;
/** Holes of a pot without a vessel are made so high, cm. */
const HOLES_CM = 3;
/** A wick ends a third up in the pebbles, or so high that only their top stays dry. */
const WICK_UP_SHARE = 1 / 3;
/** More of one cord than this, and a stronger one is taken. */
const MOST_CORDS = { narrow: 3, wide: 6 } as const;
const WIDE_CM = 20;
/** So far up pebbles are damp where no wick lifts the water and the roots do not reach it yet. */
const DAMP_SHARE = 2 / 3;
/** Filled for about two weeks, never for more than three: water goes stale. */
const FILLING_DAYS = { wanted: 14, most: 21, found: 9, few: 5 } as const;
/** More than this is not tipped out by hand, L. */
const DRAIN_FROM_L = 8;
/** A vessel that is found is so much wider than the pot, cm. */
const ROUND_CM = [3, 5, 7, 10] as const;
const FOUND_GAPS_CM = [4, 6, 8, 10] as const;
const TAPER = 0.85;
const PLAY_CM = 0.3;
const GAP_STEP_CM = 0.5;
const CORDS: readonly WickKind[] = ['polyester', 'microfibre'];

/**
 * What a pot of pebbles stands over: the keeper's own vessel that serves it best, or the size to look for,
 * with water at a level that lasts about two weeks, and as many wicks as the plant drinks by.
 *
 * @throws RangeError for a use of nothing, or roots that leave no room for pebbles
 */
export function waterUnder(request: UnderRequest): WaterUnder {
  const { chosen = {}, vessels, presentId } = request;
  if (chosen.kind === 'holes') return inHoles(request);
  const own = vessels
    .filter(({ features, material }) => holdsWater(material, features?.holes))
    .flatMap((vessel) => over(request, vessel) ?? []);
  const wantedId = chosen.vesselId === undefined ? presentId : chosen.vesselId;
  const kept = own.find(({ vessel }) => vessel!.id === wantedId);
  if (kept) return kept;
  const [best] = chosen.vesselId == null ? [...own].sort(byServing) : [];
  const taken =
    best && chosen.vesselId !== null && best.summer.days >= FILLING_DAYS.few
      ? best
      : foundVessel(request);
  return chosen.vesselId ? { ...taken, cautions: ['notInto', ...taken.cautions] } : taken;
}

/** What may go from one filling to the next, in growth and in the dark months, L. */
export const usableWater = (fullL: number, winter: Schools['winter']) => ({
  growthL: USABLE_SHARE * fullL,
  restL: USABLE_SHARE * fullL * SCHOOLS.winter.options[winter].share,
});

/** Dark before light, then the one that lasts nearest to what is wanted, then the smaller. */
function byServing(one: WaterUnder, other: WaterUnder): number {
  const wrapped = ({ cautions }: WaterUnder) => Number(cautions.includes('wrapDark'));
  const short = ({ summer }: WaterUnder) => Math.max(0, FILLING_DAYS.wanted - summer.days);
  const size = ({ outer }: WaterUnder) => volumeBelowL(outer, outer.heightCm);
  return wrapped(one) - wrapped(other) || short(one) - short(other) || size(one) - size(other);
}

/**
 * A vessel of the keeper's, the pot raised in it by the least at which a filling lasts as long as is
 * wanted, or by the most there is; null: there is no room for water under it.
 */
function over(request: UnderRequest, vessel: Vessel): WaterUnder | null {
  const { outside, material } = vessel;
  const outer = insideOfMaterial(outside, material);
  let last: WaterUnder | null = null;
  if (!coverFit(request.outside, outside, material).fits) return null;
  for (let gapCm: number = GAP_CM.least; gapCm <= GAP_CM.most; gapCm += GAP_STEP_CM) {
    if (!coverFit(request.outside, outside, material, gapCm).fits) break;
    const at = setUp(request, outer, vessel, gapCm);
    if (last !== null && at.dampCm < last.dampCm) break;
    last = at;
    if (at.summer.days >= FILLING_DAYS.wanted) break;
  }
  return last;
}

/** What a round vessel has to take: a pot with corners is widest over them. */
function acrossCm(pot: PotShape): number {
  const { lengthCm, widthCm } = footprintAt(pot, pot.heightCm);
  return hasCorners(pot) ? 2 * Math.hypot(lengthCm, widthCm) : 2 * lengthCm;
}

/** The smallest round vessel that lasts: to look for in the house, or to buy. */
function foundVessel(request: UnderRequest): WaterUnder {
  const { outside } = request;
  const tried = ROUND_CM.flatMap((round) => FOUND_GAPS_CM.map((gap) => ({ round, gap }))).map(
    ({ round, gap }) => {
      const topDiameterCm = Math.ceil(acrossCm(outside) + round);
      const outer: PotShape = {
        shape: 'round',
        topDiameterCm,
        baseDiameterCm: Math.max(2 * (baseRadiusCm(outside) + PLAY_CM), TAPER * topDiameterCm),
        heightCm: Math.ceil(outside.heightCm + gap),
      };
      return setUp(request, outer, null, gap);
    },
  );
  const dampest = Math.max(...tried.map(({ dampCm }) => dampCm));
  const damp = tried.filter(({ dampCm }) => dampCm >= dampest - 0.5);
  return damp.find(({ summer }) => summer.days >= FILLING_DAYS.found) ?? damp.at(-1)!;
}

const inHoles = (request: UnderRequest): WaterUnder =>
  setUp(
    { ...request, chosen: { ...request.chosen, kind: 'holes' } },
    request.inside,
    null,
    Math.min(HOLES_CM, request.inside.heightCm / 3),
  );

function setUp(
  request: UnderRequest,
  outer: PotShape,
  vessel: Vessel | null,
  gapCm: number,
): WaterUnder {
  const { inside, rootsL, roots, usePerDayL, winter, chosen } = request;
  const shared = { inner: inside, outer, gapCm, roots, rootsL, usePerDayL, winter };
  const fillCm = inside.heightCm - usualHeadspaceCm(inside);
  const upCm = Math.max(WICK_UP_SHARE * fillCm, fillCm - PEBBLE_LIFT_CM - DRY_TOP_CM);
  const mostCords = rimCm(inside) < WIDE_CM ? MOST_CORDS.narrow : MOST_CORDS.wide;
  const wicked = CORDS.map((kind) => ({
    kind,
    setup: planPebbles({ ...shared, kind: 'wick', wick: { kind, insideCm: upCm } }),
  }));
  const fewEnough = wicked.find(
    ({ setup }) => setup.wick!.reaches && setup.wick!.count <= mostCords,
  );
  const kind = chosen?.kind ?? (fewEnough ? 'wick' : 'bucket');
  const cord = kind === 'wick' ? (fewEnough ?? wicked.at(-1)!) : null;
  const asked: PebbleRequest = {
    ...shared,
    kind,
    ...(cord ? { wick: { kind: cord.kind, insideCm: upCm } } : {}),
    ...(kind === 'bucket' && roots === 'short'
      ? { levelCm: gapCm + Math.max(TOUCHES_CM, DAMP_SHARE * fillCm - PEBBLE_LIFT_CM) }
      : {}),
  };
  const setup = notStale(asked, planPebbles(asked));
  const cautions: UnderCaution[] = [
    ...(vessel && isLit(vessel) ? (['wrapDark'] as const) : []),
    ...(setup.summer.litres > DRAIN_FROM_L && !vessel?.features?.drain
      ? (['noDrain'] as const)
      : []),
    ...(setup.summer.days < FILLING_DAYS.few ? (['soonEmpty'] as const) : []),
  ];
  return {
    ...setup,
    kind,
    vessel,
    outer,
    inner: inside,
    gapCm,
    wickKind: cord?.kind ?? null,
    wickInsideCm: cord ? upCm : 0,
    roots,
    cautions,
  };
}

/** Water seeps through these. */
const LEAKS: readonly PotMaterialId[] = ['terracotta', 'fabric', 'net'];
/** Holes that were not counted: it is taken as tight. */
export const holdsWater = (material: PotMaterialId, holes: number | null | undefined): boolean =>
  !holes && !LEAKS.includes(material);
/** Thin light plastic lets less through than a clear wall, and still enough for algae; a glaze lets none. */
const isLit = ({ features, material }: Vessel) =>
  features?.tone === 'clear' ||
  material === 'glass' ||
  (material === 'plastic' && features?.tone === 'light');

/** A wick drinks from any level: no more is poured in than three weeks' water. */
function notStale(asked: PebbleRequest, setup: PebbleSetup): PebbleSetup {
  if (asked.kind !== 'wick' || setup.summer.days <= FILLING_DAYS.most) return setup;
  const enoughL = (FILLING_DAYS.most * asked.usePerDayL.growth) / USABLE_SHARE;
  const levelCm = levelFor(enoughL, (cm) => volumeBelowL(asked.outer, cm), setup.summer.levelCm);
  return planPebbles({ ...asked, levelCm });
}
