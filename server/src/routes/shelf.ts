import {
  checkPot,
  checkSection,
  coverFit,
  insideFillL,
  supportKind,
  type IsoDate,
} from '@fernbank/core';
import { eq, or } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { plants, pots, supports } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, invalid } from '../http/errors.ts';
import {
  potMaterialId,
  potShape,
  potTone,
  section,
  supportKindId,
  supportLength,
} from '../http/fields.ts';
import { idOf, rowOr404 } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import type { PotRow, SupportRow } from '../services/shelf.ts';

type Input<Row> = Omit<Row, 'id' | 'rev' | 'createdAt' | 'updatedAt'>;
/** Since when it soaks is kept by Fernbank. */
type PotInput = Omit<Input<PotRow>, 'soakingSince'>;
/** Of new ones all that are not in use otherwise are free. */
type NewPot = Omit<PotInput, 'free'> & { free?: number };

/** Thousands of one kind of pot are a shop, not a shelf. */
const MOST = 10_000;
const count = () => Joi.number().integer().min(1).max(MOST);
const free = () => Joi.number().integer().min(0).max(MOST);
const label = () => Joi.string().trim().min(1).max(80);

const potFields = {
  label: label(),
  shape: potShape(),
  material: potMaterialId(),
  emptyKg: Joi.number().positive().max(200).allow(null),
  count: count(),
  free: free(),
  role: Joi.string().valid('pot', 'cover'),
  soaking: free(),
  apart: free(),
  holes: Joi.number().integer().min(0).max(200).allow(null),
  tone: potTone().allow(null),
  reservoirL: Joi.number().min(0).max(100),
  wicks: Joi.number().integer().min(0).max(20),
  hangs: Joi.boolean(),
  drain: Joi.boolean(),
};
const newPot = Joi.object<NewPot, true>({
  ...potFields,
  label: potFields.label.required(),
  shape: potFields.shape.required(),
  material: potFields.material.default('plastic'),
  emptyKg: potFields.emptyKg.default(null),
  count: potFields.count.default(1),
  role: potFields.role.default('pot'),
  soaking: potFields.soaking.default(0),
  apart: potFields.apart.default(0),
  holes: potFields.holes.default(null),
  tone: potFields.tone.default(null),
  reservoirL: potFields.reservoirL.default(0),
  wicks: potFields.wicks.default(0),
  hangs: potFields.hangs.default(false),
  drain: potFields.drain.default(false),
});
const changedPot = Joi.object<Partial<PotInput>, true>(potFields).min(1);

/** Pots and cover pots, by how many there are and what each is like. */
export function potRoutes({ db, today }: Context): DescribedRouter<'/pots'> {
  const routes = new DescribedRouter('/pots');
  addRows(routes, {
    db,
    table: pots,
    name: 'pot',
    what: 'a kind of pot on the shelf',
    plural: 'pots of the shelf',
    shown: withFill,
    made: {
      body: newPot,
      values: (input) => {
        const pot = { ...input, free: input.free ?? input.count - input.soaking - input.apart };
        checkPotRow(pot);
        return { ...pot, soakingSince: sinceOf(pot, null, today()) };
      },
    },
    changed: {
      body: changedPot,
      values: (before, changed) => {
        const merged = { ...before, ...changed };
        checkPotRow(merged);
        checkUse(before, merged);
        return { ...changed, soakingSince: sinceOf(merged, before.soakingSince, today()) };
      },
    },
    removed: {
      check: (row) => {
        const used = db
          .select({ id: plants.id })
          .from(plants)
          .where(or(eq(plants.potId, row.id), eq(plants.coverId, row.id)))
          .get();
        if (used || inUse(row) > 0) throw invalid('id', 'a plant stands in one of these');
      },
    },
  });
  routes.get(
    '/:id/covers',
    { summary: 'cover pots that a pot of the shelf stands in' },
    (request, response) => {
      const pot = rowOr404(db, pots, idOf(request), 'pot');
      const covers = db.select().from(pots).where(eq(pots.role, 'cover')).all();
      response.json({
        items: covers.map((cover) => ({
          id: cover.id,
          label: cover.label,
          free: cover.free,
          ...coverFit(pot.shape, cover.shape, cover.material),
        })),
        nextCursor: null,
      });
    },
  );
  return routes;
}

export type ShownPot = ReturnType<typeof withFill>;
const withFill = (row: PotRow) => ({ ...row, fillL: insideFillL(row.shape, row.material) });
const inUse = (row: Pick<PotRow, 'count' | 'free' | 'soaking' | 'apart'>) =>
  row.count - row.free - row.soaking - row.apart;

/** Since when anything soaks. */
function sinceOf({ soaking }: { soaking: number }, before: string | null, today: IsoDate) {
  return soaking > 0 ? (before ?? today) : null;
}

function checkPotRow(pot: Pick<PotRow, 'shape' | 'count' | 'free' | 'soaking' | 'apart'>): void {
  checkPot(pot.shape);
  if (pot.free > pot.count) {
    throw invalid('free', `free must not exceed count (${pot.count}), got ${pot.free}`);
  }
  if (inUse(pot) < 0) {
    throw invalid(
      'soaking',
      `soaking must leave room for what is free: ${pot.free} free and ${pot.soaking + pot.apart} soaking or apart are more than ${pot.count}`,
    );
  }
}

/** What stands with plants is theirs: a change of counts cannot take it. */
function checkUse(before: PotRow, after: PotRow): void {
  if (after.role !== before.role && inUse(before) > 0) {
    throw invalid('role', 'a plant stands in one of these');
  }
  if (inUse(after) < inUse(before) && after.count < before.count) {
    throw invalid(
      'count',
      `count must not be under the ${inUse(before)} in use, got ${after.count}`,
    );
  }
}

const supportFields = {
  label: label(),
  kind: supportKindId(),
  section: section(),
  lengthCm: supportLength(),
  extension: Joi.boolean(),
  count: count(),
  free: free(),
};
const newSupport = Joi.object<Input<SupportRow>, true>({
  ...supportFields,
  label: supportFields.label.required(),
  kind: supportFields.kind.required(),
  lengthCm: supportFields.lengthCm.required(),
  extension: supportFields.extension.default(false),
  count: supportFields.count.default(1),
});
const changedSupport = Joi.object<Partial<Input<SupportRow>>, true>(supportFields).min(1);

/** Supports by kind, section and length. */
export function supportRoutes({ db }: Context): DescribedRouter<'/supports'> {
  const routes = new DescribedRouter('/supports');
  addRows(routes, {
    db,
    table: supports,
    name: 'support',
    what: 'a kind of support on the shelf',
    plural: 'supports of the shelf',
    made: {
      body: newSupport,
      values: (input) => {
        const support = {
          ...input,
          section: checkSection(input.section ?? supportKind(input.kind).section),
          free: input.free ?? input.count,
        };
        checkFree(support);
        return support;
      },
    },
    changed: {
      body: changedSupport,
      values: (before, changed) => {
        checkFree({ ...before, ...changed });
        return changed;
      },
    },
    removed: {
      check: (row) => {
        const used = db
          .select({ id: plants.id })
          .from(plants)
          .where(eq(plants.supportId, row.id))
          .get();
        if (used) throw new HttpError(409, 'inUse', 'a plant is tied to one of these', 'id');
      },
    },
  });
  return routes;
}

function checkFree(row: { count: number; free: number }): void {
  if (row.free > row.count) {
    throw invalid('free', `free must not exceed count (${row.count}), got ${row.free}`);
  }
}
