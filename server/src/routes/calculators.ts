import {
  blend,
  blendOfRecipe,
  brimfulL,
  centreOfGravity,
  checkPot,
  checkRetention,
  dayOfYear,
  daylightHours,
  decide,
  dilute,
  extraterrestrialMJ,
  feed,
  fillL,
  kindOfRecipe,
  LARGEST_POT_CM,
  meanWaterInColumn,
  mediumLife,
  nominalPot,
  planCuts,
  potLadder,
  POROMETER_CM,
  recipe,
  recipeOfKind,
  retentionFromPorometer,
  saturationKPa,
  scoopsOf,
  standardOptions,
  suggestScoop,
  tipAngleDeg,
  topplingPushN,
  vpdKPa,
  waterAt,
  type DrainageLayer,
  type PotFeatures,
  type PotMaterialId,
  type PotOption,
  type PotShape,
  type RootCuts,
} from '@fernbank/core';
import Joi from 'joi';
import { DescribedRouter, type Described } from '../http/described.ts';
import {
  above0,
  drainageLayer,
  fraction,
  humidity,
  isoDate,
  latitude,
  potMaterialId,
  potShape,
  potTone,
  rootCuts,
} from '../http/fields.ts';
import { day } from './calcDay.ts';
import { aftercare, life, water } from './calcPlant.ts';
import { solver } from '../services/solver.ts';
import {
  mixBody,
  mixFrom,
  partFrom,
  partsBody,
  type GivenMix,
  type PartBody,
} from '../http/parts.ts';
import {
  decisionBody,
  situationFields,
  situationFrom,
  type DecisionBody,
} from '../http/situation.ts';

type Calculator<Body> = Described<Body> & Required<Pick<Described<Body>, 'body' | 'sum'>>;

/** Stateless sums: each takes a situation and answers with the core's numbers. */
export function calculatorRoutes(): DescribedRouter<'/calc'> {
  const routes = new DescribedRouter('/calc');
  routes.calculator('/pot', pot);
  routes.calculator('/season', season);
  routes.calculator('/column', column);
  routes.calculator('/mix', mix);
  routes.calculator('/stability', stability);
  routes.calculator('/dilution', dilution);
  routes.calculator('/feed', feeding);
  routes.calculator('/decision', decision);
  routes.calculator('/fit', fit);
  routes.calculator('/cuts', cuts);
  routes.calculator('/day', day);
  routes.calculator('/aftercare', aftercare);
  routes.calculator('/water', water);
  routes.calculator('/life', life);
  return routes;
}

const pot: Calculator<PotShape & { headspaceCm?: number }> = {
  summary: 'litres of a pot, brimful and filled to below the rim',
  body: potShape({ headspaceCm: Joi.number().min(0).max(LARGEST_POT_CM) }),
  example: { shape: 'round', topDiameterCm: 15, baseDiameterCm: 11, heightCm: 13.5 },
  sum: ({ headspaceCm, ...shape }) => {
    checkPot(shape);
    return { brimfulL: brimfulL(shape), fillL: fillL(shape, headspaceCm) };
  },
};

interface SeasonBody {
  latitudeDeg: number;
  date: string;
  temperatureC?: number;
  relativeHumidity?: number;
}
const season: Calculator<SeasonBody> = {
  summary: 'daylight, radiation above the air, and how dry the air is',
  body: Joi.object<SeasonBody, true>({
    latitudeDeg: latitude().required(),
    date: isoDate().required(),
    temperatureC: Joi.number().min(-40).max(60),
    relativeHumidity: humidity(),
  }),
  example: { latitudeDeg: -20, date: '2026-09-03', temperatureC: 24.5, relativeHumidity: 0.5 },
  sum: ({ latitudeDeg, date, temperatureC, relativeHumidity }) => {
    const day = dayOfYear(date);
    return {
      daylightHours: daylightHours(latitudeDeg, day),
      extraterrestrialMJ: extraterrestrialMJ(latitudeDeg, day),
      ...(temperatureC === undefined ? {} : { saturationKPa: saturationKPa(temperatureC) }),
      ...(temperatureC === undefined || relativeHumidity === undefined
        ? {}
        : { vpdKPa: vpdKPa(temperatureC, relativeHumidity) }),
    };
  },
};

const columnHeight = () => above0(500).required();
type ColumnBody =
  | { thetaR: number; thetaS: number; alphaPerCm: number; n: number; heightCm: number }
  | { totalPorosity: number; airAt7_6cm: number; n: number; heightCm: number };
