import {
  component,
  laidDay,
  nominalPot,
  planDay,
  recipe as shippedRecipe,
  shoppingList,
  USUAL_OVERHEADS,
  type Cleaning,
  type DayMix,
  type DayPot,
  type DayProblem,
  type Pin,
  type PinConflict,
  type RecipePart,
  type Tidiness,
} from '@fernbank/core';
import { CLEANINGS, LONGEST_DAY_MINUTES, MOST_DATES, MOST_HANDS, TIDINESS } from '@fernbank/core';
import Joi from 'joi';
import type { Described } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { isoDate, recipeParts, rowId, shippedRecipeId, supportKindId } from '../http/fields.ts';
import { daySolvers } from '../services/solver.ts';
import { pin } from './pins.ts';

interface DayBody {
  date?: string;
  minutes?: number;
  dates?: { date: string; minutes: number }[];
  hands: number;
  money: number | null;
  cleaning: Cleaning;
  seconds: number;
  scoopL?: number;
  tubL?: number;
  plants: {
    id: number;
    name?: string;
    gain: number | number[];
    mix: string | RecipePart[];
    tidiness: Tidiness;
    soakMinutes: number;
    support: DayProblem['plants'][number]['support'];
    options: { pot: string; minutes: number; filledL: number; penalty: number }[];
  }[];
  pots: {
    id: string;
    label?: string;
    count?: number | number[];
    leftBy?: number;
    staysWith?: number;
    price?: number | null;
  }[];
  stock: {
    component: string;
    openL: number;
    bags: number;
    bagL: number | null;
    pricePerBag: number | null;
  }[];
  poles: { kind: DayProblem['poles'][number]['kind']; lengthCm: number; count: number | null }[];
  pins: Pin[];
}

const TODAY_OF_NOBODY = '2026-03-21';
const MOST_SECONDS = 5;
const SHAPE_OF_NO_MATTER = nominalPot(14);
const litres = () => Joi.number().min(0).max(100_000);
const minutes = () => Joi.number().min(0.1).max(LONGEST_DAY_MINUTES);
const price = () => Joi.number().min(0).max(1e6).allow(null);

/** A potting day that is told in full: nothing is read of the collection. */
export const day: Described<DayBody> & Required<Pick<Described<DayBody>, 'body' | 'sum'>> = {
  summary: 'plan a potting day: plants, pots handed down, mixes, bags, within minutes and money',
  heavy: true,
  body: Joi.object<DayBody, true>({
    date: isoDate(),
    minutes: minutes(),
    dates: Joi.array()
      .items(Joi.object({ date: isoDate().required(), minutes: minutes().required() }))
      .min(1)
      .max(MOST_DATES),
    hands: Joi.number().integer().min(1).max(MOST_HANDS).default(1),
    money: price().default(null),
    cleaning: Joi.string()
      .valid(...Object.keys(CLEANINGS))
      .default('soak'),
    seconds: Joi.number().min(0.1).max(MOST_SECONDS).default(2),
    scoopL: Joi.number().min(0.01).max(50),
    tubL: Joi.number().min(0.1).max(2000),
    plants: Joi.array()
      .items(
        Joi.object({
          id: rowId().required(),
          name: Joi.string().trim().min(1).max(120),
          gain: Joi.alternatives()
            .try(
              Joi.number().min(-1000).max(1000),
              Joi.array().items(Joi.number().min(-1000).max(1000)).max(MOST_DATES),
            )
            .required(),
          mix: Joi.alternatives()
            .conditional(Joi.string(), { then: shippedRecipeId(), otherwise: recipeParts() })
            .required(),
          tidiness: Joi.string()
            .valid(...TIDINESS)
            .default('clean'),
          soakMinutes: Joi.number().min(0).max(600).default(0),
          support: Joi.object({
            kind: supportKindId().required(),
            lengthCm: Joi.number().min(1).max(1000).required(),
            poles: Joi.number().integer().min(1).max(20).default(1),
          })
            .allow(null)
            .default(null),
          options: Joi.array()
            .items(
              Joi.object({
                pot: Joi.string().min(1).max(80).required(),
                minutes: minutes().required(),
                filledL: Joi.number().min(0).max(1000).required(),
                penalty: Joi.number().min(0).max(1000).default(0),
              }),
            )
            .max(60)
            .required(),
        }),
      )
      .min(1)
      .max(200)
      .required(),
    pots: Joi.array()
      .items(
        Joi.object({
          id: Joi.string().min(1).max(80).required(),
          label: Joi.string().trim().min(1).max(120),
          count: Joi.alternatives().try(
            Joi.number().integer().min(0).max(10_000),
            Joi.array().items(Joi.number().integer().min(0).max(10_000)).max(MOST_DATES),
          ),
          leftBy: rowId(),
          staysWith: rowId(),
          price: price(),
        }).oxor('count', 'leftBy', 'staysWith', 'price'),
      )
      .min(1)
      .max(500)
      .required(),
    stock: Joi.array()
      .items(
        Joi.object({
          component: Joi.string().min(1).max(40).required(),
          openL: litres().default(0),
          bags: Joi.number().integer().min(0).max(10_000).default(0),
          bagL: Joi.number().positive().max(10_000).allow(null).default(null),
          pricePerBag: price().default(null),
        }),
      )
      .max(60)
      .default([]),
    poles: Joi.array()
      .items(
        Joi.object({
          kind: supportKindId().required(),
          lengthCm: Joi.number().min(1).max(10_000).required(),
          count: Joi.number().integer().min(0).max(1000).allow(null).default(null),
        }),
      )
      .max(60)
      .default([]),
    pins: Joi.array().items(pin()).max(400).default([]),
  }).xor('minutes', 'dates'),
  example: {
    minutes: 120,
    hands: 1,
    money: 20,
    cleaning: 'rinse',
    seconds: 1,
    plants: [
      {
        id: 1,
        name: 'fern by the door',
        gain: 0.4,
        mix: 'everyday',
        tidiness: 'clean',
        soakMinutes: 0,
        support: null,
        options: [{ pot: 'large', minutes: 24, filledL: 3, penalty: 0 }],
      },
      {
        id: 2,
        name: 'fern on the stair',
        gain: 0.25,
        mix: 'everyday',
        tidiness: 'clean',
        soakMinutes: 0,
        support: null,
        options: [{ pot: 'left-1', minutes: 20, filledL: 1.4, penalty: 0 }],
      },
    ],
    pots: [
      { id: 'large', label: 'glazed 24', count: 1 },
      { id: 'left-1', leftBy: 1 },
    ],
    stock: [],
    poles: [],
    pins: [],
  },
  sum: async (body) => {
    const problem = problemFrom(body);
    const answer = planDay(problem, await daySolvers(), { seconds: body.seconds });
    if (answer.kind === 'conflict') throw conflictError(problem, answer.conflict);
    const laid = laidDay(problem, answer.plan);
    const { chains, worth, gap, bound, proven, greedy, ...plan } = laid;
    return {
      plan,
      handDowns: chains,
      shopping: shoppingList(laid),
      objective: worth,
      bound,
      gap,
      proven,
      greedyObjective: greedy.worth,
    };
  },
};

