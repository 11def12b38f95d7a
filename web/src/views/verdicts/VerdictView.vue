<script setup lang="ts">
import { daysBetween, mondayOf, type Decision, type Situation } from '@fernbank/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, shallowRef } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client.ts';
import FetchState from '../../components/FetchState.vue';
import NextStop from '../../components/look/NextStop.vue';
import PlantHeader from '../../components/plant/PlantHeader.vue';
import AnswerPanel from '../../components/verdict/AnswerPanel.vue';
import CausesPanel from '../../components/verdict/CausesPanel.vue';
import CurvesPanel from '../../components/verdict/CurvesPanel.vue';
import OverrulePanel from '../../components/verdict/OverrulePanel.vue';
import ReasonsPanel from '../../components/verdict/ReasonsPanel.vue';
import SchoolsPanel from '../../components/verdict/SchoolsPanel.vue';
import StatesPanel from '../../components/verdict/StatesPanel.vue';
import TurningPanel from '../../components/verdict/TurningPanel.vue';
import WhatIf from '../../components/verdict/WhatIf.vue';
import { useHeadlineWords } from '../../composables/headlineWords.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';

const route = useRoute();
const {
  value: file,
  fault,
  load,
} = useLoaded(() => api(`/plants/${String(route.params.id)}/file`));

/** Reached from a look: the walk goes on from here. */
const looked = history.state?.looked === true;
/** A what-if that is being asked stands in place of today's verdict until it is taken back. */
const asked = shallowRef<{ decision: Decision; situation: Situation } | null>(null);
const decision = computed(() => asked.value?.decision ?? file.value?.decision);
const situation = computed(() => asked.value?.situation ?? file.value?.situation);
function showWhatIf(judged: Decision | null, then: Situation | null): void {
  asked.value = judged && then ? { decision: judged, situation: then } : null;
}
/** Whoever wants to see how it was judged wants so of the next plant too. */
const behind = useLocalStorage('fernbank.verdict.behind', false);
const unfold = (event: Event) => (behind.value = (event.target as HTMLDetailsElement).open);
const { headlineLine } = useHeadlineWords();
const headline = computed(() => (decision.value ? headlineLine(decision.value) : ''));
const monday = computed(() => mondayOf(situation.value!.date));
const best = computed(() => {
  const week = decision.value?.week;
  if (!week || !file.value) return null;
  return Math.min(51, Math.max(0, Math.round(daysBetween(monday.value, week) / 7)));
});
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file && decision">
      <PlantHeader :file="file" at="verdict" />
      <AnswerPanel
        :file="file"
        :decision="decision"
        :asked="asked !== null"
        :date="situation!.date"
        :changed="load"
      />

      <NextStop v-if="looked" :plant-id="file.plant.id" />

      <WhatIf
        :situation="file.situation"
        :own="file.decision.school"
        :headline="headline"
        @judged="showWhatIf"
      />

      <CausesPanel v-if="decision.troubleshoot" :troubleshoot="decision.troubleshoot" />

      <OverrulePanel :file="file" @changed="load" />

      <details class="behind" :open="behind" @toggle="unfold">
        <summary>
          <h2>{{ m.verdictPage.behind }}</h2>
          <span class="quiet">{{ m.verdictPage.behindHint }}</span>
        </summary>
        <div v-if="behind" class="stack">
          <p>
            <router-link to="/thinking">{{ m.thinking.open }}</router-link>
          </p>
          <div class="pair">
            <StatesPanel :decision="decision" />
            <CurvesPanel :decision="decision" :monday="monday" :best="best" />
          </div>
          <ReasonsPanel :decision="decision" />
          <div class="pair">
            <TurningPanel :decision="decision" />
            <SchoolsPanel :decision="decision" :situation="situation!" />
          </div>
        </div>
      </details>
    </template>
  </div>
</template>

<style scoped>
summary {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
  padding: 14px 4px;
  cursor: pointer;
}
summary::before {
  content: '▸';
}
[open] > summary::before {
  content: '▾';
}
summary h2 {
  font-size: 1.15rem;
}
</style>
