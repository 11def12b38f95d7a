<script setup lang="ts">
import { computed } from 'vue';
import { wantsPot } from '@fernbank/core';
import { api } from '../../api/client.ts';
import type { VerdictSummary } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import PlantPicture from '../../components/cutaway/PlantPicture.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import VerdictMark from '../../components/verdict/VerdictMark.vue';
import { outlineScale } from '../../composables/outlineScale.ts';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { usePortraits } from '../../composables/usePortraits.ts';
import { useVerdicts } from '../../composables/useVerdicts.ts';
import { m } from '../../messages/index.ts';

const portraitOf = usePortraits();
/** Those that are to have another pot come first. */
const { told, fault, load, shown, drawn, more } = useVerdicts(undefined, { first: 'toPot' });
/** Plants whose pot is settled on already. */
const { value: settled } = useLoaded(async () => {
  const { items } = await api('/plans');
  return new Set(items.map(({ plantId }) => plantId));
});
const { day } = useDates();
const toPot = (v: VerdictSummary) => wantsPot({ decision: v, overrule: v.overrule });
const TALL_PX = 110;
const scale = computed(() => outlineScale(shown.value, TALL_PX));
const sections = computed(() =>
  [
    { title: m.fit.chooseIntro, drawn: drawn.value.filter(toPot) },
    { title: m.fit.others, drawn: drawn.value.filter((v) => !toPot(v)) },
  ].filter((section) => section.drawn.length > 0),
);
</script>

<template>
  <div class="page stack">
    <div class="row spread">
      <h1>{{ m.fit.choose }}</h1>
      <v-btn variant="outlined" to="/fit/cuts">{{ m.cuts.open }}</v-btn>
    </div>
    <PlaceTabs of="fit" />
    <FetchState :fault="fault" :loading="!told" @retry="load" />
    <section v-if="told && told.total === 0" class="panel stack">
      <p>{{ m.verdicts.empty }}</p>
      <div>
        <v-btn color="primary" to="/plants/new">{{ m.rounds.addPlant }}</v-btn>
      </div>
    </section>
    <section v-for="section in sections" :key="section.title">
      <h2>{{ section.title }}</h2>
      <ul class="bare bench">
        <li v-for="v in section.drawn" :key="v.plantId">
          <router-link :to="`/plants/${v.plantId}/fit`" class="plain pot">
            <span class="drawn"
              ><PlantPicture :subject="v" :photo="portraitOf(v.plantId)" v-bind="scale"
            /></span>
            <strong>{{ v.name }}</strong>
            <span class="quiet taxon">{{ v.taxon }}</span>
            <VerdictMark :headline="v.headline" :overruled="v.overrule !== null" />
            <span v-if="settled?.has(v.plantId)" class="settled">✓ {{ m.fit.settledMark }}</span>
            <span class="quiet">{{
              v.week && v.headline === 'repotInWindow' ? day(v.week) : ''
            }}</span>
          </router-link>
        </li>
      </ul>
    </section>
    <div v-show="more" ref="end" class="end" aria-hidden="true"></div>
  </div>
</template>

<style scoped>
.end {
  min-height: 1px;
}
.bench {
  display: flex;
  flex-wrap: wrap;
  gap: 18px 14px;
  align-items: flex-start;
  margin-top: 10px;
}
.pot {
  display: grid;
  justify-items: center;
  text-align: center;
  padding: 8px 10px;
  border-radius: 10px;
  min-width: 140px;
}
/* All stand on one line, however tall. */
.drawn {
  height: 120px;
  display: flex;
  align-items: flex-end;
}
.settled {
  color: rgb(var(--v-theme-success));
  font-weight: 700;
}
.pot:hover {
  background: rgb(var(--v-theme-surface));
}
</style>
