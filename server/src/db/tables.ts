import {
  type ComponentRecord,
  type FitPlan,
  type KitchenReading,
  type LightClass,
  type MeasurementKind,
  type MediumKind,
  type OwnNumbers,
  type PotExtra,
  type PotMaterialId,
  type PotShape,
  type PotTone,
  type Practice,
  type RecipeExtras,
  type RecipePart,
  type Section,
  type Signals,
  type SupportKindId,
  type SupportWish,
  type TaskKind,
  type TaskRule,
  type TimedStep,
  type Traits,
  type VerdictKind,
  type PlantSchools,
  type Schools,
  type TaskMoved,
  type TaskWords,
} from '@fernbank/core';
import { index, integer, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { days } from './days.ts';
import { tracked } from './tracked.ts';

/** Where plants stand. Temperatures: one mean or twelve, °C. */
export const spots = sqliteTable('spots', {
  ...tracked,
  name: text('name').notNull(),
  sortOrder: integer('sort_order').notNull().default(0),
  latitudeDeg: real('latitude_deg').notNull(),
  indoors: integer('indoors', { mode: 'boolean' }).notNull(),
  temperatureC: text('temperature_c', { mode: 'json' }).$type<number | number[]>().notNull(),
  relativeHumidity: real('relative_humidity').notNull(),
  light: text('light').$type<LightClass>().notNull(),
  lampHours: real('lamp_hours').notNull().default(0),
  /** height under the shelf or ceiling, cm; null: nothing above */
  headroomCm: real('headroom_cm'),
});

/**
 * Pots and cover pots on the shelf, alike ones counted together. Outside sizes,
 * cm. What is neither free, nor soaking, nor kept apart has a plant in it.
 */
export const pots = sqliteTable('pots', {
  ...tracked,
  label: text('label').notNull(),
  shape: text('shape', { mode: 'json' }).$type<PotShape>().notNull(),
  material: text('material').$type<PotMaterialId>().notNull(),
  emptyKg: real('empty_kg'),
  count: integer('count').notNull(),
  free: integer('free').notNull(),
  /** a cover pot is stood in, not planted in */
  role: text('role').$type<'pot' | 'cover'>().notNull().default('pot'),
  /** left by a plant and not yet clean */
  soaking: integer('soaking').notNull().default(0),
  soakingSince: text('soaking_since'),
  /** left by a plant in quarantine: for no other plant until disinfected */
  apart: integer('apart').notNull().default(0),
  /** drainage holes; null: not counted */
  holes: integer('holes'),
  tone: text('tone').$type<PotTone>(),
  reservoirL: real('reservoir_l').notNull().default(0),
  wicks: integer('wicks').notNull().default(0),
  hangs: integer('hangs', { mode: 'boolean' }).notNull().default(false),
  /** of a cover: water can be let out below without lifting the plant */
  drain: integer('drain', { mode: 'boolean' }).notNull().default(false),
});

/** Supports on the shelf, alike ones counted together. */
export const supports = sqliteTable('supports', {
  ...tracked,
  label: text('label').notNull(),
  kind: text('kind').$type<SupportKindId>().notNull(),
  section: text('section', { mode: 'json' }).$type<Section>().notNull(),
  lengthCm: real('length_cm').notNull(),
  /** made to stand on top of another */
  extension: integer('extension', { mode: 'boolean' }).notNull().default(false),
  count: integer('count').notNull(),
  free: integer('free').notNull(),
});

export const plants = sqliteTable(
  'plants',
  {
    ...tracked,
    name: text('name').notNull(),
    taxon: text('taxon').notNull(),
    /** only when the taxon is not in the catalogue */
    groupId: text('group_id'),
    traits: text('traits', { mode: 'json' }).$type<Partial<Traits>>().notNull(),
    spotId: integer('spot_id')
      .notNull()
      .references(() => spots.id),
    acquired: text('acquired'),
    /** outside sizes of the present pot */
    pot: text('pot', { mode: 'json' }).$type<PotShape>().notNull(),
    potMaterial: text('pot_material').$type<PotMaterialId>().notNull(),
    /** when the pot is one of the shelf's */
    potId: integer('pot_id').references(() => pots.id),
    mediumKind: text('medium_kind').$type<MediumKind>().notNull(),
    recipeId: text('recipe_id'),
    /** what it really stands in, which its recipe may have left behind; null: the recipe as first written */
    mediumParts: text('medium_parts', { mode: 'json' }).$type<RecipePart[] | null>(),
    lastRepot: text('last_repot'),
    /** plants of the kind that share its pot */
    together: integer('together').notNull().default(1),
    heightCm: real('height_cm'),
    supportCm: real('support_cm'),
    /** null: it has none, or nobody said */
    supportKind: text('support_kind').$type<SupportKindId>(),
    supportSection: text('support_section', { mode: 'json' }).$type<Section | null>(),
    /** when the support is one of the shelf's */
    supportId: integer('support_id').references(() => supports.id),
    supportWish: text('support_wish', { mode: 'json' }).$type<SupportWish>().notNull().default({}),
    /** shoots that are led up the support */
    stems: integer('stems').notNull().default(1),
    /** the cover pot of the shelf that it stands in */
    coverId: integer('cover_id').references(() => pots.id),
    schools: text('schools', { mode: 'json' }).$type<PlantSchools>().notNull(),
    /** put in quarantine by hand on that day, and last cleared on that one */
    apartSince: text('apart_since'),
    clearedOn: text('cleared_on'),
    /** lost on that day: it is no longer looked after, its record goes on teaching */
    goneOn: text('gone_on'),
    note: text('note').notNull().default(''),
  },
  (table) => [index('plants_by_spot').on(table.spotId)],
);

export const looks = sqliteTable(
  'looks',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    date: text('date').notNull(),
    signals: text('signals', { mode: 'json' }).$type<Signals>().notNull(),
    note: text('note').notNull().default(''),
  },
  (table) => [index('looks_by_plant').on(table.plantId, table.date)],
);

