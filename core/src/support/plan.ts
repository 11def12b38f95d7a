import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';
import { addDays, type IsoDate } from '../season/index.ts';
import type { Climb, ReachedOn } from './climb.ts';
import {
  keepingDamp,
  supportMaterial,
  type KeepingDamp,
  type SupportMaterial,
} from './material.ts';
import { supportKind, type SupportKind, type SupportKindId } from './kinds.ts';
import { checkSection, frontCm, perimeterCm, sectionAreaCm2, type Section } from './section.ts';
import { usableShare, type UsableShare } from './usable.ts';
import { say, type Saying } from '../saying/index.ts';

/** A length of support that there is or could be. */
export interface SupportStock {
  id: string;
  label: string;
  lengthCm: number;
  owned: boolean;
  /** made to stand on top of another */
  extension: boolean;
}

/** A piece put on top when the vine nears the end. */
export interface Extension {
  on: IsoDate | null;
  addsCm: number;
  /** top of the whole above the medium, with it */
  aboveCm: number;
  stock: SupportStock | null;
}

/** What stands in the pot, from now to the horizon. */
export interface SupportPlan {
  kind: SupportKind;
  section: Section;
  /** from the pot's floor to the top */
  lengthCm: number;
  depthCm: number;
  aboveCm: number;
  stock: SupportStock | null;
  /** taken off the stock length */
  cutOffCm: number;
  usable: UsableShare;
  reaches: ReachedOn;
  extensions: Extension[];
  /** poles beside each other, and stems on each */
  poles: number;
  stemsEach: number;
  /** of one pole */
  material: SupportMaterial;
  damp: KeepingDamp | null;
  /** heights above the medium where a stem is tied */
  tiesCm: number[];
  ties: number;
  fixing: Saying;
  /** length ended by the room above, not by the plant */
  limitedByRoom: boolean;
  because: Saying;
}

/** Wish and place for a plan. */
export interface SupportRequest {
  kind: SupportKindId;
  section?: Section;
  /** from the pot's floor (or its drainage layer) to the medium's surface */
  depthCm: number;
  /** height of that floor above the ground */
  floorCm: number;
  plantCm: number;
  climb: Climb;
  horizonWeeks: number;
  stock: readonly SupportStock[];
  /** height that the place has; null: nothing above */
  headroomCm?: number | null;
  stems?: number;
  /** between two nodes, cm */
  internodeCm?: number;
  /** of the spot in growth, kPa */
  vpdKPa?: number;
  /** the keeper's own wish for the length, instead of the plan's */
  lengthCm?: number;
}

/** Left above the tip at the horizon, cm. */
const TIP_ROOM_CM = 5;
/** Way round a pole that one stem takes, cm. @source common practice, no source */
const ROUND_PER_STEM_CM = 5;
const MOST_STEMS = 20;
const FIRST_TIE_CM = 6;
const TIE_EVERY_NODES = 2;
const INTERNODE_CM = 7;
/** Taller than this above the medium a pole is fixed to the pot. @source common practice, no source */
const FIX_FROM_CM = 60;
/** An extension goes on before the tip is at the top, days. */
const LEAD_DAYS = 14;
const EXTENSION_CM = 40;
const LEAST_EXTENSION_CM = 15;
/** Pieces are cut to whole steps. */
const ROUNDED_CM = 5;
/** A longer stock piece of one's own is cut down rather than a new one bought, up to so much waste. */
const MOST_CUT_SHARE = 0.35;
/** Shortest pole that holds anything, cm above the medium. */
const LEAST_ABOVE_CM = 10;
const DAYS_A_WEEK = 7;

/**
 * Plan of a support: how long, from which piece, when its top is reached, how
 * it is extended, filled, fixed and tied.
 *
 * @throws RangeError when the place is lower than the pot with the shortest support, or a size is impossible
 */
