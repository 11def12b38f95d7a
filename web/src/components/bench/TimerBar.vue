<script setup lang="ts">
import { computed } from 'vue';
import { useTimeLeft } from '../../composables/timeLeft.ts';
import { m } from '../../messages/index.ts';
import { useBench } from '../../stores/bench.ts';

/** What is over on the bench, told on every page; on the bench itself also what still runs. */
const props = defineProps<{ all?: boolean }>();
const bench = useBench();
const { timeLeft } = useTimeLeft();
const shown = computed(() => (props.all ? bench.running : bench.due));
</script>

<template>
  <ul v-if="shown.length > 0" class="timers no-print" :aria-label="m.bench.timers">
    <li
      v-for="timer in shown"
      :key="`${timer.plantId} ${timer.step}`"
      :class="{ due: timer.leftMs <= 0 }"
    >
      <router-link :to="`/plants/${timer.plantId}/bench`">
        <strong>{{ timer.name }}</strong>: {{ timer.label }}
      </router-link>
      <span :role="timer.leftMs <= 0 ? 'alert' : 'timer'">{{
        timer.leftMs <= 0 ? m.bench.over : timeLeft(timer.leftMs)
      }}</span>
      <v-btn
        variant="text"
        :aria-label="m.bench.stopTimer(timer.name, timer.label)"
        @click="bench.stopTimer(timer)"
        >{{ m.bench.stop }}</v-btn
      >
    </li>
  </ul>
</template>

<style scoped>
.timers {
  list-style: none;
  max-width: 1180px;
  margin: 8px auto 0;
  padding: 0 24px;
  display: grid;
  gap: 4px;
}
.timers li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  padding: 2px 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.2);
  border-radius: 10px;
  background: rgb(var(--v-theme-surface));
}
.timers .due {
  border: 2px solid rgb(var(--v-theme-error));
}
</style>
