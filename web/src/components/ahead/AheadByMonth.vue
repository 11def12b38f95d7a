<script setup lang="ts">
import type { Ahead, Expected } from '@fernbank/core';
import { computed } from 'vue';
import { aheadCsv } from '../../composables/aheadCsv.ts';
import { banded } from '../../composables/bands.ts';
import { saveAs } from '../../composables/saveAs.ts';
import { useDates } from '../../composables/useDates.ts';
import { hours } from '../../messages/duration.ts';
import { m } from '../../messages/index.ts';
import LineChart from '../LineChart.vue';

/** Repots of each month as a line with its band, as a table, and as a file. */
const props = defineProps<{ ahead: Ahead }>();
const { month: monthName } = useDates();
const lines = computed(() => {
  const of = (key: keyof Expected) => props.ahead.repots.byMonth.map((one) => one[key]);
  return [
    { values: of('low'), colour: 'primary', dashed: true },
    { values: of('middle'), colour: 'primary' },
    { values: of('high'), colour: 'primary', dashed: true },
  ];
});
const save = () => saveAs(new Blob([aheadCsv(props.ahead)], { type: 'text/csv' }), 'ahead.csv');
</script>

<template>
  <section class="panel stack">
    <div class="row spread">
      <h2>{{ m.ahead.byMonth }}</h2>
      <v-btn variant="outlined" class="no-print" @click="save">{{ m.ahead.save }}</v-btn>
    </div>
    <LineChart
      :name="m.ahead.chart(ahead.months.length)"
      :labels="ahead.months.map(monthName)"
      :lines="lines"
      :height-px="220"
    />
    <p class="quiet small">{{ m.ahead.lines }}</p>
    <details>
      <summary>{{ m.ahead.table }}</summary>
      <div class="scroll">
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.ahead.month }}</th>
              <th class="num">{{ m.ahead.count }}</th>
              <th class="num">{{ m.ahead.soFar }}</th>
              <th class="num">{{ m.ahead.hands }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(month, i) in ahead.months" :key="month">
              <td>{{ monthName(month) }}</td>
              <td class="num">{{ banded(ahead.repots.byMonth[i]!) }}</td>
              <td class="num">{{ banded(ahead.repots.upTo[i]!) }}</td>
              <td class="num">{{ hours(ahead.minutes.byMonth[i]!.middle) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </section>
</template>
