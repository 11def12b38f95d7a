<script setup lang="ts">
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import type { MixPlaceChoice } from '../../composables/usePlace.ts';
import { m } from '../../messages/index.ts';

/** For whom a mix is, and in how tall a pot: what it holds follows both. */
const props = defineProps<{ at: MixPlaceChoice }>();
const { length, temperature } = useUnits();
const chosen = computed(() => props.at.chosen.value);
const need = computed(() => {
  const traits = props.at.traits.value;
  if (!traits) return m.mix.noNeed;
  return traits.airNeed === null
    ? m.mix.needByDrying
    : m.mix.needsAir(`${Math.round(100 * traits.airNeed)} %`);
});
</script>

<template>
  <div class="place">
    <v-autocomplete
      :model-value="chosen.judgedFor"
      :items="at.choices.value"
      :label="m.mix.forWhom"
      :hint="need"
      persistent-hint
      @update:model-value="(value: string | null) => at.judgeFor(value ?? '')"
    />
    <div>
      <label for="mix-height" class="quiet small">{{
        m.mix.potHeight(length(chosen.heightCm))
      }}</label>
      <v-slider
        id="mix-height"
        v-model="chosen.heightCm"
        :min="4"
        :max="45"
        :step="0.5"
        color="primary"
        hide-details
        :aria-label="m.mix.potHeight(length(chosen.heightCm))"
      />
    </div>
    <div>
      <label for="mix-warmth" class="quiet small">{{
        m.mix.warmth(temperature(chosen.temperatureC))
      }}</label>
      <v-slider
        id="mix-warmth"
        v-model="chosen.temperatureC"
        :min="5"
        :max="32"
        :step="1"
        color="primary"
        hide-details
        :aria-label="m.mix.warmth(temperature(chosen.temperatureC))"
      />
    </div>
    <p v-if="at.fault.value" class="text-error" role="alert">{{ at.fault.value }}</p>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: minmax(220px, 1.3fr) repeat(2, minmax(160px, 1fr));
  gap: 4px 24px;
  align-items: start;
}
@media (max-width: 800px) {
  .place {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
