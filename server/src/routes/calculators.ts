import {
  blend,
  blendOfRecipe,
  brimfulL,
  centreOfGravity,
  checkPot,
  checkRetention,
  component,
  dayOfYear,
  daylightHours,
  decide,
  dilute,
  extraterrestrialMJ,
  feed,
  fillL,
  LARGEST_POT_CM,
  meanWaterInColumn,
  monthsAboveAir,
  monthsOfStructure,
  potLadder,
  POROMETER_CM,
  resolveTaxon,
  retentionFromPorometer,
  saturationKPa,
  scoopsOf,
  suggestScoop,
  tipAngleDeg,
  topplingPushN,
  TYPICAL_SPOT,
  usualN,
  vpdKPa,
  waterAt,
  standardOptions,
  recipeOfKind,
  type Ingredient,
  type Part,
  type PotOption,
  type PotShape,
  type Situation,
  type Traits,
} from '@fernbank/core';
import { Router, type Request } from 'express';
import Joi from 'joi';
import { invalid } from '../http/errors.ts';
import {
  humidity,
  isoDate,
  latitude,
  light,
  mediumKind,
  potMaterialId,
  potShape,
  recipeId,
  signals,
  sizeSchool,
  temperatures,
  whenSchool,
} from '../http/fields.ts';
import { check } from '../http/validate.ts';

const fraction = () => Joi.number().min(0).max(1);
const above0 = (most: number) => Joi.number().positive().max(most);

/** Stateless sums: each takes a situation and answers with the core's numbers. */
export function calculatorRoutes(): Router {
  const routes = Router();
  const calculator = (path: string, answer: (request: Request) => unknown) =>
    routes.post(path, (request, response) => void response.json(answer(request)));

  calculator('/pot', ({ body }) => potSum(body));
  calculator('/season', ({ body }) => seasonSum(body));
  calculator('/column', ({ body }) => columnSum(body));
  calculator('/mix', ({ body }) => mixSum(body));
  calculator('/stability', ({ body }) => stabilitySum(body));
  calculator('/dilution', ({ body }) => dilutionSum(body));
  calculator('/feed', ({ body }) => feedSum(body));
  calculator('/decision', ({ body }) => decide(situationFrom(check(decisionBody(), body))));
  calculator('/fit', ({ body }) => fitSum(body));
  return routes;
}

function potSum(body: unknown) {
  const headspace = { headspaceCm: Joi.number().min(0).max(LARGEST_POT_CM) };
  const { headspaceCm, ...pot } = check(
    potShape(headspace) as Joi.ObjectSchema<PotShape & { headspaceCm?: number }>,
    body,
  );
  checkPot(pot);
  return { brimfulL: brimfulL(pot), fillL: fillL(pot, headspaceCm) };
}

function seasonSum(body: unknown) {
  const { latitudeDeg, date, temperatureC, relativeHumidity } = check(
    Joi.object<{
      latitudeDeg: number;
      date: string;
      temperatureC?: number;
      relativeHumidity?: number;
    }>({
      latitudeDeg: latitude().required(),
      date: isoDate().required(),
      temperatureC: Joi.number().min(-40).max(60),
      relativeHumidity: humidity(),
    }),
    body,
  );
  const day = dayOfYear(date);
  return {
    daylightHours: daylightHours(latitudeDeg, day),
    extraterrestrialMJ: extraterrestrialMJ(latitudeDeg, day),
    ...(temperatureC === undefined ? {} : { saturationKPa: saturationKPa(temperatureC) }),
    ...(temperatureC === undefined || relativeHumidity === undefined
      ? {}
      : { vpdKPa: vpdKPa(temperatureC, relativeHumidity) }),
  };
}

const columnHeight = () => above0(500).required();
type ColumnBody =
  | { thetaR: number; thetaS: number; alphaPerCm: number; n: number; heightCm: number }
  | { totalPorosity: number; airAt7_6cm: number; n: number; heightCm: number };

function columnSum(body: unknown) {
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
  const schema = Joi.alternatives().conditional(
    Joi.object({ totalPorosity: Joi.exist() }).unknown(),
    {
      then: byPorometer,
      otherwise: byCurve,
    },
  ) as unknown as Joi.Schema<ColumnBody>;
  const given = check(schema, body);
  const curve =
    'totalPorosity' in given
      ? retentionFromPorometer(given.totalPorosity, given.airAt7_6cm, given.n)
      : checkRetention(given);
  const water = meanWaterInColumn(waterAt(curve), given.heightCm);
  return { water, air: curve.thetaS - water, alphaPerCm: curve.alphaPerCm };
}

const ingredient = Joi.alternatives().conditional(Joi.string(), {
  then: Joi.string(),
  otherwise: Joi.object({
    grainMm: above0(200).required(),
    packing: Joi.number().min(0.05).max(0.99).required(),
    dryKgPerL: above0(5).required(),
    totalPorosity: Joi.number().min(0.05).max(0.99).required(),
    airAt7_6cm: above0(0.99).required(),
    n: Joi.number().min(1.05).max(10),
    halfLifeMonths: above0(10_000).allow(null),
  }).required(),
});

