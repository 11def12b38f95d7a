<script setup lang="ts">
import { ref } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../api/client.ts';
import type { Fitting, PlantFile } from '../api/types.ts';
import FetchState from '../components/FetchState.vue';
import FitBench from '../components/fit/FitBench.vue';
import PlantHeader from '../components/PlantHeader.vue';
import { useLoaded } from '../composables/useLoaded.ts';

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
const scoopL = ref<number | null | undefined>(undefined);
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <template v-if="loaded">
      <PlantHeader :file="loaded.file" at="fit" />
      <FitBench v-model:scoop-l="scoopL" :loaded="loaded" />
    </template>
  </div>
</template>
