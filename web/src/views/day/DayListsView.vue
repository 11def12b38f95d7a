<script setup lang="ts">
import { mdiDownload } from '@mdi/js';
import { pickList, practisedShare, shoppingList, supportKind, type Purchase } from '@fernbank/core';
import { computed } from 'vue';
import DayPage from '../../components/day/DayPage.vue';
import { useDates } from '../../composables/useDates.ts';
import { useDayPlan } from '../../composables/useDayPlan.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';

/** What to buy and what to fetch, on paper and as files; what was bought is ticked into the stock. */
const { store, current, laid, isSettled } = useDayPlan();
const notices = useNotices();
const pantry = usePantry();
const { volume, length, weight, money, percent, said } = useUnits();
const { day } = useDates();
const LISTS = ['shopping', 'picking', 'batches', 'order'] as const;

type Bought = Exclude<Purchase, { kind: 'check' }>;
const purchases = computed(() => (laid.value ? shoppingList(laid.value) : []));
const shopping = computed(() =>
  purchases.value.filter((one): one is Bought => one.kind !== 'check'),
);
const toCheck = computed(() => purchases.value.filter((one) => one.kind === 'check'));
const words = (bought: Bought): string => {
  switch (bought.kind) {
    case 'bag':
      return m.day.bag(bought.label, volume(bought.bagL));
    case 'pot':
      return m.day.newPot(said(bought.label));
    case 'pole':
      return m.day.pole(bought.label, length(bought.lengthCm));
  }
};
const priceOf = (bought: Bought) =>
  bought.kind === 'pole' || bought.price === null ? null : bought.price * bought.count;
const sum = computed(() => shopping.value.reduce((all, bought) => all + (priceOf(bought) ?? 0), 0));
const unpriced = computed(() => shopping.value.filter((one) => priceOf(one) === null).length);
const isBought = (component: string) =>
  (current.value?.bought ?? []).some((one) => one.component === component);
async function tick(component: string, bought: boolean): Promise<void> {
  try {
    await store.report({ kind: bought ? 'bought' : 'notBought', component });
    await pantry.load();
  } catch (error) {
    notices.fault(error);
  }
}
const picks = computed(() => (laid.value ? pickList(laid.value) : []));
const ofKind = <K extends (typeof picks.value)[number]['kind']>(kind: K) =>
  picks.value.filter((one): one is Extract<typeof one, { kind: K }> => one.kind === kind);
const severalDates = computed(() => (laid.value?.dates.length ?? 0) > 1);
const plantIds = computed(() => (laid.value?.lines ?? []).map(({ plant }) => plant).join(','));
</script>

