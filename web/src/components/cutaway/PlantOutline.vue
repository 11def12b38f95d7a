<script setup lang="ts">
import { computed } from 'vue';
import { outlineOf, type OutlineSubject } from './outline.ts';
import { WALL } from './wall.ts';

/** A plant in its pot from across the room, at the scale of its list. The words beside it say what it is. */
const props = defineProps<{
  subject: OutlineSubject;
  pxPerCm: number;
  /** what of a tall one is drawn, and how wide the place for it is, cm */
  mostCm: number;
  roomCm: number;
}>();
const drawn = computed(() => outlineOf(props.subject, props.mostCm));
const box = computed(() => {
  const half = Math.max(drawn.value.halfCm * 1.25, props.roomCm / 2);
  const height = 1.5 - drawn.value.topY + 1;
  return { half, height, view: `${-half} ${drawn.value.topY - 1.5} ${2 * half} ${height}` };
});
</script>

<template>
  <svg
    :viewBox="box.view"
    :width="2 * box.half * pxPerCm"
    :height="box.height * pxPerCm"
    aria-hidden="true"
    class="outline"
  >
    <line
      v-if="drawn.support"
      x1="0.6"
      x2="0.6"
      :y1="drawn.support.top"
      :y2="drawn.support.bottom"
      class="cane"
    />
    <path :d="drawn.stem" class="stem" />
    <path :d="drawn.leaves" class="leaves" />
    <path :d="drawn.pot" :fill="WALL[subject.potMaterial]" />
    <path
      v-if="drawn.cut"
      :d="`M-9 ${drawn.topY - 0.4}l3 1.6l3 -1.6l3 1.6l3 -1.6l3 1.6l3 -1.6`"
      class="cut"
    />
  </svg>
</template>

<style scoped>
.outline {
  display: block;
  max-width: 100%;
}
.stem {
  fill: none;
  stroke: #6a7a4a;
  stroke-width: 0.9;
}
.leaves {
  fill: #7a9a5c;
  stroke: #4d6638;
  stroke-width: 0.25;
}
.cane {
  stroke: #8a6a42;
  stroke-width: 1.2;
}
.cut {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.5);
  stroke-width: 0.7;
}
</style>
