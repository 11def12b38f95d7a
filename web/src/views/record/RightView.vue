<script setup lang="ts">
import { correctedChance, FEWEST_FINDINGS, type Score, type ToldState } from '@fernbank/core';
import { computed } from 'vue';
import FetchState from '../../components/FetchState.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import ScoreRows from '../../components/ScoreRows.vue';
import { useDates } from '../../composables/useDates.ts';
import { useRecord } from '../../composables/useRecord.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** What Fernbank said, held against what was found; and what it makes of that. */
const { percent } = useUnits();
const dates = useDates();
const settings = useSettings();
const notices = useNotices();
const { value, fault, load, toCome } = useRecord();

async function turn(on: boolean | null): Promise<void> {
  try {
    await settings.change({ correctsItself: on === true });
    notices.done(m.right.switched(on === true));
    await load();
  } catch (error) {
    notices.fault(error);
  }
}

/** Nobody says 83 %. */
const about = (share: number) => {
  const rounded = 5 * Math.round((100 * share) / 5);
  return rounded === 0 || rounded === 100 ? Math.round(100 * share) : rounded;
};
type Words = (typeof m.right.states)[ToldState];

/** One pot by itself shows nothing. */
const FEW = 3;
/** Of what it was surest, and of what it was least sure. */
function sentences({ rows }: Score, words: Words): string[] {
  const many = rows.filter(({ count }) => count >= FEW);
  const [first, last] = [many[0] ?? rows[0]!, many[many.length - 1] ?? rows[rows.length - 1]!];
  const shown = first === last ? [first] : [last, first];
  return shown.map(({ said, count, found }) =>
    m.right.said(about(said), count, Math.round(found), words),
  );
}
const SKILFUL = 0.05;
const skillOf = ({ skill, count }: Score) =>
  count < FEWEST_FINDINGS
    ? []
    : skill === null
      ? [m.right.alike]
      : [skill >= SKILFUL ? m.right.better(percent(skill)) : m.right.noBetter];

const EXAMPLES = [0.2, 0.8];
function correctionOf(state: ToldState, found: number): string {
  const { inForce, correctsItself } = value.value!;
  if (!correctsItself) return m.right.off;
  const by = inForce?.corrections[state];
  if (!by) return m.right.notYet(found, FEWEST_FINDINGS);
  const examples = EXAMPLES.map((said) =>
    m.right.example(percent(said), percent(correctedChance(said, by))),
  );
  return m.right.corrected(dates.day(inForce!.since), by.findings, examples.join(', '));
}

