<script setup lang="ts">
import type { MoundOnPot } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import MoundDrawing from '../mix/MoundDrawing.vue';

/** A mound with the sizes that the hands work to: net pot, moss, and how far it stands over the mouth. */
const props = defineProps<{ mound: MoundOnPot }>();
const { length, volume, weight } = useUnits();
const holds = computed(() => m.mix.mound.holds(length(props.mound.settledCm)));
const lines = computed(() => {
  const { core, dryG, dampG, mossL, diameterCm, heightCm, mouthCm } = props.mound;
  return [
    m.fit.moundOf.core(length(core.topDiameterCm)),
    m.fit.moundOf.moss(weight(dryG / 1000), weight(dampG / 1000), volume(mossL)),
    m.fit.moundOf.size(length(diameterCm), length(heightCm), length(mouthCm)),
    m.fit.moundOf.renewed,
  ];
});
</script>

<template>
  <section class="panel">
    <h2>{{ m.mix.mound.title }}</h2>
    <MoundDrawing :mound="mound" :label="holds" />
    <p>{{ holds }}</p>
    <ul>
      <li v-for="line in lines" :key="line">{{ line }}</li>
    </ul>
  </section>
</template>
