<script setup lang="ts">
import { addDays, type Ahead, type AheadProblem } from '@fernbank/core';
import { computed } from 'vue';
import { banded, useBands, withinYear } from '../../composables/bands.ts';
import { useDates } from '../../composables/useDates.ts';
import type { useShortages } from '../../composables/useShortages.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What the year may need: pots, poles, mixes and room; and which plants it is about. */
type Shortages = ReturnType<typeof useShortages>;
const props = defineProps<{
  ahead: Ahead;
  problem: AheadProblem;
  spotName: (id: number) => string;
  mixes: Shortages['mixes']['value'];
  toBuy: Shortages['toBuy']['value'];
}>();
const { volume, length, weight, percent } = useUnits();
const { litres } = useBands();
const { month: monthName } = useDates();

const stocked = (there: number | null) =>
  there === null ? m.ahead.notCounted : there === 0 ? m.ahead.nothing : volume(there);
const poles = computed(() =>
  props.ahead.poles
    .map((one) => ({ ...one, need: withinYear(one.poles) }))
    .filter(({ need }) => need.high >= 1),
);
/** Who grows into what is above it within two years, the first one first. */
const meeting = computed(() => {
  const { from, plants } = props.problem;
  const month = (week: number) => monthName(addDays(from, 7 * week).slice(0, 7));
  return plants
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
const nameOf = computed(() => new Map(props.problem.plants.map(({ id, name }) => [id, name])));
const LEAST_LIKELY = 0.1;
const who = computed(() =>
  props.ahead.plants
    .filter(({ withinYear: likely }) => likely >= LEAST_LIKELY)
    .sort((a, b) => b.withinYear - a.withinYear || (a.month ?? 0) - (b.month ?? 0))
    .map((row) => ({ ...row, name: nameOf.value.get(row.id) ?? '' })),
);
</script>

<template>
  <div class="panels">
    <section class="panel stack">
      <h2>{{ m.ahead.pots }}</h2>
      <p>
        {{
          m.ahead.potsFrom(banded(withinYear(ahead.shelf)), banded(withinYear(ahead.handedDown)))
        }}
      </p>
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
            <td class="num">{{ banded(one.need) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else>{{ m.ahead.none }}</p>
      <template v-if="poles.length > 0">
        <h3>{{ m.ahead.polesTitle }}</h3>
        <ul class="bare">
          <li v-for="one in poles" :key="`${one.label} ${one.lengthCm}`">
            {{ m.ahead.poles(banded(one.need), length(one.lengthCm), one.label) }}
          </li>
        </ul>
      </template>
      <p v-if="withinYear(ahead.lost).high > 0" class="quiet">
        {{ m.ahead.lost(banded(withinYear(ahead.lost))) }}
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
              <td class="num">{{ litres(one.need) }}</td>
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
      <p v-if="withinYear(ahead.feedG).middle >= 1">
        {{ m.ahead.feed(weight(withinYear(ahead.feedG).middle / 1000)) }}
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
