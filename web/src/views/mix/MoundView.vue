<script setup lang="ts">
import { planMound, whyAvoided, type Mound } from '@fernbank/core';
import { computed } from 'vue';
import MoundDrawing from '../../components/mix/MoundDrawing.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** A moss mound on an upturned net pot: how much moss, and whether it stays on its mouth. */
const { length, volume, weight } = useUnits();
const { draft } = useDraft('mound', () => ({
  mouthCm: 12 as number | null,
  topCm: 8 as number | null,
  baseCm: 5.5 as number | null,
  heightCm: 6 as number | null,
  marginCm: 1.5 as number | null,
  overCm: 3 as number | null,
  rootsL: null as number | null,
}));
const outcome = computed((): { mound: Mound | null; fault: string } => {
  const { mouthCm, topCm, baseCm, heightCm, marginCm, overCm, rootsL } = draft.value;
  if ([mouthCm, topCm, baseCm, heightCm, marginCm, overCm].some((value) => value === null)) {
    return { mound: null, fault: m.mix.mound.open };
  }
  try {
    return {
      mound: planMound({
        mouthCm: mouthCm!,
        core: {
          topDiameterCm: topCm!,
          baseDiameterCm: baseCm!,
          heightCm: heightCm!,
        },
        marginCm: marginCm!,
        overCm: overCm!,
        rootsL: rootsL ?? 0,
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
  mouthCm: draft.value.mouthCm!,
  core: {
    topDiameterCm: draft.value.topCm!,
    baseDiameterCm: draft.value.baseCm!,
    heightCm: draft.value.heightCm!,
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
          <QuantityField v-model="draft.mouthCm" :label="m.mix.mound.mouth" of="length" />
          <QuantityField v-model="draft.marginCm" :label="m.mix.mound.margin" of="length" />
          <QuantityField v-model="draft.topCm" :label="m.mix.mound.coreTop" of="length" />
          <QuantityField v-model="draft.baseCm" :label="m.mix.mound.coreBase" of="length" />
          <QuantityField v-model="draft.heightCm" :label="m.mix.mound.coreHeight" of="length" />
          <QuantityField v-model="draft.overCm" :label="m.mix.mound.over" of="length" />
          <QuantityField
            v-model="draft.rootsL"
            :label="m.mix.mound.roots"
            of="volume"
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
