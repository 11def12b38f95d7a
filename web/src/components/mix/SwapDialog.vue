<script setup lang="ts">
import {
  mixFigures,
  permitted,
  substitutes,
  swapPlace,
  type Component,
  type Part,
  type PottedPlace,
  type Substitute,
} from '@fernbank/core';
import { computed } from 'vue';
import { useChangeWords } from '../../composables/changeWords.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** What could stand in for a part in this pot, the nearest first, each with what it changes. */
const props = defineProps<{
  parts: readonly Part<Component>[];
  /** index of the part; null: closed */
  of: number | null;
  place: PottedPlace;
}>();
const emit = defineEmits<{ close: []; swap: [Part<Component>[]] }>();
const store = usePantry();
const { changes, figures } = useChangeWords();

const SHOWN = 7;
const swapIn = computed(() => swapPlace(props.place, store.pantry.priceOf));
const asItIs = computed(() => figures(mixFigures(props.parts, swapIn.value)));
const isIn = (id: string) => props.parts.some(({ ingredient }) => ingredient.id === id);
const part = computed(() => (props.of === null ? null : props.parts[props.of]));
const found = computed((): Substitute[] => {
  if (props.of === null || !part.value) return [];
  const shelf = permitted(store.pantry);
  const all = substitutes(props.parts, props.of, shelf, swapIn.value);
  // What is known to be out of stock is no help; it comes last.
  const out = ({ component }: Substitute) => (store.outOfStock(component.id) ? 1 : 0);
  return [...all].sort((a, b) => out(a) - out(b)).slice(0, SHOWN);
});
function take(substitute: Substitute): void {
  emit('swap', substitute.parts);
  emit('close');
}
const stockWord = (id: string) => {
  const row = store.stockOf(id);
  if (!row || !store.counted(id)) return m.mix.notCounted;
  return row.bags + row.openL === 0 ? m.mix.outMark : m.mix.inStock;
};
</script>

<template>
  <v-dialog
    :model-value="part !== null && part !== undefined"
    max-width="720"
    scrollable
    @update:model-value="(open: boolean) => !open && $emit('close')"
  >
    <v-card v-if="part">
      <div class="stack in-dialog swap">
        <h2>{{ m.mix.insteadOf(part.ingredient.label) }}</h2>
        <p>{{ asItIs }}</p>
        <p class="quiet">{{ m.mix.insteadIntro }}</p>
        <ul>
          <li v-for="substitute in found" :key="substitute.component.id">
            <div>
              <strong>{{
                isIn(substitute.component.id)
                  ? m.mix.moreOf(substitute.component.label)
                  : substitute.component.label
              }}</strong>
              <span class="quiet small"> · {{ stockWord(substitute.component.id) }}</span>
              <br />
              {{ changes(substitute) }}
            </div>
            <v-btn
              variant="outlined"
              :aria-label="m.mix.takeInstead(substitute.component.label)"
              @click="take(substitute)"
              >{{ m.mix.take }}</v-btn
            >
          </li>
        </ul>
        <div>
          <v-btn variant="text" @click="$emit('close')">{{ m.app.close }}</v-btn>
        </div>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.swap ul {
  list-style: none;
  padding: 0;
}
.swap li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
</style>
