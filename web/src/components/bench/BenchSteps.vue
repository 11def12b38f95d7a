<script setup lang="ts">
import {
  CAUTIONS,
  EMPTY_BENCH,
  takesMix,
  type BenchFound,
  type Step,
  type StepId,
  measuredFor,
} from '@fernbank/core';
import { useWakeLock } from '@vueuse/core';
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import type { Fitting, PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useFit } from '../../composables/useFit.ts';
import { useTimeLeft } from '../../composables/timeLeft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useBench } from '../../stores/bench.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import PhotoButton from '../PhotoButton.vue';
import FoundPanel from './FoundPanel.vue';
import RepotForm from '../fit/RepotForm.vue';
import MeasuresTable from '../mix/MeasuresTable.vue';

/** One step at a time, large, for wet hands and one thumb; then the repot is written down. */
const props = defineProps<{ loaded: { file: PlantFile; fitting: Fitting } }>();
const bench = useBench();
const settings = useSettings();
const { said, volume } = useUnits();
const { timeLeft } = useTimeLeft();
const { day } = useDates();
const fit = useFit(computed(() => props.loaded));
const { choices, settled, plan, rung, newKind, inTub } = fit;
const pantry = usePantry();
const recipeLabel = computed(() => pantry.pantry.recipe(choices.recipeId).label);
const plant = computed(() => props.loaded.file.plant);
/** A plant is on the bench from the first thing that is done to it: to open the page is nothing yet. */
const begin = () => bench.start(plant.value.id, plant.value.name);
/** Once it has left the bench the page stands a moment longer, with nothing done. */
const progress = computed(() => bench.plantOf(plant.value.id) ?? EMPTY_BENCH);
/** What was found replaces the plan, here and on every other device. */
const planned = useFit(computed(() => props.loaded));
watch(
  () => progress.value.found,
  ({ liveRoots, rootsPruned, pieces, recipeId, potOption }) => {
    const asPlanned = planned.choices;
    choices.liveRoots = liveRoots ?? null;
    choices.rootsPruned = rootsPruned ?? asPlanned.rootsPruned;
    choices.pieces = pieces ?? asPlanned.pieces;
    choices.picked = potOption ?? asPlanned.picked;
    const mix = recipeId ?? asPlanned.recipeId;
    if (mix === choices.recipeId) return;
    choices.recipeId = mix;
    // A recipe that is taken comes as it is written; the plan’s own with what was swapped.
    void nextTick(() => (choices.parts = recipeId === undefined ? asPlanned.parts : null));
  },
  { immediate: true, deep: true },
);
function onFound(found: BenchFound): void {
  begin();
  bench.report(plant.value.id, { kind: 'found', found });
}

function pictured(step: StepId, photoId: number): void {
  begin();
  bench.report(plant.value.id, { kind: 'photo', step, photoId });
}
const pictures = computed(() => (step.value ? (progress.value.photos[step.value.id] ?? []) : []));
const steps = computed(() => fit.steps.value);
const isDone = (id: StepId) => progress.value.done.includes(id);
const firstOpen = () => {
  const open = steps.value.findIndex(({ id }) => !isDone(id));
  return open < 0 ? steps.value.length : open;
};
const at = ref(firstOpen());
/** Until a hand has moved it, the page stands where any device has come to. */
const moved = ref(false);
watch(
  () => progress.value.done.length,
  () => {
    if (!moved.value) at.value = firstOpen();
  },
);
void bench.load();
const step = computed((): Step | null => steps.value[at.value] ?? null);
const timer = computed(() =>
  bench.running.find(
    ({ plantId, step: id }) => plantId === plant.value.id && id === step.value?.id,
  ),
);
const doneCount = computed(() => steps.value.filter(({ id }) => isDone(id)).length);
const batch = computed(() =>
  measuredFor(rung.value, fit.mixed.value.parts, settings.current.scoopL),
);

