<script setup lang="ts">
import type { Saying } from '@fernbank/core';
import { computed, ref } from 'vue';
import { api } from '../../api/client.ts';
import type { FateKind, Mapping } from '../../api/types.ts';
import ColumnTable from '../../components/keeping/ColumnTable.vue';
import NewSpots from '../../components/keeping/NewSpots.vue';
import QuantityField from '../../components/QuantityField.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { GROUP_ITEMS, useImport } from '../../composables/useImport.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';

const t = m.importing;
const notices = useNotices();
const { lengthUnit, said } = useUnits();
const { value: spots } = useLoaded(() => api('/spots?limit=1000').then(({ items }) => items));
const {
  read,
  mapping,
  preview,
  fault,
  busy,
  judging,
  done,
  rowsToWrite,
  choose,
  changeKind,
  changeColumn,
  run,
  refusedCsv,
  again,
} = useImport();

const over = ref(false);
function taken(files: FileList | null | undefined): void {
  over.value = false;
  const [file] = files ?? [];
  if (file) void choose(file);
}
const spotItems = computed(() => [
  { value: null, title: t.noSpot },
  ...(spots.value ?? []).map(({ id: value, name: title }) => ({ value, title })),
]);
const groupItems = [{ value: null, title: t.noGroup }, ...GROUP_ITEMS];
const sames = Object.entries(t.sames).map(([value, title]) => ({ value, title }));
const kinds = [
  { value: 'collection', title: t.collection },
  { value: 'log', title: t.log },
];
const decimals = [
  { value: '.', title: t.point },
  { value: ',', title: t.comma },
];
function set(more: Partial<Mapping>): void {
  mapping.value = { ...mapping.value!, ...more };
}
/** Of a few species each its own group; of many one for all. */
const MOST_ASKED = 8;
const askedTaxa = computed(() => {
  const told = Object.keys(mapping.value?.groups ?? {});
  return [...new Set([...told, ...(preview.value?.unknownTaxa ?? [])])].slice(0, MOST_ASKED);
});
function setGroup(taxon: string, group: string | null): void {
  const { [taxon]: _before, ...others } = mapping.value!.groups;
  set({ groups: group ? { ...others, [taxon]: group } : others });
}
/** What is assumed of many rows alike is told once, above them. */
const ALIKE = 3;
const common = computed(() => {
  const counted = new Map<string, number>();
  for (const note of preview.value?.fates.flatMap(({ notes }) => notes.map(said)) ?? []) {
    counted.set(note, (counted.get(note) ?? 0) + 1);
  }
  return [...counted].filter(([, rows]) => rows >= ALIKE).map(([note, rows]) => ({ note, rows }));
});
const ownNotes = (notes: readonly Saying[]) =>
  notes
    .map(said)
    .filter((note) => !common.value.some((one) => one.note === note))
    .join('; ');
