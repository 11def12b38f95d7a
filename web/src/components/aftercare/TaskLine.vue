<script setup lang="ts">
import { mdiCalendarArrowRight, mdiCheck } from '@mdi/js';
import { computed } from 'vue';
import type { Task } from '../../api/types.ts';
import { asksHowItWent } from '../../composables/tasksAlike.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import PlantLinks from './PlantLinks.vue';

/** One thing to do, for a plant or for several alike: its day, what and why, moved or ticked off. */
const props = defineProps<{
  task: Task;
  plants: readonly { id: number; name: string }[];
  /** where the plant is not said above */
  named: boolean;
}>();
defineEmits<{ done: []; move: [] }>();
const { day, daysLate } = useDates();
const { said } = useUnits();

/** More names than these hide what is to be done. */
const MOST_NAMED = 6;
const asksNow = computed(() => asksHowItWent(props.task, daysLate(props.task.due)));
const who = computed(() => props.plants.map(({ name }) => name).join(', '));
</script>

<template>
  <li class="task">
    <span :class="['due', { late: daysLate(task.due) >= 0 }]">{{ day(task.due) }}</span>
    <div>
      <strong>{{ said(task.title) }}</strong>
      <span v-if="task.until" class="quiet span">{{
        task.everyDays
          ? m.aftercare.every(task.everyDays, day(task.until))
          : m.aftercare.until(day(task.until))
      }}</span>
      <div class="quiet sentence">{{ said(task.why) }}</div>
      <template v-if="named">
        <details v-if="plants.length > MOST_NAMED">
          <summary>{{ m.aftercare.forMany(plants.length, plants[0]!.name) }}</summary>
          <PlantLinks :plants="plants" />
        </details>
        <PlantLinks v-else :plants="plants" />
      </template>
      <div v-if="task.moved" class="quiet">{{ m.aftercare.moved(said(task.moved)) }}</div>
      <router-link v-if="asksNow" :to="`/plants/${plants[0]!.id}/outcome`">{{
        m.outcome.ask
      }}</router-link>
    </div>
    <v-btn
      :icon="mdiCalendarArrowRight"
      variant="text"
      size="48"
      :aria-label="`${m.aftercare.moveTo}: ${said(task.title)}, ${who}`"
      @click="$emit('move')"
    />
    <v-btn
      :icon="mdiCheck"
      variant="outlined"
      size="48"
      :aria-label="`${m.rounds.done}: ${said(task.title)}, ${who}`"
      @click="$emit('done')"
    />
  </li>
</template>

<style scoped>
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
