<script setup lang="ts">
import { heldIn, whatItBuys, type Component, type Part, type PottedPlace } from '@fernbank/core';
import { computed, ref } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What each part buys: air, water, weight and life against its share, drawn and in one sentence. */
const props = defineProps<{
  parts: readonly Part<Component>[];
  place: PottedPlace;
  /** how long a mix serves, months */
  lifeOf: (parts: readonly Part<Component>[]) => number | null;
}>();
const { percent, length, weight } = useUnits();

const SHOWN = ['air', 'water', 'wetKgPerL', 'life'] as const;
type Shown = (typeof SHOWN)[number];
const shown = ref<Shown>('air');
const choices = SHOWN.map((value) => ({ value, title: m.mix.buysOf[value] }));
/** Without end, a life is drawn as long as this, months. */
const LONGEST = 60;
const TABLE_EVERY = 10;

const held = computed(() => heldIn(props.place));
const rows = computed(() => {
  if (props.parts.length < 2) return [];
  return props.parts.map(({ ingredient }, of) => {
    const { curve, present, addsAir, countsFrom } = whatItBuys(props.parts, of, held.value);
    const steps = curve.map((step) => ({ ...step, value: valueAt(of, step) }));
    const most = Math.max(...steps.map(({ value }) => value), 1e-6);
    return {
      label: ingredient.label,
      path: `M${steps.map(({ share, value }) => `${(100 * share).toFixed(1)} ${(38 - (36 * value) / most).toFixed(1)}`).join('L')}`,
      present: 100 * present,
      text: m.fit.buys(
        percent(present),
        Math.round(100 * addsAir),
        countsFrom === null ? null : percent(countsFrom),
      ),
      table: steps
        .filter((_, i) => i % TABLE_EVERY === 0)
        .map(({ share, value }) => ({ share: `${percent(share)} %`, said: said(value) })),
    };
  });
});
type Step = ReturnType<typeof whatItBuys>['curve'][number];
function valueAt(of: number, step: Step): number {
  return shown.value === 'life' ? lifeAt(of, step.share) : step[shown.value];
}
function lifeAt(of: number, share: number): number {
  const total = props.parts.reduce((sum, { parts: n }) => sum + n, 0);
  const others = total - props.parts[of]!.parts;
  const at = props.parts
    .map((part, i) => ({ ...part, parts: i === of ? share : ((1 - share) * part.parts) / others }))
    .filter(({ parts: n }) => n > 0);
  return Math.min(LONGEST, props.lifeOf(at) ?? LONGEST);
}
function said(value: number): string {
  if (shown.value === 'wetKgPerL') return weight(value);
  if (shown.value === 'life') return m.verdictPage.months(String(Math.round(value)));
  return `${percent(value)} %`;
}
</script>

<template>
  <div v-if="rows.length > 1" class="stack">
    <v-btn-toggle v-model="shown" mandatory :aria-label="m.fit.buysTitle">
      <v-btn v-for="choice in choices" :key="choice.value" :value="choice.value">{{
        choice.title
      }}</v-btn>
    </v-btn-toggle>
    <ul class="bare buys">
      <li v-for="row in rows" :key="row.label">
        <strong>{{ row.label }}</strong>
        <svg viewBox="0 0 100 40" preserveAspectRatio="none" role="img" :aria-label="row.text">
          <path :d="row.path" class="curve" />
          <line :x1="row.present" :x2="row.present" y1="0" y2="40" class="now" />
        </svg>
        <span>{{ row.text }}</span>
      </li>
    </ul>
    <details>
      <summary>{{ m.mix.asTable }}</summary>
      <table class="figures">
        <thead>
          <tr>
            <th>{{ m.mix.buysOf[shown] }}</th>
            <th v-for="step in rows[0]!.table" :key="step.share" class="num">{{ step.share }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.label">
            <td>{{ row.label }}</td>
            <td v-for="step in row.table" :key="step.share" class="num">{{ step.said }}</td>
          </tr>
        </tbody>
      </table>
    </details>
    <p class="quiet small">{{ m.fit.buysHow(length(held.heightCm)) }}</p>
  </div>
  <p v-else class="quiet">{{ m.mix.onePart }}</p>
</template>

<style scoped>
.buys {
  display: grid;
  gap: 8px;
}
.buys li {
  display: grid;
  grid-template-columns: minmax(90px, 0.5fr) 110px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
.buys svg {
  width: 110px;
  height: 40px;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.4);
}
.curve {
  fill: none;
  stroke: rgb(var(--v-theme-water));
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.now {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
@media (max-width: 640px) {
  .buys li {
    grid-template-columns: minmax(0, 1fr) 110px;
  }
  .buys li > span {
    grid-column: 1 / -1;
  }
}
</style>
