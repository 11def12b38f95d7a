<script setup lang="ts">
import { computed, ref } from 'vue';

/**
 * A grip on a drawing in centimetres: dragged along one axis, or moved by
 * arrow keys. Where it may go is the owner's business.
 */
const props = defineProps<{
  x: number;
  y: number;
  axis: 'x' | 'y';
  /** size of a thumb in this drawing, cm */
  sizeCm: number;
  label: string;
  /** the value in words */
  text: string;
  min: number;
  max: number;
  now: number;
}>();
const emit = defineEmits<{ move: [at: { x: number; y: number }]; step: [by: 1 | -1] }>();

const grip = ref<SVGGElement>();
const held = ref(false);
function take(event: PointerEvent): void {
  held.value = true;
  (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
  event.preventDefault();
}
function drag(event: PointerEvent): void {
  if (!held.value) return;
  const matrix = grip.value?.ownerSVGElement?.getScreenCTM();
  if (!matrix) return;
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
  emit('move', { x: at.x, y: at.y });
}
const STEPS: Record<string, 1 | -1> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
};
function press(event: KeyboardEvent): void {
  const by = STEPS[event.key];
  if (!by) return;
  event.preventDefault();
  emit('step', by);
}
const arrow = computed(() => {
  const s = props.sizeCm * 0.32;
  const one = (sign: number) =>
    props.axis === 'x'
      ? `M${sign * s * 0.35} ${-s * 0.6}L${sign * s * 1.1} 0L${sign * s * 0.35} ${s * 0.6}`
      : `M${-s * 0.6} ${sign * s * 0.35}L0 ${sign * s * 1.1}L${s * 0.6} ${sign * s * 0.35}`;
  return one(1) + one(-1);
});
</script>

<template>
  <g
    ref="grip"
    :transform="`translate(${x} ${y})`"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuemin="min"
    :aria-valuemax="max"
    :aria-valuenow="now"
    :aria-valuetext="text"
    :aria-orientation="axis === 'x' ? 'horizontal' : 'vertical'"
    :class="['grip', axis, { held }]"
    @pointerdown="take"
    @pointermove="drag"
    @pointerup="held = false"
    @pointercancel="held = false"
    @keydown="press"
  >
    <circle :r="sizeCm * 0.75" class="reach" />
    <circle :r="sizeCm * 0.42" class="knob" :stroke-width="sizeCm * 0.07" />
    <path :d="arrow" class="arrow" :stroke-width="sizeCm * 0.09" />
  </g>
</template>

<style scoped>
.grip {
  touch-action: none;
  outline-offset: 2px;
}
.grip.x {
  cursor: ew-resize;
}
.grip.y {
  cursor: ns-resize;
}
.reach {
  fill: transparent;
}
.knob {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-primary));
}
.held .knob {
  fill: rgb(var(--v-theme-primary));
}
.arrow {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-linecap: round;
  stroke-linejoin: round;
}
.held .arrow {
  stroke: rgb(var(--v-theme-surface));
}
</style>
