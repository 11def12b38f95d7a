<script setup lang="ts">
import { computed, onMounted, useTemplateRef } from 'vue';
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
const room = useTemplateRef<HTMLElement>('room');
// On a phone the rooms are wider than the screen: the present one is brought into view.
onMounted(() => {
  const here = room.value?.querySelector<HTMLElement>('.here');
  const nav = here?.parentElement;
  if (here && nav) nav.scrollLeft = here.offsetLeft - nav.clientWidth / 2 + here.clientWidth / 2;
});
</script>

<template>
  <div ref="room">
    <TabLinks :label="m.mix.nav" :pages="pages" class="rooms" />
  </div>
</template>

<style scoped>
.rooms {
  overflow-x: auto;
  max-width: 100%;
}
.rooms :deep(a) {
  white-space: nowrap;
}
</style>
