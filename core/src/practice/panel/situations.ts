import type { MediumKind } from '../../media/index.ts';
import type { Signals } from '../../decide/index.ts';
import type { PlaceId } from './places.ts';

/**
 * What a keeper of experience would accept, in situations over all groups,
 * seasons, media and places. Written before any verdict was asked for.
 *
 * `accepts`, alternatives parted by " | ": `now` · `rescue` · `refresh` ·
 * `leave` · `by 8` (now, or in a week up to the eighth) · `8 to 22` (in a week
 * between them). Weeks count from the Monday of the date.
 * `leads`: the finding that must stand first among the reasons; one of them.
 *
 * @source common practice, no source
 */
export interface PanelSituation {
  what: string;
  taxon: string;
  date: string;
  potCm: number;
  kind: MediumKind;
  /** since the last repot; null: nobody knows */
  months: number | null;
  signals: Signals;
  accepts: string;
  leads?: readonly string[];
  place?: PlaceId;
}

type Row = [what: string, taxon: string, date: string, potCm: number, kind: MediumKind, months: number | null, signals: Signals, accepts: string, leads?: readonly string[] | null, place?: PlaceId];

const FINE: Signals = { growth: 'normal', smell: 'fresh', rootsAtHoles: 'none' };

const ROWS: Row[] = [
  // Leafy foliage
  ['full pot in April', 'Schefflera', '2026-04-13', 15, 'peatSoil', 20, { rootsAtHoles: 'mat', driesSooner: true }, 'by 4', ['rootsAtHoles']],
  ['full pot in November', 'Schefflera', '2026-11-09', 15, 'peatSoil', 20, { rootsAtHoles: 'every', driesSooner: true }, '14 to 26', ['rootsAtHoles']],
  ['nothing to see in May, 8 months', 'Schefflera', '2026-05-11', 17, 'peatSoil', 8, FINE, 'leave'],
  ['two years, several roots, spring', 'Codiaeum', '2026-04-06', 15, 'peatSoil', 24, { rootsAtHoles: 'several', compacted: true }, 'by 8', ['compacted', 'mediumAge']],
  ['gnats in autumn', 'Codiaeum', '2026-10-12', 14, 'peatSoil', 7, { pests: 'gnats' }, 'refresh | leave'],
  ['one yellow leaf', 'Fatsia japonica', '2026-06-01', 17, 'peatSoil', 5, { oldLeavesYellowing: true, growth: 'normal' }, 'refresh | leave'],
  ['a root at one hole', 'Polyscias', '2026-05-18', 14, 'peatSoil', 9, { rootsAtHoles: 'one', growth: 'normal' }, 'leave'],
  ['surface mould after overwatering', 'Coleus', '2026-03-30', 12, 'peatSoil', 4, { mould: 'surface', growth: 'normal' }, 'refresh | leave'],
  ['fast summer grower, mat in June', 'Coleus', '2026-06-08', 11, 'peatSoil', 4, { rootsAtHoles: 'mat', driesSooner: true, growth: 'vigorous' }, 'by 2', ['rootsAtHoles', 'driesSooner']],
  ['plug of six weeks, mat', 'Hypoestes', '2026-05-04', 6, 'peatSoil', 1.5, { rootsAtHoles: 'mat' }, 'by 3', ['rootsAtHoles']],
  ['every hole, tight ball, July', 'Heptapleurum arboricola', '2026-07-06', 14, 'peatSoil', 16, { rootsAtHoles: 'every', ballCover: 0.95, circling: 'tight' }, 'by 3', ['ballCover', 'circling', 'rootsAtHoles']],
  ['thick crust, tips brown, young mix', 'Chlorophytum comosum', '2026-05-11', 13, 'peatSoil', 8, { saltCrust: 'thick', brownTips: true, growth: 'normal' }, 'refresh | 0 to 8', ['saltCrust']],
  ['spring, tubers swell the pot', 'Chlorophytum comosum', '2026-04-13', 14, 'peatSoil', 18, { potBulging: true, rootsAtHoles: 'every' }, 'by 4', ['potBulging', 'rootsAtHoles']],
  ['bulging in December', 'Chlorophytum comosum', '2026-12-14', 14, 'peatSoil', 18, { potBulging: true, rootsAtHoles: 'every' }, '9 to 20', ['potBulging', 'rootsAtHoles']],
  ['slow tough clump, a year in, content', 'Aspidistra elatior', '2026-05-04', 20, 'peatSoil', 12, FINE, 'leave'],
  ['tough clump, four years, every hole', 'Aspidistra elatior', '2026-04-20', 20, 'peatSoil', 48, { rootsAtHoles: 'every', compacted: true }, 'by 8'],
  ['old soil packed in May', 'Pilea peperomioides', '2026-05-11', 12, 'peatSoil', 26, { compacted: true, mediumSunk: true }, 'by 5', ['compacted', 'mediumAge', 'mediumSunk']],
  ['sour and limp in February', 'Pilea peperomioides', '2026-02-09', 12, 'peatSoil', 14, { smell: 'sour', limp: true, staysWetLonger: true }, 'rescue | now | by 2', ['smell']],
  ['limp and dry in July, no more', 'Fittonia', '2026-07-13', 9, 'peatSoil', 5, { limp: true, driesSooner: false }, 'refresh | leave'],
  ['just arrived, roots everywhere, May', 'Cordyline fruticosa', '2026-05-11', 12, 'peatSoil', null, { justArrived: true, rootsAtHoles: 'every' }, '1 to 6 | leave | now'],
  ['just arrived in October, several roots', 'Cordyline fruticosa', '2026-10-12', 12, 'peatSoil', null, { justArrived: true, rootsAtHoles: 'several' }, 'leave | 16 to 30'],
  ['nothing known, nothing looked at', 'Schefflera', '2026-05-11', 15, 'peatSoil', null, {}, 'leave'],
  ['over-potted, stays wet, stalls', 'Polyscias', '2026-05-11', 20, 'peatSoil', 5, { staysWetLonger: true, ballCover: 0.15, growth: 'stalled' }, 'by 3', ['ballCover', 'staysWetLonger']],
  ['live roots a fifth', 'Schefflera', '2026-05-18', 15, 'peatSoil', 10, { liveRoots: 0.2 }, 'rescue | now', ['liveRoots']],
  ['live roots a third in winter', 'Codiaeum', '2026-12-07', 15, 'peatSoil', 10, { liveRoots: 0.3, limp: true }, 'rescue | now', ['liveRoots']],
  ['live roots three quarters, spring, fresh', 'Codiaeum', '2026-04-20', 15, 'peatSoil', 5, { liveRoots: 0.75, smell: 'fresh', ballCover: 0.6 }, 'leave'],
  ['leaf drop after arrival', 'Codiaeum', '2026-11-16', 14, 'peatSoil', null, { justArrived: true, oldLeavesYellowing: true, rootsAtHoles: 'one' }, 'leave | refresh'],
  ['came frozen through in January, roots everywhere', 'Schefflera', '2026-01-12', 14, 'peatSoil', 18, { justArrived: true, coldHurt: true, limp: true, rootsAtHoles: 'every' }, '5 to 22 | refresh'],
  ['chilled on its way in April, due', 'Codiaeum', '2026-04-13', 14, 'peatSoil', 20, { coldHurt: true, rootsAtHoles: 'mat' }, '2 to 10'],
  ['chilled, roots fine, nothing due', 'Aglaonema', '2026-03-02', 14, 'peatSoil', 5, { coldHurt: true, rootsAtHoles: 'none' }, 'refresh'],
  ['chilled and the roots rot', 'Aglaonema', '2026-03-02', 14, 'peatSoil', 12, { coldHurt: true, rot: 'roots', smell: 'sour' }, 'rescue'],
  // Prayer plants
  ['packed soil in April', 'Goeppertia', '2026-04-13', 14, 'peatSoil', 20, { compacted: true, staysWetLonger: true }, 'by 5', ['compacted', 'staysWetLonger']],
  ['brown tips and some crust', 'Calathea', '2026-06-15', 14, 'peatSoil', 6, { brownTips: true, saltCrust: 'some' }, 'refresh | leave'],
  ['every hole in September', 'Ctenanthe', '2026-09-21', 14, 'peatSoil', 17, { rootsAtHoles: 'every' }, 'by 2 | 20 to 32', ['rootsAtHoles']],
  ['rot on roots in January', 'Stromanthe', '2026-01-12', 15, 'peatSoil', 15, { rot: 'roots', smell: 'sour' }, 'rescue', ['rot']],
  ['content in its second month', 'Maranta leuconeura', '2026-06-01', 12, 'peatSoil', 2, FINE, 'leave'],
  // Vines
  ['vine past its support in July, roots fine', 'Thunbergia', '2026-07-06', 17, 'peatSoil', 3, { vinePastSupport: true, rootsAtHoles: 'one', growth: 'vigorous' }, 'refresh', ['vinePastSupport']],
  ['vine, mat and dries daily, June', 'Passiflora', '2026-06-08', 15, 'peatSoil', 12, { rootsAtHoles: 'mat', driesSooner: true, growth: 'vigorous' }, 'by 2', ['rootsAtHoles', 'driesSooner']],
  ['creeper in autumn, several roots', 'Hedera', '2026-10-19', 12, 'peatSoil', 18, { rootsAtHoles: 'several' }, 'by 2 | leave | 14 to 28'],
  // Climbing and clumping aroids
  ['every hole in April', 'Syngonium podophyllum', '2026-04-13', 13, 'peatSoil', 12, { rootsAtHoles: 'every', driesSooner: true }, 'by 4', ['rootsAtHoles']],
  ['mat in chunky mix at the end of May', 'Amydrium', '2026-05-25', 15, 'mix', 9, { rootsAtHoles: 'mat', ballCover: 1, circling: 'tight', driesSooner: true }, 'by 2', ['rootsAtHoles', 'ballCover', 'circling']],
  ['topples, little root at the holes', 'Syngonium podophyllum', '2026-06-15', 13, 'peatSoil', 5, { wobble: 'topples', rootsAtHoles: 'one' }, 'refresh', ['wobble']],
  ['topples and due in spring', 'Syngonium podophyllum', '2026-01-12', 13, 'peatSoil', 18, { wobble: 'topples', rootsAtHoles: 'every' }, '6 to 16', ['wobble', 'rootsAtHoles']],
  ['thick crust and due in spring', 'Aglaonema', '2026-12-07', 15, 'peatSoil', 22, { saltCrust: 'thick', rootsAtHoles: 'every' }, '10 to 22', ['saltCrust', 'rootsAtHoles']],
  ['soil stays wet and smells, May', 'Spathiphyllum', '2026-05-04', 14, 'peatSoil', 22, { staysWetLonger: true, smell: 'sour' }, 'rescue | now', ['smell']],
  ['dries daily in July, mat', 'Spathiphyllum', '2026-07-13', 14, 'peatSoil', 16, { rootsAtHoles: 'mat', driesSooner: true, limp: true }, 'by 3', ['rootsAtHoles', 'driesSooner']],
  ['in pebbles, roots all over the outside', 'Spathiphyllum', '2026-05-18', 13, 'pebbles', 30, { aerialRootsOutside: 'many', rootsAtHoles: 'mat' }, 'by 5', ['rootsAtHoles', 'aerialRootsOutside']],
  ['in pebbles, a year, content', 'Spathiphyllum', '2026-05-18', 15, 'pebbles', 12, FINE, 'leave'],
  ['cane plant, half the roots dead', 'Dieffenbachia', '2026-03-02', 17, 'peatSoil', 14, { liveRoots: 0.4, smell: 'sour' }, 'rescue | now', ['liveRoots', 'smell']],
  ['sleeping tuber in January', 'Caladium', '2026-01-12', 13, 'peatSoil', 10, { resting: true }, '5 to 15 | leave'],
  ['waking tuber in March', 'Caladium', '2026-03-16', 13, 'peatSoil', 12, { resting: true }, 'by 6'],
  ['tuber in full leaf, August', 'Caladium', '2026-08-10', 13, 'peatSoil', 5, FINE, 'leave'],
  ['big taro, mat in June', 'Colocasia', '2026-06-08', 20, 'mix', 12, { rootsAtHoles: 'mat', driesSooner: true }, 'by 3', ['rootsAtHoles', 'driesSooner']],
  ['voodoo lily asleep in February', 'Amorphophallus', '2026-02-16', 17, 'loam', 12, { resting: true }, 'by 14'],
  // Ferns
  ['mat in March', 'Nephrolepis exaltata', '2026-03-23', 15, 'peatSoil', 14, { rootsAtHoles: 'mat', driesSooner: true }, 'by 5', ['rootsAtHoles', 'driesSooner']],
  ['mat in December', 'Nephrolepis exaltata', '2026-12-07', 15, 'peatSoil', 14, { rootsAtHoles: 'mat', driesSooner: true }, '9 to 20', ['rootsAtHoles', 'driesSooner']],
  ['mat in December under lamps', 'Nephrolepis exaltata', '2026-12-07', 15, 'peatSoil', 14, { rootsAtHoles: 'mat', driesSooner: true }, 'by 4', null, 'lamps'],
  ['mat in October in the south', 'Nephrolepis exaltata', '2026-10-05', 15, 'peatSoil', 14, { rootsAtHoles: 'mat', driesSooner: true }, 'by 4', null, 'south'],
  ['maidenhair, content, 5 months', 'Adiantum', '2026-06-15', 13, 'peatSoil', 5, FINE, 'leave'],
  ['maidenhair, full in spring', 'Adiantum', '2026-04-06', 13, 'peatSoil', 18, { rootsAtHoles: 'every', driesSooner: true }, 'by 4', ['rootsAtHoles', 'driesSooner']],
  ['hardy fern in a porch, February', 'Polystichum', '2026-02-23', 17, 'peatSoil', 26, { rootsAtHoles: 'every', compacted: true }, 'by 10', null, 'glasshouse'],
  ['bark gone to mush', 'Davallia', '2026-05-04', 13, 'bark', 30, { compacted: true, mediumSunk: true, staysWetLonger: true }, 'by 3', ['compacted', 'mediumAge', 'staysWetLonger']],
  ['rhizomes over the rim in May', 'Davallia', '2026-05-04', 13, 'mix', 20, { growthAtWall: true, rootsOnTop: 'many' }, 'by 6 | leave', ['growthAtWall', 'rootsOnTop']],
  ['old moss in spring', 'Platycerium bifurcatum', '2026-04-13', 12, 'moss', 20, { compacted: true, staysWetLonger: true }, 'by 6', ['compacted', 'mediumAge', 'staysWetLonger']],
  ['fresh moss, fine', 'Platycerium bifurcatum', '2026-06-15', 12, 'moss', 5, { smell: 'fresh', growth: 'normal' }, 'leave'],
  ['tree fern with room', 'Dicksonia antarctica', '2026-05-18', 30, 'peatSoil', 14, FINE, 'leave', null, 'glasshouse'],
  // Gesneriads, begonias, thick-leaved small foliage
  ['neck bare, a year, spring', 'Primulina', '2026-04-20', 9, 'peatSoil', 14, { stemBare: true, rootsAtHoles: 'one' }, 'refresh | by 8'],
  ['cape primrose in bloom, content', 'Streptocarpus', '2026-06-15', 11, 'peatSoil', 6, { bloom: 'open', growth: 'normal' }, 'leave'],
  ['cape primrose, old soil, March', 'Streptocarpus', '2026-03-23', 11, 'peatSoil', 26, { compacted: true, rootsAtHoles: 'several' }, 'by 8', ['compacted', 'mediumAge']],
  ['infested roots in May', 'Streptocarpus', '2026-05-11', 11, 'peatSoil', 8, { infestedRoots: true }, 'rescue | now', ['infestedRoots']],
  ['infested roots in December', 'Primulina', '2026-12-14', 9, 'peatSoil', 10, { infestedRoots: true, pests: 'mealy' }, 'rescue | now', ['infestedRoots', 'pests']],
  ['mealy on the leaves only', 'Streptocarpus', '2026-07-13', 11, 'peatSoil', 5, { pests: 'mealy', infestedRoots: false }, 'refresh | leave'],
  ['rhizomes over the rim, May', 'Begonia rex', '2026-05-11', 13, 'peatSoil', 18, { growthAtWall: true, rootsAtHoles: 'every' }, 'by 6', ['growthAtWall', 'rootsAtHoles']],
  ['leaves fall in October, a year old', 'Begonia rex', '2026-10-19', 13, 'peatSoil', 12, { oldLeavesYellowing: true, rootsAtHoles: 'none' }, 'leave | refresh'],
  ['cane in autumn, every hole', 'Begonia maculata', '2026-10-26', 15, 'peatSoil', 18, { rootsAtHoles: 'every' }, '15 to 28 | leave', ['rootsAtHoles']],
  ['cane leans, full ball, May', 'Begonia maculata', '2026-05-11', 14, 'peatSoil', 14, { wobble: 'leans', ballCover: 0.95, rootsAtHoles: 'every' }, 'by 4', ['ballCover', 'rootsAtHoles']],
  // Trailers
  ['trailer, several roots in May', 'Tradescantia', '2026-05-11', 12, 'peatSoil', 12, { rootsAtHoles: 'several', growth: 'vigorous' }, 'by 8 | leave'],
  ['trailer, bare and old', 'Tradescantia', '2026-04-13', 12, 'peatSoil', 26, { compacted: true, growth: 'slow' }, 'by 6', ['compacted', 'mediumAge']],
  // Succulents and cacti
  ['stonecrop in grit, two years, content', 'Sedum', '2026-05-11', 10, 'mineral', 24, { growth: 'normal', rootsAtHoles: 'one' }, 'leave'],
  ['ghost plant, full in April', 'Graptopetalum', '2026-04-20', 10, 'mineral', 30, { rootsAtHoles: 'every', ballCover: 0.9 }, 'by 8', ['rootsAtHoles', 'ballCover']],
  ['agave, bulging in November', 'Agave', '2026-11-16', 20, 'mineral', 40, { potBulging: true }, '14 to 30', ['potBulging']],
  ['houseleek outdoors, March, over the edge', 'Sempervivum', '2026-03-16', 12, 'mineral', 36, { growthAtWall: true, rootsAtHoles: 'several' }, 'by 10 | leave', null, 'outdoors'],
  ['stem soft at the base', 'Kalanchoe', '2026-11-02', 11, 'mineral', 8, { rot: 'stem', limp: true }, 'rescue', ['rot']],
  ['jade, five years, every hole, June', 'Crassula ovata', '2026-06-08', 17, 'mineral', 60, { rootsAtHoles: 'every', wobble: 'leans' }, 'by 6', ['rootsAtHoles', 'wobble']],
  ['jade, one year, content', 'Crassula ovata', '2026-06-08', 17, 'mineral', 12, FINE, 'leave'],
  ['jade, winter, several roots', 'Crassula ovata', '2026-12-14', 14, 'mineral', 30, { rootsAtHoles: 'several' }, 'leave | 10 to 26'],
  ['winter grower, full in September', 'Aeonium', '2026-09-14', 14, 'mineral', 26, { rootsAtHoles: 'every', ballCover: 0.9 }, 'by 6', ['rootsAtHoles', 'ballCover']],
  ['winter grower, full in July', 'Aeonium', '2026-07-06', 14, 'mineral', 26, { rootsAtHoles: 'every', resting: true }, '6 to 18', ['rootsAtHoles']],
  ['living stones, content in spring', 'Lithops', '2026-04-13', 7, 'mineral', 24, { growth: 'normal' }, 'leave'],
  ['desert rose waking in April, swollen pot', 'Adenium', '2026-04-20', 14, 'mineral', 30, { potBulging: true }, 'by 7', ['potBulging'], 'lamps'],
  ['spurge, content', 'Euphorbia milii', '2026-05-18', 13, 'mineral', 14, { bloom: 'open', growth: 'normal' }, 'leave'],
  ['crown of thorns, tight ball in May', 'Euphorbia milii', '2026-05-18', 13, 'mineral', 40, { ballCover: 1, circling: 'tight' }, 'by 5', ['ballCover', 'circling']],
  ['cactus at the rim, April', 'Gymnocalycium', '2026-04-13', 8, 'mineral', 36, { growthAtWall: true, rootsAtHoles: 'every' }, 'by 8', ['rootsAtHoles', 'growthAtWall']],
  ['cactus in winter rest, full', 'Rebutia', '2026-12-14', 8, 'mineral', 36, { rootsAtHoles: 'every', resting: true }, '11 to 24', ['rootsAtHoles']],
  ['cactus, three years, nothing to see', 'Echinopsis', '2026-05-11', 12, 'mineral', 36, { rootsAtHoles: 'none', growth: 'normal' }, 'leave'],
  ['root mealy in a cactus', 'Rebutia', '2026-02-09', 8, 'mineral', 24, { infestedRoots: true }, 'rescue | now', ['infestedRoots']],
  ['winter cactus, after bloom, tired mix', 'Schlumbergera', '2026-03-09', 13, 'mix', 34, { bloom: 'none', compacted: true, rootsAtHoles: 'several' }, 'by 10', ['compacted', 'mediumAge']],
  ['mistletoe cactus, content', 'Rhipsalis', '2026-06-15', 13, 'mix', 14, FINE, 'leave'],
  ['orchid cactus, bursting, just over bloom', 'Epiphyllum', '2026-06-29', 17, 'mix', 36, { bloom: 'fading', potBulging: true, rootsAtHoles: 'mat' }, 'by 6', ['rootsAtHoles', 'potBulging']],
  // Bulbs and tubers
  ['Natal lily bursting in March', 'Clivia miniata', '2026-03-30', 22, 'loam', 50, { potBulging: true, rootsAtHoles: 'mat', bloom: 'none' }, 'by 8', ['potBulging', 'rootsAtHoles']],
  ['Natal lily bursting and in bud', 'Clivia miniata', '2026-03-02', 22, 'loam', 50, { potBulging: true, rootsAtHoles: 'mat', bloom: 'bud' }, '5 to 16', ['potBulging', 'rootsAtHoles']],
  ['Natal lily, two years, a few roots on top', 'Clivia miniata', '2026-04-20', 20, 'loam', 24, { rootsOnTop: 'few', growth: 'normal' }, 'leave'],
  ['African lily in a tub, bulging in March', 'Agapanthus', '2026-03-16', 25, 'loam', 40, { potBulging: true }, 'by 8', ['potBulging'], 'outdoors'],
  ['African lily in December', 'Agapanthus', '2026-12-14', 25, 'loam', 40, { potBulging: true, rootsAtHoles: 'mat' }, '8 to 20', null, 'outdoors'],
  ['Guernsey lily leafless in August', 'Nerine', '2026-08-10', 15, 'loam', 36, { resting: true, potBulging: true }, 'by 8', ['potBulging'], 'glasshouse'],
  ['amaryllis waking in January', 'Hippeastrum', '2026-01-19', 15, 'loam', 26, { resting: true }, 'by 10 | leave'],
  ['amaryllis in bud', 'Hippeastrum', '2026-02-16', 15, 'loam', 26, { bloom: 'bud' }, 'leave | 4 to 20'],
  ['dahlia tuber waking in March', 'Dahlia', '2026-03-09', 20, 'peatSoil', 12, { resting: true }, 'by 7', null, 'glasshouse'],
  ['tuberous begonia asleep in December', 'Begonia tuberhybrida', '2026-12-14', 14, 'peatSoil', 9, { resting: true }, 'leave | 7 to 20'],
  ['hot water plant asleep in February', 'Achimenes', '2026-02-09', 12, 'peatSoil', 11, { resting: true }, '2 to 14 | leave | now'],
  ['shamrock, full in April', 'Oxalis triangularis', '2026-04-20', 12, 'peatSoil', 24, { rootsAtHoles: 'every', growthAtWall: true }, 'by 6', ['rootsAtHoles', 'growthAtWall']],
  ['silver squill, bulbs pressed, May', 'Ledebouria', '2026-05-11', 10, 'loam', 36, { growthAtWall: true, potBulging: true }, 'by 8', ['potBulging', 'growthAtWall']],
  // Carnivores
  ['trumpet pitcher in March, old peat', 'Sarracenia', '2026-03-09', 15, 'peatSoil', 30, { growthAtWall: true, compacted: true }, 'by 6', ['compacted', 'mediumAge', 'growthAtWall'], 'outdoors'],
  ['trumpet pitcher in October', 'Sarracenia', '2026-10-12', 15, 'peatSoil', 30, { growthAtWall: true, compacted: true }, '15 to 28', null, 'outdoors'],
  ['flytrap waking in late February', 'Dionaea', '2026-02-23', 10, 'peatSoil', 26, { resting: true, compacted: true }, 'by 8', ['compacted', 'mediumAge'], 'glasshouse'],
  ['flytrap in July, content', 'Dionaea', '2026-07-13', 10, 'peatSoil', 8, FINE, 'leave', null, 'glasshouse'],
  ['butterwort in grit, content', 'Pinguicula', '2026-05-18', 9, 'mineral', 20, { growth: 'normal' }, 'leave'],
  ['tropical pitcher, moss gone', 'Nepenthes', '2026-05-04', 13, 'moss', 22, { compacted: true, smell: 'sour' }, 'by 3 | rescue', ['smell', 'compacted', 'mediumAge']],
  ['tropical pitcher, fresh moss', 'Nepenthes', '2026-05-04', 13, 'moss', 4, { growth: 'normal' }, 'leave'],
  // Palms, cycads, figs, citrus, shrubs
  ['parlour palm, two years, content', 'Chamaedorea elegans', '2026-05-11', 17, 'peatSoil', 20, FINE, 'leave'],
  ['sentry palm, roots lift it, April', 'Howea forsteriana', '2026-04-20', 24, 'peatSoil', 48, { rootsOnTop: 'many', potBulging: true, rootsAtHoles: 'mat' }, 'by 10', ['potBulging', 'rootsAtHoles']],
  ['sentry palm, several roots, November', 'Howea forsteriana', '2026-11-09', 24, 'peatSoil', 24, { rootsAtHoles: 'several' }, 'leave | 18 to 36'],
  ['sago, four years, content', 'Cycas revoluta', '2026-05-11', 25, 'loam', 40, { growth: 'normal', rootsAtHoles: 'one' }, 'leave'],
  ['rubber plant, full in March', 'Ficus elastica', '2026-03-23', 19, 'peatSoil', 18, { rootsAtHoles: 'every', ballCover: 0.95 }, 'by 6', ['ballCover', 'rootsAtHoles']],
  ['rubber plant, few roots, wet', 'Ficus elastica', '2026-05-18', 24, 'peatSoil', 6, { ballCover: 0.15, staysWetLonger: true }, 'by 4', ['ballCover', 'staysWetLonger']],
  ['rubber plant, few roots, doing well', 'Ficus elastica', '2026-05-18', 19, 'peatSoil', 3, { ballCover: 0.3, growth: 'normal', smell: 'fresh' }, 'leave'],
  ['weeping fig in a tub, full, autumn', 'Ficus benjamina', '2026-10-12', 40, 'peatSoil', 40, { rootsAtHoles: 'every', circling: 'tight' }, '18 to 34 | by 2', ['rootsAtHoles', 'circling']],
  ['big tub, nothing to see', 'Ficus benjamina', '2026-05-11', 60, 'peatSoil', 16, { growth: 'normal' }, 'leave'],
  ['lemon, full in March', 'Citrus limon', '2026-03-16', 25, 'loam', 30, { rootsAtHoles: 'every', driesSooner: true }, 'by 8', ['rootsAtHoles', 'driesSooner'], 'glasshouse'],
  ['citrus, yellowing in December', 'Citrus', '2026-12-07', 25, 'loam', 14, { oldLeavesYellowing: true }, 'leave | refresh', null, 'glasshouse'],
  ['camellia in bud', 'Camellia', '2026-02-16', 20, 'peatSoil', 30, { bloom: 'bud', rootsAtHoles: 'several' }, '5 to 20 | leave', null, 'glasshouse'],
  ['olive, mat, April in Rome', 'Olea europaea', '2026-04-13', 30, 'loam', 36, { rootsAtHoles: 'mat', driesSooner: true }, 'by 6', ['rootsAtHoles', 'driesSooner'], 'rome'],
  ['storksbill waking in March', 'Pelargonium', '2026-03-09', 12, 'peatSoil', 12, { rootsAtHoles: 'every' }, 'by 6', ['rootsAtHoles'], 'glasshouse'],
  ['fuchsia, spring, full', 'Fuchsia', '2026-03-16', 13, 'peatSoil', 12, { rootsAtHoles: 'every' }, 'by 6', ['rootsAtHoles'], 'glasshouse'],
  ['hibiscus on the equator, December', 'Hibiscus rosa-sinensis', '2026-12-14', 20, 'peatSoil', 14, { rootsAtHoles: 'every', driesSooner: true }, 'by 3', ['rootsAtHoles', 'driesSooner'], 'tropics'],
  ['coffee, two years, old soil, May', 'Coffea arabica', '2026-05-11', 15, 'peatSoil', 28, { compacted: true, rootsAtHoles: 'several' }, 'by 4', ['compacted', 'mediumAge']],
  // Bromeliads, gingers
  ['urn plant, content after three years', 'Aechmea', '2026-05-11', 14, 'mix', 20, { bloom: 'open', growth: 'normal' }, 'leave'],
  ['queen’s tears, bursting, May', 'Billbergia nutans', '2026-05-18', 14, 'mix', 36, { potBulging: true, rootsAtHoles: 'every' }, 'by 6', ['potBulging', 'rootsAtHoles']],
  ['ginger at the wall, March', 'Hedychium', '2026-03-23', 25, 'peatSoil', 20, { growthAtWall: true, potBulging: true }, 'by 5', ['potBulging', 'growthAtWall']],
  // Orchids
  ['walking, roots starting, two years in bark', 'Oncidium', '2026-04-20', 13, 'bark', 24, { newRootTips: 'starting', compacted: true }, 'by 1', ['compacted', 'mediumAge']],
  ['walking, in bloom, tired bark', 'Oncidium', '2026-04-20', 13, 'bark', 22, { bloom: 'open' }, '5 to 16 | leave'],
  ['walking, over the edge in May', 'Encyclia', '2026-05-11', 12, 'bark', 26, { growthAtWall: true, newRootTips: 'starting' }, 'by 1', ['growthAtWall', 'mediumAge']],
  ['walking, fresh bark, fine', 'Brassia', '2026-06-15', 13, 'bark', 6, { growth: 'normal', smell: 'fresh' }, 'leave'],
  ['walking, half the roots dead, September', 'Brassia', '2026-09-07', 13, 'bark', 24, { liveRoots: 0.4, smell: 'sour' }, 'rescue | now', ['liveRoots', 'smell']],
  ['basket orchid, roots outside, content', 'Stanhopea', '2026-05-18', 15, 'moss', 6, { aerialRootsOutside: 'many', growth: 'vigorous' }, 'leave | by 10'],
  ['cool, kite orchid, old moss in October', 'Masdevallia', '2026-10-12', 9, 'moss', 18, { compacted: true }, 'by 6', ['compacted', 'mediumAge'], 'glasshouse'],
  ['cool, kite orchid, old moss in hot July', 'Masdevallia', '2026-07-06', 9, 'moss', 18, { compacted: true }, '6 to 18', ['compacted', 'mediumAge'], 'hotRoom'],
  ['cool, spider-lipped, bulging in March', 'Coelogyne', '2026-03-16', 15, 'bark', 30, { potBulging: true, bloom: 'none', compacted: true }, 'by 6', ['potBulging', 'compacted'], 'glasshouse'],
  ['slipper, two years, spring', 'Paphiopedilum', '2026-04-13', 11, 'bark', 25, { compacted: true, bloom: 'none' }, 'by 6', ['compacted', 'mediumAge']],
  ['slipper, rot in winter', 'Paphiopedilum', '2026-01-12', 11, 'bark', 20, { rot: 'roots', limp: true }, 'rescue', ['rot']],
  ['comet orchid, content, a year', 'Angraecum', '2026-05-18', 13, 'bark', 12, { growth: 'normal' }, 'leave'],
  ['comet orchid, mush in November', 'Angraecum', '2026-11-16', 13, 'bark', 34, { compacted: true, staysWetLonger: true, smell: 'fresh' }, '12 to 28 | by 2', ['compacted', 'mediumAge', 'staysWetLonger']],
  ['ground orchid waking in March', 'Bletilla', '2026-03-09', 15, 'mix', 25, { growthAtWall: true, resting: true }, 'by 6', null, 'outdoors'],
  ['ground orchid in leaf, July', 'Bletilla', '2026-07-13', 15, 'mix', 4, FINE, 'leave', null, 'outdoors'],
  ['jewel orchid, old mix in May', 'Ludisia discolor', '2026-05-11', 11, 'mix', 30, { compacted: true, mediumSunk: true }, 'by 5', ['compacted', 'mediumAge', 'mediumSunk']],
  ['windowsill orchid before growth', 'Pleione', '2026-02-09', 10, 'bark', 12, { resting: true }, 'by 8', null, 'glasshouse'],
  // Words of pots that were seen
  ['mat, yet the ball is loose', 'Schefflera', '2026-05-11', 15, 'peatSoil', 5, { rootsAtHoles: 'every', ballCover: 0.25 }, 'leave'],
  ['bursting but in deep bloom, no hurry', 'Mandevilla', '2026-07-06', 17, 'peatSoil', 15, { rootsAtHoles: 'every', bloom: 'open' }, 'by 30'],
  ['water runs straight through, September', 'Fatsia japonica', '2026-09-07', 17, 'peatSoil', 18, { waterRunsThrough: true, rootsAtHoles: 'every' }, 'by 3 | 18 to 32', ['rootsAtHoles', 'waterRunsThrough']],
  ['ants in a cactus', 'Opuntia', '2026-06-15', 13, 'mineral', 14, { pests: 'ants' }, 'refresh | leave'],
  ['a nursery plug inside, settled in', 'Codiaeum', '2026-05-18', 12, 'peatSoil', 3, { nurseryPlug: true, growth: 'slow' }, 'by 8 | leave', ['nurseryPlug', 'growth']],
];

export const PANEL_SITUATIONS: readonly PanelSituation[] = ROWS.map(([what, taxon, date, potCm, kind, months, signals, accepts, leads, place]) => ({
  what,
  taxon,
  date,
  potCm,
  kind,
  months,
  signals,
  accepts,
  ...(leads ? { leads } : {}),
  ...(place ? { place } : {}),
}));
