<script setup lang="ts">
import type { Headline } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/** What is said first of a plant, by shape, colour and word, so that none of the three is needed alone. */
const props = defineProps<{
  headline: Headline;
  /** the keeper's own word goes before it */
  overruled?: boolean;
  large?: boolean;
}>();

const EYE = 'M1 8C4 3 12 3 15 8C12 13 4 13 1 8zM8 5.6a2.4 2.4 0 1 0 0 4.8a2.4 2.4 0 0 0 0-4.8z';
const SHAPES: Record<Headline | 'overruled', string> = {
  rescueNow: 'M8 1L15 14.5H1z',
  repotNow: 'M2 3h12l-2 11H4z',
  repotInWindow: 'M2 3h12l-2 11H4zM5 5.5l.8 6h4.4l.8-6z',
  refresh: 'M8 1C11 6 13 8 13 10.5A5 5 0 0 1 3 10.5C3 8 5 6 8 1z',
  leave: 'M8 15C3 11 2 6 8 1c6 5 5 10 0 14z',
  lookFirst: EYE,
  unpotAndLook: EYE,
  troubleshootFirst:
    'M6.5 1a5.5 5.5 0 1 0 3.3 9.9l3.6 3.6 1.6-1.6-3.6-3.6A5.5 5.5 0 0 0 6.5 1zM6.5 3.2a3.3 3.3 0 1 1 0 6.6a3.3 3.3 0 0 1 0-6.6z',
  overruled: 'M3 15V8l2-6h2v5h6l-1 8z',
};
const shown = computed(() => (props.overruled ? 'overruled' : props.headline));
</script>

<template>
  <span :class="['mark', shown, { large }]">
    <svg viewBox="0 0 16 16" aria-hidden="true">
      <path :d="SHAPES[shown]" fill-rule="evenodd" />
    </svg>
    {{ m.headline[shown] }}
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
.repotInWindow {
  color: rgb(var(--v-theme-warning));
}
.refresh {
  color: rgb(var(--v-theme-water));
}
.leave {
  color: rgb(var(--v-theme-success));
}
.lookFirst,
.unpotAndLook,
.troubleshootFirst,
.overruled {
  color: rgb(var(--v-theme-slate));
}
</style>
