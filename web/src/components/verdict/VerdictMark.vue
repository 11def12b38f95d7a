<script setup lang="ts">
import type { VerdictKind } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/** A verdict by shape, colour and word, so that none of the three is needed alone. */
const props = defineProps<{
  verdict: VerdictKind;
  lookFirst?: boolean;
  unpotFirst?: boolean;
  troubleshoot?: boolean;
  overruled?: boolean;
  large?: boolean;
}>();

const SHAPES: Record<VerdictKind, string> = {
  rescueNow: 'M8 1L15 14.5H1z',
  repotNow: 'M2 3h12l-2 11H4z',
  repotInWeek: 'M2 3h12l-2 11H4zM5 5.5l.8 6h4.4l.8-6z',
  refreshOnly: 'M8 1C11 6 13 8 13 10.5A5 5 0 0 1 3 10.5C3 8 5 6 8 1z',
  leave: 'M8 15C3 11 2 6 8 1c6 5 5 10 0 14z',
};
const EYE = 'M1 8C4 3 12 3 15 8C12 13 4 13 1 8zM8 5.6a2.4 2.4 0 1 0 0 4.8a2.4 2.4 0 0 0 0-4.8z';
const LENS =
  'M6.5 1a5.5 5.5 0 1 0 3.3 9.9l3.6 3.6 1.6-1.6-3.6-3.6A5.5 5.5 0 0 0 6.5 1zM6.5 3.2a3.3 3.3 0 1 1 0 6.6a3.3 3.3 0 0 1 0-6.6z';
const HAND = 'M3 15V8l2-6h2v5h6l-1 8z';
/** What comes before the verdict itself, where something does. */
const before = computed(() => {
  if (props.overruled) return { name: 'overruled' as const, d: HAND };
  if (props.lookFirst) return { name: 'lookFirst' as const, d: EYE };
  if (props.unpotFirst) return { name: 'unpotFirst' as const, d: EYE };
  return props.troubleshoot ? { name: 'troubleshoot' as const, d: LENS } : null;
});
const word = computed(() => m.verdict[before.value?.name ?? props.verdict]);
</script>

<template>
  <span :class="['mark', before?.name ?? verdict, { large }]">
    <svg viewBox="0 0 16 16" aria-hidden="true">
      <path :d="before?.d ?? SHAPES[verdict]" fill-rule="evenodd" />
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
.lookFirst,
.unpotFirst,
.troubleshoot,
.overruled {
  color: rgb(var(--v-theme-slate));
}
</style>
