<script setup lang="ts">
import { dayOfNumber, LEAST_CYCLES, LEAST_READINGS, type LogTrend } from '@fernbank/core';
import { computed, defineAsyncComponent } from 'vue';
import type { PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

// Chart.js is only fetched where a chart is drawn.
const WaterChart = defineAsyncComponent(() => import('./WaterChart.vue'));

/** What the plant's logs say: water and growth, in words first, then drawn, then as a table. */
const props = defineProps<{ file: PlantFile }>();
const { day } = useDates();
const { said, length, weight, number } = useUnits();

const told = computed(() => props.file.situation.measured ?? []);
const chance = (p: number) => (p < 0.001 ? '< 0.001' : p.toFixed(3));
const percent = (share: number) => `${share > 0 ? '+' : ''}${Math.round(100 * share)} %`;
const trendLine = (trend: LogTrend | null, words: string) =>
  trend
    ? m.log.trend(
        words,
        percent(trend.change),
        percent(trend.low),
        percent(trend.high),
        trend.cycles,
        chance(Math.min(trend.pRising, trend.pFalling)),
      )
    : m.log.notEnough(words, LEAST_CYCLES);
const growth = computed(() => {
  const { growth: rate } = props.file;
  return rate
    ? m.log.rate(
        length(rate.cmPerMonth),
        length(Math.max(0, rate.low)),
        length(rate.high),
        rate.readings,
      )
    : m.log.noRate(LEAST_READINGS);
});
</script>

<template>
  <section v-if="file.water || file.growth || file.measurements.length > 0" class="panel stack">
    <h2>{{ m.log.title }}</h2>
    <ul v-if="told.length > 0" class="told">
      <li v-for="finding in told" :key="finding.id">{{ said(finding.text) }}.</li>
    </ul>
    <template v-if="file.water && file.water.cycles.length > 0">
      <WaterChart v-if="file.water.points.length >= LEAST_CYCLES" :water="file.water" />
      <p>{{ trendLine(file.water.use, m.log.use) }}</p>
      <p>{{ trendLine(file.water.holding, m.log.holding) }}</p>
      <p v-if="file.water.recentGPerDay !== null">
        {{ m.log.recent(weight(file.water.recentGPerDay / 1000)) }}
      </p>
      <p
        v-for="{ entry, why } in file.water.leftOut"
        :key="`${entry.date}${entry.value}`"
        class="quiet"
      >
        {{ m.log.leftOut(day(entry.date), weight(entry.value), why) }}
      </p>
      <details>
        <summary>{{ m.log.table(file.water.cycles.length) }}</summary>
        <div class="scroll">
          <table class="figures">
            <thead>
              <tr>
                <th>{{ m.log.from }}</th>
                <th class="num">{{ m.log.days }}</th>
                <th class="num">{{ m.log.wet }}</th>
                <th class="num">{{ m.log.dry }}</th>
                <th class="num">{{ m.log.gPerDay }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="cycle in file.water.cycles" :key="cycle.from">
                <td>{{ day(dayOfNumber(Math.floor(cycle.from))) }}</td>
                <td class="num">{{ number(cycle.days, 1) }}</td>
                <td class="num">{{ cycle.wetKg === null ? '—' : weight(cycle.wetKg) }}</td>
                <td class="num">{{ cycle.dryKg === null ? '—' : weight(cycle.dryKg) }}</td>
                <td class="num">{{ cycle.gPerDay === null ? '—' : number(cycle.gPerDay, 0) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </details>
    </template>
    <p v-else class="quiet">{{ m.log.noWater }}</p>
    <p>{{ growth }}</p>
    <p v-if="file.growth?.change" class="flag">{{ m.log.change[file.growth.change] }}</p>
  </section>
</template>

<style scoped>
.told {
  padding-left: 20px;
  font-weight: 700;
}
.scroll {
  max-height: 260px;
  overflow: auto;
}
.flag {
  font-weight: 700;
}
</style>
