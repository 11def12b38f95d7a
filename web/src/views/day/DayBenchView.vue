<script setup lang="ts">
import { useNow } from '@vueuse/core';
import { addDays, type LaidBatch, type Stretch } from '@fernbank/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import BatchSheet from '../../components/day/BatchSheet.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import NoPlan from '../../components/day/NoPlan.vue';
import TimerBar from '../../components/bench/TimerBar.vue';
import { useDates } from '../../composables/useDates.ts';
import { useDayPlan } from '../../composables/useDayPlan.ts';
import { useDayWords } from '../../composables/useDayWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useBench } from '../../stores/bench.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';

/** The day as it is worked: what is next, how far behind, what is in the tub; and a plan anew for the rest. */
const { store, current, laid, isSettled } = useDayPlan();
const settings = useSettings();
const notices = useNotices();
const pantry = usePantry();
const bench = useBench();
const router = useRouter();
const { full } = useDates();
const { volume } = useUnits();
const { potWords, polesOf } = useDayWords();
const now = useNow({ interval: 15_000 });
const MS_A_MINUTE = 60_000;
/** So far from the plan is on time, minutes. */
const ON_TIME = 5;

/** The date that is worked on: today's, else the first that is not over. */
const at = computed(() => {
  const dates = laid.value?.dates ?? [];
  const today = dates.findIndex(({ date }) => date === settings.current.today);
  if (today >= 0) return today;
  const next = dates.findIndex(({ date }) => date > settings.current.today);
  return next >= 0 ? next : dates.length - 1;
});
const date = computed(() => laid.value!.dates[at.value]!.date);
const startedAt = computed(() => current.value?.startedAt[date.value] ?? null);
const elapsed = computed(() =>
  startedAt.value === null ? 0 : (now.value.getTime() - startedAt.value) / MS_A_MINUTE,
);
const lines = computed(() => (laid.value?.lines ?? []).filter((line) => line.date === at.value));
const doneOf = (plant: number) =>
  (current.value?.done ?? []).find(({ plantId }) => plantId === plant) ?? null;
const batches = computed(() =>
  (laid.value?.batches ?? []).filter((batch) => batch.date === at.value),
);
const isMixed = ({ mix }: LaidBatch) =>
  (current.value?.mixed ?? []).some((one) => one.mix === mix && one.date === date.value);
const batchOf = (mix: string | undefined) => batches.value.find((batch) => batch.mix === mix);

const stretches = computed((): Stretch[] =>
  (laid.value?.schedules.find((one) => one.date === at.value)?.stretches ?? []).filter(
    ({ kind }) => kind === 'plant' || kind === 'mix',
  ),
);
/** Mixed, or needed no more: who potted them all need not have told of it. */
const isMade = (batch: LaidBatch) =>
  isMixed(batch) || batch.pots.every(({ plant }) => doneOf(plant));
const isOver = ({ kind, plant, mix }: Stretch) => {
  if (kind === 'plant') return doneOf(plant!) !== null;
  const batch = batchOf(mix);
  return !batch || isMade(batch);
};
const open = computed(() => stretches.value.filter((one) => !isOver(one)));
/** Somebody has it in hand, here or on another phone. */
const isOnBench = (plant: number) => bench.plantOf(plant) !== null;
/** What nobody has in hand comes next; where there is nothing else, what is to be finished. */
const next = computed(
  () =>
    open.value.find(({ kind, plant }) => kind === 'mix' || !isOnBench(plant!)) ??
    open.value[0] ??
    null,
);
const nextBatch = computed(() =>
  next.value?.kind === 'mix' ? (batchOf(next.value.mix) ?? null) : null,
);
const lineOf = (plant: number) => lines.value.find((line) => line.plant === plant)!;
const openLines = computed(() => lines.value.filter(({ plant }) => !doneOf(plant)));
const doneCount = computed(() => lines.value.length - openLines.value.length);
const minutesLeft = computed(
  () =>
    openLines.value.reduce((sum, { minutes }) => sum + minutes, 0) / (laid.value?.hands ?? 1) +
    batches.value.filter((batch) => !isMade(batch)).reduce((sum, { minutes }) => sum + minutes, 0),
);
/** Behind (above 0) or ahead of the plan at what is next. */
const late = computed(() => {
  if (startedAt.value === null || !open.value[0]) return 0;
  // Setting up is not told as being ahead: nothing is done yet.
  return Math.max(elapsed.value - open.value[0].from, doneCount.value > 0 ? -Infinity : 0);
});
const notReached = computed(() => {
  if (startedAt.value === null) return 0;
  let left = laid.value!.dates[at.value]!.minutes - elapsed.value;
  return openLines.value.filter(({ minutes }) => (left -= minutes / laid.value!.hands) < 0).length;
});
const paceWords = computed(() =>
  Math.abs(late.value) <= ON_TIME
    ? m.day.onTime
    : late.value > 0
      ? m.day.late(late.value)
      : m.day.early(-late.value),
);
/** Mixed and not poured yet. */
const inTub = computed(() =>
  batches.value.filter(isMixed).flatMap((batch) => {
    const left = batch.pots
      .filter(({ plant }) => !doneOf(plant))
      .reduce((sum, { potL }) => sum + potL, 0);
    return left > LEAST_TOLD_L ? [m.day.leftInTub(volume(left), batch.label)] : [];
  }),
);
const LEAST_TOLD_L = 0.05;

