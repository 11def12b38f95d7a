<script setup lang="ts">
import type { LaidDay } from '@fernbank/core';
import { computed } from 'vue';
import { useDates } from '../../composables/useDates.ts';
import { SAME_COST } from '../../messages/cost.ts';
import { m } from '../../messages/index.ts';

/** What the plan is worth, beside the one made by hand, and how much better any could be. */
const props = defineProps<{
  laid: LaidDay;
  nextChance: string;
  searching: boolean;
  progress: { seconds: number; bound: number | null };
}>();
defineEmits<{ stop: [] }>();
const { full, day } = useDates();
const better = computed(() => props.laid.worth - props.laid.greedy.worth);
const bound = computed(() => props.laid.bound ?? props.progress.bound);
const howFar = computed(() => {
  if (props.laid.proven) return m.day.proven;
  if (bound.value === null) return m.day.notBounded;
  const gap = Math.max(0, bound.value - props.laid.worth) / Math.max(bound.value, 1e-9);
  return m.day.within((100 * gap).toFixed(gap < 0.1 ? 1 : 0));
});
</script>

<template>
  <section class="panel stack" aria-live="polite">
    <h2 class="answer">{{ m.day.answer(laid.lines.length, laid.worth) }}</h2>
    <p>
      {{ howFar }}
      <span class="quiet">{{ m.day.answerWhy(full(nextChance)) }}</span>
    </p>
    <p>
      {{ m.day.byHand(laid.greedy.plants, laid.greedy.worth) }}
      <strong>{{ better > SAME_COST ? m.day.better(better) : m.day.asGood }}</strong>
    </p>
    <p
      v-for="{ minutes, date } in laid.over
        .map((minutes, i) => ({ minutes, date: laid.dates[i]!.date }))
        .filter((one) => one.minutes > 1)"
      :key="date"
      class="caution"
    >
      {{ m.day.over(day(date), minutes) }}
    </p>
    <div v-if="searching" class="row">
      <v-progress-linear
        indeterminate
        color="primary"
        height="6"
        rounded
        class="bar"
        :aria-label="m.day.planning"
      />
      <span role="status">{{ m.day.searching(progress.seconds.toFixed(1)) }}</span>
      <v-btn variant="outlined" @click="$emit('stop')">{{ m.day.stop }}</v-btn>
    </div>
  </section>
</template>

<style scoped>
.answer {
  font-size: clamp(1.3rem, 1.1rem + 1vw, 1.7rem);
}
.bar {
  flex: 1 1 160px;
}
</style>
