<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import { ref } from 'vue';
import { useRoute } from 'vue-router';
import { api, apiAll } from '../../api/client.ts';
import type { TrayBatch } from '../../api/types.ts';
import PlaceTabs from '../../components/PlaceTabs.vue';
import FetchState from '../../components/FetchState.vue';
import BatchCard from '../../components/tray/BatchCard.vue';
import BatchDialog from '../../components/tray/BatchDialog.vue';
import BatchLookDialog from '../../components/tray/BatchLookDialog.vue';
import PotOnDialog from '../../components/tray/PotOnDialog.vue';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';

/** The propagation tray: what is being started, and when it gets a pot of its own. */
const { query } = useRoute();
const { value, fault, load } = useLoaded(async () => {
  const [batches, plants, spots, pots] = await Promise.all([
    api('/batches/tray'),
    apiAll('/plants'),
    api('/spots?limit=1000'),
    api('/pots?limit=1000'),
  ]);
  return {
    batches: batches.items,
    plants,
    spots: spots.items,
    pots: pots.items,
  };
});
/** The plant that a batch is started from, where the way here named one. */
const parentId = query.from ? Number(query.from) : null;
const starting = ref(parentId !== null);
const looking = ref(false);
const potting = ref(false);
const at = ref<TrayBatch | null>(null);
const editing = ref<TrayBatch | null>(null);
function edit(batch: TrayBatch | null): void {
  editing.value = batch;
  starting.value = true;
}
function look(batch: TrayBatch): void {
  at.value = batch;
  looking.value = true;
}
function potOn(batch: TrayBatch): void {
  at.value = batch;
  potting.value = true;
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.tray.title }}</h1>
      <PlaceTabs of="aftercare" />
    </header>
    <div class="row spread">
      <p class="quiet">{{ m.tray.intro }}</p>
      <v-btn color="primary" :prepend-icon="mdiPlus" @click="edit(null)">{{ m.tray.start }}</v-btn>
    </div>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <template v-if="value">
      <p v-if="value.batches.length === 0" class="panel">{{ m.tray.empty }}</p>
      <div class="cards">
        <BatchCard
          v-for="batch in value.batches"
          :key="batch.id"
          :batch="batch"
          :spots="value.spots"
          @look="look(batch)"
          @edit="edit(batch)"
          @pot-on="potOn(batch)"
          @changed="load"
        />
      </div>
      <BatchDialog
        v-model="starting"
        :plants="value.plants"
        :spots="value.spots"
        :parent-id="parentId"
        :changed="editing"
        @saved="load"
      />
      <template v-if="at">
        <BatchLookDialog v-model="looking" :batch="at" @saved="load" />
        <PotOnDialog
          v-model="potting"
          :batch="at"
          :pots="value.pots"
          :spots="value.spots"
          @saved="load"
        />
      </template>
    </template>
  </div>
</template>
