<script setup lang="ts">
import { DRAINAGE_LAYERS, type DrainageLayer } from '@fernbank/core';
import type { Fit } from '../../composables/useFit.ts';
import { m } from '../../messages/index.ts';
import NumberField from '../NumberField.vue';

/** What is done to the ball, and what it is set on. */
const props = defineProps<{ fit: Fit }>();
const { choices, piecesRefused, allowed, newKind } = props.fit;

const layers = (Object.keys(DRAINAGE_LAYERS) as DrainageLayer[]).map((value) => ({
  value,
  title: DRAINAGE_LAYERS[value].label,
  props: { subtitle: DRAINAGE_LAYERS[value].costs },
}));
const pieceCounts = [1, 2, 3, 4, 5, 6].map((value) => ({
  value,
  title: value === 1 ? m.fit.piecesOne : m.fit.piecesOf(value),
}));
</script>

<template>
  <div class="row bench" role="group" :aria-label="m.fit.bench">
    <v-select
      v-model="choices.pieces"
      :items="pieceCounts"
      :label="m.fit.pieces"
      :error-messages="piecesRefused"
      :hint="choices.pieces > 1 ? allowed.why : ''"
      persistent-hint
    />
    <template v-if="choices.pieces > 1">
      <NumberField v-model="choices.growths" :label="m.fit.growths" />
      <NumberField v-model="choices.countedRoots" :label="m.fit.countedRoots" />
    </template>
    <v-select v-model="choices.layer" :items="layers" :label="m.fit.layer" />
    <v-checkbox v-model="choices.rootsPruned" :label="m.fit.rootsPruned" hide-details />
    <v-checkbox
      v-if="newKind === 'moss'"
      v-model="choices.mound"
      :label="m.fit.mound"
      hide-details
    />
  </div>
</template>

<style scoped>
.bench {
  margin: 10px 0;
}
.bench > * {
  flex: 1 1 200px;
}
</style>
