<script setup lang="ts">
import {
  daysBetween,
  headlineOf,
  leadingReasons,
  mondayOf,
  signal,
  wantsPot,
  WEEKS_OF_GROWTH,
  type Decision,
  type SignalValue,
  type Situation,
} from '@fernbank/core';
import { computed, defineAsyncComponent, shallowRef } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client.ts';
import CausesPanel from '../../components/verdict/CausesPanel.vue';
import FetchState from '../../components/FetchState.vue';
import LesserActs from '../../components/verdict/LesserActs.vue';
import NextStop from '../../components/look/NextStop.vue';
import OverrulePanel from '../../components/verdict/OverrulePanel.vue';
import PlantHeader from '../../components/plant/PlantHeader.vue';
import ReasonList from '../../components/verdict/ReasonList.vue';
import VerdictMark from '../../components/verdict/VerdictMark.vue';
import WhatIf from '../../components/verdict/WhatIf.vue';
import { useHeadlineWords } from '../../composables/headlineWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { weeksFigure } from '../../messages/cost.ts';
import { m } from '../../messages/index.ts';

// Chart.js is only fetched where a chart is drawn.
const CostCurves = defineAsyncComponent(() => import('../../components/verdict/CostCurves.vue'));

const route = useRoute();
const {
  value: file,
  fault,
  load,
} = useLoaded(() => api(`/plants/${String(route.params.id)}/file`));
const { day, full } = useDates();
const { months, percent, said } = useUnits();

/** Reached from a look: the walk goes on from here. */
const looked = history.state?.looked === true;
/** A what-if that is being asked stands in place of today's verdict until it is taken back. */
const asked = shallowRef<{ decision: Decision; situation: Situation } | null>(null);
/** The keeper's own word stands before the verdict, as long as it is in force. */
const ownWord = computed(() => (asked.value ? null : (file.value?.overrule ?? null)));
const decision = computed(() => asked.value?.decision ?? file.value?.decision);
const situation = computed(() => asked.value?.situation ?? file.value?.situation);
function showWhatIf(judged: Decision | null, then: Situation | null): void {
  asked.value = judged && then ? { decision: judged, situation: then } : null;
}
const { headlineLine } = useHeadlineWords();
const headline = computed(() => (decision.value ? headlineLine(decision.value) : ''));
const ranked = computed(
  () => decision.value?.reasons.filter(({ signal: id }) => id !== 'baseRate') ?? [],
);
const speaksFor = computed(() => ranked.value.filter(({ logOdds }) => logOdds > 0));
const speaksAgainst = computed(() => ranked.value.filter(({ logOdds }) => logOdds < 0));
const worthLooking = computed(
  () => decision.value?.notLooked.filter(({ worth }) => worth >= 0.005).slice(0, 5) ?? [],
);
const monday = computed(() => mondayOf(situation.value!.date));
const best = computed(() => {
  const d = decision.value;
  if (!d?.week || !file.value) return null;
  return Math.min(51, Math.max(0, Math.round(daysBetween(monday.value, d.week) / 7)));
});

const whyThen = computed(() => {
  const d = decision.value;
  if (d?.headline !== 'repotInWindow' || best.value === null) return '';
  const { disturbing, waiting } = d.curves;
  return m.verdictPage.whyThen(disturbing[0]!, disturbing[best.value]!, waiting[best.value]!);
});
/** Where the verdict asks for another pot, that is the way on; else the look is. */
const ways = computed(() => {
  const d = decision.value;
  const own = `/plants/${file.value?.plant.id}`;
  const pot = d !== undefined && wantsPot({ decision: d, overrule: ownWord.value });
  const first = d?.headline !== 'refresh';
  const fit = { to: `${own}/fit`, word: m.verdictPage.plan, first: first && pot };
  const look = { to: `${own}/look`, word: m.verdictPage.lookAgain, first: first && !pot };
  return pot ? [fit, look] : [look, fit];
});
/** The middle two thirds of what the roots may have explored by now. */
const rootsBand = ({ explored, sd }: { explored: number; sd: number }) =>
  m.verdictPage.rootsBand(
    Math.round(100 * Math.max(0, explored - sd)),
    Math.round(100 * Math.min(1, explored + sd)),
  );
