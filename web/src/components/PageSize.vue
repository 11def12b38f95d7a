<script setup lang="ts">
import { PAPERS, type Paper } from '@fernbank/core';
import { computed } from 'vue';

/** The paper that a page is printed on; the innermost one holds. */
const props = defineProps<{ paper: Paper; marginMm: number }>();
const rule = computed(() => {
  const { widthMm, heightMm } = PAPERS[props.paper];
  return `@page { size: ${widthMm}mm ${heightMm}mm; margin: ${props.marginMm}mm }`;
});
</script>

<template>
  <component :is="'style'">{{ rule }}</component>
</template>
