import { TYPICAL_SPOT, type Spot } from '../../season/index.ts';

/** Where the plants of the panel stand. */
export const PLACES = {
  room: { ...TYPICAL_SPOT, latitudeDeg: 51, temperatureC: 20 },
  lamps: { ...TYPICAL_SPOT, latitudeDeg: 51, temperatureC: 22, lampHours: 14 },
  hotRoom: {
    ...TYPICAL_SPOT,
    latitudeDeg: 45,
    temperatureC: [18, 18, 19, 21, 23, 27, 29, 28, 24, 21, 19, 18],
  },
  glasshouse: {
    ...TYPICAL_SPOT,
    latitudeDeg: 51,
    indoors: false,
    temperatureC: [8, 8, 10, 13, 16, 19, 21, 21, 18, 14, 10, 8],
    relativeHumidity: 0.6,
  },
  outdoors: {
    ...TYPICAL_SPOT,
    latitudeDeg: 51,
    indoors: false,
    temperatureC: [4, 4, 7, 10, 14, 17, 19, 18, 15, 11, 7, 5],
    relativeHumidity: 0.75,
  },
  rome: {
    ...TYPICAL_SPOT,
    latitudeDeg: 41.9,
    indoors: false,
    temperatureC: [8, 9, 11, 14, 18, 22, 25, 25, 21, 17, 12, 9],
    relativeHumidity: 0.6,
  },
  south: {
    ...TYPICAL_SPOT,
    latitudeDeg: -42,
    temperatureC: 20,
  },
  tropics: {
    ...TYPICAL_SPOT,
    latitudeDeg: 1.3,
    indoors: false,
    temperatureC: 28,
    relativeHumidity: 0.8,
  },
} as const satisfies Record<string, Spot>;
export type PlaceId = keyof typeof PLACES;
