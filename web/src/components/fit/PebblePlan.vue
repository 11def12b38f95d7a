<script setup lang="ts">
import {
  coverFit,
  coverOptionId,
  FOUND_VESSEL,
  holdsWater,
  PEBBLE_SETUPS,
  rimCm,
  type PebbleSetupKind,
  type WaterUnder,
} from '@fernbank/core';
import { computed } from 'vue';
import type { Fitting, PlantFile } from '../../api/types.ts';
import type { Fit } from '../../composables/useFit.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useWaterWords } from '../../composables/waterWords.ts';
import { isFree } from '../../composables/fitOptions.ts';
import { m } from '../../messages/index.ts';
import PebblesDrawing from '../mix/PebblesDrawing.vue';

/** Pebbles over their water: in what, how deep, how many litres, which wicks, and for how many days. */
const props = defineProps<{
  under: WaterUnder;
  fit: Fit;
  loaded: { file: PlantFile; fitting: Fitting };
}>();
const { choices, rung } = props.fit;
const { length, volume, weight } = useUnits();
const words = useWaterWords();

const title = computed(() => words.title(props.under));
const lines = computed(() => words.lines(props.under));
const cautions = computed(() => [
  ...props.under.cautions.map((caution) => m.fit.under.cautions[caution]),
  ...words.risk(props.loaded.file, props.fit.newKind.value),
]);
const kinds = [
  { value: null, title: m.fit.under.asSuits },
  ...(Object.keys(PEBBLE_SETUPS) as PebbleSetupKind[]).map((value) => ({
    value,
    title: PEBBLE_SETUPS[value].label,
    props: { subtitle: PEBBLE_SETUPS[value].use },
  })),
];
/** Free vessels that the pot goes into, and its own. */
const vessels = computed(() => {
  const { covers, presentCover } = props.loaded.fitting;
  const own = [
    ...(presentCover ? [presentCover] : []),
    ...covers.filter(isFree(props.loaded.fitting)),
  ].filter(
    ({ shape, material, holes }) =>
      holdsWater(material, holes) &&
      rung.value &&
      coverFit(rung.value.option.outside, shape, material).fits,
  );
  return [
    { value: null, title: m.fit.under.asSuits },
    ...own.map(({ id, label }) => ({ value: coverOptionId(id), title: label })),
    { value: FOUND_VESSEL, title: m.fit.under.found(words.vesselSize(props.under.outer)) },
  ];
});
const drawnIn = computed(() => (props.under.kind === 'holes' ? null : props.under.outer));
const amount = computed(() =>
  m.mix.pebbles.pebblesLine(
    volume(props.under.pebblesL),
    weight(props.under.dryKg),
    volume(props.under.voidL),
  ),
);
const label = computed(() => `${title.value}, ${length(rimCm(props.under.inner))}`);
</script>

<template>
  <section class="panel">
    <h2>{{ title }}</h2>
    <div class="two">
      <div>
        <ul>
          <li v-for="line in lines" :key="line">{{ line }}</li>
          <li>{{ amount }}</li>
        </ul>
        <p v-for="caution in cautions" :key="caution" class="caution">{{ caution }}</p>
      </div>
      <PebblesDrawing
        :setup="under"
        :inner="under.inner"
        :outer="drawnIn"
        :gap-cm="under.gapCm"
        :wick-inside-cm="under.wickInsideCm"
        :label="label"
      />
    </div>
    <div class="row no-print choose">
      <v-select v-model="choices.waterKind" :items="kinds" :label="m.mix.pebbles.kind" />
      <v-select
        v-if="under.kind !== 'holes'"
        v-model="choices.vessel"
        :items="vessels"
        :label="m.fit.under.vessel"
      />
    </div>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(120px, 240px);
  gap: 16px;
}
.choose {
  margin-top: 12px;
}
.choose > * {
  flex: 1 1 200px;
}
p {
  margin-top: 8px;
}
@media (max-width: 560px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
