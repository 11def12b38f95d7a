<script setup lang="ts">
import { useRoute } from 'vue-router';
import { api } from '../api/client.ts';
import type { Fitting, PlantFile } from '../api/types.ts';
import BenchSteps from '../components/bench/BenchSteps.vue';
import TimerBar from '../components/bench/TimerBar.vue';
import FetchState from '../components/FetchState.vue';
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
</script>

<template>
  <TimerBar all />
  <div class="page stack">
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <BenchSteps v-if="loaded" :loaded="loaded" />
  </div>
</template>
