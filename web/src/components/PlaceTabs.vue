<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { tabsOf, type PlaceId } from '../places.ts';
import TabLinks from './TabLinks.vue';

/** The rooms of a place, the present one marked. */
const props = defineProps<{ of: PlaceId }>();
const route = useRoute();
const tabs = computed(() => tabsOf(props.of, route.meta.tab ?? route.path));
</script>

<template>
  <TabLinks :label="tabs.label" :pages="tabs.pages" />
</template>
