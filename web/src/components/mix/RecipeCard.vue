<script setup lang="ts">
import type { PottedMix, Recipe } from '@fernbank/core';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** One recipe of the list, with what it holds in the pot that is looked at. */
defineProps<{
  recipe: Recipe;
  mix: PottedMix;
  /** its parts in words */
  said: string;
  /** what of it is avoided, and what is out of stock, in words */
  avoided: string;
  out: string;
  fits: string;
  usual: boolean;
  compared: boolean;
}>();
defineEmits<{ compare: [] }>();
const { percent } = useUnits();
const { mediumWord } = useFigureWords();
</script>

<template>
  <li class="panel">
    <div>
      <router-link :to="`/mix/${recipe.id}`">
        <strong class="serif">{{ recipe.label }}</strong>
      </router-link>
      <span v-if="recipe.version > 1" class="quiet small version">{{
        m.mix.version(recipe.version)
      }}</span>
      <span v-if="usual" class="usual small">{{ m.fit.usual }}</span>
      <p class="quiet">{{ recipe.use }}</p>
      <p>{{ said }}</p>
      <p v-if="avoided" class="text-error small">{{ m.mix.holdsAvoided(avoided) }}</p>
      <p v-if="out" class="text-error small">{{ m.mix.holdsOut(out) }}</p>
    </div>
    <div
      class="bar"
      role="img"
      :aria-label="m.fit.airWaterValue(percent(mix.air), percent(mix.water))"
    >
      <span class="air" :style="{ width: `${100 * mix.air}%` }"></span>
      <span class="water" :style="{ width: `${100 * mix.water}%` }"></span>
      <span class="solid" :style="{ width: `${100 * mix.solid}%` }"></span>
    </div>
    <p class="small">
      {{ m.mix.airWater(percent(mix.air), percent(mix.water)) }} ·
      {{ mediumWord(mix.life.months) }}
      <template v-if="fits"> · {{ fits }}</template>
    </p>
    <v-btn
      variant="outlined"
      :aria-pressed="compared"
      :aria-label="`${compared ? m.fit.compared : m.fit.compareThis}: ${recipe.label}`"
      @click="$emit('compare')"
      >{{ compared ? m.fit.compared : m.fit.compareThis }}</v-btn
    >
  </li>
</template>

<style scoped>
.panel {
  /* Cards below the fold are laid out only when they come into view: a slider above redraws them all. */
  content-visibility: auto;
  contain-intrinsic-block-size: auto 200px;
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
</style>
