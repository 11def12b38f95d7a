<script setup lang="ts">
import type { Decision } from '@fernbank/core';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What may be wrong with the pot, and whether this is the moment. */
defineProps<{ decision: Decision }>();
const { day } = useDates();
const { percent } = useUnits();
const shareWord = (share: number) =>
  share < 0.005
    ? m.verdictPage.under1
    : share > 0.995
      ? m.verdictPage.over99
      : m.verdictPage.share(percent(share));
</script>

<template>
  <section class="panel">
    <h2>{{ m.verdictPage.states }}</h2>
    <dl class="states">
      <div v-for="(share, state) in decision.states" :key="state">
        <dt>{{ m.state[state] }}</dt>
        <dd>
          <span class="meter"><span :style="{ width: `${share * 100}%` }" /></span>
          <span class="figure">{{ shareWord(share) }}</span>
        </dd>
      </div>
    </dl>
    <h2 class="mt-4">{{ m.verdictPage.timing }}</h2>
    <ul class="bare factors">
      <li v-for="factor in decision.readiness" :key="factor.factor" :class="factor.sense">
        {{ factor.date ? `${factor.text} ${day(factor.date)}` : factor.text }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.states > div {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 12px;
  padding: 5px 0;
  align-items: center;
}
.states dd {
  display: flex;
  gap: 8px;
  align-items: center;
}
.meter {
  flex: 1;
  height: 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  overflow: hidden;
}
.meter span {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
}
.figure {
  width: 3.4em;
  text-align: right;
}
.factors li {
  padding: 3px 0 3px 22px;
  position: relative;
}
.factors li::before {
  position: absolute;
  left: 2px;
  font-weight: 700;
  content: '·';
}
.factors .good::before {
  content: '+';
  color: rgb(var(--v-theme-success));
}
.factors .poor::before {
  content: '−';
  color: rgb(var(--v-theme-error));
}
@media (max-width: 640px) {
  .states > div {
    grid-template-columns: minmax(0, 1fr) 130px;
  }
}
</style>
