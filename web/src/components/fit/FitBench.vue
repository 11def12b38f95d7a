<script setup lang="ts">
import {
  wantsPot,
  wishOf,
  DRAINAGE_LAYERS,
  fillL,
  footing,
  rimCm,
  supportAreaCm2,
  type DrainageLayer,
  type PotOption,
  type Rung,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { api, write } from '../../api/client.ts';
import type { FitPlan, Fitting, PlanRow, PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useHeadlineWords } from '../../composables/headlineWords.ts';
import { useFit } from '../../composables/useFit.ts';
import { usePlanCutting } from '../../composables/usePlanCutting.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import { crownToDraw, type CutawaySubject } from '../cutaway/scene.ts';
import BeforeAfter from './BeforeAfter.vue';
import ComparePots from './ComparePots.vue';
import DepthPlan from './DepthPlan.vue';
import FitFacts from './FitFacts.vue';
import MoundPlan from './MoundPlan.vue';
import MixPanel from './MixPanel.vue';
import NumberField from '../NumberField.vue';
import PotLadder from './PotLadder.vue';
import RepotForm from './RepotForm.vue';
import StandingPanel from './StandingPanel.vue';
import SupportPanel from './SupportPanel.vue';
import WorkingPanel from './WorkingPanel.vue';

/** Pot, support and mix of one plant, every number following what is turned. */
const props = defineProps<{ loaded: { file: PlantFile; fitting: Fitting } }>();
const scoop = defineModel<number | null | undefined>('scoopL');

const settings = useSettings();
const planCutting = usePlanCutting();
const notices = useNotices();
const { length, volume, said } = useUnits();
const { degrees } = useFigureWords();
const { day, full } = useDates();

const file = computed(() => props.loaded.file);
const plantId = computed(() => file.value.plant.id);
const fit = useFit(computed(() => props.loaded));
const { choices, ladder, rung, plan, stances, remedies, settled, newKind } = fit;
const scoopL = computed({
  get: () => (scoop.value === undefined ? settings.current.scoopL : scoop.value),
  set: (litres) => (scoop.value = litres),
});
watch(
  () => choices.size,
  () => (choices.picked = null),
);

const { headlineLine } = useHeadlineWords();
const wanted = computed(() => wantsPot(file.value));
/** What the verdict says stands here too, the keeper's own word before it. */
const verdict = computed(() => {
  const { overrule, decision } = file.value;
  return overrule
    ? m.overrule.inForce[overrule.instead](full(overrule.until))
    : headlineLine(decision);
});

const title = computed(() => {
  if (!rung.value) return m.fit.nonePossible;
  const { option, rimCm: width, fillL: litres, mound } = rung.value;
  if (mound) {
    const pot = option.source === 'toBuy' ? m.fit.aPot(length(width)) : said(option.label);
    return m.fit.moundTitle(pot, length(mound.diameterCm));
  }
  return option.source === 'toBuy'
    ? m.fit.buyTitle(length(width), volume(litres))
    : m.fit.ownTitle(said(option.label), length(width), volume(litres));
});

const supportTitle = computed(() => {
  const at = plan.value;
  if (!at || choices.supportMode !== 'new') return '';
  return m.fit.withSupport(at.poles, at.kind.label, length(at.lengthCm));
});

/** Warned before it is potted, not after it has fallen. */
const warning = computed(() => {
  const helps = remedies.value[0];
  if (!stances.value || !helps) return '';
  const { now, later } = stances.value;
  if (footing(now.tipAngleDryDeg) === 'unsafe') {
    return m.fit.warnNow(degrees(now.tipAngleDryDeg), said(helps.text));
  }
  return footing(later.tipAngleDryDeg) === 'unsafe'
    ? m.fit.warnLater(choices.horizonMonths, degrees(later.tipAngleDryDeg), said(helps.text))
    : '';
});

const drawnSupport = computed(() => {
  const at = plan.value;
  return at ? { supportCm: at.lengthCm } : { supportCm: null };
});
const before = computed((): CutawaySubject => {
  const { plant, height, situation } = file.value;
  const cover = props.loaded.fitting.presentCover;
  return {
    name: plant.name,
    pot: plant.pot,
    material: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    parts: plant.mediumParts,
    explored: ladder.value.ball.explored,
    plantHeightCm: height.cm,
    growthForm: situation.traits.growthForm,
    supportCm: plant.supportCm,
    cover: cover && { outside: cover.shape, material: cover.material },
  };
});
const potSubject = (of: Rung): CutawaySubject => ({
  name: `${file.value.plant.name} ${of.option.id}`,
  pot: of.option.outside,
  material: of.option.material,
  mediumKind: newKind.value,
  recipeId: choices.recipeId,
  parts: fit.ownParts.value,
  layerCm: of.depth.layerCm,
  ball: {
    inside: file.value.situation.pot,
    litres: ladder.value.ball.displacesL,
    explored: ladder.value.ball.explored,
  },
});
const planted = computed((): CutawaySubject => ({
  ...potSubject(rung.value!),
  name: file.value.plant.name,
  plantHeightCm: file.value.height.cm,
  growthForm: file.value.situation.traits.growthForm,
  cover: rung.value!.standing.cover ?? null,
}));
const after = computed((): CutawaySubject => ({
  ...planted.value,
  ...drawnSupport.value,
  ...(stances.value
    ? {
        gravityHeightCm: stances.value.now.gravityHeightDryCm,
        tipAngleDeg: stances.value.now.tipAngleDryDeg,
      }
    : {}),
}));

/** One scale for everything on the page, so that a drag does not move the ground. */
const WIDEST_SHARE = 1.9;
const roomCm = computed(() => {
  const present = rimCm(file.value.plant.pot);
  return Math.max(present, rung.value?.rimCm ?? 0, present * WIDEST_SHARE * 0.75);
});
const pxPerCm = computed(() => Math.min(9, 165 / roomCm.value));
const crownCm = computed(() => crownToDraw(file.value.height.cm));

const MOST_COMPARED = 3;
const compared = ref<string[]>([]);
function compare(id: string): void {
  const others = compared.value.filter((other) => other !== id);
  compared.value =
    others.length < compared.value.length ? others : [...others, id].slice(-MOST_COMPARED);
}
const comparedRungs = computed(() =>
  ladder.value.rungs.filter(({ option }) => compared.value.includes(option.id)),
);

const kept = ref<PlanRow | null>(props.loaded.fitting.plan);
/** Which piece it is cut from may change with the shelf; what stands in the pot is what was settled. */
const lasting = (plan: FitPlan | null | undefined) =>
  JSON.stringify(plan && { ...plan, support: plan.support && { ...plan.support, stock: null } });
const same = computed(() => lasting(kept.value?.fit) === lasting(settled.value));
const saving = ref(false);
/** Keeps a plan, or drops it; the notice takes it back to what was settled before. */
async function settle(fit: FitPlan | null, done: string): Promise<void> {
  const before = kept.value;
  const path = `/plants/${plantId.value}/plan` as const;
  saving.value = true;
  try {
    const { answer, deed } = await (fit
      ? write(path, { method: 'PUT', body: fit })
      : write(path, { method: 'DELETE' }));
    kept.value = answer ?? null;
    if (fit) await keepWish();
    notices.done(done, { deed, back: () => (kept.value = before) });
  } catch (error) {
    notices.fault(error);
  } finally {
    saving.value = false;
  }
}
async function keepWish(): Promise<void> {
  const wish = wishOf(choices);
  const { supportWish, stems } = file.value.plant;
  if (JSON.stringify(wish) === JSON.stringify(supportWish) && stems === choices.stems) return;
  await api(`/plants/${plantId.value}`, {
    method: 'PATCH',
    body: { supportWish: wish, stems: choices.stems },
  });
}

/** Room that poles take in the medium, L. */
const newPoleL = computed(() =>
  plan.value && rung.value ? (supportAreaCm2(plan.value) * rung.value.fillHeightCm) / 1000 : 0,
);
const extensions = computed(() =>
  (plan.value?.extensions ?? []).map(({ on, addsCm, aboveCm }) => ({ on, addsCm, aboveCm })),
);
const layers = (Object.keys(DRAINAGE_LAYERS) as DrainageLayer[]).map((value) => ({
  value,
  title: DRAINAGE_LAYERS[value].label,
  props: { subtitle: DRAINAGE_LAYERS[value].costs },
}));
const pieceCounts = [1, 2, 3, 4, 5, 6].map((value) => ({
  value,
  title: value === 1 ? m.fit.piecesOne : m.fit.piecesOf(value),
}));
const freeOnShelf = (option: PotOption) => {
  const id = option.potId ?? null;
  return props.loaded.fitting.pots.find((pot) => pot.id === id)?.free ?? 0;
};
</script>

<template>
  <section class="panel answer">
    <div>
      <p class="verdict" :class="wanted ? 'quiet' : 'caution'">
        {{ m.fit.verdictIs }}
        <router-link :to="`/plants/${plantId}/verdict`">{{ verdict }}</router-link>
      </p>
      <h1 class="sentence">
        {{ title }}<template v-if="supportTitle">, {{ supportTitle }}</template>
      </h1>
      <p class="lead">{{ said(rung && choices.picked ? rung.because : ladder.because) }}</p>
      <ul v-if="fit.waysOut.value.length > 0" class="ways">
        <li v-for="way in fit.waysOut.value" :key="way.id">
          {{ m.fit.wayOut[way.id](length(way.rimCm)) }}
        </li>
      </ul>
      <p v-if="warning" class="caution" role="note">{{ warning }}</p>
      <FitFacts v-if="rung" :rung="rung" :ladder="ladder" :now="stances?.now ?? null" />
      <div v-if="settled" class="row no-print actions">
        <v-btn
          color="primary"
          size="large"
          min-height="52"
          :disabled="(kept !== null && same) || Boolean(fit.piecesRefused.value)"
          :loading="saving"
          @click="settle(settled, m.fit.used)"
          >{{ m.fit.use }}</v-btn
        >
        <v-btn v-if="kept" variant="outlined" :to="`/plants/${plantId}/sheet`">{{
          m.fit.sheet
        }}</v-btn>
        <v-btn variant="outlined" :to="`/plants/${plantId}/bench`">{{ m.bench.open }}</v-btn>
        <v-btn v-if="kept" variant="text" @click="settle(null, m.fit.dropped)">{{
          m.fit.drop
        }}</v-btn>
        <span v-if="kept" class="quiet small">{{
          same ? m.fit.settledOn(day(kept.date)) : m.fit.changed
        }}</span>
      </div>
    </div>
    <BeforeAfter
      :name="file.plant.name"
      :present="file.plant.pot"
      :before="before"
      :after="rung ? after : null"
      :rung="rung"
      :rungs="ladder.rungs"
      :px-per-cm="pxPerCm"
      :crown-cm="crownCm"
      :room-cm="roomCm"
      @pick="(id) => (choices.picked = id)"
    />
  </section>

  <PotLadder
    v-model:school="choices.size"
    :ladder="ladder"
    :choice="rung"
    :subject-of="potSubject"
    :free-on-shelf="freeOnShelf"
    :px-per-cm="Math.min(5, 110 / roomCm)"
    :compared="compared"
    @pick="(id) => (choices.picked = id)"
    @compare="compare"
  >
    <div class="row bench" role="group" :aria-label="m.fit.bench">
      <v-select
        v-model="choices.pieces"
        :items="pieceCounts"
        :label="m.fit.pieces"
        :error-messages="fit.piecesRefused.value"
        :hint="choices.pieces > 1 ? fit.allowed.value.why : ''"
        persistent-hint
      />
      <template v-if="choices.pieces > 1">
        <NumberField v-model="choices.growths" :label="m.fit.growths" />
        <NumberField v-model="choices.countedRoots" :label="m.fit.countedRoots" />
      </template>
      <v-select v-model="choices.layer" :items="layers" :label="m.fit.layer" />
      <v-checkbox v-model="choices.rootsPruned" :label="m.fit.rootsPruned" hide-details />
      <v-checkbox
        v-if="fit.newKind.value === 'moss'"
        v-model="choices.mound"
        :label="m.fit.mound"
        hide-details
      />
    </div>
  </PotLadder>
  <ComparePots
    v-if="comparedRungs.length > 0"
    :rungs="comparedRungs"
    :choice="rung"
    :subject-of="potSubject"
    :px-per-cm="pxPerCm * 0.8"
    @pick="(id) => (choices.picked = id)"
    @drop="compare"
  />
  <SupportPanel
    v-if="rung"
    :fit="fit"
    :subject="planted"
    :height-cm="file.height.cm"
    :headroom-cm="loaded.fitting.headroomCm"
    :has-support="file.plant.supportCm !== null"
    @plan-cutting="planCutting(file.plant, choices.stems)"
  />
  <div v-if="rung && stances" class="pair">
    <StandingPanel
      :stances="stances"
      :horizon-months="choices.horizonMonths"
      :remedies="remedies"
      :hangs="rung.option.features?.hangs === true"
    />
    <MoundPlan v-if="rung.mound" :mound="rung.mound" />
    <DepthPlan v-else :rung="rung" :bare="ladder.ball.work === 'bareRoot'" />
  </div>
  <WorkingPanel
    v-if="rung && stances"
    :rung="rung"
    :ladder="ladder"
    :stance="stances.now"
    :old-fill-l="fillL(file.situation.pot)"
    :pole-l="newPoleL"
  />
  <MixPanel
    v-model:recipe-id="choices.recipeId"
    v-model:scoop-l="scoopL"
    :rung="rung"
    :situation="file.situation"
    :work="ladder.ball.work"
    :mixed="fit.mixed.value"
    :own="fit.ownParts.value !== null"
    :extras="fit.extras.value"
    :before="fit.before.value"
    :temperature-c="fit.place.value.temperatureC"
    :usual-recipe="file.situation.traits.recipe"
    @parts="(parts) => (choices.parts = parts)"
  />
  <RepotForm
    v-if="settled"
    :plant-id="plantId"
    :settled="settled"
    :keeps-support="choices.supportMode === 'keep'"
    :extensions="extensions"
    :medium-kind="newKind"
    :scoop-l="scoopL"
  />
</template>

<style scoped>
.verdict {
  margin-bottom: 8px;
}
.answer {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 18px;
}
.lead {
  font-size: 1.06rem;
}
.caution {
  margin-top: 8px;
}
.actions {
  margin-top: 12px;
}
.bench {
  margin: 10px 0;
}
.bench > * {
  flex: 1 1 200px;
}
@media (max-width: 800px) {
  .answer {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
