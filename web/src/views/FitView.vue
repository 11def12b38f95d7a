<script setup lang="ts">
import {
  blendOfRecipe,
  potLadder,
  rimCm,
  standardOptions,
  type MediumKind,
  type PotOption,
  type Rung,
  type SizeSchool,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../api/client.ts';
import type { PlantFile } from '../api/types.ts';
import PotCutaway from '../components/cutaway/PotCutaway.vue';
import type { CutawaySubject } from '../components/cutaway/scene.ts';
import FetchState from '../components/FetchState.vue';
import MixPanel from '../components/MixPanel.vue';
import PlantHeader from '../components/PlantHeader.vue';
import PotLadder from '../components/PotLadder.vue';
import RepotForm from '../components/RepotForm.vue';
import { kindOfRecipe, useFigureWords } from '../composables/figureWords.ts';
import { useLoaded } from '../composables/useLoaded.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import { useSettings } from '../stores/settings.ts';

const route = useRoute();
const settings = useSettings();
const { length, volume, weight } = useUnits();
const { crowdedWord, mediumWord, days, degrees } = useFigureWords();
const id = Number(route.params.id);
const { value: file, fault, load } = useLoaded(() => api<PlantFile>(`/plants/${id}/file`));

const school = ref<SizeSchool>('oneUp');
const recipeId = ref('');
const picked = ref<string | null>(null);
const scoopL = ref<number | null>(settings.current.scoopL);
watch(file, (now, before) => {
  if (!now || before) return;
  school.value = now.situation.schools?.size ?? 'oneUp';
  recipeId.value = now.situation.traits.recipe;
});
watch(school, () => (picked.value = null));

/** Pots far from the present size would only crowd the ladder. */
const SHELF_RANGE = { narrowest: 0.7, widest: 2.1 } as const;
const SAME_WIDTH_CM = 0.6;

const options = computed<PotOption[]>(() => {
  if (!file.value) return [];
  const { plant, shelf, situation } = file.value;
  const owned = shelf
    .filter(({ shape }) => {
      const share = rimCm(shape) / rimCm(plant.pot);
      return share > SHELF_RANGE.narrowest && share < SHELF_RANGE.widest;
    })
    .map(({ id: potId, label, shape, material, emptyKg }): PotOption => ({
      id: `shelf-${potId}`,
      label,
      outside: shape,
      material,
      owned: true,
      ...(emptyKg ? { emptyKg } : {}),
    }));
  // A size to buy is no news where one like it stands on the shelf.
  const toBuy = standardOptions(situation.pot).filter(
    ({ outside }) =>
      !owned.some((own) => Math.abs(rimCm(own.outside) - rimCm(outside)) < SAME_WIDTH_CM),
  );
  return [...owned, ...toBuy];
});
const shelfPot = (option: PotOption) =>
  file.value?.shelf.find(({ id: potId }) => option.id === `shelf-${potId}`) ?? null;

const mix = computed(() => (recipeId.value ? blendOfRecipe(recipeId.value) : null));
const ladder = computed(() => {
  if (!file.value || !mix.value) return null;
  const { situation, height, support } = file.value;
  return potLadder({
    situation: { ...situation, schools: { ...situation.schools, size: school.value } },
    options: options.value,
    mix: mix.value,
    plantHeightCm: height.cm,
    ...(support ? { support } : {}),
  });
});
const choice = computed<Rung | null>(() => {
  if (!ladder.value) return null;
  const { rungs, choice: best } = ladder.value;
  const own = rungs.find(({ option }) => option.id === picked.value);
  return own ?? (best === null ? null : rungs[best]!);
});

const choiceTitle = computed(() => {
  if (!choice.value) return '';
  const { option, rimCm: width, fillL } = choice.value;
  return option.owned
    ? m.fit.ownTitle(option.label, length(width), volume(fillL))
    : m.fit.buyTitle(length(width), volume(fillL));
});

const newKind = computed<MediumKind>(() =>
  recipeId.value === file.value?.plant.recipeId
    ? file.value.plant.mediumKind
    : kindOfRecipe(recipeId.value),
);
const before = computed<CutawaySubject>(() => {
  const { plant, height } = file.value!;
  return {
    name: plant.name,
    pot: plant.pot,
    material: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    explored: ladder.value?.ball.explored ?? 0,
    plantHeightCm: height.cm,
    growthForm: file.value!.situation.traits.growthForm,
    supportCm: plant.supportCm,
  };
});
const rungSubject = (rung: Rung): CutawaySubject => ({
  name: `${file.value!.plant.name} ${rung.option.id}`,
  pot: rung.option.outside,
  material: rung.option.material,
  mediumKind: newKind.value,
  recipeId: recipeId.value,
  ball: {
    inside: file.value!.situation.pot,
    litres: ladder.value!.ball.displacesL,
    explored: ladder.value!.ball.explored,
  },
});
const after = computed<CutawaySubject>(() => ({
  ...rungSubject(choice.value!),
  name: file.value!.plant.name,
  plantHeightCm: file.value!.height.cm,
  growthForm: file.value!.situation.traits.growthForm,
  supportCm: file.value!.plant.supportCm,
  gravityHeightCm: choice.value!.stance.gravityHeightDryCm,
  tipAngleDeg: choice.value!.stance.tipAngleDryDeg,
}));
const widestCm = computed(() => Math.max(rimCm(file.value!.plant.pot), choice.value?.rimCm ?? 0));
const HEAVY_KG = 20;
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file && ladder && mix">
      <PlantHeader :file="file" at="fit" />

      <section class="panel answer">
        <div>
          <h1 v-if="choice">
            {{ choiceTitle }}
          </h1>
          <h1 v-else>{{ m.fit.nonePossible }}</h1>
          <p class="lead">{{ choice && picked ? choice.because : ladder.because }}</p>
          <dl v-if="choice" class="facts">
            <div>
              <dt>{{ m.fit.newMedium }}</dt>
              <dd>{{ volume(choice.newMediumL) }}</dd>
            </div>
            <div>
              <dt>{{ m.fit.crowded }}</dt>
              <dd>{{ crowdedWord(choice.monthsToCrowded) }}</dd>
            </div>
            <div>
              <dt>{{ m.fit.medium }}</dt>
              <dd>{{ mediumWord(choice.mediumMonths) }}</dd>
            </div>
            <div>
              <dt>{{ m.fit.dry }}</dt>
              <dd>
                {{ m.fit.dryValue(days(choice.daysToDryInGrowth), days(choice.daysToDryAtRest)) }}
              </dd>
            </div>
            <div>
              <dt>{{ m.fit.tip }}</dt>
              <dd>
                {{
                  m.fit.tipValue(
                    degrees(choice.stance.tipAngleDryDeg),
                    degrees(choice.stance.tipAngleWetDeg),
                  )
                }}
              </dd>
            </div>
            <div>
              <dt>{{ m.fit.weight }}</dt>
              <dd>{{ weight(choice.stance.wetKg) }}</dd>
            </div>
          </dl>
          <p v-if="choice && choice.stance.wetKg > HEAVY_KG" class="caution">
            {{ m.fit.heavy(weight(choice.stance.wetKg)) }}
          </p>
          <p class="quiet small">{{ m.fit.typical }}</p>
        </div>
        <div class="compare" role="group" :aria-label="m.fit.compare">
          <figure>
            <PotCutaway
              :subject="before"
              :px-per-cm="Math.min(9, 150 / widestCm)"
              :crown-cm="10"
              :room-cm="widestCm"
              ruler
            />
            <figcaption>{{ m.fit.before }}: {{ length(rimCm(file.plant.pot)) }}</figcaption>
          </figure>
          <figure v-if="choice">
            <PotCutaway
              :subject="after"
              :px-per-cm="Math.min(9, 150 / widestCm)"
              :crown-cm="10"
              :room-cm="widestCm"
            />
            <figcaption>{{ m.fit.after }}: {{ length(choice.rimCm) }}</figcaption>
          </figure>
        </div>
      </section>

      <PotLadder
        v-model:school="school"
        :ladder="ladder"
        :choice="choice"
        :subject-of="rungSubject"
        :free-on-shelf="(option) => shelfPot(option)?.free ?? 0"
        :px-per-cm="Math.min(5, 110 / widestCm)"
        @pick="(option) => (picked = option)"
      />
      <MixPanel
        v-model:recipe-id="recipeId"
        v-model:scoop-l="scoopL"
        :rung="choice"
        :mix="mix"
        :usual-recipe="file.situation.traits.recipe"
        :air-need="file.situation.traits.airNeed"
      />
      <RepotForm
        v-if="choice"
        :plant-id="id"
        :option="choice.option"
        :pot-id="shelfPot(choice.option)?.id ?? null"
        :medium-kind="newKind"
        :recipe-id="recipeId"
        :scoop-l="scoopL"
      />
    </template>
  </div>
</template>

<style scoped>
.answer {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 18px;
}
.lead {
  font-size: 1.06rem;
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 8px 16px;
  margin-top: 10px;
}
.facts dt {
  color: rgb(var(--v-theme-on-surface), 0.76);
  font-size: 0.88rem;
}
.facts dd {
  font-weight: 700;
}
.small {
  font-size: 0.88rem;
  margin-top: 8px;
}
.compare {
  display: flex;
  gap: 8px;
  align-items: flex-end;
  min-width: 0;
}
.compare > figure {
  min-width: 0;
}
.compare figcaption {
  text-align: center;
}
@media (max-width: 800px) {
  .answer {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