<template>
  <DayPage :title="m.day.rooms.lists" prints>
    <template v-if="laid">
      <div class="pair">
        <section class="panel">
          <h2>{{ m.day.shoppingTitle }}</h2>
          <p v-if="shopping.length === 0">{{ m.day.nothingToBuy }}</p>
          <table v-else class="figures">
            <tbody>
              <tr v-for="bought in shopping" :key="`${bought.kind}${words(bought)}`">
                <td class="num many">{{ bought.count }} ×</td>
                <td>
                  {{ words(bought) }}
                  <span v-if="bought.kind === 'pot'" class="quiet small block">{{
                    m.day.forPlants(bought.for.join(', '))
                  }}</span>
                </td>
                <td class="num">{{ priceOf(bought) === null ? '' : money(priceOf(bought)!) }}</td>
                <td v-if="isSettled" class="tick">
                  <v-checkbox
                    v-if="bought.kind === 'bag'"
                    :model-value="isBought(bought.component)"
                    :label="m.day.boughtMark"
                    :aria-label="`${m.day.boughtMark}: ${bought.label}`"
                    hide-details
                    class="no-print"
                    @update:model-value="
                      (on: boolean | null) => tick(bought.component, on === true)
                    "
                  />
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="shopping.length > 0" class="sum">
            <strong>{{
              m.day.sum(unpriced < shopping.length ? money(sum) : null, unpriced)
            }}</strong>
          </p>
          <template v-if="toCheck.length > 0">
            <h3>{{ m.day.checkTitle }}</h3>
            <ul class="bare boxes">
              <li v-for="one in toCheck" :key="one.label">
                {{ one.label }}, {{ volume(one.litres) }}
              </li>
            </ul>
          </template>
        </section>
        <section class="panel stack">
          <h2>{{ m.day.pickTitle }}</h2>
          <h3>{{ m.day.pickPlants }}</h3>
          <ul class="bare boxes two">
            <li v-for="one in ofKind('plant')" :key="one.label">
              {{ one.label }}
              <span v-if="severalDates" class="quiet small">{{
                day(laid.dates[one.date]!.date)
              }}</span>
              <span v-if="one.apart" class="text-error small">{{ m.day.tidiness.quarantine }}</span>
            </li>
          </ul>
          <template v-if="ofKind('pot').length > 0">
            <h3>{{ m.day.pickPots }}</h3>
            <ul class="bare boxes">
              <li v-for="one in ofKind('pot')" :key="`${said(one.label)} ${one.for.join()}`">
                {{ one.count }} × {{ said(one.label) }}
                <span class="quiet small">{{ m.day.forPlants(one.for.join(', ')) }}</span>
              </li>
            </ul>
          </template>
          <h3>{{ m.day.pickMix }}</h3>
          <ul class="bare boxes two">
            <li v-for="one in ofKind('component')" :key="one.label">
              {{ one.label }}, {{ volume(one.litres) }}
              <!-- What nobody counted stands as such in the shopping list. -->
              <span v-if="one.counted" class="quiet small">{{
                one.opens > 0 ? m.day.opens(one.opens) : m.day.fromOpen
              }}</span>
            </li>
          </ul>
          <template v-if="ofKind('strands').length > 0">
            <h3>{{ m.day.pickMounds }}</h3>
            <ul class="bare boxes">
              <li v-for="one in ofKind('netPot')" :key="one.widthCm">
                {{ one.count }} × {{ said(one.label) }}
                <span class="quiet small">{{ m.day.forPlants(one.for.join(', ')) }}</span>
              </li>
              <li v-for="one in ofKind('strands')" :key="one.label">
                {{ m.day.strands(one.label, weight(one.dryG / 1000), one.count) }}
                <span v-if="one.count > 1" class="quiet small">{{
                  m.day.practised(percent(practisedShare(one.count)))
                }}</span>
              </li>
            </ul>
          </template>
          <template v-if="ofKind('overWater').length > 0">
            <h3>{{ m.day.pickWater }}</h3>
            <ul class="bare boxes">
              <li v-for="one in ofKind('overWater')" :key="one.label">
                {{ said(one.vessel) }}, {{ volume(one.litres)
                }}<template v-if="one.wicks">{{
                  `, ${m.fit.under.cords(one.wicks.count, one.wicks.label, length(one.wicks.lengthCm))}`
                }}</template>
                <span class="quiet small">{{ m.day.forPlants(one.label) }}</span>
              </li>
              <li v-for="one in ofKind('solution')" :key="one.label">
                {{ m.day.solution(volume(one.litres)) }}
              </li>
            </ul>
          </template>
          <template v-if="laid.cuts.length > 0">
            <h3>{{ m.day.pickPoles }}</h3>
            <ul class="bare boxes">
              <template v-for="cut in laid.cuts" :key="cut.kind">
                <li v-for="(pattern, i) in cut.patterns" :key="i">
                  {{ supportKind(cut.kind).label }}:
                  {{
                    m.day.cutPattern(
                      pattern.times,
                      length(pattern.stockCm),
                      pattern.pieces
                        .map(({ count, lengthCm }) => `${count} × ${length(lengthCm)}`)
                        .join(', '),
                      pattern.offcutCm > 0 ? length(pattern.offcutCm) : null,
                    )
                  }}
                </li>
                <li v-if="cut.fault" class="text-error">{{ cut.fault }}</li>
              </template>
            </ul>
          </template>
        </section>
      </div>
      <section class="panel stack no-print">
        <p v-if="!isSettled">{{ m.day.notSettled }}</p>
        <div v-else class="row">
          <v-btn
            v-for="list in LISTS"
            :key="list"
            variant="outlined"
            :prepend-icon="mdiDownload"
            :href="`/api/days/${current!.id}/${list}.csv`"
            >{{ m.day.csvOf[list] }} {{ m.day.csv }}</v-btn
          >
          <v-btn color="primary" to="/day/sheets">{{ m.day.sheets }}</v-btn>
          <v-btn variant="outlined" :to="`/record/labels?plants=${plantIds}`">{{
            m.day.labels
          }}</v-btn>
        </div>
      </section>
    </template>
  </DayPage>
</template>

<style scoped>
.sum {
  margin-top: 8px;
}
.many {
  width: 48px;
}
.block {
  display: block;
}
.tick {
  width: 130px;
}
.boxes li {
  padding-left: 1.7em;
  position: relative;
  margin-bottom: 5px;
  break-inside: avoid;
}
.boxes li::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0.2em;
  width: 0.95em;
  height: 0.95em;
  border: 1.5px solid currentColor;
  border-radius: 2px;
}
.two {
  columns: 2;
  column-gap: 18px;
}
@media (max-width: 560px) {
  .two {
    columns: 1;
  }
}
@media print {
  .tick {
    width: 0;
  }
}
</style>
