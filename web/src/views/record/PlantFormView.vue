<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import {
  LARGEST_POT_CM,
  MEDIUM_KINDS,
  resolveTaxon,
  SMALLEST_POT_CM,
  SUPPORT_KINDS,
  type MediumKind,
  type SupportKindId,
} from '@fernbank/core';
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, wordsFor, write } from '../../api/client.ts';
import type { Plant, ShelfPot, SpotRow } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import NumberField from '../../components/NumberField.vue';
import QuantityField from '../../components/QuantityField.vue';
import { emptyPot, entryOf, potErrors, potFromEntry } from '../../components/plant/potEntry.ts';
import PotFields from '../../components/plant/PotFields.vue';
import SpotDialog from '../../components/spot/SpotDialog.vue';
import TaxonField from '../../components/plant/TaxonField.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';

const route = useRoute();
const router = useRouter();
const notices = useNotices();
const settings = useSettings();
const { length } = useUnits();
const id = route.params.id ? Number(route.params.id) : null;

const blank = () => ({
  name: '',
  taxon: '',
  groupId: null as string | null,
  spotId: null as number | null,
  pot: emptyPot(),
  mediumKind: null as MediumKind | null,
  recipeId: null as string | null,
  lastRepot: '',
  acquired: '',
  heightCm: null as number | null,
  supportCm: null as number | null,
  supportKind: null as SupportKindId | null,
  together: 1 as number | null,
  stems: 1 as number | null,
  coverId: null as number | null,
  note: '',
  /** of a new plant: so many of it, alike */
  count: 1 as number | null,
});
const { draft, restored, changed, clear } = useDraft(id ? `plant.${id}` : 'plant.new', blank);
const spots = ref<SpotRow[]>([]);
const shelfCovers = ref<ShelfPot[]>([]);
const original = ref<Plant | null>(null);
const fault = ref('');
const loaded = ref(false);
const spotDialog = ref(false);

async function load(): Promise<void> {
  fault.value = '';
  try {
    spots.value = (await api('/spots?limit=1000')).items;
    if (spots.value.length === 1) draft.value.spotId ??= spots.value[0]!.id;
    const pots = (await api('/pots?limit=1000')).items;
    shelfCovers.value = pots.filter(({ role }) => role === 'cover');
    if (id) {
      original.value = await api(`/plants/${id}`);
      if (!restored) fillFrom(original.value);
    }
    loaded.value = true;
  } catch (error) {
    fault.value = wordsFor(error);
  }
}
function fillFrom(plant: Plant): void {
  const { name, taxon, groupId, spotId, mediumKind, recipeId, heightCm, supportCm, note } = plant;
  draft.value = {
    name,
    taxon,
    groupId,
    spotId,
    mediumKind,
    recipeId,
    heightCm,
    supportCm,
    supportKind: plant.supportKind,
    together: plant.together,
    stems: plant.stems,
    coverId: plant.coverId,
    note,
    pot: entryOf(plant.pot, plant.potMaterial),
    lastRepot: plant.lastRepot ?? '',
    acquired: plant.acquired ?? '',
    count: 1,
  };
}
onMounted(load);

const errors = ref<Record<string, string>>({});
/** What few know of a new plant is folded, until it is asked for or does not do. */
const more = ref(id !== null || restored);
const IN_MORE = ['acquired', 'heightCm', 'together', 'supportCm', 'stems', 'coverId', 'recipeId'];
watch(errors, (found) => (more.value ||= IN_MORE.some((field) => found[field])));
const saveFault = ref('');
const saving = ref(false);

function check(): Record<string, string> {
  const { taxon, groupId, spotId, pot, mediumKind, lastRepot, acquired } = draft.value;
  const found: Record<string, string> = {};
  if (!taxon.trim()) found.taxon = m.form.required;
  else if (!resolveTaxon(taxon) && !groupId) found.groupId = m.form.unknownTaxon;
  if (spotId === null) found.spotId = m.form.required;
  if (!mediumKind) found.mediumKind = m.form.required;
  const { today } = settings.current;
  if (lastRepot > today) found.lastRepot = m.form.future;
  else if (lastRepot && acquired && lastRepot < acquired) found.lastRepot = m.form.beforeArrival;
  if (acquired > today) found.acquired = m.form.future;
  if (!Number.isInteger(alike.value) || alike.value < 1 || alike.value > MOST_ALIKE) {
    found.count = m.form.countRange(MOST_ALIKE);
  }
  const range = `${length(SMALLEST_POT_CM)} – ${length(LARGEST_POT_CM)}`;
  return {
    ...found,
    ...potErrors(pot, { required: m.form.required, range }, SMALLEST_POT_CM, LARGEST_POT_CM),
  };
}

