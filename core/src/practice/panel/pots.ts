import type { RootCuts } from '../../fit/index.ts';
import type { MediumKind } from '../../media/index.ts';
import type { Signals } from '../../decide/index.ts';
import type { Schools } from '../../schools/index.ts';

/**
 * Which of the pots offered a keeper of experience would accept. Written before
 * any choice was asked for. Pots are round, plastic unless a `c` (unglazed clay)
 * follows the width in cm; none accepted means that each of them is refused.
 *
 * Days first written for four rows (leafy 17, plug 8, prayer plant 16, orchid 14)
 * were those of a pot rooted through; they were widened afterwards, as practice
 * gives a pot just filled up to 1.6 times as long.
 *
 * @source common practice, no source
 */
export interface PanelPot {
  what: string;
  taxon: string;
  date: string;
  potCm: number;
  kind: MediumKind;
  months: number;
  signals: Signals;
  /** widths offered, e.g. `12 14 16c` */
  offered: string;
  mix: string;
  accepts: string;
  cuts?: RootCuts;
  school?: Schools['size'];
  heightCm?: number;
  /** days to dry in growth that the chosen pot must lie in */
  days?: readonly [least: number, most: number];
}

type Row = [what: string, taxon: string, potCm: number, kind: MediumKind, months: number, signals: Signals, offered: string, mix: string, accepts: string, more?: Partial<Pick<PanelPot, 'cuts' | 'school' | 'heightCm' | 'days' | 'date'>>];

const FULL: Signals = { rootsAtHoles: 'every', ballCover: 0.9 };
const MAT: Signals = { rootsAtHoles: 'mat', ballCover: 1, circling: 'tight' };
const divided = (pieces: number) => ({ cuts: { pieces, rootsPruned: false } });
const PRUNED = { cuts: { pieces: 1, rootsPruned: true } } as const;

