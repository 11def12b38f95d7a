<script setup lang="ts">
import { FRESH_CM, type GrownSchool } from '@fernbank/core';
import { computed } from 'vue';
import type { Fit } from '../../composables/useFit.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What a plant that has grown hard can still be given, and what each way makes of it. */
const props = defineProps<{ fit: Fit }>();
const emit = defineEmits<{ planCutting: [] }>();

const { length, percent, number, said } = useUnits();
const { day } = useDates();
const choices = computed(() => props.fit.choices);

/** A school sets the kind: damp for what is still to grow, plain otherwise. */
function takeSchool(school: GrownSchool): void {
  choices.value.school = school;
  choices.value.kind = school === 'fromNow' ? 'mossSheet' : 'stake';
  choices.value.lengthCm = null;
}
</script>

<template>
  <div>
    <h3>{{ m.fit.support.grown }}</h3>
    <p class="quiet small">{{ m.fit.support.grownWhy(length(FRESH_CM)) }}</p>
    <ul class="bare schools">
      <li v-for="outcome in fit.grown.value" :key="outcome.school">
        <strong>{{ outcome.label }}</strong>
        <span
          class="bar"
          role="img"
          :aria-label="m.fit.support.usableOf(percent(outcome.usable.share))"
        >
          <span :style="{ width: `${100 * outcome.usable.share}%` }"></span>
        </span>
        <span class="num">{{ m.fit.support.usableOf(percent(outcome.usable.share)) }}</span>
        <v-btn
          variant="outlined"
          :aria-pressed="choices.school === outcome.school"
          :aria-label="`${m.fit.support.takeSchool}: ${outcome.label}`"
          @click="takeSchool(outcome.school)"
          >{{
            choices.school === outcome.school ? `✓ ${m.fit.chosen}` : m.fit.support.takeSchool
          }}</v-btn
        >
        <span>
          {{ said(outcome.gives) }};
          {{ m.fit.support.minutesAWeek(number(outcome.minutesPerWeek, 0))
          }}<template v-if="outcome.usedUp"
            >; {{ m.fit.support.usedUp(day(outcome.usedUp)) }}</template
          ><template v-if="outcome.caughtUp"
            >; {{ m.fit.support.caughtUp(day(outcome.caughtUp)) }}</template
          >
        </span>
      </li>
    </ul>
    <p v-if="choices.school === 'restart'" class="row">
      <span>{{ m.fit.support.cuttingToo }}</span>
      <v-btn variant="outlined" @click="emit('planCutting')">{{ m.tray.planCutting }}</v-btn>
    </p>
  </div>
</template>

<style scoped>
.schools {
  display: grid;
  gap: 10px;
  margin-top: 6px;
}
.schools li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 120px auto auto;
  gap: 2px 12px;
  align-items: center;
}
.schools li > span:last-child {
  grid-column: 1 / -1;
}
.bar {
  height: 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.5);
  border-radius: 3px;
  overflow: hidden;
}
.bar > span {
  display: block;
  height: 100%;
  background: #7d9446;
}
@media (max-width: 800px) {
  .schools li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .bar {
    display: none;
  }
}
</style>
