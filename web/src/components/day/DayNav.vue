<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import TabLinks from '../TabLinks.vue';

/** The rooms of a potting day. */
const props = defineProps<{ at: keyof typeof m.day.rooms }>();
const ROOMS = [
  ['/day', 'plan'],
  ['/day/pots', 'pots'],
  ['/day/order', 'order'],
  ['/day/lists', 'lists'],
  ['/day/bench', 'bench'],
] as const;
const pages = computed(() =>
  ROOMS.map(([to, room]) => ({ to, word: m.day.rooms[room], here: props.at === room })),
);
</script>

<template>
  <TabLinks :label="m.day.title" :pages="pages" />
</template>
