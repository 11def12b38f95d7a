<script setup lang="ts">
import { useScroll } from '@vueuse/core';
import { onMounted, useTemplateRef } from 'vue';

/** Links between pages that belong together, the present one marked. */
defineProps<{ label: string; pages: { to: string; word: string; here: boolean }[] }>();
const nav = useTemplateRef<HTMLElement>('nav');
const { arrivedState, measure } = useScroll(nav);
// On a phone the rooms can be wider than the screen: the present one is brought into view.
onMounted(() => {
  const here = nav.value?.querySelector<HTMLElement>('.here');
  if (here) {
    nav.value!.scrollLeft = here.offsetLeft - nav.value!.clientWidth / 2 + here.clientWidth / 2;
  }
  measure();
});
</script>

<template>
  <nav
    ref="nav"
    :class="['tabs', 'no-print', { before: !arrivedState.left, after: !arrivedState.right }]"
    :aria-label="label"
  >
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
/* That there are more than are seen. */
.before::before,
.after::after {
  position: sticky;
  z-index: 1;
  flex: none;
  width: 34px;
  display: grid;
  place-items: center;
  font-size: 1.5rem;
  pointer-events: none;
}
.before::before {
  content: '‹';
  left: 0;
  margin-right: -34px;
  background: linear-gradient(to left, transparent, rgb(var(--v-theme-background)) 45%);
}
.after::after {
  content: '›';
  right: 0;
  margin-left: -34px;
  background: linear-gradient(to right, transparent, rgb(var(--v-theme-background)) 45%);
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
