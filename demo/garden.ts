import type {
  MediumKind,
  PotMaterialId,
  PotTone,
  Section,
  Signals,
  SupportKindId,
  TradeShapeId,
} from '@fernbank/core';
import type { Habit } from './watering.ts';

/**
 * Marrow Quay Winter Garden: an invented glazed hall in a disused ferry
 * terminal at 54° N, kept by volunteers. Nothing here is real.
 */

const LATITUDE_DEG = 54;

/** Monthly means, °C, January first. */
export const SPOTS = [
  {
    name: 'Ticket hall',
    light: 'dim',
    temperatureC: [16, 16, 17, 18, 19, 20, 21, 21, 20, 18, 17, 16],
    relativeHumidity: 0.5,
    lampHours: 0,
  },
  {
    name: 'East glazing',
    light: 'bright',
    temperatureC: [13, 14, 16, 18, 20, 22, 23, 23, 20, 17, 15, 13],
    relativeHumidity: 0.55,
    lampHours: 0,
  },
  {
    name: 'Boiler landing',
    light: 'medium',
    temperatureC: [22, 22, 22, 22, 23, 24, 25, 25, 23, 22, 22, 22],
    relativeHumidity: 0.42,
    lampHours: 0,
  },
  {
    name: 'Slipway porch',
    light: 'sun',
    temperatureC: [5, 6, 8, 10, 13, 16, 18, 18, 15, 11, 8, 6],
    relativeHumidity: 0.7,
    lampHours: 0,
  },
  {
    name: 'Propagation shelf',
    light: 'medium',
    temperatureC: 21,
    relativeHumidity: 0.65,
    lampHours: 13,
    headroomCm: 48,
  },
] as const;
export type SpotName = (typeof SPOTS)[number]['name'];

export const spotRow = (spot: (typeof SPOTS)[number], sortOrder: number) => ({
  name: spot.name,
  sortOrder,
  latitudeDeg: LATITUDE_DEG,
  indoors: true,
  temperatureC: typeof spot.temperatureC === 'number' ? spot.temperatureC : [...spot.temperatureC],
  relativeHumidity: spot.relativeHumidity,
  light: spot.light,
  lampHours: spot.lampHours,
  headroomCm: 'headroomCm' in spot ? spot.headroomCm : null,
});

/** A kind of pot on the shelf: how many stand free, and what is odd about it. */
interface ShelfRow {
  label: string;
  rimCm: number;
  trade: TradeShapeId;
  material: PotMaterialId;
  free: number;
  soaking?: number;
  role?: 'cover';
  tone?: PotTone;
  holes?: number;
  reservoirL?: number;
  wicks?: number;
  hangs?: boolean;
}

export const SHELF: ShelfRow[] = [
  {
    label: 'black 10.5',
    rimCm: 10.5,
    trade: 'azalea',
    material: 'plastic',
    free: 9,
    tone: 'dark',
    holes: 6,
  },
  {
    label: 'black 13',
    rimCm: 13,
    trade: 'azalea',
    material: 'plastic',
    free: 6,
    tone: 'dark',
    holes: 6,
  },
  { label: 'clay 14', rimCm: 14, trade: 'standard', material: 'terracotta', free: 3, holes: 1 },
  {
    label: 'clear 15',
    rimCm: 15,
    trade: 'standard',
    material: 'plastic',
    free: 2,
    tone: 'clear',
    holes: 8,
  },
  {
    label: 'green 17',
    rimCm: 17,
    trade: 'azalea',
    material: 'plastic',
    free: 1,
    holes: 6,
  },
  { label: 'clay 19', rimCm: 19, trade: 'azalea', material: 'terracotta', free: 1, holes: 1 },
  {
    label: 'wick pot 18',
    rimCm: 18,
    trade: 'standard',
    material: 'plastic',
    free: 1,
    reservoirL: 0.6,
    wicks: 2,
    tone: 'light',
    holes: 4,
  },
  {
    label: 'black 21',
    rimCm: 21,
    trade: 'azalea',
    material: 'plastic',
    free: 1,
    soaking: 1,
    tone: 'dark',
    holes: 8,
  },
  { label: 'glazed 24', rimCm: 24, trade: 'azalea', material: 'glazed', free: 1, holes: 1 },
  {
    label: 'tub 30',
    rimCm: 30,
    trade: 'azalea',
    material: 'plastic',
    free: 2,
    tone: 'dark',
    holes: 8,
  },
  { label: 'seed pan 20', rimCm: 20, trade: 'pan', material: 'terracotta', free: 2, holes: 3 },
  { label: 'net pot 14', rimCm: 14, trade: 'standard', material: 'net', free: 4 },
  { label: 'ferry basket 30', rimCm: 30, trade: 'basket', material: 'net', free: 1, hangs: true },
  {
    label: 'blue cover 20',
    rimCm: 20,
    trade: 'standard',
    material: 'glazed',
    free: 1,
    role: 'cover',
    holes: 0,
  },
  {
    label: 'white cover 24',
    rimCm: 24,
    trade: 'standard',
    material: 'glazed',
    free: 1,
    role: 'cover',
    tone: 'light',
    holes: 0,
  },
];

