<script setup lang="ts">
import { onMounted, useTemplateRef } from 'vue';

/** Links between pages that belong together, the present one marked. */
defineProps<{ label: string; pages: { to: string; word: string; here: boolean }[] }>();
const nav = useTemplateRef<HTMLElement>('nav');
// On a phone the rooms can be wider than the screen: the present one is brought into view.
onMounted(() => {
  const here = nav.value?.querySelector<HTMLElement>('.here');
  if (!here) return;
  nav.value!.scrollLeft = here.offsetLeft - nav.value!.clientWidth / 2 + here.clientWidth / 2;
});
</script>

<template>
  <nav ref="nav" class="tabs no-print" :aria-label="label">
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
  position: relative;
  max-width: 100%;
  overflow-x: auto;
}
.tabs a {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 13px;
  white-space: nowrap;
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
