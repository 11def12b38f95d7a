<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline } from '@mdi/js';
import { rimCm, supportKind } from '@fernbank/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { PlantFile } from '../../api/types.ts';
import { useCareWords } from '../../composables/careWords.ts';
import { useFeedWords } from '../../composables/feedWords.ts';
import { mediumName } from '../../composables/figureWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useWaterWords } from '../../composables/waterWords.ts';
import { m } from '../../messages/index.ts';
import { moundOf, standsIn } from '../cutaway/standing.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';
import PictureButton from '../PictureButton.vue';
import VerdictMark from '../verdict/VerdictMark.vue';
import FeedDialog from '../feed/FeedDialog.vue';
import QuarantineBand from './QuarantineBand.vue';

/** The plant as it stands: its drawing, its verdict, pot, support and medium, and what can be done with it. */
const props = defineProps<{ file: PlantFile }>();
const emit = defineEmits<{ changed: [] }>();
const router = useRouter();
const { full } = useDates();
const { length } = useUnits();
const removal = useRemoval();
const { feedWords } = useFeedWords();
const { careWords } = useCareWords();
const { standsOver } = useWaterWords();
const care = computed(() => careWords(props.file));
const feeding = ref(false);
const subject = computed(() => {
  const { plant, height, cover, reservoir } = props.file;
  return {
    name: plant.name,
    pot: plant.pot,
    material: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    parts: plant.mediumParts,
    explored: 0.35 + 0.65 * props.file.decision.states.crowded,
    plantHeightCm: height.cm,
    growthForm: props.file.situation.traits.growthForm,
    together: plant.together,
    supportCm: plant.supportCm,
    ...standsIn(cover, reservoir, plant.pot),
    mound: moundOf(props.file),
  };
});
function remove(): Promise<void> {
  const { id: gone, rev } = props.file.plant;
  return removal({
    path: `/plants/${gone}`,
    rev,
    said: m.plant.deleted,
    then: () => router.push('/record'),
    back: () => router.push(`/plants/${gone}`),
  });
}
</script>

<template>
  <section class="panel stack">
    <figure class="drawing">
      <PictureButton :name="file.plant.name">
        <PotCutaway
          :subject="subject"
          :px-per-cm="Math.min(11, 190 / rimCm(file.plant.pot))"
          :crown-cm="rimCm(file.plant.pot)"
          ruler
        />
      </PictureButton>
    </figure>
    <div class="row">
      <VerdictMark :headline="file.decision.headline" :overruled="file.overrule !== null" large />
      <router-link :to="`/plants/${file.plant.id}/verdict`">{{ m.rounds.openVerdict }}</router-link>
    </div>
    <table class="figures">
      <tbody>
        <tr>
          <td>{{ m.plant.standsIn }}</td>
          <td>
            {{ length(rimCm(file.plant.pot)) }} × {{ length(file.plant.pot.heightCm) }},
            {{ file.plant.potMaterial
            }}<template v-if="file.plant.together > 1"
              >; {{ m.form.togetherOf(file.plant.together) }}</template
            >
          </td>
        </tr>
        <tr v-if="file.cover && !file.reservoir">
          <td>{{ m.fit.coverPot }}</td>
          <td>{{ file.cover.label }}</td>
        </tr>
        <tr v-if="file.reservoir">
          <td>{{ m.fit.under.row }}</td>
          <td>{{ standsOver(file.reservoir.reservoir, file.cover) }}</td>
        </tr>
        <tr v-if="file.plant.supportCm !== null">
          <td>{{ m.fit.support.title }}</td>
          <td>
            {{ file.plant.supportKind ? `${supportKind(file.plant.supportKind).label}, ` : ''
            }}{{ length(file.plant.supportCm) }}
          </td>
        </tr>
        <tr>
          <td>{{ m.plant.medium }}</td>
          <td>{{ mediumName(file.plant.mediumKind, file.plant.recipeId) }}</td>
        </tr>
        <tr>
          <td>{{ m.plant.lastRepot }}</td>
          <td>{{ file.plant.lastRepot ? full(file.plant.lastRepot) : m.app.unknown }}</td>
        </tr>
        <tr>
          <td>{{ m.upkeep.water }}</td>
          <td>{{ care.water }}</td>
        </tr>
        <tr>
          <td>{{ m.feed.row }}</td>
          <td>{{ feedWords(file) }}</td>
        </tr>
        <tr>
          <td>{{ m.upkeep.work }}</td>
          <td>{{ care.upkeep }}</td>
        </tr>
        <tr v-if="file.situation.traits.cautions.length > 0">
          <td></td>
          <td>
            <strong class="text-error">{{
              file.situation.traits.cautions.map((c) => m.plant.cautions[c]).join(', ')
            }}</strong>
            <div class="quiet">{{ m.plant.cautionLine }}</div>
          </td>
        </tr>
      </tbody>
    </table>
    <QuarantineBand
      v-if="!file.quarantine && !file.plant.goneOn"
      :file="file"
      @changed="emit('changed')"
    />
    <p v-if="file.plant.note">{{ file.plant.note }}</p>
    <div class="row no-print">
      <v-btn
        :to="`/plants/${file.plant.id}/edit`"
        :prepend-icon="mdiPencilOutline"
        variant="outlined"
        >{{ m.app.edit }}</v-btn
      >
      <v-btn :to="`/record/labels?plants=${file.plant.id}`" variant="outlined">{{
        m.plant.label
      }}</v-btn>
      <v-btn :to="`/aftercare/tray?from=${file.plant.id}`" variant="outlined">{{
        m.plant.propagate
      }}</v-btn>
      <v-btn
        v-if="file.situation.traits.fed && !file.plant.goneOn"
        variant="outlined"
        @click="feeding = true"
        >{{ m.feed.given }}</v-btn
      >
      <v-btn variant="text" :to="`/record/past?plant=${file.plant.id}`">{{ m.plant.past }}</v-btn>
      <v-btn :prepend-icon="mdiDeleteOutline" variant="text" @click="remove">{{
        m.app.delete
      }}</v-btn>
    </div>
    <FeedDialog v-model="feeding" :plants="[file.plant]" @saved="emit('changed')" />
  </section>
</template>

<style scoped>
.figures td:first-child {
  white-space: nowrap;
}
.drawing {
  display: flex;
  justify-content: center;
}
</style>
