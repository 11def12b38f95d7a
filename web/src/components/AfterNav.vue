<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../messages/index.ts';
import TabLinks from './TabLinks.vue';

/** The rooms of aftercare. */
const props = defineProps<{ at: keyof typeof m.aftercare.rooms }>();
const ROOMS = [
  ['/aftercare', 'tasks'],
  ['/aftercare/tray', 'tray'],
  ['/aftercare/water', 'water'],
  ['/aftercare/solutions', 'solutions'],
] as const;
const pages = computed(() =>
  ROOMS.map(([to, room]) => ({ to, word: m.aftercare.rooms[room], here: props.at === room })),
);
</script>

<template>
  <TabLinks :label="m.aftercare.title" :pages="pages" />
</template>
