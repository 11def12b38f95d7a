<script setup lang="ts">
/** Links between pages that belong together, the present one marked. */
defineProps<{ label: string; pages: { to: string; word: string; here: boolean }[] }>();
</script>

<template>
  <nav class="tabs no-print" :aria-label="label">
    <router-link
      v-for="page in pages"
      :key="page.to"
      :to="page.to"
      :class="{ here: page.here }"
      :aria-current="page.here ? 'page' : undefined"
      >{{ page.word }}</router-link
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
}
.tabs a {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 13px;
  color: inherit;
  text-decoration: none;
  border-bottom: 2px solid rgb(var(--v-theme-on-surface), 0.15);
}
.tabs a.here {
  border-bottom-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}
</style>
