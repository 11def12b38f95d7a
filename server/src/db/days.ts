import type { Cleaning, DayDate, FitPlan, LaidDay, Pin, SupportKindId } from '@fernbank/core';
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { tracked } from './tracked.ts';

/** A batch that was mixed on the day. */
export interface MixedBatch {
  mix: string;
  date: string;
}

/** Bars of the shelf that were cut into poles. */
export interface CutBars {
  kind: SupportKindId;
}

/** A component whose bags were bought for the day. */
export interface BoughtBags {
  component: string;
}

/** A potting day, of one date or several. */
export const days = sqliteTable('days', {
  ...tracked,
  dates: text('dates', { mode: 'json' }).$type<DayDate[]>().notNull(),
  hands: integer('hands').notNull().default(1),
  /** null: no limit */
  money: real('money'),
  cleaning: text('cleaning').$type<Cleaning>().notNull().default('soak'),
  /** tub to its brim, L; null: the collection's own */
  /** when the keeper would pot again */
  nextChance: text('next_chance').notNull(),
  /** of a pot that is bought; null: not known */
  pins: text('pins', { mode: 'json' }).$type<Pin[]>().notNull().default([]),
  /** planning: nothing rests on it; settled: plants carry its plan; closed: over */
  state: text('state').$type<'planning' | 'settled' | 'closed'>().notNull().default('planning'),
  plan: text('plan', { mode: 'json' }).$type<LaidDay | null>(),
  /** what each plant had settled on before; null: nothing */
  plansBefore: text('plans_before', { mode: 'json' })
    .$type<{ plantId: number; fit: FitPlan | null }[]>()
    .notNull()
    .default([]),
  bought: text('bought', { mode: 'json' }).$type<BoughtBags[]>().notNull().default([]),
  mixed: text('mixed', { mode: 'json' }).$type<MixedBatch[]>().notNull().default([]),
  cut: text('cut', { mode: 'json' }).$type<CutBars[]>().notNull().default([]),
  /** ms since 1970 at which work began on each date */
  startedAt: text('started_at', { mode: 'json' })
    .$type<Partial<Record<string, number>>>()
    .notNull()
    .default({}),
});
