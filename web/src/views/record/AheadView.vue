<script setup lang="ts">
import {
  addDays,
  daysBetween,
  FUTURES,
  handsIn,
  otherwise,
  partOf,
  type Course,
  type Expected,
} from '@fernbank/core';
import { computed, ref } from 'vue';
import FetchState from '../../components/FetchState.vue';
import PottingDays from '../../components/ahead/PottingDays.vue';
import LineChart from '../../components/LineChart.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { fetchAhead, useAhead } from '../../composables/useAhead.ts';
import {
  useShortages,
  withinYear as year,
  YEAR,
  type Bought,
} from '../../composables/useShortages.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { saveAs } from '../../composables/saveAs.ts';
import { m } from '../../messages/index.ts';
import { hours } from '../../messages/duration.ts';

/** What the next two years may bring, and what could be done about it. */
const { volume, volumeBeside, length, weight, percent } = useUnits();
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

const roundedTo = (n: number, step: number) => step * Math.round(n / step);
const whole = (n: number) => String(Math.round(n));
/** Nobody measures years ahead to the millilitre. */
const roughlyBand = (of: Expected) => {
  const write = volumeBeside(of.high);
  return band(of, (litres) => write(litres >= 10 ? Math.round(litres) : roundedTo(litres, 0.1)));
};
const band = (of: Expected, write: (n: number) => string = whole) =>
  m.ahead.banded(write(of.middle), write(of.low), write(of.high));

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
          m.ahead.repots(band(season), by, span),
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
const stocked = (litres: number | null) =>
  litres === null ? m.ahead.notCounted : litres === 0 ? m.ahead.nothing : volume(litres);
const poles = computed(() =>
  ahead
    .value!.poles.map((one) => ({ ...one, need: year(one.poles) }))
    .filter(({ need }) => need.high >= 1),
);
/** Who grows into what is above it within two years, the first one first. */
const meeting = computed(() => {
  const { from, plants: all } = asked.value!;
  const month = (week: number) => monthName(addDays(from, 7 * week).slice(0, 7));
  return all
    .filter(({ meets }) => meets.soonest !== null)
    .sort((a, b) => (a.meets.likely ?? Infinity) - (b.meets.likely ?? Infinity))
    .map(({ id, name, meets: { likely, soonest } }) => ({
      id,
      name,
      when:
        likely === 0
          ? m.ahead.meetsNow
          : likely === null
            ? m.ahead.mayMeet(month(soonest!))
            : m.ahead.meets(month(likely), soonest === null ? null : month(soonest)),
    }));
});
const nameOf = (id: number) => value.value!.problem.plants.find((one) => one.id === id)?.name ?? '';
const who = computed(() =>
  ahead
    .value!.plants.filter(({ withinYear }) => withinYear >= 0.1)
    .sort((a, b) => b.withinYear - a.withinYear || (a.month ?? 0) - (b.month ?? 0))
    .map((row) => ({ ...row, name: nameOf(row.id) })),
);
const againstAsItComes = computed(() => {
  if (!changed.value || !asItComes.value) return '';
  const [now, before] = [year(ahead.value!.repots), year(asItComes.value.repots)].map((one) =>
    band(one!),
  );
  return now === before ? m.ahead.same : m.ahead.against(now!, before!);
});

const lines = computed(() => {
  const of = (key: keyof Expected) => ahead.value!.repots.byMonth.map((one) => one[key]);
  return [
    { values: of('low'), colour: 'primary', dashed: true },
    { values: of('middle'), colour: 'primary' },
    { values: of('high'), colour: 'primary', dashed: true },
  ];
});

