<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import {
  listedParts,
  mixFor,
  nominalPot,
  planTub,
  type PotExtra,
  type RecipePart,
  type TubPlan,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client.ts';
import FetchState from '../../components/FetchState.vue';
import BagsPanel from '../../components/mix/BagsPanel.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import PotRows from '../../components/mix/PotRows.vue';
import SwapDialog from '../../components/mix/SwapDialog.vue';
import TubLoads from '../../components/mix/TubLoads.vue';
import QuantityField from '../../components/QuantityField.vue';
import { usePotRows, type PotRow, type PotsLitres } from '../../composables/potRows.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';

/** One mix for many pots: litres, tub loads in whole scoops, bags to open, what is left, cost, weight. */
const route = useRoute();
const store = usePantry();
const settings = useSettings();
const { volume } = useUnits();

const { draft } = useDraft('mix.batch', () => ({
  rows: [] as PotRow[],
  leftOut: [] as number[],
}));
const { value: plans, fault, load } = useLoaded(async () => (await api('/plans')).items);

const recipeId = ref<string>(String(route.query.recipe ?? ''));
watch(plans, (now) => {
  // The recipe that most plans wait for.
  const counts = new Map<string, number>();
  for (const { fit } of now ?? []) counts.set(fit.recipeId, (counts.get(fit.recipeId) ?? 0) + 1);
  const most = [...counts].sort((a, b) => b[1] - a[1])[0];
  if (!recipeId.value) recipeId.value = most?.[0] ?? store.pantry.recipes[0]!.id;
});
const own = ref<RecipePart[] | null>(null);
watch(recipeId, () => (own.value = null));
const recipe = computed(() =>
  recipeId.value ? store.pantry.recipe(recipeId.value) : store.pantry.recipes[0]!,
);
const recipes = computed(() =>
  store.pantry.recipes.map(({ id: value, label, use }) => {
    const waiting = (plans.value ?? []).filter(({ fit }) => fit.recipeId === value).length;
    return {
      value,
      title: waiting > 0 ? m.mix.waiting(label, waiting) : label,
      props: { subtitle: use },
    };
  }),
);
const scoopTyped = ref<number | null>(settings.current.scoopL);
const tubTyped = ref<number | null>(settings.current.tubL);
const litresOf = (typed: number | null) => (typed === null || typed <= 0 ? null : typed);
const scoopL = computed(() => litresOf(scoopTyped.value));
const tubL = computed(() => litresOf(tubTyped.value));
const none = (typed: number | null) => typed !== null && typed <= 0;

/** A pot of usual depth: what mixes of a batch are judged in. */
const place = computed(() => ({
  pot: nominalPot(14),
  airNeed: null,
  drying: 'littleDry' as const,
  temperatureC: 20,
}));
const mixed = computed(() => mixFor(own.value ?? recipe.value.parts, store.pantry, place.value));
const parts = computed(() => mixed.value.parts);

/** Plans that wait for this recipe; one that is to be mixed otherwise is told apart. */
const waiting = computed(() =>
  (plans.value ?? [])
    .filter(({ fit, filledL }) => fit.recipeId === recipe.value.id && filledL > 0)
    .map((plan) => ({
      plan,
      otherwise: plan.fit.parts !== undefined,
      taken: !draft.value.leftOut.includes(plan.plantId) && plan.fit.parts === undefined,
    })),
);
function take(plantId: number, taken: boolean): void {
  const others = draft.value.leftOut.filter((id) => id !== plantId);
  draft.value.leftOut = taken ? others : [...others, plantId];
}

const rows = usePotRows(
  computed(() => draft.value.rows),
  recipe,
);
const pots = computed((): PotsLitres[] => [
  ...waiting.value
    .filter(({ taken }) => taken)
    .map(({ plan }) => ({
      label: plan.name,
      each: plan.filledL,
      count: 1,
      extras: plan.extras,
      fault: '',
    })),
  ...rows.value.filter(({ each }) => each > 0),
]);

const outcome = computed((): { plan: TubPlan | null; fault: string } => {
  if (pots.value.length === 0) return { plan: null, fault: '' };
  try {
    const plan = planTub({
      parts: parts.value,
      filledL: pots.value.flatMap(({ each, count }) => Array.from({ length: count }, () => each)),
      ...(scoopL.value ? { scoopL: scoopL.value } : {}),
      ...(tubL.value ? { tubL: tubL.value } : {}),
    });
    return { plan, fault: '' };
  } catch (error) {
    return { plan: null, fault: m.mix.tubFault((error as Error).message) };
  }
});
const plan = computed(() => outcome.value.plan);
const used = computed(() =>
  plan.value
    ? parts.value.map(({ ingredient: component }, i) => ({
        component,
        litres: plan.value!.measuredL[i]!,
      }))
    : [],
);
/** The same extra of several pots, added up. */
const extras = computed(() => {
  const sums = new Map<string, PotExtra>();
  for (const { extras: list, count } of pots.value) {
    for (const extra of list) {
      const sum = sums.get(extra.kind);
      sums.set(extra.kind, {
        ...extra,
        ...(extra.litres === undefined
          ? {}
          : { litres: (sum?.litres ?? 0) + count * extra.litres }),
        ...(extra.grams === undefined ? {} : { grams: (sum?.grams ?? 0) + count * extra.grams }),
      });
    }
  }
  return [...sums.values()];
});
const swapping = ref<number | null>(null);
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.mix.batch }}</h1>
      <v-btn
        variant="outlined"
        class="no-print"
        :prepend-icon="mdiPrinter"
        :disabled="!plan"
        @click="print"
        >{{ m.sheet.print }}</v-btn
      >
    </header>
    <PlaceTabs of="fit" />
    <FetchState :fault="fault" :loading="!plans" @retry="load" />
    <template v-if="plans">
      <section class="panel stack">
        <div class="fields no-print">
          <v-select v-model="recipeId" :items="recipes" :label="m.fit.recipe" class="which" />
          <QuantityField
            v-model="scoopTyped"
            :label="m.fit.scoop"
            of="volume"
            :hint="m.mix.scoopHint"
            :error="none(scoopTyped) ? m.mix.scoopNone : ''"
          />
          <QuantityField
            v-model="tubTyped"
            :label="m.mix.tub"
            of="volume"
            :hint="m.mix.tubHint"
            :error="none(tubTyped) ? m.mix.tubNone : ''"
          />
        </div>
        <h2>{{ m.mix.whichPots(recipe.label) }}</h2>
        <p v-if="waiting.length === 0" class="quiet">{{ m.mix.noneWaiting }}</p>
        <ul v-else class="bare pots">
          <li v-for="{ plan: one, otherwise, taken } in waiting" :key="one.plantId">
            <v-checkbox
              :model-value="taken"
              :disabled="otherwise"
              :label="one.name"
              hide-details
              @update:model-value="(on: boolean | null) => take(one.plantId, on === true)"
            />
            <span>{{ one.fit.potLabel }}</span>
            <strong>{{ volume(one.filledL) }}</strong>
            <span v-if="otherwise" class="quiet small">{{ m.mix.otherwise }}</span>
          </li>
        </ul>
        <PotRows v-model="draft.rows" :rows="rows" />
      </section>
      <p v-if="outcome.fault" role="alert" class="text-error panel">{{ outcome.fault }}</p>
      <p v-else-if="!plan" class="panel">{{ m.mix.nothingToMix }}</p>
      <template v-else>
        <TubLoads
          v-model:own="own"
          :plan="plan"
          :mixed="mixed"
          :label="recipe.label"
          :extras="extras"
          @swap="(of) => (swapping = of)"
        />
        <BagsPanel :measures="used" />
      </template>
      <SwapDialog
        :parts="parts"
        :of="swapping"
        :place="place"
        @close="swapping = null"
        @swap="(swapped) => (own = listedParts(swapped))"
      />
    </template>
  </div>
</template>

<style scoped>
.which {
  grid-column: span 2;
}
.pots li {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(100px, 0.7fr) 80px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
@media (max-width: 800px) {
  .which {
    grid-column: auto;
  }
  .pots li {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
}
</style>
