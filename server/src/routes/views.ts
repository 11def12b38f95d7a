import {
  CONTENTS,
  GROUPS,
  HEADLINES,
  PAPERS,
  searchTaxa,
  WETTING_SCHOOLS,
  type IsoDate,
  type WhenSchool,
  type Settings,
} from '@fernbank/core';
import { desc, eq } from 'drizzle-orm';
import Joi from 'joi';
import { asOf, dayQuery, type Context } from '../context.ts';
import {
  looks,
  measurements,
  outcomes,
  overrules,
  photos,
  plants,
  pots,
  repots,
  tasks,
} from '../db/schema.ts';
import { deedThatBrought } from '../history/dependents.ts';
import { DescribedRouter } from '../http/described.ts';
import {
  firstWaterSchool,
  flushSchool,
  isoDate,
  labelSheet,
  oldMediumSchool,
  rotSchool,
  rowId,
  sizeSchool,
  toPebblesSchool,
  weakRootSchool,
  whenSchool,
  winterSchool,
} from '../http/fields.ts';
import { idOf, rowOr404 } from '../http/resource.ts';
import { check } from '../http/validate.ts';
import { heightOf, supportOf } from '../services/collection.ts';
import { judge } from '../services/judging.ts';
import { quarantineFor } from '../services/quarantine.ts';
import { reservoirOf } from '../services/reservoirs.ts';
import { readSettings, writeSettings } from '../services/settings.ts';
import type { RoundsPart } from '../services/rounds.ts';
import type { VerdictsPart } from '../services/verdicts.ts';
import { workedLike } from '../services/worked.ts';

/** Most that is told of a list at once. */
const MOST_PER_PAGE = 1000;
const atMost = () => Joi.number().integer().min(1).max(MOST_PER_PAGE);
const passedOver = () => Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER);
const NAME_CHARS = 200;
const roundsQuery = Joi.object<RoundsPart & { date?: IsoDate }>({
  date: isoDate(),
  each: atMost(),
  spot: rowId(),
  from: passedOver(),
});
const nextQuery = Joi.object<{ date?: IsoDate; after: number }>({
  date: isoDate(),
  after: rowId().required(),
});
const verdictsQuery = Joi.object<VerdictsPart & { date?: IsoDate }>({
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
  /** Rows with the deed that brought each, by which it is taken back. */
  const withDeed = <T extends { id: number }>(of: string, rows: readonly T[]) =>
    rows.map((row) => ({ ...row, deed: deedThatBrought(journal.file, of, row.id) }));

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
    '/plants/:id/file',
    { summary: 'all that is known of a plant, with its verdict', query: dayQuery },
    (request, response) => {
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      const judgement = judge(db, plant, asOf(context, request));
      const ofThis = <T extends OfPlant>(table: T) =>
        db.select().from(table).where(eq(table.plantId, plant.id)).$dynamic();
      const { file, decision, lookDue, overrule } = judgement;
      response.json({
        plant: { ...plant, common: file.taxon.common, groupLabel: file.taxon.groupLabel },
        taxon: file.taxon,
        spot: file.spot,
        situation: file.situation,
        decision,
        lookDue,
        overrule,
        overrules: ofThis(overrules).orderBy(desc(overrules.date)).all(),
        learned: file.learned,
        quarantine: quarantineFor(db, plant, file.situation.date),
        outcomes: withDeed('outcomes', ofThis(outcomes).orderBy(desc(outcomes.date)).all()),
        worked: workedLike(db, plant.id),
        reservoir: reservoirOf(db, file, judgement.file.situation.date),
        water: file.logs.water,
        growth: file.logs.growth,
        photos: ofThis(photos).orderBy(desc(photos.date), desc(photos.id)).all(),
        height: heightOf(file),
        support: supportOf(plant) ?? null,
        cover: plant.coverId
          ? db.select().from(pots).where(eq(pots.id, plant.coverId)).get()
          : null,
        looks: ofThis(looks).orderBy(desc(looks.date), desc(looks.id)).all(),
        // A first pot is taken back with its whole batch, in the tray.
        repots: withDeed('repots', ofThis(repots).orderBy(desc(repots.date)).all()).map((row) =>
          row.before.fromBatch ? { ...row, deed: null } : row,
        ),
        measurements: ofThis(measurements).orderBy(desc(measurements.date)).all(),
        tasks: ofThis(tasks).orderBy(tasks.due).all(),
      });
    },
  );

  return routes;
}

type OfPlant =
  | typeof looks
  | typeof overrules
  | typeof photos
  | typeof outcomes
  | typeof repots
  | typeof measurements
  | typeof tasks;

/** What the core knows of names: the catalogue. */
export function catalogueRoutes(): DescribedRouter {
  const routes = new DescribedRouter();
  const query = Joi.object<{ q: string; limit: number }>({
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

const changedSettings = Joi.object<Partial<Settings> & { whenSchool?: WhenSchool }>({
  collectionName: Joi.string().trim().allow('').max(80),
  units: Joi.string().valid('metric', 'us'),
  whenSchool: whenSchool(),
  sizeSchool: sizeSchool(),
  firstWaterSchool: firstWaterSchool(),
  oldMediumSchool: oldMediumSchool(),
  weakRootSchool: weakRootSchool(),
  rotSchool: rotSchool(),
  toPebblesSchool: toPebblesSchool(),
  flushSchool: flushSchool(),
  winterSchool: winterSchool(),
  paper: Joi.string().valid(...Object.keys(PAPERS)),
  labelSheet: labelSheet().allow(null),
  groupSchools: Joi.object().pattern(
    Joi.string().valid(...GROUPS.map(({ id }) => id)),
    Joi.object({ when: whenSchool(), size: sizeSchool(), oldMedium: oldMediumSchool() }),
  ),
  scoopL: Joi.number().min(0.01).max(50).allow(null),
  tubL: Joi.number().min(0.5).max(2000).allow(null),
  avoided: Joi.object({
    contents: Joi.array()
      .items(Joi.string().valid(...Object.keys(CONTENTS)))
      .unique()
      .required(),
    components: Joi.array().items(Joi.string().max(40)).unique().max(200).required(),
  }),
  wettingSchool: Joi.string().valid(...Object.keys(WETTING_SCHOOLS)),
  currency: Joi.string().trim().allow('').max(4),
}).min(1);

export function settingsRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();
  const shown = () => ({ ...readSettings(db), today: context.today() });
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
