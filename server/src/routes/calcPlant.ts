import {
  aftercarePlan,
  taskTitle,
  taskWhy,
  blendOf,
  dryingOfPresent,
  mediumLife,
  nominalPot,
  resolveTaxon,
  type AftercareRequest,
  type Medium,
  type PotMaterialId,
  type PotShape,
} from '@fernbank/core';
import Joi from 'joi';
import type { Described } from '../http/described.ts';
import { invalid } from '../http/errors.ts';
import { fraction, mediumKind, potMaterialId, potShape, shippedRecipeId } from '../http/fields.ts';
import { mixBody, mixFrom, partsBody, type GivenMix, type PartBody } from '../http/parts.ts';
import { situationFields, situationFrom, type DecisionBody } from '../http/situation.ts';

type Calculator<Body> = Described<Body> & Required<Pick<Described<Body>, 'body' | 'sum'>>;

const FERN: DecisionBody = {
  taxon: 'Davallia fejeensis',
  date: '2026-03-20',
  spot: { latitudeDeg: 54, indoors: true, temperatureC: 20, relativeHumidity: 0.5, lampHours: 0 },
  pot: { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 },
  medium: { kind: 'bark' },
  lastRepot: '2024-05-01',
  signals: {},
};

interface AftercareBody extends DecisionBody {
  to: Medium;
  work: AftercareRequest['roots']['work'];
  rootsCut?: boolean;
  liveRoots?: number;
  pieces?: number;
  rotten?: boolean;
  tied?: boolean;
  mound?: boolean;
  jar?: boolean;
}

/** What comes after a repot, day by day. */
export const aftercare: Calculator<AftercareBody> = {
  summary: 'what to do after a repot: first water, damp or dry, shade, feed, looks',
  body: Joi.object<AftercareBody, true>({
    ...situationFields(),
    to: Joi.object({ kind: mediumKind().required(), recipe: shippedRecipeId() }).required(),
    work: Joi.string().valid('ballKept', 'mostOff', 'bareRoot').required(),
    rootsCut: Joi.boolean().default(false),
    liveRoots: fraction(),
    pieces: Joi.number().integer().min(1).max(20),
    rotten: Joi.boolean(),
    tied: Joi.boolean(),
    mound: Joi.boolean(),
    jar: Joi.boolean(),
  }).or('taxon', 'traits'),
  example: { ...FERN, to: { kind: 'mix' }, work: 'mostOff', rootsCut: true },
  sum: (given) => {
    const { traits, spot, signals, medium } = situationFrom(given);
    const { date, to, work, rootsCut = false, liveRoots, pieces, rotten, tied, mound, jar } = given;
    const seen = typeof signals.liveRoots === 'number' ? signals.liveRoots : undefined;
    return {
      tasks: aftercarePlan({
        date,
        traits,
        spot,
        from: medium.kind,
        to: to.kind,
        roots: { work, rootsCut },
        liveRoots: liveRoots ?? seen,
        pieces,
        rotten: rotten ?? (signals.rot === 'roots' || signals.rot === 'stem'),
        inBloom: signals.bloom === 'bud' || signals.bloom === 'open',
        tied,
        mound,
        jar,
      }).map(({ words, ...task }) => ({ ...task, title: taskTitle(words), why: taskWhy(words) })),
    };
  },
};

interface WaterBody extends DecisionBody {
  mix?: GivenMix;
  material?: PotMaterialId;
}

/** How long a plant goes between waterings, as it stands, rooted through its pot. */
export const water: Calculator<WaterBody> = {
  summary: 'days between waterings over the year, what the pot holds and what is used of it',
  body: Joi.object<WaterBody, true>({
    ...situationFields(),
    mix: mixBody(),
    material: potMaterialId().default('plastic'),
  }).or('taxon', 'traits'),
  example: { ...FERN, mix: 'barkEpiphyte' },
  sum: (given) => {
    const situation = situationFrom(given);
    const { kind } = situation.medium;
    const mix = given.mix ? mixFrom(given.mix) : blendOf(situation.medium);
    const drying = dryingOfPresent(situation, mix, kind, given.material);
    const { watering, growthDays, restDays, byMonth, growthG, heldL } = drying;
    return {
      watering,
      daysToDry: growthDays,
      /** null: it is kept dry at rest */
      daysToDryAtRest: restDays,
      byMonth,
      useGPerDay: growthG,
      holdsG: 1000 * heldL,
    };
  },
};

interface LifeBody {
  taxon?: string;
  group?: string;
  mix?: string;
  parts?: PartBody[];
  pot?: PotShape;
  temperatureC?: number;
}

/** How long a medium serves a plant: the same number that verdict, mix and fit show. */
export const life: Calculator<LifeBody> = {
  summary: 'months that a medium serves a plant in a pot, and its air when fresh',
  body: Joi.object<LifeBody, true>({
    taxon: Joi.string().trim().min(1).max(160),
    group: Joi.string().trim().min(1).max(160),
    mix: shippedRecipeId(),
    parts: partsBody(),
    pot: potShape(),
    temperatureC: Joi.number().min(-30).max(50).default(20),
  })
    .or('taxon', 'group')
    .or('mix', 'parts'),
  example: { taxon: 'Davallia fejeensis', mix: 'barkEpiphyte', pot: FERN.pot },
  sum: ({ taxon, group, mix, parts, pot = nominalPot(14), temperatureC = 20 }) => {
    const found = resolveTaxon((taxon ?? group)!);
    const field = taxon ? 'taxon' : 'group';
    if (!found) throw invalid(field, `“${taxon ?? group}” is not in the catalogue`);
    const made = mixFrom(parts ?? mix!);
    const { months, freshAir, judgedBy } = mediumLife(made, pot, found.traits, temperatureC);
    return { lifeMonths: months, freshAir, airier: judgedBy === 'tooWetFromStart' };
  },
};
