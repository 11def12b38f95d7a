<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import {
  agedInPot,
  mixInPot,
  partsOf,
  permitted,
  swapPlace,
  mixFigures,
  whyAvoided,
  type PottedMix,
} from '@fernbank/core';
import { computed, ref } from 'vue';
import AgeingPanel from '../../components/mix/AgeingPanel.vue';
import FiguresTable from '../../components/mix/FiguresTable.vue';
import MixColumns from '../../components/mix/MixColumns.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import RecipeCard from '../../components/mix/RecipeCard.vue';
import PlaceFields from '../../components/mix/PlaceFields.vue';
import { usePlace } from '../../composables/usePlace.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** All recipes, each with what it holds in one pot; up to three side by side, ageing together. */
const store = usePantry();
const at = usePlace();
const { place, traits } = at;
const { percent } = useUnits();

const MOST_COMPARED = 3;
const usual = computed(() => traits.value?.recipe ?? null);
const chosen = ref<string[] | null>(null);
const START = ['everyday', 'barkEpiphyte'];
/** Until the keeper has chosen: the plant's usual recipe beside one that is very unlike it. */
const compared = computed(() => {
  const known = new Set(store.pantry.recipes.map(({ id }) => id));
  const ids = chosen.value ?? [...new Set([...(usual.value ? [usual.value] : []), ...START])];
  return ids.filter((id) => known.has(id)).slice(0, MOST_COMPARED);
});
function compare(id: string): void {
  const others = compared.value.filter((other) => other !== id);
  chosen.value =
    others.length < compared.value.length ? others : [...others, id].slice(-MOST_COMPARED);
}

/** What does not change with the pot. */
const listed = computed(() =>
  store.pantry.recipes.map((recipe) => {
    const parts = partsOf(recipe.parts, store.pantry);
    const labels = (list: typeof parts) =>
      list.map(({ ingredient }) => ingredient.label).join(', ');
    return {
      recipe,
      parts,
      said: parts
        .map(({ ingredient, parts: n }) => m.mix.partLine(n, ingredient.label))
        .join(' : '),
      avoided: labels(
        parts.filter(({ ingredient }) => whyAvoided(ingredient, store.pantry.avoided) !== null),
      ),
      out: labels(parts.filter(({ ingredient }) => store.outOfStock(ingredient.id))),
    };
  }),
);
const rows = computed(() =>
  listed.value.map(({ recipe, parts, ...words }) => {
    const mix = mixInPot(parts, place.value);
    return { recipe, mix, ...words, fits: fitsNeed(mix) };
  }),
);
function fitsNeed(mix: PottedMix): string {
  const need = place.value.airNeed;
  if (need === null) return '';
  return mix.air >= need ? m.mix.enoughAir : m.mix.tooLittleAir(percent(need));
}
const shown = computed(() =>
  compared.value.map((id) => {
    const { parts } = listed.value.find(({ recipe }) => recipe.id === id)!;
    return { ...rows.value.find(({ recipe }) => recipe.id === id)!, parts };
  }),
);
const months = ref(0);
const columns = computed(() =>
  shown.value.map(({ recipe, mix }) => ({
    label: recipe.label,
    ...agedInPot(mix, place.value, months.value),
  })),
);
const mixes = computed(() =>
  shown.value.map(({ recipe, parts, mix }) => ({
    label: recipe.label,
    mix,
    pricePerL: mixFigures(parts, swapPlace(place.value, store.pantry.priceOf)).pricePerL,
  })),
);
const leftOut = computed(() => store.pantry.components.length - permitted(store.pantry).length);
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.mix.recipes }}</h1>
      <v-btn color="primary" :prepend-icon="mdiPlus" to="/mix/new">{{ m.mix.newRecipe }}</v-btn>
    </header>
    <PlaceTabs of="fit" />
    <section class="panel stack">
      <PlaceFields :at="at" />
      <div class="bench">
        <MixColumns :columns="columns" :air-need="place.airNeed" />
        <FiguresTable v-if="mixes.length > 0" :mixes="mixes" />
        <p v-else>{{ m.mix.compareNone }}</p>
      </div>
      <h2>{{ m.mix.ageing }}</h2>
      <AgeingPanel v-if="mixes.length > 0" v-model="months" :mixes="mixes" :place="place" />
    </section>
    <p v-if="leftOut > 0" class="quiet">
      {{ m.mix.avoiding(leftOut) }}
      <router-link to="/mix/components">{{ m.mix.avoidList }}</router-link>
    </p>
    <ul class="tiles">
      <RecipeCard
        v-for="row in rows"
        :key="row.recipe.id"
        v-bind="row"
        :usual="row.recipe.id === usual"
        :compared="compared.includes(row.recipe.id)"
        @compare="compare(row.recipe.id)"
      />
    </ul>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 20px;
  align-items: start;
}
@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
