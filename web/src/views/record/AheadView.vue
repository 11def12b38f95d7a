<script setup lang="ts">
import { daysBetween, FUTURES, handsIn, otherwise, partOf } from '@fernbank/core';
import { computed, ref } from 'vue';
import FetchState from '../../components/FetchState.vue';
import AheadByMonth from '../../components/ahead/AheadByMonth.vue';
import AheadTables from '../../components/ahead/AheadTables.vue';
import PottingDays from '../../components/ahead/PottingDays.vue';
import WhatIfAhead from '../../components/ahead/WhatIfAhead.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { fetchAhead, useAhead } from '../../composables/useAhead.ts';
import { banded, roundedTo, withinYear, YEAR } from '../../composables/bands.ts';
import { useShortages, type Bought } from '../../composables/useShortages.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What the next two years may bring, and what could be done about it. */
const { length, percent } = useUnits();
const { month: monthName } = useDates();
const { value, fault, load } = useLoaded(fetchAhead);

const spotId = ref<number | null>(null);
const group = ref<string | null>(null);
const away = ref<number[]>([]);
const divided = ref<number[]>([]);
/** ids; 0: all of them */
const snug = ref<number[]>([]);
const ALL = 0;
const notBefore = ref(0);
const bought = ref<Bought[]>([]);

const part = computed(
  () => value.value && partOf(value.value.problem, { spotId: spotId.value, group: group.value }),
);
const changed = computed(
  () =>
    away.value.length > 0 ||
    divided.value.length > 0 ||
    snug.value.length > 0 ||
    notBefore.value > 0,
);
const asked = computed(
  () =>
    part.value &&
    otherwise(part.value, {
      without: away.value,
      divided: divided.value,
      snug: snug.value.includes(ALL) ? 'all' : snug.value,
      notBefore: notBefore.value,
      bought: bought.value.flatMap(({ pots }) => pots ?? []),
    }),
);
const { ahead, drawn, stop } = useAhead(asked);
/** The same without any what-if, to hold it against: drawn only then. */
const { ahead: asItComes } = useAhead(computed(() => (changed.value ? part.value : null)));

const spots = computed(() => [
  { value: null, title: m.ahead.everywhere },
  ...(value.value?.spots ?? []).map(({ id, name }) => ({ value: id, title: name })),
]);
const groups = computed(() => [
  { value: null, title: m.ahead.allGroups },
  ...(value.value?.groups ?? []).map(({ id, label }) => ({ value: id, title: label })),
]);
const plants = computed(() =>
  (part.value?.plants ?? []).map(({ id, name }) => ({ value: id, title: name })),
);

const MONTHS_PUT_OFF = 9;
const starts = computed(() => [
  { value: 0, title: m.ahead.now },
  ...(ahead.value?.months ?? []).slice(1, MONTHS_PUT_OFF).map((month) => ({
    value: Math.ceil(daysBetween(value.value!.problem.from, `${month}-01`) / 7),
    title: monthName(month),
  })),
]);

