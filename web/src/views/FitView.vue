<script setup lang="ts">
import {
  blendOfRecipe,
  measureOut,
  MEDIUM_KINDS,
  partsOf,
  potLadder,
  RECIPES,
  recipe,
  rimCm,
  SIZE_SCHOOLS,
  standardOptions,
  type MediumKind,
  type PotOption,
  type Rung,
  type SizeSchool,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, wordsFor } from '../api/client.ts';
import type { PlantFile, Repot, Task } from '../api/types.ts';
import AirWaterColumn from '../components/cutaway/AirWaterColumn.vue';
import PotCutaway from '../components/cutaway/PotCutaway.vue';
import FetchState from '../components/FetchState.vue';
import PlantHeader from '../components/PlantHeader.vue';
import { useDraft } from '../composables/useDraft.ts';
import { useLoaded } from '../composables/useLoaded.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';
import { useSettings } from '../stores/settings.ts';

const route = useRoute();
const router = useRouter();
const notices = useNotices();
const settings = useSettings();
const { length, volume, weight, months, percent } = useUnits();
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

const options = computed<PotOption[]>(() => {
  if (!file.value) return [];
  const owned = file.value.shelf
    .filter(({ shape }) => {
      const share = rimCm(shape) / rimCm(file.value!.plant.pot);
      return share > 0.7 && share < 2.1;
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
  const toBuy = standardOptions(file.value.situation.pot).filter(
    ({ outside }) => !owned.some((own) => Math.abs(rimCm(own.outside) - rimCm(outside)) < 0.6),
  );
  return [...owned, ...toBuy];
});

const ladder = computed(() => {
  if (!file.value || !recipeId.value) return null;
  const { situation, height, support } = file.value;
  return potLadder({
    situation: { ...situation, schools: { ...situation.schools, size: school.value } },
    options: options.value,
    mix: blendOfRecipe(recipeId.value),
    plantHeightCm: height.cm,
    ...(support ? { support } : {}),
  });
});
const choice = computed<Rung | null>(() => {
  if (!ladder.value) return null;
  const { rungs, choice: best } = ladder.value;
  return (
    rungs.find(({ option }) => option.id === picked.value) ?? (best === null ? null : rungs[best]!)
  );
});
watch(school, () => (picked.value = null));

const batch = computed(() => {
  if (!choice.value || choice.value.newMediumL <= 0.01) return null;
  return measureOut(
    partsOf(recipe(recipeId.value).parts),
    choice.value.newMediumL,
    scoopL.value ? { scoopL: scoopL.value } : {},
  );
});
const mix = computed(() => (recipeId.value ? blendOfRecipe(recipeId.value) : null));
const dusty = computed(() => batch.value?.measures.some(({ component }) => component.dusty));
const biohazard = computed(() =>
  batch.value?.measures.some(({ component }) => component.biohazard),
);

const plantSubject = computed(() => {
  const { plant, height } = file.value!;
  return {
    name: plant.name,
    pot: plant.pot,
    material: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    explored: ladder.value?.ball.explored ?? 0.6,
    plantHeightCm: height.cm,
    supportCm: plant.supportCm,
  };
});
const kindOf = (recipe: string): MediumKind =>
  MEDIUM_KINDS.find((kind) => kind.recipe === recipe)?.id ?? kindByParts(recipe);
/** The kind that most of a recipe's parts speak for. */
function kindByParts(id: string): MediumKind {
  const parts = [...recipe(id).parts].sort((a, b) => b.parts - a.parts);
  const main = parts[0]!.component;
  if (main.startsWith('bark')) return parts.length > 2 ? 'mix' : 'bark';
  if (main === 'loamCompost') return 'loam';
  if (['pumice', 'lava', 'grit'].includes(main)) return 'mineral';
  return 'peatSoil';
}
const newKind = computed<MediumKind>(() =>
  recipeId.value === file.value?.plant.recipeId
    ? file.value.plant.mediumKind
    : kindOf(recipeId.value),
);
const rungSubject = (rung: Rung) => ({
  name: `${file.value!.plant.name} ${rung.option.id}`,
  pot: rung.option.outside,
  material: rung.option.material,
  mediumKind: newKind.value,
  recipeId: recipeId.value,
  explored: rung.explored,
  ball: {
    inside: file.value!.situation.pot,
    litres: ladder.value!.ball.displacesL,
    explored: ladder.value!.ball.explored,
  },
});
const afterSubject = computed(() => ({
  ...rungSubject(choice.value!),
  name: file.value!.plant.name,
  plantHeightCm: file.value!.height.cm,
  supportCm: file.value!.plant.supportCm,
  gravityHeightCm: choice.value!.stance.gravityHeightDryCm,
  tipAngleDeg: choice.value!.stance.tipAngleDryDeg,
}));
const biggest = computed(() =>
  Math.max(rimCm(file.value!.plant.pot), choice.value ? choice.value.rimCm : 0),
);

const crowdedWord = (count: number | null) =>
  count === null
    ? m.fit.never
    : count < 0.5
      ? m.fit.already
      : m.fit.crowdedIn(m.verdictPage.months(months(count)!));
const mediumWord = (count: number | null) =>
  count === null ? m.fit.noAgeing : m.verdictPage.months(months(count)!);
const days = (count: number) => String(Math.round(count));
const degrees = (value: number) => `${value.toFixed(0)}°`;
const shelfCount = (option: PotOption) =>
  file.value?.shelf.find(({ id: potId }) => option.id === `shelf-${potId}`)?.free ?? 0;
const litresError = (share: number) => `${Math.ceil(share * 100)} %`;
const schools = Object.entries(SIZE_SCHOOLS).map(([value, { label }]) => ({ value, title: label }));
const recipes = computed(() =>
  RECIPES.map(({ id: value, label, use }) => ({
    value,
    title: value === file.value?.situation.traits.recipe ? `${label} (${m.fit.usual})` : label,
    props: { subtitle: use },
  })),
);
const scoops = [0.05, 0.1, 0.2, 0.25, 0.5, 1, 2].map((value) => ({ value, title: volume(value) }));
const HEAVY_KG = 20;
/** Rungs worth showing: the choice, its neighbours and what is on the shelf. */
const shown = computed(() => {
  if (!ladder.value) return [];
  const at = ladder.value.rungs.findIndex((rung) => rung === choice.value);
  return ladder.value.rungs.filter(
    (rung, i) => rung.option.owned || (at >= 0 && Math.abs(i - at) <= 3) || rung === choice.value,
  );
});

const { draft, clear } = useDraft(`repot.${id}`, () => ({
  date: settings.current.today,
  rootsCut: false,
  note: '',
}));
const errors = ref<Record<string, string>>({});
const saveFault = ref('');
const saving = ref(false);
async function confirmRepot(): Promise<void> {
  if (!choice.value) return;
  errors.value = {};
  saveFault.value = '';
  saving.value = true;
  const { option } = choice.value;
  try {
    const done = await api<Repot & { tasks: Task[] }>('/repots', {
      method: 'POST',
      body: {
        plantId: id,
        date: draft.value.date,
        pot: option.outside,
        potMaterial: option.material,
        potId: option.id.startsWith('shelf-') ? Number(option.id.slice(6)) : null,
        mediumKind: newKind.value,
        recipeId: recipeId.value,
        rootsCut: draft.value.rootsCut,
        scoopL: scoopL.value,
        note: draft.value.note,
      },
    });
    clear();
    notices.done(m.fit.done, async () => {
      await api(`/repots/${done.id}`, { method: 'DELETE' });
      await router.push(`/plants/${id}/fit`);
    });
    await router.push(`/plants/${id}`);
  } catch (error) {
    const field = error instanceof ApiError ? error.field : undefined;
    if (field === 'date') errors.value = { date: wordsFor(error) };
    else saveFault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file && ladder">
      <PlantHeader :file="file" at="fit" />

      <section class="panel answer">
        <div>
          <h1 v-if="choice">
            {{ choice.option.label }}: {{ length(choice.rimCm) }}, {{ volume(choice.fillL) }}
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
        <figure class="compare">
          <div>
            <PotCutaway
              :subject="plantSubject"
              :px-per-cm="Math.min(9, 150 / biggest)"
              :crown-cm="10"
              :room-cm="biggest"
              ruler
            />
            <figcaption>{{ m.fit.before }}: {{ length(rimCm(file.plant.pot)) }}</figcaption>
          </div>
          <div v-if="choice">
            <PotCutaway
              :subject="afterSubject"
              :px-per-cm="Math.min(9, 150 / biggest)"
              :crown-cm="10"
              :room-cm="biggest"
            />
            <figcaption>{{ m.fit.after }}: {{ length(choice.rimCm) }}</figcaption>
          </div>
        </figure>
      </section>

      <section class="panel">
        <div class="row spread">
          <h2>{{ m.fit.ladder }}</h2>
          <v-btn-toggle v-model="school" mandatory density="comfortable" :aria-label="m.fit.school">
            <v-btn v-for="s in schools" :key="s.value" :value="s.value" min-height="44">{{
              s.title
            }}</v-btn>
          </v-btn-toggle>
        </div>
        <p class="quiet">{{ m.fit.ladderIntro }}</p>
        <ol class="ladder">
          <li v-for="rung in shown" :key="rung.option.id" :class="{ chosen: rung === choice }">
            <PotCutaway
              :subject="rungSubject(rung)"
              :px-per-cm="Math.min(5, 110 / biggest)"
              :crown-cm="0"
            />
            <strong>{{ rung.option.label }}</strong>
            <span class="quiet">{{
              rung.option.owned ? m.fit.shelf(shelfCount(rung.option)) : m.fit.buy
            }}</span>
            <span>{{ volume(rung.fillL) }}</span>
            <span>{{ m.fit.crowded }} {{ crowdedWord(rung.monthsToCrowded) }}</span>
            <span>{{
              m.fit.dryShort(days(rung.daysToDryInGrowth), days(rung.daysToDryAtRest))
            }}</span>
            <span>{{ m.fit.tip }} {{ degrees(rung.stance.tipAngleDryDeg) }}</span>
            <span class="why">{{ rung.because }}</span>
            <v-btn
              v-if="rung !== choice"
              size="small"
              variant="outlined"
              min-height="48"
              :aria-label="`${m.fit.choose1}: ${rung.option.label}`"
              @click="picked = rung.option.id"
              >{{ m.fit.choose1 }}</v-btn
            >
            <strong v-else class="pickmark">✓ {{ m.fit.chosen }}</strong>
          </li>
        </ol>
        <details>
          <summary>{{ m.fit.table }}</summary>
          <div class="scroll">
            <table class="figures">
              <thead>
                <tr>
                  <th>{{ m.fit.pot }}</th>
                  <th class="num">{{ m.fit.newMedium }}</th>
                  <th class="num">{{ m.fit.crowded }}</th>
                  <th class="num">{{ m.fit.medium }}</th>
                  <th class="num">{{ m.fit.dry }}</th>
                  <th class="num">{{ m.fit.tip }}</th>
                  <th class="num">{{ m.fit.weight }}</th>
                  <th>{{ m.fit.why }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="rung in ladder.rungs" :key="rung.option.id">
                  <td>{{ rung.option.label }}</td>
                  <td class="num">{{ volume(rung.newMediumL) }}</td>
                  <td class="num">{{ crowdedWord(rung.monthsToCrowded) }}</td>
                  <td class="num">{{ mediumWord(rung.mediumMonths) }}</td>
                  <td class="num">
                    {{ m.fit.dryValue(days(rung.daysToDryInGrowth), days(rung.daysToDryAtRest)) }}
                  </td>
                  <td class="num">{{ degrees(rung.stance.tipAngleDryDeg) }}</td>
                  <td class="num">{{ weight(rung.stance.wetKg) }}</td>
                  <td>{{ m.fit.verdictName[rung.verdict] }}: {{ rung.because }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </details>
      </section>

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
          <template v-if="batch && mix">
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
              {{ volume(batch.filledL) }} {{ m.fit.toFill }}, +
              {{ percent(batch.margins.settling) }} % {{ m.fit.settling }}, +
              {{ percent(batch.margins.spare) }} % {{ m.fit.spare }} =
              <strong>{{ volume(batch.mixedL) }} {{ m.fit.mixed }}</strong
              >; {{ volume(batch.measuredL) }} {{ m.fit.measured }} ({{ percent(mix.shrink) }} %
              {{ m.fit.shrink }}).
            </p>
            <p class="quiet">
              {{
                batch.scoop.exactEnough
                  ? m.fit.rounding(litresError(batch.scoop.worstError))
                  : m.fit.roundingOver(litresError(batch.scoop.worstError))
              }}
            </p>
            <p v-if="dusty" class="caution">{{ m.fit.dust }}</p>
            <p v-if="biohazard" class="caution">{{ m.fit.bio }}</p>
          </template>
          <p v-else-if="choice">{{ m.fit.noMix }}</p>
        </div>
        <div v-if="choice">
          <h3>{{ m.fit.holds }}</h3>
          <AirWaterColumn
            :air="choice.air"
            :water="choice.water"
            :air-need="file.situation.traits.airNeed"
            class="mt-2"
          />
        </div>
      </section>

      <section v-if="choice" class="panel no-print">
        <form class="stack" novalidate @submit.prevent="confirmRepot">
          <h2>{{ m.fit.confirmTitle }}</h2>
          <div class="row fields">
            <v-text-field
              v-model="draft.date"
              type="date"
              :label="m.fit.date"
              :max="settings.current.today"
              :error-messages="errors.date"
              name="date"
            />
            <v-checkbox v-model="draft.rootsCut" :label="m.fit.rootsCut" />
          </div>
          <v-textarea v-model="draft.note" :label="m.fit.note" rows="2" auto-grow />
          <p v-if="saveFault" role="alert" class="text-error">{{ saveFault }}</p>
          <div>
            <v-btn type="submit" color="primary" size="large" min-height="54" :loading="saving">{{
              m.fit.confirmButton
            }}</v-btn>
          </div>
        </form>
      </section>
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
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
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
}
.compare figcaption {
  text-align: center;
}
.caution {
  border-left: 4px solid rgb(var(--v-theme-error));
  padding: 2px 10px;
}
.ladder {
  list-style: none;
  padding: 4px 0 10px;
  display: flex;
  gap: 12px;
  overflow-x: auto;
  align-items: stretch;
}
.ladder li {
  flex: 0 0 172px;
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
  gap: 2px;
  padding: 8px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.14);
  border-radius: 10px;
  font-size: 0.92rem;
}
.ladder li.chosen {
  border-color: rgb(var(--v-theme-primary));
  border-width: 2.5px;
}
.ladder li > svg {
  align-self: center;
  margin-top: auto;
}
.why {
  color: rgb(var(--v-theme-on-surface), 0.76);
  min-height: 5.2em;
}
.pickmark {
  color: rgb(var(--v-theme-primary));
  min-height: 48px;
  display: flex;
  align-items: center;
  justify-content: center;
}
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
.scroll {
  overflow-x: auto;
}
@media (max-width: 800px) {
  .answer,
  .mix {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
