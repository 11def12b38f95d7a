<script setup lang="ts">
import { partsOf, recipe, RECIPES, whatItBuys, type Blend, type Rung } from '@fernbank/core';
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

const { volume, percent, length } = useUnits();
const batch = computed(() => batchFor(props.rung, recipeId.value, scoopL.value));
const dusty = computed(() => batch.value?.measures.some(({ component }) => component.dusty));
const biohazard = computed(() =>
  batch.value?.measures.some(({ component }) => component.biohazard),
);
const columnCm = computed(() => props.rung!.fillHeightCm - props.rung!.depth.layerCm);
/** What each part buys in this pot: air against its share, drawn and in one sentence. */
const buys = computed(() => {
  if (!props.rung) return [];
  const parts = partsOf(recipe(recipeId.value).parts);
  if (parts.length < 2) return [];
  return parts.map(({ ingredient }, i) => {
    const { curve, present, addsAir, countsFrom } = whatItBuys(parts, i, columnCm.value);
    const most = Math.max(...curve.map(({ air }) => air), 0.01);
    return {
      label: ingredient.label,
      curve: `M${curve.map(({ share, air }) => `${(100 * share).toFixed(1)} ${(38 - (36 * air) / most).toFixed(1)}`).join('L')}`,
      present: 100 * present,
      text: m.fit.buys(
        percent(present),
        Math.round(100 * addsAir),
        countsFrom === null ? null : percent(countsFrom),
      ),
    };
  });
});
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
        <details v-if="buys.length > 1">
          <summary>{{ m.fit.buysTitle }}</summary>
          <ul class="buys">
            <li v-for="row in buys" :key="row.label">
              <strong>{{ row.label }}</strong>
              <svg
                viewBox="0 0 100 40"
                preserveAspectRatio="none"
                role="img"
                :aria-label="row.text"
              >
                <path :d="row.curve" class="curve" />
                <line :x1="row.present" :x2="row.present" y1="0" y2="40" class="now" />
              </svg>
              <span>{{ row.text }}</span>
            </li>
          </ul>
          <p class="quiet small">{{ m.fit.buysHow(length(columnCm)) }}</p>
        </details>
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
.buys {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 8px;
}
.buys li {
  display: grid;
  grid-template-columns: minmax(90px, 0.5fr) 110px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
.buys svg {
  width: 110px;
  height: 40px;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.4);
}
.curve {
  fill: none;
  stroke: rgb(var(--v-theme-water));
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.now {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.big {
  font-size: 1.2rem;
  font-weight: 700;
}
@media (max-width: 640px) {
  .buys li {
    grid-template-columns: minmax(0, 1fr) 110px;
  }
  .buys li > span {
    grid-column: 1 / -1;
  }
}
@media (max-width: 800px) {
  .mix {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