const working = ref(false);
async function attempt(run: () => Promise<unknown>, told?: string): Promise<void> {
  working.value = true;
  try {
    const done = await run();
    await pantry.load();
    if (told && done !== false) notices.done(told);
  } catch (error) {
    notices.fault(error);
  } finally {
    working.value = false;
  }
}
/** What was potted is looked after next. */
const closeDay = () => {
  const potted = current.value!.done.length > 0;
  return attempt(async () => {
    await store.close();
    if (potted) await router.push('/aftercare');
  }, m.day.closed);
};
/** Once of a batch a pot was filled it was mixed. */
const isPoured = ({ pots }: LaidBatch) => pots.some(({ plant }) => doneOf(plant));
const begin = () =>
  attempt(() => store.report({ kind: 'begin', date: date.value, at: Date.now() }));
const mixed = ({ mix }: LaidBatch) =>
  attempt(() => store.report({ kind: 'mixed', mix, date: date.value }));
const unmix = ({ mix }: LaidBatch) =>
  attempt(() => store.report({ kind: 'notMixed', mix, date: date.value }));
const isCut = (kind: string) => (current.value?.cut ?? []).some((one) => one.kind === kind);
/** The rest of the day with the minutes that are left: what is potted asks no more. */
async function replan(): Promise<void> {
  await attempt(async () => {
    const { dates, nextChance } = current.value!;
    const left = Math.max(1, Math.round(dates[at.value]!.minutes - elapsed.value));
    const rest = {
      ...askOf(),
      dates: dates.slice(at.value).map((one, i) => (i === 0 ? { ...one, minutes: left } : one)),
      nextChance,
      carries: current.value!.id,
    };
    await store.close();
    await store.create(rest);
    await router.push('/day');
  }, m.day.replanned);
}
function askOf() {
  const { hands, money, cleaning, pins } = current.value!;
  const done = new Set(current.value!.done.map(({ plantId }) => plantId));
  return {
    hands,
    money,
    cleaning,
    pins: pins.filter(({ plant, kind }) => !done.has(plant) && kind !== 'on'),
  };
}
const confirming = ref(false);
const tomorrow = computed(() => addDays(settings.current.today, 1));
const isAhead = computed(() => date.value >= tomorrow.value);
const clockOf = (ms: number) =>
  new Date(ms).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
</script>