/** Once it was sent in vain, each field is judged anew as it is put right. */
const tried = ref(false);
watch(
  draft,
  () => {
    if (!tried.value) return;
    errors.value = check();
    const faults = Object.keys(errors.value).length;
    saveFault.value = faults > 0 ? m.form.faults(faults) : '';
  },
  { deep: true },
);
const form = useTemplateRef('form');
async function showFirstFault(): Promise<void> {
  await nextTick();
  form.value?.querySelector<HTMLElement>('.v-input--error input')?.focus();
}

const MOST_ALIKE = 100;
const alike = computed(() => draft.value.count ?? 1);
const body = () => {
  const { pot, lastRepot, acquired, name, count: _count, ...rest } = draft.value;
  return {
    ...rest,
    name: name.trim() || rest.taxon.trim(),
    together: rest.together ?? 1,
    stems: rest.stems ?? 1,
    supportKind: rest.supportCm === null ? null : rest.supportKind,
    pot: potFromEntry(pot),
    potMaterial: pot.material,
    lastRepot: lastRepot || null,
    acquired: acquired || null,
  };
};

/** @param another  of a new plant: the form stays open for the next one */
async function save(another = false): Promise<void> {
  saveFault.value = '';
  tried.value = true;
  errors.value = check();
  const faults = Object.keys(errors.value).length;
  if (faults > 0) {
    saveFault.value = m.form.faults(faults);
    await showFirstFault();
    return;
  }
  saving.value = true;
  try {
    if (alike.value > 1) return await saveAlike(another);
    const { answer: plant, deed } = await write(id ? `/plants/${id}` : '/plants', {
      method: id ? 'PATCH' : 'POST',
      body: body(),
      ...(original.value ? { rev: original.value.rev } : {}),
    });
    if (another) {
      startNext();
      notices.done(m.form.addedNext(plant.name), { deed });
      return;
    }
    clear();
    const back = () => router.push(id ? `/plants/${plant.id}` : '/record');
    notices.done(id ? m.form.saved : m.form.added, { deed, back });
    await router.push(id ? `/plants/${plant.id}` : `/plants/${plant.id}/look`);
  } catch (error) {
    if (error instanceof ApiError && error.status === 412) {
      saveFault.value = m.form.stale;
      original.value = await api(`/plants/${id}`);
    } else {
      const field = error instanceof ApiError ? (error.field?.split('.').pop() ?? '') : '';
      errors.value = field ? { [field]: wordsFor(error) } : {};
      saveFault.value = wordsFor(error);
    }
  } finally {
    saving.value = false;
  }
}
/** Each is a plant of its own from then on, numbered; one undo takes them all back. */
async function saveAlike(another: boolean): Promise<void> {
  const plant = { ...body(), coverId: null };
  const { answer, deed } = await write('/plants/alike', {
    method: 'POST',
    body: { plant, count: alike.value },
  });
  const { items } = answer;
  const said = m.form.addedAlike(items.length, items[0]!.name, items[items.length - 1]!.name);
  notices.done(said, { deed, back: () => router.push('/record') });
  if (another) return startNext();
  clear();
  await router.push('/record');
}
/** Counts plants added in a row: each begins with empty fields. */
const inARow = ref(0);
/** Plants that come in one after the other mostly share spot, kind of pot and medium. */
function startNext(): void {
  const { spotId, mediumKind, recipeId, acquired, pot } = draft.value;
  tried.value = false;
  errors.value = {};
  clear();
  Object.assign(draft.value, { spotId, mediumKind, recipeId, acquired });
  draft.value.pot = { ...draft.value.pot, trade: pot.trade, material: pot.material };
  inARow.value += 1;
  window.scrollTo?.({ top: 0 });
  void nextTick(() => {
    tried.value = false;
    form.value?.querySelector<HTMLElement>('input[name=taxon]')?.focus();
  });
}
function spotAdded(spot: SpotRow): void {
  spots.value.push(spot);
  draft.value.spotId = spot.id;
  notices.done(m.spot.added);
}
function startOver(): void {
  clear();
  if (original.value) fillFrom(original.value);
}
const title = computed(() => (id ? m.form.editTitle(original.value?.name ?? '') : m.form.addTitle));
/** Covers that are free, and the one it stands in. */
const covers = computed(() =>
  shelfCovers.value.filter((cover) => cover.free > 0 || cover.id === original.value?.coverId),
);
const supportKinds = SUPPORT_KINDS.map(({ id: value, label }) => ({ value, title: label }));
const kinds = MEDIUM_KINDS.map(({ id: value, label }) => ({ value, title: label }));
/** What plants of its kind mostly stand in: told, not assumed. */
const usualMedium = computed(() => {
  const known = resolveTaxon(draft.value.taxon);
  const usual = MEDIUM_KINDS.find(({ id: kind }) => kind === known?.traits.medium);
  return known && usual ? m.form.usualMedium(known.common, usual.label) : '';
});
const recipes = usePantry().pantry.recipes.map(({ id: value, label, use }) => ({
  value,
  title: label,
  props: { subtitle: use },
}));
</script>

