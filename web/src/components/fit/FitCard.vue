<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { useDisplay } from 'vuetify';

/**
 * A part of the fit: on a phone a card that says what was chosen and opens to how, and stays open for the next
 * plant; at the desk all of it stands there.
 */
const props = defineProps<{
  name: 'pot' | 'support' | 'mix' | 'record';
  title: string;
  line: string;
}>();
const { smAndDown } = useDisplay();
const opened = useLocalStorage<string[]>('fernbank.fit.open', []);
const open = computed(() => opened.value.includes(props.name));
function toggled(event: Event): void {
  const now = (event.target as HTMLDetailsElement).open;
  if (now === open.value) return;
  const others = opened.value.filter((one) => one !== props.name);
  opened.value = now ? [...others, props.name] : others;
}
</script>

<template>
  <details v-if="smAndDown" :class="['panel', name]" :open="open" @toggle.self="toggled">
    <summary>
      <h2>{{ title }}</h2>
      <p class="sentence">{{ line }}</p>
    </summary>
    <div v-if="open" class="inner stack"><slot /></div>
  </details>
  <slot v-else />
</template>

<style scoped>
summary {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 8px;
  min-height: 48px;
  cursor: pointer;
}
summary p {
  width: 100%;
}
.inner {
  margin-top: 12px;
}
/* What stands in a card needs none of its own, nor its title once more. */
.inner :deep(.panel) {
  padding: 0;
  border: 0;
  background: none;
}
.mix .inner :deep(.mix h2:first-child),
.record .inner :deep(form > h2) {
  display: none;
}
</style>