interface PartBody {
  component: string | (Omit<Ingredient, 'n' | 'halfLifeMonths'> & Partial<Ingredient>);
  parts: number;
}

const partsBody = () =>
  Joi.array()
    .items(
      Joi.object({
        component: ingredient.required(),
        parts: Joi.number().min(0).max(1e6).required(),
      }),
    )
    .min(1)
    .max(40);

function partFrom({ component: given, parts }: PartBody): Part {
  if (typeof given === 'string') return { ingredient: component(given), parts };
  return {
    ingredient: {
      ...given,
      n: given.n ?? usualN(given.grainMm),
      halfLifeMonths: given.halfLifeMonths ?? null,
    },
    parts,
  };
}

/**
 * Air that roots may need, from the most demanding down: the life of a mix is
 * told for the most demanding plants that it suits when fresh, with some margin.
 */
const AIR_NEEDS = [0.25, 0.18, 0.12, 0.05] as const;
const MARGIN_WHEN_FRESH = 1.25;

function mixSum(body: unknown) {
  const { parts, mixedL, heightCm, scoopL, airNeed, temperatureC } = check(
    Joi.object<{
      parts: PartBody[];
      mixedL: number;
      heightCm: number;
      scoopL?: number;
      airNeed?: number;
      temperatureC: number;
    }>({
      parts: partsBody().required(),
      mixedL: above0(100_000).required(),
      heightCm: above0(500).default(POROMETER_CM),
      scoopL: Joi.number().min(0.001).max(1000),
      airNeed: Joi.number().min(0.01).max(0.9),
      temperatureC: Joi.number().min(-30).max(50).default(20),
    }),
    body,
  );
  const mix = blend(parts.map(partFrom));
  const water = meanWaterInColumn(mix.water, heightCm);
  const air = Math.max(0, mix.totalPorosity - water);
  const litres = mix.measuredPerMixed.map((perMixed) => perMixed * mixedL);
  const { scoops, scoopL: scoop } = scoopL ? scoopsOf(litres, scoopL) : suggestScoop(litres);
  const conditions = { temperatureC, wetness: 1 };
  const need = airNeed ?? AIR_NEEDS.find((candidate) => air > candidate * MARGIN_WHEN_FRESH);
  const lifeMonths =
    need === undefined
      ? monthsOfStructure({ ...mix, air }, conditions)
      : monthsAboveAir({ ...mix, air }, conditions, need);
  return {
    components: litres.map((measureL, i) => ({ measureL, scoops: scoops[i]! })),
    measuredL: mixedL / (1 - mix.shrink),
    mixedL,
    scoopL: scoop,
    shrink: mix.shrink,
    totalPorosity: mix.totalPorosity,
    air,
    water,
    dryKgPerL: mix.dryKgPerL,
    wetKgPerL: mix.dryKgPerL + water,
    lifeMonths,
    airNeed: need ?? null,
  };
}

