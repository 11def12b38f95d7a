<script setup lang="ts">
import {
  BATHS,
  CHEMICALS,
  dilute,
  ecOfPpm,
  elementsOf,
  feed,
  phDrift,
  pourOf,
  ppmOfEc,
  whyNeverMix,
  type Bath,
  type Chemical,
  type PpmScale,
} from '@fernbank/core';
import { computed, ref } from 'vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import BottlesPanel from '../../components/water/BottlesPanel.vue';
import NumberField from '../../components/NumberField.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Sums of the watering can: dilutions, feeds, what a pen says; and what must never meet. */
const { volume, number } = useUnits();
const { draft } = useDraft('solutions', () => ({
  bath: 'bleach' as Bath | null,
  stockPercent: 5 as number | null,
  targetPercent: 0.5 as number | null,
  bathL: 10 as number | null,
  targetPpm: 150 as number | null,
  nutrientPercent: 20 as number | null,
  feedL: 10 as number | null,
  mlPerL: 5 as number | null,
  mostMlPerL: 5 as number | null,
  pourL: 10 as number | null,
  n: 20 as number | null,
  p2o5: 20 as number | null,
  k2o: 20 as number | null,
  ec: 1.2 as number | null,
  scale: 500 as PpmScale,
  ppm: 600 as number | null,
  phBefore: 6 as number | null,
  phNow: 6.2 as number | null,
  phDays: 5 as number | null,
}));

interface Sum {
  text: string;
  fault: string;
}
/** A sum, or the refusal of the core in the keeper's words. */
function sum(inputs: (number | null)[], work: () => string): Sum {
  if (inputs.some((value) => value === null)) return { text: '', fault: m.solutions.open };
  try {
    return { text: work(), fault: '' };
  } catch (error) {
    return { text: '', fault: m.solutions.fault((error as Error).message) };
  }
}
const bath = computed(() => (draft.value.bath ? BATHS[draft.value.bath] : null));
function takeBath(id: Bath | null): void {
  draft.value.bath = id;
  if (id) draft.value.targetPercent = BATHS[id].percent;
}
const baths = (Object.keys(BATHS) as Bath[]).map((value) => ({ value, title: BATHS[value].label }));
const diluted = computed(() => {
  const { stockPercent, targetPercent, bathL } = draft.value;
  return sum([stockPercent, targetPercent, bathL], () => {
    const { stockL, waterL, ratio } = dilute(stockPercent!, targetPercent!, bathL!);
    return m.solutions.diluted(volume(stockL), volume(waterL), number(ratio, 1));
  });
});
const fed = computed(() => {
  const { targetPpm, nutrientPercent, feedL } = draft.value;
  return sum([targetPpm, nutrientPercent, feedL], () => {
    const { grams, gramsPerL } = feed(targetPpm!, nutrientPercent!, feedL!);
    return m.solutions.fed(number(grams, 1), number(gramsPerL, 2));
  });
});
const poured = computed(() => {
  const { mlPerL, mostMlPerL, pourL } = draft.value;
  return sum([mlPerL, mostMlPerL, pourL], () => {
    const bottle = { label: '', leastMlPerL: 0, mostMlPerL: mostMlPerL! };
    return m.solutions.poured(number(pourOf(bottle, mlPerL!, pourL!), 0));
  });
});
const elements = computed(() => {
  const { n, p2o5, k2o } = draft.value;
  return sum([n, p2o5, k2o], () => {
    const found = elementsOf({ n: n!, p2o5: p2o5!, k2o: k2o! });
    return m.solutions.elements(number(found.n, 1), number(found.p, 1), number(found.k, 1));
  });
});
const toPpm = computed(() =>
  sum([draft.value.ec], () =>
    m.solutions.ppm(number(ppmOfEc(draft.value.ec!, draft.value.scale), 0)),
  ),
);
const toEc = computed(() =>
  sum([draft.value.ppm], () =>
    m.solutions.ec(number(ecOfPpm(draft.value.ppm!, draft.value.scale), 2)),
  ),
);
const drift = computed(() => {
  const { phBefore, phNow, phDays } = draft.value;
  return sum([phBefore, phNow, phDays], () => {
    const { perDay, daysInRange, says } = phDrift(phBefore!, phNow!, phDays!);
    return m.solutions.drifts(
      number(perDay, 2),
      daysInRange === null ? '' : number(Math.floor(daysInRange), 0),
      says,
    );
  });
});
const scales = ([500, 640, 700] as const).map((value) => ({
  value,
  title: m.solutions.scale(value),
}));

