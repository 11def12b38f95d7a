<script setup lang="ts">
import type { SignalValue } from '@fernbank/core';
import { computed } from 'vue';
import { drawingOf } from './drawings.ts';

/** One answer of a look as a small drawing, so that it is found without reading. */
const props = defineProps<{ signal: string; value: SignalValue }>();
const strokes = computed(() => drawingOf(props.signal, props.value));
</script>

<template>
  <svg v-if="strokes.length > 0" viewBox="0 0 44 40" aria-hidden="true">
    <path
      v-for="(stroke, i) in strokes"
      :key="i"
      :d="stroke.d"
      :class="stroke.as"
      :transform="stroke.turn ? `rotate(${stroke.turn} 31 35)` : undefined"
    />
  </svg>
</template>

<style scoped>
svg {
  width: 58px;
  height: 53px;
  flex: none;
  overflow: visible;
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.7;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.soil {
  stroke-width: 2.4;
}
.root {
  stroke-width: 2;
}
.leaf {
  fill: rgb(var(--v-theme-accent), 0.5);
}
.water {
  stroke: rgb(var(--v-theme-info));
  fill: rgb(var(--v-theme-info), 0.35);
}
.mark {
  fill: currentColor;
  stroke-width: 1.2;
}
.thin {
  stroke-width: 1.2;
}
.dead {
  stroke-dasharray: 2.4 2.6;
  stroke-width: 2;
}
</style>
