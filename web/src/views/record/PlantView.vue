<script setup lang="ts">
import { checkpointOn, isTaskOver, isTellingPace } from '@fernbank/core';
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client.ts';
import FetchState from '../../components/FetchState.vue';
import LifePanel from '../../components/plant/LifePanel.vue';
import LogPanel from '../../components/plant/LogPanel.vue';
import PlantHeader from '../../components/plant/PlantHeader.vue';
import PotPanel from '../../components/plant/PotPanel.vue';
import QuarantineBand from '../../components/plant/QuarantineBand.vue';
import TraitsPanel from '../../components/plant/TraitsPanel.vue';
import ReservoirCard from '../../components/water/ReservoirCard.vue';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useSettings } from '../../stores/settings.ts';

const route = useRoute();
const router = useRouter();
const { full, day } = useDates();
const { percent, number, said } = useUnits();
const settings = useSettings();
const {
  value: file,
  fault,
  load,
} = useLoaded(() => api(`/plants/${String(route.params.id)}/file`));

/** The question that is open today, if one is. */
const askedAt = computed(() => {
  const [newest] = file.value?.repots ?? [];
  if (!newest || file.value!.plant.goneOn) return null;
  const at = checkpointOn(newest.date, settings.current.today);
  const told = file.value!.outcomes.some((one) => one.repotId === newest.id && one.at === at);
  return told ? null : at;
});
/** What its record taught, and how others of its kind of repot went. */
const lessons = computed(() => {
  const { learned, worked } = file.value!;
  return [
    learned.pace &&
      isTellingPace(learned.pace) &&
      m.worked.pace(times(learned.pace.factor), String(percent(learned.pace.sdLog))),
    learned.life &&
      m.worked.life(
        times(learned.life.factor),
        times(learned.life.low),
        times(learned.life.high),
        learned.life.judged,
      ),
    worked &&
      (worked.tally.telling
        ? m.worked.like(worked.label, `${percent(worked.tally.mean)} %`, worked.tally.cases)
        : m.worked.likeFew(worked.label, worked.tally.cases)),
  ].filter((line): line is string => Boolean(line));
});
const times = (factor: number) => `${number(factor, 1)}×`;
const openTasks = computed(
  () =>
    file.value?.tasks.filter(
      (task) => task.done === null && !isTaskOver(task, settings.current.today),
    ) ?? [],
);
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file">
      <PlantHeader :file="file" at="life" />
      <p v-if="file.plant.goneOn" class="caution" role="status">
        {{ m.plant.gone(full(file.plant.goneOn)) }}
      </p>
      <QuarantineBand v-if="file.quarantine" :file="file" @changed="load" />
      <div class="two">
        <PotPanel :file="file" @changed="load" />
        <div class="stack">
          <section v-if="openTasks.length > 0" class="panel">
            <h2>{{ m.plant.tasksOpen }}</h2>
            <ul class="bare tasks">
              <li v-for="task in openTasks" :key="task.id">
                <span class="when">{{ day(task.due) }}</span>
                <strong>{{ said(task.title) }}</strong>
                <div class="quiet sentence">{{ said(task.why) }}</div>
              </li>
            </ul>
          </section>
          <section v-if="askedAt || lessons.length > 0" class="panel stack">
            <div v-if="askedAt" class="row spread">
              <h2>{{ m.outcome.title }}</h2>
              <v-btn color="primary" min-height="52" :to="`/plants/${file.plant.id}/outcome`">{{
                m.outcome.answer
              }}</v-btn>
            </div>
            <template v-if="lessons.length > 0">
              <h2>{{ m.worked.learned }}</h2>
              <p v-for="lesson in lessons" :key="lesson">{{ lesson }}</p>
            </template>
          </section>
          <ReservoirCard
            v-if="file.reservoir"
            :over="file.reservoir"
            @noted="load"
            @change="router.push('/aftercare/water')"
          />
          <LogPanel :file="file" />
          <LifePanel :file="file" @changed="load" />
        </div>
      </div>
      <TraitsPanel :file="file" @changed="load" />
    </template>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 14px;
  align-items: start;
}
.tasks li {
  padding: 6px 0;
}
.when {
  display: inline-block;
  min-width: 72px;
  margin-right: 8px;
  color: rgb(var(--v-theme-on-surface), 0.76);
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
