<script setup lang="ts">
import { type Rung } from '@fernbank/core';
import { mdiClose } from '@mdi/js';
import { computed } from 'vue';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import type { CutawaySubject } from '../cutaway/scene.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';

/** Up to three pots side by side, figure by figure, each at the same scale. */
defineProps<{
  rungs: Rung[];
  choice: Rung | null;
  subjectOf: (rung: Rung) => CutawaySubject;
  pxPerCm: number;
}>();
defineEmits<{ pick: [id: string]; drop: [id: string] }>();

const { volume, weight, percent, length, said } = useUnits();
const { crowdedBand, mediumWord, dryWord, degrees } = useFigureWords();

const figures = computed((): { word: string; of: (rung: Rung) => string }[] => [
  { word: m.fit.newMedium, of: (rung) => volume(rung.newMediumL) },
  { word: m.fit.crowded, of: (rung) => crowdedBand(rung) },
  { word: m.fit.medium, of: (rung) => mediumWord(rung.mediumMonths) },
  {
    word: m.fit.dry,
    of: (rung) => dryWord(rung),
  },
  {
    word: m.fit.airWater,
    of: (rung) => m.fit.airWaterValue(percent(rung.air), percent(rung.water)),
  },
  {
    word: m.fit.tip,
    of: ({ stance }) =>
      m.fit.tipValue(degrees(stance.tipAngleDryDeg), degrees(stance.tipAngleWetDeg)),
  },
  { word: m.fit.weight, of: ({ stance }) => weight(stance.wetKg) },
  { word: m.fit.height, of: ({ stance }) => length(stance.topCm) },
  {
    word: m.fit.coverPot,
    of: ({ covers }) => covers.map(({ label }) => label).join(', ') || m.fit.noCover,
  },
  {
    word: m.fit.make,
    of: ({ notes }) => notes.map(({ text }) => said(text)).join('; ') || m.fit.nothingOdd,
  },
  { word: m.fit.why, of: (rung) => `${m.fit.verdictName[rung.verdict]}: ${said(rung.because)}` },
]);
</script>

<template>
  <section class="panel">
    <h2>{{ m.fit.sideBySide }}</h2>
    <div class="scroll" tabindex="0" role="region" :aria-label="m.fit.sideBySide">
      <table class="figures">
        <thead>
          <tr>
            <th></th>
            <th v-for="rung in rungs" :key="rung.option.id" class="pot">
              <PotCutaway :subject="subjectOf(rung)" :px-per-cm="pxPerCm" :crown-cm="0" />
              {{ said(rung.option.label) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="figure in figures" :key="figure.word">
            <th scope="row">{{ figure.word }}</th>
            <td v-for="rung in rungs" :key="rung.option.id">{{ figure.of(rung) }}</td>
          </tr>
          <tr class="no-print">
            <th></th>
            <td v-for="rung in rungs" :key="rung.option.id">
              <div class="row">
                <strong v-if="rung === choice">✓ {{ m.fit.chosen }}</strong>
                <v-btn v-else variant="outlined" @click="$emit('pick', rung.option.id)">{{
                  m.fit.choose1
                }}</v-btn>
                <v-btn
                  :icon="mdiClose"
                  variant="text"
                  size="48"
                  :aria-label="`${m.fit.dropCompared}: ${said(rung.option.label)}`"
                  @click="$emit('drop', rung.option.id)"
                />
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.pot {
  vertical-align: bottom;
}
table.figures {
  min-width: 560px;
  table-layout: fixed;
}
table.figures th:first-child {
  width: 150px;
}
</style>
