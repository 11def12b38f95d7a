<script setup lang="ts">
import type { PlantFile } from '../api/types.ts';
import { useUnits } from '../composables/useUnits.ts';
import { rimCm } from '@fernbank/core';
import { m } from '../messages/index.ts';

/** Whose page this is, with the ways to its other pages. */
defineProps<{ file: PlantFile; at: 'life' | 'look' | 'verdict' | 'fit' }>();
const { length } = useUnits();
const pages = [
  { id: 'life', path: '', word: m.nav.record },
  { id: 'look', path: '/look', word: m.plant.look },
  { id: 'verdict', path: '/verdict', word: m.plant.verdict },
  { id: 'fit', path: '/fit', word: m.nav.fit },
] as const;
</script>

<template>
  <header class="head">
    <div>
      <div class="serif name">{{ file.plant.name }}</div>
      <div class="quiet">
        <span class="taxon">{{ file.plant.taxon }}</span> · {{ file.spot.name }} ·
        {{ length(rimCm(file.plant.pot)) }}
      </div>
    </div>
    <nav class="pages no-print" :aria-label="file.plant.name">
      <router-link
        v-for="page in pages"
        :key="page.id"
        :to="`/plants/${file.plant.id}${page.path}`"
        :class="{ here: page.id === at }"
        :aria-current="page.id === at ? 'page' : undefined"
        >{{ page.word }}</router-link
      >
    </nav>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: end;
  gap: 8px 20px;
  flex-wrap: wrap;
}
.name {
  font-size: 1.3rem;
}
.pages {
  display: flex;
  gap: 2px;
}
.pages a {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 12px;
  color: inherit;
  text-decoration: none;
  border-bottom: 2px solid rgb(var(--v-theme-on-surface), 0.15);
}
.pages a.here {
  border-bottom-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}
</style>
