<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import { api, apiAll } from '../../api/client.ts';
import type { OverWater, Plant } from '../../api/types.ts';
import PlaceTabs from '../../components/PlaceTabs.vue';
import FetchState from '../../components/FetchState.vue';
import ReservoirCard from '../../components/water/ReservoirCard.vue';
import WaterDialog from '../../components/water/WaterDialog.vue';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';

/** Plants over water, those that ask for something first. */
const { value, fault, load } = useLoaded(async () => {
  const [over, plants, pots] = await Promise.all([
    api('/reservoirs'),
    apiAll('/plants'),
    api('/pots?limit=1000'),
  ]);
  return {
    over: over.items,
    plants,
    covers: pots.items.filter(({ role }) => role === 'cover'),
  };
});
/** Those in pebbles are most likely meant. */
const without = computed(() => {
  const { over = [], plants = [] } = value.value ?? {};
  const pebbles = ({ mediumKind }: Plant) => Number(mediumKind === 'pebbles');
  return plants
    .filter(({ id }) => !over.some(({ plantId }) => plantId === id))
    .sort((a, b) => pebbles(b) - pebbles(a) || a.name.localeCompare(b.name));
});
const dialog = ref(false);
const changed = ref<OverWater | null>(null);
function edit(over: OverWater | null): void {
  changed.value = over;
  dialog.value = true;
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.water.title }}</h1>
      <PlaceTabs of="aftercare" />
    </header>
    <div class="row spread">
      <p class="quiet">{{ m.water.intro }}</p>
      <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="edit(null)">{{
        m.water.add
      }}</v-btn>
    </div>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <template v-if="value">
      <p v-if="value.over.length === 0" class="panel">{{ m.water.empty }}</p>
      <div class="cards">
        <ReservoirCard
          v-for="over in value.over"
          :key="over.plantId"
          :over="over"
          titled
          @noted="load"
          @change="edit(over)"
        />
      </div>
      <WaterDialog
        v-model="dialog"
        :changed="changed"
        :plants="without"
        :covers="value.covers"
        @saved="load"
      />
    </template>
  </div>
</template>
