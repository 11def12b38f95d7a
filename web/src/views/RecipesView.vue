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
import AgeingPanel from '../components/mix/AgeingPanel.vue';
import FiguresTable from '../components/mix/FiguresTable.vue';
import MixColumns from '../components/mix/MixColumns.vue';
import MixNav from '../components/mix/MixNav.vue';
import PlaceFields from '../components/mix/PlaceFields.vue';
import { useFigureWords } from '../composables/figureWords.ts';
import { usePlace } from '../composables/usePlace.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import { usePantry } from '../stores/pantry.ts';

/** All recipes, each with what it holds in one pot; up to three side by side, ageing together. */
const store = usePantry();
const at = usePlace();
const { place, traits } = at;
const { percent } = useUnits();
const { mediumWord } = useFigureWords();

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

const rows = computed(() =>
  store.pantry.recipes.map((recipe) => {
    const parts = partsOf(recipe.parts, store.pantry);
    const mix = mixInPot(parts, place.value);
    const avoided = parts.filter(
      ({ ingredient }) => whyAvoided(ingredient, store.pantry.avoided) !== null,
    );
    const out = parts.filter(({ ingredient }) => store.outOfStock(ingredient.id));
    return {
      recipe,
      parts,
      mix,
      said: parts
        .map(({ ingredient, parts: n }) => m.mix.partLine(n, ingredient.label))
        .join(' : '),
      avoided: avoided.map(({ ingredient }) => ingredient.label).join(', '),
      out: out.map(({ ingredient }) => ingredient.label).join(', '),
      fits: fitsNeed(mix),
    };
  }),
);
function fitsNeed(mix: PottedMix): string {
  const need = place.value.airNeed;
  if (need === null) return '';
  return mix.air >= need ? m.mix.enoughAir : m.mix.tooLittleAir(percent(need));
}
const shown = computed(() =>
  compared.value.map((id) => rows.value.find(({ recipe }) => recipe.id === id)!),
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
    pricePerL: mixFigures(parts, swapPlace(place.value, store.priceOf)).pricePerL,
  })),
);
const leftOut = computed(() => store.pantry.components.length - permitted(store.pantry).length);
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.mix.recipes }}</h1>
      <v-btn color="primary" min-height="48" :prepend-icon="mdiPlus" to="/mix/new">{{
        m.mix.newRecipe
      }}</v-btn>
    </header>
    <MixNav at="recipes" />
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
    <ul class="recipes">
      <li v-for="row in rows" :key="row.recipe.id" class="panel">
        <div>
          <router-link :to="`/mix/${row.recipe.id}`">
            <strong class="serif">{{ row.recipe.label }}</strong>
          </router-link>
          <span v-if="row.recipe.version > 1" class="quiet small version">{{
            m.mix.version(row.recipe.version)
          }}</span>
          <span v-if="row.recipe.id === usual" class="usual small">{{ m.fit.usual }}</span>
          <p class="quiet">{{ row.recipe.use }}</p>
          <p>{{ row.said }}</p>
          <p v-if="row.avoided" class="text-error small">{{ m.mix.holdsAvoided(row.avoided) }}</p>
          <p v-if="row.out" class="text-error small">{{ m.mix.holdsOut(row.out) }}</p>
        </div>
        <div
          class="bar"
          role="img"
          :aria-label="m.fit.airWaterValue(percent(row.mix.air), percent(row.mix.water))"
        >
          <span class="air" :style="{ width: `${100 * row.mix.air}%` }"></span>
          <span class="water" :style="{ width: `${100 * row.mix.water}%` }"></span>
          <span class="solid" :style="{ width: `${100 * row.mix.solid}%` }"></span>
        </div>
        <p class="small">
          {{ m.mix.airWater(percent(row.mix.air), percent(row.mix.water)) }} ·
          {{ mediumWord(row.mix.life.months) }}
          <template v-if="row.fits"> · {{ row.fits }}</template>
        </p>
        <v-btn
          variant="outlined"
          min-height="48"
          :aria-pressed="compared.includes(row.recipe.id)"
          :aria-label="`${compared.includes(row.recipe.id) ? m.fit.compared : m.fit.compareThis}: ${row.recipe.label}`"
          @click="compare(row.recipe.id)"
          >{{ compared.includes(row.recipe.id) ? m.fit.compared : m.fit.compareThis }}</v-btn
        >
      </li>
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
.recipes {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 12px;
}
.recipes li {
  display: grid;
  gap: 6px;
  align-content: space-between;
}
.version {
  margin-left: 8px;
}
.usual {
  margin-left: 8px;
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}
.bar {
  display: flex;
  height: 16px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.5);
  border-radius: 3px;
  overflow: hidden;
}
.air {
  background: #f1f4ee;
}
.water {
  background: #2f6f96;
}
.solid {
  background: #5d4a33;
}
@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
