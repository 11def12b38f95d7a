<script setup lang="ts">
import { ref } from 'vue';

/** A part of a page that is worked out only once it is opened. */
defineProps<{ title: string }>();
const opened = ref(false);
const toggled = (event: Event) => (opened.value ||= (event.target as HTMLDetailsElement).open);
</script>

<template>
  <details @toggle="toggled">
    <summary>{{ title }}</summary>
    <slot v-if="opened" />
  </details>
</template>
