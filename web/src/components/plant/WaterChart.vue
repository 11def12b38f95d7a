<script setup lang="ts">
import { dayOfNumber, type WaterFindings } from '@fernbank/core';
import {
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartConfiguration,
} from 'chart.js';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useTheme } from 'vuetify';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';
import PictureButton from '../PictureButton.vue';

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale);

/** Each cycle's use with the weather taken out, and what the pot held after watering. */
const props = defineProps<{ water: WaterFindings }>();
const { day } = useDates();
const theme = useTheme();
const canvas = ref<HTMLCanvasElement>();
let chart: Chart | null = null;
const MANY_POINTS = 40;

function config(): ChartConfiguration<'line'> {
  const { colors } = theme.current.value;
  const ink = String(colors['on-surface']);
  const points = props.water.points;
  const axis = (position: 'left' | 'right', text: string, color: string) => ({
    position,
    beginAtZero: true,
    title: { display: true, text, color },
    ticks: { color: ink, maxTicksLimit: 5 },
    grid: { color: position === 'left' ? `${ink}22` : 'transparent' },
  });
  return {
    type: 'line',
    data: {
      labels: points.map(({ from }) => day(dayOfNumber(Math.floor(from)))),
      datasets: [
        {
          data: points.map(({ weathered }) => weathered),
          yAxisID: 'use',
          borderColor: String(colors.primary),
          pointRadius: points.length > MANY_POINTS ? 1.5 : 3,
          borderWidth: 2,
          spanGaps: true,
        },
        {
          data: points.map(({ heldKg }) => (heldKg === null ? null : heldKg * 1000)),
          yAxisID: 'held',
          borderColor: String(colors.water),
          borderDash: [5, 4],
          pointRadius: points.length > MANY_POINTS ? 1.5 : 3,
          borderWidth: 2,
          spanGaps: true,
        },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      plugins: { legend: { display: false } },
      scales: {
        x: { ticks: { color: ink, maxTicksLimit: 6, maxRotation: 0 }, grid: { display: false } },
        use: axis('left', m.log.useAxis, String(colors.primary)),
        held: axis('right', m.log.heldAxis, String(colors.water)),
      },
    },
  };
}
function draw(): void {
  chart?.destroy();
  if (canvas.value) chart = new Chart(canvas.value, config());
}
onMounted(draw);
watch(() => [props.water, theme.name.value], draw);
onBeforeUnmount(() => chart?.destroy());
</script>

<template>
  <PictureButton :name="m.log.water" chart>
    <div class="chart">
      <canvas ref="canvas" role="img" :aria-label="m.log.water"></canvas>
    </div>
  </PictureButton>
</template>

<style scoped>
.chart {
  position: relative;
  height: 220px;
}
</style>
