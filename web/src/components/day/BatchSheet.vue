<script setup lang="ts">
import type { LaidBatch } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** One batch as it is mixed: scoops for each load of the tub, and who gets how much. */
const props = defineProps<{ batch: LaidBatch }>();
const { volume, weight, length } = useUnits();
/** Strands that are wrapped are weighed: nothing is scooped. */
const wrapped = computed(() => props.batch.pots.every(({ mound }) => mound));
const dryG = computed(() =>
  props.batch.pots.reduce((sum, { mound }) => sum + (mound?.dryG ?? 0), 0),
);
const mounds = computed(() =>
  props.batch.pots.flatMap(({ name, mound }) =>
    mound ? [m.day.ontoMound(name, weight(mound.dryG / 1000), length(mound.netPotCm))] : [],
  ),
);
/** Those that take as much, told once. */
const pours = computed(() => {
  const names = new Map<string, string[]>();
  for (const { name, filledL, mound } of props.batch.pots) {
    if (!mound) names.set(volume(filledL), [...(names.get(volume(filledL)) ?? []), name]);
  }
  return [...names].map(([litres, of]) => m.day.intoPots(litres, of));
});
</script>

<template>
  <article class="batch">
    <h4>
      {{
        wrapped
          ? m.day.moundBatch(weight(dryG / 1000), batch.pots.length)
          : m.day.batch(batch.label, volume(batch.mixedL), batch.pots.length)
      }}
    </h4>
    <table v-if="!wrapped" class="figures">
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
    <p v-if="batch.finer && !wrapped" class="quiet small">{{ m.day.finer }}</p>
    <p v-if="!batch.fitsTub && !wrapped" class="caution small">{{ m.day.tubTooSmall }}</p>
    <p v-if="!wrapped" class="quiet small">
      {{ m.day.loadWeighs(weight(batch.loadKg.damp), weight(batch.loadKg.soaked)) }}
    </p>
    <p v-for="(line, i) in [...pours, ...mounds]" :key="i" class="small">{{ line }}</p>
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
