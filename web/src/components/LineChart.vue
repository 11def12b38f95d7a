<script setup lang="ts">
import {
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartConfiguration,
} from 'chart.js';
import annotation, { type AnnotationOptions } from 'chartjs-plugin-annotation';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useTheme } from 'vuetify';
import PictureButton from './PictureButton.vue';

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale, annotation);

/** Plain lines over named steps, with marks across them. Colours are names of the theme. */
const props = defineProps<{
  /** in words, for those who do not see it */
  name: string;
  labels: string[];
  lines: { values: readonly number[]; colour: string; dashed?: boolean }[];
  /** across the lines, at an index of the labels */
  marks?: { at: number; label: string }[];
  /** along the lines, at a value */
  levels?: { at: number; label: string; colour: string }[];
  unit?: string;
  heightPx?: number;
  /** label every so many steps; absent: as many as fit */
  every?: number;
}>();

const theme = useTheme();
const canvas = ref<HTMLCanvasElement>();
let chart: Chart<'line'> | null = null;
const FONT = { family: 'Atkinson Hyperlegible', size: 12 };

function annotations(): Record<string, AnnotationOptions> {
  const { colors } = theme.current.value;
  const made: Record<string, AnnotationOptions> = {};
  props.marks?.forEach(({ at, label }, i) => {
    made[`mark${i}`] = {
      type: 'line',
      xMin: at,
      xMax: at,
      borderColor: String(colors.secondary),
      borderWidth: 2,
      label: {
        display: label !== '',
        content: label,
        position: 'start',
        backgroundColor: String(colors.secondary),
        color: String(colors['on-secondary']),
        font: FONT,
      },
    };
  });
  props.levels?.forEach(({ at, label, colour }, i) => {
    made[`level${i}`] = {
      type: 'line',
      yMin: at,
      yMax: at,
      borderColor: String(colors[colour]),
      borderWidth: 2,
      borderDash: [3, 4],
      label: {
        display: true,
        content: label,
        position: 'start',
        yAdjust: 10,
        backgroundColor: String(colors.surface),
        color: String(colors[colour]),
        font: FONT,
        padding: 2,
      },
    };
  });
  return made;
}

function config(): ChartConfiguration<'line'> {
  const { colors } = theme.current.value;
  const ink = String(colors['on-surface']);
  return {
    type: 'line',
    data: {
      labels: props.labels,
      datasets: props.lines.map(({ values, colour, dashed }) => ({
        data: [...values],
        borderColor: String(colors[colour]),
        ...(dashed ? { borderDash: [6, 4] } : {}),
        borderWidth: 2.5,
        pointRadius: 0,
      })),
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      plugins: { annotation: { annotations: annotations() } },
      scales: {
        x: {
          ticks: {
            color: ink,
            maxRotation: 0,
            ...(props.every
              ? {
                  autoSkip: false,
                  callback: (_value, i) => (i % props.every! === 0 ? props.labels[i] : ''),
                }
              : { maxTicksLimit: 7 }),
          },
          grid: { display: false },
        },
        y: {
          beginAtZero: true,
          ticks: {
            color: ink,
            maxTicksLimit: 5,
            ...(props.unit ? { callback: (value) => `${value} ${props.unit}` } : {}),
          },
          grid: { color: `${ink}22` },
        },
      },
    },
  };
}

function draw(): void {
  chart?.destroy();
  chart = null;
  if (canvas.value?.getContext('2d')) chart = new Chart(canvas.value, config());
}
/** A slider moves marks and lines only: the chart is kept, and follows with the next frame. */
let waiting = 0;
function update(): void {
  cancelAnimationFrame(waiting);
  waiting = requestAnimationFrame(() => {
    if (!chart) return draw();
    const { data, options } = config();
    chart.data = data;
    chart.options = options!;
    chart.update('none');
  });
}
onMounted(draw);
watch(() => [props.labels, props.lines, props.marks, props.levels], update);
watch(() => theme.name.value, draw);
onBeforeUnmount(() => {
  cancelAnimationFrame(waiting);
  chart?.destroy();
});
</script>

<template>
  <PictureButton :name="name" chart>
    <div class="chart" :style="{ height: `${heightPx ?? 260}px` }">
      <canvas ref="canvas" role="img" :aria-label="name"></canvas>
    </div>
  </PictureButton>
</template>

<style scoped>
.chart {
  position: relative;
}
</style>
