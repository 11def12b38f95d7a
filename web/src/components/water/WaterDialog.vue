<script setup lang="ts">
import { insideOfMaterial, suggestedReservoirL, WICKS, type WickKind } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { ApiError, wordsFor, write } from '../../api/client.ts';
import type { OverWater, Plant, ShelfPot } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import FormDialog from '../FormDialog.vue';
import QuantityField from '../QuantityField.vue';

/** What a plant stands over: litres at the mark, and its wick. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  /** changed; null: a new one is set up */
  changed: OverWater | null;
  /** plants without a reservoir, those in pebbles first */
  plants: readonly Plant[];
  covers: readonly ShelfPot[];
}>();
const emit = defineEmits<{ saved: [] }>();
const notices = useNotices();

const plantId = ref<number | null>(null);
const full = ref<number | null>(null);
const wick = ref<WickKind | null>(null);
const fault = ref('');
const saving = ref(false);
const wicks = [
  { value: null, title: m.water.noWick },
  ...(Object.keys(WICKS) as WickKind[]).map((value) => ({ value, title: WICKS[value].label })),
];
const choices = computed(() =>
  props.plants.map(({ id, name, common }) => ({ value: id, title: `${name} (${common})` })),
);

watch(open, (isOpen) => {
  if (!isOpen) return;
  fault.value = '';
  const { changed } = props;
  plantId.value = changed?.plantId ?? props.plants[0]?.id ?? null;
  wick.value = changed ? changed.reservoir.wick : 'polyester';
  full.value = changed ? changed.reservoir.fullL : suggested();
});
watch(plantId, () => {
  if (!props.changed) full.value = suggested();
});
function suggested(): number | null {
  const plant = props.plants.find(({ id }) => id === plantId.value);
  if (!plant) return null;
  const cover = props.covers.find(({ id }) => id === plant.coverId);
  return suggestedReservoirL(
    insideOfMaterial(plant.pot, plant.potMaterial),
    cover ? insideOfMaterial(cover.shape, cover.material) : null,
  );
}
async function save(): Promise<void> {
  if (plantId.value === null || full.value === null) {
    fault.value = m.form.number;
    return;
  }
  saving.value = true;
  fault.value = '';
  try {
    const { deed } = await write(`/reservoirs/${plantId.value}`, {
      method: 'PUT',
      body: {
        fullL: full.value,
        wick: wick.value,
        note: props.changed?.reservoir.note ?? '',
      },
      ...(props.changed ? { rev: props.changed.reservoir.rev } : {}),
    });
    notices.done(m.water.saved, { deed, back: () => emit('saved') });
    open.value = false;
    emit('saved');
  } catch (error) {
    fault.value = error instanceof ApiError ? wordsFor(error) : m.error.unknown;
  } finally {
    saving.value = false;
  }
}
async function remove(): Promise<void> {
  const { plantId: id } = props.changed!;
  try {
    const { deed } = await write(`/reservoirs/${id}`, { method: 'DELETE' });
    open.value = false;
    notices.done(m.water.removed, { deed, back: () => emit('saved') });
    emit('saved');
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="changed ? `${m.water.addTitle}: ${changed.name}` : m.water.addTitle"
    :save="m.water.save"
    :saving="saving"
    :fault="fault"
    :width="520"
    @submit="save"
  >
    <v-autocomplete v-if="!changed" v-model="plantId" :items="choices" :label="m.water.plant" />
    <QuantityField
      v-model="full"
      :label="m.water.full"
      of="volume"
      :hint="m.water.fullHint"
      name="fullL"
    />
    <v-select v-model="wick" :items="wicks" :label="m.water.wick" />
    <div v-if="changed">
      <v-btn variant="text" @click="remove">{{ m.water.remove }}</v-btn>
    </div>
  </FormDialog>
</template>
