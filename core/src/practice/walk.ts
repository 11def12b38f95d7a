import { CATALOGUE, VIGOURS } from '../catalogue/index.ts';
import { freshIn, mediumLife } from '../decide/index.ts';
import { dryingOfPresent } from '../fit/index.ts';
import { RECIPES } from '../media/index.ts';
import { blendOfRecipe } from '../mixing/index.ts';
import { nominalPot, type PotShape } from '../pots/index.ts';
import { monthsToFill } from '../roots/index.ts';
import type { Spot } from '../season/index.ts';
import { AIR_AT_15CM, DRYING, FILLING, MEDIUM_LIFE, type Range } from './ranges.ts';

/** A number held against its range. */
export interface Finding {
  model: 'days to dry' | 'life of a medium' | 'months to fill' | 'air of a mix';
  what: string;
  value: number | null;
  range: Range | null;
  /** how far outside, in parts of the nearer bound: 0 within */
  off: number;
}

/** A bright room at 51° N, with its year. */
const ROOM: Spot = {
  latitudeDeg: 51,
  indoors: true,
  temperatureC: 21,
  relativeHumidity: 0.5,
  light: 'bright',
  lampHours: 0,
};
/** Widths that pots are sold in, from a plug to a tub, cm. */
const WIDTHS_CM = [6, 9, 12, 14, 17, 20, 25, 32, 45, 60];

/** Every number of which practice knows the range, over the whole catalogue: the worst first. */
export function walk(): Finding[] {
  return [...drying(), ...lives(), ...filling(), ...air()].sort((a, b) => b.off - a.off);
}

function held(
  model: Finding['model'],
  what: string,
  value: number | null,
  range: Range | null,
): Finding {
  return { model, what, value, range, off: offBy(value, range) };
}

function offBy(value: number | null, range: Range | null): number {
  if (value === null || range === null) return value === range ? 0 : 1;
  if (value < range.least) return range.least / Math.max(value, 1e-6) - 1;
  return Math.max(0, value / range.most - 1);
}

function drying(): Finding[] {
  return CATALOGUE.flatMap((taxon) =>
    DRYING.filter(
      ({ is, recipes }) => is(taxon) && (recipes?.includes(taxon.traits.recipe) ?? true),
    ).flatMap((row) => {
      const rimCm = (row.rimCm.least + row.rimCm.most) / 2;
      return TALLNESS.flatMap((share) => {
        const { growth, rest } = daysToDry(taxon.traits, potOf(rimCm, share));
        const at = (when: string) =>
          `${taxon.name} ${rimCm} × ${(share * rimCm).toFixed(0)} cm, ${taxon.traits.recipe}, ${when}`;
        return [
          held('days to dry', at('in growth'), growth, row.growth),
          held('days to dry', at('at rest'), rest, taxon.traits.dryRest ? null : row.rest),
        ];
      });
    }),
  );
}

/** Pots are three quarters as tall as wide, or nearly as tall. */
const TALLNESS = [0.75, 0.9] as const;
const potOf = (rimCm: number, share: number): PotShape => ({
  shape: 'round',
  topDiameterCm: rimCm,
  baseDiameterCm: 0.72 * rimCm,
  heightCm: share * rimCm,
});

/** Of a plant that has rooted its pot through. */
function daysToDry(traits: (typeof CATALOGUE)[number]['traits'], pot: PotShape) {
  const { growthDays, restDays } = dryingOfPresent(
    { traits, spot: ROOM, pot },
    blendOfRecipe(traits.recipe),
    traits.medium,
  );
  return { growth: growthDays, rest: restDays };
}

function lives(): Finding[] {
  return CATALOGUE.flatMap(({ name, traits }) => {
    const row = MEDIUM_LIFE.find(({ recipes }) => recipes.includes(traits.recipe));
    if (!row) return [];
    return WIDTHS_CM.filter((rimCm) => rimCm <= 32).map((rimCm) => {
      const { months } = mediumLife(
        blendOfRecipe(traits.recipe),
        nominalPot(rimCm),
        traits,
        ROOM.temperatureC as number,
      );
      return held('life of a medium', `${name} ${rimCm} cm, ${traits.recipe}`, months, row.months);
    });
  });
}

function filling(): Finding[] {
  return FILLING.flatMap(({ rimCm: { least, most }, months }) =>
    VIGOURS.flatMap((vigour) =>
      [least, (least + most) / 2, most].map((cm) =>
        held('months to fill', `${vigour}, ${cm} cm`, monthsToFill(vigour, cm), months[vigour]),
      ),
    ),
  );
}

function air(): Finding[] {
  const pot = nominalPot(17, 'standard');
  const tall = { ...pot, heightCm: 15 } as PotShape;
  return RECIPES.flatMap(({ id, label }) => {
    const row = AIR_AT_15CM.find(({ recipes }) => recipes.includes(id));
    return row ? [held('air of a mix', label, freshIn(blendOfRecipe(id), tall).air, row.air)] : [];
  });
}