function next(): void {
  if (!step.value) return;
  moved.value = true;
  begin();
  bench.done(plant.value.id, step.value.id);
  at.value = Math.min(steps.value.length, at.value + 1);
}
/** Back takes the tick off again: a wrong tap costs one tap. */
function back(): void {
  if (at.value === 0) return;
  moved.value = true;
  at.value -= 1;
  bench.undo(plant.value.id, steps.value[at.value]!.id);
}
function jump(to: number): void {
  moved.value = true;
  at.value = to;
}
function runTimer(): void {
  const { id, timer: asked } = step.value!;
  begin();
  bench.startTimer(plant.value.id, id, asked!.label, asked!.minutes);
}
/** With a timer running the hands turn to the next step. */
function meanwhile(): void {
  moved.value = true;
  runTimer();
  at.value = Math.min(steps.value.length, at.value + 1);
}
const noteText = computed({
  get: () => (step.value ? (progress.value.notes[step.value.id] ?? '') : ''),
  set: (text: string) => {
    if (!step.value) return;
    begin();
    bench.note(plant.value.id, step.value.id, text);
  },
});
const notes = computed(() =>
  steps.value
    .flatMap(({ id, title }) => {
      const text = progress.value.notes[id]?.trim();
      return text ? [`${title}: ${text}`] : [];
    })
    .join('\n'),
);
const minutes = (count: number) => timeLeft(count * 60_000);
const others = computed(() => bench.plants.filter(({ plantId }) => plantId !== plant.value.id));

function keys(event: KeyboardEvent): void {
  const { target } = event;
  const typing = target instanceof Element && target.closest('input, textarea, button, a, summary');
  if (typing) return;
  if (event.key === 'Enter' || event.key === 'ArrowRight') next();
  else if (event.key === 'ArrowLeft') back();
}
const wake = useWakeLock();
onMounted(() => {
  window.addEventListener('keydown', keys);
  // Wet hands cannot wake a screen; where the browser refuses, it simply sleeps.
  wake.request('screen').catch(() => undefined);
});
onBeforeUnmount(() => {
  window.removeEventListener('keydown', keys);
  void wake.release().catch(() => undefined);
});
watch(at, () => window.scrollTo?.({ top: 0 }));
const extensions = computed(() =>
  (plan.value?.extensions ?? []).map(({ on, addsCm, aboveCm }) => ({ on, addsCm, aboveCm })),
);
</script>

