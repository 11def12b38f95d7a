<script setup lang="ts">
import type { LaidBatch } from '@fernbank/core';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** One batch as it is mixed: scoops for each load of the tub, and who gets how much. */
defineProps<{ batch: LaidBatch }>();
const { volume, weight } = useUnits();
</script>

<template>
  <article class="batch">
    <h4>{{ m.day.batch(batch.label, volume(batch.mixedL), batch.pots.length) }}</h4>
    <table class="figures">
      <thead>
        <tr>
          <th>{{ m.day.loads(batch.loads) }}</th>
          <th class="num">{{ m.day.scoopOf(volume(batch.scoopL)) }}</th>
          <th class="num">{{ m.fit.litres }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="measure in batch.measures" :key="measure.component">
          <td>{{ measure.label }}</td>
          <td class="num big">{{ measure.scoops }}</td>
          <td class="num">{{ volume(measure.litres) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="batch.finer" class="quiet small">{{ m.day.finer }}</p>
    <p v-if="!batch.fitsTub" class="caution small">{{ m.day.tubTooSmall }}</p>
    <p class="quiet small">
      {{ m.day.loadWeighs(weight(batch.loadKg.damp), weight(batch.loadKg.soaked)) }}
    </p>
    <p class="small">
      {{ batch.pots.map(({ name, potL }) => m.day.intoPot(name, volume(potL))).join(' · ') }}
    </p>
    <p v-if="batch.dusty" class="caution small">{{ m.fit.dust }}</p>
    <p v-if="batch.biohazard" class="caution small">{{ m.fit.bio }}</p>
  </article>
</template>

<style scoped>
.batch {
  break-inside: avoid;
}
h4 {
  margin-bottom: 4px;
}
.big {
  font-size: 1.15rem;
  font-weight: 700;
}
</style>