export const measurements = sqliteTable(
  'measurements',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    date: text('date').notNull(),
    /** minutes since midnight; null: only the day is known */
    minute: integer('minute'),
    kind: text('kind').$type<MeasurementKind>().notNull(),
    /** in the unit its kind names; 1 for a watering */
    value: real('value').notNull(),
    note: text('note').notNull().default(''),
  },
  (table) => [index('measurements_by_plant').on(table.plantId, table.date)],
);

/** What a plant stood in before or after a repot. */
export interface Housing {
  pot: PotShape;
  potMaterial: PotMaterialId;
  potId: number | null;
  mediumKind: MediumKind;
  recipeId: string | null;
  /** absent in records from before parts were kept */
  mediumParts?: RecipePart[] | null;
  /** absent in records from before supports and covers were kept */
  support?: HousedSupport | null;
  coverId?: number | null;
}

/** A support as it stands with a plant. */
export interface HousedSupport {
  lengthCm: number;
  kind: SupportKindId | null;
  section: Section | null;
  supportId: number | null;
}

/** What went into the pot, as it was measured that day. */
export interface MixedIn {
  recipeId: string;
  label: string;
  /** absent in records from before recipes had versions */
  version?: number;
  parts?: RecipePart[];
  /** what went in beside the parts: top dressing, feed, a handful */
  extras?: PotExtra[];
  filledL: number;
  mixedL: number;
  scoopL: number;
  measures: { component: string; label: string; litres: number; scoops: number }[];
}

export const repots = sqliteTable(
  'repots',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    date: text('date').notNull(),
    before: text('before', { mode: 'json' })
      .$type<
        Housing & {
          lastRepot: string | null;
          /** the batch of the tray that it came from, with so many starts: there was no pot before */
          fromBatch?: { id: number; starts: number };
        }
      >()
      .notNull(),
    after: text('after', { mode: 'json' }).$type<Housing>().notNull(),
    mixedIn: text('mixed_in', { mode: 'json' }).$type<MixedIn | null>(),
    rootWork: text('root_work').$type<'ballKept' | 'mostOff' | 'bareRoot'>().notNull(),
    rootsCut: integer('roots_cut', { mode: 'boolean' }).notNull(),
    /** what Fernbank had advised that day */
    verdict: text('verdict').$type<VerdictKind>(),
    /** how it was done, for what worked; null in records from before it was kept */
    practice: text('practice', { mode: 'json' }).$type<Practice | null>(),
    /** share of the roots found alive, 0 … 1; null: not judged */
    liveRoots: real('live_roots'),
    /** pieces that it was divided into, this one among them */
    pieces: integer('pieces').notNull().default(1),
    /** the potting day that it was part of */
    dayId: integer('day_id').references(() => days.id, { onDelete: 'set null' }),
    /** minutes of hands, step by step, as they were ticked */
    timed: text('timed', { mode: 'json' }).$type<TimedStep[] | null>(),
    note: text('note').notNull().default(''),
  },
  (table) => [index('repots_by_plant').on(table.plantId, table.date)],
);

/** What was settled on for a plant's next repot: carried to the mix, the bench sheet and the cutting of poles. */
export const plans = sqliteTable('plans', {
  ...tracked,
  plantId: integer('plant_id')
    .notNull()
    .unique()
    .references(() => plants.id, { onDelete: 'cascade' }),
  date: text('date').notNull(),
  fit: text('fit', { mode: 'json' }).$type<FitPlan>().notNull(),
});

