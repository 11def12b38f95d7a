<script setup lang="ts">
import { mdiSwapHorizontal } from '@mdi/js';
import { draw, type Component, type ScoopPlan } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** Each component in whole scoops, litres and grams, with what there is of it. */
const props = defineProps<{
  measures: readonly { component: Component; litres: number; dryKg: number }[];
  scoop: ScoopPlan;
  swappable?: boolean;
}>();
defineEmits<{ swap: [of: number] }>();
const store = usePantry();
const { volume, weight } = useUnits();

const rows = computed(() =>
  props.measures.map(({ component, litres, dryKg }, i) => {
    const row = store.stockOf(component.id);
    const drawn = row && store.counted(component.id) ? draw(litres, row) : null;
    return {
      component,
      scoops: m.fit.scoops(props.scoop.scoops[i]!),
      litres: volume(litres),
      dry: weight(dryKg),
      stock: drawn === null ? '' : stockWords(drawn),
      short: drawn !== null && drawn.missingL > 0,
    };
  }),
);
function stockWords({ missingL, opens }: ReturnType<typeof draw>): string {
  if (missingL > 0) return m.mix.missing(volume(missingL));
  return opens > 0 ? m.mix.opens(opens) : m.mix.fromOpen;
}
</script>

<template>
  <table class="figures">
    <thead>
      <tr>
        <th>{{ m.fit.component }}</th>
        <th class="num">{{ m.fit.scoop }} {{ volume(scoop.scoopL) }}</th>
        <th class="num">{{ m.fit.litres }}, {{ m.mix.dryWeight }}</th>
        <th v-if="swappable" class="no-print">
          <span class="unseen">{{ m.mix.swap }}</span>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="row.component.id">
        <td>
          {{ row.component.label }}
          <span v-if="row.stock" :class="['stock', 'small', row.short ? 'text-error' : 'quiet']">{{
            row.stock
          }}</span>
        </td>
        <td class="num big">{{ row.scoops }}</td>
        <td class="num">
          {{ row.litres }}<span class="stock small quiet">{{ row.dry }}</span>
        </td>
        <td v-if="swappable" class="no-print">
          <v-btn
            :icon="mdiSwapHorizontal"
            variant="text"
            size="48"
            :aria-label="m.mix.swapOut(row.component.label)"
            @click="$emit('swap', i)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.figures th.num {
  white-space: normal;
}
.big {
  font-size: 1.2rem;
  font-weight: 700;
}
.stock {
  display: block;
}
.unseen {
  position: absolute;
  clip-path: inset(50%);
}
</style>
