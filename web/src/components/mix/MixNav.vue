<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import TabLinks from '../TabLinks.vue';

/** The rooms of fitting and mixing. */
const props = defineProps<{
  at: 'plants' | 'recipes' | 'components' | 'batch' | 'design' | 'mound' | 'pebbles';
}>();
const pages = computed(() =>
  (
    [
      ['/fit', 'plants'],
      ['/mix', 'recipes'],
      ['/mix/components', 'components'],
      ['/mix/batch', 'batch'],
      ['/mix/design', 'design'],
      ['/mix/mound', 'mound'],
      ['/mix/pebbles', 'pebbles'],
    ] as const
  ).map(([to, room]) => ({ to, word: m.mix.rooms[room], here: props.at === room })),
);
</script>

<template>
  <TabLinks :label="m.mix.nav" :pages="pages" />
</template>
