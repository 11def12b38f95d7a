<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client.ts';
import type { Deed } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import DeedLine from '../../components/keeping/DeedLine.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useUndo } from '../../stores/undo.ts';

const route = useRoute();
const notices = useNotices();
const { takeBack } = useUndo();
const h = m.keeping.history;
const plantId = computed(() => Number(route.query.plant) || null);
const older = ref<Deed[]>([]);
const next = ref<number | null>(null);
const address = (before?: number) => {
  const asked = new URLSearchParams({ limit: '40' });
  if (before) asked.set('before', String(before));
  if (plantId.value) asked.set('plantId', String(plantId.value));
  return `/history?${asked.toString()}` as const;
};
const {
  value: page,
  fault,
  load,
} = useLoaded(async () => {
  const got = await api(address());
  older.value = [];
  next.value = got.next;
  return got;
}, [plantId]);
const { value: bin, load: loadBin } = useLoaded(() => api('/bin'));
const deeds = computed(() => [...(page.value?.items ?? []), ...older.value]);
const plantName = computed(
  () =>
    deeds.value.flatMap(({ entries }) => entries).find((one) => one.plantId === plantId.value)
      ?.plant ?? '',
);

async function showOlder(): Promise<void> {
  try {
    const got = await api(address(next.value!));
    older.value = [...older.value, ...got.items];
    next.value = got.next;
  } catch (error) {
    notices.fault(error);
  }
}
async function refresh(): Promise<void> {
  await Promise.all([load(), loadBin()]);
}
/** Taking back is itself a deed, which the line at the foot can take back. */
async function undo(deed: Deed, said: string): Promise<void> {
  try {
    const done = await takeBack(`/history/${deed.id}/undo`);
    if (!done) return;
    notices.done(said, { deed: done.deed, back: refresh });
    await refresh();
  } catch (error) {
    notices.fault(error);
  }
}
const canUndo = (deed: Deed) =>
  deed.undoneBy === null && deed.emptied === null && deed.entries.length > 0;

const leaving = ref<Deed | null>(null);
const nameOf = (deed: Deed) => deed.entries[0]?.name || deed.what;
async function throwAway(): Promise<void> {
  const deed = leaving.value!;
  leaving.value = null;
  try {
    await api(`/bin/${deed.id}`, { method: 'DELETE' });
    notices.done(m.keeping.bin.gone);
    await refresh();
  } catch (error) {
    notices.fault(error);
  }
}
function daysLeft(deed: Deed): number {
  const age = (Date.now() - Date.parse(deed.at)) / 86_400_000;
  return Math.max(0, Math.ceil((bin.value?.days ?? 30) - age));
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.keeping.past }}</h1>
      <PlaceTabs of="record" />
    </header>
    <FetchState :fault="fault" :loading="!page" @retry="load" />
    <section v-if="bin && !plantId" class="panel stack">
      <h2>{{ m.keeping.bin.title }}</h2>
      <p class="quiet">
        {{ bin.items.length > 0 ? m.keeping.bin.intro(bin.days) : m.keeping.bin.none }}
      </p>
      <ul v-if="bin.items.length > 0" class="bare deeds">
        <li v-for="deed in bin.items" :key="deed.id">
          <DeedLine :deed="deed" />
          <div class="acts">
            <span class="quiet">{{ m.keeping.bin.left(daysLeft(deed)) }}</span>
            <v-btn
              color="primary"
              variant="outlined"
              @click="undo(deed, m.keeping.bin.putBackNow)"
              >{{ m.keeping.bin.putBack }}</v-btn
            >
            <v-btn variant="text" @click="leaving = deed">{{ m.keeping.bin.forGood }}</v-btn>
          </div>
        </li>
      </ul>
    </section>
    <section v-if="page" class="panel stack">
      <h2>{{ h.title }}</h2>
      <p v-if="plantId" class="row">
        {{ h.ofPlant(plantName) }}
        <router-link to="/record/past">{{ h.all }}</router-link>
      </p>
      <p v-else class="quiet">{{ deeds.length > 0 ? h.intro : h.none }}</p>
      <ol class="bare deeds">
        <li v-for="deed in deeds" :key="deed.id">
          <DeedLine :deed="deed" />
          <div class="acts">
            <v-btn
              v-if="canUndo(deed)"
              variant="outlined"
              @click="undo(deed, deed.kind === 'undo' ? h.redoneNow : h.undoneNow)"
              >{{ deed.kind === 'undo' ? h.redo : h.undo }}</v-btn
            >
          </div>
        </li>
      </ol>
      <div v-if="next !== null">
        <v-btn variant="outlined" @click="showOlder">{{ h.older }}</v-btn>
      </div>
    </section>
    <v-dialog :model-value="leaving !== null" max-width="480" @update:model-value="leaving = null">
      <v-card v-if="leaving" class="sure stack">
        <h2>{{ m.keeping.bin.forGood }}</h2>
        <p>{{ m.keeping.bin.sure(nameOf(leaving)) }}</p>
        <div class="row">
          <v-btn color="error" @click="throwAway">{{ m.keeping.bin.forGood }}</v-btn>
          <v-btn variant="text" @click="leaving = null">{{ m.app.cancel }}</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </div>
</template>

<style scoped>
.deeds > li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 14px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: end;
}
.sure {
  padding: 20px;
}
@media (max-width: 700px) {
  .deeds > li {
    grid-template-columns: 1fr;
  }
  .acts {
    justify-content: start;
  }
}
</style>
