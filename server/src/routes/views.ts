import {
  CONTENTS,
  GROUPS,
  HEADLINES,
  PAPERS,
  searchTaxa,
  type IsoDate,
  type SchoolSettings,
  type Settings,
  SCHOOLS,
  SCHOOL_IDS,
  GROUP_SCHOOLS,
} from '@fernbank/core';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { asOf, dayQuery } from '../http/days.ts';
import { plants } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { isoDate, labelSheet, rowId, schoolChoice, schoolChoices } from '../http/fields.ts';
import { idOf, rowOr404 } from '../http/resource.ts';
import { check } from '../http/validate.ts';
import { readSettings, writeSettings } from '../services/settings.ts';
import type { RoundsPart } from '../services/rounds.ts';
import { proposedCalendar, type ProposedDay } from '../services/calendar.ts';
import { wholePlant } from '../services/wholePlant.ts';
import type { VerdictsPart } from '../services/verdicts.ts';

/** Most that is told of a list at once. */
const MOST_PER_PAGE = 1000;
const atMost = () => Joi.number().integer().min(1).max(MOST_PER_PAGE);
const passedOver = () => Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER);
const NAME_CHARS = 200;
const roundsQuery = Joi.object<RoundsPart & { date?: IsoDate }, true>({
  date: isoDate(),
  each: atMost(),
  spot: rowId(),
  from: passedOver(),
});
const aheadQuery = Joi.object<{ date?: IsoDate; from?: number }, true>({
  date: isoDate(),
  from: passedOver(),
});
const MOST_DAYS = 200;
const proposedDays = Joi.object<{ days: ProposedDay[] }, true>({
  days: Joi.array()
    .items(
      Joi.object({
        date: isoDate().required(),
        summary: Joi.string().max(NAME_CHARS).required(),
        text: Joi.string().allow('').max(20_000).required(),
      }),
    )
    .min(1)
    .max(MOST_DAYS)
    .required(),
});
const nextQuery = Joi.object<{ date?: IsoDate; after: number }, true>({
  date: isoDate(),
  after: rowId().required(),
});
const verdictsQuery = Joi.object<VerdictsPart & { date?: IsoDate }, true>({
  date: isoDate(),
  limit: atMost(),
  from: passedOver(),
  words: Joi.string().max(NAME_CHARS).allow(''),
  kind: Joi.string().valid(...HEADLINES, 'overruled'),
  spot: Joi.string().max(NAME_CHARS),
  first: Joi.string().valid('toPot'),
});

/** What shows the judged collection: nothing here is stored. */
export function viewRoutes(context: Context): DescribedRouter {
  const { db, journal, reader } = context;
  const routes = new DescribedRouter();

  routes.get(
    '/rounds',
    { summary: 'what asks for attention on a day, spot by spot', query: roundsQuery },
    (request, response) => {
      const { date = context.today(), ...part } = check(roundsQuery, request.query, true);
      return reader.send(response, 'rounds', { date, ...part });
    },
  );

  routes.get(
    '/rounds/next',
    { summary: 'where the walk goes on after a plant', query: nextQuery },
    (request, response) => {
      const { date = context.today(), after } = check(nextQuery, request.query, true);
      return reader.send(response, 'next', { date, after });
    },
  );

  routes.get(
    '/verdicts',
    { summary: 'every plant, ranked by what waiting costs', query: verdictsQuery },
    (request, response) => {
      const { date = context.today(), ...part } = check(verdictsQuery, request.query, true);
      return reader.send(response, 'verdicts', { date, ...part });
    },
  );

  routes.get(
    '/ahead',
    { summary: 'what forecasts of two years are drawn from, part by part', query: aheadQuery },
    (request, response) => {
      const { date = context.today(), from = 0 } = check(aheadQuery, request.query, true);
      return reader.send(response, 'twoYears', { date, from });
    },
  );

  routes.calculator('/ahead/calendar', {
    summary: 'potting days that were proposed, as a calendar file',
    body: proposedDays,
    sum: ({ days }) => ({ ics: proposedCalendar(days) }),
  });

  routes.get(
    '/track-record',
    { summary: 'what was said, held against what was found, part by part', query: dayQuery },
    (request, response) => {
      const { date = context.today() } = check(dayQuery, request.query, true);
      return reader.send(response, 'trackRecord', { date });
    },
  );

  routes.get(
    '/plants/:id/file',
    { summary: 'all that is known of a plant, with its verdict', query: dayQuery },
    (request, response) => {
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      response.json(wholePlant(journal.file, plant, asOf(context, request)));
    },
  );

  return routes;
}

/** What the core knows of names: the catalogue. */
export function catalogueRoutes(): DescribedRouter {
  const routes = new DescribedRouter();
  const query = Joi.object<{ q: string; limit: number }, true>({
    q: Joi.string().allow('').max(200).default(''),
    limit: Joi.number().integer().min(1).max(300).default(12),
  });
  routes.get('/taxa', { summary: 'search the catalogue', query }, (request, response) => {
    const { q, limit } = check(query, request.query, true);
    response.json({ items: searchTaxa(q, limit), nextCursor: null });
  });
  routes.get(
    '/groups',
    { summary: 'groups of the catalogue with their traits' },
    (_request, response) => {
      response.json({ items: GROUPS, nextCursor: null });
    },
  );
  return routes;
}

const schoolSettings = Object.fromEntries(
  SCHOOL_IDS.map((id) => [SCHOOLS[id].setting, schoolChoice(id)]),
) as Record<keyof SchoolSettings, Joi.StringSchema>;
/** That it is a garden made up for trying is no choice, nor is what the record comes to. */
type ChangedSettings = Partial<Omit<Settings, 'demo' | 'ownRecord'>>;
const changedSettings = Joi.object<ChangedSettings, true>({
  collectionName: Joi.string().trim().allow('').max(80),
  units: Joi.string().valid('metric', 'us'),
  ...schoolSettings,
  paper: Joi.string().valid(...Object.keys(PAPERS)),
  labelSheet: labelSheet().allow(null),
  groupSchools: Joi.object().pattern(
    Joi.string().valid(...GROUPS.map(({ id }) => id)),
    schoolChoices(GROUP_SCHOOLS),
  ),
  correctsItself: Joi.boolean(),
  scoopL: Joi.number().min(0.01).max(50).allow(null),
  tubL: Joi.number().min(0.5).max(2000).allow(null),
  avoided: Joi.object({
    contents: Joi.array()
      .items(Joi.string().valid(...Object.keys(CONTENTS)))
      .unique()
      .required(),
    components: Joi.array().items(Joi.string().max(40)).unique().max(200).required(),
  }),
  potPrice: Joi.number().min(0).max(10_000).allow(null),
  currency: Joi.string().trim().allow('').max(4),
}).min(1);

export function settingsRoutes(context: Context): DescribedRouter<'/settings'> {
  const { db } = context;
  const routes = new DescribedRouter('/settings');
  const shown = () => ({
    ...readSettings(db),
    today: context.today(),
    clock: context.demo !== null,
  });
  routes.get('/', { summary: 'settings of the collection' }, (_request, response) => {
    response.json(shown());
  });
  routes.patch(
    '/',
    { summary: 'change settings', body: changedSettings },
    (_request, response, changed) => {
      writeSettings(db, changed);
      response.json(shown());
    },
  );
  return routes;
}
