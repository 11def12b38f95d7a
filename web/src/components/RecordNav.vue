<script setup lang="ts">
import { m } from '../messages/index.ts';

/** The rooms of the record. */
defineProps<{ at: 'collection' | 'shelf' | 'settings' }>();
const rooms = [
  { id: 'collection', to: '/record', word: m.record.collection },
  { id: 'shelf', to: '/record/shelf', word: m.record.shelf },
  { id: 'settings', to: '/record/settings', word: m.record.settings },
] as const;
</script>

<template>
  <nav class="rooms" :aria-label="m.record.title">
    <router-link
      v-for="room in rooms"
      :key="room.id"
      :to="room.to"
      :class="{ here: room.id === at }"
      :aria-current="room.id === at ? 'page' : undefined"
      >{{ room.word }}</router-link
    >
  </nav>
</template>

<style scoped>
.rooms {
  display: flex;
}
.rooms a {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 14px;
  color: inherit;
  text-decoration: none;
  border-bottom: 2px solid rgb(var(--v-theme-on-surface), 0.15);
}
.rooms a.here {
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
  border-bottom-color: rgb(var(--v-theme-primary));
}
</style>
