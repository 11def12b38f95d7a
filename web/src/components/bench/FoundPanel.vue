<script setup lang="ts">
import type { BenchFound } from '@fernbank/core';
import { computed } from 'vue';
import type { Fit } from '../../composables/useFit.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import NumberField from '../NumberField.vue';

/** What hands found otherwise than planned; litres follow at once. */
const props = defineProps<{
  fit: Fit;
  /** the same plant as it was planned */
  planned: Fit;
  found: BenchFound;
}>();
const emit = defineEmits<{ found: [found: BenchFound] }>();
const { said, volume, percent, length } = useUnits();
const { pantry } = usePantry();

const set = (changed: BenchFound) => emit('found', { ...props.found, ...changed });
const changed = computed(() => Object.values(props.found).some((value) => value !== undefined));

const LIVE_STEPS = [1, 0.8, 0.6, 0.4, 0.2, 0.1];
const live = [
  { value: null, title: m.bench.liveUnknown },
  ...LIVE_STEPS.map((value) => ({ value, title: `${percent(value)} %` })),
];
const pots = computed(() =>
  props.fit.ladder.value.rungs.map(({ option, rimCm }) => ({
    value: option.id,
    title: `${said(option.label)} (${length(rimCm)})`,
  })),
);
const recipes = computed(() =>
  pantry.recipes.map(({ id, label }) => ({ value: id, title: label })),
);

/** What was found can ask for another pot by itself. */
const otherPot = computed(() => {
  const now = props.fit.rung.value?.option.label;
  const before = props.planned.rung.value?.option.label;
  return now && before && said(now) !== said(before)
    ? m.bench.otherPot(said(now), said(before))
    : '';
});
/** Smaller differences are what clings to the tub, L. */
const LEAST_L = 0.03;
const litres = computed(() => {
  const now = props.fit.rung.value?.newMediumL ?? 0;
  const before = props.planned.rung.value?.newMediumL ?? 0;
  const over = before - now;
  return {
    line: m.bench.litres(volume(now), volume(before)),
    what:
      Math.abs(over) < LEAST_L
        ? m.bench.litresSame
        : over > 0
          ? m.bench.litresOver(volume(over))
          : m.bench.litresShort(volume(-over)),
  };
});
</script>

<template>
  <details class="panel found" :open="changed">
    <summary>{{ m.bench.foundTitle }}</summary>
    <div class="stack inside">
      <p class="quiet">{{ m.bench.foundIntro }}</p>
      <div class="fields">
        <v-select
          :model-value="found.liveRoots ?? null"
          :items="live"
          :label="m.bench.live"
          hide-details
          @update:model-value="(value: number | null) => set({ liveRoots: value ?? undefined })"
        />
        <v-select
          :model-value="fit.rung.value?.option.id"
          :items="pots"
          :label="m.bench.potTaken"
          hide-details
          @update:model-value="(potOption: string) => set({ potOption })"
        />
        <v-select
          :model-value="fit.choices.recipeId"
          :items="recipes"
          :label="m.bench.mixTaken"
          hide-details
          @update:model-value="(recipeId: string) => set({ recipeId })"
        />
        <NumberField
          :model-value="fit.choices.pieces"
          :label="m.fit.pieces"
          :error="fit.piecesRefused.value"
          @update:model-value="
            (pieces) => pieces !== null && pieces >= 1 && set({ pieces: Math.round(pieces) })
          "
        />
        <v-checkbox
          :model-value="fit.choices.rootsPruned"
          :label="m.fit.rootsPruned"
          hide-details
          @update:model-value="(value: boolean | null) => set({ rootsPruned: value === true })"
        />
      </div>
      <p role="status">
        <template v-if="otherPot">{{ otherPot }} </template>{{ litres.line }}
        <strong>{{ litres.what }}</strong>
      </p>
      <div v-if="changed">
        <v-btn variant="outlined" @click="emit('found', {})">{{ m.bench.back2plan }}</v-btn>
      </div>
    </div>
  </details>
</template>

<style scoped>
.inside {
  padding-top: 8px;
}
</style>
