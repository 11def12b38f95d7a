<script setup lang="ts">
import { RECIPES, type Blend, type Rung } from '@fernbank/core';
import { computed } from 'vue';
import { batchFor } from '../../composables/batchFor.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import AirWaterColumn from '../cutaway/AirWaterColumn.vue';

/** The recipe in whole scoops for the chosen pot, and what it will hold there. */
const props = defineProps<{
  rung: Rung | null;
  mix: Blend;
  usualRecipe: string;
  airNeed: number | null;
}>();
const recipeId = defineModel<string>('recipeId', { required: true });
const scoopL = defineModel<number | null>('scoopL', { required: true });

const { volume, percent } = useUnits();
const batch = computed(() => batchFor(props.rung, recipeId.value, scoopL.value));
const dusty = computed(() => batch.value?.measures.some(({ component }) => component.dusty));
const biohazard = computed(() =>
  batch.value?.measures.some(({ component }) => component.biohazard),
);
const recipes = computed(() =>
  RECIPES.map(({ id: value, label, use }) => ({
    value,
    title: value === props.usualRecipe ? `${label} (${m.fit.usual})` : label,
    props: { subtitle: use },
  })),
);
const scoops = [0.05, 0.1, 0.2, 0.25, 0.5, 1, 2].map((value) => ({ value, title: volume(value) }));
const upTo = (share: number) => `${Math.ceil(share * 100)} %`;
</script>

<template>
  <section class="panel mix">
    <div class="stack">
      <h2>{{ m.fit.mix }}</h2>
      <div class="row fields">
        <v-select v-model="recipeId" :items="recipes" :label="m.fit.recipe" />
        <v-select
          v-model="scoopL"
          :items="scoops"
          :label="m.fit.scoop"
          :placeholder="m.fit.suggested"
          persistent-placeholder
          clearable
        />
      </div>
      <template v-if="batch">
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.fit.component }}</th>
              <th class="num">{{ m.fit.scoop }} {{ volume(batch.scoop.scoopL) }}</th>
              <th class="num">{{ m.fit.litres }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(measure, i) in batch.measures" :key="measure.component.id">
              <td>{{ measure.component.label }}</td>
              <td class="num big">{{ m.fit.scoops(batch.scoop.scoops[i]!) }}</td>
              <td class="num">{{ volume(measure.litres) }}</td>
            </tr>
          </tbody>
        </table>
        <p>
          {{ volume(batch.filledL) }} {{ m.fit.toFill }}, + {{ percent(batch.margins.settling) }} %
          {{ m.fit.settling }}, + {{ percent(batch.margins.spare) }} % {{ m.fit.spare }} =
          <strong>{{ volume(batch.mixedL) }} {{ m.fit.mixed }}</strong
          >; {{ volume(batch.measuredL) }} {{ m.fit.measured }} ({{ percent(mix.shrink) }} %
          {{ m.fit.shrink }}).
        </p>
        <p class="quiet">
          {{
            batch.scoop.exactEnough
              ? m.fit.rounding(upTo(batch.scoop.worstError))
              : m.fit.roundingOver(upTo(batch.scoop.worstError))
          }}
        </p>
        <p v-if="dusty" class="caution">{{ m.fit.dust }}</p>
        <p v-if="biohazard" class="caution">{{ m.fit.bio }}</p>
      </template>
      <p v-else-if="rung">{{ m.fit.noMix }}</p>
    </div>
    <div v-if="rung">
      <h3>{{ m.fit.holds }}</h3>
      <AirWaterColumn :air="rung.air" :water="rung.water" :air-need="airNeed" class="mt-2" />
    </div>
  </section>
</template>

<style scoped>
.mix {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 24px;
}
.fields > * {
  flex: 1 1 200px;
}
.big {
  font-size: 1.2rem;
  font-weight: 700;
}
@media (max-width: 800px) {
  .mix {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
