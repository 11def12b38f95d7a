<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline, mdiPlus } from '@mdi/js';
import { frontCm, supportKind } from '@fernbank/core';
import { computed, ref } from 'vue';
import { api, apiAll, write } from '../../api/client.ts';
import type { ShelfPot, ShelfSupport } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import FormDialog from '../../components/FormDialog.vue';
import NumberField from '../../components/NumberField.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import PotCards from '../../components/shelf/PotCards.vue';
import PotDialog from '../../components/shelf/PotDialog.vue';
import SupportDialog from '../../components/shelf/SupportDialog.vue';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';

/** Everything that repots draw on: pots, cover pots, supports; counted, free, in use, soaking. */
const notices = useNotices();
const { length } = useUnits();
const {
  value: loaded,
  fault,
  load,
} = useLoaded(async () => {
  const [pots, supports, plants] = await Promise.all([
    api('/pots?limit=1000'),
    api('/supports?limit=1000'),
    apiAll('/plants'),
  ]);
  return {
    pots: pots.items.sort((a, b) => (a.fillL ?? 0) - (b.fillL ?? 0)),
    supports: supports.items.sort(
      (a, b) => a.kind.localeCompare(b.kind) || a.lengthCm - b.lengthCm,
    ),
    plants,
  };
});
const ofRole = (role: ShelfPot['role']) =>
  (loaded.value?.pots ?? []).filter((pot) => pot.role === role);
const covers = computed(() => ofRole('cover'));
const groups = computed(() => [
  {
    role: 'pot' as const,
    title: m.shelf.pots,
    add: m.shelf.add,
    empty: m.shelf.empty,
    pots: ofRole('pot'),
  },
  {
    role: 'cover' as const,
    title: m.shelf.covers,
    add: m.shelf.addCover,
    empty: m.shelf.noCovers,
    pots: covers.value,
  },
]);
const inUseBy = ({ id }: ShelfPot) =>
  (loaded.value?.plants ?? [])
    .filter(({ potId, coverId }) => potId === id || coverId === id)
    .map(({ name }) => name);

const potDialog = ref(false);
const coverDialog = ref(false);
const supportDialog = ref(false);
const potEdited = ref<ShelfPot | null>(null);
const supportEdited = ref<ShelfSupport | null>(null);
function editPot(pot: ShelfPot | null, role: ShelfPot['role']): void {
  potEdited.value = pot;
  (role === 'cover' ? coverDialog : potDialog).value = true;
}
function editSupport(support: ShelfSupport | null): void {
  supportEdited.value = support;
  supportDialog.value = true;
}
async function saved(deed: number | null): Promise<void> {
  const told = potEdited.value || supportEdited.value ? m.form.saved : m.shelf.added;
  notices.done(told, { deed, back: load });
  await load();
}

/** A change that can be taken back. */
async function change(path: string, body: object, done: string): Promise<void> {
  try {
    const { deed } = await write(path, { method: 'PATCH', body });
    await load();
    notices.done(done, { deed, back: load });
  } catch (error) {
    notices.fault(error);
  }
}
const clean = ({ id, free, soaking }: ShelfPot) =>
  change(`/pots/${id}`, { free: free + soaking, soaking: 0 }, m.shelf.cleaned);
/** What a quarantined plant left is soaked before any other has it. */
const disinfect = ({ id, soaking, apart }: ShelfPot) =>
  change(`/pots/${id}`, { soaking: soaking + apart, apart: 0 }, m.shelf.disinfected);
const moreOf = ref<ShelfPot | null>(null);
const moreCount = ref<number | null>(1);
async function addMore(): Promise<void> {
  const pot = moreOf.value;
  const n = Math.round(moreCount.value ?? 0);
  if (!pot || n < 1) return;
  moreOf.value = null;
  await change(
    `/pots/${pot.id}`,
    { count: pot.count + n, free: pot.free + n },
    m.shelf.addedMore(n, pot.label),
  );
}

const removal = useRemoval();
const remove = (path: string, { id, rev }: { id: number; rev: number }) =>
  removal({ path: `${path}/${id}`, rev, said: m.shelf.removed, then: load, back: load });
