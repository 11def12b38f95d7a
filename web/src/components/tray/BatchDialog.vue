<script setup lang="ts">
import {
  resolveTaxon,
  TRAY_MEDIA,
  TRAY_METHODS,
  type TrayMedium,
  type TrayMethod,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { write } from '../../api/client.ts';
import type { Plant, SpotRow, TrayBatch } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';
import TaxonField from '../plant/TaxonField.vue';

/** A new batch of starts, or one that is put right. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  plants: readonly Plant[];
  spots: readonly SpotRow[];
  /** taken from this plant, where the page knows */
  parentId: number | null;
  /** null: a new one */
  changed: TrayBatch | null;
}>();
const emit = defineEmits<{ saved: [] }>();
const notices = useNotices();
const settings = useSettings();

const empty = () => ({
  parentId: null as number | null,
  name: '',
  taxon: '',
  groupId: null as string | null,
  method: 'cutting' as TrayMethod,
  medium: 'water' as TrayMedium,
  spotId: null as number | null,
  date: settings.current.today,
  count: 3 as number | null,
  nodes: null as number | null,
  planned: false,
  note: '',
});
const { draft: started, clear } = useDraft('tray.batch', empty);
const righted = ref(empty());
/** What is typed of a new batch outlives the page; one that is put right starts from what it is. */
const draft = computed(() => (props.changed ? righted.value : started.value));
const { saving, errors, fault, clearFaults, send } = useSaving();

const rows = (from: Record<string, { label: string }>) =>
  Object.entries(from).map(([value, { label }]) => ({ value, title: label }));
const parents = computed(() => [
  { value: null, title: m.tray.elsewhere },
  ...props.plants.map(({ id, name, common }) => ({ value: id, title: `${name} (${common})` })),
]);
const places = computed(() => props.spots.map(({ id, name }) => ({ value: id, title: name })));

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    clearFaults();
    if (props.changed) {
      const { parentId, name, taxon, groupId, method, medium } = props.changed;
      const { spotId, date, count, nodes, planned, note } = props.changed;
      const same = { parentId, name, taxon, groupId, method, medium };
      righted.value = { ...same, spotId, date, count, nodes, planned, note };
      return;
    }
    draft.value.spotId ??= props.spots[0]?.id ?? null;
    if (props.parentId !== null) take(props.parentId);
  },
  { immediate: true },
);
/** What comes from a plant is of its kind, and stands beside it unless told otherwise. */
function take(id: number | null): void {
  draft.value.parentId = id;
  const parent = props.plants.find((plant) => plant.id === id);
  if (!parent) return;
  draft.value.taxon = parent.taxon;
  draft.value.groupId = parent.groupId;
  draft.value.name = `${parent.name}, ${TRAY_METHODS[draft.value.method].label}`;
}
async function start(): Promise<void> {
  const { deed } = await write('/batches', { method: 'POST', body: draft.value });
  clear();
  notices.done(m.tray.started, { deed, back: () => emit('saved') });
}
async function putRight({ id, rev }: TrayBatch): Promise<void> {
  const { name, method, medium, spotId, date, count, nodes, planned, note } = draft.value;
  const body = { name, method, medium, spotId, date, count, nodes, planned, note };
  const { deed } = await write(`/batches/${id}`, { method: 'PATCH', body, rev });
  notices.done(m.tray.changed, { deed, back: () => emit('saved') });
}
async function save(): Promise<void> {
  const { name, taxon, groupId, count } = draft.value;
  const found: Record<string, string> = {};
  if (!name.trim()) found.name = m.form.required;
  if (!resolveTaxon(taxon) && !groupId) found.taxon = m.form.unknownTaxon;
  if (count === null || count < 1) found.count = m.form.number;
  await send(found, async () => {
    if (props.changed) await putRight(props.changed);
    else await start();
    open.value = false;
    emit('saved');
  });
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="changed ? m.tray.changeTitle(changed.name) : m.tray.startTitle"
    :save="changed ? m.app.save : m.tray.save"
    :saving="saving"
    :fault="fault"
    @submit="save"
  >
    <v-autocomplete
      v-if="!changed"
      :model-value="draft.parentId"
      :items="parents"
      :label="m.tray.parent"
      @update:model-value="take"
    />
    <TaxonField
      v-if="!changed && draft.parentId === null"
      v-model:taxon="draft.taxon"
      v-model:group-id="draft.groupId"
      :error="errors.taxon ?? ''"
      :group-error="errors.groupId ?? ''"
    />
    <v-text-field v-model="draft.name" :label="m.tray.name" :error-messages="errors.name" />
    <div class="fields">
      <v-select v-model="draft.method" :items="rows(TRAY_METHODS)" :label="m.tray.method" />
      <v-select
        v-model="draft.medium"
        :items="rows(TRAY_MEDIA)"
        :label="m.tray.medium"
        :hint="TRAY_MEDIA[draft.medium].cost"
        persistent-hint
      />
      <NumberField v-model="draft.count" :label="m.tray.count" :error="errors.count ?? ''" />
      <NumberField v-model="draft.nodes" :label="m.tray.nodes" :error="errors.nodes ?? ''" />
      <v-select v-model="draft.spotId" :items="places" :label="m.tray.spot" />
      <v-text-field
        v-model="draft.date"
        type="date"
        :label="m.tray.date"
        :error-messages="errors.date"
      />
    </div>
    <v-checkbox v-model="draft.planned" :label="m.tray.planned" hide-details />
    <v-textarea v-model="draft.note" :label="m.tray.note" rows="1" auto-grow />
  </FormDialog>
</template>
