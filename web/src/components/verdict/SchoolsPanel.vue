<script setup lang="ts">
import type { Decision, Situation } from '@fernbank/core';
import { computed } from 'vue';
import { useDates } from '../../composables/useDates.ts';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What the other schools would say, and the numbers behind the verdict. */
const props = defineProps<{ decision: Decision; situation: Situation }>();
const { day } = useDates();
const { percent } = useUnits();
const { mediumWord } = useFigureWords();
/** The middle two thirds of what the roots may have explored by now. */
const rootsBand = ({ explored, sd }: { explored: number; sd: number }) =>
  m.verdictPage.rootsBand(
    Math.round(100 * Math.max(0, explored - sd)),
    Math.round(100 * Math.min(1, explored + sd)),
  );
const schoolLine = (verdict: keyof typeof m.verdict, week: string | null) =>
  verdict === 'repotInWeek' && week ? m.headlineLine.repotInWeek(day(week)) : m.verdict[verdict];
const questions = computed(() => [
  { title: '', schools: props.decision.schools, yours: props.decision.school },
  {
    title: m.verdictPage.oldMedium,
    schools: props.decision.oldMediumSchools,
    yours: props.situation.schools?.oldMedium,
  },
]);
</script>

<template>
  <section class="panel">
    <h2>{{ m.verdictPage.schools }}</h2>
    <template v-for="asked in questions" :key="asked.title">
      <h3 v-if="asked.title" class="mt-3">{{ asked.title }}</h3>
      <table class="figures">
        <tbody>
          <tr v-for="school in asked.schools" :key="school.school">
            <td>
              {{ school.label }}
              <strong v-if="school.school === asked.yours">
                ({{ m.verdictPage.schoolYours }})</strong
              >
            </td>
            <td>{{ schoolLine(school.verdict, school.week) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <h2 class="mt-4">{{ m.verdictPage.numbers }}</h2>
    <table class="figures">
      <tbody>
        <tr>
          <td>{{ m.verdictPage.monthsInPot }}</td>
          <td class="num">
            {{ decision.monthsInPot === null ? m.app.unknown : mediumWord(decision.monthsInPot) }}
          </td>
        </tr>
        <tr>
          <td>{{ m.verdictPage.monthsToFill }}</td>
          <td class="num">{{ mediumWord(decision.monthsToFill) }}</td>
        </tr>
        <tr>
          <td>{{ m.verdictPage.mediumLife }}</td>
          <td class="num">{{ mediumWord(decision.medium.lifeMonths) }}</td>
        </tr>
        <tr>
          <td>{{ m.verdictPage.freshAir }}</td>
          <td class="num">{{ m.verdictPage.share(percent(decision.medium.freshAir)) }}</td>
        </tr>
        <tr>
          <td>{{ m.verdictPage.cycle }}</td>
          <td class="num">{{ mediumWord(decision.freshCycleMonths) }}</td>
        </tr>
        <tr v-if="decision.roots">
          <td>{{ m.verdictPage.roots }}</td>
          <td class="num">{{ rootsBand(decision.roots) }}</td>
        </tr>
        <tr v-if="decision.headline !== 'lookFirst'">
          <td>{{ m.verdictPage.worthNow }}</td>
          <td class="num">{{ m.verdictPage.worthOf(decision.lookWorth.worth) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
