<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import {
  listedParts,
  agedInPot,
  blend,
  checkParts,
  mediumLife,
  mixFigures,
  mixInPot,
  partsOf,
  swapPlace,
  type Component,
  type Part,
  type RecipeExtras,
  type RecipePart,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, wordsFor, write } from '../../api/client.ts';
import type { RecipeVersion } from '../../api/types.ts';
import AgeingPanel from '../../components/mix/AgeingPanel.vue';
import BuysPanel from '../../components/mix/BuysPanel.vue';
import ExtrasFields from '../../components/mix/ExtrasFields.vue';
import FiguresTable from '../../components/mix/FiguresTable.vue';
import MixColumns from '../../components/mix/MixColumns.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import PartsEditor from '../../components/mix/PartsEditor.vue';
import PlaceFields from '../../components/mix/PlaceFields.vue';
import SwapDialog from '../../components/mix/SwapDialog.vue';
import { useDates } from '../../composables/useDates.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { usePlace } from '../../composables/usePlace.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';

/** One recipe: its parts are turned, the column follows; what is saved becomes its next version. */
const route = useRoute();
const router = useRouter();
const store = usePantry();
const notices = useNotices();
const { day } = useDates();
const at = usePlace();
const { place } = at;
const id = String(route.params.id);
const isNew = id === 'new';
const saved = computed(() => store.recipes.find((row) => row.id === id) ?? null);
/** A design or a copy arrives with its parts in the address. */
const brought = computed((): RecipePart[] =>
  String(route.query.parts ?? '')
    .split(',')
    .map((part) => part.split(':'))
    .filter(([component, n]) => component && Number(n) > 0)
    .map(([component, n]) => ({ component: component!, parts: Number(n) }))
    .filter(({ component }) => store.pantry.components.some((known) => known.id === component)),
);

interface Draft {
  label: string;
  use: string;
  parts: RecipePart[];
  extras: RecipeExtras;
  /** revision that was opened */
  rev: number | null;
}
const START_PARTS: RecipePart[] = [
  { component: 'pottingSoil', parts: 3 },
  { component: 'perlite', parts: 1 },
];
function asSaved(): Draft {
  const row = saved.value;
  if (row) {
    const { label, use, parts, extras, rev } = row;
    return { label, use, parts: [...parts], extras: { ...extras }, rev };
  }
  const parts = brought.value.length > 0 ? brought.value : START_PARTS;
  return { label: '', use: '', parts, extras: {}, rev: null };
}
const { draft, restored, clear } = useDraft<Draft>(`recipe.${id}`, asSaved);
const changed = computed(() => JSON.stringify(draft.value) !== JSON.stringify(asSaved()));
if (isNew && brought.value.length > 0) draft.value = { ...draft.value, parts: brought.value };
function startOver(): void {
  clear();
  draft.value = asSaved();
}

const parts = computed((): Part<Component>[] | null => {
  try {
    checkParts(draft.value.parts);
    return partsOf(draft.value.parts, store.pantry);
  } catch {
    return null;
  }
});
/** The last mix that could be made stays drawn while a part is being typed. */
const drawn = ref<Part<Component>[]>([]);
watch(parts, (now) => now && (drawn.value = now), { immediate: true });
const mix = computed(() => (drawn.value.length > 0 ? mixInPot(drawn.value, place.value) : null));
const before = computed(() =>
  saved.value && changed.value
    ? mixInPot(partsOf(saved.value.parts, store.pantry), place.value)
    : null,
);
const months = ref(0);
const title = computed(() => draft.value.label || saved.value?.label || m.mix.newRecipe);
const mixes = computed(() => {
  if (!mix.value) return [];
  const place_ = swapPlace(place.value, store.pantry.priceOf);
  const price = (list: readonly Part<Component>[]) => mixFigures(list, place_).pricePerL;
  const now = { label: m.mix.asTurned, mix: mix.value, pricePerL: price(drawn.value) };
  if (!before.value || !saved.value) return [{ ...now, label: title.value }];
  const kept = partsOf(saved.value.parts, store.pantry);
  return [{ label: m.mix.asSaved, mix: before.value, pricePerL: price(kept) }, now];
});
const columns = computed(() =>
  mixes.value.map(({ label, mix: made }) => ({
    label,
    ...agedInPot(made, place.value, months.value),
  })),
);
const lifeOf = (list: readonly Part<Component>[]) =>
  mediumLife(blend(list), place.value.pot, place.value, place.value.temperatureC).months;
const swapping = ref<number | null>(null);

const { value: versions, load: loadVersions } = useLoaded(async () =>
  isNew ? [] : (await api(`/recipes/${id}/versions`)).items,
);
const partsLine = (list: readonly RecipePart[]) =>
  list
    .map(({ component, parts: n }) => m.mix.partLine(n, store.pantry.component(component).label))
    .join(' : ');

