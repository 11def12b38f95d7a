import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { addDays, DAYS_PER_MONTH, type IsoDate } from '@fernbank/core';
import type { Db } from '../server/src/db/driver.ts';
import { plants } from '../server/src/db/schema.ts';
import { DRAWN } from '../server/src/shipped.ts';
import { keepPhoto } from '../server/src/services/photos.ts';

/** A plant as it stood when its picture was taken. */
interface Taken {
  monthsAgo: number;
  heightCm: number;
  /** of the pot that it stood in then */
  rimCm: number;
  supportCm?: number;
}

/** Some of the garden are pictured every few months, the oldest first. Drawn, for nobody can photograph them. */
export const PICTURES: Readonly<Record<string, readonly Taken[]>> = {
  Turnstile: [
    { monthsAgo: 23.5, heightCm: 30, rimCm: 17 },
    { monthsAgo: 12, heightCm: 41, rimCm: 17 },
    { monthsAgo: 0.2, heightCm: 48, rimCm: 17 },
  ],
  Semaphore: [
    { monthsAgo: 25, heightCm: 26, rimCm: 14 },
    { monthsAgo: 12, heightCm: 37, rimCm: 17 },
    { monthsAgo: 2.4, heightCm: 45, rimCm: 17 },
  ],
  Purser: [
    { monthsAgo: 19.5, heightCm: 34, rimCm: 15, supportCm: 60 },
    { monthsAgo: 9, heightCm: 71, rimCm: 15, supportCm: 60 },
    { monthsAgo: 0.2, heightCm: 95, rimCm: 15, supportCm: 60 },
  ],
  Breakwater: [
    { monthsAgo: 10.9, heightCm: 30, rimCm: 21, supportCm: 90 },
    { monthsAgo: 7, heightCm: 118, rimCm: 21, supportCm: 90 },
    { monthsAgo: 0.3, heightCm: 190, rimCm: 21, supportCm: 90 },
  ],
  'Harbour Master': [
    { monthsAgo: 24, heightCm: 48, rimCm: 24 },
    { monthsAgo: 0.4, heightCm: 55, rimCm: 24 },
  ],
  'Stair Lemon': [
    { monthsAgo: 20.5, heightCm: 88, rimCm: 30 },
    { monthsAgo: 0.5, heightCm: 120, rimCm: 30 },
  ],
  Tidewrack: [
    { monthsAgo: 15.8, heightCm: 35, rimCm: 17, supportCm: 120 },
    { monthsAgo: 9, heightCm: 74, rimCm: 17, supportCm: 120 },
    { monthsAgo: 0.5, heightCm: 110, rimCm: 17, supportCm: 120 },
  ],
  Bollard: [
    { monthsAgo: 19, heightCm: 38, rimCm: 15 },
    { monthsAgo: 0.4, heightCm: 52, rimCm: 15 },
  ],
  'Pilot Light': [
    { monthsAgo: 6.8, heightCm: 66, rimCm: 19 },
    { monthsAgo: 0.1, heightCm: 70, rimCm: 19 },
  ],
  'Bell Buoy': [
    { monthsAgo: 9.5, heightCm: 46, rimCm: 19 },
    { monthsAgo: 0.5, heightCm: 90, rimCm: 19 },
  ],
};

/** @param which  the oldest of a plant's pictures is 0 */
export const pictureFile = (plant: string, which: number): string =>
  `${plant.toLowerCase().replaceAll(' ', '-')}-${which + 1}.png`;

/** Puts the pictures of their life to the plants of a garden as it stands on `today`. @param folder  of its pictures */
export function takePictures(db: Db, folder: string, today: IsoDate): void {
  const kept = db.select().from(plants).all();
  for (const [plant, taken] of Object.entries(PICTURES)) {
    const { id } = kept.find(({ name }) => name === plant)!;
    for (const [which, { monthsAgo }] of taken.entries()) {
      const bytes = readFileSync(join(DRAWN, pictureFile(plant, which)));
      keepPhoto(db, folder, id, addDays(today, -Math.round(monthsAgo * DAYS_PER_MONTH)), bytes);
    }
  }
}
