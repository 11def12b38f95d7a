import { addDays, type IsoDate } from '@fernbank/core';
import { sql } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { tableNamed } from '../history/tables.ts';
import type { PlantRow, SpotRow } from '../services/collection.ts';
import type { PlantRecords, RepotRow } from '../services/records.ts';

/** A plant with its records and its place, as they stood on a day. */
export interface Known {
  plant: PlantRow;
  records: PlantRecords;
  spot: SpotRow;
}

/** A value that a row had until something was done to it. */
interface Changed {
  of: 'plants' | 'looks' | 'spots';
  row: number;
  /** day on which it was done */
  on: IsoDate;
  /** as in the code: the fields that were changed, as they were before */
  before: Record<string, unknown>;
}

/** Of a plant's own row what a verdict rests on, and no repot changes. */
const OF_PLANT = ['spotId', 'taxon', 'groupId', 'traits', 'schools', 'together'] as const;
const OF_LOOK = ['signals', 'date'] as const;

/**
 * What was known of a plant before a day: without what was written down later, without later changes of
 * what had been written, in the pot that it stood in then.
 *
 * From before Fernbank knew the plant there is only what the keeper brought along: that is taken in the order
 * of its dates.
 */
export class Past {
  private readonly arrived: IsoDate;
  private changes: Changed[] | null = null;

  constructor(
    private readonly db: Db,
    private readonly plant: PlantRow,
    private readonly records: PlantRecords,
    private readonly spots: ReadonlyMap<number, SpotRow>,
  ) {
    this.arrived = plant.createdAt.slice(0, 10);
  }

  /**
   * @param day  what was known the day before it
   * @param writtenAt  when what was found on it was written down
   * @returns null when the plant stood in no pot yet
   */
  before(day: IsoDate, writtenAt: string): Known | null {
    const broughtAlong = day <= this.arrived;
    const wasKnown = ({ date, createdAt }: { date: IsoDate; createdAt: string }) =>
      date < day && (broughtAlong || (createdAt < writtenAt && createdAt.slice(0, 10) <= day));
    const { looks, measurements, repots, overrules, outcomes } = this.records;
    const known: PlantRecords = {
      looks: looks.filter(wasKnown),
      measurements: measurements.filter(wasKnown),
      repots: repots.filter(wasKnown),
      overrules: overrules.filter(wasKnown),
      outcomes: outcomes.filter(wasKnown),
    };
    const housed = this.housedBefore(repots.filter((row) => !wasKnown(row)));
    if (!housed) return null;
    const placed = (plant: PlantRow): SpotRow =>
      this.spots.get(plant.spotId) ?? this.spots.get(this.plant.spotId)!;
    if (broughtAlong) return { plant: housed, records: known, spot: placed(housed) };
    const later = this.changesSince(day);
    const plant = rewound(housed, later, 'plants', OF_PLANT);
    const asWritten = known.looks.map((look) => rewound(look, later, 'looks', OF_LOOK));
    const spot = placed(plant);
    return {
      plant,
      records: { ...known, looks: asWritten },
      spot: rewound(spot, later, 'spots', Object.keys(spot) as (keyof SpotRow)[]),
    };
  }

  /** In the pot that the first repot of these took it out of. @param later  the oldest first */
  private housedBefore(later: readonly RepotRow[]): PlantRow | null {
    const [first] = later;
    if (!first) return this.plant;
    if (first.before.fromBatch) return null;
    const {
      pot,
      potMaterial,
      potId,
      mediumKind,
      recipeId,
      mediumParts = null,
      lastRepot,
    } = first.before;
    return { ...this.plant, pot, potMaterial, potId, mediumKind, recipeId, mediumParts, lastRepot };
  }

  /** The newest first. */
  private changesSince(day: IsoDate): Changed[] {
    this.changes ??= this.db
      .all<{ of: Changed['of']; row: string; at: string; before: string }>(
        sql`SELECT c."of", c."row", d.at, c.before FROM changes c JOIN deeds d ON d.id = c.deed_id
            WHERE c.op = 'change' AND (c."of" = 'spots'
              OR (c.plant_id = ${this.plant.id} AND c."of" IN ('plants', 'looks')))
            ORDER BY c.id DESC`,
      )
      .map(({ of, row, at, before }) => ({
        of,
        row: Number(row),
        on: at.slice(0, 10),
        before: inFields(of, JSON.parse(before) as Record<string, unknown>),
      }));
    return this.changes.filter(({ on }) => on >= day);
  }
}

/** Columns as they are kept, by the names and values of the code. */
function inFields(table: string, cells: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    tableNamed(table).columns.flatMap(({ name, field, kind }) => {
      if (!(name in cells)) return [];
      const value = cells[name];
      return [[field, kind === 'json' && typeof value === 'string' ? JSON.parse(value) : value]];
    }),
  );
}

/** @param later  the newest first: what stood before the oldest of them wins */
function rewound<Row extends { id: number }>(
  row: Row,
  later: readonly Changed[],
  of: Changed['of'],
  fields: readonly (keyof Row & string)[],
): Row {
  const then = { ...row };
  for (const change of later) {
    if (change.of !== of || change.row !== row.id) continue;
    for (const field of fields) {
      if (field in change.before) Object.assign(then, { [field]: change.before[field] });
    }
  }
  return then;
}

export const dayBefore = (day: IsoDate): IsoDate => addDays(day, -1);