const longest = computed(() =>
  Math.max(1, ...(loaded.value?.supports ?? []).map(({ lengthCm }) => lengthCm)),
);
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.shelf.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <p class="quiet">{{ m.shelf.intro }}</p>
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <template v-if="loaded">
      <section v-for="group in groups" :key="group.role" class="stack">
        <div class="row spread">
          <h2>{{ group.title }}</h2>
          <v-btn
            :color="group.role === 'pot' ? 'primary' : undefined"
            :variant="group.role === 'pot' ? 'flat' : 'outlined'"
            :prepend-icon="mdiPlus"
            @click="editPot(null, group.role)"
            >{{ group.add }}</v-btn
          >
        </div>
        <p v-if="group.pots.length === 0" class="panel">{{ group.empty }}</p>
        <PotCards
          v-else
          :pots="group.pots"
          :covers="covers"
          :in-use-by="inUseBy"
          @edit="(pot) => editPot(pot, group.role)"
          @remove="(pot) => remove('/pots', pot)"
          @clean="clean"
          @disinfect="disinfect"
          @more="(pot) => (moreOf = pot)"
        />
      </section>
      <section class="stack">
        <div class="row spread">
          <h2>{{ m.shelf.supports }}</h2>
          <span class="row">
            <v-btn variant="text" to="/fit/cuts">{{ m.cuts.open }}</v-btn>
            <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="editSupport(null)">{{
              m.shelf.addSupport
            }}</v-btn>
          </span>
        </div>
        <p v-if="loaded.supports.length === 0" class="panel">{{ m.shelf.noSupports }}</p>
        <ul v-else class="panel poles">
          <li v-for="support in loaded.supports" :key="support.id">
            <strong>{{ support.label }}</strong>
            <span class="quiet">
              {{ supportKind(support.kind).label
              }}<template v-if="support.extension">, {{ m.shelf.extensionWord }}</template>
            </span>
            <svg
              role="img"
              :aria-label="`${length(support.lengthCm)}`"
              :viewBox="`0 0 ${longest} 12`"
              preserveAspectRatio="none"
            >
              <rect
                x="0"
                :y="6 - Math.min(12, frontCm(support.section)) / 2"
                :width="support.lengthCm"
                :height="Math.min(12, frontCm(support.section))"
                class="pole"
              />
            </svg>
            <span>{{ length(support.lengthCm) }} × {{ length(frontCm(support.section)) }}</span>
            <span>{{ m.shelf.freeOf(support.free, support.count) }}</span>
            <span class="row">
              <v-btn
                :icon="mdiPencilOutline"
                variant="text"
                size="48"
                :aria-label="m.shelf.edit(support.label)"
                @click="editSupport(support)"
              />
              <v-btn
                :icon="mdiDeleteOutline"
                variant="text"
                size="48"
                :aria-label="`${m.shelf.remove}: ${support.label}`"
                @click="remove('/supports', support)"
              />
            </span>
          </li>
        </ul>
      </section>
    </template>
    <PotDialog v-model="potDialog" :pot="potEdited" role="pot" @saved="saved" />
    <PotDialog v-model="coverDialog" :pot="potEdited" role="cover" @saved="saved" />
    <SupportDialog v-model="supportDialog" :support="supportEdited" @saved="saved" />
    <FormDialog
      :model-value="moreOf !== null"
      :title="m.shelf.moreOf(moreOf?.label ?? '')"
      :save="m.shelf.more"
      :width="380"
      @update:model-value="(open: boolean) => !open && (moreOf = null)"
      @submit="addMore"
    >
      <NumberField v-model="moreCount" :label="m.shelf.count" />
    </FormDialog>
  </div>
</template>

<style scoped>
.poles {
  list-style: none;
  display: grid;
  gap: 4px;
}
.poles li {
  display: grid;
  grid-template-columns: minmax(110px, 1fr) minmax(120px, 1.3fr) minmax(80px, 2fr) 140px 100px auto;
  gap: 12px;
  align-items: center;
}
.poles svg {
  width: 100%;
  height: 24px;
}
.pole {
  fill: #b4976a;
  stroke: #54401f;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
@media (max-width: 800px) {
  .poles li {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 12px;
    padding: 8px 0;
  }
  .poles svg {
    grid-column: 1 / -1;
  }
}
</style>
