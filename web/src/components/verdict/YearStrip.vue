<script setup lang="ts">
import { addDays, daysBetween, mondayOf, type Decision, type IsoDate } from '@fernbank/core';
import { computed } from 'vue';
import { inUtc, monthsAhead } from '../../composables/monthsAhead.ts';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';

/** The year from now: when it may be disturbed, the weeks that cost hardly more, and the best of them. */
const props = defineProps<{
  decision: Pick<Decision, 'window' | 'curves'>;
  /** today, or the day that is asked about */
  date: IsoDate;
}>();
const { day } = useDates();
const WEEKS = 52;
const monthWord = new Intl.DateTimeFormat(undefined, { month: 'short', timeZone: 'UTC' });
const share = (weeks: number) => `${(100 * weeks) / WEEKS}%`;

const weekOf = (monday: IsoDate) =>
  Math.min(WEEKS, Math.max(0, daysBetween(mondayOf(props.date), monday) / 7));
/** Weeks in a row in which its keeper's school lets it be disturbed. */
const seasons = computed(() => {
  const found: { from: number; weeks: number }[] = [];
  props.decision.curves.open.slice(0, WEEKS).forEach((open, week) => {
    const last = found.at(-1);
    if (open && last && last.from + last.weeks === week) last.weeks += 1;
    else if (open) found.push({ from: week, weeks: 1 });
  });
  return found;
});
const window = computed(() => {
  const span = props.decision.window;
  if (!span) return null;
  const from = weekOf(span.from);
  return { from, weeks: weekOf(addDays(span.to, 7)) - from, best: weekOf(span.best) };
});
const months = computed(() =>
  monthsAhead(props.date)
    .map(({ weeks, first }) => ({ at: weeks, word: monthWord.format(inUtc(first)) }))
    .filter(({ at }) => at < WEEKS - 2),
);
const told = computed(() => {
  const span = props.decision.window;
  return span
    ? m.verdictPage.strip(day(span.from), day(addDays(span.to, 6)), day(span.best))
    : m.verdictPage.stripEmpty;
});
</script>

<template>
  <div class="strip">
    <div class="year" role="img" :aria-label="told">
      <span
        v-for="season in seasons"
        :key="season.from"
        class="season"
        :style="{ left: share(season.from), width: share(season.weeks) }"
      />
      <template v-if="window">
        <span class="window" :style="{ left: share(window.from), width: share(window.weeks) }" />
        <span class="best" :style="{ left: share(window.best + 0.5) }" />
      </template>
    </div>
    <div class="months" aria-hidden="true">
      <span v-for="{ at, word } in months" :key="at" :style="{ left: share(at) }">{{ word }}</span>
    </div>
    <p class="key small quiet">
      <span><i class="season" /> {{ m.verdictPage.stripSeason }}</span>
      <span v-if="window"><i class="window" /> {{ m.verdictPage.stripWindow }}</span>
      <span v-if="window"><i class="best" /> {{ m.verdictPage.stripBest }}</span>
    </p>
  </div>
</template>

<style scoped>
.strip {
  max-width: 720px;
}
.year {
  position: relative;
  height: 26px;
  border-radius: 6px;
  background: rgb(var(--v-theme-on-surface), 0.07);
  overflow: hidden;
}
.year span {
  position: absolute;
  top: 0;
  bottom: 0;
}
.season {
  background: rgb(var(--v-theme-accent), 0.34);
}
.window {
  background: rgb(var(--v-theme-accent));
}
.best {
  width: 4px;
  margin-left: -2px;
  background: rgb(var(--v-theme-primary));
}
.months {
  position: relative;
  height: 1.3em;
  font-size: 0.78rem;
}
.months span {
  position: absolute;
  border-left: 1px solid rgb(var(--v-theme-on-surface), 0.5);
  padding-left: 3px;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
.key i {
  display: inline-block;
  width: 16px;
  height: 10px;
  vertical-align: middle;
  border-radius: 2px;
}
.key i.best {
  width: 4px;
  height: 14px;
  margin: 0;
}
</style>
