import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../catalogue/index.ts';
import { blendOf } from '../decide/index.ts';
import { nominalPot } from '../pots/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import { dryingOfPresent } from './index.ts';

/*
 * Common practice, no source: in a cool porch in winter plants go two to three times as long between waterings as
 * in a room; what is kept in leaf there is watered every three to seven weeks, succulents in large pots every two months.
 */
const ROOM = { ...TYPICAL_SPOT, latitudeDeg: 54 };
const PORCH = {
  ...ROOM,
  temperatureC: [5, 6, 8, 10, 13, 16, 18, 18, 15, 11, 8, 6],
  relativeHumidity: 0.7,
};

/** What stands there in winter bears it. */
const COLDEST_C = 5;

describe('a plant in a cool porch', () => {
  it.each([9, 14, 21])(
    'in a pot of %i cm dries two to three times as slowly at rest, never out of mind',
    (cm) => {
      for (const { name, traits } of CATALOGUE.filter(
        (taxon) => taxon.traits.floorC <= COLDEST_C,
      )) {
        const medium = { kind: traits.medium, recipe: traits.recipe };
        const [room, porch] = [ROOM, PORCH].map((spot) =>
          dryingOfPresent({ traits, spot, pot: nominalPot(cm) }, blendOf(medium), traits.medium),
        );
        if (room!.restDays === null || porch!.restDays === null) continue;
        const longer = porch!.restDays / room!.restDays;
        expect(longer, name).toBeGreaterThanOrEqual(room!.restDays < 50 ? 1.2 : 1);
        expect(longer, name).toBeLessThan(3.2);
        expect(porch!.restDays, name).toBeLessThanOrEqual(60);
      }
    },
  );
});