const cards = computed(() =>
  value.value!.states.map(({ state, score, misses }) => {
    const words: Words = m.right.states[state];
    return {
      state,
      words,
      score,
      lines: score ? [...sentences(score, words), ...skillOf(score)] : [m.right.none],
      misses: misses.map(({ label, miss }) =>
        m.right.errs(label, miss.found, miss.count, miss.said.toFixed(0), words),
      ),
      correction: correctionOf(state, score?.count ?? 0),
    };
  }),
);
const fullPots = computed(() => {
  const { sooner, asSaid, later } = value.value!.full;
  return sooner + asSaid + later;
});
const isCorrected = computed(() => {
  const { inForce } = value.value!;
  if (!inForce) return false;
  const { corrections, filling, use } = inForce;
  return filling !== null || use !== null || Object.keys(corrections).length > 0;
});
const anything = computed(() => {
  const { states, outcomes, dry, climbs } = value.value!;
  return fullPots.value > 0 || outcomes || dry || climbs || states.some(({ score }) => score);
});
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.right.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <p v-if="toCome !== null" class="quiet" role="status">{{ m.right.workingOut(toCome) }}</p>
    <template v-if="value">
      <p v-if="!anything" class="panel">{{ m.right.empty }}</p>
      <template v-else>
        <section class="panel stack answer">
          <p v-if="value.leaning.count > 0" class="lead serif">
            {{ m.right.leaned(value.leaning.right, value.leaning.count) }}
          </p>
          <p v-if="value.leaning.count > 0">{{ m.right.always(value.leaning.always) }}</p>
          <p v-if="isCorrected">{{ m.right.since(dates.day(value.inForce!.since)) }}</p>
          <p v-else-if="value.correctsItself">{{ m.right.notYetAtAll(FEWEST_FINDINGS) }}</p>
          <p v-else>{{ m.right.off }}</p>
          <p class="quiet small">{{ m.right.intro }}</p>
          <v-switch
            class="no-print"
            :model-value="value.correctsItself"
            :label="m.right.switch"
            :hint="m.right.switchWhy"
            persistent-hint
            color="primary"
            @update:model-value="turn"
          />
        </section>
        <div class="panels">
          <section v-for="card in cards" :key="card.state" class="panel stack">
            <h2>{{ card.words.title }}</h2>
            <p v-for="(line, i) in card.lines" :key="i" :class="i === 0 ? 'first' : ''">
              {{ line }}
            </p>
            <p v-for="miss in card.misses" :key="miss">{{ miss }}</p>
            <p class="quiet">{{ card.correction }}</p>
            <ScoreRows v-if="card.score" :score="card.score" />
          </section>
          <section v-if="value.outcomes" class="panel stack">
            <h2>{{ m.right.outcomes.title }}</h2>
            <p
              v-for="(line, i) in sentences(value.outcomes, m.right.outcomes)"
              :key="i"
              :class="i === 0 ? 'first' : ''"
            >
              {{ line }}
            </p>
            <p v-for="line in skillOf(value.outcomes)" :key="line">{{ line }}</p>
            <ScoreRows :score="value.outcomes" />
          </section>
          <section v-if="value.dry || value.use" class="panel stack">
            <h2>{{ m.right.dry }}</h2>
            <p v-if="value.dry" class="first">
              {{ m.right.drySaid(value.dry.count, value.dry.ratio) }}
            </p>
            <p v-if="value.use">
              {{ m.right.use(value.use.factor, value.use.findings) }}
              <template v-if="value.inForce?.use">{{ m.right.useApplied }}</template>
            </p>
          </section>
          <section v-if="fullPots > 0 || value.filling" class="panel stack">
            <h2>{{ m.right.full }}</h2>
            <p v-if="fullPots > 0" class="first">
              {{
                m.right.fullSaid(fullPots, value.full.asSaid, value.full.sooner, value.full.later)
              }}
            </p>
            <p v-if="value.filling">
              {{ m.right.filling(value.filling.factor, value.filling.findings) }}
              <template v-if="value.inForce?.filling">{{ m.right.fillingApplied }}</template>
            </p>
          </section>
          <section v-if="value.climbs" class="panel stack">
            <h2>{{ m.right.climbs }}</h2>
            <p class="first">
              {{
                m.right.climbsSaid(
                  value.climbs.count,
                  Math.round(value.climbs.close * value.climbs.count),
                  Math.round((value.climbs.held ?? 0) * value.climbs.count),
                )
              }}
            </p>
          </section>
        </div>
      </template>
      <section v-if="value.newest.length > 0" class="panel stack">
        <h2>{{ m.right.rests }}</h2>
        <div class="scroll">
          <table class="figures">
            <thead>
              <tr>
                <th>{{ m.right.date }}</th>
                <th>{{ m.right.plant }}</th>
                <th>{{ m.right.question }}</th>
                <th class="num">{{ m.right.saidBefore }}</th>
                <th>{{ m.right.found }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in value.newest" :key="`${one.plantId} ${one.date} ${one.state}`">
                <td>{{ dates.day(one.date) }}</td>
                <td>
                  <RouterLink :to="`/plants/${one.plantId}`">{{ one.plant }}</RouterLink>
                </td>
                <td>{{ m.right.states[one.state].one }}</td>
                <td class="num">{{ percent(one.said) }} %</td>
                <td>{{ one.found ? m.right.yes : m.right.no }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.lead {
  font-size: clamp(1.25rem, 1.05rem + 1vw, 1.6rem);
}
.first {
  font-size: 1.1rem;
}
</style>
