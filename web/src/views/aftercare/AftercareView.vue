<script setup lang="ts">
import { addDays, isTaskOver } from '@fernbank/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, defineAsyncComponent, ref } from 'vue';
import { apiAll, wordsFor } from '../../api/client.ts';
import type { Task } from '../../api/types.ts';
import PlaceTabs from '../../components/PlaceTabs.vue';
import TaskLine from '../../components/aftercare/TaskLine.vue';
import FetchState from '../../components/FetchState.vue';
import FormDialog from '../../components/FormDialog.vue';
import { useDates } from '../../composables/useDates.ts';
import { asksForFeed, useFeeding } from '../../composables/useFeeding.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { alike, type Bed } from '../../composables/tasksAlike.ts';
import { changeTasks, useTaskDone } from '../../composables/useTaskDone.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

// Fetched when something is fed.
const FeedDialog = defineAsyncComponent(() => import('../../components/feed/FeedDialog.vue'));

const settings = useSettings();
const { day, daysLate } = useDates();
const { said } = useUnits();
const { value, fault, load } = useLoaded(async () => {
  const [tasks, plants] = await Promise.all([apiAll('/tasks'), apiAll('/plants')]);
  return { tasks, plants: plants };
});
/** All that is open, the earliest first; of one day in the order of names. */
const open = computed((): Bed[] => {
  if (!value.value) return [];
  const plants = new Map(value.value.plants.map((plant) => [plant.id, plant]));
  return value.value.tasks
    .filter((task) => task.done === null && !isTaskOver(task, settings.current.today))
    .flatMap((task) => {
      const plant = plants.get(task.plantId);
      return plant ? [{ plant, task }] : [];
    })
    .sort(
      (a, b) => a.task.due.localeCompare(b.task.due) || a.plant.name.localeCompare(b.plant.name),
    );
});
const WEEK_DAYS = 7;
const as = useLocalStorage<'day' | 'plant'>('fernbank.aftercare.as', 'day');
const sections = computed(() => {
  if (as.value === 'day') {
    const { today } = settings.current;
    const week = addDays(today, WEEK_DAYS);
    return [
      { title: m.aftercare.today, beds: open.value.filter(({ task }) => task.due <= today) },
      {
        title: m.aftercare.week,
        beds: open.value.filter(({ task: { due } }) => due > today && due <= week),
      },
      { title: m.aftercare.comes, beds: open.value.filter(({ task }) => task.due > week) },
    ]
      .filter(({ beds }) => beds.length > 0)
      .map(({ title, beds }) => ({ title, lines: alike(beds, daysLate), key: title, plant: null }));
  }
  const byPlant = new Map<number, Bed[]>();
  for (const bed of open.value) {
    byPlant.set(bed.plant.id, [...(byPlant.get(bed.plant.id) ?? []), bed]);
  }
  return [...byPlant.values()].map((beds) => {
    const { plant } = beds[0]!;
    const lines = beds.map((bed) => [bed]);
    return { title: plant.name, lines, key: String(plant.id), plant };
  });
});
const setDone = useTaskDone(load);
const { fed, feeding, feed } = useFeeding();
/** Calendar programs take this scheme as “subscribe”. */
const subscription = `webcal://${location.host}/api/tasks/calendar.ics`;

const notices = useNotices();
const moving = ref(false);
const tasksOf = (beds: readonly Bed[]) => beds.map(({ task }) => task);
const moved = ref<readonly Task[]>([]);
const moveTo = ref('');
const moveFault = ref('');
function askMove(beds: readonly Bed[]): void {
  moved.value = tasksOf(beds);
  moveTo.value = beds[0]!.task.due;
  moveFault.value = '';
  moving.value = true;
}
async function move(): Promise<void> {
  const due = moveTo.value;
  try {
    const { deed } = await changeTasks(moved.value, { due });
    moving.value = false;
    notices.done(m.aftercare.movedTo(day(due)), { deed, back: load });
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
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <section v-if="value && open.length === 0" class="panel stack">
      <p>{{ m.aftercare.empty }}</p>
      <div>
        <v-btn color="primary" to="/verdicts">{{ m.nav.verdicts }}</v-btn>
      </div>
    </section>
    <div v-else-if="value" class="row spread">
      <p class="quiet">{{ m.aftercare.intro }}</p>
      <div class="row" role="group" :aria-label="m.aftercare.title">
        <v-btn
          v-for="(word, kind) in { day: m.aftercare.byDay, plant: m.aftercare.byPlant }"
          :key="kind"
          :variant="as === kind ? 'flat' : 'outlined'"
          :color="as === kind ? 'primary' : undefined"
          :aria-pressed="as === kind"
          @click="as = kind"
          >{{ word }}</v-btn
        >
      </div>
    </div>
    <div :class="as === 'plant' ? 'cards' : 'stack'">
      <section v-for="{ key, title, plant, lines } in sections" :key="key" class="panel">
        <h2>
          <router-link v-if="plant" :to="`/plants/${plant.id}`" class="plain">{{
            title
          }}</router-link>
          <template v-else>{{ title }}</template>
          <small v-if="plant" class="quiet taxon"> {{ plant.taxon }}</small>
        </h2>
        <ol>
          <TaskLine
            v-for="beds in lines"
            :key="beds[0]!.task.id"
            :task="beds[0]!.task"
            :plants="beds.map((bed) => bed.plant)"
            :named="plant === null"
            @move="askMove(beds)"
            @done="
              asksForFeed(beds[0]!.task)
                ? feed(...beds.map(({ plant }) => plant))
                : setDone(tasksOf(beds), settings.current.today)
            "
          />
        </ol>
      </section>
    </div>
    <details>
      <summary>{{ m.aftercare.inCalendar }}</summary>
      <p class="quiet small">
        {{ m.aftercare.feedHint }} <code>{{ subscription }}</code>
      </p>
      <div class="row">
        <v-btn variant="outlined" href="/api/tasks/calendar.ics">{{ m.aftercare.calendar }}</v-btn>
        <v-btn variant="outlined" :href="subscription">{{ m.aftercare.feed }}</v-btn>
      </div>
    </details>
    <FeedDialog v-if="fed.length > 0" v-model="feeding" :plants="fed" @saved="load" />
    <FormDialog
      v-model="moving"
      :title="m.aftercare.moveTo"
      :save="m.app.save"
      :fault="moveFault"
      :width="420"
      @submit="move"
    >
      <p v-if="moved[0]">{{ said(moved[0].title) }}</p>
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
small {
  margin-left: 8px;
  font-family: 'Atkinson Hyperlegible', sans-serif;
  font-weight: 400;
}
</style>