const chemicals = ref<Chemical[]>([]);
const choices = (Object.keys(CHEMICALS) as Chemical[]).map((value) => ({
  value,
  title: CHEMICALS[value],
}));
const never = computed(() => whyNeverMix(chemicals.value));
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.solutions.title }}</h1>
      <PlaceTabs of="aftercare" />
    </header>
    <div class="pair sums">
      <section class="panel stack">
        <h2>{{ m.solutions.bath }}</h2>
        <v-select
          :model-value="draft.bath"
          :items="baths"
          :label="m.solutions.which"
          clearable
          @update:model-value="(id: Bath | null) => takeBath(id)"
        />
        <div class="fields">
          <NumberField v-model="draft.stockPercent" :label="m.solutions.stock" unit="%" />
          <NumberField v-model="draft.targetPercent" :label="m.solutions.target" unit="%" />
          <QuantityField v-model="draft.bathL" :label="m.solutions.total" of="volume" />
        </div>
        <p v-if="diluted.fault" role="alert" class="text-error">{{ diluted.fault }}</p>
        <p v-else class="answer">{{ diluted.text }}</p>
        <p v-if="bath">{{ m.solutions.contact(bath.contactMinutes) }} {{ bath.rinse }}</p>
        <p class="caution">{{ m.solutions.bleachCaution }}</p>
      </section>
      <section class="panel stack">
        <h2>{{ m.solutions.never }}</h2>
        <v-select
          v-model="chemicals"
          :items="choices"
          :label="m.solutions.together"
          multiple
          chips
        />
        <p v-for="why in never" :key="why" role="alert" class="caution refuse">
          {{ m.solutions.refused(why) }}
        </p>
        <p v-if="chemicals.length > 1 && never.length === 0" class="quiet">
          {{ m.solutions.noPromise }}
        </p>
      </section>
      <section class="panel stack">
        <h2>{{ m.solutions.feed }}</h2>
        <div class="fields">
          <NumberField v-model="draft.targetPpm" :label="m.solutions.wanted" unit="ppm" />
          <NumberField v-model="draft.nutrientPercent" :label="m.solutions.share" unit="%" />
          <QuantityField v-model="draft.feedL" :label="m.solutions.total" of="volume" />
        </div>
        <p v-if="fed.fault" role="alert" class="text-error">{{ fed.fault }}</p>
        <p v-else class="answer">{{ fed.text }}</p>
        <h3>{{ m.solutions.liquid }}</h3>
        <div class="fields">
          <NumberField v-model="draft.mlPerL" :label="m.solutions.rate" unit="mL/L" />
          <NumberField v-model="draft.mostMlPerL" :label="m.solutions.labelMost" unit="mL/L" />
          <QuantityField v-model="draft.pourL" :label="m.solutions.total" of="volume" />
        </div>
        <p v-if="poured.fault" role="alert" class="text-error">{{ poured.fault }}</p>
        <p v-else class="answer">{{ poured.text }}</p>
        <p class="caution">{{ m.solutions.labelRules }}</p>
      </section>
      <BottlesPanel />
      <section class="panel stack">
        <h2>{{ m.solutions.drift }}</h2>
        <div class="fields">
          <NumberField v-model="draft.phBefore" :label="m.solutions.phBefore" />
          <NumberField v-model="draft.phNow" :label="m.solutions.phNow" />
          <NumberField v-model="draft.phDays" :label="m.solutions.phDays" />
        </div>
        <p v-if="drift.fault" role="alert" class="text-error">{{ drift.fault }}</p>
        <p v-else class="answer">{{ drift.text }}</p>
      </section>
      <section class="panel stack">
        <h2>{{ m.solutions.label }}</h2>
        <div class="fields">
          <NumberField v-model="draft.n" label="N" unit="%" />
          <NumberField v-model="draft.p2o5" label="P₂O₅" unit="%" />
          <NumberField v-model="draft.k2o" label="K₂O" unit="%" />
        </div>
        <p v-if="elements.fault" role="alert" class="text-error">{{ elements.fault }}</p>
        <p v-else class="answer">{{ elements.text }}</p>
        <h3>{{ m.solutions.pen }}</h3>
        <div class="fields">
          <v-select v-model="draft.scale" :items="scales" :label="m.solutions.penScale" />
          <NumberField v-model="draft.ec" :label="m.solutions.conductivity" unit="mS/cm" />
          <NumberField v-model="draft.ppm" :label="m.solutions.salts" unit="ppm" />
        </div>
        <p v-if="toPpm.fault" role="alert" class="text-error">{{ toPpm.fault }}</p>
        <p v-else class="answer">{{ toPpm.text }}</p>
        <p v-if="toEc.fault" role="alert" class="text-error">{{ toEc.fault }}</p>
        <p v-else class="answer">{{ toEc.text }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.sums > .stack {
  align-content: start;
}
.answer {
  font-size: 1.15rem;
  font-weight: 700;
}
.refuse {
  font-weight: 700;
}
</style>