const ORDER: FateKind[] = ['add', 'update', 'skip', 'refuse'];
async function bringIn(): Promise<void> {
  const deed = await run();
  if (!done.value) return;
  const { add, update } = done.value;
  notices.done(t.done(add, update), { deed, back: () => (done.value = null) });
}
const saveRefused = () => refusedCsv().catch(notices.fault);
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ t.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <section
      class="panel stack drop"
      :class="{ over }"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="taken($event.dataTransfer?.files)"
    >
      <p v-if="!read" class="quiet">{{ t.intro }} {{ t.words }}</p>
      <div class="row">
        <label class="file">
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv,text/plain"
            @change="taken(($event.target as HTMLInputElement).files)"
          />
          <span>{{ read ? t.other : t.choose }}</span>
        </label>
        <span v-if="!read" class="quiet">{{ t.drop }}</span>
        <span v-else role="status">{{
          t.found(
            read.rows,
            read.headings.length,
            read.encoding,
            t.delimiters[read.delimiter] ?? read.delimiter,
          )
        }}</span>
      </div>
      <v-progress-linear v-if="busy" indeterminate color="primary" :aria-label="t.reading" />
      <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
      <p v-if="read && read.notices.length > 0" class="quiet">{{ read.notices.join('; ') }}.</p>
    </section>
    <section v-if="done" class="panel stack" role="status">
      <h2>{{ t.done(done.add, done.update) }}</h2>
      <div>
        <v-btn color="primary" to="/record">{{ t.see }}</v-btn>
      </div>
    </section>
    <template v-else-if="read && mapping">
      <section class="panel stack">
        <h2>{{ t.fates }}</h2>
        <div class="row">
          <span v-for="kind in ORDER" :key="kind" class="count" :class="`to-${kind}`">
            <strong>{{ (preview?.counts[kind] ?? 0).toLocaleString() }}</strong>
            {{ t.counts[kind] }}
          </span>
          <span v-if="judging" class="quiet" role="status">{{ t.judging }}</span>
        </div>
        <NewSpots
          v-if="preview && preview.newSpots.length > 0"
          :names="preview.newSpots"
          :said="mapping.newSpots"
          :latitude="spots?.length === 0 ? mapping.latitudeDeg : undefined"
          @say="(newSpots) => set({ newSpots })"
          @latitude="(latitudeDeg) => set({ latitudeDeg })"
        />
        <p v-if="common.length > 0" class="quiet">
          {{ common.map(({ note, rows }) => t.ofRows(note, rows)).join('; ') }}
        </p>
        <div class="row">
          <v-btn
            color="primary"
            :disabled="rowsToWrite === 0 || judging"
            :loading="busy"
            @click="bringIn"
            >{{ t.run(preview?.counts.add ?? 0, preview?.counts.update ?? 0, mapping.kind) }}</v-btn
          >
          <template v-if="preview && preview.counts.refuse > 0">
            <span>{{ t.leaves(preview.counts.refuse) }}</span>
            <v-btn variant="outlined" @click="saveRefused">{{ t.refusedCsv }}</v-btn>
          </template>
        </div>
        <div v-if="preview && preview.fates.length > 0" class="scroll" tabindex="0">
          <table class="figures">
            <tbody>
              <tr v-for="fate in preview.fates" :key="fate.line">
                <td class="num quiet">{{ t.line }} {{ fate.line }}</td>
                <td>
                  <span :class="`to-${fate.fate}`">{{ t.fate[fate.fate] }}</span>
                </td>
                <td>{{ fate.name }}</td>
                <td>
                  <span v-for="(problem, i) in fate.problems" :key="i" class="problem">
                    <template v-if="problem.column">{{ problem.column }}: </template
                    >{{ problem.message }}
                  </span>
                  <span class="quiet">{{ ownNotes(fate.notes) }}</span>
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="preview.more > 0" class="quiet">{{ t.onlyFirst(preview.more) }}</p>
        </div>
      </section>
      <section class="panel stack">
        <h2>{{ t.open }}</h2>
        <div class="fields">
          <v-select
            :model-value="mapping.kind"
            :items="kinds"
            :label="t.kind"
            @update:model-value="changeKind"
          />
          <v-select
            :model-value="read.encoding"
            :items="[...new Set([read.encoding, ...read.encodings])]"
            :label="t.encoding"
            :hint="t.encodingHint"
            persistent-hint
            @update:model-value="again"
          />
          <v-select
            :model-value="mapping.decimal"
            :items="decimals"
            :label="t.decimal"
            @update:model-value="(decimal) => set({ decimal })"
          />
          <template v-if="mapping.kind === 'collection'">
            <v-select
              :model-value="mapping.same"
              :items="sames"
              :label="t.same"
              @update:model-value="(same) => set({ same })"
            />
            <v-select
              :model-value="mapping.spotId"
              :items="spotItems"
              :label="t.spot"
              @update:model-value="(spotId) => set({ spotId })"
            />
            <QuantityField
              :model-value="mapping.potCm"
              :label="t.potCm(lengthUnit)"
              of="length"
              @update:model-value="(potCm) => set({ potCm })"
            />
            <v-select
              :model-value="mapping.elseGroup"
              :items="groupItems"
              :label="t.group"
              @update:model-value="(elseGroup) => set({ elseGroup })"
            />
            <v-select
              v-for="taxon in askedTaxa"
              :key="taxon"
              :model-value="mapping.groups[taxon] ?? null"
              :items="groupItems"
              :label="t.groupOf(taxon)"
              @update:model-value="(group) => setGroup(taxon, group)"
            />
          </template>
        </div>
      </section>
      <section class="panel stack">
        <h2>{{ t.columns }}</h2>
        <p v-if="read.remembered" class="quiet">{{ t.remembered }}</p>
        <ColumnTable
          :kind="mapping.kind"
          :headings="read.headings"
          :sample="read.sample"
          :columns="mapping.columns"
          :unsure="read.guess.unsureDates"
          @change="changeColumn"
        />
      </section>
    </template>
  </div>
</template>

<style scoped>
.drop.over {
  outline: 3px dashed rgb(var(--v-theme-primary));
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.file span {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  padding: 0 18px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.5);
  border-radius: 8px;
  cursor: pointer;
}
.file input:focus-visible + span {
  outline: 3px solid rgb(var(--v-theme-primary));
}
.count {
  margin-right: 14px;
}
.count strong {
  font-size: 1.3rem;
}
.to-refuse {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}
.scroll {
  max-height: 340px;
  overflow: auto;
}
.problem {
  display: block;
}
td:last-child {
  overflow-wrap: anywhere;
}
@media (max-width: 700px) {
  .scroll tr {
    display: grid;
    grid-template-columns: auto auto 1fr;
    gap: 0 12px;
    padding: 6px 0;
    border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
  }
  .scroll td {
    padding: 0;
    border: 0;
  }
  .scroll td:last-child {
    grid-column: 1 / -1;
  }
}
</style>
