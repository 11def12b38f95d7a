<script setup lang="ts">
import { NURSERY_GUIDELINE, percent } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/**
 * Air, water and solid of up to three drained mixes on one axis from the surface
 * down, with the guideline of nursery mixes beside them and the plant's need across.
 */
const props = defineProps<{
  columns: { label: string; air: number; water: number; solid: number }[];
  airNeed: number | null;
}>();

const TOP = 26;
const HEIGHT = 240;
const LEFT = 128;
const WIDE = 92;
const GAP = 22;
const y = (share: number) => TOP + HEIGHT * share;
const width = computed(() => LEFT + props.columns.length * (WIDE + GAP) + 84);
/** A layer this thin has no room for its word. */
const THIN = 0.075;
const drawn = computed(() =>
  props.columns.map(({ label, air, water, solid }, i) => {
    const x = LEFT + i * (WIDE + GAP);
    const layer = (id: 'air' | 'water' | 'solid', from: number, share: number) => ({
      id,
      x,
      y: y(from),
      height: Math.max(0, HEIGHT * share),
      text: share >= THIN ? `${m.fit[id]} ${percent(share)}` : '',
    });
    return {
      label,
      x,
      said: m.mix.columnSaid(label, percent(air), percent(water), percent(solid)),
      layers: [
        layer('air', 0, air),
        layer('water', air, water),
        layer('solid', air + water, solid),
      ],
    };
  }),
);
const guides = [
  { ...NURSERY_GUIDELINE.air, label: m.mix.guideAir },
  { ...NURSERY_GUIDELINE.totalPorosity, label: m.mix.guidePores },
].map(({ low, high, label }) => ({
  top: y(low),
  height: HEIGHT * (high - low),
  label,
  range: `${Math.round(100 * low)}–${Math.round(100 * high)} %`,
}));
const said = computed(() => drawn.value.map((column) => column.said).join('; '));
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${TOP + HEIGHT + 10}`"
    :style="{ maxWidth: `${1.25 * width}px` }"
    class="columns"
    role="img"
    :aria-label="said"
  >
    <g v-for="guide in guides" :key="guide.label">
      <rect :x="LEFT - 20" :y="guide.top" width="8" :height="guide.height" class="guide" />
      <text :x="LEFT - 26" :y="guide.top + guide.height / 2 - 4" class="side">
        {{ guide.label }}
      </text>
      <text :x="LEFT - 26" :y="guide.top + guide.height / 2 + 12" class="side">
        {{ guide.range }}
      </text>
    </g>
    <g v-for="column in drawn" :key="column.x">
      <text :x="column.x + WIDE / 2" :y="TOP - 9" class="name">{{ column.label }}</text>
      <g v-for="layer in column.layers" :key="layer.id" :class="layer.id">
        <rect :x="layer.x" :y="layer.y" :width="WIDE" :height="layer.height" class="layer" />
        <text
          v-if="layer.text"
          :x="layer.x + WIDE / 2"
          :y="layer.y + layer.height - 6"
          class="word"
        >
          {{ layer.text }}
        </text>
      </g>
      <rect :x="column.x" :y="TOP" :width="WIDE" :height="HEIGHT" class="frame" />
    </g>
    <g v-if="airNeed !== null">
      <line :x1="LEFT - 6" :x2="width - 80" :y1="y(airNeed)" :y2="y(airNeed)" class="need" />
      <text :x="width - 76" :y="y(airNeed) - 3" class="needs">{{ m.mix.needs }}</text>
      <text :x="width - 76" :y="y(airNeed) + 12" class="needs">{{ percent(airNeed) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.columns {
  display: block;
  width: 100%;
  height: auto;
  font-size: 13px;
}
.layer {
  transition:
    y 0.15s,
    height 0.15s;
}
.air .layer {
  fill: #f1f4ee;
}
.air .word {
  fill: #26221b;
}
.water .layer {
  fill: #2f6f96;
}
.solid .layer {
  fill: #5d4a33;
}
.word {
  fill: #fff;
  text-anchor: middle;
}
.frame {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.55);
  stroke-width: 1.5;
}
.name {
  text-anchor: middle;
  font-weight: 700;
  fill: rgb(var(--v-theme-on-surface));
}
.guide {
  fill: rgb(var(--v-theme-on-surface), 0.38);
}
.side {
  text-anchor: end;
  fill: rgb(var(--v-theme-on-surface), 0.82);
}
.need {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.5;
  stroke-dasharray: 6 4;
}
.needs {
  fill: rgb(var(--v-theme-primary));
  font-weight: 700;
}
</style>
