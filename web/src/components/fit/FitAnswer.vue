<script setup lang="ts">
import { footing, lookingBack, wantsPot } from '@fernbank/core';
import { computed } from 'vue';
import { useDisplay } from 'vuetify';
import type { Fitting, PlantFile } from '../../api/types.ts';
import { useFigureWords } from '../../composables/figureWords.ts';
import type { useFitDrawings } from '../../composables/fitDrawings.ts';
import { useHeadlineWords } from '../../composables/headlineWords.ts';
import { useDates } from '../../composables/useDates.ts';
import type { Fit } from '../../composables/useFit.ts';
import type { useSettling } from '../../composables/useSettling.ts';
import { usePotWords } from '../../composables/potWords.ts';
import { useBuying } from '../../composables/useBuying.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import AlikePicker from '../look/AlikePicker.vue';
import BeforeAfter from './BeforeAfter.vue';
import FitActions from './FitActions.vue';
import FitFacts from './FitFacts.vue';

/** Which pot, and why; settled from here. */
const props = defineProps<{
  loaded: { file: PlantFile; fitting: Fitting };
  fit: Fit;
  settling: ReturnType<typeof useSettling>;
  drawings: ReturnType<typeof useFitDrawings>;
}>();
const { choices, ladder, rung, plan, stances, remedies, settled, waysOut } = props.fit;
const { before, after, pxPerCm, crownCm, roomCm } = props.drawings;
const { smAndDown } = useDisplay();
/** Others beside it for which the same is settled. */
const alikeIds = defineModel<number[]>('alikeIds', { required: true });

const { length, said } = useUnits();
const { buyLine } = useBuying();
const { degrees } = useFigureWords();
const { full } = useDates();
const { headlineLine } = useHeadlineWords();

const wanted = computed(() => wantsPot(props.loaded.file));
/** What the verdict says stands here too, the keeper's own word before it. */
const verdict = computed(() => {
  const { overrule, decision } = props.loaded.file;
  return overrule
    ? m.overrule.inForce[overrule.instead](full(overrule.until))
    : headlineLine(decision);
});

const { potTitle, supportTitle: withSupport, waterTitle } = usePotWords();
const title = computed(() => potTitle(rung.value));
const supportTitle = computed(() => withSupport(choices.supportMode === 'new' ? plan.value : null));

/** Which size would have been right when the present pot was chosen. */
const outgrown = computed(() => {
  const seen = lookingBack(props.loaded.file.situation);
  return (
    seen &&
    m.fit.outgrown(
      length(Math.round(seen.rimCm)),
      Math.round(seen.months),
      length(Math.round(seen.instead.rimCm)),
      Math.round(seen.instead.months),
    )
  );
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
</script>

<template>
  <section class="panel answer">
    <div>
      <p class="verdict" :class="wanted ? 'quiet' : 'caution'">
        {{ m.fit.verdictIs }}
        <router-link :to="`/plants/${loaded.file.plant.id}/verdict`">{{ verdict }}</router-link>
      </p>
      <h1 class="sentence">
        {{ [title, waterTitle(rung), supportTitle].filter(Boolean).join(', ') }}
      </h1>
      <p class="lead">
        {{
          rung?.mound
            ? m.fit.moundOf.renewed
            : said(rung && choices.picked ? rung.because : ladder.because)
        }}
      </p>
      <p v-if="rung?.option.source === 'toBuy' && buyLine" class="quiet">{{ buyLine }}</p>
      <p v-if="outgrown" class="quiet">{{ outgrown }}</p>
      <ul v-if="waysOut.length > 0" class="ways">
        <li v-for="way in waysOut" :key="way.id">
          {{ m.fit.wayOut[way.id](length(way.rimCm)) }}
        </li>
      </ul>
      <p v-if="warning" class="caution" role="note">{{ warning }}</p>
      <FitFacts
        v-if="rung && !smAndDown"
        :rung="rung"
        :ladder="ladder"
        :now="stances?.now ?? null"
      />
      <AlikePicker
        v-if="settled && loaded.file.alike.length > 0"
        v-model="alikeIds"
        class="no-print"
        :alike="loaded.file.alike"
        :hint="m.fit.alikeHint"
      />
      <FitActions
        v-if="!smAndDown"
        class="actions"
        :loaded="loaded"
        :fit="fit"
        :settling="settling"
        :alike-ids="alikeIds"
        @settled="alikeIds = []"
      />
    </div>
    <BeforeAfter
      :name="loaded.file.plant.name"
      :present="loaded.file.plant.pot"
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
@media (max-width: 960px) {
  .answer {
    grid-template-columns: minmax(0, 1fr);
  }
  /* A drawing is saved at the desk, or from the record. */
  .answer :deep(.save) {
    display: none;
  }
}
</style>
