import {
  addDays,
  blendOf,
  insideOfMaterial,
  isAfter,
  learnedLife,
  learnedPace,
  mediumFound,
  mediumLife,
  meanTemperatureC,
  monthsBetween,
  monthsToFill,
  partsOf,
  readRoots,
  rimCm,
  seasonAhead,
  type LearnedLife,
  type MediumJudged,
  type RootFindings,
  type RootPace,
  type Signals,
  type Spot,
  type Stay,
  type Traits,
} from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import { pantryFor } from './pantry.ts';
import type { PlantFile } from './collection.ts';
import { momentOf, type LookRow, type PlantRecords, type RepotRow } from './records.ts';

/** What a plant's earlier pots taught of it. */
export interface Learned {
  pace: RootPace | null;
  life: LearnedLife | null;
  /** stays that were over by then */
  stays: number;
}

type Known = Pick<PlantFile['situation'], 'traits' | 'spot' | 'date' | 'together'>;
/** Findings of the last weeks of a stay tell its end. */
const END_DAYS = 45;

/**
 * Growth and medium life of one plant by its stays that have ended: its record
 * up to a day, never what came after.
 *
 * @param usual  pace of a plant that nothing is known of; absent: the typical
 */
export function learnedOf(
  db: Db,
  { repots, looks: seen }: Pick<PlantRecords, 'repots' | 'looks'>,
  { traits, spot, date, together }: Known,
  usual?: RootPace,
): Learned {
  const ended = repots.filter((row) => row.date <= date && row.before.lastRepot !== null);
  if (ended.length === 0) return { pace: null, life: null, stays: 0 };
  const ends = ended.map((row) => ({ row, signals: signalsAtEnd(seen, row) }));
  return {
    pace: learnedPace(
      ends.map(({ row, signals }) => stayOf(row, signals, { traits, spot, together })),
      usual,
    ),
    life: learnedLife(ends.flatMap(({ row, signals }) => judgedOf(db, row, signals, traits, spot))),
    stays: ended.length,
  };
}

/** The newest answer to each question in the last weeks before a repot; what was seen after it spoke of the new pot. */
function signalsAtEnd(oldestFirst: readonly LookRow[], repot: RepotRow): Signals {
  const since = addDays(repot.date, -END_DAYS);
  return Object.assign(
    {},
    ...oldestFirst
      .filter((look) => look.date >= since && !isAfter(momentOf(look), momentOf(repot)))
      .map(({ signals }) => signals),
  ) as Signals;
}

function stayOf(
  row: RepotRow,
  signals: Signals,
  { traits, spot, together }: Pick<Known, 'traits' | 'spot' | 'together'>,
): Stay {
  const since = row.before.lastRepot!;
  const months = monthsBetween(since, row.date);
  const weeks = Math.max(1, Math.round((months * 30.44) / 7));
  const { activity } = seasonAhead(spot, traits, since, weeks);
  return {
    months,
    meanActivity: activity.reduce((sum, one) => sum + one, 0) / activity.length,
    toFill: monthsToFill(traits.vigour, rimCm(row.before.pot), together),
    roots: readRoots(signals as RootFindings),
  };
}

/** Whether the old medium had failed, where somebody looked. */
function judgedOf(
  db: Db,
  { before, date }: RepotRow,
  signals: Signals,
  traits: Traits,
  spot: Spot,
): MediumJudged[] {
  const failed = mediumFound(signals);
  if (failed === undefined) return [];
  const atMonths = monthsBetween(before.lastRepot!, date);
  const parts = before.mediumParts ? partsOf(before.mediumParts, pantryFor(db)) : null;
  const { months: lifeMonths } = mediumLife(
    blendOf({ kind: before.mediumKind, ...(parts ? { parts } : {}) }),
    insideOfMaterial(before.pot, before.potMaterial),
    traits,
    meanTemperatureC(spot),
  );
  return lifeMonths === null || atMonths < 1 ? [] : [{ atMonths, lifeMonths, failed }];
}
