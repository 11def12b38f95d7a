<script setup lang="ts">
import { halfWidthCm, type Rung } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** The pot in section with every height that the hands work to. */
const props = defineProps<{
  rung: Rung;
  /** nothing stays on the roots: there is no ball */
  bare: boolean;
}>();
const { length } = useUnits();

const depth = computed(() => props.rung.depth);
const inside = computed(() => props.rung.inside);
/** Room for the words beside the pot, in the drawing's own cm. */
const WORDS = 13;
const half = computed(() => halfWidthCm(inside.value, inside.value.heightCm));
/** Letters of one size on the page, however large the pot. */
const letter = computed(() => (inside.value.heightCm + 3) * 0.075);
const STEPS = 10;
function outline(fromCm: number, toCm: number, half: (z: number) => number): string {
  const at = (i: number) => fromCm + ((toCm - fromCm) * i) / STEPS;
  const right = Array.from({ length: STEPS + 1 }, (_, i) => `${half(at(i))} ${-at(i)}`);
  const left = Array.from(
    { length: STEPS + 1 },
    (_, i) => `${-half(at(STEPS - i))} ${-at(STEPS - i)}`,
  );
  return `M${[...right, ...left].join('L')}Z`;
}
const wall = (z: number) => halfWidthCm(inside.value, z);
const ballFrom = computed(() => depth.value.layerCm + depth.value.bedCm);
const ballHalf = (z: number) => {
  const { levelCm, sideCm } = depth.value;
  const top = Math.max(0.5, wall(levelCm) - sideCm);
  const taper = 0.8 + (0.2 * (z - ballFrom.value)) / Math.max(0.1, levelCm - ballFrom.value);
  return Math.min(wall(z), top * taper);
};
const bands = computed(() => {
  const { layerCm, bedCm, levelCm, headspaceCm } = depth.value;
  const rows = [
    { key: 'head', from: levelCm, to: levelCm + headspaceCm, word: m.fit.depth.headspace },
    {
      key: 'ball',
      from: ballFrom.value,
      to: levelCm,
      word: props.bare ? m.fit.depth.roots : m.fit.depth.ball,
    },
    { key: 'bed', from: layerCm, to: layerCm + bedCm, word: m.fit.depth.bed },
    { key: 'layer', from: 0, to: layerCm, word: m.fit.depth.layer },
  ].filter(({ from, to }) => to - from > 0.05);
  // Words keep apart where bands are thin.
  let free = Infinity;
  return rows.map((row) => {
    const middle = -(row.from + row.to) / 2;
    const y = free === Infinity ? middle : Math.max(middle, free + letter.value * 1.35);
    free = y;
    return { ...row, middle, y };
  });
});
const lowest = computed(() => Math.max(1.2, ...bands.value.map(({ y }) => y + 1)));
const text = computed(() =>
  bands.value.map(({ word, from, to }) => `${word} ${length(to - from)}`).join(', '),
);
</script>

<template>
  <section class="panel">
    <h2>{{ m.fit.depth.title }}</h2>
    <svg
      role="img"
      :aria-label="text"
      :viewBox="`${-half - 1} ${-inside.heightCm - 1.5} ${2 * half + WORDS * letter * 0.8 + 2} ${inside.heightCm + 1.5 + lowest}`"
      class="plan"
    >
      <path :d="outline(0, inside.heightCm, wall)" class="pot" />
      <path :d="outline(depth.layerCm, depth.levelCm, wall)" class="mix" />
      <path v-if="depth.layerCm > 0" :d="outline(0, depth.layerCm, wall)" class="layer" />
      <path :d="outline(ballFrom, depth.levelCm, ballHalf)" class="ball" />
      <path :d="outline(0, inside.heightCm, wall)" class="wall" />
      <line
        v-if="depth.screenCm"
        :x1="-depth.screenCm / 2"
        :x2="depth.screenCm / 2"
        y1="-0.15"
        y2="-0.15"
        class="screen"
      />
      <g v-for="band in bands" :key="band.key" class="measure">
        <line :x1="-half" :x2="half + 0.6" :y1="-band.to" :y2="-band.to" class="level" />
        <path
          :d="`M${half + 0.6} ${-band.to}h0.7M${half + 0.95} ${-band.to}V${-band.from}M${half + 0.6} ${-band.from}h0.7`"
        />
        <path :d="`M${half + 1.1} ${band.middle}L${half + 2} ${band.y}`" />
        <text :x="half + 2.3" :y="band.y + letter * 0.35" :font-size="letter">
          {{ length(band.to - band.from) }} {{ band.word }}
        </text>
      </g>
    </svg>
    <ul class="plain">
      <li v-if="depth.screenCm">{{ m.fit.depth.screen(length(depth.screenCm)) }}</li>
      <li v-if="depth.sideCm > 0.2 && !bare">{{ m.fit.depth.side(length(depth.sideCm)) }}</li>
      <li v-if="depth.shaveCm > 0.2 && !bare">{{ m.fit.depth.shave(length(depth.shaveCm)) }}</li>
      <li>{{ bare ? m.fit.depth.levelBare : m.fit.depth.level }}</li>
    </ul>
  </section>
</template>

<style scoped>
.plan {
  width: 100%;
  max-height: 300px;
}
.pot {
  fill: rgb(var(--v-theme-background));
}
.mix {
  fill: #a98a63;
  fill-opacity: 0.55;
}
.layer {
  fill: #8d8a84;
}
.ball {
  fill: #4a3a2a;
  fill-opacity: 0.75;
}
.wall {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.75);
  stroke-width: 0.25;
}
.screen {
  stroke: rgb(var(--v-theme-slate));
  stroke-width: 0.3;
  stroke-dasharray: 0.5 0.3;
}
.level {
  stroke: rgb(var(--v-theme-on-surface), 0.4);
  stroke-width: 0.08;
  stroke-dasharray: 0.4 0.3;
}
.measure path {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.7);
  stroke-width: 0.1;
}
text {
  fill: rgb(var(--v-theme-on-surface));
}
ul.plain {
  padding-left: 1.1em;
  font-size: 0.94rem;
}
</style>