export function planSupport(request: SupportRequest): SupportPlan {
  const { depthCm, floorCm, plantCm, climb, headroomCm = null, stems = 1 } = request;
  const kind = supportKind(request.kind);
  const section = checkSection(request.section ?? kind.section);
  positive('depthCm', depthCm);
  within('stems', stems, 1, MOST_STEMS);
  within('plantCm', plantCm, 0, 1e4);
  const roomAboveCm = headroomCm === null ? Infinity : headroomCm - floorCm - depthCm;
  if (roomAboveCm < LEAST_ABOVE_CM) {
    throw new OutOfRange(
      `headroomCm of ${headroomCm} leaves ${Math.max(0, roomAboveCm).toFixed(0)} cm above the medium: too low for any support`,
    );
  }
  const horizon = climb.heightAt(request.horizonWeeks);
  const wanted = Math.max(horizon.cm, plantCm) + TIP_ROOM_CM;
  const most = Math.min(roomAboveCm, kind.tallestCm);
  const sized = request.lengthCm
    ? byWish(request.lengthCm, depthCm, roomAboveCm, request)
    : byHorizon(wanted, depthCm, most, request);
  const aboveCm = sized.lengthCm - depthCm;
  const poles = polesFor(kind, section, stems);
  const extensions = extensionsTo(Math.min(wanted, most), aboveCm, request);
  const damp = keepingDamp(kind.id, section, aboveCm, request.vpdKPa ?? USUAL_VPD_KPA);
  const tiesCm = tieHeights(Math.min(plantCm, aboveCm), request.internodeCm);
  return {
    kind,
    section,
    ...sized,
    depthCm,
    aboveCm,
    usable: kind.rooted
      ? usableShare(aboveCm, plantCm)
      : { fromCm: 0, usableCm: aboveCm, share: 1 },
    reaches: climb.reaches(aboveCm),
    extensions,
    poles,
    stemsEach: Math.ceil(stems / poles),
    material: supportMaterial(kind.id, section, sized.lengthCm),
    damp,
    tiesCm,
    ties: tiesCm.length * stems,
    fixing: fixingOf(aboveCm, sized.lengthCm),
    limitedByRoom: wanted > roomAboveCm,
    because: becauseOf(request, wanted, most, roomAboveCm),
  };
}

const USUAL_VPD_KPA = 1;

type Sized = Pick<SupportPlan, 'lengthCm' | 'stock' | 'cutOffCm'>;

/** Long enough for the horizon, from a piece of one's own where one will do. */
function byHorizon(
  wantedAboveCm: number,
  depthCm: number,
  mostAboveCm: number,
  { stock, kind }: SupportRequest,
): Sized {
  const wanted = depthCm + Math.max(LEAST_ABOVE_CM, Math.min(wantedAboveCm, mostAboveCm));
  const limit = depthCm + mostAboveCm;
  const pieces = stock.filter(({ extension }) => !extension);
  const own = pieces
    .filter(({ owned, lengthCm }) => owned && lengthCm >= wanted)
    .sort((a, b) => a.lengthCm - b.lengthCm)[0];
  const sold = soldPieces(kind);
  const bought = sold.find(({ lengthCm }) => lengthCm >= wanted);
  const longest = [...pieces.filter(({ owned }) => owned), ...sold].sort(
    (a, b) => b.lengthCm - a.lengthCm,
  )[0]!;
  const ownWaste = own ? 1 - wanted / own.lengthCm : 1;
  const stockPiece = own && (ownWaste <= MOST_CUT_SHARE || !bought) ? own : (bought ?? longest);
  // A piece is left whole where the room allows it: what is too long today is used next year.
  const lengthCm = Math.min(stockPiece.lengthCm, limit);
  return { lengthCm, stock: stockPiece, cutOffCm: stockPiece.lengthCm - lengthCm };
}

/** Pieces of a kind as they are sold. */
function soldPieces(kind: SupportKindId): SupportStock[] {
  return supportKind(kind).stockCm.map((lengthCm) => ({
    id: `buy-${kind}-${lengthCm}`,
    label: '',
    lengthCm,
    owned: false,
    extension: false,
  }));
}

/** The keeper's own length, from the shortest piece that gives it. */
function byWish(
  lengthCm: number,
  depthCm: number,
  roomAboveCm: number,
  { stock, kind }: SupportRequest,
): Sized {
  positive('lengthCm', lengthCm);
  if (lengthCm - depthCm > roomAboveCm + 1e-9) {
    throw new OutOfRange(
      `lengthCm of ${lengthCm.toFixed(0)} stands higher than the place has: at most ${(roomAboveCm + depthCm).toFixed(0)}`,
    );
  }
  if (lengthCm < depthCm + LEAST_ABOVE_CM) {
    throw new OutOfRange(
      `lengthCm must be at least ${(depthCm + LEAST_ABOVE_CM).toFixed(0)} to reach the pot's floor and hold anything, got ${lengthCm.toFixed(0)}`,
    );
  }
  const piece =
    [...stock, ...soldPieces(kind)]
      .filter((candidate) => !candidate.extension && candidate.lengthCm >= lengthCm)
      .sort((a, b) => Number(b.owned) - Number(a.owned) || a.lengthCm - b.lengthCm)[0] ?? null;
  return { lengthCm, stock: piece, cutOffCm: piece ? piece.lengthCm - lengthCm : 0 };
}