/** RFC 4180, in the units of the collection’s file: months, litres, minutes. */
function saveCsv(): void {
  const {
    months,
    repots,
    minutes,
    components,
    toBuy: bought,
    poles: newPoles,
    feedG,
  } = ahead.value!;
  const cell = (text: string) => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  const three = (name: string) => ['low', 'middle', 'high'].map((each) => `${name} ${each}`);
  const courses: [string, Course][] = [
    ['repots', repots],
    ['minutes', minutes],
    ...components.map(({ component, litres }): [string, Course] => [`${component} L`, litres]),
    ...bought.map(({ rimCm, pots }): [string, Course] => [`pots to buy ${rimCm} cm`, pots]),
    ...newPoles.map(({ label, lengthCm, poles: course }): [string, Course] => [
      `${label} ${lengthCm} cm`,
      course,
    ]),
    ['lasting feed g', feedG],
  ];
  const rows = [
    ['month', ...courses.flatMap(([name]) => three(name))],
    ...months.map((month, i) => [
      month,
      ...courses.flatMap(([, { byMonth }]) =>
        (['low', 'middle', 'high'] as const).map((key) => byMonth[i]![key].toFixed(2)),
      ),
    ]),
  ];
  const text = rows.map((row) => row.map(cell).join(',')).join('\r\n');
  saveAs(new Blob([`${text}\r\n`], { type: 'text/csv' }), 'ahead.csv');
}
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
        <section class="panel stack no-print">
          <h2>{{ m.ahead.whatIf }}</h2>
          <div class="fields">
            <v-autocomplete
              v-model="away"
              :items="plants"
              :label="m.ahead.away"
              multiple
              chips
              closable-chips
              clear-on-select
              hide-details
            />
            <v-autocomplete
              v-model="divided"
              :items="plants"
              :label="m.ahead.divided"
              :hint="m.ahead.dividedWhy"
              persistent-hint
              multiple
              chips
              closable-chips
              clear-on-select
            />
            <v-select v-model="notBefore" :items="starts" :label="m.ahead.notBefore" hide-details />
            <v-autocomplete
              v-model="bought"
              :items="offers"
              :label="m.ahead.buyNow"
              :hint="m.ahead.buyNowWhy"
              :no-data-text="m.ahead.nothingShort"
              item-value="id"
              return-object
              persistent-hint
              multiple
              chips
              closable-chips
              clear-on-select
            />
            <v-autocomplete
              v-model="snug"
              :items="[{ value: ALL, title: m.ahead.allGroups }, ...plants]"
              :label="m.ahead.snug"
              :hint="m.ahead.snugWhy"
              persistent-hint
              multiple
              chips
              closable-chips
              clear-on-select
            />
          </div>
        </section>
        <template v-if="ahead && asked && asked.plants.length > 0">
          <PottingDays :problem="asked" />
          <section class="panel stack">
            <div class="row spread">
              <h2>{{ m.ahead.byMonth }}</h2>
              <v-btn variant="outlined" class="no-print" @click="saveCsv">{{ m.ahead.save }}</v-btn>
            </div>
            <LineChart
              :name="m.ahead.chart(ahead.months.length)"
              :labels="ahead.months.map(monthName)"
              :lines="lines"
              :height-px="220"
            />
            <p class="quiet small">{{ m.ahead.lines }}</p>
            <details>
              <summary>{{ m.ahead.table }}</summary>
              <div class="scroll">
                <table class="figures">
                  <thead>
                    <tr>
                      <th>{{ m.ahead.month }}</th>
                      <th class="num">{{ m.ahead.count }}</th>
                      <th class="num">{{ m.ahead.soFar }}</th>
                      <th class="num">{{ m.ahead.hands }}</th>
                    </tr>
                  </thead>
                  <tbody>
                    <tr v-for="(month, i) in ahead.months" :key="month">
                      <td>{{ monthName(month) }}</td>
                      <td class="num">{{ band(ahead.repots.byMonth[i]!) }}</td>
                      <td class="num">{{ band(ahead.repots.upTo[i]!) }}</td>
                      <td class="num">{{ hours(ahead.minutes.byMonth[i]!.middle) }}</td>
                    </tr>
                  </tbody>
                </table>
              </div>
            </details>
          </section>
          <div class="panels">
            <section class="panel stack">
              <h2>{{ m.ahead.pots }}</h2>
              <p>{{ m.ahead.potsFrom(band(year(ahead.shelf)), band(year(ahead.handedDown))) }}</p>
              <table v-if="toBuy.length > 0" class="figures">
                <thead>
                  <tr>
                    <th>{{ m.ahead.rim }}</th>
                    <th class="num">{{ m.ahead.toBuy }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="one in toBuy" :key="one.rimCm">
                    <td>{{ length(one.rimCm) }}</td>
                    <td class="num">{{ band(one.need) }}</td>
                  </tr>
                </tbody>
              </table>
              <p v-else>{{ m.ahead.none }}</p>
              <template v-if="poles.length > 0">
                <h3>{{ m.ahead.polesTitle }}</h3>
                <ul class="bare">
                  <li v-for="one in poles" :key="`${one.label} ${one.lengthCm}`">
                    {{ m.ahead.poles(band(one.need), length(one.lengthCm), one.label) }}
                  </li>
                </ul>
              </template>
              <p v-if="year(ahead.lost).high > 0" class="quiet">
                {{ m.ahead.lost(band(year(ahead.lost))) }}
              </p>
            </section>
            <section class="panel stack">
              <h2>{{ m.ahead.mix }}</h2>
              <div class="scroll">
                <table class="figures">
                  <thead>
                    <tr>
                      <th>{{ m.ahead.component }}</th>
                      <th class="num">{{ m.ahead.needed }}</th>
                      <th class="num">{{ m.ahead.there }}</th>
                      <th class="num">{{ m.ahead.missing }}</th>
                    </tr>
                  </thead>
                  <tbody>
                    <tr v-for="one in mixes" :key="one.component">
                      <td>{{ one.label }}</td>
                      <td class="num">{{ roughlyBand(one.need) }}</td>
                      <td class="num">
                        {{ stocked(one.litres) }}
                      </td>
                      <td class="num">
                        <strong v-if="one.missing > 0">
                          {{ one.bags ? m.ahead.bags(one.bags) : volume(one.missing) }}
                        </strong>
                      </td>
                    </tr>
                  </tbody>
                </table>
              </div>
              <p v-if="year(ahead.feedG).middle >= 1">
                {{ m.ahead.feed(weight(year(ahead.feedG).middle / 1000)) }}
              </p>
            </section>
            <section v-if="meeting.length > 0" class="panel stack">
              <h2>{{ m.ahead.meetsTitle }}</h2>
              <ul class="bare">
                <li v-for="one in meeting" :key="one.id">
                  <RouterLink :to="`/plants/${one.id}`">{{ one.name }}</RouterLink>
                  {{ one.when }}
                </li>
              </ul>
            </section>
            <section class="panel stack">
              <h2>{{ m.ahead.roomTitle }}</h2>
              <p class="quiet small">{{ m.ahead.roomWhy }}</p>
              <table class="figures">
                <thead>
                  <tr>
                    <th>{{ m.ahead.where }}</th>
                    <th class="num">{{ m.ahead.today }}</th>
                    <th class="num">{{ m.ahead.inYear }}</th>
                    <th class="num">{{ m.ahead.inTwo }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="one in ahead.room" :key="one.spotId">
                    <td>{{ spotName(one.spotId) }}</td>
                    <td class="num">{{ length(one.nowCm) }}</td>
                    <td class="num">{{ length(one.yearCm) }}</td>
                    <td class="num">{{ length(one.twoYearsCm) }}</td>
                  </tr>
                </tbody>
              </table>
            </section>
            <section class="panel stack">
              <h2>{{ m.ahead.who }}</h2>
              <table class="figures">
                <thead>
                  <tr>
                    <th>{{ m.ahead.plant }}</th>
                    <th>{{ m.ahead.likely }}</th>
                    <th>{{ m.ahead.when }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="one in who" :key="one.id">
                    <td>
                      <RouterLink :to="`/plants/${one.id}/verdict`">{{ one.name }}</RouterLink>
                    </td>
                    <td>{{ m.ahead.chance(percent(one.withinYear)) }}</td>
                    <td>{{ one.month === null ? '' : monthName(ahead.months[one.month]!) }}</td>
                  </tr>
                </tbody>
              </table>
            </section>
          </div>
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
