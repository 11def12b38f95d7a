<script setup lang="ts">
import {
  listedParts,
  agedInPot,
  blend,
  insideOfMaterial,
  mediumLife,
  mixFigures,
  mixInPot,
  swapPlace,
  type Component,
  type MediumKind,
  type Part,
  type PottedPlace,
  type RecipePart,
  type RootBall,
  type Rung,
  type Situation,
  preparationWords,
  measuredFor,
} from '@fernbank/core';
import { computed, ref } from 'vue';
import { useChangeWords } from '../../composables/changeWords.ts';
import type { Fit } from '../../composables/useFit.ts';
import { useExtraWords } from '../../composables/extraWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import FoldedPart from '../FoldedPart.vue';
import AgeingPanel from '../mix/AgeingPanel.vue';
import BuysPanel from '../mix/BuysPanel.vue';
import FiguresTable from '../mix/FiguresTable.vue';
import MeasuresTable from '../mix/MeasuresTable.vue';
import MediaWork from '../mix/MediaWork.vue';
import MixColumns from '../mix/MixColumns.vue';
import OldMediumPanel from '../mix/OldMediumPanel.vue';
import SwapDialog from '../mix/SwapDialog.vue';

/** The recipe in whole scoops for the chosen pot, and what it will hold there. */
const props = defineProps<{
  rung: Rung | null;
  situation: Situation;
  /** how much of the old medium comes off */
  work: RootBall['work'];
  mixed: Fit['mixed']['value'];
  /** what the mix makes of its medium */
  kind: MediumKind;
  /** mixed otherwise than its recipe */
  own: boolean;
  usualRecipe: string;
  temperatureC: number;
  extras: Fit['extras']['value'];
  before: Fit['before']['value'];
}>();
const recipeId = defineModel<string>('recipeId', { required: true });
const scoopL = defineModel<number | null>('scoopL', { required: true });
const emit = defineEmits<{ parts: [RecipePart[] | null] }>();

const store = usePantry();
const settings = useSettings();
const { volume, percent, weight } = useUnits();
const { changes } = useChangeWords();
const { extraWords } = useExtraWords();
const parts = computed(() => props.mixed.parts);
const batch = computed(() => measuredFor(props.rung, parts.value, scoopL.value));
const components = computed(() => parts.value.map(({ ingredient }) => ingredient));
const dusty = computed(() => components.value.some((component) => component.dusty));
const biohazard = computed(() => components.value.some((component) => component.biohazard));
/** The new pot above its drainage layer. */
const place = computed((): PottedPlace => {
  const { traits } = props.situation;
  const { option } = props.rung!;
  return {
    pot: insideOfMaterial(option.outside, option.material),
    floorCm: props.rung!.depth.layerCm,
    airNeed: traits.airNeed,
    drying: traits.drying,
    temperatureC: props.temperatureC,
  };
});
const potted = computed(() => mixInPot(parts.value, place.value));
const months = ref(0);
const recipeLabel = computed(() => store.pantry.recipe(recipeId.value).label);
const columns = computed(() => [
  {
    label: months.value === 0 ? m.mix.fresh : m.mix.afterShort(Math.round(months.value)),
    ...agedInPot(potted.value, place.value, months.value),
  },
]);
const pricePerL = computed(
  () => mixFigures(parts.value, swapPlace(place.value, store.pantry.priceOf)).pricePerL,
);
const lifeOf = (list: readonly Part<Component>[]) =>
  mediumLife(blend(list), place.value.pot, place.value, place.value.temperatureC).months;

/** Parts that are known to be missing: one tap finds what stands in. */
const outOf = computed(() =>
  parts.value.flatMap(({ ingredient }, of) => (store.outOfStock(ingredient.id) ? [of] : [])),
);
const swapping = ref<number | null>(null);
const recipes = computed(() =>
  store.pantry.recipes.map(({ id: value, label, use }) => ({
    value,
    title: value === props.usualRecipe ? `${label} (${m.fit.usual})` : label,
    props: { subtitle: use },
  })),
);
const SCOOPS_L = [0.05, 0.1, 0.2, 0.24, 0.25, 0.5, 1, 2];
const scoops = computed(() => {
  const own = settings.current.scoopL;
  const sizes = own === null || SCOOPS_L.includes(own) ? SCOOPS_L : [...SCOOPS_L, own];
  return [...sizes]
    .sort((a, b) => a - b)
    .map((value) => ({
      value,
      title: value === own ? m.mix.ownScoop(volume(value)) : volume(value),
    }));
});
const upTo = (share: number) => `${Math.ceil(share * 100)} %`;
</script>

