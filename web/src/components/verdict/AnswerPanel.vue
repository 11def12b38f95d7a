<script setup lang="ts">
import { leadingReasons, wantsPot, type Decision, type IsoDate } from '@fernbank/core';
import { computed } from 'vue';
import type { PlantFile } from '../../api/types.ts';
import { answerWord, questionWord } from '../../composables/findingWords.ts';
import { useHeadlineWords, whyThenOf } from '../../composables/headlineWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import LesserActs from './LesserActs.vue';
import VerdictMark from './VerdictMark.vue';
import YearStrip from './YearStrip.vue';

/** The answer: what to do and when, why, what would change it, and the ways on from here. */
const props = defineProps<{
  file: PlantFile;
  decision: Decision;
  /** a what-if stands in place of today's verdict */
  asked: boolean;
  /** today, or the day that is asked about */
  date: IsoDate;
  /** something of the plant was changed */
  changed: () => Promise<void>;
}>();
const { full } = useDates();
const { said } = useUnits();
const { headlineLine } = useHeadlineWords();

/** The keeper's own word stands before the verdict, as long as it is in force. */
const ownWord = computed(() => (props.asked ? null : props.file.overrule));
const headline = computed(() => headlineLine(props.decision));
const whyThen = computed(() => whyThenOf(props.decision));
/** Where the verdict asks for another pot, that is the way on; else the look is. */
const ways = computed(() => {
  const own = `/plants/${props.file.plant.id}`;
  const pot = wantsPot({ decision: props.decision, overrule: ownWord.value });
  const first = props.decision.headline !== 'refresh';
  const fit = { to: `${own}/fit`, word: m.verdictPage.plan, first: first && pot };
  const seen = props.file.situation.lookedOn !== undefined;
  const again = seen ? m.verdictPage.lookAgain : m.verdictPage.look;
  const word = props.decision.headline === 'unpotAndLook' ? m.verdictPage.lookOut : again;
  const look = { to: `${own}/look`, word, first: first && !pot };
  return pot ? [fit, look] : [look, fit];
});
/** A smaller chance of losing it is not worth a word. */
const TOLD_RISK = 0.1;
const chanceWord = (share: number) => m.verdictPage.share(5 * Math.round(20 * share));
/** What was not seen yet and would turn it; that a finding could have been another one is no news. */
const firstTurn = computed(
  () => props.decision.turningPoint.find(({ from }) => from === null) ?? null,
);
/** A finding that speaks of two states is one reason in a sentence. */
const leading = computed(() => {
  const { headline: kind, troubleshoot } = props.decision;
  if (kind === 'troubleshootFirst') {
    const because = troubleshoot!.causes[0]!.because.filter(({ weight }) => weight > 0);
    return because.map(({ text }) => text).slice(0, 3);
  }
  return leadingReasons(props.decision, 3).map(({ text }) => said(text));
});
</script>

<template>
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
      {{ decision.unpot!.lookFor.map(questionWord).join(', ') }}.
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
    <YearStrip v-if="decision.window" :decision="decision" :date="date" />
    <p v-if="decision.lossRisk >= TOLD_RISK" class="lead">
      {{ m.verdictPage.lossRisk(chanceWord(decision.lossRisk)) }}
    </p>
    <p v-if="firstTurn && decision.headline !== 'troubleshootFirst'" class="lead">
      {{
        m.verdictPage.changes(
          questionWord(firstTurn.signal),
          answerWord(firstTurn.signal, firstTurn.to),
        )
      }}
    </p>
    <LesserActs
      v-if="decision.now.length > 0"
      :plant-id="file.plant.id"
      :acts="decision.now"
      :first="decision.headline === 'refresh'"
      :asked="asked"
      :changed="changed"
    />
    <ul v-if="decision.alongside.length > 0" class="acts">
      <li v-for="{ act, text } in decision.alongside" :key="act">
        <strong>{{ m.verdictPage.alongside }}:</strong> {{ said(text) }}.
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
        >{{ way.word }}</v-btn
      >
    </div>
  </section>
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
</style>
