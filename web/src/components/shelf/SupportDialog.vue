<script setup lang="ts">
import {
  frontCm,
  sectionFromSheet,
  sheetWidthCm,
  supportKind,
  SUPPORT_KINDS,
  type Section,
  type SupportKindId,
} from '@fernbank/core';
import { computed, watch } from 'vue';
import { write } from '../../api/client.ts';
import type { ShelfSupport } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

/** One kind of support: what it is, how thick, how long, and how many there are. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ support: ShelfSupport | null }>();
const emit = defineEmits<{ saved: [deed: number | null] }>();

const { length } = useUnits();
const blank = () => ({
  label: '',
  kind: 'mossSheet' as SupportKindId,
  form: 'd' as Section['form'],
  acrossCm: 8 as number | null,
  thicknessCm: 2 as number | null,
  flatCm: null as number | null,
  lengthCm: null as number | null,
  extension: false,
  count: 1 as number | null,
  free: null as number | null,
});
const { draft, clear } = useDraft('shelf.support', blank);
const { saving, errors, fault, clearFaults, send } = useSaving((field) => {
  const part = field.split('.').pop()!;
  return ['diameterCm', 'widthCm'].includes(part) ? 'acrossCm' : part;
});
watch(
  () => [open.value, props.support] as const,
  ([isOpen, support]) => {
    clearFaults();
    if (isOpen && support) draft.value = formOf(support);
    else if (!isOpen && props.support) clear();
  },
);
function formOf({ section, label, kind, lengthCm, extension, count, free }: ShelfSupport) {
  return {
    label,
    kind,
    form: section.form,
    acrossCm: frontCm(section),
    thicknessCm: section.form === 'flat' ? section.thicknessCm : 2,
    flatCm: null,
    lengthCm,
    extension,
    count,
    free,
  };
}
/** Another kind comes with its usual section. */
function toKind(kind: SupportKindId): void {
  const { section } = supportKind(kind);
  draft.value.kind = kind;
  draft.value.form = section.form;
  draft.value.acrossCm = frontCm(section);
  if (section.form === 'flat') draft.value.thicknessCm = section.thicknessCm;
}
const moss = computed(() => supportKind(draft.value.kind).moss);
/** Folded from a sheet, its width follows from the sheet's. */
function fromFlat(flatCm: number | null): void {
  draft.value.flatCm = flatCm;
  const { form } = draft.value;
  if (flatCm === null || form === 'flat' || flatCm < 6) return;
  draft.value.acrossCm = Math.round(frontCm(sectionFromSheet(flatCm, form)) * 10) / 10;
}
const section = computed((): Section | null => {
  const { form, acrossCm, thicknessCm } = draft.value;
  if (acrossCm === null || acrossCm <= 0) return null;
  if (form === 'round') return { form, diameterCm: acrossCm };
  if (form === 'd') return { form, widthCm: acrossCm };
  return thicknessCm ? { form, widthCm: acrossCm, thicknessCm } : null;
});
const sheet = computed(() => (moss.value && section.value ? sheetWidthCm(section.value) : null));

async function save(): Promise<void> {
  const { label, kind, lengthCm, extension, count, free } = draft.value;
  const missing: Record<string, string> = {
    ...(lengthCm === null ? { lengthCm: m.form.required } : {}),
    ...(section.value === null ? { acrossCm: m.form.required } : {}),
    ...(count === null ? { count: m.form.required } : {}),
  };
  await send(missing, async () => {
    const { deed } = await write(props.support ? `/supports/${props.support.id}` : '/supports', {
      method: props.support ? 'PATCH' : 'POST',
      body: {
        label: label.trim() || `${supportKind(kind).label} ${length(lengthCm!)}`,
        kind,
        section: section.value,
        lengthCm,
        extension,
        count,
        free: props.support ? (free ?? 0) : count,
      },
      ...(props.support ? { rev: props.support.rev } : {}),
    });
    clear();
    open.value = false;
    emit('saved', deed);
  });
}
const kinds = SUPPORT_KINDS.map(({ id: value, label: title }) => ({ value, title }));
const forms = computed(() =>
  (['round', 'd', 'flat'] as const).map((value) => ({ value, title: m.shelf.forms[value] })),
);
const title = computed(() =>
  props.support ? m.shelf.edit(props.support.label) : m.shelf.addSupport,
);
</script>

<template>
  <FormDialog
    v-model="open"
    :title="title"
    :save="support ? m.app.save : title"
    :saving="saving"
    :fault="fault"
    @submit="save"
  >
    <div class="fields">
      <NumberField v-model="draft.count" :label="m.shelf.count" :error="errors.count" />
      <v-select
        :model-value="draft.kind"
        :items="kinds"
        :label="m.cuts.kind"
        @update:model-value="toKind"
      />
      <QuantityField
        v-model="draft.lengthCm"
        :label="m.fit.support.length"
        of="length"
        :error="errors.lengthCm"
      />
      <v-select v-model="draft.form" :items="forms" :label="m.shelf.form" />
      <QuantityField
        v-model="draft.acrossCm"
        :label="m.fit.support.across"
        of="length"
        :error="errors.acrossCm"
        :hint="sheet === null ? '' : m.shelf.asksSheet(length(sheet))"
      />
      <QuantityField
        v-if="draft.form === 'flat'"
        v-model="draft.thicknessCm"
        :label="m.shelf.thickness"
        of="length"
        :error="errors.thicknessCm"
      />
      <QuantityField
        v-if="moss && draft.form !== 'flat'"
        :model-value="draft.flatCm"
        :label="`${m.shelf.flat} (${m.app.optional})`"
        of="length"
        :hint="m.shelf.flatHint"
        @update:model-value="fromFlat"
      />
      <v-text-field v-model="draft.label" :label="`${m.shelf.label} (${m.app.optional})`" />
      <NumberField
        v-if="support"
        v-model="draft.free"
        :label="m.shelf.freeCount"
        :error="errors.free"
      />
      <v-checkbox v-model="draft.extension" :label="m.shelf.extension" />
    </div>
  </FormDialog>
</template>
