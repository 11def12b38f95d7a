<script setup lang="ts">
import { planMound, whyAvoided, type Mound } from '@fernbank/core';
import { computed } from 'vue';
import MoundDrawing from '../../components/mix/MoundDrawing.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import NumberField from '../../components/NumberField.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** A moss mound on an upturned net pot: how much moss, and whether it stays on its mouth. */
const { length, lengthUnit, lengthToCm, lengthFromCm, volume, volumeUnit, volumeToL, weight } =
  useUnits();
const { draft } = useDraft('mound', () => ({
  mouth: lengthFromCm(12) as number | null,
  top: lengthFromCm(8) as number | null,
  base: lengthFromCm(5.5) as number | null,
  height: lengthFromCm(6) as number | null,
  margin: lengthFromCm(1.5) as number | null,
  over: lengthFromCm(3) as number | null,
  roots: null as number | null,
}));
const outcome = computed((): { mound: Mound | null; fault: string } => {
  const { mouth, top, base, height, margin, over, roots } = draft.value;
  if ([mouth, top, base, height, margin, over].some((value) => value === null)) {
    return { mound: null, fault: m.mix.mound.open };
  }
  try {
    return {
      mound: planMound({
        mouthCm: lengthToCm(mouth!),
        core: {
          topDiameterCm: lengthToCm(top!),
          baseDiameterCm: lengthToCm(base!),
          heightCm: lengthToCm(height!),
        },
        marginCm: lengthToCm(margin!),
        overCm: lengthToCm(over!),
        rootsL: roots === null ? 0 : volumeToL(roots),
      }),
      fault: '',
    };
  } catch (error) {
    return { mound: null, fault: m.mix.mound.fault((error as Error).message) };
  }
});
const mound = computed(() => outcome.value.mound);
const avoided = computed(() => {
  const { avoided: list, component } = usePantry().pantry;
  return whyAvoided(component('longMoss'), list) !== null;
});
const grams = (g: number) => weight(g / 1000);
/** With what it is made of, for the picture. */
const shape = computed(() => ({
  ...mound.value!,
  mouthCm: lengthToCm(draft.value.mouth!),
  core: {
    topDiameterCm: lengthToCm(draft.value.top!),
    baseDiameterCm: lengthToCm(draft.value.base!),
    heightCm: lengthToCm(draft.value.height!),
  },
}));
const answer = computed(() => {
  const at = mound.value;
  if (!at) return '';
  return at.holds
    ? m.mix.mound.holds(length(at.settledCm))
    : m.mix.mound.slips(length(at.settledCm), length(at.leastMarginCm));
});
</script>

<template>
  <div class="page stack">
    <h1>{{ m.mix.mound.title }}</h1>
    <PlaceTabs of="fit" />
    <section class="panel two">
      <div class="stack">
        <template v-if="mound">
          <h2>{{ m.mix.mound.amount(volume(mound.mossL), grams(mound.dryG)) }}</h2>
          <p :class="mound.holds ? '' : 'caution'">{{ answer }}</p>
          <table class="figures">
            <tbody>
              <tr>
                <th scope="row">{{ m.mix.mound.wrapped }}</th>
                <td class="num">{{ volume(mound.mossL) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.mound.loose }}</th>
                <td class="num">{{ volume(mound.looseL) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.mound.dry }}</th>
                <td class="num">{{ grams(mound.dryG) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.mound.damp }}</th>
                <td class="num">{{ grams(mound.dampG) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.mound.size }}</th>
                <td class="num">{{ length(mound.diameterCm) }} × {{ length(mound.heightCm) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.mound.side }}</th>
                <td class="num">{{ length(mound.sideCm) }}</td>
              </tr>
            </tbody>
          </table>
          <p class="quiet small">{{ m.mix.mound.how }}</p>
          <p v-if="avoided" class="caution">{{ m.mix.mound.avoided }}</p>
          <p class="caution">{{ m.fit.bio }}</p>
        </template>
        <p v-else role="alert" class="text-error">{{ outcome.fault }}</p>
      </div>
      <div class="stack">
        <MoundDrawing v-if="mound" :mound="shape" :label="answer" />
        <div class="fields no-print">
          <NumberField v-model="draft.mouth" :label="m.mix.mound.mouth" :unit="lengthUnit" />
          <NumberField v-model="draft.margin" :label="m.mix.mound.margin" :unit="lengthUnit" />
          <NumberField v-model="draft.top" :label="m.mix.mound.coreTop" :unit="lengthUnit" />
          <NumberField v-model="draft.base" :label="m.mix.mound.coreBase" :unit="lengthUnit" />
          <NumberField v-model="draft.height" :label="m.mix.mound.coreHeight" :unit="lengthUnit" />
          <NumberField v-model="draft.over" :label="m.mix.mound.over" :unit="lengthUnit" />
          <NumberField
            v-model="draft.roots"
            :label="m.mix.mound.roots"
            :unit="volumeUnit"
            :hint="m.app.optional"
          />
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.two > .stack {
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