<template>
  <div class="page stack narrow">
    <h1>{{ title }}</h1>
    <FetchState :fault="fault" :loading="!loaded" @retry="load" />
    <p v-if="restored && changed" class="row">
      {{ m.app.draftKept }}
      <v-btn size="small" variant="outlined" @click="startOver">{{ m.app.startOver }}</v-btn>
    </p>
    <form v-if="loaded" ref="form" class="panel stack" novalidate @submit.prevent="save()">
      <TaxonField
        :key="inARow"
        v-model:taxon="draft.taxon"
        v-model:group-id="draft.groupId"
        :error="errors.taxon"
        :group-error="errors.groupId"
      />
      <v-text-field
        v-model="draft.name"
        :label="`${m.form.name} (${m.app.optional})`"
        :placeholder="draft.taxon"
        persistent-placeholder
        :error-messages="errors.name"
        name="name"
        autocomplete="off"
      />
      <div class="row nowrap">
        <v-select
          v-model="draft.spotId"
          :items="spots"
          item-title="name"
          item-value="id"
          :label="m.form.spot"
          :error-messages="errors.spotId"
          :no-data-text="m.spot.none"
          name="spotId"
        />
        <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="spotDialog = true">{{
          m.form.newSpot
        }}</v-btn>
      </div>
      <PotFields v-model="draft.pot" :errors="errors" />
      <div class="fields">
        <v-select
          v-model="draft.mediumKind"
          :items="kinds"
          :label="m.form.medium"
          :error-messages="errors.mediumKind"
          :hint="usualMedium"
          persistent-hint
          name="mediumKind"
        />
        <v-text-field
          v-model="draft.lastRepot"
          type="date"
          :label="m.form.lastRepot"
          :hint="m.form.lastRepotHint"
          persistent-hint
          :max="settings.current.today"
          :error-messages="errors.lastRepot"
          name="lastRepot"
        />
      </div>
      <NumberField
        v-if="!id"
        v-model="draft.count"
        :label="m.form.count"
        :hint="m.form.countHint"
        :error="errors.count"
      />
      <details :open="more" @toggle="more = ($event.target as HTMLDetailsElement).open">
        <summary>{{ m.form.more }}</summary>
        <div class="stack">
          <div class="fields">
            <v-select
              v-model="draft.recipeId"
              :items="recipes"
              :label="m.form.recipe"
              :placeholder="m.form.recipeUnknown"
              persistent-placeholder
              clearable
            />
            <v-text-field
              v-model="draft.acquired"
              type="date"
              :label="m.form.acquired"
              :max="settings.current.today"
              :error-messages="errors.acquired"
              name="acquired"
            />
            <QuantityField
              v-model="draft.heightCm"
              :label="m.form.plantHeight"
              of="length"
              :error="errors.heightCm"
            />
            <NumberField
              v-model="draft.together"
              :label="m.form.together"
              :hint="m.form.togetherHint"
              :error="errors.together"
            />
            <QuantityField
              v-model="draft.supportCm"
              :label="m.form.support"
              of="length"
              :error="errors.supportCm"
            />
            <template v-if="draft.supportCm !== null">
              <v-select
                v-model="draft.supportKind"
                :items="supportKinds"
                :label="m.form.supportKind"
                clearable
              />
              <NumberField v-model="draft.stems" :label="m.form.stems" :error="errors.stems" />
            </template>
            <v-select
              v-if="covers.length > 0 && alike < 2"
              v-model="draft.coverId"
              :items="covers"
              item-title="label"
              item-value="id"
              :label="m.form.cover"
              :placeholder="m.form.noCover"
              persistent-placeholder
              :error-messages="errors.coverId"
              name="coverId"
              clearable
            />
          </div>
          <v-textarea v-model="draft.note" :label="m.form.note" rows="2" auto-grow />
        </div>
      </details>
      <p v-if="saveFault" role="alert" class="text-error">{{ saveFault }}</p>
      <div class="row">
        <v-btn type="submit" color="primary" size="large" min-height="52" :loading="saving">{{
          id ? m.app.save : m.form.addTitle
        }}</v-btn>
        <v-btn
          v-if="!id"
          variant="outlined"
          size="large"
          min-height="52"
          :disabled="saving"
          @click="save(true)"
          >{{ m.form.another }}</v-btn
        >
        <v-btn variant="text" @click="router.back()">{{ m.app.cancel }}</v-btn>
      </div>
    </form>
    <SpotDialog v-model="spotDialog" :spots="spots" @added="spotAdded" />
  </div>
</template>

<style scoped>
.narrow {
  max-width: 860px;
}
.nowrap {
  flex-wrap: nowrap;
}
</style>
