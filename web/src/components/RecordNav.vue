<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../messages/index.ts';
import TabLinks from './TabLinks.vue';

/** The rooms of the record. */
const props = defineProps<{ at: 'collection' | 'shelf' | 'settings' }>();
const pages = computed(() => [
  { to: '/record', word: m.record.collection, here: props.at === 'collection' },
  { to: '/record/shelf', word: m.record.shelf, here: props.at === 'shelf' },
  { to: '/record/settings', word: m.record.settings, here: props.at === 'settings' },
]);
</script>

<template>
  <TabLinks :label="m.record.title" :pages="pages" />
</template>
