<script setup lang="ts">
/** Steps with a box to tick on paper, each with its cautions. */
defineProps<{ steps: readonly { id: string; title: string; cautions: readonly string[] }[] }>();
</script>

<template>
  <ol class="bare">
    <li v-for="step in steps" :key="step.id">
      {{ step.title }}
      <p v-for="caution in step.cautions" :key="caution" class="caution small">{{ caution }}</p>
    </li>
  </ol>
</template>

<style scoped>
li {
  padding-left: 1.7em;
  position: relative;
  margin-bottom: 5px;
  break-inside: avoid;
}
li::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0.2em;
  width: 0.95em;
  height: 0.95em;
  border: 1.5px solid currentColor;
  border-radius: 2px;
}
@media print {
  li {
    margin-bottom: 2px;
  }
}
</style>