/** Supports on the shelf. */
export const SUPPORTS: {
  label: string;
  kind: SupportKindId;
  section: Section;
  lengthCm: number;
  free: number;
  extension?: boolean;
}[] = [
  {
    label: 'coir 80',
    kind: 'coirPole',
    section: { form: 'round', diameterCm: 4 },
    lengthCm: 80,
    free: 2,
  },
  {
    label: 'moss sheet 60',
    kind: 'mossSheet',
    section: { form: 'd', widthCm: 8 },
    lengthCm: 60,
    free: 3,
  },
  {
    label: 'moss top-piece 40',
    kind: 'mossSheet',
    section: { form: 'd', widthCm: 8 },
    lengthCm: 40,
    free: 2,
    extension: true,
  },
  {
    label: 'cane 120',
    kind: 'stake',
    section: { form: 'round', diameterCm: 1.2 },
    lengthCm: 120,
    free: 8,
  },
  {
    label: 'cane 180',
    kind: 'stake',
    section: { form: 'round', diameterCm: 1.6 },
    lengthCm: 180,
    free: 3,
  },
  {
    label: 'driftwood plank',
    kind: 'barkPlank',
    section: { form: 'flat', widthCm: 11, thicknessCm: 2 },
    lengthCm: 90,
    free: 1,
  },
  {
    label: 'fan trellis 90',
    kind: 'trellis',
    section: { form: 'flat', widthCm: 3, thicknessCm: 1 },
    lengthCm: 90,
    free: 2,
  },
];

/** One plant of the garden, and what is odd about it. */
export interface GardenPlant {
  name: string;
  taxon: string;
  spot: SpotName;
  rimCm: number;
  trade?: 'standard' | 'azalea' | 'pan';
  material?: PotMaterialId;
  medium: MediumKind;
  recipe?: string;
  /** months since the last repot; null: unknown */
  repottedMonthsAgo: number | null;
  /** months between looks; 0: nobody looked */
  looksEvery?: number;
  heightCm?: number;
  supportCm?: number;
  supportKind?: SupportKindId;
  stems?: number;
  /** the cover pot of the shelf that it stands in */
  cover?: string;
  /** what the newest look found on top of what its roots and medium show */
  now?: Signals;
  /** days since that look */
  lookedDaysAgo?: number;
  note?: string;
  /** a log of weights: use against a leafy plant, and what became of use and holding over it */
  weighed?: Habit;
  /** heights are measured along the pole, from this one on */
  heightAtRepotCm?: number;
  /** the keepers' own word against a verdict */
  overruled?: { daysAgo: number; daysMore: number; reason: string };
}

