<script setup lang="ts">
import type { CutPlan } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Stock lengths with the pieces that are cut from each, drawn to one scale; waste hatched. */
const props = defineProps<{ plan: CutPlan }>();
const { length, percent } = useUnits();
const longest = computed(() => Math.max(...props.plan.patterns.map(({ stockCm }) => stockCm)));
const usedCm = computed(() =>
  props.plan.stock.reduce((sum, { lengthCm, count }) => sum + lengthCm * count, 0),
);
const ROW = 30;
const WIDTH = 1000;
const rows = computed(() =>
  props.plan.patterns.map((pattern, i) => {
    const scale = WIDTH / longest.value;
    let x = 0;
    const parts = pattern.pieces.flatMap(({ lengthCm, count }) =>
      Array.from({ length: count }, () => {
        const part = { x: x * scale, width: lengthCm * scale, lengthCm };
        x += lengthCm;
        return part;
      }),
    );
    return { ...pattern, y: i * ROW, parts, width: pattern.stockCm * scale, from: x * scale };
  }),
);
</script>

<template>
  <p class="lead">
    <strong>{{
      m.cuts.result(
        plan.stockUsed,
        length(usedCm),
        length(plan.wasteCm),
        percent(plan.wasteCm / usedCm),
      )
    }}</strong>
    {{ plan.optimal ? m.cuts.optimal : m.cuts.bounded(length(plan.boundCm)) }}
  </p>
  <ul class="bare bars">
    <li v-for="row in rows" :key="row.y">
      <span
        >{{ m.cuts.pattern(row.times, length(row.stockCm))
        }}<span v-if="row.toBuy" class="quiet">, {{ m.fit.source.toBuy }}</span></span
      >
      <svg
        role="img"
        :viewBox="`-1 -1 ${WIDTH + 2} ${ROW}`"
        preserveAspectRatio="none"
        :aria-label="row.pieces.map((p) => `${p.count} × ${length(p.lengthCm)}`).join(', ')"
      >
        <defs>
          <pattern id="waste" width="8" height="8" patternUnits="userSpaceOnUse">
            <path d="M0 8L8 0" class="hatch" />
          </pattern>
        </defs>
        <rect x="0" y="0" :width="row.width" :height="ROW - 4" class="waste" fill="url(#waste)" />
        <rect
          v-for="part in row.parts"
          :key="part.x"
          :x="part.x"
          y="0"
          :width="part.width"
          :height="ROW - 4"
          class="piece"
        />
      </svg>
      <span class="quiet">
        {{ row.pieces.map((p) => `${p.count} × ${length(p.lengthCm)}`).join(' + ')
        }}<template v-if="row.offcutCm > 0.05"
          >; {{ m.cuts.offcut(length(row.offcutCm)) }}</template
        >
      </span>
    </li>
  </ul>
</template>

<style scoped>
.lead {
  font-size: 1.06rem;
}
.bars {
  margin-top: 10px;
  display: grid;
  gap: 8px;
}
.bars li {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr) minmax(120px, 260px);
  gap: 12px;
  align-items: center;
}
svg {
  width: 100%;
  height: 28px;
}
.piece {
  fill: #b4976a;
  stroke: #54401f;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.waste {
  stroke: rgb(var(--v-theme-on-surface), 0.6);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.hatch {
  stroke: rgb(var(--v-theme-on-surface), 0.5);
  stroke-width: 1;
}
@media (max-width: 640px) {
  .bars li {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
