<script setup lang="ts">
import {
  heldIn,
  mixInPot,
  mixTargets,
  partsOf,
  permitted,
  type MixTarget,
  type PottedMix,
  type TargetProperty,
} from '@fernbank/core';
import { computed, ref } from 'vue';
import MixColumns from '../../components/mix/MixColumns.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import PlaceFields from '../../components/mix/PlaceFields.vue';
import NumberField from '../../components/NumberField.vue';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { usePlace } from '../../composables/usePlace.ts';
import { plain, useRemote } from '../../composables/useRemote.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import type { DesignAnswer, DesignOrder, Designer } from '../../workers/design.worker.ts';

/** A mix worked out from what it shall be: the closest recipe in simple parts, and what stands in its way. */
const store = usePantry();
const settings = useSettings();
const { number, percent } = useUnits();
const { mediumWord } = useFigureWords();
const at = usePlace();
const { place } = at;

const PROPERTIES = [
  'air',
  'water',
  'dryKgPerL',
  'halfLifeMonths',
  'organic',
  'ph',
  'pricePerL',
] as const satisfies readonly TargetProperty[];
type Property = (typeof PROPERTIES)[number];
/** How a property is typed: shares in percent. */
const TYPED: Record<Property, { times: number; unit: string }> = {
  air: { times: 100, unit: '%' },
  water: { times: 100, unit: '%' },
  dryKgPerL: { times: 1, unit: 'kg/L' },
  halfLifeMonths: { times: 1, unit: m.mix.monthsUnit },
  organic: { times: 100, unit: '%' },
  ph: { times: 1, unit: 'pH' },
  pricePerL: { times: 1, unit: '' },
};
interface Row {
  low: number | null;
  high: number | null;
  importance: 1 | 2 | 4;
}
const blank = (): Row => ({ low: null, high: null, importance: 1 });
const { draft } = useDraft('design', () => ({
  rows: Object.fromEntries(PROPERTIES.map((id) => [id, blank()])) as Record<Property, Row>,
  mostComponents: 4,
  only: 'all' as 'all' | 'inStock',
  begun: false,
}));
const importances = ([1, 2, 4] as const).map((value) => ({
  value,
  title: m.mix.importance[value],
}));

function startFromPlant(): void {
  const wanted = mixTargets(place.value);
  for (const id of PROPERTIES) {
    const target = wanted.find(({ property }) => property === id);
    const { times } = TYPED[id];
    const typed = (value: number | undefined) =>
      value === undefined ? null : Math.round(value * times * 100) / 100;
    draft.value.rows[id] = {
      low: typed(target?.low),
      high: typed(target?.high),
      importance: (target?.importance as 1 | 2 | 4 | undefined) ?? 1,
    };
  }
  draft.value.begun = true;
}
if (!draft.value.begun) startFromPlant();

const unitOf = (id: Property) =>
  id === 'pricePerL' ? `${settings.current.currency}/L` : TYPED[id].unit;
const faults = computed(() => {
  const found: Partial<Record<Property, string>> = {};
  for (const id of PROPERTIES) {
    const { low, high } = draft.value.rows[id];
    if (low !== null && high !== null && low > high) found[id] = m.mix.lowAboveHigh;
    if ((low ?? 0) < 0 || (high ?? 0) < 0) found[id] = m.mix.notBelow;
  }
  return found;
});
const targets = computed((): MixTarget[] =>
  PROPERTIES.flatMap((property): MixTarget[] => {
    const { low, high, importance } = draft.value.rows[property];
    const { times } = TYPED[property];
    if (low === null && high === null) return [];
    return [
      {
        property,
        importance,
        ...(low === null ? {} : { low: low / times }),
        ...(high === null ? {} : { high: high / times }),
      },
    ];
  }),
);
const shelf = computed(() => {
  const priced = targets.value.some(({ property }) => property === 'pricePerL');
  return permitted(store.pantry).filter((component) => {
    const there = store.counted(component.id) && !store.outOfStock(component.id);
    return (
      (draft.value.only === 'all' || there) && (!priced || store.pantry.priceOf(component) !== null)
    );
  });
});
const noPrice = computed(() =>
  targets.value.some(({ property }) => property === 'pricePerL')
    ? permitted(store.pantry).filter((component) => store.pantry.priceOf(component) === null).length
    : 0,
);

