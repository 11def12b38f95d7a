<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/** Air, water and solid of a drained pot, stacked; the air that roots need is marked. */
const props = defineProps<{ air: number; water: number; airNeed?: number | null }>();

const solid = computed(() => Math.max(0, 1 - props.air - props.water));
const layers = computed(() => [
  { id: 'air', share: props.air, word: m.fit.air },
  { id: 'water', share: props.water, word: m.fit.water },
  { id: 'solid', share: solid.value, word: m.fit.solid },
]);
const percent = (share: number) => `${Math.round(share * 100)} %`;
</script>

<template>
  <div
    class="column"
    role="img"
    :aria-label="layers.map((l) => `${l.word} ${percent(l.share)}`).join(', ')"
  >
    <div
      v-for="layer in layers"
      :key="layer.id"
      :class="['layer', layer.id]"
      :style="{ flexGrow: layer.share }"
    >
      <span>{{ layer.word }} {{ percent(layer.share) }}</span>
    </div>
    <div v-if="airNeed" class="need" :style="{ top: percent(airNeed).replace(' ', '') }">
      <span>{{ m.fit.airNeed(percent(airNeed)) }}</span>
    </div>
  </div>
</template>

<style scoped>
.column {
  position: relative;
  display: flex;
  flex-direction: column;
  height: 220px;
  width: 118px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.5);
  border-radius: 4px;
  margin-right: 108px;
}
.layer {
  display: flex;
  align-items: flex-end;
  justify-content: center;
  padding-bottom: 3px;
  min-height: 0;
  flex-basis: 0;
  overflow: hidden;
  font-size: 0.9rem;
}
.air {
  background: #f1f4ee;
  color: #26221b;
}
.water {
  background: #2f6f96;
  color: #fff;
}
.solid {
  background: #5d4a33;
  color: #fff;
}
.need {
  position: absolute;
  left: -4px;
  right: -8px;
  border-top: 2px dashed rgb(var(--v-theme-primary));
}
.need span {
  position: absolute;
  left: 100%;
  top: -0.75em;
  margin-left: 6px;
  width: 100px;
  font-size: 0.82rem;
  line-height: 1.2;
  color: rgb(var(--v-theme-primary));
}
</style>