function problemFrom(body: DayBody): DayProblem {
  const dates = body.dates ?? [{ date: body.date ?? TODAY_OF_NOBODY, minutes: body.minutes! }];
  const each = (count: number | number[]) =>
    typeof count === 'number' ? dates.map(() => count) : count;
  const mixes = new Map<string, DayMix>();
  const mixOf = (mix: string | RecipePart[]): string => {
    const id = typeof mix === 'string' ? mix : JSON.stringify(mix);
    if (!mixes.has(id)) {
      const parts = typeof mix === 'string' ? shippedRecipe(mix).parts : mix;
      mixes.set(id, {
        id,
        label: typeof mix === 'string' ? shippedRecipe(mix).label : 'own mix',
        recipeId: typeof mix === 'string' ? mix : 'own',
        parts: parts.map((part) => ({
          ingredient: component(part.component),
          parts: part.parts,
        })),
      });
    }
    return id;
  };
  const plants = body.plants.map(({ name, gain, mix, ...plant }) => ({
    ...plant,
    name: name ?? `plant ${plant.id}`,
    gain: each(gain),
    mix: mixOf(mix),
  }));
  const known = new Map(body.stock.map((row) => [row.component, row]));
  const used = new Set(
    [...mixes.values()].flatMap(({ parts }) => parts.map(({ ingredient }) => ingredient.id)),
  );
  return {
    dates,
    hands: body.hands,
    money: body.money,
    cleaning: body.cleaning,
    overheads: USUAL_OVERHEADS,
    plants,
    pots: body.pots.map((pot) => potFrom(pot, each)),
    mixes: [...mixes.values()],
    // What is not told of is not counted, and holds nothing up.
    stock: [...used].map((id) => {
      const row = known.get(id);
      return {
        component: id,
        label: component(id).label,
        bagL: row?.bagL ?? null,
        bags: row?.bags ?? 0,
        openL: row?.openL ?? 0,
        pricePerBag: row?.pricePerBag ?? null,
        counted: row !== undefined,
      };
    }),
    poles: body.poles,
    pins: body.pins,
    ...(body.scoopL ? { scoopL: body.scoopL } : {}),
    ...(body.tubL ? { tubL: body.tubL } : {}),
  };
}

function potFrom(
  { id, label = id, count, leftBy, staysWith, price: each }: DayBody['pots'][number],
  onEach: (count: number | number[]) => number[],
): DayPot {
  const pot = { id, label, shape: SHAPE_OF_NO_MATTER, material: 'plastic' as const };
  if (leftBy !== undefined) return { ...pot, source: 'left', of: leftBy };
  if (staysWith !== undefined) return { ...pot, source: 'stays', of: staysWith };
  if (each !== undefined) return { ...pot, source: 'toBuy', price: each };
  return { ...pot, source: 'shelf', ready: onEach(count ?? 1) };
}

const LIMITS = {
  time: 'the minutes do not suffice',
  money: 'the money does not suffice',
  mix: 'the stock does not suffice, and cannot be bought',
  pots: 'there is no such pot for it',
} as const;

/** The pins that cannot hold, in words. */
export function conflictError(problem: DayProblem, { pins, limit }: PinConflict): HttpError {
  const nameOf = (plant: number) => problem.plants.find(({ id }) => id === plant)?.name ?? '';
  const told = pins.map((one) => {
    const name = nameOf(one.plant);
    switch (one.kind) {
      case 'in':
        return `${name} in`;
      case 'out':
        return `${name} left out`;
      case 'on':
        return `${name} on ${one.date}`;
      case 'pot':
        return `${name} into ${one.pot}`;
      case 'notPot':
        return `${name} not into ${one.pot}`;
    }
  });
  const why = limit ? LIMITS[limit] : 'they contradict each other';
  return new HttpError(
    422,
    'conflict',
    `pins cannot all hold: ${told.join(' and ')}; ${why}`,
    'pins',
  );
}