<template>
  <div class="stack">
    <header class="row spread">
      <h1>{{ plant.name }}</h1>
      <span class="quiet">{{ m.bench.progress(doneCount, steps.length) }}</span>
    </header>
    <router-link v-if="loaded.fitting.day" to="/day/bench">{{
      m.day.partOf(day(loaded.fitting.day.date))
    }}</router-link>
    <v-progress-linear
      :model-value="(100 * doneCount) / Math.max(1, steps.length)"
      color="primary"
      height="8"
      rounded
      :aria-label="m.bench.progress(doneCount, steps.length)"
    />
    <section v-if="step" class="panel stack now" aria-live="polite">
      <p class="quiet">
        {{ m.bench.stepOf(at + 1, steps.length)
        }}<template v-if="step.ahead"> · {{ m.bench.ahead }}</template>
        <template v-if="step.hands"> · {{ m.bench.twoPeople }}</template>
      </p>
      <h2 class="big">{{ said(step.title) }}</h2>
      <ul v-if="step.items" class="items">
        <li v-for="(item, i) in step.items" :key="i">{{ said(item) }}</li>
      </ul>
      <p>{{ m.bench.why(said(step.why)) }}</p>
      <p v-for="caution in step.cautions" :key="caution" class="caution">
        {{ CAUTIONS[caution] }}
      </p>
      <p v-if="batch && inTub && takesMix(step.id)">
        {{ m.bench.fromTub(volume(batch.filledL), recipeLabel) }}
      </p>
      <template v-else-if="batch && takesMix(step.id)">
        <MeasuresTable :measures="batch.inScoops.measures" :scoop="batch.scoop" />
        <p class="quiet small">
          {{ m.sheet.scoop(volume(batch.scoop.scoopL), volume(batch.inScoops.mixedL)) }}
        </p>
      </template>
      <template v-if="step.timer">
        <p v-if="timer" class="clock" :role="timer.leftMs <= 0 ? 'alert' : 'timer'">
          {{ timer.leftMs <= 0 ? m.bench.over : timeLeft(timer.leftMs) }}
        </p>
        <div v-else class="row">
          <v-btn class="told" variant="outlined" size="large" min-height="60" @click="runTimer">{{
            m.bench.startTimer(step.timer.label, minutes(step.timer.minutes))
          }}</v-btn>
          <v-btn variant="outlined" size="large" min-height="60" @click="meanwhile">{{
            m.bench.meanwhile
          }}</v-btn>
        </div>
      </template>
      <v-textarea v-model="noteText" :label="m.bench.note" rows="1" auto-grow hide-details />
      <div class="row">
        <PhotoButton
          :plant-id="plant.id"
          :date="settings.current.today"
          :label="m.bench.photo"
          @taken="(photo) => pictured(step!.id, photo.id)"
        />
        <img
          v-for="id in pictures"
          :key="id"
          :src="`/api/photos/${id}`"
          :alt="m.bench.photoOf(said(step.title))"
          class="thumbnail"
        />
      </div>
    </section>
    <h2 v-else class="big">{{ m.bench.finished }}</h2>
    <RepotForm
      v-if="settled && (!step || step.id === 'waterJar')"
      :plant-id="plant.id"
      :settled="settled"
      :keeps-support="choices.supportMode === 'keep'"
      :extensions="extensions"
      :medium-kind="newKind"
      :long-way="step?.id === 'waterJar'"
      :in-tub="inTub"
      :scoop-l="settings.current.scoopL"
      :noted="notes"
      :live-roots="choices.liveRoots"
      :refused="fit.piecesRefused.value"
      :then="loaded.fitting.day ? '/day/bench' : undefined"
      @written="bench.leave(plant.id, { told: true })"
    />
    <div class="thumb-row" :class="{ sticky: step }">
      <v-btn variant="outlined" size="x-large" min-height="68" :disabled="at === 0" @click="back">{{
        m.bench.back
      }}</v-btn>
      <v-btn v-if="step" color="primary" size="x-large" min-height="68" @click="next">{{
        m.bench.done
      }}</v-btn>
    </div>
    <FoundPanel :fit="fit" :planned="planned" :found="progress.found" @found="onFound" />
    <details class="panel">
      <summary>{{ m.bench.all }}</summary>
      <ol class="bare all">
        <li v-for="(one, i) in steps" :key="one.id">
          <button type="button" :class="{ here: i === at }" @click="jump(i)">
            {{ isDone(one.id) ? '✓' : '○' }} {{ said(one.title) }}
          </button>
        </li>
      </ol>
    </details>
    <section v-if="others.length > 0" class="panel">
      <h2>{{ m.bench.others }}</h2>
      <ul class="bare all">
        <li v-for="other in others" :key="other.plantId">
          <router-link :to="`/plants/${other.plantId}/bench`">{{ other.name }}</router-link>
          <span class="quiet small"> {{ m.bench.doneSteps(other.done.length) }}</span>
        </li>
      </ul>
    </section>
    <div>
      <v-btn
        variant="text"
        @click="
          bench.leave(plant.id);
          $router.push(`/plants/${plant.id}/fit`);
        "
        >{{ m.bench.leave }}</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.now {
  min-height: 260px;
  align-content: start;
}
.big {
  font-size: clamp(1.4rem, 1.1rem + 1.4vw, 2rem);
}
.thumbnail {
  width: 52px;
  height: 52px;
  object-fit: cover;
  border-radius: 8px;
}
.items {
  padding-left: 1.1em;
  font-size: 1.1rem;
}
.thumb-row .v-btn {
  background: rgb(var(--v-theme-surface));
}
.thumb-row .v-btn.bg-primary {
  background: rgb(var(--v-theme-primary)) !important;
}
/* What a timer is for may be longer than a phone is wide. */
.told {
  height: auto;
  max-width: 100%;
}
.told :deep(.v-btn__content) {
  white-space: normal;
}
.clock {
  font-size: 2.6rem;
  font-weight: 700;
}
.thumb-row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
  gap: 12px;
  background: rgb(var(--v-theme-background));
  padding: 8px 0;
}
.thumb-row.sticky {
  position: sticky;
  bottom: 0;
  z-index: 3;
}
.all button {
  all: unset;
  cursor: pointer;
  display: block;
  min-height: 44px;
  padding: 8px 6px;
  box-sizing: border-box;
  width: 100%;
}
.all button:focus-visible {
  outline: 3px solid rgb(var(--v-theme-water));
}
.all .here {
  font-weight: 700;
  color: rgb(var(--v-theme-primary));
}
@media (max-width: 960px) {
  .thumb-row.sticky {
    bottom: calc(58px + env(safe-area-inset-bottom));
  }
}
</style>
