<script setup lang="ts">
import type { Score } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import ShareBand from './ShareBand.vue';

/** What was said in rows of about the same chance, and the score that it comes to. */
const props = defineProps<{ score: Score }>();
const { number, percent } = useUnits();
const parts = computed((): [label: string, amount: number][] => [
  [m.right.brier, props.score.brier],
  [m.right.reliability, props.score.reliability],
  [m.right.resolution, -props.score.resolution],
  [m.right.uncertainty, props.score.uncertainty],
  [m.right.withinRows, props.score.withinRows],
]);
</script>

<template>
  <details>
    <summary>{{ m.right.table }}</summary>
    <div class="scroll">
      <table class="figures">
        <thead>
          <tr>
            <th>{{ m.right.rowSaid }}</th>
            <th class="num">{{ m.right.rowFound }}</th>
            <th>{{ m.right.rowBand }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in score.rows" :key="row.from">
            <td class="range">{{ m.right.range(percent(row.from), percent(row.to)) }}</td>
            <td class="num">{{ m.right.of(number(row.found, 1), row.count) }}</td>
            <td><ShareBand :mean="row.mean" :low="row.low" :high="row.high" /></td>
          </tr>
        </tbody>
      </table>
    </div>
    <table class="figures">
      <caption class="quiet">
        {{
          m.right.score
        }}
      </caption>
      <tbody>
        <tr v-for="[label, amount] in parts" :key="label">
          <td>{{ label }}</td>
          <td class="num">{{ amount.toFixed(3) }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
.range {
  white-space: nowrap;
}
caption {
  text-align: left;
  padding-top: 10px;
}
</style>
