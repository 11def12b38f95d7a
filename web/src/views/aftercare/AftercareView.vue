<script setup lang="ts">
import { mdiCalendarArrowRight, mdiCheck } from '@mdi/js';
import { CHECKPOINTS, isTaskOver } from '@fernbank/core';
import { computed, ref } from 'vue';
import { apiAll, wordsFor, write } from '../../api/client.ts';
import type { Task } from '../../api/types.ts';
import PlaceTabs from '../../components/PlaceTabs.vue';
import FetchState from '../../components/FetchState.vue';
import FeedDialog from '../../components/feed/FeedDialog.vue';
import FormDialog from '../../components/FormDialog.vue';
import { useDates } from '../../composables/useDates.ts';
import { asksForFeed, useFeeding } from '../../composables/useFeeding.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useTaskDone } from '../../composables/useTaskDone.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

const settings = useSettings();
const { day, daysLate } = useDates();
const { said } = useUnits();
const { value, fault, load } = useLoaded(async () => {
  const [tasks, plants] = await Promise.all([apiAll('/tasks'), apiAll('/plants')]);
  return { tasks, plants: plants };
});
const beds = computed(() => {
  if (!value.value) return [];
  const { tasks, plants } = value.value;
  return plants
    .map((plant) => ({
      plant,
      open: tasks
        .filter(
          (task) =>
            task.plantId === plant.id &&
            task.done === null &&
            !isTaskOver(task, settings.current.today),
        )
        .sort((a, b) => a.due.localeCompare(b.due)),
    }))
    .filter(({ open }) => open.length > 0)
    .sort((a, b) => a.open[0]!.due.localeCompare(b.open[0]!.due));
});
const setDone = useTaskDone(load);
const { fed, feeding, feed } = useFeeding();
/** A look that asks how the repot went, once its question is open. */
const asksNow = ({ rule, due }: Task) =>
  rule !== null && rule in CHECKPOINTS && daysLate(due) >= -OPEN_BEFORE_DAYS;
const OPEN_BEFORE_DAYS = 7;
/** Calendar programs take this scheme as “subscribe”. */
const subscription = `webcal://${location.host}/api/tasks/calendar.ics`;

const notices = useNotices();
const moving = ref(false);
const moved = ref<Task | null>(null);
const moveTo = ref('');
const moveFault = ref('');
function askMove(task: Task): void {
  moved.value = task;
  moveTo.value = task.due;
  moveFault.value = '';
  moving.value = true;
}
async function move(): Promise<void> {
  const { id, rev } = moved.value!;
  const body = { due: moveTo.value };
  try {
    const { answer, deed } = await write(`/tasks/${id}`, { method: 'PATCH', body, rev });
    moving.value = false;
    notices.done(m.aftercare.movedTo(day(answer.due)), { deed, back: load });
    await load();
  } catch (error) {
    moveFault.value = wordsFor(error);
  }
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.aftercare.title }}</h1>
      <PlaceTabs of="aftercare" />
    </header>
    <div class="row spread">
      <p class="quiet">{{ m.aftercare.intro }}</p>
      <span class="row">
        <v-btn variant="outlined" href="/api/tasks/calendar.ics">{{ m.aftercare.calendar }}</v-btn>
        <v-btn variant="outlined" :href="subscription">{{ m.aftercare.feed }}</v-btn>
      </span>
    </div>
    <p class="quiet small">
      {{ m.aftercare.feedHint }} <code>{{ subscription }}</code>
    </p>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <section v-if="value && beds.length === 0" class="panel stack">
      <p>{{ m.aftercare.empty }}</p>
      <div>
        <v-btn color="primary" to="/verdicts">{{ m.nav.verdicts }}</v-btn>
      </div>
    </section>
    <div class="cards">
      <section v-for="{ plant, open } in beds" :key="plant.id" class="panel">
        <h2>
          <router-link :to="`/plants/${plant.id}`" class="plain">{{ plant.name }}</router-link>
          <small class="quiet taxon"> {{ plant.taxon }}</small>
        </h2>
        <ol>
          <li v-for="task in open" :key="task.id" class="task">
            <span :class="['due', { late: daysLate(task.due) >= 0 }]">{{ day(task.due) }}</span>
            <div>
              <strong>{{ said(task.title) }}</strong>
              <span v-if="task.until" class="quiet span">{{
                task.everyDays
                  ? m.aftercare.every(task.everyDays, day(task.until))
                  : m.aftercare.until(day(task.until))
              }}</span>
              <div class="quiet sentence">{{ said(task.why) }}</div>
              <div v-if="task.moved" class="quiet">{{ m.aftercare.moved(said(task.moved)) }}</div>
              <router-link v-if="asksNow(task)" :to="`/plants/${plant.id}/outcome`">{{
                m.outcome.ask
              }}</router-link>
            </div>
            <v-btn
              :icon="mdiCalendarArrowRight"
              variant="text"
              size="48"
              :aria-label="`${m.aftercare.moveTo}: ${said(task.title)}, ${plant.name}`"
              @click="askMove(task)"
            />
            <v-btn
              :icon="mdiCheck"
              variant="outlined"
              size="48"
              :aria-label="`${m.rounds.done}: ${said(task.title)}, ${plant.name}`"
              @click="asksForFeed(task) ? feed(plant) : setDone(task, settings.current.today)"
            />
          </li>
        </ol>
      </section>
    </div>
    <FeedDialog v-if="fed" v-model="feeding" :plant="fed" @saved="load" />
    <FormDialog
      v-model="moving"
      :title="m.aftercare.moveTo"
      :save="m.app.save"
      :fault="moveFault"
      :width="420"
      @submit="move"
    >
      <p v-if="moved">{{ said(moved.title) }}</p>
      <v-text-field v-model="moveTo" type="date" :label="m.tray.date" name="due" />
    </FormDialog>
  </div>
</template>

<style scoped>
code {
  overflow-wrap: anywhere;
}
ol {
  list-style: none;
  padding: 0;
}
.task {
  display: grid;
  grid-template-columns: 4.6em minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.span {
  margin-left: 6px;
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
@media (max-width: 640px) {
  .task {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
  .due {
    grid-column: 1 / -1;
    margin-bottom: -8px;
  }
}
</style>
