<script setup lang="ts">
import { GROUPS, resolveTaxon, searchTaxa } from '@fernbank/core';
import { computed, ref } from 'vue';
import { m } from '../../messages/index.ts';

/** Type-ahead over the catalogue; what it does not know asks for a group. */
const taxon = defineModel<string>('taxon', { required: true });
const groupId = defineModel<string | null>('groupId', { required: true });
defineProps<{ error?: string; groupError?: string }>();

const typed = ref(taxon.value);
const known = computed(() => resolveTaxon(taxon.value));
const suggestions = computed(() => {
  const found = searchTaxa(typed.value ?? '', 12);
  const items = found.map(({ name, common, groupLabel }) => ({
    title: name,
    props: { subtitle: `${common} · ${groupLabel}` },
  }));
  return items;
});
function choose(value: string | null | { title: string }): void {
  taxon.value = typeof value === 'object' ? (value?.title ?? '') : value;
  if (resolveTaxon(taxon.value)) groupId.value = null;
}
</script>

<template>
  <div class="stack">
    <v-combobox
      v-model:search="typed"
      :model-value="taxon"
      :items="suggestions"
      :label="m.form.taxon"
      :hint="known ? `${known.common} · ${known.groupLabel}` : m.form.taxonHint"
      persistent-hint
      :error-messages="error"
      :return-object="false"
      item-value="title"
      no-filter
      variant="outlined"
      density="comfortable"
      hide-details="auto"
      autocomplete="off"
      name="taxon"
      @update:model-value="choose"
      @update:search="(text: string) => choose(text)"
    />
    <v-autocomplete
      v-if="taxon.trim() && !known"
      v-model="groupId"
      :items="GROUPS"
      item-title="label"
      item-value="id"
      :label="m.form.group"
      :hint="m.form.unknownTaxon"
      persistent-hint
      :error-messages="groupError"
      name="group"
    />
  </div>
</template>
