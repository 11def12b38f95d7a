<script setup lang="ts">
import {
  DATE_ORDERS,
  fieldsOf,
  LENGTH_UNITS,
  MASS_UNITS,
  type ColumnUse,
  type ImportKind,
} from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/** What each column of a file means, with its unit or the order of its days, beside what stands in it. */
const props = defineProps<{
  kind: ImportKind;
  headings: string[];
  sample: string[][];
  columns: ColumnUse[];
  unsure: number[];
}>();
const emit = defineEmits<{ change: [at: number, use: ColumnUse] }>();

const meanings = computed(() => [
  { value: '', title: m.importing.leaveOut },
  ...fieldsOf(props.kind)
    .filter(({ id }) => id !== 'note')
    .map(({ id: value, label: title }) => ({ value, title })),
  { value: 'note', title: m.importing.toNote },
]);
const kindOf = ({ field }: ColumnUse) => fieldsOf(props.kind).find(({ id }) => id === field)?.kind;
const unitsFor = (use: ColumnUse) =>
  ({ length: Object.keys(LENGTH_UNITS), mass: Object.keys(MASS_UNITS) })[kindOf(use) as 'length'] ??
  [];
const orders = DATE_ORDERS.map((value) => ({ value, title: m.importing.orders[value] }));
const example = (at: number) =>
  [...new Set(props.sample.map((row) => row[at] ?? '').filter(Boolean))]
    .slice(0, 3)
    .map((text) => (text.length > 32 ? `${text.slice(0, 32)}…` : text))
    .join(' · ');
const change = (at: number, more: Partial<ColumnUse>) =>
  emit('change', at, { ...props.columns[at]!, ...more });
</script>

<template>
  <ul class="bare columns">
    <li v-for="(heading, i) in headings" :key="i" :class="{ left: columns[i]!.field === null }">
      <div class="heading">
        <strong>{{ heading.length > 60 ? `${heading.slice(0, 60)}…` : heading }}</strong>
        <span class="quiet example">{{ example(i) }}</span>
      </div>
      <v-select
        :model-value="columns[i]!.field ?? ''"
        :items="meanings"
        :label="m.importing.means"
        :aria-label="`${heading}: ${m.importing.means}`"
        density="compact"
        hide-details
        @update:model-value="(field: string) => change(i, { field: field || null })"
      />
      <v-select
        v-if="unitsFor(columns[i]!).length > 0"
        :model-value="columns[i]!.unit"
        :items="unitsFor(columns[i]!)"
        :label="m.importing.unit"
        :aria-label="`${heading}: ${m.importing.unit}`"
        density="compact"
        hide-details
        @update:model-value="(unit) => change(i, { unit })"
      />
      <v-select
        v-else-if="kindOf(columns[i]!) === 'date'"
        :model-value="columns[i]!.order"
        :items="orders"
        :label="m.importing.order"
        :aria-label="`${heading}: ${m.importing.order}`"
        density="compact"
        hide-details
        @update:model-value="(order) => change(i, { order })"
      />
      <p v-if="unsure.includes(i) && kindOf(columns[i]!) === 'date'" class="unsure">
        {{ m.importing.unsure }}
      </p>
    </li>
  </ul>
</template>

<style scoped>
.columns li {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 0.8fr);
  gap: 4px 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.heading {
  min-width: 0;
  overflow-wrap: anywhere;
}
.example {
  display: block;
  font-size: 0.88rem;
}
.unsure {
  grid-column: 1 / -1;
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}
@media (max-width: 700px) {
  .columns li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .heading {
    grid-column: 1 / -1;
  }
}
</style>
