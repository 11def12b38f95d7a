<script setup lang="ts">
import type { Bought } from '../../composables/useShortages.ts';
import { m } from '../../messages/index.ts';

/** What could be done otherwise, in the two years ahead. */
type Named = { value: number; title: string }[];
defineProps<{ plants: Named; snugPlants: Named; starts: Named; offers: readonly Bought[] }>();
/** ids of plants */
const away = defineModel<number[]>('away', { required: true });
const divided = defineModel<number[]>('divided', { required: true });
const snug = defineModel<number[]>('snug', { required: true });
/** weeks from now */
const notBefore = defineModel<number>('notBefore', { required: true });
const bought = defineModel<Bought[]>('bought', { required: true });
</script>

<template>
  <details class="panel stack no-print">
    <summary>
      <h2>{{ m.ahead.whatIf }}</h2>
    </summary>
    <div class="fields">
      <v-autocomplete
        v-model="away"
        :items="plants"
        :label="m.ahead.away"
        multiple
        chips
        closable-chips
        clear-on-select
        hide-details
      />
      <v-autocomplete
        v-model="divided"
        :items="plants"
        :label="m.ahead.divided"
        :hint="m.ahead.dividedWhy"
        persistent-hint
        multiple
        chips
        closable-chips
        clear-on-select
      />
      <v-select v-model="notBefore" :items="starts" :label="m.ahead.notBefore" hide-details />
      <v-autocomplete
        v-model="bought"
        :items="offers"
        :label="m.ahead.buyNow"
        :hint="m.ahead.buyNowWhy"
        :no-data-text="m.ahead.nothingShort"
        item-value="id"
        return-object
        persistent-hint
        multiple
        chips
        closable-chips
        clear-on-select
      />
      <v-autocomplete
        v-model="snug"
        :items="snugPlants"
        :label="m.ahead.snug"
        :hint="m.ahead.snugWhy"
        persistent-hint
        multiple
        chips
        closable-chips
        clear-on-select
      />
    </div>
  </details>
</template>
