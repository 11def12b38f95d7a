<script setup lang="ts">
import {
  CAUTIONS,
  sayAll,
  sheetWidthCm,
  supportFrontCm,
  type Caution,
  measuredFor,
} from '@fernbank/core';
import { computed } from 'vue';
import type { Fitting, PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useExtraWords } from '../../composables/extraWords.ts';
import { useFit } from '../../composables/useFit.ts';
import { useWaterWords } from '../../composables/waterWords.ts';
import { useBuying } from '../../composables/useBuying.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import { drawnIn } from '../cutaway/standing.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';
import type { CutawaySubject } from '../cutaway/scene.ts';
import DepthPlan from './DepthPlan.vue';
import MoundPlan from './MoundPlan.vue';
import StepBoxes from './StepBoxes.vue';

/** One plant on one page for the bench: what to fetch, the measures, the mix in scoops, the cautions. */
const props = defineProps<{
  loaded: { file: PlantFile; fitting: Fitting };
  /** litres out of a tub that is mixed for several plants at once; absent: it is mixed for this one */
  fromTubL?: number;
}>();
const settings = useSettings();
const store = usePantry();
const { toBuy } = useBuying();
const { length, volume, weight, said } = useUnits();
const { day } = useDates();
const { degrees } = useFigureWords();
const { extraWords } = useExtraWords();
const words = useWaterWords();
const fit = useFit(
  computed(() => props.loaded),
  { settled: true, mixed: () => props.fromTubL !== undefined },
);
const { choices, rung, plan, stances, remedies, newKind, ladder } = fit;
const file = computed(() => props.loaded.file);
const batch = computed(() =>
  measuredFor(rung.value, fit.mixed.value.parts, settings.current.scoopL),
);

const subject = computed((): CutawaySubject => {
  const { plant, height, situation } = file.value;
  const { option, standing, depth, under } = rung.value!;
  const at = plan.value;
  return {
    name: plant.name,
    pot: option.outside,
    material: option.material,
    mediumKind: newKind.value,
    recipeId: choices.recipeId,
    parts: fit.ownParts.value,
    plantHeightCm: height.cm,
    growthForm: situation.traits.growthForm,
    together: Math.round(plant.together / choices.pieces) || 1,
    ...drawnIn(under, standing.cover),
    layerCm: depth.layerCm,
    mound: rung.value!.mound,
    ball: {
      inside: situation.pot,
      litres: ladder.value.ball.displacesL,
      explored: ladder.value.ball.explored,
    },
    support: at && {
      kind: at.kind.id,
      lengthCm: at.lengthCm,
      widthCm: Math.max(0.8, supportFrontCm(at)),
      usableFromCm: at.kind.rooted ? at.usable.fromCm : null,
      tiesCm: at.tiesCm,
      extensionsCm: [],
    },
  };
});
const DRAWN_PX = 330;
const pxPerCm = computed(() => Math.min(8, DRAWN_PX / ((stances.value?.now.topCm ?? 40) + 6)));

/** The shelf has changed since: the pot that was settled on is gone. */
const gone = computed(() => (fit.gone.value ? m.sheet.gone(said(rung.value!.option.label)) : ''));
const fetch = computed(() => {
  if (!rung.value) return [];
  const { option, rimCm, depth } = rung.value;
  const things = [
    m.sheet.pot(said(option.label), length(rimCm), potNote(option.source, option.leftBy)),
  ];
  const { mound, under, pots } = rung.value;
  if (pots > 1) things.push(m.sheet.otherPieces(pots - 1, length(rimCm)));
  if (mound) {
    things.push(m.sheet.netPot(length(mound.core.topDiameterCm)));
    things.push(m.sheet.mossFor(weight(mound.dryG / 1000)));
  }
  if (under) things.push(...words.toFetch(under, file.value.situation.traits.fed));
  if (depth.screenCm && !mound) things.push(m.sheet.screen(length(depth.screenCm), pots));
  const at = plan.value;
  if (at && choices.supportMode === 'new') {
    things.push(m.fit.support.line(at.poles, at.kind.label, length(at.lengthCm)));
    if (at.kind.moss) {
      things.push(m.sheet.moss(volume(at.material.mossL * at.poles)));
      const width = sheetWidthCm(at.section);
      if (width) things.push(m.sheet.mesh(length(width), length(at.lengthCm), at.poles));
    }
  }
  if (at && at.ties > 0) things.push(m.sheet.ties(at.ties));
  return things;
});
function potNote(source: string, leftBy?: string): string {
  if (source === 'handedDown') return m.sheet.handedDown(leftBy ?? '');
  if (source === 'soaking') return m.sheet.soaking;
  if (source === 'present') return m.sheet.present;
  return source === 'toBuy' ? toBuy.value : '';
}
/** A caution stands once, at the first step that needs it. */
const steps = computed(() => {
  const told = new Set<Caution>();
  return fit.steps.value.map(({ id, title, items = [], cautions: of, ahead }) => {
    const fresh = of.filter((caution) => !told.has(caution));
    fresh.forEach((caution) => told.add(caution));
    return {
      id,
      ahead,
      // What is done ahead is a list of soaks; elsewhere its points belong to what is done.
      title: said(items.length === 0 ? title : sayAll([...(ahead ? [] : [title]), ...items], '; ')),
      cautions: fresh.map((caution) => CAUTIONS[caution]),
    };
  });
});
const phases = computed(() => ({
  before: steps.value.filter(({ ahead }) => ahead),
  inOrder: steps.value.filter(({ ahead }) => !ahead),
}));
</script>

