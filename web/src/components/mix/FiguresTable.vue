<script setup lang="ts">
import { against, NURSERY_GUIDELINE, type GuidelineProperty, type PottedMix } from '@fernbank/core';
import { computed } from 'vue';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Figures of up to three mixes in the same pot, each against the guideline of nursery mixes. */
const props = defineProps<{
  mixes: { label: string; mix: PottedMix; pricePerL: number | null }[];
}>();
const { number, percent, density, pricePerVolume } = useUnits();
const { mediumWord } = useFigureWords();

const GUIDED: Partial<Record<string, GuidelineProperty>> = {
  air: 'air',
  water: 'water',
  pores: 'totalPorosity',
  dry: 'dryKgPerL',
};
const rows = computed(() => {
  const of = (
    id: keyof typeof m.mix.figures,
    value: (mix: PottedMix) => number,
    said: (value: number) => string,
  ) => ({
    id,
    cells: props.mixes.map(({ mix }) => {
      const guided = GUIDED[id];
      const stands = guided ? against(value(mix), NURSERY_GUIDELINE[guided]) : null;
      return { text: said(value(mix)), against: stands && m.mix.against[stands] };
    }),
  });
  const plain = (id: keyof typeof m.mix.figures, said: (mix: PottedMix) => string) => ({
    id,
    cells: props.mixes.map(({ mix }) => ({ text: said(mix), against: null })),
  });
  const share = (value: number) => `${percent(value)} %`;
  return [
    of('air', ({ air }) => air, share),
    of('water', ({ water }) => water, share),
    of('pores', ({ blend }) => blend.totalPorosity, share),
    of('dry', ({ dryKgPerL }) => dryKgPerL, density),
    plain('wet', ({ wetKgPerL }) => density(wetKgPerL)),
    plain('life', ({ life }) =>
      life.judgedBy === 'tooWetFromStart'
        ? m.mix.tooWet(mediumWord(life.months))
        : mediumWord(life.months),
    ),
    plain('ph', ({ ph }) => m.mix.about(number(ph, 1))),
    plain('organic', ({ blend }) => share(blend.organicShare)),
    plain('shrink', ({ blend }) => share(blend.shrink)),
    {
      id: 'price' as const,
      cells: props.mixes.map(({ pricePerL }) => ({
        text: pricePerL === null ? m.mix.noPrice : pricePerVolume(pricePerL),
        against: null,
      })),
    },
  ];
});
</script>

<template>
  <div class="scroll">
    <table class="figures">
      <thead>
        <tr>
          <th>{{ m.mix.inThisPot }}</th>
          <th v-for="{ label } in mixes" :key="label" class="num">{{ label }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">{{ m.mix.figures[row.id] }}</th>
          <td v-for="(cell, i) in row.cells" :key="i" class="num">
            <strong>{{ cell.text }}</strong>
            <span v-if="cell.against" class="quiet small band">{{ cell.against }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll table {
  max-width: 860px;
}
.band {
  display: block;
  white-space: normal;
}
</style>
