import { nominalPot, seeded, type IsoDate } from '@fernbank/core';
import type { OpenFile } from '../server/src/db/driver.ts';
import { looks, measurements, plants, spots } from '../server/src/db/schema.ts';
import { stamp } from '../server/src/http/resource.ts';

/** Kinds that a large glasshouse would have rows of. */
const TAXA = [
  'Aspidistra elatior',
  'Davallia fejeensis',
  'Begonia maculata',
  'Clivia miniata',
  'Crassula ovata',
  'Nephrolepis exaltata',
  'Streptocarpus ionanthus',
  'Citrus limon',
];

/**
 * A collection far larger than anyone keeps: plants with weights through the last year, from a seed.
 *
 * @param many  plants and measurements of all of them together
 */
export function fillMany(
  file: OpenFile,
  many: { plants: number; measurements: number },
  today: IsoDate,
): void {
  const random = seeded(4711);
  const between = (low: number, high: number) => low + random() * (high - low);
  const dayBefore = (days: number) =>
    new Date(Date.parse(today) - days * 86_400_000).toISOString().slice(0, 10);
  const { db } = file;
  db.transaction((tx) => {
    const spotIds = Array.from(
      { length: 12 },
      (_, i) =>
        tx
          .insert(spots)
          .values({
            ...stamp(),
            name: `bay ${i + 1}`,
            sortOrder: i,
            latitudeDeg: 54,
            indoors: true,
            temperatureC: 16 + (i % 6),
            relativeHumidity: 0.5,
            light: 'medium',
          })
          .returning({ id: spots.id })
          .get().id,
    );
    const each = Math.round(many.measurements / many.plants);
    for (let i = 0; i < many.plants; i++) {
      const pot = nominalPot(9 + (i % 20));
      const { id } = tx
        .insert(plants)
        .values({
          ...stamp(),
          name: `plant ${i + 1}`,
          taxon: TAXA[i % TAXA.length]!,
          traits: {},
          spotId: spotIds[i % spotIds.length]!,
          pot,
          potMaterial: 'plastic',
          mediumKind: 'peatSoil',
          lastRepot: dayBefore(Math.round(between(30, 900))),
          heightCm: Math.round(between(10, 80)),
          schools: {},
        })
        .returning({ id: plants.id })
        .get();
      tx.insert(looks)
        .values({
          ...stamp(),
          plantId: id,
          date: dayBefore(Math.round(between(1, 120))),
          signals: { rootsAtHoles: (['none', 'one', 'several'] as const)[i % 3]! },
        })
        .run();
      const dryKg = 0.1 + 0.004 * (9 + (i % 20)) ** 2;
      tx.insert(measurements)
        .values(
          Array.from({ length: each }, (_, k) => ({
            ...stamp(),
            plantId: id,
            date: dayBefore(Math.round((each - k) * 14)),
            minute: 480 + (k % 2) * 600,
            kind: 'weightKg' as const,
            value: Math.round(1000 * dryKg * between(1, 1.6)) / 1000,
          })),
        )
        .run();
    }
  });
}
