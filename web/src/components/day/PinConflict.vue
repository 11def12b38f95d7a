<script setup lang="ts">
import type { Pin, PinConflict } from '@fernbank/core';
import { useUnits } from '../../composables/useUnits.ts';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';
import { useDay } from '../../stores/day.ts';

/** Pins that cannot all hold, named, each with a way to let go of it. */
defineProps<{ conflict: PinConflict }>();
const store = useDay();
const { day } = useDates();
const nameOf = (plant: number) =>
  store.problem?.plants.find(({ id }) => id === plant)?.name ?? String(plant);
const { said } = useUnits();
const potOf = (id: string) => said(store.problem?.pots.find((pot) => pot.id === id)?.label ?? id);
function words(pin: Pin): string {
  const name = nameOf(pin.plant);
  switch (pin.kind) {
    case 'in':
      return m.day.pinWords.in(name);
    case 'out':
      return m.day.pinWords.out(name);
    case 'on':
      return m.day.pinWords.on(name, day(pin.date));
    case 'pot':
      return m.day.pinWords.pot(name, potOf(pin.pot));
    case 'notPot':
      return m.day.pinWords.notPot(name, potOf(pin.pot));
  }
}
</script>

<template>
  <section class="panel stack" role="alert">
    <h2>{{ m.day.conflict }}</h2>
    <p>{{ m.day.conflictWhy[conflict.limit ?? 'none'] }}</p>
    <ul class="bare pins">
      <li v-for="pin in conflict.pins" :key="`${pin.kind}${pin.plant}`">
        <strong>{{ words(pin) }}</strong>
        <v-btn
          variant="outlined"
          :aria-label="m.day.letGo(nameOf(pin.plant))"
          @click="store.unpin(pin.plant, m.day.told.free(nameOf(pin.plant)))"
          >{{ m.day.dropPin }}</v-btn
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.pins {
  display: grid;
  gap: 8px;
}
.pins li {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
}
</style>
