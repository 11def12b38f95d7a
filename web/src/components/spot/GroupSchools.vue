<script setup lang="ts">
import { GROUPS, GROUP_SCHOOLS, SCHOOLS, type GroupSchool } from '@fernbank/core';
import { schoolItems } from '../../composables/schoolItems.ts';
import { mdiDeleteOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import type { Settings } from '../../api/types.ts';
import { m } from '../../messages/index.ts';

/** Schools for the plants of one group, where they differ from the collection's. */
const props = defineProps<{ groupSchools: Settings['groupSchools'] }>();
const emit = defineEmits<{ change: [groupSchools: Settings['groupSchools']] }>();

const labelOf = (id: string) => GROUPS.find((group) => group.id === id)?.label ?? id;
const chosen = ref<string | null>(null);
const free = computed(() =>
  GROUPS.filter(({ id }) => !(id in props.groupSchools)).map(({ id, label }) => ({
    value: id,
    title: label,
  })),
);
function add(): void {
  if (!chosen.value) return;
  emit('change', { ...props.groupSchools, [chosen.value]: {} });
  chosen.value = null;
}
function set(group: string, name: GroupSchool, value: string | null): void {
  const { [name]: _before, ...others } = props.groupSchools[group] ?? {};
  emit('change', {
    ...props.groupSchools,
    [group]: value === null ? others : { ...others, [name]: value },
  });
}
function remove(group: string): void {
  const { [group]: _gone, ...others } = props.groupSchools;
  emit('change', others);
}
</script>

<template>
  <div class="stack">
    <h3>{{ m.settings.groups }}</h3>
    <p class="quiet">{{ m.settings.groupsIntro }}</p>
    <div v-for="(schools, group) in groupSchools" :key="group" class="group">
      <strong>{{ labelOf(String(group)) }}</strong>
      <v-select
        v-for="name in GROUP_SCHOOLS"
        :key="name"
        :model-value="schools[name] ?? null"
        :items="schoolItems(name, m.settings.asCollection)"
        :label="SCHOOLS[name].question"
        hide-details
        @update:model-value="(value: string | null) => set(String(group), name, value)"
      />
      <v-btn
        :icon="mdiDeleteOutline"
        variant="text"
        size="48"
        :aria-label="`${m.spot.remove}: ${labelOf(String(group))}`"
        @click="remove(String(group))"
      />
    </div>
    <div class="row">
      <v-autocomplete
        v-model="chosen"
        :items="free"
        :label="m.settings.group"
        hide-details
        class="pick"
      />
      <v-btn variant="outlined" min-height="54" :disabled="!chosen" @click="add">{{
        m.settings.addGroup
      }}</v-btn>
    </div>
  </div>
</template>

<style scoped>
.group {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) repeat(3, minmax(0, 1fr)) auto;
  gap: 10px;
  align-items: center;
}
.pick {
  max-width: 360px;
  min-width: 220px;
}
@media (max-width: 800px) {
  .group {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
