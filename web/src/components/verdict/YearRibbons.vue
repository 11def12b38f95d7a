<script setup lang="ts">
import { daysBetween } from '@fernbank/core';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { VerdictSummary } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';
import { inUtc, monthsAhead } from '../../composables/monthsAhead.ts';
import { useSettings } from '../../stores/settings.ts';
import VerdictMark from './VerdictMark.vue';

/** The coming year of the whole collection on one screen: windows, blooms, best weeks. */
const props = defineProps<{ verdicts: VerdictSummary[] }>();
const settings = useSettings();
const router = useRouter();
const { day } = useDates();

const WEEKS = 52;
const OPEN = 0.5;
const monthWord = new Intl.DateTimeFormat(undefined, { month: 'short', timeZone: 'UTC' });
const months = computed(() =>
  monthsAhead(settings.current.today)
    .map(({ weeks, first }) => ({ x: weeks, word: monthWord.format(inUtc(first)) }))
    .filter(({ x }) => x < WEEKS - 1),
);

/** Weeks in a row in which the plant may be disturbed. */
function windows(readiness: number[]): { from: number; weeks: number }[] {
  const found: { from: number; weeks: number }[] = [];
  readiness.slice(0, WEEKS).forEach((share, week) => {
    const last = found[found.length - 1];
    if (share < OPEN) return;
    if (last && last.from + last.weeks === week) last.weeks += 1;
    else found.push({ from: week, weeks: 1 });
  });
  return found;
}
const rows = computed(() =>
  props.verdicts.map((summary) => {
    const now = summary.headline === 'rescueNow' || summary.headline === 'repotNow';
    const best = summary.week
      ? Math.round(daysBetween(settings.current.today, summary.week) / 7)
      : null;
    return {
      summary,
      windows: windows(summary.readiness),
      bloom: Math.min(WEEKS, summary.bloom),
      best: now ? 0 : best !== null && best < WEEKS ? Math.max(0, best) : null,
    };
  }),
);
const share = (weeks: number) => `${(100 * weeks) / WEEKS}%`;

/** Arrow keys walk the rows. */
function walk(event: KeyboardEvent, index: number): void {
  const step = { ArrowDown: 1, j: 1, ArrowUp: -1, k: -1 }[event.key];
  if (event.key === 'Enter') {
    void router.push(`/plants/${rows.value[index]!.summary.plantId}/verdict`);
  } else if (step) {
    event.preventDefault();
    const links = (event.currentTarget as HTMLElement).parentElement!.parentElement!;
    links.querySelectorAll<HTMLElement>('.row-link')[index + step]?.focus();
  }
}
</script>

<template>
  <ul class="bare key" aria-hidden="true">
    <li class="window">{{ m.verdicts.key.window }}</li>
    <li class="bloom">{{ m.verdicts.key.bloom }}</li>
    <li class="best">{{ m.verdicts.key.best }}</li>
    <li class="quiet">{{ m.verdicts.keys }}</li>
  </ul>
  <div class="year" :style="{ '--plants': verdicts.length }">
    <div class="line head" aria-hidden="true">
      <span></span><span></span>
      <div class="track">
        <span v-for="month in months" :key="month.x" :style="{ left: share(month.x) }">{{
          month.word
        }}</span>
      </div>
    </div>
    <ol class="bare">
      <li v-for="({ summary, windows: open, bloom, best }, i) in rows" :key="summary.plantId">
        <router-link
          :to="`/plants/${summary.plantId}/verdict`"
          class="plain line row-link"
          @keydown="walk($event, i)"
        >
          <span class="name" :title="`${summary.taxon}, ${summary.spot}`">{{ summary.name }}</span>
          <VerdictMark
            class="verdict"
            :headline="summary.headline"
            :overruled="summary.overrule !== null"
          />
          <span class="track">
            <span
              v-for="window in open"
              :key="window.from"
              class="window"
              :style="{ left: share(window.from), width: share(window.weeks) }"
            />
            <span v-if="bloom > 0" class="bloom" :style="{ left: 0, width: share(bloom) }" />
            <span v-if="best !== null" class="best" :style="{ left: share(best) }">
              <span class="week">{{ summary.week ? day(summary.week) : '' }}</span>
            </span>
          </span>
        </router-link>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  font-size: 0.9rem;
}
.key li::before {
  content: '';
  display: inline-block;
  width: 22px;
  height: 11px;
  margin-right: 6px;
  vertical-align: -0.05em;
}
.key li.quiet::before {
  display: none;
}
.key .window::before,
.track .window {
  background: rgb(var(--v-theme-accent), 0.75);
}
.key .bloom::before,
.track .bloom {
  background: repeating-linear-gradient(
    115deg,
    rgb(var(--v-theme-primary), 0.6) 0 3px,
    transparent 3px 6px
  );
}
.key .best::before {
  width: 4px;
  background: rgb(var(--v-theme-primary));
}
.line {
  display: grid;
  grid-template-columns: 150px 170px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  /* As many rows as there are plants, on one screen where that can still be read. */
  height: clamp(15px, calc((100vh - 290px) / var(--plants)), 25px);
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.1);
  font-size: clamp(0.72rem, calc((100vh - 290px) / var(--plants) * 0.62), 0.95rem);
}
.line.head {
  border: 0;
  font-size: 0.8rem;
  height: 20px;
}
a.line:hover,
a.line:focus {
  background: rgb(var(--v-theme-surface));
}
.name {
  font-weight: 700;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.track {
  position: relative;
  height: 78%;
  background: rgb(var(--v-theme-on-surface), 0.06);
}
.head .track {
  background: none;
}
.head .track span {
  position: absolute;
  border-left: 1px solid rgb(var(--v-theme-on-surface), 0.5);
  padding-left: 3px;
}
.track .window,
.track .bloom,
.track .best {
  position: absolute;
  top: 0;
  bottom: 0;
}
.track .best {
  width: 4px;
  background: rgb(var(--v-theme-primary));
}
.week {
  position: absolute;
  left: 7px;
  top: -1px;
  font-size: 0.76rem;
  font-weight: 700;
  white-space: nowrap;
}
@media (max-width: 960px) {
  .line {
    grid-template-columns: 110px minmax(0, 1fr);
    height: 48px;
  }
  .line > .verdict,
  .line.head > span:first-child {
    display: none;
  }
}
</style>