export const tasks = sqliteTable(
  'tasks',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    repotId: integer('repot_id').references(() => repots.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<TaskKind>().notNull(),
    /** which task of its repot it is; null in records from before tasks moved */
    rule: text('rule').$type<TaskRule>(),
    due: text('due').notNull(),
    /** what it is about; the sentence is made when it is read */
    words: text('words', { mode: 'json' }).$type<TaskWords>().notNull(),
    /** last day of something that is kept up */
    until: text('until'),
    everyDays: integer('every_days'),
    /** why it is not due when it was first planned for */
    moved: text('moved', { mode: 'json' }).$type<TaskMoved>(),
    done: text('done'),
  },
  (table) => [index('tasks_by_due').on(table.done, table.due)],
);

/** A picture of a plant; the file itself lies beside the database, named by its hash. */
export const photos = sqliteTable(
  'photos',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    date: text('date').notNull(),
    /** SHA-256 of the file, hex */
    hash: text('hash').notNull(),
    mime: text('mime').notNull(),
    bytes: integer('bytes').notNull(),
  },
  (table) => [
    uniqueIndex('photos_once').on(table.plantId, table.hash),
    index('photos_by_hash').on(table.hash),
  ],
);

/** The keeper's own word against a verdict: respected until a day, and counted later. */
export const overrules = sqliteTable(
  'overrules',
  {
    ...tracked,
    plantId: integer('plant_id')
      .notNull()
      .references(() => plants.id, { onDelete: 'cascade' }),
    date: text('date').notNull(),
    /** what Fernbank had advised */
    advised: text('advised').$type<VerdictKind>().notNull(),
    instead: text('instead').$type<'repotNow' | 'leave'>().notNull(),
    until: text('until').notNull(),
    reason: text('reason').notNull(),
  },
  (table) => [index('overrules_by_plant').on(table.plantId, table.until)],
);

/** What a room sensor read at a spot. */
export const readings = sqliteTable(
  'readings',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    spotId: integer('spot_id')
      .notNull()
      .references(() => spots.id, { onDelete: 'cascade' }),
    /** ISO 8601, UTC */
    at: text('at').notNull(),
    temperatureC: real('temperature_c').notNull(),
    relativeHumidity: real('relative_humidity').notNull(),
    /** a day long ago is one row: the mean of so many readings, between these */
    count: integer('count').notNull().default(1),
    lowC: real('low_c'),
    highC: real('high_c'),
  },
  (table) => [uniqueIndex('readings_once').on(table.spotId, table.at)],
);

/**
 * Components as this keeper has them. A shipped one has a row only once something of it was
 * changed; what its row leaves out stands as shipped.
 */
export const components = sqliteTable('components', {
  ...tracked,
  /** as recipes name it: a shipped id, or `own-<n>` */
  key: text('key').notNull().unique(),
  label: text('label').notNull(),
  like: text('like').notNull(),
  own: text('own', { mode: 'json' }).$type<OwnNumbers>().notNull().default({}),
  handling: text('handling', { mode: 'json' })
    .$type<NonNullable<ComponentRecord['handling']>>()
    .notNull()
    .default({}),
  dusty: integer('dusty', { mode: 'boolean' }),
  biohazard: integer('biohazard', { mode: 'boolean' }),
  wetting: text('wetting').$type<Schools['wetting']>(),
  grade: text('grade').notNull().default(''),
  note: text('note').notNull().default(''),
  /** loosened litres in a bag; null: not known */
  bagL: real('bag_l'),
  pricePerBag: real('price_per_bag'),
  bags: integer('bags').notNull().default(0),
  openL: real('open_l').notNull().default(0),
  /** readings of the newest kitchen test */
  kitchen: text('kitchen', { mode: 'json' }).$type<{ on: string; reading: KitchenReading }>(),
  removed: integer('removed', { mode: 'boolean' }).notNull().default(false),
});

/** Recipes as this keeper has them; a shipped one has a row only once it was changed. */
export const recipes = sqliteTable('recipes', {
  ...tracked,
  key: text('key').notNull().unique(),
  label: text('label').notNull(),
  use: text('use').notNull().default(''),
  version: integer('version').notNull().default(1),
  parts: text('parts', { mode: 'json' }).$type<RecipePart[]>().notNull(),
  extras: text('extras', { mode: 'json' }).$type<RecipeExtras>().notNull().default({}),
  removed: integer('removed', { mode: 'boolean' }).notNull().default(false),
});

/** What a recipe was before it was changed. */
export const recipeVersions = sqliteTable(
  'recipe_versions',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    key: text('key').notNull(),
    version: integer('version').notNull(),
    label: text('label').notNull(),
    parts: text('parts', { mode: 'json' }).$type<RecipePart[]>().notNull(),
    extras: text('extras', { mode: 'json' }).$type<RecipeExtras>().notNull(),
    /** the day on which the next version took its place */
    until: text('until').notNull(),
  },
  (table) => [uniqueIndex('recipe_versions_once').on(table.key, table.version)],
);

/** One row a setting. */
export const settings = sqliteTable('settings', {
  key: text('key').primaryKey(),
  value: text('value', { mode: 'json' }).$type<unknown>().notNull(),
});
