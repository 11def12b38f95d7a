import { CATALOGUE, GROUPS, VIGOURS, type Taxon } from '../catalogue/index.ts';
import { freshIn, mediumLife } from '../decide/index.ts';
import { dryingOfPresent } from '../fit/index.ts';
import { RECIPES } from '../media/index.ts';
import { blendOfRecipe } from '../mixing/index.ts';
import { nominalPot, rimCm, type PotShape } from '../pots/index.ts';
import { monthsToFill } from '../roots/index.ts';
import type { Spot } from '../season/index.ts';
import {
  AIR_AT_15CM,
  DRYING,
  FILLING,
  MEDIUM_LIFE,
  type DryingRange,
  type Range,
} from './ranges.ts';

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
/** The same room in either half of the world. */
const ROOMS = [ROOM, { ...ROOM, latitudeDeg: -ROOM.latitudeDeg }];
/** Means of the year that rooms and porches have, °C. */
const MEANS_C = [14, 20, 26];
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
      const cm = (row.rimCm.least + row.rimCm.most) / 2;
      return TALLNESS.flatMap((share) =>
        ROOMS.flatMap((spot) => dryingHeld(taxon, row, potOf(cm, share), spot)),
      );
    }),
  );
}

/** Growth, rest, and every month between them. */
function dryingHeld(
  { name, traits }: Taxon,
  row: DryingRange,
  pot: PotShape,
  spot: Spot,
): Finding[] {
  const { growthDays, restDays, byMonth } = dryingOfPresent(
    { traits, spot, pot },
    blendOfRecipe(traits.recipe),
    traits.medium,
  );
  const where = spot.latitudeDeg < 0 ? 'south' : 'north';
  const at = (when: string) =>
    `${name} ${rimCm(pot)} × ${pot.heightCm.toFixed(0)} cm, ${traits.recipe}, ${where}, ${when}`;
  const rest = traits.dryRest ? null : row.rest;
  const between = { least: row.growth.least, most: (row.rest ?? row.growth).most };
  return [
    held('days to dry', at('in growth'), growthDays, row.growth),
    held('days to dry', at('at rest'), restDays, rest),
    ...byMonth.flatMap((days, month) =>
      days === null ? [] : [held('days to dry', at(`month ${month + 1}`), days, between)],
    ),
  ];
}

/** Pots are three quarters as tall as wide, or nearly as tall. */
const TALLNESS = [0.75, 0.9] as const;
const potOf = (cm: number, share: number): PotShape => ({
  shape: 'round',
  topDiameterCm: cm,
  baseDiameterCm: 0.72 * cm,
  heightCm: share * cm,
});

/** Recipes that the taxa of a group stand in by default. */
function recipesOf(groupId: string): string[] {
  const taxa = CATALOGUE.filter(({ group }) => group === groupId);
  return [...new Set(taxa.map(({ traits }) => traits.recipe))];
}

function lives(): Finding[] {
  const recipes = new Map(GROUPS.map(({ id }) => [id, recipesOf(id)]));
  return CATALOGUE.flatMap(({ name, group, traits }) =>
    recipes.get(group)!.flatMap((recipeId) => {
      const row = MEDIUM_LIFE.find((candidate) => candidate.recipes.includes(recipeId));
      if (!row) return [];
      const mix = blendOfRecipe(recipeId);
      return WIDTHS_CM.flatMap((cm) =>
        MEANS_C.map((celsius) => {
          const { months } = mediumLife(mix, nominalPot(cm), traits, celsius);
          const what = `${name} ${cm} cm at ${celsius} °C, ${recipeId}`;
          return held('life of a medium', what, months, row.months);
        }),
      );
    }),
  );
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
