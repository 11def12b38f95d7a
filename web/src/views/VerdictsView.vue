<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '../api/client.ts';
import type { VerdictSummary } from '../api/types.ts';
import FetchState from '../components/FetchState.vue';
import ReadinessRibbon from '../components/ReadinessRibbon.vue';
import VerdictMark from '../components/VerdictMark.vue';
import { useDates } from '../composables/useDates.ts';
import { useLoaded } from '../composables/useLoaded.ts';
import { m } from '../messages/index.ts';

const {
  value: verdicts,
  fault,
  load,
} = useLoaded(() => api<{ items: VerdictSummary[] }>('/verdicts').then(({ items }) => items));
const { day } = useDates();
const filter = ref('');
const shown = computed(() => {
  const words = filter.value.toLowerCase().split(/\s+/).filter(Boolean);
  return (verdicts.value ?? []).filter(({ name, taxon, common, spot }) => {
    const text = `${name} ${taxon} ${common} ${spot}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
});
function when(summary: VerdictSummary): string {
  if (summary.verdict === 'repotInWeek' && summary.week) return day(summary.week);
  return summary.lookAgain ? `${m.rounds.look.toLowerCase()} ${day(summary.lookAgain)}` : '';
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <div>
        <h1>{{ m.verdicts.title }}</h1>
        <p class="quiet">{{ m.verdicts.intro }} {{ m.verdicts.ribbon }}.</p>
      </div>
      <v-text-field v-model="filter" :label="m.verdicts.filter" class="filter" clearable />
    </header>
    <FetchState :fault="fault" :loading="!verdicts" @retry="load" />
    <section v-if="verdicts && verdicts.length === 0" class="panel stack">
      <p>{{ m.verdicts.empty }}</p>
      <div>
        <v-btn color="primary" to="/plants/new">{{ m.rounds.addPlant }}</v-btn>
      </div>
    </section>
    <p v-else-if="verdicts && shown.length === 0" class="quiet">{{ m.verdicts.none }}</p>
    <ol class="list">
      <li v-for="summary in shown" :key="summary.plantId">
        <router-link :to="`/plants/${summary.plantId}/verdict`" class="entry plain">
          <div class="who">
            <strong>{{ summary.name }}</strong>
            <div class="quiet">
              <span class="taxon">{{ summary.taxon }}</span> · {{ summary.spot }}
            </div>
          </div>
          <div class="what">
            <VerdictMark :verdict="summary.verdict" :look-first="summary.lookFirst" />
            <div class="quiet">{{ when(summary) }}</div>
          </div>
          <div class="why">
            {{
              summary.contradictions[0]
                ? m.verdictPage.contradiction + ': ' + summary.contradictions[0]
                : summary.reasons
                    .slice(0, 2)
                    .map(({ text }) => text)
                    .join('; ')
            }}
          </div>
          <ReadinessRibbon :readiness="summary.readiness" :week="summary.week" />
        </router-link>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.filter {
  max-width: 320px;
  min-width: 240px;
}
.list {
  list-style: none;
  padding: 0;
  display: grid;
}
.entry {
  display: grid;
  grid-template-columns: 210px 150px minmax(0, 1fr) 250px;
  gap: 16px;
  align-items: center;
  padding: 9px 10px;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.13);
}
.entry:hover {
  background: rgb(var(--v-theme-surface));
}
.why {
  font-size: 0.95rem;
}
@media (max-width: 960px) {
  .entry {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 12px;
  }
  .why,
  .entry > .band {
    grid-column: 1 / -1;
  }
  .what {
    text-align: right;
  }
  .filter {
    max-width: none;
    width: 100%;
  }
}
</style>
