<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { VerdictWord } from '@fernbank/core';
import type { VerdictSummary } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import ReadinessRibbon from '../../components/verdict/ReadinessRibbon.vue';
import UnjudgedPanel from '../../components/verdict/UnjudgedPanel.vue';
import VerdictMark from '../../components/verdict/VerdictMark.vue';
import YearRibbons from '../../components/verdict/YearRibbons.vue';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useVerdicts } from '../../composables/useVerdicts.ts';
import { m } from '../../messages/index.ts';

const { day } = useDates();
const { said } = useUnits();
const filter = ref<string | null>('');
const kind = ref<VerdictWord | null>(null);
const spot = ref<string | null>(null);
const as = useLocalStorage<'list' | 'year'>('fernbank.verdicts.as', 'list');
const asked = computed(() => ({ words: filter.value, kind: kind.value, spot: spot.value }));
const { told, fault, load, shown, matching, drawn, more } = useVerdicts(asked);
const kinds = computed(() =>
  (told.value?.kinds ?? []).map((value) => ({ value, title: m.headline[value] })),
);
/** Arrow keys walk the list. */
function walk(event: KeyboardEvent, index: number): void {
  const step = { ArrowDown: 1, j: 1, ArrowUp: -1, k: -1 }[event.key];
  if (!step) return;
  event.preventDefault();
  const list = (event.currentTarget as HTMLElement).closest('ol')!;
  list.querySelectorAll<HTMLElement>('a.entry')[index + step]?.focus();
}
/** The finding that counts most, in few words; of a plant that nothing is known of, why to look. */
function whyOf({ contradictions, headline, lookWhy, reasons }: VerdictSummary): string {
  if (contradictions[0]) return `${m.verdictPage.contradiction}: ${said(contradictions[0])}`;
  if (headline === 'lookFirst') return said(lookWhy);
  const texts = reasons.slice(0, 2).map(({ text }) => said(text));
  return texts.join('; ');
}
function when(summary: VerdictSummary): string {
  if (summary.headline === 'repotInWindow' && summary.week) return day(summary.week);
  return summary.lookAgain ? `${m.rounds.look.toLowerCase()} ${day(summary.lookAgain)}` : '';
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <div>
        <h1>{{ m.verdicts.title }}</h1>
        <p class="quiet">
          {{ m.verdicts.intro }} {{ m.verdicts.ribbon }}.
          <router-link to="/thinking">{{ m.thinking.open }}</router-link>
        </p>
      </div>
      <div class="row" role="group" :aria-label="m.verdicts.title">
        <v-btn
          v-for="(word, value) in { list: m.verdicts.asList, year: m.verdicts.asYear }"
          :key="value"
          :variant="as === value ? 'flat' : 'outlined'"
          :color="as === value ? 'primary' : undefined"
          :aria-pressed="as === value"
          @click="as = value"
          >{{ word }}</v-btn
        >
      </div>
    </header>
    <UnjudgedPanel v-if="told" :plants="told.unjudged" />
    <div v-if="told && told.total > 0" class="filters">
      <v-text-field
        v-model="filter"
        data-search
        :label="m.verdicts.filter"
        clearable
        hide-details
      />
      <v-select
        v-model="kind"
        :items="kinds"
        :label="m.verdicts.kind"
        :placeholder="m.verdicts.allKinds"
        clearable
        hide-details
      />
      <v-select
        v-model="spot"
        :items="told.spots"
        :label="m.verdicts.spot"
        :placeholder="m.verdicts.allSpots"
        clearable
        hide-details
      />
      <span class="quiet" role="status">{{ m.verdicts.count(matching, told.total) }}</span>
    </div>
    <FetchState :fault="fault" :loading="!told" @retry="load" />
    <section v-if="told && told.total === 0" class="panel stack">
      <p>{{ m.verdicts.empty }}</p>
      <div>
        <v-btn color="primary" to="/plants/new">{{ m.rounds.addPlant }}</v-btn>
      </div>
    </section>
    <p v-else-if="told && matching === 0" class="quiet">{{ m.verdicts.none }}</p>
    <YearRibbons v-if="as === 'year' && shown.length > 0" :verdicts="shown" />
    <ol v-else class="bare list">
      <li v-for="(summary, i) in drawn" :key="summary.plantId" v-memo="[summary, i]">
        <router-link
          :to="`/plants/${summary.plantId}/verdict`"
          class="entry plain"
          @keydown="walk($event, i)"
        >
          <div class="who">
            <strong>{{ summary.name }}</strong>
            <div class="quiet">
              <span class="taxon">{{ summary.taxon }}</span> · {{ summary.spot }}
            </div>
          </div>
          <div class="what">
            <VerdictMark :headline="summary.headline" :overruled="summary.overrule !== null" />
            <div class="quiet">{{ when(summary) }}</div>
          </div>
          <div class="why sentence">{{ whyOf(summary) }}</div>
          <ReadinessRibbon :readiness="summary.readiness" :week="summary.week" />
        </router-link>
      </li>
    </ol>
    <div v-show="more" ref="end" class="end" aria-hidden="true"></div>
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
}
.end {
  min-height: 1px;
}
.list {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}
.list li {
  content-visibility: auto;
  contain-intrinsic-block-size: auto 70px;
}
.entry {
  display: grid;
  grid-template-columns: 210px 168px minmax(0, 1fr) 250px;
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
  .filters {
    grid-template-columns: 1fr 1fr;
  }
  .filters > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
