<script setup lang="ts">
import { mdiClose, mdiMinus, mdiPlus, mdiSwapHorizontal } from '@mdi/js';
import { checkParts, whyAvoided, type RecipePart } from '@fernbank/core';
import { computed, ref } from 'vue';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import NumberField from '../NumberField.vue';

/** Parts of a recipe by measured volume: what, how many, what share of the whole. */
const parts = defineModel<RecipePart[]>({ required: true });
defineEmits<{ swap: [of: number] }>();
const store = usePantry();

const total = computed(() =>
  parts.value.reduce((sum, { parts: n }) => sum + (Number.isFinite(n) ? n : 0), 0),
);
const fault = computed(() => {
  if (parts.value.length === 0) return m.mix.noParts;
  try {
    checkParts(parts.value);
    return '';
  } catch (error) {
    return m.mix.partsFault((error as Error).message, (id) => label(id));
  }
});
const label = (id: string) => store.pantry.component(id).label;
const share = (n: number) => (total.value > 0 ? `${Math.round((100 * n) / total.value)} %` : '');
function set(i: number, n: number | null): void {
  parts.value = parts.value.map((part, at) => (at === i ? { ...part, parts: n ?? 0 } : part));
}
const stepped = (n: number, by: 1 | -1) => Math.max(0, Math.round(n) + by);
function drop(i: number): void {
  parts.value = parts.value.filter((_, at) => at !== i);
}
const adding = ref<string | null>(null);
function add(id: string | null): void {
  adding.value = null;
  if (id) parts.value = [...parts.value, { component: id, parts: 1 }];
}
const notes = (id: string) => {
  const component = store.pantry.component(id);
  const avoided = whyAvoided(component, store.pantry.avoided);
  if (avoided) return m.mix.avoidedMark;
  return store.outOfStock(id) ? m.mix.outMark : '';
};
const choices = computed(() =>
  store.pantry.components
    .filter(({ id }) => !parts.value.some(({ component }) => component === id))
    .map(({ id: value, label: title }) => ({
      value,
      title,
      props: { subtitle: notes(value) },
    })),
);
</script>

<template>
  <div class="stack parts">
    <ul>
      <li v-for="(part, i) in parts" :key="part.component">
        <span class="name">
          <strong>{{ label(part.component) }}</strong>
          <span v-if="notes(part.component)" class="mark">{{ notes(part.component) }}</span>
        </span>
        <v-btn
          :icon="mdiMinus"
          variant="text"
          size="48"
          :aria-label="m.mix.less(label(part.component))"
          @click="set(i, stepped(part.parts, -1))"
        />
        <NumberField
          :model-value="part.parts"
          :label="m.mix.partsOf(label(part.component))"
          class="count"
          @update:model-value="(n) => set(i, n)"
        />
        <v-btn
          :icon="mdiPlus"
          variant="text"
          size="48"
          :aria-label="m.mix.more(label(part.component))"
          @click="set(i, stepped(part.parts, 1))"
        />
        <span class="share">{{ share(part.parts) }}</span>
        <span class="acts no-print">
          <v-btn
            :icon="mdiSwapHorizontal"
            variant="text"
            size="48"
            :aria-label="m.mix.swapOut(label(part.component))"
            :disabled="Boolean(fault)"
            @click="$emit('swap', i)"
          />
          <v-btn
            :icon="mdiClose"
            variant="text"
            size="48"
            :aria-label="m.mix.takeOut(label(part.component))"
            @click="drop(i)"
          />
        </span>
      </li>
    </ul>
    <v-autocomplete
      :model-value="adding"
      :items="choices"
      :label="m.mix.addPart"
      hide-details
      class="add no-print"
      @update:model-value="add"
    />
    <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
  </div>
</template>

<style scoped>
.parts ul {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 2px;
}
.parts li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 48px 74px 48px 52px auto;
  align-items: center;
}
.name {
  display: grid;
}
.mark {
  color: rgb(var(--v-theme-error));
  font-size: 0.88rem;
}
.count :deep(.v-input__details) {
  display: none;
}
.count :deep(input) {
  text-align: center;
  font-weight: 700;
}
.count :deep(label) {
  display: none;
}
.share {
  text-align: right;
}
.acts {
  white-space: nowrap;
}
.add {
  max-width: 420px;
}
@media (max-width: 640px) {
  .parts li {
    grid-template-columns: 48px 74px 48px 1fr auto;
    padding-bottom: 6px;
    border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
  }
  .name {
    grid-column: 1 / -1;
  }
}
</style>