/** A smaller chance of losing it is not worth a word. */
const TOLD_RISK = 0.1;
const chanceWord = (share: number) => m.verdictPage.share(5 * Math.round(20 * share));
/** What was not seen yet and would turn it; that a finding could have been another one is no news. */
const firstTurn = computed(
  () => decision.value?.turningPoint.find(({ from }) => from === null) ?? null,
);
const shareWord = (share: number) =>
  share < 0.005
    ? m.verdictPage.under1
    : share > 0.995
      ? m.verdictPage.over99
      : m.verdictPage.share(percent(share));
/** A finding that speaks of two states is one reason in a sentence. */
const leading = computed(() => {
  const d = decision.value;
  if (d?.headline === 'troubleshootFirst') {
    const because = d.troubleshoot!.causes[0]!.because.filter(({ weight }) => weight > 0);
    return because.map(({ text }) => text).slice(0, 3);
  }
  return leadingReasons(d!, 3).map(({ text }) => said(text));
});
const labelOf = (id: string) => signal(id).label.toLowerCase();
function valueLabel(id: string, value: SignalValue): string {
  const definition = signal(id);
  if (definition.kind === 'share') return m.verdictPage.share(percent(Number(value)));
  return definition.choices.find((choice) => choice.value === value)?.label ?? String(value);
}
const schoolLine = (verdict: keyof typeof m.verdict, week: string | null) =>
  verdict === 'repotInWeek' && week ? m.headlineLine.repotInWeek(day(week)) : m.verdict[verdict];
