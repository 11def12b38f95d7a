<script setup lang="ts">
import { headlineOf, signal, type Decision } from '@fernbank/core';
import { computed } from 'vue';
import { answerWord, questionWord } from '../../composables/findingWords.ts';
import { m } from '../../messages/index.ts';
import VerdictMark from './VerdictMark.vue';

/** What would turn the verdict, and what was not looked at. */
const props = defineProps<{ decision: Decision }>();
const LEAST_WORTH = 0.005;
const worthLooking = computed(() =>
  props.decision.notLooked.filter(({ worth }) => worth >= LEAST_WORTH).slice(0, 5),
);
</script>

<template>
  <section class="panel">
    <h2>{{ m.verdictPage.turning }}</h2>
    <ul v-if="decision.turningPoint.length > 0">
      <li v-for="turn in decision.turningPoint" :key="turn.signal">
        {{
          m.verdictPage.turningLine(questionWord(turn.signal), answerWord(turn.signal, turn.to), '')
        }}
        <VerdictMark :headline="headlineOf(turn.verdict)" />
      </li>
    </ul>
    <p v-else class="quiet">{{ m.verdictPage.turningNone }}</p>
    <h2 class="mt-4">{{ m.verdictPage.notLooked }}</h2>
    <template v-if="worthLooking.length > 0">
      <p class="quiet">{{ m.verdictPage.notLookedIntro }}</p>
      <ol class="looks">
        <li v-for="look in worthLooking" :key="look.signal">
          {{ signal(look.signal).label }}
          <span class="quiet">({{ m.verdictPage.worth(look.worth) }})</span>
        </li>
      </ol>
    </template>
    <p v-else class="quiet">{{ m.verdictPage.worthNothing }}</p>
  </section>
</template>

<style scoped>
.looks,
.panel > ul {
  padding-left: 20px;
}
</style>