/** How many poles so many stems want: each has its stretch of the round, or is tied to a stake. */
export function polesFor(
  { carries }: Pick<SupportKind, 'carries'>,
  section: Section,
  stems: number,
): number {
  const each = carries ?? Math.max(1, Math.floor(perimeterCm(section) / ROUND_PER_STEM_CM));
  return Math.ceil(stems / each);
}

/** Pieces put on top until the horizon is reached, each two weeks before the tip is there. */
function extensionsTo(
  wantedAboveCm: number,
  startAboveCm: number,
  { climb, stock, horizonWeeks }: SupportRequest,
): Extension[] {
  const own = stock
    .filter(({ extension, owned }) => extension && owned)
    .sort((a, b) => a.lengthCm - b.lengthCm);
  const leadDays = Math.min(LEAD_DAYS, horizonWeeks * DAYS_A_WEEK);
  const extensions: Extension[] = [];
  let top = startAboveCm;
  while (wantedAboveCm - top > LEAST_EXTENSION_CM && extensions.length < 6) {
    const reached = climb.reaches(top).expected;
    const piece = own.shift() ?? null;
    const left = Math.ceil((wantedAboveCm - top) / ROUNDED_CM) * ROUNDED_CM;
    const adds = Math.min(piece?.lengthCm ?? EXTENSION_CM, left);
    top += adds;
    extensions.push({
      // Where the tip is there already, at once.
      on: reached && (reached <= climb.from ? climb.from : addDays(reached, -leadDays)),
      addsCm: adds,
      aboveCm: top,
      stock: piece,
    });
  }
  return extensions;
}

/** Ties sit just under every second node, from near the base to the tip. */
function tieHeights(heldCm: number, internodeCm = INTERNODE_CM): number[] {
  within('internodeCm', internodeCm, 0.3, 60);
  const step = Math.max(4, internodeCm * TIE_EVERY_NODES);
  const heights: number[] = [];
  for (let at = FIRST_TIE_CM; at <= heldCm; at += step) heights.push(at);
  return heights;
}

function fixingOf(aboveCm: number, lengthCm: number): Saying {
  if (aboveCm <= FIX_FROM_CM) return 'Press it to the pot’s floor and firm the medium round it';
  return say`Stand it on the floor first and fix it to the pot: wire or cable ties through two rim holes or a cross-bar; ${{ cm: lengthCm }} is too tall for medium alone`;
}

/** How high above the medium a plant stands: past its support, a vine hangs back from it. */
export function standsAtCm(plantCm: number, aboveCm: number): number {
  return Math.min(plantCm, aboveCm + HANGS_FROM_CM);
}
/** A shoot carries itself so far beyond its last tie, cm. @source common practice, no source */
const HANGS_FROM_CM = 15;

function becauseOf(
  { climb, plantCm, horizonWeeks, lengthCm }: SupportRequest,
  wanted: number,
  most: number,
  roomAboveCm: number,
): Saying {
  if (lengthCm) return 'the length you set';
  const months = Math.round(horizonWeeks / 4.35);
  const { cm } = climb.heightAt(horizonWeeks);
  if (climb.rate.cmPerMonth <= 0 || cm - plantCm < 1) {
    return say`it hardly grows: ${{ cm: plantCm }} now, and no more in ${months} months`;
  }
  const grown = say`${{ cm: plantCm }} now, about ${{ cm }} in ${months} months`;
  if (wanted > roomAboveCm)
    return say`${grown}; the place ends it at ${{ cm: roomAboveCm }} above the medium`;
  if (wanted > most) {
    return say`${grown}; no higher than ${{ cm: most }}: from there lead the tip down again, or cut it back`;
  }
  return grown;
}

/** Front width of a plan's poles together, for the drawing, cm. */
export const supportFrontCm = ({ section, poles }: Pick<SupportPlan, 'section' | 'poles'>) =>
  frontCm(section) * poles;

/** Room that the poles take in the medium, cm² of section. */
export const supportAreaCm2 = ({ section, poles }: Pick<SupportPlan, 'section' | 'poles'>) =>
  sectionAreaCm2(section) * poles;
