<script setup lang="ts">
import { mdiClose, mdiPlus } from '@mdi/js';
import { useUnits } from '../../composables/useUnits.ts';
import type { PotRow, PotsLitres } from '../../composables/potRows.ts';
import { m } from '../../messages/index.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

/** Pots without a plan, typed in rows: so many of one width, out of another. */
const typed = defineModel<PotRow[]>({ required: true });
defineProps<{ rows: readonly PotsLitres[] }>();
const { volume } = useUnits();

const works = (['ballKept', 'mostOff', 'bareRoot', 'noBall'] as const).map((value) => ({
  value,
  title: m.mix.ballWorks[value],
}));
const addRow = () => typed.value.push({ count: 1, rimCm: null, fromCm: null, work: 'ballKept' });
</script>

<template>
  <div class="stack">
    <ul class="plain only-print">
      <li v-for="pot in rows.filter(({ each }) => each > 0)" :key="pot.label">
        {{ pot.label }}:
        {{ m.mix.rowSum(pot.count, volume(pot.each), volume(pot.each * pot.count)) }}
      </li>
    </ul>
    <ul class="bare rows no-print">
      <li v-for="(row, i) in typed" :key="i">
        <NumberField v-model="row.count" :label="m.mix.potCount" />
        <QuantityField v-model="row.rimCm" :label="m.mix.newPot" of="length" />
        <v-select v-model="row.work" :items="works" :label="m.mix.ball" />
        <QuantityField
          v-if="row.work !== 'noBall'"
          v-model="row.fromCm"
          :label="m.mix.oldPot"
          of="length"
        />
        <span class="sum">
          <template v-if="rows[i]!.fault">{{ rows[i]!.fault }}</template>
          <strong v-else>{{
            m.mix.rowSum(row.count!, volume(rows[i]!.each), volume(rows[i]!.each * row.count!))
          }}</strong>
        </span>
        <v-btn
          :icon="mdiClose"
          variant="text"
          size="48"
          :aria-label="m.mix.dropRow(i + 1)"
          @click="typed.splice(i, 1)"
        />
      </li>
    </ul>
    <div class="no-print">
      <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="addRow">{{ m.mix.addPots }}</v-btn>
    </div>
  </div>
</template>

<style scoped>
.only-print {
  display: none;
}
@media print {
  .only-print {
    display: block;
  }
}
.plain {
  padding-left: 1.1em;
}
.rows li {
  display: grid;
  grid-template-columns: 100px 140px minmax(150px, 1fr) 140px minmax(120px, 1fr) 48px;
  gap: 10px;
  align-items: start;
}
.sum {
  padding-top: 14px;
}
@media (max-width: 800px) {
  .rows li {
    grid-template-columns: 1fr 1fr;
    border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
    padding-bottom: 8px;
  }
}
</style>