function stabilitySum(body: unknown) {
  const { baseRadiusCm, bodies, pushHeightCm } = check(
    Joi.object<{
      baseRadiusCm: number;
      bodies: { massKg: number; heightCm: number }[];
      pushHeightCm?: number;
    }>({
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
    body,
  );
  const { massKg, heightCm } = centreOfGravity(bodies);
  return {
    gravityHeightCm: heightCm,
    tipAngleDeg: tipAngleDeg(baseRadiusCm, heightCm),
    ...(pushHeightCm === undefined
      ? {}
      : { pushN: topplingPushN(massKg, baseRadiusCm, pushHeightCm) }),
  };
}

function dilutionSum(body: unknown) {
  const { stockPercent, targetPercent, totalL } = check(
    Joi.object<{ stockPercent: number; targetPercent: number; totalL: number }>({
      stockPercent: above0(100).required(),
      targetPercent: above0(100).required(),
      totalL: above0(1e6).required(),
    }),
    body,
  );
  return dilute(stockPercent, targetPercent, totalL);
}

function feedSum(body: unknown) {
  const { targetPpm, nutrientPercent, totalL } = check(
    Joi.object<{ targetPpm: number; nutrientPercent: number; totalL: number }>({
      targetPpm: above0(5000).required(),
      nutrientPercent: above0(100).required(),
      totalL: above0(1e6).required(),
    }),
    body,
  );
  return feed(targetPpm, nutrientPercent, totalL);
}

interface DecisionBody {
  taxon?: string;
  traits?: Traits;
  date: string;
  spot: Partial<Situation['spot']>;
  pot: PotShape;
  medium: { kind: Situation['medium']['kind']; recipe?: string; parts?: PartBody[] };
  lastRepot: string | null;
  signals: Situation['signals'];
  measurements?: unknown[];
  schools?: Situation['schools'];
}

const situationFields = () => ({
  taxon: Joi.string().trim().min(1).max(160),
  traits: Joi.object().unknown(),
  date: isoDate().required(),
  spot: Joi.object({
    latitudeDeg: latitude(),
    indoors: Joi.boolean(),
    temperatureC: temperatures(),
    relativeHumidity: humidity(),
    lampHours: Joi.number().min(0).max(24),
    light: light(),
  }).default({}),
  pot: potShape().required(),
  medium: Joi.object({
    kind: mediumKind().required(),
    recipe: recipeId(),
    parts: partsBody(),
  }).required(),
  lastRepot: isoDate().allow(null).default(null),
  signals: signals().default({}),
  measurements: Joi.array().max(100_000),
  schools: Joi.object({ when: whenSchool(), size: sizeSchool() }),
});

const decisionBody = () => Joi.object<DecisionBody>(situationFields()).or('taxon', 'traits');

function situationFrom(body: DecisionBody): Situation {
  const { medium, date, pot, lastRepot, signals: found, schools } = body;
  checkPot(pot);
  return {
    traits: traitsFrom(body),
    date,
    spot: { ...TYPICAL_SPOT, ...body.spot },
    pot,
    medium: {
      kind: medium.kind,
      ...(medium.recipe ? { recipe: medium.recipe } : {}),
      ...(medium.parts ? { parts: medium.parts.map(partFrom) } : {}),
    },
    lastRepot,
    signals: found,
    ...(schools ? { schools } : {}),
  };
}

/** Full traits win; with a taxon they only need to say what differs. */
function traitsFrom({ taxon, traits }: DecisionBody): Traits {
  const known = taxon === undefined ? null : resolveTaxon(taxon);
  if (taxon !== undefined && !known && !traits) {
    throw invalid('taxon', `“${taxon}” is not in the catalogue: name a genus or a group`);
  }
  const complete = { ...(known ?? resolveTaxon('foliageShrub')!).traits, ...traits };
  for (const [name, value] of Object.entries(traits ?? {})) {
    const usual =
      known?.traits[name as keyof Traits] ??
      resolveTaxon('foliageShrub')!.traits[name as keyof Traits];
    if (usual === undefined) throw invalid(`traits.${name}`, `traits.${name} is not a trait`);
    if (value !== null && usual !== null && typeof value !== typeof usual) {
      throw invalid(`traits.${name}`, `traits.${name} must be a ${typeof usual}`);
    }
  }
  return complete;
}

interface FitBody extends DecisionBody {
  pots: (PotShape & { id?: string; label?: string; material: PotOption['material'] })[];
  mix?: string | PartBody[];
  support?: { lengthCm: number; kg: number };
  plantHeightCm: number;
}

function fitSum(body: unknown) {
  const given = check(
    Joi.object<FitBody>({
      ...situationFields(),
      pots: Joi.array()
        .items(
          potShape({
            id: Joi.string().max(80),
            label: Joi.string().max(80),
            material: potMaterialId().default('plastic'),
          }),
        )
        .max(500)
        .default([]),
      mix: Joi.alternatives().conditional(Joi.string(), {
        then: recipeId(),
        otherwise: partsBody(),
      }),
      support: Joi.object({
        lengthCm: above0(1000).required(),
        kg: Joi.number().min(0).max(1000).default(0.2),
      }),
      plantHeightCm: above0(1000).default(30),
    }).or('taxon', 'traits'),
    body,
  );
  const situation = situationFrom(given);
  const owned: PotOption[] = given.pots.map(({ id, label, material, ...outside }, i) => ({
    id: id ?? `pot-${i + 1}`,
    label: label ?? `pot ${i + 1}`,
    outside,
    material,
    owned: true,
  }));
  const mix =
    typeof given.mix === 'string'
      ? blendOfRecipe(given.mix)
      : given.mix
        ? blend(given.mix.map(partFrom))
        : blendOfRecipe(given.medium.recipe ?? recipeOfKind(given.medium.kind).id);
  const { rungs, choice, because, school } = potLadder({
    situation,
    options: owned.length > 0 ? owned : standardOptions(situation.pot),
    mix,
    plantHeightCm: given.plantHeightCm,
    ...(given.support ? { support: given.support } : {}),
  });
  return {
    ladder: rungs.map((rung) => ({
      pot: rung.option,
      newMediumL: rung.newMediumL,
      monthsToCrowded: rung.monthsToCrowded,
      mediumMonths: rung.mediumMonths,
      daysToDry: rung.daysToDryInGrowth,
      daysToDryAtRest: rung.daysToDryAtRest,
      tipAngleDeg: rung.stance.tipAngleDryDeg,
      wetKg: rung.stance.wetKg,
      verdict: rung.verdict,
      because: rung.because,
    })),
    choice: choice === null ? null : rungs[choice]!.option.id,
    because,
    school,
  };
}
