<script lang="ts">
// Made once for all ribbons of a page.
const word = new Intl.DateTimeFormat(undefined, { month: 'narrow', timeZone: 'UTC' });
</script>

<script setup lang="ts">
import { daysBetween } from '@fernbank/core';
import { computed } from 'vue';
import { inUtc, monthsAhead } from '../../composables/monthsAhead.ts';
import { useSettings } from '../../stores/settings.ts';
import { m } from '../../messages/index.ts';

/** Fifty-two weeks of readiness as a band, with the best week marked. */
const props = defineProps<{ readiness: number[]; week: string | null }>();
const settings = useSettings();

const WEEKS = 52;

const marked = computed(() => {
  if (!props.week) return null;
  const index = Math.max(0, Math.round(daysBetween(settings.current.today, props.week) / 7));
  return index < WEEKS ? index : null;
});
/** A bar a week, in two paths: a list of two thousand plants would hold a hundred thousand of them. */
const bars = computed(() => {
  const paths = { open: '', shut: '' };
  props.readiness.slice(0, WEEKS).forEach((share, week) => {
    const height = Math.max(0.12, 4 * share);
    paths[share >= 0.5 ? 'open' : 'shut'] +=
      `M${week} ${(4.2 - 4 * share).toFixed(2)}h1.02v${height.toFixed(2)}h-1.02z`;
  });
  return paths;
});
const months = computed(() =>
  monthsAhead(settings.current.today)
    .map(({ weeks, first }) => ({ x: weeks, word: word.format(inUtc(first)) }))
    .filter(({ x }) => x < WEEKS - 1),
);
</script>

<template>
  <div class="band">
    <svg
      :viewBox="`0 0 ${WEEKS} 4.4`"
      class="ribbon"
      role="img"
      :aria-label="m.verdicts.ribbon"
      preserveAspectRatio="none"
    >
      <path :d="bars.open" class="open" />
      <path :d="bars.shut" class="shut" />
      <g v-if="marked !== null">
        <rect :x="marked + 0.2" y="0" width="0.7" height="4.4" class="best" />
      </g>
    </svg>
    <div class="months" aria-hidden="true">
      <span
        v-for="month in months"
        :key="month.x"
        :style="{ left: `${(100 * month.x) / WEEKS}%` }"
        >{{ month.word }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.ribbon {
  width: 100%;
  height: 22px;
  display: block;
}
.open {
  fill: rgb(var(--v-theme-accent));
}
.shut {
  fill: rgb(var(--v-theme-accent), 0.38);
}
.best {
  fill: rgb(var(--v-theme-primary));
}
.months {
  position: relative;
  height: 1.1em;
  font-size: 0.72rem;
  color: rgb(var(--v-theme-on-surface), 0.76);
}
.months span {
  position: absolute;
  border-left: 1px solid rgb(var(--v-theme-on-surface), 0.5);
  padding-left: 2px;
  line-height: 1.1;
}
</style>
