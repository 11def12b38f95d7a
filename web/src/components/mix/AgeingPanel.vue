<script setup lang="ts">
import { agedInPot, type PottedMix, type PottedPlace } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import LineChart from '../LineChart.vue';

/** Air of up to three mixes as they age in one pot, and where the slider stands. */
const props = defineProps<{
  mixes: { label: string; mix: PottedMix }[];
  place: PottedPlace;
}>();
const months = defineModel<number>({ required: true });
const { number, length } = useUnits();

/** A year or two beyond the end of the longest life, so that the end is seen. */
const LEAST_MONTHS = 24;
const MOST_MONTHS = 60;
const last = computed(() => {
  const lives = props.mixes.map(({ mix }) => mix.life.months ?? LEAST_MONTHS);
  const longest = Math.ceil((1.4 * Math.max(...lives)) / 6) * 6;
  return Math.min(MOST_MONTHS, Math.max(LEAST_MONTHS, longest));
});
const COLOURS = ['primary', 'water', 'slate'];
const steps = computed(() => Array.from({ length: last.value + 1 }, (_, month) => month));
const labels = computed(() => steps.value.map((month) => m.mix.monthShort(month)));
const lines = computed(() =>
  props.mixes.map(({ mix }, i) => ({
    values: steps.value.map((month) => 100 * agedInPot(mix, props.place, month).air),
    colour: COLOURS[i % COLOURS.length]!,
    dashed: i === 1,
  })),
);
const levels = computed(() =>
  props.place.airNeed === null
    ? []
    : [
        {
          at: 100 * props.place.airNeed,
          label: m.mix.needsAir(`${Math.round(100 * props.place.airNeed)} %`),
          colour: 'error',
        },
      ],
);
const marks = computed(() => [{ at: Math.round(months.value), label: '' }]);
const now = computed(() =>
  props.mixes.map(({ label, mix }) => {
    const aged = agedInPot(mix, props.place, months.value);
    const { months: life } = mix.life;
    const sunkCm = aged.sunk * props.place.pot.heightCm;
    return {
      label,
      text: m.mix.agedLine(
        number(100 * aged.air, 0),
        sunkCm < LEAST_SUNK_CM ? null : length(sunkCm),
        life === null ? null : life <= months.value ? 'over' : number(life - months.value, 0),
      ),
    };
  }),
);
const LEAST_SUNK_CM = 0.05;
const TABLE_STEP = 6;
</script>

<template>
  <div class="stack">
    <div>
      <label for="mix-months">{{ m.mix.after(number(months, 0)) }}</label>
      <v-slider
        id="mix-months"
        v-model="months"
        :min="0"
        :max="last"
        :step="1"
        color="primary"
        hide-details
        :aria-label="m.mix.after(number(months, 0))"
      />
    </div>
    <ul class="bare now">
      <li v-for="(row, i) in now" :key="row.label" :class="COLOURS[i % 3]">
        <strong>{{ row.label }}</strong>: {{ row.text }}
      </li>
    </ul>
    <LineChart
      :name="m.mix.ageing"
      :labels="labels"
      :lines="lines"
      :levels="levels"
      :marks="marks"
      unit="%"
      :every="TABLE_STEP"
      :height-px="220"
    />
    <details>
      <summary>{{ m.mix.asTable }}</summary>
      <table class="figures">
        <thead>
          <tr>
            <th>{{ m.mix.month }}</th>
            <th v-for="{ label } in mixes" :key="label" class="num">{{ label }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="month in steps.filter((s) => s % TABLE_STEP === 0)" :key="month">
            <td>{{ month }}</td>
            <td v-for="(line, i) in lines" :key="i" class="num">
              {{ number(line.values[month]!, 1) }} %
            </td>
          </tr>
        </tbody>
      </table>
    </details>
    <p class="quiet small">{{ m.mix.ageingHow }}</p>
  </div>
</template>

<style scoped>
.now li::before {
  content: '';
  display: inline-block;
  width: 22px;
  margin-right: 7px;
  vertical-align: 0.25em;
  border-top: 3px solid currentColor;
}
.now .primary::before {
  color: rgb(var(--v-theme-primary));
}
.now .water::before {
  color: rgb(var(--v-theme-water));
  border-top-style: dashed;
}
.now .slate::before {
  color: rgb(var(--v-theme-slate));
}
</style>
