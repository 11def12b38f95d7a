<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, write } from '../../api/client.ts';
import type { TrayBatch } from '../../api/types.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import LookForMe from '../app/LookForMe.vue';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

/** A look at a batch: how many have rooted, how long, how many are lost. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ batch: TrayBatch }>();
const emit = defineEmits<{ saved: [] }>();
const notices = useNotices();
const settings = useSettings();

const rooted = ref<number | null>(null);
const rootCm = ref<number | null>(null);
const roots = ref<number | null>(null);
const branching = ref<boolean | null>(null);
const lost = ref<number | null>(0);
const note = ref('');
const { saving, errors, fault, clearFaults, send } = useSaving();
const branches = [
  { value: null, title: m.tray.notLooked },
  { value: true, title: m.tray.yes },
  { value: false, title: m.tray.no },
];
watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    rooted.value = props.batch.looks[0]?.rooted ?? null;
    rootCm.value = null;
    roots.value = null;
    branching.value = null;
    lost.value = 0;
    note.value = '';
    clearFaults();
  },
  { immediate: true },
);
/** Of the garden made up for trying: what would be found. */
async function lookForMe(): Promise<void> {
  const found = await api(`/demo/batches/${props.batch.id}/look`);
  rooted.value = found.rooted;
  rootCm.value = found.rootCm;
  roots.value = found.roots;
  branching.value = found.branching;
  lost.value = found.lost;
}
async function save(): Promise<void> {
  const missing =
    rooted.value === null ? { rooted: m.form.number } : ({} as Record<string, string>);
  await send(missing, async () => {
    const { deed } = await write(`/batches/${props.batch.id}/looks`, {
      method: 'POST',
      body: {
        date: settings.current.today,
        rooted: rooted.value,
        rootCm: rootCm.value,
        roots: roots.value,
        branching: branching.value,
        lost: lost.value ?? 0,
        note: note.value,
      },
    });
    open.value = false;
    notices.done(m.tray.lookSaved, { deed, back: () => emit('saved') });
    emit('saved');
  });
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="m.tray.lookTitle(batch.name)"
    :save="m.tray.lookSave"
    :saving="saving"
    :fault="fault"
    :width="520"
    @submit="save"
  >
    <LookForMe :look="lookForMe" />
    <div class="fields">
      <NumberField v-model="rooted" :label="m.tray.rooted" :error="errors.rooted ?? ''" />
      <QuantityField
        v-model="rootCm"
        :label="m.tray.rootCm"
        of="length"
        :error="errors.rootCm ?? ''"
      />
      <NumberField v-model="roots" :label="m.tray.roots" :error="errors.roots ?? ''" />
      <v-select v-model="branching" :items="branches" :label="m.tray.branching" />
      <NumberField v-model="lost" :label="m.tray.lost" :error="errors.lost ?? ''" />
    </div>
    <v-textarea v-model="note" :label="m.tray.note" rows="1" auto-grow />
  </FormDialog>
</template>
