<script setup lang="ts">
import type { VerdictKind } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../messages/index.ts';

/** A verdict by shape, colour and word, so that none of the three is needed alone. */
const props = defineProps<{ verdict: VerdictKind; lookFirst?: boolean; large?: boolean }>();

const SHAPES: Record<VerdictKind, string> = {
  rescueNow: 'M8 1L15 14.5H1z',
  repotNow: 'M2 3h12l-2 11H4z',
  repotInWeek: 'M2 3h12l-2 11H4zM5 5.5l.8 6h4.4l.8-6z',
  refreshOnly: 'M8 1C11 6 13 8 13 10.5A5 5 0 0 1 3 10.5C3 8 5 6 8 1z',
  leave: 'M8 15C3 11 2 6 8 1c6 5 5 10 0 14z',
};
const EYE = 'M1 8C4 3 12 3 15 8C12 13 4 13 1 8zM8 5.6a2.4 2.4 0 1 0 0 4.8a2.4 2.4 0 0 0 0-4.8z';
const word = computed(() => (props.lookFirst ? m.verdict.lookFirst : m.verdict[props.verdict]));
</script>

<template>
  <span :class="['mark', lookFirst ? 'lookFirst' : verdict, { large }]">
    <svg viewBox="0 0 16 16" aria-hidden="true">
      <path :d="lookFirst ? EYE : SHAPES[verdict]" fill-rule="evenodd" />
    </svg>
    {{ word }}
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  font-weight: 700;
  white-space: nowrap;
  color: rgb(var(--v-theme-on-surface));
}
.mark svg {
  width: 15px;
  height: 15px;
  fill: currentColor;
  flex: none;
}
.mark.large {
  font-size: 1.15rem;
}
.mark.large svg {
  width: 20px;
  height: 20px;
}
.rescueNow {
  color: rgb(var(--v-theme-error));
}
.repotNow {
  color: rgb(var(--v-theme-primary));
}
.repotInWeek {
  color: rgb(var(--v-theme-warning));
}
.refreshOnly {
  color: rgb(var(--v-theme-water));
}
.leave {
  color: rgb(var(--v-theme-success));
}
.lookFirst {
  color: rgb(var(--v-theme-slate));
}
</style>
