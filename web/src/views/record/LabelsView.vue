<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import {
  addDays,
  checkLabelSheet,
  LABEL_SHEETS,
  PAPERS,
  rimCm,
  type LabelSheet,
  type LabelSheetId,
  type Paper,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, apiAll } from '../../api/client.ts';
import FetchState from '../../components/FetchState.vue';
import LabelSheets, { type Label } from '../../components/labels/LabelSheets.vue';
import NumberField from '../../components/NumberField.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { mediumName } from '../../composables/figureWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** Labels for pots, with a code that opens the plant's page. */
const { query } = useRoute();
const settings = useSettings();
const notices = useNotices();
const { full } = useDates();
const { length } = useUnits();
const { value, fault, load } = useLoaded(async () => {
  const [plants, spots, tasks, plans] = await Promise.all([
    apiAll('/plants'),
    api('/spots?limit=1000'),
    apiAll('/tasks'),
    api('/plans'),
  ]);
  return { plants, spots: spots.items, tasks, plans: plans.items };
});

/** Where a phone that scans a label finds the plant: this machine's own name leads nowhere there. */
const { value: phones } = useLoaded(() => api('/phones').catch(() => null));
const origin = computed(() => {
  const { open, hosts, port } = phones.value ?? {};
  const here = ['127.0.0.1', 'localhost'].includes(location.hostname);
  return here && open && hosts?.[0] ? `https://${hosts[0]}:${port}` : location.origin;
});

const RECENT_DAYS = 30;
const named = String(query.plants ?? '')
  .split(',')
  .map(Number)
  .filter((id) => id > 0);
const which = ref(named.length > 0 ? 'picked' : 'recent');
const picked = ref<number[]>(named);
const choices = computed(() => [
  { value: 'recent', title: m.labels.recent },
  { value: 'planned', title: m.labels.planned },
  { value: 'all', title: m.labels.all },
  ...(value.value?.spots ?? []).map(({ id, name }) => ({
    value: `spot-${id}`,
    title: m.labels.ofSpot(name),
  })),
  { value: 'picked', title: m.labels.picked },
]);
const everyPlant = computed(() =>
  (value.value?.plants ?? []).map(({ id, name, common }) => ({
    value: id,
    title: `${name} (${common})`,
  })),
);
const chosen = computed(() => {
  const { plants = [], plans = [] } = value.value ?? {};
  const since = addDays(settings.current.today, -RECENT_DAYS);
  const [kind, id] = which.value.split('-');
  return plants.filter((plant) => {
    if (kind === 'picked') return picked.value.includes(plant.id);
    if (kind === 'planned') return plans.some(({ plantId }) => plantId === plant.id);
    if (kind === 'spot') return plant.spotId === Number(id);
    const newest = [plant.lastRepot ?? '', plant.acquired ?? ''].sort().at(-1)!;
    return kind === 'all' || newest >= since;
  });
});

const sheetId = ref<LabelSheetId | 'own'>(
  settings.current.labelSheet ? 'own' : settings.current.paper === 'letter' ? 'letterx30' : 'a4x24',
);
const sheets = [
  ...(Object.keys(LABEL_SHEETS) as LabelSheetId[]).map((id) => ({
    value: id,
    title: LABEL_SHEETS[id].label,
  })),
  { value: 'own', title: m.labels.own },
];
const papers = Object.entries(PAPERS).map(([id, { label }]) => ({ value: id, title: label }));
const own = ref<LabelSheet>(settings.current.labelSheet ?? { ...LABEL_SHEETS.a4x24.sheet });
const FIELDS = Object.keys(m.labels.fields) as (keyof typeof m.labels.fields)[];
const isCount = (field: string) => field === 'columns' || field === 'rows';
const setField = (field: keyof LabelSheet, typed: number | null) => {
  own.value = { ...own.value, [field]: typed ?? NaN };
};
/** What of the own sheet cannot be, by its field. */
const refused = computed(() => {
  try {
    checkLabelSheet(own.value);
    return null;
  } catch (error) {
    const { message } = error as Error;
    const [field] = message.split(' ');
    return {
      field,
      message: message.replace(
        /\b[a-z]+(?:[A-Z]\w*)?\b/g,
        (name) => m.labels.fields[name as keyof typeof m.labels.fields] ?? name,
      ),
    };
  }
});
const sheet = computed((): LabelSheet | null => {
  if (sheetId.value !== 'own') return LABEL_SHEETS[sheetId.value].sheet;
  return refused.value ? null : own.value;
});
const typedUsed = ref<number | null>(0);
const used = computed(() => {
  const most = sheet.value ? sheet.value.columns * sheet.value.rows - 1 : 0;
  return Math.min(most, Math.max(0, Math.round(typedUsed.value ?? 0)));
});
// The keeper's own sheet is kept once it fits.
watch([own, sheetId], () => {
  const kept = sheetId.value === 'own' ? own.value : null;
  if (sheetId.value === 'own' && refused.value) return;
  if (JSON.stringify(kept) === JSON.stringify(settings.current.labelSheet)) return;
  settings.change({ labelSheet: kept }).catch(notices.fault);
});

