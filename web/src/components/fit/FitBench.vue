<script setup lang="ts">
import { fillL, measuredFor, supportAreaCm2, type PotOption } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useDisplay } from 'vuetify';
import type { Fitting, PlantFile } from '../../api/types.ts';
import { useFitDrawings } from '../../composables/fitDrawings.ts';
import { useFit } from '../../composables/useFit.ts';
import { isFree, promisedTo } from '../../composables/fitOptions.ts';
import { goesLongWay } from '../../composables/longWay.ts';
import { usePotWords } from '../../composables/potWords.ts';
import { usePainted } from '../../composables/usePainted.ts';
import { useSettling } from '../../composables/useSettling.ts';
import { usePlanCutting } from '../../composables/usePlanCutting.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useSettings } from '../../stores/settings.ts';
import ComparePots from './ComparePots.vue';
import DepthPlan from './DepthPlan.vue';
import FitActions from './FitActions.vue';
import FitAnswer from './FitAnswer.vue';
import FitCard from './FitCard.vue';
import FitFacts from './FitFacts.vue';
import MoundPlan from './MoundPlan.vue';
import MixPanel from './MixPanel.vue';
import PotLadder from './PotLadder.vue';
import PebblePlan from './PebblePlan.vue';
import RepotForm from './RepotForm.vue';
import RootChoices from './RootChoices.vue';
import StandingPanel from './StandingPanel.vue';
import SupportPanel from './SupportPanel.vue';
import WorkingPanel from './WorkingPanel.vue';

/** Pot, support and mix of one plant, every number following what is turned. */
const props = defineProps<{ loaded: { file: PlantFile; fitting: Fitting } }>();
const scoop = defineModel<number | null | undefined>('scoopL');

const settings = useSettings();
const planCutting = usePlanCutting();
const { smAndDown } = useDisplay();
const { length } = useUnits();
/** The answer stands before what it was chosen from. */
const painted = usePainted();
const { potTitle, mixTitle } = usePotWords();

/** Others beside it for which the same is settled. */
const alikeIds = ref<number[]>([]);

const loaded = computed(() => props.loaded);
const file = computed(() => props.loaded.file);
const fit = useFit(loaded);
const { choices, ladder, rung, plan, stances, remedies, settled, newKind } = fit;
const settling = useSettling(fit, loaded);
const drawings = useFitDrawings(fit, loaded);
const { potSubject, planted, pxPerCm, roomCm } = drawings;
const scoopL = computed({
  get: () => (scoop.value === undefined ? settings.current.scoopL : scoop.value),
  set: (litres) => (scoop.value = litres),
});
watch(
  () => choices.size,
  () => (choices.picked = null),
);

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
const freeOnShelf = (option: PotOption) => {
  const id = option.potId ?? null;
  const { fitting } = props.loaded;
  const pot = fitting.pots.find((row) => row.id === id);
  return pot ? Math.max(0, pot.free - promisedTo(fitting, pot.id).length) : 0;
};

const promised = computed(() => {
  const { fitting } = props.loaded;
  const free = isFree(fitting);
  const taken = fitting.pots
    .filter((pot) => !free(pot))
    .map(({ id, label }) => m.fit.promisedPot(label, promisedTo(fitting, id).join(', ')));
  return taken.length === 0 ? '' : m.fit.promised(taken.join(', '));
});

const supportLine = computed(() => {
  const { supportMode } = choices;
  if (supportMode === 'none') return m.fit.card.noSupport;
  const at = plan.value;
  const told = at ? m.fit.support.line(at.poles, at.kind.label, length(at.lengthCm)) : '';
  return supportMode === 'keep' ? m.fit.card.keeps(told) : told;
});
const mixLine = computed(
  () =>
    mixTitle(measuredFor(rung.value, fit.mixed.value.parts, scoopL.value ?? null)) || m.fit.noMix,
);