const errors = ref<Record<string, string>>({});
const fault = ref('');
const saving = ref(false);
async function save(): Promise<void> {
  fault.value = '';
  errors.value = draft.value.label.trim() ? {} : { label: m.form.required };
  if (errors.value.label || !parts.value) return;
  const { label, use, extras, rev } = draft.value;
  const body = { label, use, parts: draft.value.parts.filter(({ parts: n }) => n > 0), extras };
  saving.value = true;
  try {
    const { answer: row, deed } = isNew
      ? await write('/recipes', { method: 'POST', body })
      : await write(`/recipes/${id}`, {
          method: 'PATCH',
          body,
          ...(rev === null ? {} : { rev }),
        });
    await store.load();
    clear();
    if (isNew) {
      notices.done(m.mix.savedNew(row.label), { deed, back: backTo('/mix') });
      await router.push(`/mix/${row.id}`);
    } else {
      startOver();
      await loadVersions();
      notices.done(m.mix.savedVersion(row.label, row.version), { deed, back: showAnew });
    }
  } catch (error) {
    if (error instanceof ApiError && error.field === 'label') {
      errors.value = { label: wordsFor(error) };
    } else fault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
const backTo = (path: string) => async (): Promise<void> => {
  await store.load();
  await router.push(path);
};
async function showAnew(): Promise<void> {
  await store.load();
  startOver();
  await loadVersions();
}
async function remove(): Promise<void> {
  try {
    const { rev, label } = saved.value!;
    const { deed } = await write(`/recipes/${id}`, { method: 'DELETE', rev });
    notices.done(m.mix.removed(label), { deed, back: backTo(`/mix/${id}`) });
    await store.load();
    await router.push('/mix');
  } catch (error) {
    notices.fault(error);
  }
}
function bringBack(version: RecipeVersion): void {
  draft.value = { ...draft.value, parts: [...version.parts], extras: { ...version.extras } };
}
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ title }}</h1>
      <span class="row no-print">
        <v-btn variant="outlined" :prepend-icon="mdiPrinter" @click="print">{{
          m.sheet.print
        }}</v-btn>
        <v-btn variant="text" to="/mix">{{ m.mix.allRecipes }}</v-btn>
      </span>
    </header>
    <PlaceTabs of="fit" />
    <p v-if="!isNew && !saved" class="panel" role="alert">{{ m.mix.noRecipe }}</p>
    <template v-else>
      <p v-if="restored && changed" class="row">
        {{ m.app.draftKept }}
        <v-btn variant="text" @click="startOver">{{ m.app.startOver }}</v-btn>
      </p>
      <section class="panel bench">
        <div class="stack">
          <h2>{{ m.mix.parts }}</h2>
          <PartsEditor v-model="draft.parts" @swap="(of) => (swapping = of)" />
        </div>
        <div class="stack">
          <h2>{{ m.fit.holds }}</h2>
          <MixColumns :columns="columns" :air-need="place.airNeed" />
        </div>
        <PlaceFields :at="at" class="wide" />
      </section>
      <section class="panel stack">
        <h2>{{ m.mix.inFigures }}</h2>
        <FiguresTable v-if="mixes.length > 0" :mixes="mixes" />
        <h2>{{ m.mix.ageing }}</h2>
        <AgeingPanel v-if="mixes.length > 0" v-model="months" :mixes="mixes" :place="place" />
        <h2>{{ m.fit.buysTitle }}</h2>
        <BuysPanel :parts="drawn" :place="place" :life-of="lifeOf" />
      </section>
      <form class="panel stack no-print" novalidate @submit.prevent="save">
        <h2>{{ m.mix.keep }}</h2>
        <div class="fields">
          <v-text-field
            v-model="draft.label"
            :label="m.mix.label"
            :error-messages="errors.label"
            name="label"
            maxlength="60"
          />
          <v-text-field v-model="draft.use" :label="m.mix.use" name="use" maxlength="160" />
        </div>
        <h3>{{ m.mix.extras }}</h3>
        <ExtrasFields v-model="draft.extras" />
        <p v-if="!isNew" class="quiet small">{{ m.mix.versionHint }}</p>
        <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
        <div class="row">
          <v-btn
            type="submit"
            color="primary"
            size="large"
            min-height="52"
            :loading="saving"
            :disabled="!parts || (!isNew && !changed)"
            >{{ isNew ? m.mix.saveNew : m.app.save }}</v-btn
          >
          <v-btn
            v-if="saved"
            variant="outlined"
            :to="`/mix/new?parts=${draft.parts.map((p) => `${p.component}:${p.parts}`).join(',')}`"
            >{{ m.mix.copy }}</v-btn
          >
          <v-btn v-if="saved" variant="outlined" :to="`/mix/batch?recipe=${id}`">{{
            m.mix.toBatch
          }}</v-btn>
          <v-btn v-if="saved" variant="text" @click="remove">{{ m.mix.takeOff }}</v-btn>
        </div>
      </form>
      <section v-if="versions && versions.length > 0" class="panel">
        <h2>{{ m.mix.versions }}</h2>
        <ul class="bare">
          <li v-for="version in versions" :key="version.id">
            <strong>{{ m.mix.versionUntil(version.version, day(version.until)) }}</strong>
            {{ partsLine(version.parts) }}
            <v-btn variant="text" class="no-print" @click="bringBack(version)">{{
              m.mix.bringBack
            }}</v-btn>
          </li>
        </ul>
      </section>
      <SwapDialog
        :parts="drawn"
        :of="swapping"
        :place="place"
        @close="swapping = null"
        @swap="(swapped) => (draft.parts = listedParts(swapped))"
      />
    </template>
  </div>
</template>

<style scoped>
.bench > .stack {
  align-content: start;
}
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 20px;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
