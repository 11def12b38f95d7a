import type { FitSubject } from '@fernbank/core';
import { and, eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { measurements } from '../db/schema.ts';
import { heightOf, type PlantFile } from './collection.ts';

/** A plant of the collection as a fit takes it. */
export function fitSubjectOf(db: Db, file: PlantFile): FitSubject {
  const { plant, situation, logs } = file;
  const { supportKind: kind, supportSection: section, supportCm: lengthCm } = plant;
  return {
    situation,
    heightCm: heightOf(file).cm,
    heights: db
      .select()
      .from(measurements)
      .where(and(eq(measurements.plantId, plant.id), eq(measurements.kind, 'heightCm')))
      .all()
      .map((row) => ({ date: row.date, cm: row.value })),
    log: logs.water,
    potMaterial: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    support: lengthCm === null ? null : { kind, section, lengthCm },
    stems: plant.stems,
    wish: plant.supportWish,
  };
}
