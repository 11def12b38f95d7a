<script setup lang="ts">
import { LIGHT_CLASSES } from '@fernbank/core';
import { computed } from 'vue';
import type { Mapping } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import LatitudeField from '../LatitudeField.vue';

/** What a file's spots are like that are made with it: asked here, since every verdict rests on it. */
type Said = Mapping['newSpots'];
const props = defineProps<{
  names: readonly string[];
  said: Said;
  /** where all of them lie; absent: there are spots, which tell it */
  latitude?: number | null | undefined;
}>();
const emit = defineEmits<{ say: [said: Said]; latitude: [deg: number | null] }>();
const t = m.importing;

const ROOM: Said[string] = { indoors: true, light: 'medium' };
const rows = computed(() => props.names.map((name) => ({ name, ...(props.said[name] ?? ROOM) })));
const places = [
  { value: true, title: m.spot.indoors },
  { value: false, title: m.spot.outdoors },
];
const lights = LIGHT_CLASSES.map(({ id: value, label: title }) => ({ value, title }));
function say(name: string, more: Partial<Said[string]>): void {
  const before = props.said[name] ?? ROOM;
  emit('say', { ...props.said, [name]: { ...before, ...more } });
}
</script>

<template>
  <fieldset class="stack">
    <legend>{{ t.newSpots(names.length) }}</legend>
    <div v-for="row in rows" :key="row.name" class="row spot" role="group" :aria-label="row.name">
      <strong>{{ row.name }}</strong>
      <v-select
        :model-value="row.indoors"
        :items="places"
        :label="m.spot.where"
        hide-details
        @update:model-value="(indoors) => say(row.name, { indoors })"
      />
      <v-select
        :model-value="row.light"
        :items="lights"
        :label="m.spot.light"
        hide-details
        @update:model-value="(light) => say(row.name, { light })"
      />
    </div>
    <LatitudeField
      v-if="latitude !== undefined"
      class="latitude"
      first
      :model-value="latitude"
      @update:model-value="
        (deg) => emit('latitude', deg === null || Math.abs(deg) > 90 ? null : deg)
      "
    />
    <p class="quiet small">{{ t.newSpotsHint }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 1px solid rgb(var(--v-theme-on-surface), 0.2);
  border-radius: 8px;
  padding: 10px 14px;
}
.latitude {
  max-width: 420px;
}
.spot > strong {
  flex: 1 1 140px;
}
.spot > :not(strong) {
  flex: 1 1 180px;
}
</style>
