import { pantryOf, pricePerL, SHIPPED, type Pantry } from '@fernbank/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api } from '../api/client.ts';
import type { PantryComponent, PantryRecipe } from '../api/types.ts';
import { useSettings } from './settings.ts';

/** The keeper's components and recipes: what every mix on every page is made of. */
export const usePantry = defineStore('pantry', () => {
  const settings = useSettings();
  const components = shallowRef<PantryComponent[]>([]);
  const recipes = shallowRef<PantryRecipe[]>([]);
  const loaded = ref(false);

  async function load(): Promise<void> {
    const [ownComponents, ownRecipes] = await Promise.all([api('/components'), api('/recipes')]);
    components.value = ownComponents.items;
    recipes.value = ownRecipes.items;
    loaded.value = true;
  }

  /** As shipped until the keeper's own has been fetched. */
  const pantry = computed((): Pantry => {
    const { avoided } = settings.current;
    if (!loaded.value) return pantryOf(SHIPPED.components, SHIPPED.recipes, avoided);
    const split = <T extends { removed: boolean }>(rows: T[]) => ({
      here: rows.filter(({ removed }) => !removed),
      gone: rows.filter(({ removed }) => removed),
    });
    const ofComponents = split(components.value);
    const ofRecipes = split(recipes.value);
    const gone = { components: ofComponents.gone, recipes: ofRecipes.gone };
    return pantryOf(ofComponents.here, ofRecipes.here, avoided, gone, ({ id }) => {
      const row = stockOf(id);
      return row && pricePerL(row);
    });
  });

  const byId = computed(() => new Map(components.value.map((row) => [row.id, row])));
  /** What there is of a component; null: not fetched. */
  const stockOf = (id: string): PantryComponent | null => byId.value.get(id) ?? null;
  /** Whether the keeper counts it at all: a bag, a price or a litre is known. */
  const counted = (id: string): boolean => {
    const row = stockOf(id);
    return row !== null && (row.bagL !== null || row.bags > 0 || row.openL > 0);
  };
  const outOfStock = (id: string): boolean => {
    const row = stockOf(id);
    return row !== null && counted(id) && row.bags === 0 && row.openL === 0;
  };
  return { components, recipes, loaded, load, pantry, stockOf, counted, outOfStock };
});
