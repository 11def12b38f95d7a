<script setup lang="ts">
import {
  addDays,
  DAYS_PER_MONTH,
  decide,
  nominalPot,
  resolveTaxon,
  SCHOOL_IDS,
  SCHOOLS,
  STATES,
  statesOf,
  TYPICAL_SPOT,
  WEEKS_OF_GROWTH,
  type Signals,
  type Situation,
  type State,
} from '@fernbank/core';
import { computed } from 'vue';
import SignalDrawing from '../../components/look/SignalDrawing.vue';
import YearStrip from '../../components/verdict/YearStrip.vue';
import { useHeadlineWords } from '../../composables/headlineWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useSettings } from '../../stores/settings.ts';

/** How a verdict comes about, in words and drawings; the example plant is decided on by the core, as today stands. */
const settings = useSettings();
const { length } = useUnits();
const { headlineLine } = useHeadlineWords();

/** By what each state is drawn. */
const SIGN: Record<State, { signal: string; value: string | boolean }> = {
  crowded: { signal: 'rootsAtHoles', value: 'every' },
  mediumFailing: { signal: 'mediumSunk', value: true },
  danger: { signal: 'smell', value: 'sour' },
  tooWet: { signal: 'staysWetLonger', value: true },
  unstable: { signal: 'wobble', value: 'leans' },
};

/** A plant of no likings of its own, about when its pot may be full. */
const EXAMPLE = { taxon: 'Cissus alata', rimCm: 14, months: 14 };
const taxon = resolveTaxon(EXAMPLE.taxon)!;
const example = computed((): Situation => {
  const date = settings.current.today;
  return {
    traits: taxon.traits,
    date,
    spot: TYPICAL_SPOT,
    pot: nominalPot(EXAMPLE.rimCm),
    medium: { kind: taxon.traits.medium },
    lastRepot: addDays(date, -Math.round(EXAMPLE.months * DAYS_PER_MONTH)),
    signals: {},
  };
});
const seen = (signals: Signals): Situation => ({
  ...example.value,
  signals,
  lookedOn: example.value.date,
});
const SEEN = ['none', 'several', 'every'] as const;
/** To the next twentieth, as one says it. */
const roughly = (share: number) => 5 * Math.round(20 * share);
const full = computed(() => [
  { id: '', word: m.thinking.before, percent: roughly(statesOf(example.value).crowded) },
  ...SEEN.map((rootsAtHoles) => ({
    id: rootsAtHoles,
    word: m.thinking.sees[rootsAtHoles],
    percent: roughly(statesOf(seen({ rootsAtHoles })).crowded),
  })),
]);
const decision = computed(() => decide(seen({ rootsAtHoles: 'several' })));
</script>

<template>
  <div class="page stack">
    <header>
      <h1>{{ m.thinking.title }}</h1>
      <p class="quiet">{{ m.thinking.intro }}</p>
    </header>

    <section class="panel">
      <h2>{{ m.thinking.states }}</h2>
      <p>{{ m.thinking.statesIntro }}</p>
      <ul class="bare states">
        <li v-for="state in STATES" :key="state">
          <SignalDrawing :signal="SIGN[state].signal" :value="SIGN[state].value" />
          <div>
            <h3>{{ m.state[state] }}</h3>
            <p>{{ m.thinking.state[state] }}</p>
          </div>
        </li>
      </ul>
    </section>

    <section class="panel">
      <h2>{{ m.thinking.look }}</h2>
      <p>{{ m.thinking.lookIntro(taxon.common, EXAMPLE.months, length(EXAMPLE.rimCm)) }}</p>
      <dl class="bars">
        <div v-for="row in full" :key="row.id">
          <dt>
            <SignalDrawing v-if="row.id" signal="rootsAtHoles" :value="row.id" />
            {{ row.word }}
          </dt>
          <dd>
            <span class="bar" :style="{ width: `${row.percent}%` }" aria-hidden="true" />
            {{ m.thinking.likely(row.percent) }}
          </dd>
        </div>
      </dl>
    </section>

    <section class="panel">
      <h2>{{ m.thinking.when }}</h2>
      <p>{{ m.thinking.whenIntro }}</p>
      <p>{{ m.thinking.weeks(WEEKS_OF_GROWTH) }}</p>
      <p class="quiet">{{ m.thinking.example(headlineLine(decision)) }}</p>
      <YearStrip v-if="decision.window" :decision="decision" :date="example.date" />
    </section>

    <section class="panel">
      <h2>{{ m.thinking.schools }}</h2>
      <p>{{ m.thinking.schoolsIntro }}</p>
      <dl class="tiles schools">
        <div v-for="id in SCHOOL_IDS" :key="id">
          <dt>{{ SCHOOLS[id].question }}</dt>
          <dd v-for="option in SCHOOLS[id].options" :key="option.label">
            {{ option.label }}
            <span class="quiet small">{{ m.thinking.costs(option.costs) }}</span>
          </dd>
        </div>
      </dl>
      <v-btn variant="outlined" to="/record/settings">{{ m.thinking.choose }}</v-btn>
    </section>

    <section class="panel">
      <h2>{{ m.thinking.knows }}</h2>
      <ul>
        <li v-for="limit in m.thinking.limits" :key="limit">{{ limit }}</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.states li {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 8px 0;
}
.bars > div {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 12px;
  align-items: center;
  min-height: 60px;
}
.bars dt {
  display: flex;
  gap: 10px;
  align-items: center;
}
.bar {
  display: block;
  height: 12px;
  border-radius: 3px;
  background: rgb(var(--v-theme-primary));
}
.schools > div {
  padding: 8px 0;
}
.schools dt {
  font-weight: 700;
}
.schools dd .small {
  display: block;
}
</style>
