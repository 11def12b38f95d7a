<script setup lang="ts">
import type { Reason } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Reasons with their size as bars: to the right they speak for the state, to the left against. */
const props = defineProps<{ reasons: Reason[] }>();
const { said } = useUnits();
const widest = computed(() =>
  Math.max(1, ...props.reasons.map(({ logOdds }) => Math.abs(logOdds))),
);
const MOST_TOLD = 100;
/** How many times as likely it makes its state, or how many times less. */
function timesAsLikely(logOdds: number): string {
  const times = Math.exp(Math.abs(logOdds));
  const figure = times > MOST_TOLD ? `${MOST_TOLD}+` : times.toFixed(times < 9.95 ? 1 : 0);
  return `${logOdds > 0 ? '×' : '÷'}${figure}`;
}
</script>

<template>
  <ul class="bare reasons">
    <li v-for="reason in reasons" :key="`${reason.signal}-${reason.state}`">
      <div class="words">
        {{ said(reason.text) }}
        <small class="quiet">{{ m.state[reason.state].toLowerCase() }}</small>
      </div>
      <div class="size" :title="m.verdictPage.barScale">
        <span class="track">
          <span
            :class="['bar', reason.logOdds > 0 ? 'for' : 'against']"
            :style="{ width: `${(50 * Math.abs(reason.logOdds)) / widest}%` }"
          />
        </span>
        <span class="figure">{{ timesAsLikely(reason.logOdds) }}</span>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.reasons {
  display: grid;
  gap: 2px;
}
.reasons li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.1);
}
.words small {
  display: block;
}
.size {
  display: flex;
  align-items: center;
  gap: 8px;
}
.track {
  position: relative;
  flex: 1;
  height: 12px;
  background: linear-gradient(
    90deg,
    transparent calc(50% - 0.5px),
    rgb(var(--v-theme-on-surface), 0.5) calc(50% - 0.5px) calc(50% + 0.5px),
    transparent calc(50% + 0.5px)
  );
}
.bar {
  position: absolute;
  top: 0;
  bottom: 0;
  border-radius: 2px;
}
.bar.for {
  left: 50%;
  background: rgb(var(--v-theme-primary));
}
.bar.against {
  right: 50%;
  background: rgb(var(--v-theme-secondary));
}
.figure {
  width: 2.6em;
  text-align: right;
}
@media (max-width: 640px) {
  .reasons li {
    grid-template-columns: minmax(0, 1fr) 110px;
  }
}
</style>