/** The months with most repots of the year: the busiest, and those beside it that are hardly less busy. */
const HARDLY_LESS = 0.75;
const busy = computed(() => {
  const counts = ahead.value!.repots.byMonth.slice(0, YEAR).map(({ middle }) => middle);
  const most = Math.max(...counts);
  let first = counts.indexOf(most);
  let last = first;
  while (first > 0 && counts[first - 1]! >= HARDLY_LESS * most) first -= 1;
  while (last + 1 < counts.length && counts[last + 1]! >= HARDLY_LESS * most) last += 1;
  return { first, last };
});
/** Told up to where the season is over: three months on from its busiest. */
const until = computed(() => Math.min(YEAR, busy.value.last + 2));
/** With plants in hand, in an afternoon of three hours, min. */
const AFTERNOON = handsIn(180);
const inWords = computed(() => {
  const { repots, minutes, months, room } = ahead.value!;
  const { first, last } = busy.value;
  const by = monthName(months[until.value]!);
  const season = repots.upTo[until.value]!;
  const names = [...new Set([first, last])].map((at) => monthName(months[at]!));
  const span =
    names.length === 1
      ? names[0]!
      : (last - first === 1 ? m.ahead.and : m.ahead.from)(names[0]!, names[1]!);
  const bench = minutes.upTo[last]!.middle - (minutes.upTo[first - 1]?.middle ?? 0);
  const said =
    season.middle < 1
      ? [m.ahead.noRepots(by)]
      : [
          m.ahead.repots(banded(season), by, span),
          m.ahead.work(
            span,
            Math.max(1, Math.round(bench / AFTERNOON)),
            Math.max(15, roundedTo(bench, 15)),
          ),
          short.value.length === 0 ? m.ahead.enough : m.ahead.short(short.value.join(', ')),
        ];
  const tightest = [...room].sort((a, b) => b.yearCm - b.nowCm - (a.yearCm - a.nowCm))[0];
  const more = tightest ? tightest.yearCm - tightest.nowCm : 0;
  if (tightest && more >= LEAST_ROOM_CM) {
    said.push(m.ahead.room(spotName(tightest.spotId), length(more), monthName(months[YEAR]!)));
  }
  return said;
});
const LEAST_ROOM_CM = 10;
const spotName = (id: number) => value.value!.spots.find((spot) => spot.id === id)!.name;

const { mixes, toBuy, short, offers } = useShortages(
  ahead,
  computed(() => value.value?.stock ?? []),
  bought,
);
const againstAsItComes = computed(() => {
  if (!changed.value || !asItComes.value) return '';
  const [now, before] = [withinYear(ahead.value!.repots), withinYear(asItComes.value.repots)].map(
    (one) => banded(one!),
  );
  return now === before ? m.ahead.same : m.ahead.against(now!, before!);
});
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.ahead.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <template v-if="value">
      <p v-if="value.problem.plants.length === 0" class="panel">{{ m.ahead.empty }}</p>
      <template v-else>
        <section class="panel stack answer" aria-live="polite">
          <template v-if="ahead && asked && asked.plants.length > 0">
            <p v-for="(line, i) in inWords" :key="i" :class="i === 0 ? 'first' : ''">{{ line }}</p>
            <p v-if="againstAsItComes">
              <strong>{{ againstAsItComes }}</strong>
            </p>
          </template>
          <p v-else-if="asked && asked.plants.length === 0">{{ m.ahead.emptyPart }}</p>
          <div v-if="drawn !== null" class="row" role="status">
            <span class="quiet">{{ m.ahead.drawing }} {{ percent(drawn) }} %</span>
            <v-btn variant="text" @click="stop">{{ m.ahead.stop }}</v-btn>
          </div>
          <p v-if="drawn === null && ahead && ahead.futures < FUTURES" class="quiet">
            {{ m.ahead.asFar(ahead.futures) }}
          </p>
          <p class="quiet small">{{ m.ahead.intro }} {{ m.ahead.band }}</p>
          <p v-if="value.leftOut.length > 0" class="quiet small">
            {{ m.ahead.leftOut(value.leftOut.join(', ')) }}
          </p>
        </section>
        <div class="fields no-print">
          <v-select v-model="spotId" :items="spots" :label="m.ahead.spot" hide-details />
          <v-select v-model="group" :items="groups" :label="m.ahead.group" hide-details />
        </div>
        <WhatIfAhead
          v-model:away="away"
          v-model:divided="divided"
          v-model:snug="snug"
          v-model:not-before="notBefore"
          v-model:bought="bought"
          :plants="plants"
          :snug-plants="[{ value: ALL, title: m.ahead.allGroups }, ...plants]"
          :starts="starts"
          :offers="offers"
        />
        <template v-if="ahead && asked && asked.plants.length > 0">
          <PottingDays :problem="asked" />
          <AheadByMonth :ahead="ahead" />
          <AheadTables
            :ahead="ahead"
            :problem="asked"
            :spot-name="spotName"
            :mixes="mixes"
            :to-buy="toBuy"
          />
        </template>
      </template>
    </template>
  </div>
</template>

<style scoped>
.first {
  font-family: var(--serif, inherit);
  font-size: clamp(1.25rem, 1.05rem + 1vw, 1.6rem);
}
</style>