export const PLANTS: GardenPlant[] = [
  {
    name: 'Turnstile',
    taxon: 'Nephrolepis exaltata',
    spot: 'Ticket hall',
    rimCm: 17,
    medium: 'peatSoil',
    repottedMonthsAgo: 24,
    heightCm: 48,
    now: { rootsAtHoles: 'every', driesSooner: true, smell: 'fresh' },
    lookedDaysAgo: 6,
    weighed: { use: 0.9, usesMore: 0.7, holdsLess: 0.22 },
  },
  {
    name: 'Wharfinger',
    taxon: 'Aspidistra elatior',
    spot: 'Ticket hall',
    rimCm: 21,
    medium: 'peatSoil',
    repottedMonthsAgo: 30,
    heightCm: 62,
    now: { rootsAtHoles: 'several', growth: 'slow', smell: 'fresh' },
    lookedDaysAgo: 70,
    note: 'Came with the building. Nobody wants to be the one who drops it.',
  },
  {
    name: 'Evening Watch',
    taxon: 'Maranta leuconeura',
    spot: 'Ticket hall',
    rimCm: 14,
    cover: 'blue cover 20',
    medium: 'peatSoil',
    recipe: 'leafMould',
    repottedMonthsAgo: 15,
    heightCm: 18,
    now: { waterRunsThrough: true, staysWetLonger: true, oldLeavesYellowing: true },
    lookedDaysAgo: 3,
  },
  {
    name: 'Driftwood',
    taxon: 'Asplenium nidus',
    spot: 'Ticket hall',
    rimCm: 19,
    medium: 'mix',
    repottedMonthsAgo: null,
    looksEvery: 0,
    note: 'Left on the steps one morning. No label.',
  },
  {
    name: 'Gangway',
    taxon: 'Davallia fejeensis',
    spot: 'East glazing',
    rimCm: 14,
    medium: 'bark',
    repottedMonthsAgo: 22,
    heightCm: 30,
    now: {
      rootsAtHoles: 'several',
      rootsOnTop: 'many',
      mediumSunk: true,
      growth: 'normal',
      smell: 'fresh',
    },
    lookedDaysAgo: 8,
    weighed: { use: 0.5, usesMore: 0, holdsLess: 0 },
  },
  {
    name: 'Semaphore',
    taxon: 'Platycerium bifurcatum',
    spot: 'East glazing',
    rimCm: 17,
    trade: 'pan',
    medium: 'moss',
    repottedMonthsAgo: 13,
    heightCm: 45,
    now: { algae: true, compacted: true, growth: 'slow' },
    lookedDaysAgo: 74,
  },
  {
    name: 'Purser',
    taxon: 'Begonia maculata',
    spot: 'East glazing',
    rimCm: 15,
    medium: 'peatSoil',
    recipe: 'leafMould',
    repottedMonthsAgo: 20,
    heightCm: 95,
    supportCm: 60,
    supportKind: 'stake',
    now: { rootsAtHoles: 'every', wobble: 'leans', growth: 'vigorous', newLeaves: 'smaller' },
    lookedDaysAgo: 5,
    weighed: { use: 1, usesMore: 0.6, holdsLess: 0.15 },
  },
  {
    name: 'Breakwater',
    taxon: 'Passiflora',
    spot: 'East glazing',
    rimCm: 21,
    medium: 'peatSoil',
    repottedMonthsAgo: 11,
    heightCm: 190,
    heightAtRepotCm: 30,
    supportCm: 90,
    supportKind: 'trellis',
    now: { vinePastSupport: true, rootsAtHoles: 'one', growth: 'vigorous' },
    lookedDaysAgo: 9,
    note: 'Sixty centimetres in a summer, then the pole ended.',
  },
  {
    name: 'Second Mate',
    taxon: 'Paphiopedilum',
    spot: 'East glazing',
    rimCm: 12,
    trade: 'standard',
    medium: 'bark',
    repottedMonthsAgo: 19,
    heightCm: 24,
    now: { bloom: 'open', smell: 'fresh', compacted: true },
    lookedDaysAgo: 10,
  },
  {
    name: 'Quickstep',
    taxon: 'Oncidium',
    spot: 'East glazing',
    rimCm: 13,
    trade: 'standard',
    medium: 'bark',
    repottedMonthsAgo: 23,
    heightCm: 32,
    now: {
      newRootTips: 'starting',
      growthAtWall: true,
      mediumSunk: true,
      compacted: true,
      smell: 'fresh',
    },
    lookedDaysAgo: 2,
  },
  {
    name: 'Harbour Master',
    taxon: 'Clivia miniata',
    spot: 'East glazing',
    rimCm: 24,
    material: 'glazed',
    medium: 'loam',
    repottedMonthsAgo: 38,
    heightCm: 55,
    now: { bloom: 'bud', rootsOnTop: 'many', rootsAtHoles: 'every', growth: 'normal' },
    lookedDaysAgo: 11,
    overruled: {
      daysAgo: 9,
      daysMore: 70,
      reason: 'it opens for the spring supper, and stays put until then',
    },
  },
  {
    name: 'Stair Lemon',
    taxon: 'Citrus limon',
    spot: 'East glazing',
    rimCm: 30,
    material: 'terracotta',
    medium: 'loam',
    repottedMonthsAgo: 21,
    heightCm: 120,
    now: { saltCrust: 'thick', growth: 'normal', rootsAtHoles: 'one' },
    lookedDaysAgo: 15,
  },
  {
    name: 'Pansy Locker',
    taxon: 'Miltoniopsis',
    spot: 'Boiler landing',
    rimCm: 12,
    trade: 'standard',
    medium: 'bark',
    repottedMonthsAgo: 26,
    heightCm: 30,
    now: {
      smell: 'sour',
      staysWetLonger: true,
      limp: true,
      rot: 'roots',
      liveRoots: 0.3,
      newLeaves: 'smaller',
    },
    lookedDaysAgo: 1,
    note: 'Watered by two people for a month.',
  },
  {
    name: 'Tidewrack',
    taxon: 'Cissus alata',
    spot: 'Boiler landing',
    rimCm: 17,
    medium: 'peatSoil',
    repottedMonthsAgo: 16,
    heightCm: 110,
    heightAtRepotCm: 35,
    supportCm: 120,
    supportKind: 'stake',
    now: { rootsAtHoles: 'several', growth: 'vigorous' },
    lookedDaysAgo: 14,
    weighed: { use: 1.1, usesMore: 0.55, holdsLess: 0.1 },
  },
  {
    name: 'Fletching',
    taxon: 'Syngonium podophyllum',
    spot: 'Boiler landing',
    rimCm: 14,
    medium: 'mix',
    repottedMonthsAgo: 1.65,
    heightCm: 70,
    supportCm: 80,
    supportKind: 'coirPole',
    stems: 2,
    now: { aerialRootsOutside: 'few', rootsAtHoles: 'none', growth: 'normal' },
    lookedDaysAgo: 28,
  },
  {
    name: 'Winter Lantern',
    taxon: 'Schlumbergera',
    spot: 'Boiler landing',
    rimCm: 13,
    medium: 'mix',
    repottedMonthsAgo: 15,
    heightCm: 16,
    now: { rootsAtHoles: 'every', growth: 'normal', smell: 'fresh' },
    lookedDaysAgo: 16,
    note: 'Full pot, flowers every December: leave it alone.',
  },
  {
    name: 'Old Stoker',
    taxon: 'Dicksonia antarctica',
    spot: 'Slipway porch',
    rimCm: 34,
    medium: 'peatSoil',
    recipe: 'leafMould',
    repottedMonthsAgo: 33,
    heightCm: 110,
    now: { rootsAtHoles: 'several', compacted: true, smell: 'fresh' },
    lookedDaysAgo: 82,
  },
  {
    name: 'Lamplighter',
    taxon: 'Jasminum polyanthum',
    spot: 'Slipway porch',
    rimCm: 17,
    medium: 'peatSoil',
    repottedMonthsAgo: 18,
    heightCm: 85,
    supportCm: 90,
    supportKind: 'hoop',
    now: { bloom: 'bud', rootsAtHoles: 'every', driesSooner: true },
    lookedDaysAgo: 7,
  },
  {
    name: 'Bilge Pump',
    taxon: 'Sarracenia',
    spot: 'Slipway porch',
    rimCm: 15,
    medium: 'peatSoil',
    recipe: 'bog',
    repottedMonthsAgo: 25,
    heightCm: 30,
    now: { resting: true, compacted: true, algae: true },
    lookedDaysAgo: 21,
  },
  {
    name: 'Foghorn',
    taxon: 'Hippeastrum',
    spot: 'Slipway porch',
    rimCm: 15,
    medium: 'loam',
    repottedMonthsAgo: 14,
    heightCm: 40,
    now: { resting: true, rootsAtHoles: 'one' },
    lookedDaysAgo: 86,
  },
  {
    name: 'Bollard',
    taxon: 'Crassula ovata',
    spot: 'Slipway porch',
    rimCm: 15,
    material: 'terracotta',
    medium: 'mineral',
    recipe: 'gritty',
    repottedMonthsAgo: 20,
    heightCm: 52,
    now: { wobble: 'topples', rootsAtHoles: 'none', growth: 'normal' },
    lookedDaysAgo: 13,
  },
  {
    name: 'Shingle',
    taxon: 'Sedum morganianum',
    spot: 'Propagation shelf',
    rimCm: 10.5,
    medium: 'mineral',
    recipe: 'gritty',
    repottedMonthsAgo: 8,
    heightCm: 8,
    now: { growth: 'normal', rootsAtHoles: 'none' },
    lookedDaysAgo: 40,
  },
  {
    name: 'Bosun',
    taxon: 'Streptocarpus',
    spot: 'Propagation shelf',
    rimCm: 12,
    medium: 'peatSoil',
    recipe: 'fineRoots',
    repottedMonthsAgo: 12,
    heightCm: 20,
    now: { saltCrust: 'some', bloom: 'fading', growth: 'slow' },
    lookedDaysAgo: 17,
  },
  {
    name: 'Deckhand',
    taxon: 'Begonia rex',
    spot: 'Propagation shelf',
    rimCm: 9,
    medium: 'peatSoil',
    recipe: 'leafMould',
    repottedMonthsAgo: 0.78,
    heightCm: 14,
    now: { growth: 'normal', wobble: 'no' },
    lookedDaysAgo: 20,
    weighed: { use: 0.8, usesMore: 0, holdsLess: 0 },
  },
  {
    name: 'Pilot Light',
    taxon: 'Ficus elastica',
    spot: 'Ticket hall',
    rimCm: 19,
    medium: 'peatSoil',
    repottedMonthsAgo: 7,
    heightCm: 70,
    now: {
      rootsAtHoles: 'none',
      smell: 'fresh',
      newLeaves: 'smaller',
      oldLeavesYellowing: true,
      pests: 'none',
    },
    lookedDaysAgo: 4,
    note: 'Moved to the ticket hall for its looks. It has sulked since.',
  },
  {
    name: 'Buoy',
    taxon: 'Spathiphyllum',
    spot: 'Boiler landing',
    rimCm: 14,
    medium: 'pebbles',
    recipe: 'pebblesOnly',
    repottedMonthsAgo: 10,
    heightCm: 42,
    now: { rootsAtHoles: 'several', growth: 'normal', saltCrust: 'none' },
    lookedDaysAgo: 9,
  },
  {
    name: 'Ropewalk',
    taxon: 'Chlorophytum comosum',
    spot: 'Propagation shelf',
    rimCm: 12,
    medium: 'pebbles',
    recipe: 'pebblesOnly',
    repottedMonthsAgo: 5,
    heightCm: 25,
    now: { rootsAtHoles: 'one', growth: 'slow', saltCrust: 'some' },
    lookedDaysAgo: 6,
  },
];

/** What the keepers have settled on so far: pot of the shelf and support. */
export const SETTLED: {
  plant: string;
  pot: string;
  support: { kind: SupportKindId; section: Section; lengthCm: number };
}[] = [
  {
    plant: 'Purser',
    pot: 'clay 19',
    support: { kind: 'stake', section: { form: 'round', diameterCm: 1.2 }, lengthCm: 85 },
  },
  {
    plant: 'Tidewrack',
    pot: 'black 21',
    support: { kind: 'stake', section: { form: 'round', diameterCm: 1.6 }, lengthCm: 130 },
  },
  {
    plant: 'Lamplighter',
    pot: 'black 21',
    support: { kind: 'stake', section: { form: 'round', diameterCm: 1.2 }, lengthCm: 45 },
  },
  {
    plant: 'Fletching',
    pot: 'green 17',
    support: { kind: 'mossSheet', section: { form: 'd', widthCm: 8 }, lengthCm: 95 },
  },
];
