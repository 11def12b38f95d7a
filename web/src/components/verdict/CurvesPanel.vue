<script setup lang="ts">
import { WEEKS_OF_GROWTH, type Decision, type IsoDate } from '@fernbank/core';
import { defineAsyncComponent } from 'vue';
import { weeksFigure } from '../../messages/cost.ts';
import { m } from '../../messages/index.ts';

/** What disturbing it and waiting would cost in each week of the year, as a chart and as a table. */
defineProps<{
  decision: Decision;
  /** first day of this week */
  monday: IsoDate;
  best: number | null;
}>();
// Chart.js is only fetched where a chart is drawn.
const CostCurves = defineAsyncComponent(() => import('./CostCurves.vue'));
</script>

<template>
  <section class="panel">
    <h2>{{ m.verdictPage.curves }}</h2>
    <CostCurves
      :from="monday"
      :disturbing="decision.curves.disturbing"
      :waiting="decision.curves.waiting"
      :best="best"
    />
    <p class="quiet">{{ m.verdictPage.curveUnit(WEEKS_OF_GROWTH) }}</p>
    <details>
      <summary>{{ m.verdictPage.curveTable }}</summary>
      <div class="scroll">
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.verdictPage.week }}</th>
              <th class="num">{{ m.verdictPage.curveDisturbing }}</th>
              <th class="num">{{ m.verdictPage.curveWaiting }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="week in decision.curves.weeks" :key="week">
              <td>{{ week }}</td>
              <td class="num">
                {{ weeksFigure(decision.curves.disturbing[week]!) }}
              </td>
              <td class="num">{{ weeksFigure(decision.curves.waiting[week]!) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </section>
</template>

<style scoped>
.scroll {
  max-height: 280px;
  overflow: auto;
}
</style>
