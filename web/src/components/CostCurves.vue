<script setup lang="ts">
import { addDays } from '@fernbank/core';
import {
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartConfiguration,
} from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useTheme } from 'vuetify';
import { useDates } from '../composables/useDates.ts';
import { m } from '../messages/index.ts';

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale, annotation);

/** Cost of disturbing and of having waited, week by week, labelled on the lines. */
const props = defineProps<{
  from: string;
  disturbing: number[];
  waiting: number[];
  /** index of the best week, where it lies on the chart */
  best: number | null;
}>();

const { day } = useDates();
const theme = useTheme();
const canvas = ref<HTMLCanvasElement>();
let chart: Chart | null = null;

function config(): ChartConfiguration<'line'> {
  const { colors } = theme.current.value;
  const ink = String(colors['on-surface']);
  return {
    type: 'line',
    data: {
      labels: props.disturbing.map((_, week) => day(addDays(props.from, 7 * week))),
      datasets: [
        {
          data: props.disturbing,
          borderColor: String(colors.primary),
          borderWidth: 2.5,
          pointRadius: 0,
        },
        {
          data: props.waiting,
          borderColor: String(colors.slate),
          borderDash: [6, 4],
          borderWidth: 2.5,
          pointRadius: 0,
        },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      plugins: {
        annotation: {
          annotations: {
            ...(props.best === null
              ? {}
              : {
                  best: {
                    type: 'line' as const,
                    xMin: props.best,
                    xMax: props.best,
                    borderColor: String(colors.secondary),
                    borderWidth: 2,
                    label: {
                      display: true,
                      content: m.verdicts.best,
                      position: 'start' as const,
                      backgroundColor: String(colors.secondary),
                      color: String(colors['on-secondary']),
                      font: { family: 'Atkinson Hyperlegible', size: 12 },
                    },
                  },
                }),
          },
        },
      },
      scales: {
        x: { ticks: { color: ink, maxTicksLimit: 7, maxRotation: 0 }, grid: { display: false } },
        y: {
          beginAtZero: true,
          ticks: { color: ink, maxTicksLimit: 5 },
          grid: { color: `${ink}22` },
        },
      },
    },
  };
}

function draw(): void {
  chart?.destroy();
  if (canvas.value) chart = new Chart(canvas.value, config());
}
onMounted(draw);
watch(() => [props.disturbing, props.waiting, props.best, theme.name.value], draw);
onBeforeUnmount(() => chart?.destroy());
</script>

<template>
  <ul class="key">
    <li class="disturbing">{{ m.verdictPage.curveDisturbing }}</li>
    <li class="waiting">{{ m.verdictPage.curveWaiting }}</li>
  </ul>
  <div class="curves">
    <canvas ref="canvas" role="img" :aria-label="m.verdictPage.curves"></canvas>
  </div>
</template>

<style scoped>
.key {
  list-style: none;
  padding: 0;
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
.curves {
  position: relative;
  height: 260px;
}
</style>
