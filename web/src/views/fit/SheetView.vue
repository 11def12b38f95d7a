<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import FetchState from '../../components/FetchState.vue';
import BenchSheet from '../../components/fit/BenchSheet.vue';
import { usePlantFit } from '../../composables/usePlantFit.ts';
import { m } from '../../messages/index.ts';

const { id, value: loaded, fault, load } = usePlantFit();
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <template v-if="loaded">
      <div class="row no-print">
        <v-btn variant="outlined" :to="`/plants/${id}/fit`">{{ m.sheet.back }}</v-btn>
        <v-btn
          v-if="loaded.fitting.plan"
          color="primary"
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
