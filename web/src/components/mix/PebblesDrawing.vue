<script setup lang="ts">
import { halfWidthCm, rimCm, type PebbleSetup, type PotShape } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/** Pebbles over their water from the side, at one scale: vessel, water, inner pot with its damp part, wick. */
const props = defineProps<{
  setup: PebbleSetup;
  inner: PotShape;
  /** null: the pot itself holds the water */
  outer: PotShape | null;
  /** from the vessel's floor to the pot's, cm */
  gapCm: number;
  /** from the pot's floor up to the wick's end, cm */
  wickInsideCm: number;
  label: string;
}>();
const PX_PER_CM = 12;
const WIDEST_PX = 340;
const drawn = computed(() => {
  const { setup, inner, outer, gapCm, wickInsideCm } = props;
  const vessel = outer ?? inner;
  const lift = outer ? gapCm : 0;
  const body = (pot: PotShape, from: number, to: number, raised: number) => {
    const [a, b] = [halfWidthCm(pot, from), halfWidthCm(pot, to)];
    return `M${-a} ${-raised - from}L${a} ${-raised - from}L${b} ${-raised - to}L${-b} ${-raised - to}Z`;
  };
  const top = Math.max(vessel.heightCm, lift + inner.heightCm);
  const widest = Math.max(rimCm(vessel), rimCm(inner)) / 2;
  return {
    box: `${-widest - 1} ${-top - 1} ${2 * widest + 2} ${top + 2}`,
    width: (2 * widest + 2) * PX_PER_CM,
    vessel: body(vessel, 0, vessel.heightCm, 0),
    pot: outer ? body(inner, 0, inner.heightCm, lift) : '',
    water: body(vessel, 0, setup.summer.levelCm, 0),
    winter: -setup.winter.levelCm,
    winterHalf: halfWidthCm(vessel, setup.winter.levelCm),
    pebbles: body(inner, 0, setup.fillCm, lift),
    damp: body(inner, 0, Math.max(0.01, setup.dampCm), lift),
    wick: setup.wick ? `M0 0L0 ${-lift - wickInsideCm}` : '',
  };
});
</script>

<template>
  <figure class="stack">
    <svg
      :viewBox="drawn.box"
      :style="{ maxWidth: `${Math.min(WIDEST_PX, drawn.width)}px` }"
      class="drawing"
      role="img"
      :aria-label="label"
    >
      <path :d="drawn.water" class="water" />
      <path :d="drawn.pebbles" class="pebbles" />
      <path :d="drawn.damp" class="damp" />
      <line
        :x1="-drawn.winterHalf"
        :x2="drawn.winterHalf"
        :y1="drawn.winter"
        :y2="drawn.winter"
        class="winter"
      />
      <path v-if="drawn.pot" :d="drawn.pot" class="vessel" />
      <path :d="drawn.vessel" class="vessel" />
      <path v-if="drawn.wick" :d="drawn.wick" class="wick" />
    </svg>
    <ul class="bare key small">
      <li class="k-water">{{ m.mix.pebbles.keyWater }}</li>
      <li class="k-damp">{{ m.mix.pebbles.keyDamp }}</li>
      <li class="k-dry">{{ m.mix.pebbles.keyDry }}</li>
      <li class="k-winter">{{ m.mix.pebbles.keyWinter }}</li>
    </ul>
  </figure>
</template>

<style scoped>
.drawing {
  width: 100%;
  justify-self: center;
}
.vessel {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.8);
  stroke-width: 0.35;
}
.water {
  fill: #2f6f96;
}
.pebbles {
  fill: #c9a27c;
}
.damp {
  fill: #8d5f3c;
}
.winter {
  stroke: #fff;
  stroke-width: 0.22;
  stroke-dasharray: 0.7 0.5;
}
.wick {
  stroke: #fff;
  stroke-width: 0.45;
  fill: none;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.key li::before {
  content: '';
  display: inline-block;
  width: 14px;
  height: 14px;
  margin-right: 6px;
  vertical-align: -2px;
}
.k-water::before {
  background: #2f6f96;
}
.k-damp::before {
  background: #8d5f3c;
}
.k-dry::before {
  background: #c9a27c;
}
.k-winter::before {
  border-top: 3px dashed rgb(var(--v-theme-on-surface), 0.7);
  height: 4px !important;
}
</style>