const designer = useRemote<Designer>(
  () => new Worker(new URL('../../workers/design.worker.ts', import.meta.url), { type: 'module' }),
);
const answer = ref<DesignAnswer | null>(null);
const relaxed = ref<Awaited<ReturnType<Designer['relax']>> | null>(null);
const fault = ref('');
const working = ref(false);
let latest = 0;
async function design(): Promise<void> {
  const mine = ++latest;
  fault.value = '';
  answer.value = null;
  relaxed.value = null;
  working.value = true;
  const order: DesignOrder = plain({
    components: shelf.value,
    targets: targets.value,
    ...heldIn(place.value),
    mostComponents: draft.value.mostComponents,
    prices: Object.fromEntries(
      shelf.value.flatMap((component) => {
        const price = store.pantry.priceOf(component);
        return price === null ? [] : [[component.id, price] as const];
      }),
    ),
  });
  try {
    const found = await designer().design(order);
    if (mine !== latest) return;
    answer.value = found;
    const relaxing = found.miss > NEARLY ? await designer().relax(order) : [];
    if (mine === latest) relaxed.value = relaxing;
  } catch (error) {
    if (mine === latest) fault.value = (error as Error).message;
  } finally {
    if (mine === latest) working.value = false;
  }
}
/** A miss below this is rounding. */
const NEARLY = 1e-4;
const parts = computed(() => (answer.value ? partsOf(answer.value.parts, store.pantry) : []));
const mix = computed((): PottedMix | null =>
  parts.value.length > 0 ? mixInPot(parts.value, place.value) : null,
);
const said = computed(() =>
  parts.value.map(({ ingredient, parts: n }) => m.mix.partLine(n, ingredient.label)).join(' : '),
);
const inWords = (id: TargetProperty, value: number) => {
  if (value === Infinity) return m.mix.noRot;
  const { times } = TYPED[id as Property];
  const digits = times === 100 || id === 'halfLifeMonths' ? 0 : id === 'ph' ? 1 : 2;
  return `${number(value * times, digits)} ${unitOf(id as Property)}`.trim();
};
const range = ({ property, low, high }: MixTarget) =>
  m.mix.rangeOf(
    low === undefined ? null : inWords(property, low),
    high === undefined ? null : inWords(property, high),
  );
/** The linear model leaves out that pores can be full: what the mix holds is told as drawn. */
const held = (property: TargetProperty, value: number) =>
  property === 'air' || property === 'water' ? mix.value![property] : value;
/** Closer to the end of its range than this, a target is what the design leans on. */
const AT_LIMIT = 0.03;
const reached = computed(() =>
  (answer.value?.reached ?? []).map(({ target, value, shortfall }) => {
    const near = (bound: number | undefined) =>
      bound !== undefined && Math.abs(value - bound) <= AT_LIMIT * Math.abs(bound);
    const met = shortfall < NEARLY;
    return {
      property: m.mix.properties[target.property as Property],
      wanted: range(target),
      value: inWords(target.property, held(target.property, value)),
      met,
      word: !met ? m.mix.missed : near(target.low) || near(target.high) ? m.mix.atLimit : '✓',
    };
  }),
);
const binding = computed(() =>
  (relaxed.value ?? [])
    .filter(({ buys }) => buys > NEARLY)
    .map(({ target, buys, without }) => ({
      text: m.mix.relaxing(
        m.mix.properties[target.property as Property],
        range(target),
        percent(answer.value!.miss === 0 ? 0 : buys / answer.value!.miss),
        partsOf(without.parts, store.pantry)
          .map(({ ingredient, parts: n }) => m.mix.partLine(n, ingredient.label))
          .join(' : '),
      ),
    })),
);
const toRecipe = computed(
  () =>
    `/mix/new?parts=${(answer.value?.parts ?? []).map(({ component, parts: n }) => `${component}:${n}`).join(',')}`,
);
</script>