/** Room that poles take in the medium, L. */
const newPoleL = computed(() =>
  plan.value && rung.value ? (supportAreaCm2(plan.value) * rung.value.fillHeightCm) / 1000 : 0,
);
const longWay = computed(() => goesLongWay(file.value, newKind.value));
const extensions = computed(() =>
  (plan.value?.extensions ?? []).map(({ on, addsCm, aboveCm }) => ({ on, addsCm, aboveCm })),
);
</script>

<template>
  <FitAnswer
    v-model:alike-ids="alikeIds"
    :loaded="loaded"
    :fit="fit"
    :settling="settling"
    :drawings="drawings"
  />
  <template v-if="painted">
    <FitCard name="pot" :title="m.fit.card.pot" :line="potTitle(rung)">
      <FitFacts
        v-if="rung && smAndDown"
        :rung="rung"
        :ladder="ladder"
        :now="stances?.now ?? null"
      />
      <PotLadder
        v-model:school="choices.size"
        :ladder="ladder"
        :choice="rung"
        :subject-of="potSubject"
        :free-on-shelf="freeOnShelf"
        :promised="promised"
        :px-per-cm="Math.min(5, 110 / roomCm)"
        :compared="compared"
        @pick="(id) => (choices.picked = id)"
        @compare="compare"
      >
        <RootChoices :fit="fit" />
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
    </FitCard>
    <FitCard v-if="rung" name="support" :title="m.fit.card.support" :line="supportLine">
      <SupportPanel
        :fit="fit"
        :subject="planted"
        :height-cm="file.height.cm"
        :headroom-cm="loaded.fitting.headroomCm"
        :has-support="file.plant.supportCm !== null"
        @plan-cutting="planCutting(file.plant, choices.stems)"
      />
      <div v-if="stances" class="pair">
        <StandingPanel
          v-if="!rung.mound"
          :stances="stances"
          :horizon-months="choices.horizonMonths"
          :remedies="remedies"
          :hangs="rung.option.features?.hangs === true"
        />
        <MoundPlan v-if="rung.mound" :mound="rung.mound" />
        <PebblePlan v-else-if="rung.under" :under="rung.under" :fit="fit" :loaded="loaded" />
        <DepthPlan v-else :rung="rung" :bare="ladder.ball.work === 'bareRoot'" />
      </div>
      <WorkingPanel
        v-if="stances"
        :rung="rung"
        :ladder="ladder"
        :stance="stances.now"
        :old-fill-l="fillL(file.situation.pot)"
        :pole-l="newPoleL"
      />
    </FitCard>
    <FitCard name="mix" :title="m.fit.mix" :line="mixLine">
      <MixPanel
        v-model:recipe-id="choices.recipeId"
        v-model:scoop-l="scoopL"
        :rung="rung"
        :situation="file.situation"
        :work="ladder.ball.work"
        :mixed="fit.mixed.value"
        :kind="newKind"
        :own="fit.ownParts.value !== null"
        :extras="fit.extras.value"
        :before="fit.before.value"
        :temperature-c="fit.place.value.temperatureC"
        :usual-recipe="file.situation.traits.recipe"
        @parts="(parts) => (choices.parts = parts)"
      />
    </FitCard>
    <FitCard v-if="settled" name="record" :title="m.fit.confirmTitle" :line="m.fit.card.record">
      <RepotForm
        :plant-id="file.plant.id"
        :settled="settled"
        :keeps-support="choices.supportMode === 'keep'"
        :extensions="extensions"
        :medium-kind="newKind"
        :long-way="longWay"
        :in-tub="fit.inTub.value"
        :scoop-l="scoopL"
      />
    </FitCard>
  </template>
  <template v-if="smAndDown">
    <FitActions
      part="rest"
      :loaded="loaded"
      :fit="fit"
      :settling="settling"
      :alike-ids="alikeIds"
    />
    <FitActions
      part="first"
      class="sticky"
      :loaded="loaded"
      :fit="fit"
      :settling="settling"
      :alike-ids="alikeIds"
      @settled="alikeIds = []"
    />
  </template>
</template>
