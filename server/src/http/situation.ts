import {
  checkPot,
  type MeasuredFinding,
  type Spot,
  resolveTaxon,
  TYPICAL_SPOT,
  type PotShape,
  type Situation,
  type Traits,
  SCHOOL_IDS,
} from '@fernbank/core';
import Joi from 'joi';
import { logsOf } from '../services/logs.ts';
import { invalid } from './errors.ts';
import {
  humidity,
  isoDate,
  latitude,
  light,
  mediumKind,
  minute,
  potShape,
  shippedRecipeId,
  signals,
  temperatures,
  schoolChoices,
} from './fields.ts';
import { partFrom, partsBody, type PartBody } from './parts.ts';

interface Measured {
  date: string;
  minute?: number;
  kind: 'weightKg' | 'watered' | 'heightCm';
  value?: number;
}

/** A situation as it comes in. */
export interface DecisionBody {
  taxon?: string;
  traits?: Traits;
  date: string;
  spot: Partial<Situation['spot']>;
  pot: PotShape;
  medium: { kind: Situation['medium']['kind']; recipe?: string; parts?: PartBody[] };
  lastRepot: string | null;
  signals: Situation['signals'];
  measurements?: Measured[];
  schools?: Situation['schools'];
}

export const situationFields = () => ({
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
    recipe: shippedRecipeId(),
    parts: partsBody(),
  }).required(),
  lastRepot: isoDate().allow(null).default(null),
  signals: signals().default({}),
  measurements: Joi.array()
    .items(
      Joi.object({
        date: isoDate().required(),
        minute: minute(),
        kind: Joi.string().valid('weightKg', 'watered', 'heightCm').required(),
        value: Joi.number().positive().max(2000).default(1),
      }),
    )
    .max(20_000),
  schools: schoolChoices(SCHOOL_IDS),
});

export const decisionBody = () =>
  Joi.object<DecisionBody, true>(situationFields()).or('taxon', 'traits');

/** The core's situation. @throws HttpError 422 for an unknown taxon or trait */
export function situationFrom(body: DecisionBody): Situation {
  const { medium, date, pot, lastRepot, signals: found, schools } = body;
  checkPot(pot);
  const traits = traitsFrom(body);
  const spot = { ...TYPICAL_SPOT, ...body.spot };
  const measured = measuredFrom(body, spot, traits);
  return {
    traits,
    date,
    spot,
    pot,
    medium: {
      kind: medium.kind,
      ...(medium.recipe ? { recipe: medium.recipe } : {}),
      ...(medium.parts ? { parts: medium.parts.map(partFrom) } : {}),
    },
    lastRepot,
    signals: found,
    ...(schools ? { schools } : {}),
    ...(measured.length > 0 ? { measured } : {}),
  };
}

/** Findings of a log that comes with a situation: what was measured since the last repot. */
function measuredFrom(
  { measurements = [], lastRepot, date }: DecisionBody,
  spot: Spot,
  traits: Traits,
): MeasuredFinding[] {
  const since = measurements
    .filter((taken) => taken.date <= date && (lastRepot === null || taken.date >= lastRepot))
    .map(({ value = 1, ...taken }) => ({ ...taken, value }));
  return logsOf(since, spot, traits).measured;
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