const byCurve = Joi.object({
  thetaR: fraction().required(),
  thetaS: fraction().required(),
  alphaPerCm: above0(1000).required(),
  n: Joi.number().min(1.01).max(20).required(),
  heightCm: columnHeight(),
});
const byPorometer = Joi.object({
  totalPorosity: fraction().required(),
  airAt7_6cm: fraction().required(),
  n: Joi.number().min(1.05).max(10).required(),
  heightCm: columnHeight(),
});
const column: Calculator<ColumnBody> = {
  summary: 'water and air of a drained column, by its retention curve',
  body: Joi.alternatives().conditional(Joi.object({ totalPorosity: Joi.exist() }).unknown(), {
    then: byPorometer,
    otherwise: byCurve,
  }) as unknown as Joi.Schema<ColumnBody>,
  example: { totalPorosity: 0.82, airAt7_6cm: 0.48, n: 1.9, heightCm: 12 },
  sum: (given) => {
    const curve =
      'totalPorosity' in given
        ? retentionFromPorometer(given.totalPorosity, given.airAt7_6cm, given.n)
        : checkRetention(given);
    const water = meanWaterInColumn(waterAt(curve), given.heightCm);
    return { water, air: curve.thetaS - water, alphaPerCm: curve.alphaPerCm };
  },
};

/** A pot that lives are told for where none is named, cm. */
const USUAL_RIM_CM = 14;

interface MixBody {
  parts: PartBody[];
  mixedL: number;
  heightCm?: number;
  scoopL?: number;
  airNeed?: number;
  temperatureC?: number;
}
const mix: Calculator<MixBody> = {
  summary:
    'a recipe measured out: litres and scoops of each part, shrink, air, water, weight, life',
  body: Joi.object<MixBody, true>({
    parts: partsBody().required(),
    mixedL: above0(100_000).required(),
    heightCm: above0(500).default(POROMETER_CM),
    scoopL: Joi.number().min(0.001).max(1000),
    airNeed: Joi.number().min(0.01).max(0.9),
    temperatureC: Joi.number().min(-30).max(50).default(20),
  }),
  example: {
    parts: [
      { component: 'barkMedium', parts: 7 },
      { component: 'perlite', parts: 2 },
      { component: 'charcoal', parts: 1 },
    ],
    mixedL: 5,
    heightCm: 12,
  },
  sum: ({ parts, mixedL, heightCm = POROMETER_CM, scoopL, airNeed, temperatureC = 20 }) => {
    const made = blend(parts.map(partFrom));
    const water = meanWaterInColumn(made.water, heightCm);
    const air = Math.max(0, made.totalPorosity - water);
    const litres = made.measuredPerMixed.map((perMixed) => perMixed * mixedL);
    const { scoops, scoopL: scoop } = scoopL ? scoopsOf(litres, scoopL) : suggestScoop(litres);
    const usual = nominalPot(USUAL_RIM_CM);
    const plant = { airNeed: airNeed ?? null, drying: 'littleDry' } as const;
    const { months: lifeMonths, judgedBy } = mediumLife(made, usual, plant, temperatureC);
    return {
      components: litres.map((measureL, i) => ({ measureL, scoops: scoops[i]! })),
      measuredL: mixedL / (1 - made.shrink),
      mixedL,
      scoopL: scoop,
      shrink: made.shrink,
      totalPorosity: made.totalPorosity,
      air,
      water,
      dryKgPerL: made.dryKgPerL,
      wetKgPerL: made.dryKgPerL + water,
      lifeMonths,
      /** it is less airy than was asked for: a caution about the choice */
      airier: judgedBy === 'tooWetFromStart',
    };
  },
};

interface StabilityBody {
  baseRadiusCm: number;
  bodies: { massKg: number; heightCm: number }[];
  pushHeightCm?: number;
}
const stability: Calculator<StabilityBody> = {
  summary: 'centre of gravity, tip angle and the push that topples',
  body: Joi.object<StabilityBody, true>({
    baseRadiusCm: above0(1000).required(),
    bodies: Joi.array()
      .items(
        Joi.object({
          massKg: Joi.number().min(0).max(100_000).required(),
          heightCm: Joi.number().min(0).max(10_000).required(),
        }),
      )
      .min(1)
      .max(200)
      .required(),
    pushHeightCm: above0(10_000),
  }),
  example: { baseRadiusCm: 5.5, bodies: [{ massKg: 2, heightCm: 30 }], pushHeightCm: 80 },
  sum: ({ baseRadiusCm, bodies, pushHeightCm }) => {
    const { massKg, heightCm } = centreOfGravity(bodies);
    return {
      gravityHeightCm: heightCm,
      tipAngleDeg: tipAngleDeg(baseRadiusCm, heightCm),
      ...(pushHeightCm === undefined
        ? {}
        : { pushN: topplingPushN(massKg, baseRadiusCm, pushHeightCm) }),
    };
  },
};

