<script setup lang="ts">
import { mdiDeleteOutline, mdiPlus } from '@mdi/js';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

/** Lengths and how many of each, a row a length. */
export interface LengthRow {
  lengthCm: number | null;
  count: number | null;
}
const rows = defineModel<LengthRow[]>({ required: true });
defineProps<{
  countWord: string;
  /** what a row without a number means; empty: nothing */
  uncounted: string;
  addWord: string;
  /** count of a new row */
  first: number | null;
}>();
const { length } = useUnits();
const change = (at: number, changed: Partial<LengthRow>) =>
  (rows.value = rows.value.map((row, i) => (i === at ? { ...row, ...changed } : row)));
</script>

<template>
  <div v-for="(row, i) in rows" :key="i" class="entry">
    <QuantityField
      :model-value="row.lengthCm"
      :label="m.cuts.piece"
      of="length"
      @update:model-value="(lengthCm) => change(i, { lengthCm })"
    />
    <NumberField
      :model-value="row.count"
      :label="countWord"
      :hint="row.count === null ? uncounted : ''"
      @update:model-value="(count) => change(i, { count })"
    />
    <v-btn
      :icon="mdiDeleteOutline"
      variant="text"
      size="48"
      :aria-label="m.cuts.removeRow(row.lengthCm ? length(row.lengthCm) : '')"
      @click="rows = rows.filter((_, at) => at !== i)"
    />
  </div>
  <div>
    <v-btn
      variant="outlined"
      :prepend-icon="mdiPlus"
      @click="rows = [...rows, { lengthCm: null, count: first }]"
      >{{ addWord }}</v-btn
    >
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 10px;
  align-items: start;
}
</style>
