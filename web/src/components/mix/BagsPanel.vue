<script setup lang="ts">
import { draw, type Component } from '@fernbank/core';
import { computed, ref } from 'vue';
import { write } from '../../api/client.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';

/** Bags to open and to buy for a batch, what is left, what it is worth; and the stock set to that. */
const props = defineProps<{ measures: readonly { component: Component; litres: number }[] }>();
const store = usePantry();
const notices = useNotices();
const { volume, money } = useUnits();

const draws = computed(() =>
  props.measures.map(({ component, litres }) => {
    const row = store.stockOf(component.id);
    const stock = row ?? { bagL: null, bags: 0, openL: 0, pricePerBag: null };
    return {
      component,
      row,
      stock,
      counted: store.counted(component.id),
      drawn: draw(litres, stock),
    };
  }),
);
const priced = (value: number | null) => (value === null ? m.mix.noPrice : money(value));
const worth = computed(() => {
  const known = draws.value.map(({ drawn }) => drawn.worth);
  return {
    sum: known.reduce<number>((all, value) => all + (value ?? 0), 0),
    missing: known.filter((value) => value === null).length,
  };
});
const toPay = computed(() =>
  draws.value.reduce((sum, { drawn, counted }) => sum + (counted ? (drawn.toPay ?? 0) : 0), 0),
);
const taking = ref(false);
/** What the batch used comes off the stock, and goes back on it by undo. */
async function takeFromStock(): Promise<void> {
  const used = draws.value.filter(({ row, counted }) => row && counted);
  taking.value = true;
  try {
    const { deed } = await write('/components/stock', {
      method: 'POST',
      body: {
        changes: used.map(({ row, drawn }) => ({
          id: row!.id,
          bags: drawn.leftBags,
          openL: Math.round(1000 * drawn.leftOpenL) / 1000,
          rev: row!.rev,
        })),
      },
    });
    await store.load();
    notices.done(m.mix.taken, { deed, back: store.load });
  } catch (error) {
    notices.fault(error);
  } finally {
    taking.value = false;
  }
}
</script>

<template>
  <section class="panel stack">
    <h2>{{ m.mix.bagsTitle }}</h2>
    <div class="scroll">
      <table class="figures">
        <thead>
          <tr>
            <th>{{ m.fit.component }}</th>
            <th class="num">{{ m.mix.needed }}</th>
            <th class="num">{{ m.mix.fromOpenBags }}</th>
            <th class="num">{{ m.mix.toOpen }}</th>
            <th class="num">{{ m.mix.toBuy }}</th>
            <th class="num">{{ m.mix.leftOver }}</th>
            <th class="num">{{ m.mix.cost }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ component, drawn, stock, counted } in draws" :key="component.id">
            <td>{{ component.label }}</td>
            <td class="num">{{ volume(drawn.neededL) }}</td>
            <td class="num">{{ counted ? volume(drawn.fromOpenL) : '–' }}</td>
            <td class="num">{{ counted ? m.mix.bagsOf(drawn.opens) : '–' }}</td>
            <td class="num">
              <template v-if="!counted">{{ m.mix.notCounted }}</template>
              <template v-else-if="drawn.buys === null">{{ volume(drawn.missingL) }}</template>
              <template v-else-if="drawn.buys === 0">–</template>
              <strong v-else class="text-error">{{
                m.mix.bagsOfSize(drawn.buys, volume(stock.bagL!))
              }}</strong>
            </td>
            <td class="num">
              {{ counted ? m.mix.leftLine(drawn.leftBags, volume(drawn.leftOpenL)) : '–' }}
            </td>
            <td class="num">{{ priced(drawn.worth) }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th colspan="6" scope="row">
              {{ m.mix.costAll
              }}<template v-if="worth.missing > 0">
                {{ m.mix.costMissing(worth.missing) }}</template
              >
            </th>
            <td class="num">
              <strong>{{ money(worth.sum) }}</strong>
            </td>
          </tr>
          <tr v-if="toPay > 0">
            <th colspan="6" scope="row">{{ m.mix.toPay }}</th>
            <td class="num">
              <strong>{{ money(toPay) }}</strong>
            </td>
          </tr>
        </tfoot>
      </table>
    </div>
    <div class="row no-print">
      <v-btn
        color="primary"
        min-height="52"
        :loading="taking"
        :disabled="!draws.some(({ counted }) => counted)"
        @click="takeFromStock"
        >{{ m.mix.takeStock }}</v-btn
      >
      <span class="quiet small">{{ m.mix.takeStockHint }}</span>
    </div>
  </section>
</template>
