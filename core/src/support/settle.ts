import type { Climb } from './climb.ts';
import { adviseSupport, type KindAdvice, type SupportGoal } from './advice.ts';
import { supportKind, type SupportKindId } from './kinds.ts';
import { planSupport, type SupportPlan, type SupportRequest, type SupportStock } from './plan.ts';
import type { Section } from './section.ts';
import type { Traits } from '../catalogue/index.ts';

/** A support of the keeper's own, not in use. */
export interface ShelvedSupport {
  id: number;
  label: string;
  kind: SupportKindId;
  section: Section;
  lengthCm: number;
  extension: boolean;
}

/** What is wanted of a support: to keep the one there is, or a new one. */
export interface SupportWanted {
  /** null: a new one */
  keep: { kind: SupportKindId | null; section: Section | null; lengthCm: number } | null;
  /** null: the kind that is advised */
  kind: SupportKindId | null;
  /** width across or diameter, cm; null: as usual */
  acrossCm: number | null;
  /** null: as long as the plan asks */
  lengthCm: number | null;
  goal: SupportGoal;
  minutesPerWeek: number | null;
  stems: number;
  /** null: usual */
  internodeCm: number | null;
}

/** Plant, pot and place that it is wanted for. */
export interface SupportPlace {
  habit: Traits['support'];
  plantCm: number;
  climb: Climb;
  horizonWeeks: number;
  /** of the spot in growth, kPa */
  vpdKPa: number;
  shelf: readonly ShelvedSupport[];
  headroomCm: number | null;
  depthCm: number;
  floorCm: number;
  /** section of the pot at its surface, cm²; null: not known yet */
  mouthCm2: number | null;
}

/** A kind that nobody named is taken for the lightest. */
const UNKNOWN_KIND = 'stake';
/** Kinds are compared for a support about this high, cm. */
const COMPARED_CM = { least: 20, most: 120 } as const;

/** Whether a plant keeps its support, wants a new one, or none. */
export function supportMode(plant: {
  has: boolean;
  outgrown: boolean;
  climbs: boolean;
}): 'keep' | 'new' | 'none' {
  if (plant.has && !plant.outgrown) return 'keep';
  return plant.climbs || plant.outgrown ? 'new' : 'none';
}

/** Kinds of support for a height above the medium, the best first. */
export function kindsFor(
  { goal, minutesPerWeek }: SupportWanted,
  { habit, plantCm, vpdKPa, mouthCm2 }: SupportPlace,
  aboveCm: number,
): KindAdvice[] {
  return adviseSupport({ goal, habit, plantCm, aboveCm, minutesPerWeek, vpdKPa, mouthCm2 });
}

/**
 * The support that a plant then has, from the keeper's own pieces where they do.
 *
 * @throws RangeError when the place is too low for any, or a wish cannot be
 */
export function settleSupport(wanted: SupportWanted, place: SupportPlace): SupportPlan {
  const { keep, stems, internodeCm, acrossCm } = wanted;
  const { climb, horizonWeeks, plantCm, vpdKPa, headroomCm, depthCm, floorCm } = place;
  const toCome = Math.max(climb.heightAt(horizonWeeks).cm, plantCm);
  const compared = Math.max(COMPARED_CM.least, Math.min(COMPARED_CM.most, toCome));
  const kind = keep
    ? (keep.kind ?? UNKNOWN_KIND)
    : (wanted.kind ?? kindsFor(wanted, place, compared)[0]!.kind.id);
  const own = place.shelf.filter((row) => row.kind === kind);
  const usual = supportKind(kind).section;
  const section = keep ? (keep.section ?? usual) : (own[0]?.section ?? usual);
  const stock = own.map(({ id, label, lengthCm, extension }): SupportStock => ({
    id: String(id),
    label,
    lengthCm,
    owned: true,
    extension,
  }));
  const lengthCm = keep ? keep.lengthCm : wanted.lengthCm;
  const request: SupportRequest = {
    kind,
    section: acrossCm && !keep ? withAcross(section, acrossCm) : section,
    depthCm,
    floorCm,
    plantCm,
    climb,
    horizonWeeks,
    stock,
    headroomCm,
    stems,
    vpdKPa,
    ...(internodeCm ? { internodeCm } : {}),
    ...(lengthCm ? { lengthCm } : {}),
  };
  return planSupport(request);
}

function withAcross(section: Section, cm: number): Section {
  return section.form === 'round' ? { ...section, diameterCm: cm } : { ...section, widthCm: cm };
}
