<script setup lang="ts">
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';

/** A share with its 80 % band on a line from 0 to 100 %. */
defineProps<{ mean: number; low: number; high: number; faint?: boolean }>();
const { percent } = useUnits();
</script>

<template>
  <span class="share">
    <svg viewBox="0 0 100 10" preserveAspectRatio="none" :class="{ faint }" aria-hidden="true">
      <line x1="0" y1="5" x2="100" y2="5" class="axis" />
      <rect :x="100 * low" y="2.5" :width="100 * (high - low)" height="5" class="band" />
      <rect :x="100 * mean - 0.8" y="0.5" width="1.6" height="9" class="mean" />
    </svg>
    <span class="number">{{ m.worked.share(percent(mean), percent(low), percent(high)) }}</span>
  </span>
</template>

<style scoped>
.share {
  display: grid;
  grid-template-columns: minmax(70px, 1fr) 8.2em;
  gap: 10px;
  align-items: center;
}
svg {
  width: 100%;
  height: 16px;
}
.axis {
  stroke: rgb(var(--v-theme-on-surface), 0.3);
  stroke-width: 0.6;
  vector-effect: non-scaling-stroke;
}
.band {
  fill: rgb(var(--v-theme-moss, var(--v-theme-primary)));
  opacity: 0.45;
}
.mean {
  fill: rgb(var(--v-theme-on-surface));
}
.faint .band {
  opacity: 0.2;
}
.number {
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
</style>
