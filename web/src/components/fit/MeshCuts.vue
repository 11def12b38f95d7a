<script setup lang="ts">
import type { MeshPlan } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Strips across a roll or a sheet, with what is cut beside each other in each. */
const props = defineProps<{ plan: MeshPlan; widthCm: number }>();
const { length, percent } = useUnits();
const SHOWN_CM = 60;
const rows = computed(() =>
  props.plan.strips.map((strip) => {
    let x = 0;
    const parts = strip.pieces.flatMap(({ acrossCm, alongCm, count }) =>
      Array.from({ length: count }, () => {
        const part = { x, acrossCm, alongCm };
        x += acrossCm;
        return part;
      }),
    );
    return { ...strip, parts };
  }),
);
/** Roll lying down: its width up, one scale for all strips. */
const pxPerCm = computed(() => Math.min(2, (SHOWN_CM * 4) / props.widthCm));
</script>

<template>
  <p>
    <strong>{{
      plan.sheets === null
        ? m.cuts.meshRoll(length(plan.usedCm), percent(plan.wasteShare))
        : m.cuts.meshSheets(plan.sheets, percent(plan.wasteShare))
    }}</strong>
    <span v-if="plan.optimal" class="quiet">&nbsp;{{ m.cuts.meshOptimal }}</span>
  </p>
  <ul class="bare strips">
    <li v-for="(row, i) in rows" :key="i">
      <svg
        role="img"
        :width="row.deepCm * pxPerCm"
        :height="widthCm * pxPerCm"
        :viewBox="`0 0 ${row.deepCm} ${widthCm}`"
        :aria-label="
          row.pieces
            .map((p) => `${p.count} × ${length(p.acrossCm)} by ${length(p.alongCm)}`)
            .join(', ')
        "
      >
        <rect x="0" y="0" :width="row.deepCm" :height="widthCm" class="sheet" />
        <rect
          v-for="part in row.parts"
          :key="part.x"
          x="0"
          :y="part.x"
          :width="part.alongCm"
          :height="part.acrossCm"
          class="piece"
        />
      </svg>
      <span>{{ m.cuts.strip(row.times, length(row.deepCm)) }}</span>
      <span class="quiet">{{
        row.pieces
          .map((p) => `${p.count} × ${length(p.acrossCm)} by ${length(p.alongCm)}`)
          .join(' + ')
      }}</span>
    </li>
  </ul>
</template>

<style scoped>
.strips {
  margin-top: 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: flex-end;
}
.strips li {
  display: grid;
  gap: 2px;
  max-width: 100%;
}
svg {
  max-width: 100%;
}
.sheet {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.6);
  stroke-width: 0.6;
  stroke-dasharray: 2 1.4;
}
.piece {
  fill: #a9b889;
  stroke: #45551f;
  stroke-width: 0.5;
}
</style>
