import type { Taxon } from '../catalogue/index.ts';

/**
 * Ranges that a practitioner would not laugh at. Written down before any model was asked; a model that
 * leaves one is wrong, unless the keeper's own log says otherwise.
 *
 * @source common practice, no source
 */
export interface Range {
  least: number;
  most: number;
}
const between = (least: number, most: number): Range => ({ least, most });

/** Days until a plant wants water again: plastic, bright room, 20–22 °C, 45–55 % humidity, rooted through. */
export interface DryingRange {
  what: string;
  is: (taxon: Taxon) => boolean;
  /** recipes that the row speaks of; any when absent */
  recipes?: readonly string[];
  /** rim widths that it speaks of, cm */
  rimCm: Range;
  growth: Range;
  /** null: it wants no water then */
  rest: Range | null;
}

const inGroups =
  (...groups: string[]) =>
  ({ group }: Taxon) =>
    groups.includes(group);
const SOILS = ['everyday', 'halfAndHalf', 'peatFree', 'woodyDrain', 'leafMould'];
const leafy = (taxon: Taxon) =>
  inGroups('foliageShrub', 'foliageClump', 'fig', 'woodyVine', 'trailer')(taxon) &&
  taxon.traits.drying === 'littleDry' &&
  taxon.traits.waterUse >= 0.8;

export const DRYING: readonly DryingRange[] = [
  {
    what: 'leafy foliage in peat soil',
    is: leafy,
    recipes: SOILS,
    rimCm: between(8.5, 9.5),
    growth: between(3, 6),
    rest: between(6, 10),
  },
  {
    what: 'leafy foliage in peat soil',
    is: leafy,
    recipes: SOILS,
    rimCm: between(12, 15),
    growth: between(5, 10),
    rest: between(9, 18),
  },
  {
    what: 'leafy foliage in peat soil',
    is: leafy,
    recipes: SOILS,
    rimCm: between(19, 21),
    growth: between(7, 14),
    rest: between(13, 24),
  },
  {
    what: 'leafy foliage in peat soil',
    is: leafy,
    recipes: SOILS,
    rimCm: between(30, 40),
    growth: between(10, 21),
    rest: between(18, 35),
  },
  {
    what: 'climber in chunky mix',
    is: inGroups('aroidClimber'),
    recipes: ['chunkyClimber'],
    rimCm: between(15, 17),
    growth: between(4, 9),
    rest: between(8, 14),
  },
  {
    what: 'fern, prayer plant, peace-lily kind',
    is: (taxon) =>
      inGroups('groundFern', 'prayerPlants')(taxon) && taxon.traits.drying === 'evenlyMoist',
    rimCm: between(12, 15),
    growth: between(3, 7),
    rest: between(6, 11),
  },
  {
    what: 'hair-rooted, thick-leaved small foliage',
    is: inGroups('peperomia'),
    rimCm: between(9, 10),
    growth: between(6, 12),
    rest: between(11, 21),
  },
  {
    what: 'epiphytic orchid in bark',
    is: inGroups('walkingOrchid', 'coolWalkingOrchid', 'fanOrchid'),
    recipes: ['barkEpiphyte'],
    rimCm: between(12, 15),
    growth: between(4, 10),
    rest: between(7, 15),
  },
  {
    what: 'epiphytic orchid in bark or orchid mix',
    is: inGroups('walkingOrchid', 'coolWalkingOrchid', 'fanOrchid'),
    recipes: ['barkEpiphyte', 'groundOrchid'],
    rimCm: between(18, 21),
    growth: between(6, 14),
    rest: between(10, 20),
  },
  {
    what: 'epiphytic orchid in long moss',
    is: inGroups('coolWalkingOrchid', 'fanOrchid'),
    recipes: ['mossOnly'],
    rimCm: between(9, 12),
    growth: between(6, 12),
    rest: between(9, 18),
  },
  {
    what: 'waxy-leaved vine',
    is: (taxon) => taxon.name === 'Hoya',
    rimCm: between(13, 13),
    growth: between(7, 14),
    rest: between(14, 26),
  },
  {
    what: 'tough clump',
    is: (taxon) => taxon.group === 'toughClump' && taxon.traits.drying === 'fullyDry',
    rimCm: between(14.5, 15.5),
    growth: between(12, 28),
    rest: between(28, 60),
  },
  {
    what: 'rosette or stem succulent, gritty',
    is: inGroups('summerSucculent', 'winterSucculent', 'jade', 'spurge'),
    recipes: ['gritty', 'allMineral'],
    rimCm: between(9, 10),
    growth: between(8, 20),
    rest: between(21, 50),
  },
  {
    what: 'cactus, mineral',
    is: inGroups('desertCactus'),
    rimCm: between(8, 9),
    growth: between(8, 18),
    rest: null,
  },
];

/** Months that a medium lasts, by recipe; null: it does not age. */
export const MEDIUM_LIFE: readonly {
  what: string;
  recipes: readonly string[];
  months: Range | null;
}[] = [
  { what: 'bark', recipes: ['barkEpiphyte'], months: between(12, 30) },
  { what: 'long moss', recipes: ['mossOnly'], months: between(10, 18) },
  { what: 'peat soil with sand, bark or perlite', recipes: SOILS, months: between(15, 30) },
  { what: 'chunky climber mix', recipes: ['chunkyClimber'], months: between(18, 30) },
  { what: 'fine-root mix', recipes: ['fineRoots'], months: between(12, 24) },
  { what: 'loam-based', recipes: ['loamy'], months: between(24, 42) },
  { what: 'peat and perlite or sand for bog plants', recipes: ['bog'], months: between(18, 30) },
  { what: 'mineral', recipes: ['allMineral', 'pebblesOnly'], months: null },
];

/** Months until a pot is full after one size up, by its width. */
export const FILLING: readonly {
  rimCm: Range;
  months: Record<'fast' | 'middling' | 'slow', Range>;
}[] = [
  {
    rimCm: between(5, 6),
    months: { fast: between(1, 2), middling: between(2, 4), slow: between(4, 8) },
  },
  {
    rimCm: between(9, 9),
    months: { fast: between(3, 6), middling: between(6, 10), slow: between(12, 24) },
  },
  {
    rimCm: between(13, 15),
    months: { fast: between(7, 12), middling: between(14, 22), slow: between(28, 45) },
  },
  {
    rimCm: between(20, 25),
    months: { fast: between(10, 16), middling: between(18, 28), slow: between(36, 60) },
  },
  {
    rimCm: between(45, 80),
    months: { fast: between(24, 40), middling: between(36, 60), slow: between(60, 240) },
  },
];

/** Air of a mix, fresh, in a pot 15 cm tall, as a share. */
export const AIR_AT_15CM: readonly { what: string; recipes: readonly string[]; air: Range }[] = [
  { what: '3 soil : 1 perlite', recipes: ['everyday'], air: between(0.15, 0.25) },
  { what: 'equal soil and perlite', recipes: ['halfAndHalf'], air: between(0.2, 0.3) },
  { what: '60 : 40 soil and sand', recipes: ['woodyDrain'], air: between(0.08, 0.14) },
  { what: 'chunky climber', recipes: ['chunkyClimber'], air: between(0.3, 0.4) },
  { what: 'bark epiphyte', recipes: ['barkEpiphyte'], air: between(0.4, 0.55) },
  { what: 'long moss', recipes: ['mossOnly'], air: between(0.4, 0.55) },
  { what: 'gritty thirds', recipes: ['gritty'], air: between(0.08, 0.15) },
];
