<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import { useRoute } from 'vue-router';
import { api } from '../api/client.ts';
import type { Fitting, PlantFile } from '../api/types.ts';
import FetchState from '../components/FetchState.vue';
import BenchSheet from '../components/fit/BenchSheet.vue';
import { useLoaded } from '../composables/useLoaded.ts';
import { m } from '../messages/index.ts';

const route = useRoute();
const id = Number(route.params.id);
const {
  value: loaded,
  fault,
  load,
} = useLoaded(async () => {
  const [file, fitting] = await Promise.all([
    api<PlantFile>(`/plants/${id}/file`),
    api<Fitting>(`/plants/${id}/fitting`),
  ]);
  return { file, fitting };
});
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <template v-if="loaded">
      <div class="row no-print">
        <v-btn variant="outlined" min-height="48" :to="`/plants/${id}/fit`">{{
          m.sheet.back
        }}</v-btn>
        <v-btn
          v-if="loaded.fitting.plan"
          color="primary"
          min-height="48"
          :prepend-icon="mdiPrinter"
          @click="print"
          >{{ m.sheet.print }}</v-btn
        >
      </div>
      <BenchSheet v-if="loaded.fitting.plan" :loaded="loaded" />
      <p v-else class="panel">{{ m.sheet.noPlan }}</p>
    </template>
  </div>
</template>