interface DilutionBody {
  stockPercent: number;
  targetPercent: number;
  totalL: number;
}
const dilution: Calculator<DilutionBody> = {
  summary: 'how much stock and water make a weaker solution',
  body: Joi.object<DilutionBody, true>({
    stockPercent: above0(100).required(),
    targetPercent: above0(100).required(),
    totalL: above0(1e6).required(),
  }),
  example: { stockPercent: 5, targetPercent: 0.5, totalL: 10 },
  sum: ({ stockPercent, targetPercent, totalL }) => dilute(stockPercent, targetPercent, totalL),
};

interface FeedBody {
  targetPpm: number;
  nutrientPercent: number;
  totalL: number;
}
const feeding: Calculator<FeedBody> = {
  summary: 'grams of a feed for a strength in parts per million',
  body: Joi.object<FeedBody, true>({
    targetPpm: above0(5000).required(),
    nutrientPercent: above0(100).required(),
    totalL: above0(1e6).required(),
  }),
  example: { targetPpm: 200, nutrientPercent: 20, totalL: 10 },
  sum: ({ targetPpm, nutrientPercent, totalL }) => feed(targetPpm, nutrientPercent, totalL),
};

const SITUATION: DecisionBody = {
  taxon: 'Davallia fejeensis',
  date: '2026-03-20',
  spot: { latitudeDeg: 54, indoors: true, temperatureC: 20, relativeHumidity: 0.5, lampHours: 0 },
  pot: { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 },
  medium: { kind: 'bark' },
  lastRepot: '2024-05-01',
  signals: { rootsAtHoles: 'several', smell: 'fresh' },
};

const decision: Calculator<DecisionBody> = {
  summary: 'repot, when, or leave: verdict, reasons, curves, what would turn it',
  body: decisionBody(),
  example: SITUATION,
  sum: (body) => {
    const decided = decide(situationFrom(body));
    return { ...decided, refresh: decided.now };
  },
};

interface FitBody extends DecisionBody {
  pots?: (PotShape & PotFeatures & { id?: string; label?: string; material?: PotMaterialId })[];
  mix?: GivenMix;
  support?: { lengthCm: number; kg?: number };
  plantHeightCm?: number;
  headroomCm?: number;
  layer?: DrainageLayer;
  cuts?: RootCuts;
}
const SUPPORT_KG = 0.2;
const PLANT_HEIGHT_CM = 30;
const features = {
  holes: Joi.number().integer().min(0).max(200),
  tone: potTone(),
  reservoirL: Joi.number().min(0).max(100),
  wicks: Joi.number().integer().min(0).max(20),
  hangs: Joi.boolean(),
};

