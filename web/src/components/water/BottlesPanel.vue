<script setup lang="ts">
import { mdiClose, mdiPlus } from '@mdi/js';
import { pourOrder } from '@fernbank/core';
import { computed } from 'vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

/** Several bottles into one can: amounts within each label, in an order in which nothing falls out. */
const { number } = useUnits();
type Holds = keyof typeof m.solutions.kinds;
interface Bottle {
  label: string;
  mlPerL: number | null;
  mostMlPerL: number | null;
  holds: Holds;
}
const bottle = (label: string, holds: Holds, mlPerL: number, mostMlPerL: number): Bottle => ({
  label,
  holds,
  mlPerL,
  mostMlPerL,
});
const { draft } = useDraft('bottles', () => ({
  totalL: 10 as number | null,
  bottles: [bottle('A', 'calcium', 2, 5), bottle('B', 'plain', 2, 5)],
}));
const kinds = (Object.keys(m.solutions.kinds) as Holds[]).map((value) => ({
  value,
  title: m.solutions.kinds[value],
}));
const next = () => String.fromCharCode(65 + (draft.value.bottles.length % 26));
const add = () => draft.value.bottles.push(bottle(next(), 'plain', 1, 5));
const remove = (i: number) => draft.value.bottles.splice(i, 1);

const poured = computed(() => {
  const { totalL, bottles } = draft.value;
  const open = bottles.some(({ mlPerL, mostMlPerL }) => mlPerL === null || mostMlPerL === null);
  if (totalL === null || open) return { pours: [], fault: m.solutions.open };
  try {
    const feeds = bottles.map(({ label, holds, mlPerL, mostMlPerL }) => ({
      mlPerL: mlPerL!,
      bottle: {
        label,
        leastMlPerL: 0,
        mostMlPerL: mostMlPerL!,
        ...(holds === 'calcium' ? { holdsCalcium: true } : {}),
        ...(holds === 'silicate' ? { silicate: true } : {}),
        ...(holds === 'ph' ? { adjustsPh: true } : {}),
      },
    }));
    return { pours: pourOrder(feeds, totalL), fault: '' };
  } catch (error) {
    return { pours: [], fault: m.solutions.fault((error as Error).message) };
  }
});
</script>

<template>
  <section class="panel stack">
    <h2>{{ m.solutions.bottles }}</h2>
    <p class="quiet">{{ m.solutions.bottlesIntro }}</p>
    <QuantityField v-model="draft.totalL" :label="m.solutions.total" of="volume" />
    <div v-for="(one, i) in draft.bottles" :key="i" class="bottle">
      <v-text-field v-model="one.label" :label="m.solutions.bottle" hide-details />
      <v-select v-model="one.holds" :items="kinds" :label="m.solutions.kind" hide-details />
      <v-btn
        :icon="mdiClose"
        variant="text"
        size="48"
        :aria-label="m.solutions.removeBottle(one.label)"
        @click="remove(i)"
      />
      <NumberField v-model="one.mlPerL" :label="m.solutions.bottleRate" unit="mL/L" />
      <NumberField v-model="one.mostMlPerL" :label="m.solutions.bottleMost" unit="mL/L" />
    </div>
    <div>
      <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="add">{{
        m.solutions.addBottle
      }}</v-btn>
    </div>
    <p v-if="poured.fault" role="alert" class="text-error">{{ poured.fault }}</p>
    <ol v-else class="bare pours">
      <li v-for="(pour, i) in poured.pours" :key="pour.label">
        {{ m.solutions.pour(i + 1, pour.label, number(pour.ml, 0), pour.why) }}
      </li>
    </ol>
    <p class="caution">{{ m.solutions.labelRules }}</p>
  </section>
</template>

<style scoped>
.bottle {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 48px;
  gap: 8px;
  align-items: start;
  padding-bottom: 8px;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.15);
}
.pours {
  font-weight: 700;
}
</style>