const monthsOf = (count: number | null) =>
  count === null ? m.verdictPage.noAgeing : m.verdictPage.months(months(count)!);
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file && decision">
      <PlantHeader :file="file" at="verdict" />
      <section class="panel answer">
        <div class="row">
          <VerdictMark :headline="decision.headline" large />
          <VerdictMark v-if="ownWord" headline="leave" overruled large />
        </div>
        <p v-if="asked" class="whatif" role="status">{{ m.whatIf.shown }}</p>
        <template v-if="ownWord">
          <h1>{{ m.overrule.inForce[ownWord.instead](full(ownWord.until)) }}</h1>
          <p class="lead">{{ m.overrule.yours(ownWord.reason) }}</p>
          <p class="lead">{{ m.overrule.otherwise(headline) }}</p>
        </template>
        <h1 v-else>{{ headline }}</h1>
        <p v-if="decision.headline === 'unpotAndLook'" class="lead">
          {{ said(decision.unpot!.because) }}. {{ m.verdictPage.lookFor }}:
          {{ decision.unpot!.lookFor.map(labelOf).join(', ') }}.
        </p>
        <p
          v-if="decision.headline === 'troubleshootFirst' && decision.troubleshoot?.check"
          class="lead"
        >
          {{ m.causes.check }}: {{ decision.troubleshoot.check.text }}
        </p>
        <p v-if="leading.length > 0 && decision.headline !== 'lookFirst'" class="lead">
          {{ m.verdictPage.because }}
          {{ leading.join('; ') }}.
        </p>
        <p v-if="whyThen" class="lead">{{ whyThen }}</p>
        <p v-if="decision.lossRisk >= TOLD_RISK" class="lead">
          {{ m.verdictPage.lossRisk(chanceWord(decision.lossRisk)) }}
        </p>
        <p v-if="firstTurn && decision.headline !== 'troubleshootFirst'" class="lead">
          {{
            m.verdictPage.changes(
              labelOf(firstTurn.signal),
              valueLabel(firstTurn.signal, firstTurn.to),
            )
          }}
        </p>
        <LesserActs
          v-if="decision.now.length > 0"
          :plant-id="file.plant.id"
          :acts="decision.now"
          :first="decision.headline === 'refresh'"
          :asked="asked !== null"
          :changed="load"
        />
        <ul v-if="decision.alongside.length > 0" class="acts">
          <li v-for="{ act, text } in decision.alongside" :key="act">
            <strong>{{ m.verdictPage.alongside }}:</strong> {{ said(text) }}
          </li>
        </ul>
        <p v-for="text in decision.contradictions" :key="text" class="contradiction" role="note">
          <strong>{{ m.verdictPage.contradiction }}:</strong> {{ said(text) }}
        </p>
        <div class="row">
          <v-btn
            v-for="way in ways"
            :key="way.to"
            color="primary"
            :variant="way.first ? 'flat' : 'outlined'"
            :to="way.to"
            min-height="48"
            >{{ way.word }}</v-btn
          >
        </div>
      </section>

      <NextStop v-if="looked" :plant-id="file.plant.id" />

      <WhatIf
        :situation="file.situation"
        :own="file.decision.school"
        :headline="headline"
        @judged="showWhatIf"
      />

      <div class="two">
        <section class="panel">
          <h2>{{ m.verdictPage.states }}</h2>
          <dl class="states">
            <div v-for="(share, state) in decision.states" :key="state">
              <dt>{{ m.state[state] }}</dt>
              <dd>
                <span class="meter"><span :style="{ width: `${share * 100}%` }" /></span>
                <span class="figure">{{ shareWord(share) }}</span>
              </dd>
            </div>
          </dl>
          <h2 class="mt-4">{{ m.verdictPage.timing }}</h2>
          <ul class="factors">
            <li v-for="factor in decision.readiness" :key="factor.factor" :class="factor.sense">
              {{ factor.date ? `${factor.text} ${day(factor.date)}` : factor.text }}
            </li>
          </ul>
        </section>
        <section class="panel">
          <h2>{{ m.verdictPage.curves }}</h2>
          <CostCurves
            :from="monday"
            :disturbing="decision.curves.disturbing"
            :waiting="decision.curves.waiting"
            :best="best"
          />
          <p class="quiet">{{ m.verdictPage.curveUnit(WEEKS_OF_GROWTH) }}</p>
          <details>
            <summary>{{ m.verdictPage.curveTable }}</summary>
            <div class="scroll">
              <table class="figures">
                <thead>
                  <tr>
                    <th>{{ m.verdictPage.week }}</th>
                    <th class="num">{{ m.verdictPage.curveDisturbing }}</th>
                    <th class="num">{{ m.verdictPage.curveWaiting }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="week in decision.curves.weeks" :key="week">
                    <td>{{ week }}</td>
                    <td class="num">
                      {{ weeksFigure(decision.curves.disturbing[week]!) }}
                    </td>
                    <td class="num">{{ weeksFigure(decision.curves.waiting[week]!) }}</td>
                  </tr>
                </tbody>
              </table>
            </div>
          </details>
        </section>
      </div>

      <CausesPanel v-if="decision.troubleshoot" :troubleshoot="decision.troubleshoot" />

      <section class="panel">
        <h2>{{ m.verdictPage.because }}</h2>
        <ReasonList :reasons="speaksFor" />
        <template v-if="speaksAgainst.length > 0">
          <h3 class="mt-3">{{ m.verdictPage.against }}</h3>
          <ReasonList :reasons="speaksAgainst" />
        </template>
        <p class="quiet mt-2">{{ m.verdictPage.barScale }} {{ m.verdictPage.sources }}</p>
      </section>

      <div class="two">
        <section class="panel">
          <h2>{{ m.verdictPage.turning }}</h2>
          <ul v-if="decision.turningPoint.length > 0">
            <li v-for="turn in decision.turningPoint" :key="turn.signal">
              {{
                m.verdictPage.turningLine(
                  labelOf(turn.signal),
                  valueLabel(turn.signal, turn.to),
                  '',
                )
              }}
              <VerdictMark :headline="headlineOf(turn.verdict)" />
            </li>
          </ul>
          <p v-else class="quiet">{{ m.verdictPage.turningNone }}</p>
          <h2 class="mt-4">{{ m.verdictPage.notLooked }}</h2>
          <template v-if="worthLooking.length > 0">
            <p class="quiet">{{ m.verdictPage.notLookedIntro }}</p>
            <ol class="looks">
              <li v-for="look in worthLooking" :key="look.signal">
                {{ signal(look.signal).label }}
                <span class="quiet">({{ m.verdictPage.worth(look.worth) }})</span>
              </li>
            </ol>
          </template>
          <p v-else class="quiet">{{ m.verdictPage.worthNothing }}</p>
        </section>
        <section class="panel">
          <h2>{{ m.verdictPage.schools }}</h2>
          <table class="figures">
            <tbody>
              <tr v-for="school in decision.schools" :key="school.school">
                <td>
                  {{ school.label }}
                  <strong v-if="school.school === decision.school">
                    ({{ m.verdictPage.schoolYours }})</strong
                  >
                </td>
                <td>{{ schoolLine(school.verdict, school.week) }}</td>
              </tr>
            </tbody>
          </table>
          <h3 class="mt-3">{{ m.verdictPage.oldMedium }}</h3>
          <table class="figures">
            <tbody>
              <tr v-for="school in decision.oldMediumSchools" :key="school.school">
                <td>
                  {{ school.label }}
                  <strong v-if="school.school === situation!.schools?.oldMedium">
                    ({{ m.verdictPage.schoolYours }})</strong
                  >
                </td>
                <td>{{ schoolLine(school.verdict, school.week) }}</td>
              </tr>
            </tbody>
          </table>
          <h2 class="mt-4">{{ m.verdictPage.numbers }}</h2>
          <table class="figures">
            <tbody>
              <tr>
                <td>{{ m.verdictPage.monthsInPot }}</td>
                <td class="num">
                  {{
                    decision.monthsInPot === null ? m.app.unknown : monthsOf(decision.monthsInPot)
                  }}
                </td>
              </tr>
              <tr>
                <td>{{ m.verdictPage.monthsToFill }}</td>
                <td class="num">{{ monthsOf(decision.monthsToFill) }}</td>
              </tr>
              <tr>
                <td>{{ m.verdictPage.mediumLife }}</td>
                <td class="num">{{ monthsOf(decision.medium.lifeMonths) }}</td>
              </tr>
              <tr>
                <td>{{ m.verdictPage.freshAir }}</td>
                <td class="num">{{ m.verdictPage.share(percent(decision.medium.freshAir)) }}</td>
              </tr>
              <tr>
                <td>{{ m.verdictPage.cycle }}</td>
                <td class="num">{{ monthsOf(decision.freshCycleMonths) }}</td>
              </tr>
              <tr v-if="decision.roots">
                <td>{{ m.verdictPage.roots }}</td>
                <td class="num">{{ rootsBand(decision.roots) }}</td>
              </tr>
              <tr v-if="decision.headline !== 'lookFirst'">
                <td>{{ m.verdictPage.worthNow }}</td>
                <td class="num">{{ m.verdictPage.worthOf(decision.lookWorth.worth) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
      <OverrulePanel :file="file" @changed="load" />
    </template>
  </div>
</template>

<style scoped>
.answer {
  display: grid;
  gap: 10px;
}
.lead {
  font-size: 1.06rem;
  max-width: 75ch;
}
.acts {
  padding-left: 20px;
}
.whatif {
  font-weight: 700;
  color: rgb(var(--v-theme-water));
}
.contradiction {
  border-left: 4px solid rgb(var(--v-theme-warning));
  padding: 4px 12px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 14px;
  align-items: start;
}
.states > div {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 12px;
  padding: 5px 0;
  align-items: center;
}
.states dd {
  display: flex;
  gap: 8px;
  align-items: center;
}
.meter {
  flex: 1;
  height: 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  overflow: hidden;
}
.meter span {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
}
.figure {
  width: 3.4em;
  text-align: right;
}
.factors {
  list-style: none;
  padding: 0;
}
.factors li {
  padding: 3px 0 3px 22px;
  position: relative;
}
.factors li::before {
  position: absolute;
  left: 2px;
  font-weight: 700;
  content: '·';
}
.factors .good::before {
  content: '+';
  color: rgb(var(--v-theme-success));
}
.factors .poor::before {
  content: '−';
  color: rgb(var(--v-theme-error));
}
.looks,
.panel > ul {
  padding-left: 20px;
}
.scroll {
  max-height: 280px;
  overflow: auto;
}
@media (max-width: 640px) {
  .states > div {
    grid-template-columns: minmax(0, 1fr) 130px;
  }
}
</style>
