<script setup lang="ts">
import { mdiCheck } from '@mdi/js';
import { computed } from 'vue';
import { api } from '../api/client.ts';
import type { Page, Plant, Task } from '../api/types.ts';
import FetchState from '../components/FetchState.vue';
import { useDates } from '../composables/useDates.ts';
import { useLoaded } from '../composables/useLoaded.ts';
import { useTaskDone } from '../composables/useTaskDone.ts';
import { m } from '../messages/index.ts';
import { useSettings } from '../stores/settings.ts';

const settings = useSettings();
const { day, daysLate } = useDates();
const { value, fault, load } = useLoaded(async () => {
  const [tasks, plants] = await Promise.all([
    api<Page<Task>>('/tasks?limit=1000'),
    api<Page<Plant>>('/plants?limit=1000'),
  ]);
  return { tasks: tasks.items, plants: plants.items };
});
const beds = computed(() => {
  if (!value.value) return [];
  const { tasks, plants } = value.value;
  return plants
    .map((plant) => ({
      plant,
      open: tasks
        .filter((task) => task.plantId === plant.id && task.done === null)
        .sort((a, b) => a.due.localeCompare(b.due)),
    }))
    .filter(({ open }) => open.length > 0)
    .sort((a, b) => a.open[0]!.due.localeCompare(b.open[0]!.due));
});
const setDone = useTaskDone(load);
</script>

<template>
  <div class="page stack">
    <header>
      <div class="row spread">
        <h1>{{ m.aftercare.title }}</h1>
        <span class="row">
          <v-btn variant="outlined" min-height="48" href="/api/tasks/calendar.ics">{{
            m.aftercare.calendar
          }}</v-btn>
          <v-btn variant="outlined" min-height="48" to="/aftercare/solutions">{{
            m.solutions.title
          }}</v-btn>
        </span>
      </div>
      <p class="quiet">{{ m.aftercare.intro }}</p>
    </header>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <section v-if="value && beds.length === 0" class="panel stack">
      <p>{{ m.aftercare.empty }}</p>
      <div>
        <v-btn color="primary" to="/verdicts">{{ m.nav.verdicts }}</v-btn>
      </div>
    </section>
    <div class="beds">
      <section v-for="{ plant, open } in beds" :key="plant.id" class="panel">
        <h2>
          <router-link :to="`/plants/${plant.id}`" class="plain">{{ plant.name }}</router-link>
          <small class="quiet taxon"> {{ plant.taxon }}</small>
        </h2>
        <ol>
          <li v-for="task in open" :key="task.id" class="task">
            <span :class="['due', { late: daysLate(task.due) >= 0 }]">{{ day(task.due) }}</span>
            <div>
              <strong>{{ task.title }}</strong>
              <div class="quiet">{{ task.why }}</div>
            </div>
            <v-btn
              :icon="mdiCheck"
              variant="outlined"
              size="48"
              :aria-label="`${m.rounds.done}: ${task.title}, ${plant.name}`"
              @click="setDone(task, settings.current.today)"
            />
          </li>
        </ol>
      </section>
    </div>
  </div>
</template>

<style scoped>
.beds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 460px), 1fr));
  gap: 14px;
  align-items: start;
}
ol {
  list-style: none;
  padding: 0;
}
.task {
  display: grid;
  grid-template-columns: 4.6em minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.due.late {
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}
small {
  margin-left: 8px;
  font-family: 'Atkinson Hyperlegible', sans-serif;
  font-weight: 400;
}
</style>
