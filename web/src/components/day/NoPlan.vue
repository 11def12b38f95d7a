<script setup lang="ts">
import { m } from '../../messages/index.ts';
import { useDay } from '../../stores/day.ts';
import FetchState from '../FetchState.vue';

/** What stands in for a room of the day while there is no plan. */
const store = useDay();
</script>

<template>
  <FetchState :fault="store.fault" :loading="!store.loaded" @retry="store.load" />
  <template v-if="store.loaded">
    <p v-if="store.searching" class="panel" role="status" aria-busy="true">
      {{ m.day.searching(store.progress.seconds.toFixed(1)) }}
    </p>
    <section v-else class="panel stack">
      <p>{{ m.day.noPlan }}</p>
      <div>
        <v-btn color="primary" to="/day">{{ m.day.toPlan }}</v-btn>
      </div>
    </section>
  </template>
</template>
