<script setup lang="ts">
import {
  blend,
  dryingIn,
  MEDIUM_KINDS,
  partsOf,
  upkeep,
  waterRhythm,
  yearOf,
  type MediumKind,
  type Rung,
  type Situation,
} from '@fernbank/core';
import { computed } from 'vue';
import { daysTold } from '../../composables/careWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** What each medium would ask of the keeper for this plant in the pot that is chosen, side by side. */
const props = defineProps<{ rung: Rung; situation: Situation; chosen: MediumKind }>();
const store = usePantry();
const { number } = useUnits();
const MANY = 40;

const rows = computed(() => {
  const { traits, spot, pot, date } = props.situation;
  const year = yearOf(spot, traits);
  const { option, inside, fillHeightCm } = props.rung;
  // Bare roots stand in no pot.
  return MEDIUM_KINDS.filter(({ id }) => id !== 'bare').map(({ id, label, recipe }) => {
    const mix = blend(partsOf(store.pantry.recipe(recipe).parts, store.pantry));
    const drying = dryingIn(
      {
        traits,
        spot,
        inside,
        outside: option.outside,
        material: option.material,
        mix,
        kind: id,
        fillHeightCm,
        grownIn: pot,
      },
      year,
    );
    const { nowDays, restDays } = waterRhythm(drying, date);
    const { minutesAWeek } = upkeep(id, drying, traits);
    return { id, label, now: daysTold(nowDays), rest: daysTold(restDays), minutesAWeek };
  });
});
</script>

<template>
  <p class="quiet small">{{ m.upkeep.byMediumWhy }}</p>
  <div class="scroll">
    <table class="figures">
      <thead>
        <tr>
          <th>{{ m.upkeep.medium }}</th>
          <th class="num">{{ m.upkeep.now }}</th>
          <th class="num">{{ m.upkeep.rest }}</th>
          <th class="num">{{ m.upkeep.one }}</th>
          <th class="num wide">{{ m.upkeep.forty }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" :class="{ chosen: row.id === chosen }">
          <td>
            {{ row.label }}
            <span v-if="row.id === chosen" class="quiet small">{{ m.upkeep.chosen }}</span>
          </td>
          <td class="num">{{ row.now }}</td>
          <td class="num">{{ row.rest }}</td>
          <td class="num">{{ number(row.minutesAWeek, 1) }}</td>
          <td class="num wide">{{ number(MANY * row.minutesAWeek, 0) }} min</td>
        </tr>
      </tbody>
    </table>
  </div>
  <p class="quiet small">{{ m.upkeep.source }}</p>
</template>

<style scoped>
.chosen td {
  font-weight: 700;
}
@media (max-width: 640px) {
  .wide {
    display: none;
  }
}
</style>
