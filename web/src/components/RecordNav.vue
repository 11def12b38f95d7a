<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../messages/index.ts';
import TabLinks from './TabLinks.vue';

/** The rooms of the record. */
const props = defineProps<{
  at: 'collection' | 'shelf' | 'worked' | 'labels' | 'past' | 'keeping' | 'settings';
}>();
const pages = computed(() => [
  { to: '/record', word: m.record.collection, here: props.at === 'collection' },
  { to: '/record/shelf', word: m.record.shelf, here: props.at === 'shelf' },
  { to: '/record/worked', word: m.worked.title, here: props.at === 'worked' },
  { to: '/record/labels', word: m.labels.title, here: props.at === 'labels' },
  { to: '/record/past', word: m.keeping.past, here: props.at === 'past' },
  { to: '/record/keeping', word: m.keeping.title, here: props.at === 'keeping' },
  { to: '/record/settings', word: m.record.settings, here: props.at === 'settings' },
]);
</script>

<template>
  <TabLinks :label="m.record.title" :pages="pages" />
</template>
