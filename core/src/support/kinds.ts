import { OutOfRange } from '../number/outOfRange.ts';
import type { Section } from './section.ts';

/** A kind of support, with what it is made of and what it asks. */
export interface SupportKind {
  id: SupportKindId;
  label: string;
  /** roots can enter it, where it is kept damp */
  rooted: boolean;
  /** filled with long-fibre moss */
  moss: boolean;
  section: Section;
  /** of the solid, wet and dry; moss is worked out apart, kg/L */
  dryKgPerL: number;
  waterKgPerL: number;
  /** mesh or sheet round the moss, g per cm² of it */
  skinGPerCm2: number;
  /** share of its surface from which water leaves */
  exposed: number;
  /** kept damp for its own sake, wetted when the plant is watered, or never */
  wetting: 'constant' | 'withPlant' | 'never';
  /** for one watering of the pole */
  minutesAWatering: number;
  /** stems that are tied to one; absent: as many as its round has room for */
  carries?: number;
  /** tallest that it is any good for, cm */
  tallestCm: number;
  /** lengths commonly sold, cm */
  stockCm: readonly number[];
  source: string;
}

export const SUPPORT_KIND_IDS = [
  'mossMesh',
  'mossSheet',
  'coirPole',
  'barkPlank',
  'stake',
  'hoop',
  'trellis',
] as const;
export type SupportKindId = (typeof SUPPORT_KIND_IDS)[number];

const SOURCE = 'densities typical values, from memory; lengths, work: common practice, no source';

export const SUPPORT_KINDS: readonly SupportKind[] = [
  {
    id: 'mossMesh',
    label: 'mesh pole of damp moss',
    rooted: true,
    moss: true,
    section: { form: 'round', diameterCm: 7 },
    dryKgPerL: 0,
    waterKgPerL: 0,
    skinGPerCm2: 0.03,
    exposed: 0.6,
    wetting: 'constant',
    minutesAWatering: 2,
    tallestCm: 180,
    stockCm: [40, 60, 80, 100, 120],
    source: SOURCE,
  },
  {
    id: 'mossSheet',
    label: 'folded-sheet pole of damp moss',
    rooted: true,
    moss: true,
    section: { form: 'd', widthCm: 8 },
    dryKgPerL: 0,
    waterKgPerL: 0,
    skinGPerCm2: 0.06,
    exposed: 0.25,
    wetting: 'constant',
    minutesAWatering: 2,
    tallestCm: 180,
    stockCm: [40, 60, 80, 100, 120],
    source: SOURCE,
  },
  {
    id: 'coirPole',
    label: 'coir-wrapped pole',
    rooted: true,
    moss: false,
    section: { form: 'round', diameterCm: 4 },
    dryKgPerL: 0.25,
    waterKgPerL: 0.2,
    skinGPerCm2: 0,
    exposed: 0.7,
    wetting: 'withPlant',
    minutesAWatering: 1,
    tallestCm: 150,
    stockCm: [40, 60, 80, 100, 120],
    source: SOURCE,
  },
  {
    id: 'barkPlank',
    label: 'bark plank',
    rooted: true,
    moss: false,
    section: { form: 'flat', widthCm: 10, thicknessCm: 2 },
    dryKgPerL: 0.4,
    waterKgPerL: 0.12,
    skinGPerCm2: 0,
    exposed: 0.6,
    wetting: 'withPlant',
    minutesAWatering: 0.5,
    tallestCm: 120,
    stockCm: [40, 60, 90, 120],
    source: SOURCE,
  },
  {
    id: 'stake',
    label: 'plain stake',
    rooted: false,
    moss: false,
    section: { form: 'round', diameterCm: 1.2 },
    dryKgPerL: 0.55,
    waterKgPerL: 0,
    skinGPerCm2: 0,
    exposed: 0,
    wetting: 'never',
    minutesAWatering: 0,
    carries: 3,
    tallestCm: 240,
    stockCm: [45, 60, 90, 120, 150, 180],
    source: SOURCE,
  },
  {
    id: 'hoop',
    label: 'hoop',
    rooted: false,
    moss: false,
    section: { form: 'round', diameterCm: 0.6 },
    dryKgPerL: 2.5,
    waterKgPerL: 0,
    skinGPerCm2: 0,
    exposed: 0,
    wetting: 'never',
    minutesAWatering: 0,
    carries: 4,
    tallestCm: 60,
    stockCm: [30, 45, 60],
    source: SOURCE,
  },
  {
    id: 'trellis',
    label: 'trellis',
    rooted: false,
    moss: false,
    section: { form: 'flat', widthCm: 3, thicknessCm: 1 },
    dryKgPerL: 0.55,
    waterKgPerL: 0,
    skinGPerCm2: 0,
    exposed: 0,
    wetting: 'never',
    minutesAWatering: 0,
    carries: 6,
    tallestCm: 180,
    stockCm: [45, 60, 90, 120, 150],
    source: SOURCE,
  },
];

/** @throws RangeError for a kind that is not in the table */
export function supportKind(id: string): SupportKind {
  const found = SUPPORT_KINDS.find((kind) => kind.id === id);
  if (!found) throw new OutOfRange(`support must be a known kind, got ${id}`);
  return found;
}