<template>
  <section class="panel stack">
    <div class="mix">
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
        <p v-for="standIn in mixed.standIns" :key="standIn.instead.id" class="note">
          {{ m.mix.standIn(standIn.instead.label, standIn.uses.label, changes(standIn.change)) }}
          <router-link to="/mix/components">{{ m.mix.avoidList }}</router-link>
        </p>
        <p v-for="of in outOf" :key="of" class="note">
          {{ m.mix.outOf(parts[of]!.ingredient.label) }}
          <v-btn variant="outlined" class="no-print ml-2" @click="swapping = of">{{
            m.mix.whatInstead
          }}</v-btn>
        </p>
        <p v-if="own && mixed.standIns.length === 0" class="note">
          {{ m.mix.mixedOtherwise(recipeLabel) }}
          <v-btn variant="text" class="no-print" @click="emit('parts', null)">{{
            m.mix.backToRecipe
          }}</v-btn>
        </p>
        <template v-if="batch">
          <MeasuresTable
            :measures="batch.inScoops.measures"
            :scoop="batch.scoop"
            swappable
            @swap="(of) => (swapping = of)"
          />
          <ul v-if="extras.length > 0" class="plain">
            <li v-for="extra in extras" :key="extra.kind">{{ extraWords(extra) }}</li>
          </ul>
          <p v-if="rung && rung.pots > 1" class="note">{{ m.sheet.inAll(rung.pots) }}</p>
          <p>
            {{ volume(batch.filledL) }} {{ m.fit.toFill }}, +
            {{ percent(batch.margins.settling) }} % {{ m.fit.settling }}, +
            {{ percent(batch.margins.spare) }} % {{ m.fit.spare }} = {{ volume(batch.mixedL) }}.
            {{ m.fit.inScoops(volume(batch.inScoops.measuredL)) }}
            <strong>{{ volume(batch.inScoops.mixedL) }} {{ m.fit.mixed }}</strong>
            ({{ percent(potted.blend.shrink) }} % {{ m.fit.shrink }}).
          </p>
          <p class="quiet">{{ m.fit.rounding(upTo(batch.scoop.worstError)) }}</p>
          <p v-if="batch.scoop.scale > 1.5" class="caution">
            {{ m.mix.scoopTooLarge(volume(batch.scoop.scoopL)) }}
          </p>
          <p class="quiet small">
            {{
              m.mix.byWeight(
                weight(batch.inScoops.measures.reduce((sum, { dryKg }) => sum + dryKg, 0)),
              )
            }}
          </p>
          <template v-if="before.length > 0">
            <h3>{{ m.mix.before }}</h3>
            <ul class="plain">
              <li v-for="step in before" :key="step.component + step.does">
                {{ preparationWords(step) }}
              </li>
            </ul>
          </template>
          <p v-if="dusty" class="caution">{{ m.fit.dust }}</p>
          <p v-if="biohazard" class="caution">{{ m.fit.bio }}</p>
        </template>
        <p v-else-if="rung">{{ m.fit.noMix }}</p>
      </div>
      <div v-if="rung" class="holds">
        <h3>{{ m.fit.holds }}</h3>
        <MixColumns :columns="columns" :air-need="situation.traits.airNeed" />
      </div>
    </div>
    <template v-if="rung">
      <FoldedPart :title="m.mix.inFigures">
        <FiguresTable :mixes="[{ label: recipeLabel, mix: potted, pricePerL }]" />
      </FoldedPart>
      <FoldedPart :title="m.mix.ageing">
        <AgeingPanel
          v-model="months"
          :mixes="[{ label: recipeLabel, mix: potted }]"
          :place="place"
        />
      </FoldedPart>
      <FoldedPart :title="m.upkeep.byMedium">
        <MediaWork :rung="rung" :situation="situation" :chosen="kind" />
      </FoldedPart>
      <FoldedPart v-if="parts.length > 1" :title="m.fit.buysTitle">
        <BuysPanel :parts="parts" :place="place" :life-of="lifeOf" />
      </FoldedPart>
      <FoldedPart :title="m.mix.old.title">
        <OldMediumPanel :situation="situation" :work="work" :place="place" :pot="place.pot" />
      </FoldedPart>
      <SwapDialog
        :parts="parts"
        :of="swapping"
        :place="place"
        @close="swapping = null"
        @swap="(swapped) => emit('parts', listedParts(swapped))"
      />
    </template>
  </section>
</template>

<style scoped>
.mix {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 320px);
  gap: 24px;
}
.mix > * {
  min-width: 0;
}
.fields > * {
  flex: 1 1 200px;
}
.note {
  border-left: 4px solid rgb(var(--v-theme-secondary));
  padding-left: 10px;
}
@media (max-width: 800px) {
  .mix {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