const ROWS: Row[] = [
  ['leafy, one up', 'Schefflera', 14, 'peatSoil', 18, FULL, '12 14 16 17 19 24', 'everyday', '16 17', { days: [4, 13] }],
  ['leafy, small, one up', 'Pilea', 9, 'peatSoil', 12, FULL, '8 9 11 12 14 17', 'everyday', '11 12', { days: [3, 9] }],
  ['leafy, large, one up', 'Schefflera', 24, 'peatSoil', 30, FULL, '21 24 27 28 30 38', 'everyday', '27 28 30', { days: [6, 18] }],
  ['plug', 'Hypoestes', 5, 'peatSoil', 2, MAT, '5 7 8 9 12', 'everyday', '7 8 9', { days: [2, 9] }],
  ['plug of a slow plant', 'Polyscias', 6, 'peatSoil', 8, FULL, '6 8 9 12', 'everyday', '8 9'],
  ['few roots stay', 'Ficus elastica', 19, 'peatSoil', 6, { ballCover: 0.3 }, '12 14 15 17 19 21 24', 'everyday', '14 15 17 19'],
  ['hardly any roots go down', 'Ficus elastica', 19, 'peatSoil', 6, { ballCover: 0.1, staysWetLonger: true }, '9 11 12 14 15 17 19 21', 'everyday', '11 12 14 15'],
  ['a third alive', 'Schefflera', 15, 'peatSoil', 14, { liveRoots: 0.35 }, '9 11 12 13 15 17', 'everyday', '9 11 12 13'],
  ['half alive', 'Codiaeum', 14, 'peatSoil', 14, { liveRoots: 0.45, ballCover: 0.7 }, '10 11 12 14 16', 'everyday', '10 11 12 14'],
  ['fast, filled in one season', 'Coleus', 11, 'peatSoil', 4, MAT, '11 13 14 15 17 21', 'everyday', '13 14 15'],
  ['fast vine, filled in one season', 'Thunbergia', 15, 'peatSoil', 6, MAT, '15 17 19 21 24 30', 'everyday', '17 19 21'],
  ['strong fern, mat', 'Nephrolepis exaltata', 15, 'peatSoil', 14, MAT, '15 17 18 19 24 28', 'leafMould', '17 18 19', { days: [3, 8] }],
  ['maidenhair, plastic before clay', 'Adiantum', 13, 'peatSoil', 16, FULL, '13 15c 15 16 20', 'leafMould', '15 16', { days: [2, 8] }],
  ['bird’s-nest fern', 'Asplenium nidus', 14, 'mix', 24, FULL, '14 16 17 19 24', 'chunkyClimber', '16 17'],
  ['prayer plant', 'Calathea', 13, 'peatSoil', 18, FULL, '11 13 15 16 19', 'leafMould', '15 16', { days: [2, 10] }],
  ['snug begonia, small step', 'Begonia rex', 12, 'peatSoil', 18, FULL, '12 13 14 15 19', 'leafMould', '13 14 15'],
  ['violet kind stays small', 'Primulina', 9, 'peatSoil', 12, FULL, '7 9 10 11 13 15', 'fineRoots', '10 11', { days: [3, 9] }],
  ['cape primrose', 'Streptocarpus', 11, 'peatSoil', 14, FULL, '9 11 12 13 15 17', 'fineRoots', '12 13'],
  ['over-potted small foliage', 'Peperomia obtusifolia', 15, 'peatSoil', 4, { ballCover: 0.15, staysWetLonger: true, growth: 'stalled' }, '7 8 9 10 12 15', 'everyday', '8 9 10'],
  ['chunky mix, climber', 'Amydrium', 15, 'mix', 14, FULL, '15 17 18 19 24', 'chunkyClimber', '17 18 19', { days: [3, 9] }],
  ['climber, filled in one season', 'Syngonium podophyllum', 13, 'peatSoil', 7, MAT, '13 15 16 17 18 22', 'chunkyClimber', '15 16 17 18'],
  ['peace-lily kind to pebbles', 'Spathiphyllum', 14, 'peatSoil', 16, FULL, '11 12 13 14 15 17', 'pebblesOnly', '12 13 14 15'],
  ['out of pebbles', 'Spathiphyllum', 13, 'pebbles', 20, FULL, '10 11 13 15 17', 'everyday', '10 11 13'],
  ['bare roots of an orchid, same or a little up', 'Oncidium', 12, 'bark', 24, { rootsAtHoles: 'several', liveRoots: 0.8 }, '9 11 12 13 14 17', 'barkEpiphyte', '11 12 13 14', { days: [3, 12] }],
  ['orchid with few live roots', 'Brassia', 14, 'bark', 26, { liveRoots: 0.3 }, '8 9 10 11 12 14 15', 'barkEpiphyte', '8 9 10 11'],
  ['orchid, a wide pan beside pots', 'Encyclia', 12, 'bark', 26, FULL, '12 13 14 21', 'barkEpiphyte', '13 14'],
  ['orchid in moss, small', 'Masdevallia', 8, 'moss', 14, FULL, '7 8 9 10 13', 'mossOnly', '8 9 10', { days: [4, 12] }],
  ['slipper', 'Paphiopedilum', 11, 'bark', 24, FULL, '9 11 12 13 16', 'barkEpiphyte', '12 13', { days: [3, 10] }],
  ['large cool orchid, bursting', 'Coelogyne', 18, 'bark', 36, { potBulging: true, ballCover: 1 }, '18 20 21 22 28', 'barkEpiphyte', '20 21 22', { days: [4, 14] }],
  ['jewel orchid', 'Ludisia discolor', 11, 'mix', 24, FULL, '11 12 13 14 17', 'groundOrchid', '12 13 14'],
  ['cactus, a finger up', 'Gymnocalycium', 8, 'mineral', 36, FULL, '8 9 10 12 14', 'allMineral', '9 10', { days: [7, 20] }],
  ['small cactus, clay or plastic', 'Rebutia', 7, 'mineral', 30, FULL, '7 8 8c 9 12', 'allMineral', '8 8c 9'],
  ['cactus, only far too large', 'Rebutia', 7, 'mineral', 30, FULL, '15 18', 'allMineral', ''],
  ['rosette, a little up', 'Sedum', 9, 'mineral', 30, FULL, '9 10 11 14 17', 'gritty', '10 11', { days: [7, 21] }],
  ['agave, bulging', 'Agave', 20, 'mineral', 40, { potBulging: true, ballCover: 1 }, '20 22 23 24 30', 'gritty', '22 23 24'],
  ['jade, heavy clay', 'Crassula ovata', 17, 'mineral', 48, { ...FULL, wobble: 'leans' }, '17 19 19c 21c 27', 'gritty', '19c 21c 19', { heightCm: 50 }],
  ['snake-plant kind', 'Dracaena trifasciata', 15, 'loam', 40, { potBulging: true, ballCover: 1 }, '15 17 18 21 27', 'gritty', '17 18', { days: [10, 30] }],
  ['arrow fern with tubers', 'Zamioculcas', 15, 'peatSoil', 36, { potBulging: true, ballCover: 1 }, '15 17 18 21 25', 'chunkyClimber', '17 18'],
  ['cast iron, divided in three', 'Aspidistra elatior', 21, 'peatSoil', 60, FULL, '9 12 13 15 17 21', 'everyday', '13 15 17', divided(3)],
  ['fern, divided in two', 'Nephrolepis exaltata', 20, 'peatSoil', 20, MAT, '12 15 16 17 20 22', 'leafMould', '15 16 17', divided(2)],
  ['orchid, divided in two', 'Oncidium', 15, 'bark', 26, FULL, '9 11 12 13 15 17', 'barkEpiphyte', '11 12 13', divided(2)],
  ['shamrock, divided in four', 'Oxalis triangularis', 15, 'peatSoil', 20, FULL, '7 8 9 10 11 15', 'everyday', '8 9 10 11', divided(4)],
  ['fig, roots pruned', 'Ficus benjamina', 40, 'peatSoil', 40, MAT, '36 40 45', 'everyday', '40', { ...PRUNED, heightCm: 180 }],
  ['rubber plant, one up', 'Ficus elastica', 19, 'peatSoil', 18, FULL, '19 21 22 23 24 28', 'woodyDrain', '21 22 23 24'],
  ['fig in a tub, one up', 'Ficus lyrata', 30, 'peatSoil', 30, FULL, '30 34 35 36 38 50', 'woodyDrain', '34 35 36 38'],
  ['lemon, one up', 'Citrus limon', 25, 'loam', 30, FULL, '25 28 29 30 36', 'loamy', '28 29 30'],
  ['olive, one up', 'Olea europaea', 30, 'loam', 36, MAT, '30 34 35 36 45', 'loamy', '34 35 36'],
  ['palm, snug, small step', 'Howea forsteriana', 22, 'peatSoil', 40, MAT, '22 24 25 26 32', 'woodyDrain', '24 25 26'],
  ['Natal lily, small step', 'Clivia miniata', 20, 'loam', 48, { potBulging: true, ballCover: 1 }, '20 22 23 24 30', 'loamy', '22 23 24'],
  ['African lily', 'Agapanthus', 25, 'loam', 40, { potBulging: true, ballCover: 1 }, '25 27 28 30 38', 'loamy', '27 28 30'],
  ['amaryllis, a thumb round the bulb', 'Hippeastrum', 13, 'loam', 30, FULL, '13 14 15 19', 'loamy', '14 15'],
  ['storksbill', 'Pelargonium', 11, 'peatSoil', 12, FULL, '11 13 14 17', 'everyday', '13 14'],
  ['trumpet pitcher', 'Sarracenia', 13, 'peatSoil', 26, FULL, '13 15 16 20', 'bog', '15 16'],
  ['tropical pitcher', 'Nepenthes', 12, 'moss', 16, FULL, '12 14 15 19', 'mossOnly', '14 15'],
  ['urn plant', 'Aechmea', 12, 'mix', 24, FULL, '12 13 14 17', 'chunkyClimber', '13 14'],
  ['growth school, leafy', 'Schefflera', 14, 'peatSoil', 14, FULL, '14 16 17 18 19 24', 'everyday', '16 17 18 19', { school: 'growth' }],
  ['snug school, leafy', 'Schefflera', 14, 'peatSoil', 14, FULL, '14 15 16 17 19', 'everyday', '15 16', { school: 'snug' }],
  ['only far too large', 'Pilea', 9, 'peatSoil', 14, FULL, '19 24', 'everyday', ''],
  ['only one on the shelf, a little large', 'Schefflera', 14, 'peatSoil', 16, FULL, '14 18', 'everyday', '18'],
  ['button vine in a basket pot', 'Dischidia', 10, 'mix', 20, FULL, '10 11 12 15', 'chunkyClimber', '11 12'],
  ['hibiscus, mat in a year', 'Hibiscus rosa-sinensis', 20, 'peatSoil', 10, MAT, '20 22 24 26 28 34', 'woodyDrain', '22 24 26'],
  ['begonia, cane', 'Begonia maculata', 14, 'peatSoil', 14, FULL, '14 16 17 18 22', 'leafMould', '16 17'],
];

export const PANEL_POTS: readonly PanelPot[] = ROWS.map(([what, taxon, potCm, kind, months, signals, offered, mix, accepts, more = {}]) => ({
  what,
  taxon,
  date: '2026-04-13',
  potCm,
  kind,
  months,
  signals,
  offered,
  mix,
  accepts,
  ...more,
}));
