<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import { computed, watch } from 'vue';
import { api } from '../../api/client.ts';
import PlaceTabs from '../../components/PlaceTabs.vue';
import NoPlan from '../../components/day/NoPlan.vue';
import FetchState from '../../components/FetchState.vue';
import BenchSheet from '../../components/fit/BenchSheet.vue';
import { useDayPlan } from '../../composables/useDayPlan.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';

/** Bench sheets of a settled day, a page each, in its order. */
const { laid, isSettled } = useDayPlan();
const {
  value: sheets,
  fault,
  load,
} = useLoaded(async () => {
  const lines = isSettled.value ? (laid.value?.lines ?? []) : [];
  return Promise.all(
    lines.map(async ({ plant }) => {
      const [file, fitting] = await Promise.all([
        api(`/plants/${plant}/file`),
        api(`/plants/${plant}/fitting`),
      ]);
      return { file, fitting };
    }),
  );
});
watch([laid, isSettled], load);
/** What each takes out of the tub of its batch, litres. A mound is wrapped, not poured. */
const fromTubL = computed(
  () =>
    new Map(
      (laid.value?.batches ?? []).flatMap(({ pots }) =>
        pots.filter(({ mound }) => !mound).map(({ plant, filledL }) => [plant, filledL]),
      ),
    ),
);
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <header class="row spread no-print">
      <h1>{{ m.day.sheets }}</h1>
      <v-btn
        v-if="sheets && sheets.length > 0"
        color="primary"
        min-height="48"
        :prepend-icon="mdiPrinter"
        @click="print"
        >{{ m.day.print }}</v-btn
      >
    </header>
    <PlaceTabs of="day" />
    <p class="quiet no-print">{{ m.day.sheetsIntro }}</p>
    <NoPlan v-if="!laid" />
    <p v-else-if="!isSettled" class="panel">{{ m.day.notSettled }}</p>
    <template v-else>
      <FetchState :fault="fault" :loading="!sheets" @retry="load" />
      <div v-for="sheet in sheets ?? []" :key="sheet.file.plant.id" class="sheet-page">
        <BenchSheet
          v-if="sheet.fitting.plan"
          :loaded="sheet"
          :from-tub-l="fromTubL.get(sheet.file.plant.id)"
        />
        <p v-else class="panel no-print">{{ sheet.file.plant.name }}: ✓ {{ m.day.potDone }}</p>
      </div>
    </template>
  </div>
</template>

<style scoped>
@media print {
  .sheet-page:not(:last-child) {
    break-after: page;
  }
  .page {
    display: block;
  }
}
</style>
