<script setup lang="ts">
import type { MoundOnPot } from '@fernbank/core';
import { computed } from 'vue';

/** A mound from the side: dome, core within, mouth and pot beneath; the line is its foot when settled. */
const props = defineProps<{
  mound: Pick<MoundOnPot, 'core' | 'mouthCm' | 'diameterCm' | 'heightCm' | 'settledCm'>;
  /** for who does not see it */
  label: string;
}>();
const PX = 9;
const POT_CM = 5;
const drawn = computed(() => {
  const { core, mouthCm, diameterCm, heightCm, settledCm } = props.mound;
  const half = diameterCm / 2;
  const top = core.topDiameterCm / 2;
  const base = core.baseDiameterCm / 2;
  const mouth = mouthCm / 2;
  return {
    box: `${-half - 2} ${-heightCm - 2} ${2 * half + 4} ${heightCm + POT_CM + 3}`,
    width: (2 * half + 4) * PX,
    dome: `M${-half} 0A${half} ${heightCm} 0 0 1 ${half} 0Z`,
    core: `M${-top} 0L${-base} ${-core.heightCm}L${base} ${-core.heightCm}L${top} 0Z`,
    pot: `M${-mouth} 0L${-mouth + 0.8} ${POT_CM}M${mouth} 0L${mouth - 0.8} ${POT_CM}`,
    settled: settledCm / 2,
  };
});
</script>

<template>
  <svg
    :viewBox="drawn.box"
    :style="{ maxWidth: `${drawn.width}px` }"
    class="drawing"
    role="img"
    :aria-label="label"
  >
    <path :d="drawn.dome" class="dome" />
    <path :d="drawn.core" class="core" />
    <path :d="drawn.pot" class="pot" />
    <line :x1="-drawn.settled" :x2="drawn.settled" y1="0.35" y2="0.35" class="foot" />
  </svg>
</template>

<style scoped>
.drawing {
  width: 100%;
  justify-self: center;
}
.dome {
  fill: #7d8f4e;
  stroke: #4c5a2b;
  stroke-width: 0.15;
}
.core {
  fill: none;
  stroke: #fff;
  stroke-width: 0.2;
  stroke-dasharray: 0.6 0.4;
}
.pot {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.8);
  stroke-width: 0.35;
}
.foot {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 0.25;
}
</style>