const nextLook = (plantId: number) =>
  (value.value?.tasks ?? [])
    .filter((task) => task.plantId === plantId && task.kind === 'look' && task.done === null)
    .map(({ due }) => due)
    .sort()[0];
const labels = computed((): Label[] =>
  chosen.value.map((plant) => {
    const look = nextLook(plant.id);
    return {
      plantId: plant.id,
      name: plant.name,
      taxon: plant.taxon,
      lines: [
        ...(plant.lastRepot ? [m.labels.repotted(full(plant.lastRepot))] : []),
        ...(plant.together > 1 ? [m.form.togetherOf(plant.together)] : []),
        `${length(rimCm(plant.pot))}, ${mediumName(plant.mediumKind, plant.recipeId)}`,
        ...(look ? [m.labels.look(full(look))] : []),
      ],
      address: `${origin.value}/plants/${plant.id}`,
    };
  }),
);
const pageCount = computed(() =>
  sheet.value
    ? Math.ceil((labels.value.length + used.value) / (sheet.value.columns * sheet.value.rows))
    : 0,
);
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <header class="row spread no-print">
      <h1>{{ m.labels.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <p class="quiet no-print">{{ m.labels.intro }}</p>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <template v-if="value">
      <section class="panel stack no-print">
        <div class="fields">
          <v-select v-model="which" :items="choices" :label="m.labels.which" hide-details />
          <v-select v-model="sheetId" :items="sheets" :label="m.labels.sheet" hide-details />
          <NumberField v-model="typedUsed" :label="m.labels.used" />
        </div>
        <v-autocomplete
          v-if="which === 'picked'"
          v-model="picked"
          :items="everyPlant"
          :label="m.labels.choose"
          multiple
          chips
          closable-chips
          hide-details
        />
        <div v-if="sheetId === 'own'" class="fields">
          <v-select
            :model-value="own.paper"
            :items="papers"
            :label="m.labels.paper"
            @update:model-value="(paper: Paper) => (own = { ...own, paper })"
          />
          <NumberField
            v-for="field in FIELDS"
            :key="field"
            :model-value="own[field]"
            :label="m.labels.fields[field]"
            :unit="isCount(field) ? '' : 'mm'"
            :error="refused?.field === field ? refused.message : ''"
            @update:model-value="(typed) => setField(field, typed)"
          />
        </div>
        <div class="row spread">
          <p v-if="labels.length > 0 && sheet">
            <strong>{{ m.labels.count(labels.length, pageCount) }}</strong>
            {{ m.labels.hint }}
          </p>
          <p v-else>{{ refused && sheetId === 'own' ? refused.message : m.labels.none }}</p>
          <v-btn
            color="primary"
            :prepend-icon="mdiPrinter"
            :disabled="labels.length === 0 || !sheet"
            @click="print"
            >{{ m.labels.print }}</v-btn
          >
        </div>
        <p class="quiet small">{{ m.labels.address(origin) }}</p>
      </section>
      <div v-if="sheet && labels.length > 0" class="scroll preview">
        <LabelSheets :sheet="sheet" :labels="labels" :used="used" />
      </div>
    </template>
  </div>
</template>

<style scoped>
@media print {
  .page {
    padding: 0 !important;
    max-width: none !important;
  }
  .preview {
    overflow: visible;
  }
}
</style>
