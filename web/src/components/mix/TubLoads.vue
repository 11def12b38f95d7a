<script setup lang="ts">
import {
  preparationWords,
  type FittedMix,
  type PotExtra,
  type RecipePart,
  type TubPlan,
} from '@fernbank/core';
import { computed } from 'vue';
import { useChangeWords } from '../../composables/changeWords.ts';
import { useExtraWords } from '../../composables/extraWords.ts';
import { usePreparing } from '../../composables/preparing.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import MeasuresTable from './MeasuresTable.vue';

/** A batch as it is mixed: tub loads in whole scoops, how it was reckoned, what goes in beside it, what comes first. */
const props = defineProps<{
  plan: TubPlan;
  mixed: FittedMix;
  /** the recipe's */
  label: string;
  extras: readonly PotExtra[];
}>();
/** its parts, where a component was swapped */
const own = defineModel<RecipePart[] | null>('own', { required: true });
defineEmits<{ swap: [of: number] }>();

const { volume, weight, percent, number } = useUnits();
const { changes } = useChangeWords();
const { extraWords } = useExtraWords();
const { preparing } = usePreparing();

const parts = computed(() => props.mixed.parts);
const perLoad = computed(() =>
  parts.value.map(({ ingredient }, i) => {
    const litres = props.plan.measuredL[i]! / props.plan.loads;
    return { component: ingredient, litres, dryKg: litres * ingredient.dryKgPerL };
  }),
);
const before = computed(() => preparing(parts.value));
const dusty = computed(() => parts.value.some(({ ingredient }) => ingredient.dusty));
const biohazard = computed(() => parts.value.some(({ ingredient }) => ingredient.biohazard));
const HEAVY_KG = 20;
</script>

<template>
  <section class="panel stack">
    <h2>{{ m.mix.loadsTitle(plan.loads, volume(plan.mixedL)) }}</h2>
    <p v-for="standIn in mixed.standIns" :key="standIn.instead.id" class="note">
      {{ m.mix.standIn(standIn.instead.label, standIn.uses.label, changes(standIn.change)) }}
    </p>
    <p v-if="own && mixed.standIns.length === 0" class="note">
      {{ m.mix.mixedOtherwise(label) }}
      <v-btn variant="text" class="no-print" @click="own = null">{{ m.mix.backToRecipe }}</v-btn>
    </p>
    <h3>{{ m.mix.eachLoad(plan.loads) }}</h3>
    <MeasuresTable
      :measures="perLoad"
      :scoop="plan.scoop"
      swappable
      @swap="(of) => $emit('swap', of)"
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
          Math.abs(plan.roundedAir) < 0.0005 ? null : number(Math.abs(100 * plan.roundedAir), 1),
        )
      }}
      {{ plan.overL >= 0 ? m.mix.over(volume(plan.overL)) : m.mix.under(volume(-plan.overL)) }}
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
</template>

<style scoped>
.note {
  border-left: 4px solid rgb(var(--v-theme-secondary));
  padding-left: 10px;
}
.plain {
  padding-left: 1.1em;
}
</style>
