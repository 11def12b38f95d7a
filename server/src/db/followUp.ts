import type {
  BenchState,
  Checkpoint,
  Grade,
  Seen,
  StepId,
  TrayMedium,
  TrayMethod,
  PebbleSetupKind,
  WickKind,
} from '@fernbank/core';
import { index, integer, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { photos, plants, repots, spots } from './tables.ts';
import { tracked } from './tracked.ts';

/** What became of a repot at a checkpoint: one judgement for each. */
export const outcomes = sqliteTable(
  'outcomes',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    repotId: integer('repot_id')
      .notNull()
      .references(() => repots.id, { onDelete: 'cascade' }),
    at: text('at').$type<Checkpoint>().notNull(),
    date: text('date').notNull(),
    grade: text('grade').$type<Grade>().notNull(),
    seen: text('seen', { mode: 'json' }).$type<Seen[]>().notNull(),
    photoId: integer('photo_id').references(() => photos.id, { onDelete: 'set null' }),
    note: text('note').notNull().default(''),
  },
  (table) => [
    uniqueIndex('outcomes_once').on(table.repotId, table.at),
    index('outcomes_by_plant').on(table.plantId),
  ],
);

/** A plant on the bench, as every device shows it. */
export const benches = sqliteTable('benches', {
  ...tracked,
  plantId: integer('plant_id')
    .notNull()
    .unique()
    .references(() => plants.id, { onDelete: 'cascade' }),
  done: text('done', { mode: 'json' }).$type<StepId[]>().notNull().default([]),
  notes: text('notes', { mode: 'json' })
    .$type<Partial<Record<StepId, string>>>()
    .notNull()
    .default({}),
  timers: text('timers', { mode: 'json' }).$type<BenchState['timers']>().notNull().default([]),
  found: text('found', { mode: 'json' }).$type<BenchState['found']>().notNull().default({}),
  /** when hands began, and when each step was ticked, ms since 1970 */
  startedAt: integer('started_at'),
  doneAt: text('done_at', { mode: 'json' }).$type<BenchState['doneAt']>().notNull().default({}),
  /** pictures taken at a step */
  photos: text('photos', { mode: 'json' })
    .$type<Partial<Record<StepId, number[]>>>()
    .notNull()
    .default({}),
});

/** The water that a plant stands over. Vessel: its own, or the cover pot it stands in. */
export const reservoirs = sqliteTable('reservoirs', {
  ...tracked,
  plantId: integer('plant_id')
    .notNull()
    .unique()
    .references(() => plants.id, { onDelete: 'cascade' }),
  /** water at its mark in growth, L */
  fullL: real('full_l').notNull(),
  /** null: no wick, roots or pebbles reach the water */
  wick: text('wick').$type<WickKind>(),
  /** how it is set up, how high above the vessel's floor, and how deep its water stands, cm; null: nobody said */
  setup: text('setup').$type<PebbleSetupKind>(),
  gapCm: real('gap_cm'),
  levelCm: real('level_cm'),
  /** wicks in growth, and those that are enough in the dark months; null: not counted */
  wicks: integer('wicks'),
  winterWicks: integer('winter_wicks'),
  note: text('note').notNull().default(''),
});

/** Starts of one kind and day in the propagation tray. */
export const batches = sqliteTable('batches', {
  ...tracked,
  method: text('method').$type<TrayMethod>().notNull(),
  medium: text('medium').$type<TrayMedium>().notNull(),
  /** the plant it was taken from; null: from elsewhere, or that plant is gone */
  parentId: integer('parent_id').references(() => plants.id, { onDelete: 'set null' }),
  name: text('name').notNull(),
  taxon: text('taxon').notNull(),
  groupId: text('group_id'),
  spotId: integer('spot_id')
    .notNull()
    .references(() => spots.id),
  date: text('date').notNull(),
  count: integer('count').notNull(),
  lost: integer('lost').notNull().default(0),
  pottedOn: integer('potted_on').notNull().default(0),
  /** nodes or leaves on each; null: not counted */
  nodes: integer('nodes'),
  /** it was planned, and is still to be cut */
  planned: integer('planned', { mode: 'boolean' }).notNull().default(false),
  /** the division that it came out of */
  repotId: integer('repot_id').references(() => repots.id, { onDelete: 'set null' }),
  note: text('note').notNull().default(''),
});

/** What was seen of a batch on a day. */
export const batchLooks = sqliteTable(
  'batch_looks',
  {
    ...tracked,
    batchId: integer('batch_id')
      .notNull()
      .references(() => batches.id, { onDelete: 'cascade' }),
    date: text('date').notNull(),
    rooted: integer('rooted').notNull(),
    rootCm: real('root_cm'),
    roots: integer('roots'),
    branching: integer('branching', { mode: 'boolean' }),
    /** lost since the look before */
    lost: integer('lost').notNull().default(0),
    note: text('note').notNull().default(''),
  },
  (table) => [index('batch_looks_by_batch').on(table.batchId, table.date)],
);