<template>
  <article v-if="rung && stances" class="sheet panel">
    <header class="row spread">
      <div>
        <h1>{{ file.plant.name }}</h1>
        <p>
          <span class="taxon">{{ file.plant.taxon }}</span> · {{ file.spot.name }}
        </p>
      </div>
      <p class="right">
        {{ settings.current.collectionName }}<br />
        {{ day(loaded.fitting.plan!.date) }}
      </p>
    </header>
    <p v-if="gone" class="caution" role="alert">{{ gone }}</p>
    <div class="two">
      <div>
        <h2>{{ m.sheet.fetch }}</h2>
        <ul class="bare boxes">
          <li v-for="thing in fetch" :key="thing">{{ thing }}</li>
        </ul>
        <h2>{{ m.fit.mix }}: {{ store.pantry.recipe(choices.recipeId).label }}</h2>
        <p v-if="fromTubL !== undefined">
          {{ m.sheet.fromTub(volume(fromTubL)) }}
          <template v-if="rung.pots > 1">{{ m.sheet.inAll(rung.pots) }}</template>
        </p>
        <table v-else-if="batch" class="figures">
          <tbody>
            <tr v-for="(measure, i) in batch.inScoops.measures" :key="measure.component.id">
              <td class="boxed">{{ measure.component.label }}</td>
              <td class="num big">{{ m.fit.scoops(batch.scoop.scoops[i]!) }}</td>
              <td class="num">{{ volume(measure.litres) }}</td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <td colspan="3">
                {{ m.sheet.scoop(volume(batch.scoop.scoopL), volume(batch.inScoops.mixedL)) }}
                <template v-if="rung.pots > 1">{{ m.sheet.inAll(rung.pots) }}</template>
              </td>
            </tr>
          </tfoot>
        </table>
        <p v-else>{{ m.fit.noMix }}</p>
        <ul v-if="batch && fit.extras.value.length > 0" class="bare boxes">
          <li v-for="extra in fit.extras.value" :key="extra.kind">{{ extraWords(extra) }}</li>
        </ul>
        <template v-if="phases.before.length > 0">
          <h2>{{ m.mix.before }}</h2>
          <StepBoxes :steps="phases.before" />
        </template>
      </div>
      <div>
        <PotCutaway
          v-if="!rung.mound"
          :subject="subject"
          :px-per-cm="pxPerCm"
          :crown-cm="Infinity"
          ruler
        />
        <MoundPlan v-if="rung.mound" :mound="rung.mound" />
        <template v-else-if="rung.under">
          <h2>{{ words.title(rung.under) }}</h2>
          <ul>
            <li v-for="line in words.lines(rung.under)" :key="line">{{ line }}</li>
          </ul>
        </template>
        <DepthPlan v-else :rung="rung" :bare="ladder.ball.work === 'bareRoot'" />
        <p v-if="!rung.mound">
          {{
            m.sheet.stands(
              degrees(stances.now.tipAngleDryDeg),
              degrees(stances.later.tipAngleDryDeg),
              choices.horizonMonths,
              weight(stances.now.wetKg),
            )
          }}
          <template v-if="remedies[0]">{{ m.sheet.helps(said(remedies[0].text)) }}</template>
        </p>
      </div>
    </div>
    <h2 class="order">{{ m.sheet.steps }}</h2>
    <StepBoxes :steps="phases.inOrder" class="steps" />
    <p class="quiet">{{ m.plant.cautionLine }}</p>
  </article>
</template>

<style scoped>
.right {
  text-align: right;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 22px;
  margin-top: 10px;
}
.steps {
  columns: 2;
  column-gap: 22px;
}
.order,
.two h2 {
  margin: 12px 0 4px;
}
.boxes li,
.boxed {
  padding-left: 1.7em !important;
  position: relative;
  margin-bottom: 5px;
}
.boxes li::before,
.boxed::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0.2em;
  width: 0.95em;
  height: 0.95em;
  border: 1.5px solid currentColor;
  border-radius: 2px;
}
.boxed::before {
  top: 0.55em;
}
.big {
  font-size: 1.15rem;
  font-weight: 700;
}
.sheet :deep(section.panel) {
  border: 0;
  padding: 8px 0;
}
@media (max-width: 700px) {
  .steps {
    columns: 1;
  }
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .sheet {
    border: 0;
    padding: 0;
    font-size: 0.8rem;
    line-height: 1.25;
    break-inside: auto;
  }
  .steps {
    columns: 2;
  }
  .boxes li,
  .boxed {
    margin-bottom: 2px;
  }
  .two {
    gap: 16px;
    margin-top: 4px;
  }
  /* One plant on one page: what is drawn gives way to what is done. */
  .sheet :deep(svg) {
    max-height: 175px;
    width: auto;
  }
  .sheet :deep(li),
  .sheet :deep(.caution) {
    font-size: 0.8rem;
    line-height: 1.25;
  }
  .sheet :deep(section.panel) {
    padding: 0;
    gap: 4px;
  }
  .sheet td {
    padding-top: 1px;
    padding-bottom: 1px;
  }
  .big {
    font-size: 1rem;
  }
  .order,
  .two h2 {
    font-size: 1.05rem;
    margin: 7px 0 2px;
  }
  .order {
    break-after: avoid;
  }
  .two {
    grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  }
}
</style>