<template>
  <div class="page stack">
    <h1>{{ m.mix.design }}</h1>
    <PlaceTabs of="fit" />
    <section class="panel stack">
      <PlaceFields :at="at" />
      <div class="row">
        <v-btn variant="outlined" @click="startFromPlant">{{ m.mix.fromPlant }}</v-btn>
        <span class="quiet small">{{ m.mix.fromPlantHint }}</span>
      </div>
      <h2>{{ m.mix.targets }}</h2>
      <div class="targets">
        <div v-for="id in PROPERTIES" :key="id" role="group" :aria-label="m.mix.properties[id]">
          <strong>{{ m.mix.properties[id] }}</strong>
          <NumberField
            v-model="draft.rows[id].low"
            :label="m.mix.atLeast"
            :unit="unitOf(id)"
            :error="faults[id]"
          />
          <NumberField v-model="draft.rows[id].high" :label="m.mix.atMost" :unit="unitOf(id)" />
          <v-select
            v-model="draft.rows[id].importance"
            :items="importances"
            :label="m.mix.howMuch"
          />
        </div>
      </div>
      <div class="fields">
        <v-select
          v-model="draft.mostComponents"
          :items="[1, 2, 3, 4, 5, 6]"
          :label="m.mix.mostComponents"
        />
        <v-select
          v-model="draft.only"
          :items="[
            { value: 'all', title: m.mix.fromAll },
            { value: 'inStock', title: m.mix.fromStock },
          ]"
          :label="m.mix.from"
        />
      </div>
      <p v-if="noPrice > 0" class="quiet">{{ m.mix.priceLeavesOut(noPrice) }}</p>
      <p v-if="shelf.length === 0" class="text-error">{{ m.mix.emptyShelf }}</p>
      <div>
        <v-btn
          color="primary"
          size="large"
          min-height="52"
          :loading="working && !answer"
          :disabled="targets.length === 0 || shelf.length === 0 || Object.keys(faults).length > 0"
          @click="design"
          >{{ m.mix.work }}</v-btn
        >
        <span v-if="targets.length === 0" class="quiet"> {{ m.mix.noTargets }}</span>
      </div>
    </section>
    <p v-if="fault" role="alert" class="panel text-error">{{ m.mix.designFault(fault) }}</p>
    <section v-if="answer && mix" class="panel answer" aria-live="polite">
      <div class="stack">
        <h2>{{ said }}</h2>
        <p>
          {{ answer.miss <= 1e-4 ? m.mix.allMet : m.mix.notAllMet }}
          {{ answer.optimal ? m.mix.proven : m.mix.notProven }}
        </p>
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.mix.target }}</th>
              <th class="num">{{ m.mix.wanted }}</th>
              <th class="num">{{ m.mix.comesTo }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in reached" :key="row.property">
              <th scope="row">{{ row.property }}</th>
              <td class="num">{{ row.wanted }}</td>
              <td class="num">
                <strong :class="row.met ? '' : 'text-error'">{{ row.value }}</strong>
                {{ row.word }}
              </td>
            </tr>
          </tbody>
        </table>
        <p>{{ m.mix.servesHere(mediumWord(mix.life.months)) }}</p>
        <template v-if="binding.length > 0">
          <h3>{{ m.mix.binds }}</h3>
          <ul class="plain">
            <li v-for="row in binding" :key="row.text">{{ row.text }}</li>
          </ul>
        </template>
        <p v-else-if="answer.miss > 1e-4 && relaxed === null" class="quiet">
          {{ m.mix.relaxingWait }}
        </p>
        <div>
          <v-btn color="primary" min-height="52" :to="toRecipe">{{ m.mix.makeRecipe }}</v-btn>
        </div>
      </div>
      <MixColumns
        :columns="[{ label: m.mix.asDesigned, air: mix.air, water: mix.water, solid: mix.solid }]"
        :air-need="place.airNeed"
      />
    </section>
  </div>
</template>

<style scoped>
.targets {
  display: grid;
  gap: 6px;
}
.targets > div {
  display: grid;
  grid-template-columns: minmax(130px, 1fr) repeat(3, minmax(120px, 1fr));
  gap: 10px;
  align-items: center;
}
.answer > .stack {
  align-content: start;
}
.answer {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(240px, 320px);
  gap: 24px;
}
@media (max-width: 800px) {
  .targets > div {
    grid-template-columns: 1fr 1fr;
    border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
    padding-bottom: 8px;
  }
  .targets strong {
    grid-column: 1 / -1;
  }
  .answer {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
