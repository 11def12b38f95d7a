import { resolveTaxon, taxonGroup, TRAY_MEDIUM_IDS, TRAY_METHOD_IDS } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import type { OpenFile } from '../db/driver.ts';
import { batches, plants, spots } from '../db/schema.ts';
import { deedThatBrought } from '../history/dependents.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, invalid } from '../http/errors.ts';
import {
  isoDate,
  mediumKind,
  note,
  potMaterialId,
  potShape,
  recipeId,
  recipeParts,
  rowId,
} from '../http/fields.ts';
import { idOf, rowOr404, sendRow } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import {
  type BatchFile,
  batchFile,
  lookAtBatch,
  potOn,
  trayOn,
  type BatchRow,
  watchStump,
  type NewBatchLook,
  type PotOnOrder,
} from '../services/tray.ts';

type NewBatch = Pick<
  BatchRow,
  | 'method'
  | 'medium'
  | 'parentId'
  | 'name'
  | 'taxon'
  | 'groupId'
  | 'spotId'
  | 'date'
  | 'count'
  | 'nodes'
  | 'planned'
  | 'note'
>;
const MOST_STARTS = 1000;
const fields = {
  method: Joi.string().valid(...TRAY_METHOD_IDS),
  medium: Joi.string().valid(...TRAY_MEDIUM_IDS),
  name: Joi.string().trim().min(1).max(120),
  spotId: rowId(),
  date: isoDate(),
  count: Joi.number().integer().min(1).max(MOST_STARTS),
  nodes: Joi.number().integer().min(1).max(100).allow(null),
  planned: Joi.boolean(),
  note: note(),
};
const newBatch = Joi.object<NewBatch, true>({
  ...fields,
  method: fields.method.required(),
  medium: fields.medium.required(),
  parentId: rowId().allow(null).default(null),
  name: fields.name.required(),
  taxon: Joi.string().trim().min(1).max(160).required(),
  groupId: Joi.string().max(40).allow(null).default(null),
  spotId: fields.spotId.required(),
  date: fields.date.required(),
  count: fields.count.required(),
  nodes: fields.nodes.default(null),
  planned: fields.planned.default(false),
  note: fields.note.default(''),
});
/** What it was cut from, and what kind it is, stay. */
type ChangedBatch = Partial<Omit<NewBatch, 'parentId' | 'taxon' | 'groupId'>>;
const changedBatch = Joi.object<ChangedBatch, true>(fields).min(1);

const newLook = Joi.object<NewBatchLook, true>({
  date: isoDate().required(),
  rooted: Joi.number().integer().min(0).max(MOST_STARTS).required(),
  rootCm: Joi.number().positive().max(100).allow(null).default(null),
  roots: Joi.number().integer().min(0).max(500).allow(null).default(null),
  branching: Joi.boolean().allow(null).default(null),
  lost: Joi.number().integer().min(0).max(MOST_STARTS).default(0),
  note: note().default(''),
});
const potOnOrder = Joi.object<PotOnOrder, true>({
  date: isoDate().required(),
  count: Joi.number().integer().min(1).max(MOST_STARTS).required(),
  pot: potShape().required(),
  potMaterial: potMaterialId().default('plastic'),
  potId: rowId().allow(null).default(null),
  recipeId: recipeId().required(),
  mediumKind: mediumKind().required(),
  parts: recipeParts(),
  spotId: rowId().required(),
  together: Joi.boolean().default(false),
});
export type ShownBatch = ReturnType<typeof withDeeds>;
/** Looks and plants with the deed that brought each, by which it is taken back. */
function withDeeds(file: OpenFile, batch: BatchFile) {
  const brought = (of: string, { id }: { id: number }) => deedThatBrought(file, of, id);
  return {
    ...batch,
    looks: batch.looks.map((look) => ({ ...look, deed: brought('batch_looks', look) })),
    children: batch.children.map((child) => ({ ...child, deed: brought('plants', child) })),
  };
}

/** The propagation tray: what is being started, and when it gets a pot of its own. */
export function batchRoutes(context: Context): DescribedRouter<'/batches'> {
  const { db, journal } = context;
  const routes = new DescribedRouter('/batches');
  const shown = (batch: BatchFile) => withDeeds(journal.file, batch);
  routes.get(
    '/tray',
    { summary: 'every batch with its looks and what it asks for' },
    (_request, response) => {
      response.json({ items: trayOn(db).map(shown), nextCursor: null });
    },
  );
  routes.get(
    '/:id/file',
    { summary: 'one batch with its looks and its first pot' },
    (request, response) => {
      response.json(shown(batchFile(db, rowOr404(db, batches, idOf(request), 'batch'))));
    },
  );
  addRows(routes, {
    db,
    table: batches,
    name: 'batch',
    what: 'a batch of starts',
    plural: 'batches',
    made: {
      body: newBatch,
      values: (input) => {
        checkBatch(context, input);
        watchStump(db, input);
        return input;
      },
    },
    changed: {
      body: changedBatch,
      values: (before, changed) => {
        const merged = { ...before, ...changed };
        checkBatch(context, merged);
        if (before.planned) watchStump(db, merged);
        const gone = before.lost + before.pottedOn;
        if (merged.count < gone) {
          throw invalid('count', `count must be at least the ${gone} lost or potted on`);
        }
        return changed;
      },
    },
    removed: {
      check: (row) => {
        if (row.pottedOn > 0) {
          throw new HttpError(409, 'pottedOn', 'some of it were potted on: its record stays');
        }
      },
    },
  });
  routes.post(
    '/:id/looks',
    { summary: 'write down a look at a batch', body: newLook },
    (request, response, look) => {
      notAhead(context, 'date', look.date);
      sendRow(response, lookAtBatch(db, idOf(request), look), 201);
    },
  );
  routes.post(
    '/:id/pot-on',
    { summary: 'pot starts on: plants of the collection with their aftercare', body: potOnOrder },
    (request, response, order) => {
      notAhead(context, 'date', order.date);
      response.status(201).json(potOn(db, idOf(request), order));
    },
  );
  return routes;
}

type Checked = Pick<NewBatch, 'taxon' | 'groupId' | 'spotId' | 'date' | 'planned' | 'parentId'>;
function checkBatch(context: Context, batch: Checked): void {
  const { db } = context;
  if (batch.groupId !== null) taxonGroup(batch.groupId);
  else if (!resolveTaxon(batch.taxon)) {
    throw invalid('taxon', `“${batch.taxon}” is not in the catalogue: choose a group for it`);
  }
  // A planned batch may lie ahead; a started one cannot.
  if (!batch.planned) notAhead(context, 'date', batch.date);
  const spot = db.select().from(spots).where(eq(spots.id, batch.spotId)).get();
  if (!spot) throw invalid('spotId', `spot ${batch.spotId} was not found`);
  if (batch.parentId !== null) {
    const parent = db.select().from(plants).where(eq(plants.id, batch.parentId)).get();
    if (!parent) throw invalid('parentId', `plant ${batch.parentId} was not found`);
  }
}
