<script setup lang="ts">
import { mdiClose, mdiPlus, mdiPrinter } from '@mdi/js';
import {
  listedParts,
  BALL_STAYS,
  fillL,
  nominalPot,
  planTub,
  potExtras,
  sectionCm2,
  usualHeadspaceCm,
  mixFor,
  type PotExtra,
  type RecipePart,
  type TubPlan,
  preparationWords,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client.ts';
import FetchState from '../../components/FetchState.vue';
import BagsPanel from '../../components/mix/BagsPanel.vue';
import MeasuresTable from '../../components/mix/MeasuresTable.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import SwapDialog from '../../components/mix/SwapDialog.vue';
import NumberField from '../../components/NumberField.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useChangeWords } from '../../composables/changeWords.ts';
import { useExtraWords } from '../../composables/extraWords.ts';
import { usePreparing } from '../../composables/preparing.ts';
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
const { volume, weight, percent, number, length } = useUnits();
const { changes } = useChangeWords();
const { extraWords } = useExtraWords();

type Work = keyof typeof BALL_STAYS | 'noBall';
/** Pots without a plan: so many of one width, out of another. */
interface PotRow {
  count: number | null;
  rimCm: number | null;
  fromCm: number | null;
  work: Work;
}
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

const works = (['ballKept', 'mostOff', 'bareRoot', 'noBall'] as const).map((value) => ({
  value,
  title: m.mix.ballWorks[value],
}));
const addRow = () =>
  draft.value.rows.push({ count: 1, rimCm: null, fromCm: null, work: 'ballKept' });
interface Litres {
  label: string;
  each: number;
  count: number;
  extras: PotExtra[];
  fault: string;
}
const SMALLEST_CM = 3;
const LARGEST_CM = 120;
const rows = computed((): Litres[] =>
  draft.value.rows.map(({ count, rimCm, fromCm, work }): Litres => {
    const none = { label: '', each: 0, count: 0, extras: [] };
    // A draft of an earlier Fernbank lacks its widths.
    if (count === null || rimCm == null) return { ...none, fault: m.mix.rowOpen };
    if (count < 1 || !Number.isInteger(count)) return { ...none, fault: m.mix.rowCount };
    if (rimCm < SMALLEST_CM || rimCm > LARGEST_CM) {
      return { ...none, fault: m.mix.rowRim(length(SMALLEST_CM), length(LARGEST_CM)) };
    }
    const pot = nominalPot(rimCm);
    if (fromCm != null && (fromCm < SMALLEST_CM || fromCm > LARGEST_CM)) {
      return { ...none, fault: m.mix.rowRim(length(SMALLEST_CM), length(LARGEST_CM)) };
    }
    const ball =
      work === 'noBall' || fromCm == null ? 0 : fillL(nominalPot(fromCm)) * BALL_STAYS[work];
    const each = fillL(pot) - ball;
    if (each <= 0) return { ...none, fault: m.mix.rowBall };
    return {
      label: m.mix.rowLabel(count, length(rimCm)),
      each,
      count,
      extras: potExtras(
        recipe.value.extras,
        store.pantry,
        sectionCm2(pot, pot.heightCm - usualHeadspaceCm(pot)),
        each,
      ),
      fault: '',
    };
  }),
);
const pots = computed((): Litres[] => [
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
const perLoad = computed(() =>
  plan.value
    ? parts.value.map(({ ingredient }, i) => {
        const litres = plan.value!.measuredL[i]! / plan.value!.loads;
        return { component: ingredient, litres, dryKg: litres * ingredient.dryKgPerL };
      })
    : [],
);
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
const { preparing } = usePreparing();
const before = computed(() => preparing(parts.value));
const dusty = computed(() => parts.value.some(({ ingredient }) => ingredient.dusty));
const biohazard = computed(() => parts.value.some(({ ingredient }) => ingredient.biohazard));
const HEAVY_KG = 20;

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
        <ul class="plain only-print">
          <li v-for="pot in rows.filter(({ each }) => each > 0)" :key="pot.label">
            {{ pot.label }}:
            {{ m.mix.rowSum(pot.count, volume(pot.each), volume(pot.each * pot.count)) }}
          </li>
        </ul>
        <ul class="bare rows no-print">
          <li v-for="(row, i) in draft.rows" :key="i">
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
              @click="draft.rows.splice(i, 1)"
            />
          </li>
        </ul>
        <div class="no-print">
          <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="addRow">{{
            m.mix.addPots
          }}</v-btn>
        </div>
      </section>
      <p v-if="outcome.fault" role="alert" class="text-error panel">{{ outcome.fault }}</p>
      <p v-else-if="!plan" class="panel">{{ m.mix.nothingToMix }}</p>
      <template v-else>
        <section class="panel stack">
          <h2>{{ m.mix.loadsTitle(plan.loads, volume(plan.mixedL)) }}</h2>
          <p v-for="standIn in mixed.standIns" :key="standIn.instead.id" class="note">
            {{ m.mix.standIn(standIn.instead.label, standIn.uses.label, changes(standIn.change)) }}
          </p>
          <p v-if="own && mixed.standIns.length === 0" class="note">
            {{ m.mix.mixedOtherwise(recipe.label) }}
            <v-btn variant="text" class="no-print" @click="own = null">{{
              m.mix.backToRecipe
            }}</v-btn>
          </p>
          <h3>{{ m.mix.eachLoad(plan.loads) }}</h3>
          <MeasuresTable
            :measures="perLoad"
            :scoop="plan.scoop"
            swappable
            @swap="(of) => (swapping = of)"
          />
          <p>
            {{
              m.mix.batchWorking(
                volume(plan.batch.filledL),
                percent(plan.batch.margins.settling),
                percent(plan.batch.margins.spare),
                volume(plan.batch.mixedL),
                volume(plan.batch.measuredL),
                percent(plan.blend.shrink),
              )
            }}
          </p>
          <p class="quiet">
            {{ m.fit.rounding(`${Math.ceil(100 * plan.scoop.worstError)} %`) }}
            {{
              m.mix.roundedAir(
                Math.abs(plan.roundedAir) < 0.0005
                  ? null
                  : number(Math.abs(100 * plan.roundedAir), 1),
              )
            }}
            {{
              plan.overL >= 0 ? m.mix.over(volume(plan.overL)) : m.mix.under(volume(-plan.overL))
            }}
          </p>
          <p v-if="!plan.fitsTub" class="caution">{{ m.mix.tubTooSmall }}</p>
          <p v-if="!plan.scoop.exactEnough" class="caution">{{ m.mix.notExact }}</p>
          <p>
            {{
              m.mix.loadWeight(
                weight(plan.loadKg.dry),
                weight(plan.loadKg.damp),
                weight(plan.loadKg.soaked),
              )
            }}
          </p>
          <p v-if="plan.loadKg.soaked > HEAVY_KG" class="caution">
            {{ m.fit.heavy(weight(plan.loadKg.soaked)) }}
          </p>
          <template v-if="extras.length > 0">
            <h3>{{ m.mix.besides }}</h3>
            <ul class="plain">
              <li v-for="extra in extras" :key="extra.kind">{{ extraWords(extra) }}</li>
            </ul>
          </template>
          <template v-if="before.length > 0">
            <h3>{{ m.mix.before }}</h3>
            <ul class="plain">
              <li v-for="step in before" :key="step.component + step.does" class="sentence">
                {{ preparationWords(step) }}
              </li>
            </ul>
          </template>
          <p v-if="dusty" class="caution">{{ m.fit.dust }}</p>
          <p v-if="biohazard" class="caution">{{ m.fit.bio }}</p>
        </section>
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
.only-print {
  display: none;
}
@media print {
  .only-print {
    display: block;
  }
}
.which {
  grid-column: span 2;
}
.pots li {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(100px, 0.7fr) 80px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
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
.note {
  border-left: 4px solid rgb(var(--v-theme-secondary));
  padding-left: 10px;
}
.plain {
  padding-left: 1.1em;
}
@media (max-width: 800px) {
  .pots li {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
  .rows li {
    grid-template-columns: 1fr 1fr;
    border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
    padding-bottom: 8px;
  }
}
</style>