<template>
  <TimerBar all />
  <div class="page stack">
    <h1>{{ m.day.benchTitle }}</h1>
    <PlaceTabs of="day" />
    <NoPlan v-if="!laid" />
    <section v-else-if="!isSettled" class="panel stack">
      <p>{{ m.day.notSettled }}</p>
      <div>
        <v-btn color="primary" to="/day">{{ m.day.toPlan }}</v-btn>
      </div>
    </section>
    <template v-else>
      <section class="panel stack">
        <div class="row spread">
          <strong class="big">{{ full(date) }}</strong>
          <span>{{ m.day.progress(doneCount, lines.length) }}</span>
        </div>
        <v-progress-linear
          :model-value="(100 * doneCount) / Math.max(1, lines.length)"
          color="primary"
          height="8"
          rounded
          :aria-label="m.day.progress(doneCount, lines.length)"
        />
        <p v-if="startedAt !== null">
          {{ m.day.beganAt(clockOf(startedAt)) }} · <strong>{{ paceWords }}</strong> ·
          {{ m.day.left(minutesLeft) }}
        </p>
        <div v-else-if="!isAhead">
          <v-btn color="primary" size="x-large" min-height="64" :loading="working" @click="begin">{{
            m.day.begin
          }}</v-btn>
        </div>
        <p v-if="isAhead" class="quiet">{{ m.day.notYet(full(date)) }}</p>
        <div v-if="startedAt !== null && notReached > 0" class="caution stack">
          <p>{{ m.day.behindAsk(notReached) }}</p>
          <div>
            <v-btn variant="outlined" min-height="52" :loading="working" @click="replan">{{
              m.day.replan
            }}</v-btn>
          </div>
        </div>
      </section>
      <section v-if="next" class="panel stack now" aria-live="polite">
        <p class="quiet">{{ m.day.nextUp }}</p>
        <template v-if="nextBatch">
          <h2 class="big">{{ m.day.mixNow(nextBatch) }}</h2>
          <BatchSheet :batch="nextBatch" />
          <v-btn
            color="primary"
            size="x-large"
            min-height="68"
            block
            class="wraps"
            :loading="working"
            @click="mixed(nextBatch)"
            >{{ m.day.mixedWord }}</v-btn
          >
        </template>
        <template v-else>
          <h2 class="big">{{ lineOf(next.plant!).name }}</h2>
          <p>
            → <strong>{{ potWords(lineOf(next.plant!).pot) }}</strong><template
              v-if="lineOf(next.plant!).pot.source !== 'toBuy'"
              >, {{ m.day.sources[lineOf(next.plant!).pot.source] }}</template
            >
            ·
            {{ m.day.takes(lineOf(next.plant!).minutes) }}
          </p>
          <p v-if="lineOf(next.plant!).tidiness !== 'clean'" class="caution">
            {{ m.day.tidiness[lineOf(next.plant!).tidiness] }}
          </p>
          <v-btn
            color="primary"
            size="x-large"
            min-height="68"
            block
            :to="`/plants/${next.plant}/bench`"
            @click="bench.start(next.plant!, lineOf(next.plant!).name)"
            >{{ m.day.pot(lineOf(next.plant!).name) }}</v-btn
          >
        </template>
      </section>
      <section class="panel">
        <ul class="bare rows">
          <li v-for="cut in laid.cuts.filter(({ fault }) => !fault)" :key="cut.kind">
            <span>{{ polesOf(cut.kind) }}</span>
            <span v-if="isCut(cut.kind)" class="done">✓ {{ m.day.cutDone }}</span>
            <v-btn
              variant="text"
              @click="
                attempt(() =>
                  store.report({ kind: isCut(cut.kind) ? 'notCut' : 'cut', supportKind: cut.kind }),
                )
              "
              >{{ isCut(cut.kind) ? m.day.uncut : m.day.cutWord }}</v-btn
            >
          </li>
          <li v-for="one in stretches" :key="`${one.kind}${one.from}`">
            <template v-if="one.kind === 'mix' && batchOf(one.mix)">
              <span>{{ m.day.mixNow(batchOf(one.mix)!) }}</span>
              <span v-if="isMixed(batchOf(one.mix)!)" class="done">✓ {{ m.day.mixedDone }}</span>
              <v-btn
                v-if="isMixed(batchOf(one.mix)!) && !isPoured(batchOf(one.mix)!)"
                variant="text"
                @click="unmix(batchOf(one.mix)!)"
                >{{ m.day.unmix }}</v-btn
              >
              <v-btn
                v-else-if="!isMixed(batchOf(one.mix)!)"
                variant="text"
                @click="mixed(batchOf(one.mix)!)"
                >{{ m.day.mixedWord }}</v-btn
              >
            </template>
            <template v-else-if="one.kind === 'plant'">
              <router-link
                v-if="!doneOf(one.plant!)"
                :to="`/plants/${one.plant}/bench`"
                class="name"
                >{{ lineOf(one.plant!).name }}</router-link
              >
              <router-link v-else :to="`/plants/${one.plant}`" class="name">{{
                lineOf(one.plant!).name
              }}</router-link>
              <span v-if="doneOf(one.plant!)" class="done"
                >✓ {{ m.day.potDone
                }}<template v-if="doneOf(one.plant!)!.minutes"
                  >, {{ m.day.inMinutes(doneOf(one.plant!)!.minutes!) }}</template
                ></span
              >
              <strong v-else-if="isOnBench(one.plant!)">{{ m.day.onBench }}</strong>
              <span v-else class="quiet"
                >{{ potWords(lineOf(one.plant!).pot) }} ·
                {{ m.day.takes(lineOf(one.plant!).minutes) }}</span
              >
            </template>
          </li>
        </ul>
        <p v-for="text in inTub" :key="text">{{ text }}</p>
      </section>
      <section class="panel stack">
        <div class="row">
          <v-btn variant="outlined" min-height="52" :loading="working" @click="closeDay">{{
            m.day.close
          }}</v-btn>
          <v-btn
            v-if="startedAt !== null && openLines.length > 0"
            variant="text"
            min-height="52"
            :loading="working"
            @click="replan"
            >{{ m.day.replan }}</v-btn
          >
          <v-btn variant="text" min-height="52" @click="confirming = !confirming">{{
            m.day.undo
          }}</v-btn>
        </div>
        <div v-if="confirming" class="caution stack">
          <p>{{ m.day.undoAsk(current!.done.length) }}</p>
          <div>
            <v-btn
              color="error"
              min-height="52"
              :loading="working"
              @click="
                attempt(() => store.undo(), m.day.undone);
                confirming = false;
              "
              >{{ m.day.undo }}</v-btn
            >
          </div>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.big {
  font-size: clamp(1.3rem, 1.1rem + 1.2vw, 1.8rem);
}
.wraps :deep(.v-btn__content) {
  white-space: normal;
}
.rows li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  min-height: 52px;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.name {
  font-weight: 700;
  min-height: 44px;
  display: flex;
  align-items: center;
}
.done {
  color: rgb(var(--v-theme-success));
}
</style>
