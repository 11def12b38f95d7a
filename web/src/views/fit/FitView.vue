<script setup lang="ts">
import { ref } from 'vue';
import FetchState from '../../components/FetchState.vue';
import FitBench from '../../components/fit/FitBench.vue';
import PlantHeader from '../../components/plant/PlantHeader.vue';
import { usePlantFit } from '../../composables/usePlantFit.ts';

const { value: loaded, fault, load } = usePlantFit();
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
