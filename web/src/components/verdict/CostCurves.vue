<script setup lang="ts">
import { addDays } from '@fernbank/core';
import { computed } from 'vue';
import { useDates } from '../../composables/useDates.ts';
import { weeksWithinYear } from '../../messages/cost.ts';
import { m } from '../../messages/index.ts';
import LineChart from '../LineChart.vue';

/** Cost of disturbing and of having waited, week by week, labelled on the lines. */
const props = defineProps<{
  from: string;
  disturbing: number[];
  waiting: number[];
  /** index of the best week, where it lies on the chart */
  best: number | null;
}>();

const { day } = useDates();
const labels = computed(() =>
  props.disturbing.map((_, week) => day(addDays(props.from, 7 * week))),
);
const lines = computed(() => [
  { values: props.disturbing.map(weeksWithinYear), colour: 'primary' },
  { values: props.waiting.map(weeksWithinYear), colour: 'slate', dashed: true },
]);
const marks = computed(() =>
  props.best === null ? [] : [{ at: props.best, label: m.verdicts.best }],
);
</script>

<template>
  <ul class="bare key">
    <li class="disturbing">{{ m.verdictPage.curveDisturbing }}</li>
    <li class="waiting">{{ m.verdictPage.curveWaiting }}</li>
  </ul>
  <LineChart
    :labels="labels"
    :lines="lines"
    :marks="marks"
    :name="m.verdictPage.curves"
    :unit="m.verdictPage.curveShort"
  />
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  font-weight: 700;
  font-size: 0.92rem;
}
.key li::before {
  content: '';
  display: inline-block;
  width: 26px;
  margin-right: 7px;
  vertical-align: 0.25em;
  border-top: 3px solid currentColor;
}
.key .disturbing {
  color: rgb(var(--v-theme-primary));
}
.key .waiting {
  color: rgb(var(--v-theme-slate));
}
.key .waiting::before {
  border-top-style: dashed;
}
</style>
