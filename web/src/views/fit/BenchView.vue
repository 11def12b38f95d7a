<script setup lang="ts">
import BenchSteps from '../../components/bench/BenchSteps.vue';
import TimerBar from '../../components/bench/TimerBar.vue';
import FetchState from '../../components/FetchState.vue';
import { usePlantFit } from '../../composables/usePlantFit.ts';

const { value: loaded, fault, load } = usePlantFit();
</script>

<template>
  <TimerBar all />
  <div class="page stack">
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <BenchSteps v-if="loaded" :loaded="loaded" />
  </div>
</template>