const fit: Calculator<FitBody> = {
  summary: 'the ladder of pots for a plant, and the one to take',
  body: Joi.object<FitBody, true>({
    ...situationFields(),
    pots: Joi.array()
      .items(
        potShape({
          id: Joi.string().max(80),
          label: Joi.string().max(80),
          material: potMaterialId().default('plastic'),
          ...features,
        }),
      )
      .max(500)
      .default([]),
    mix: mixBody(),
    support: Joi.object({
      lengthCm: above0(1000).required(),
      kg: Joi.number().min(0).max(1000).default(SUPPORT_KG),
    }),
    plantHeightCm: above0(1000).default(PLANT_HEIGHT_CM),
    headroomCm: above0(2000),
    layer: drainageLayer(),
    cuts: rootCuts(),
  }).or('taxon', 'traits'),
  example: {
    ...SITUATION,
    pots: [
      { shape: 'round', topDiameterCm: 17, baseDiameterCm: 12, heightCm: 13, label: 'green 17' },
      { shape: 'round', topDiameterCm: 24, baseDiameterCm: 17, heightCm: 18, label: 'glazed 24' },
    ],
    mix: 'barkEpiphyte',
  },
  sum: (given) => {
    const { pots = [], support, plantHeightCm = PLANT_HEIGHT_CM, headroomCm, layer, cuts } = given;
    const situation = situationFrom(given);
    const { rungs, choice, leastBad, because, school } = potLadder({
      situation,
      options: pots.length > 0 ? pots.map(optionFrom) : standardOptions(situation.pot),
      mix: blendGiven(given),
      ...(typeof given.mix === 'string'
        ? { newKind: kindOfRecipe(given.mix, recipe(given.mix).parts) }
        : {}),
      plantHeightCm,
      ...(support ? { support: supportFrom(support) } : {}),
      ...(headroomCm === undefined ? {} : { headroomCm }),
      ...(layer ? { layer } : {}),
      ...(cuts ? { cuts } : {}),
    });
    return {
      ladder: rungs.map((rung) => ({
        pot: rung.option,
        newMediumL: rung.newMediumL,
        monthsToCrowded: rung.monthsToCrowded,
        crowdedBand: rung.crowdedBand,
        mediumMonths: rung.mediumMonths,
        watering: rung.drying.watering,
        daysToDry: rung.drying.growthDays,
        daysToDryAtRest: rung.drying.restDays,
        tipAngleDeg: rung.stance.tipAngleDryDeg,
        tipAngleWetDeg: rung.stance.tipAngleWetDeg,
        wetKg: rung.stance.wetKg,
        heightCm: rung.stance.topCm,
        depth: rung.depth,
        notes: rung.notes,
        verdict: rung.verdict,
        because: rung.because,
      })),
      choice: rungs[choice ?? leastBad ?? -1]?.option.id ?? null,
      /** none will do as things are: the choice is the least bad */
      leastBad: choice === null,
      because,
      school,
    };
  },
};

function optionFrom(given: NonNullable<FitBody['pots']>[number], i: number): PotOption {
  const {
    id,
    label,
    material = 'plastic',
    holes,
    tone,
    reservoirL,
    wicks,
    hangs,
    ...outside
  } = given;
  const known = { holes, tone, reservoirL, wicks, hangs };
  return {
    id: id ?? `pot-${i + 1}`,
    label: label ?? `pot ${i + 1}`,
    outside,
    material,
    source: 'free',
    features: Object.fromEntries(
      Object.entries(known).filter(([, value]) => value !== undefined),
    ) as PotFeatures,
  };
}

function supportFrom({ lengthCm, kg = SUPPORT_KG }: NonNullable<FitBody['support']>) {
  return { lengthCm, dryKg: kg, wetKg: kg };
}

function blendGiven({ mix: given, medium }: FitBody) {
  if (given) return mixFrom(given);
  return blendOfRecipe(medium.recipe ?? recipeOfKind(medium.kind).id);
}

interface CutsBody {
  stockCm: (number | { lengthCm: number; count?: number })[];
  pieces: { lengthCm: number; count: number }[];
  kerfCm?: number;
}
const stockLength = () => Joi.number().min(1).max(10_000).required();
const pieceCount = () => Joi.number().integer().min(1).max(1000);
const cuts: Calculator<CutsBody> = {
  summary: 'pieces cut from stock lengths with the least length used, proven where it can be',
  heavy: true,
  body: Joi.object<CutsBody, true>({
    stockCm: Joi.array()
      .items(
        Joi.alternatives().conditional(Joi.number(), {
          then: stockLength(),
          otherwise: Joi.object({ lengthCm: stockLength(), count: pieceCount() }),
        }),
      )
      .min(1)
      .max(60)
      .required(),
    pieces: Joi.array()
      .items(
        Joi.object({
          lengthCm: Joi.number().min(0.1).max(10_000).required(),
          count: pieceCount().required(),
        }),
      )
      .min(1)
      .max(60)
      .required(),
    kerfCm: Joi.number().min(0).max(10).default(0),
  }),
  example: {
    stockCm: [120, { lengthCm: 80, count: 2 }],
    pieces: [
      { lengthCm: 55, count: 3 },
      { lengthCm: 38, count: 4 },
    ],
    kerfCm: 0.3,
  },
  sum: async ({ stockCm, pieces, kerfCm = 0 }) =>
    planCuts(
      {
        stock: stockCm.map((stock) => (typeof stock === 'number' ? { lengthCm: stock } : stock)),
        pieces,
        kerfCm,
      },
      await solver(),
    ),
};
