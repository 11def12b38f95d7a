<script setup lang="ts">
import { leadingReasons, newSupport, wantsPot, type AskedAnswer } from '@fernbank/core';
import { computed } from 'vue';
import { useHeadlineWords, whyThenOf } from '../../composables/headlineWords.ts';
import { usePotWords } from '../../composables/potWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import ThreePots from './ThreePots.vue';
import VerdictMark from '../verdict/VerdictMark.vue';
import YearStrip from '../verdict/YearStrip.vue';

/** Whether and when, into which pot, with what: one glance. */
const props = defineProps<{
  answer: AskedAnswer;
  /** of the plant: by it the drawing is always the same */
  name: string;
}>();
const { headlineLine } = useHeadlineWords();
const { potTitle, supportTitle, waterTitle, mixTitle } = usePotWords();
const { said } = useUnits();

const MOST_REASONS = 2;
const because = computed(() => {
  const { decision } = props.answer;
  // Of what nobody looked at there is nothing to reason from.
  if (decision.headline === 'lookFirst') return [];
  return leadingReasons(decision, MOST_REASONS).map(({ text }) => said(text));
});
const costs = computed(() => whyThenOf(props.answer.decision));
const wanted = computed(() => wantsPot({ decision: props.answer.decision, overrule: null }));
const pot = computed(() => {
  const { fit } = props.answer;
  const told = [potTitle(fit.rung), waterTitle(fit.rung), supportTitle(newSupport(fit))];
  return told.filter(Boolean).join(', ');
});
const mix = computed(() => mixTitle(props.answer.batch));
</script>

<template>
  <div class="stack">
    <VerdictMark :headline="answer.decision.headline" large />
    <h2 class="sentence">{{ headlineLine(answer.decision) }}</h2>
    <p v-if="because.length > 0">{{ m.ask.because }} {{ because.join('; ') }}.</p>
    <p v-if="costs">{{ costs }}</p>
    <YearStrip
      v-if="answer.decision.window"
      :decision="answer.decision"
      :date="answer.fit.subject.situation.date"
    />
    <ThreePots :fit="answer.fit" :name="name" />
    <dl>
      <div>
        <dt class="quiet small">{{ wanted ? m.ask.pot : m.ask.potThen }}</dt>
        <dd>
          <strong>{{ pot }}</strong>
          <span v-if="answer.fit.rung" class="quiet">{{ said(answer.fit.rung.because) }}</span>
        </dd>
      </div>
      <div>
        <dt class="quiet small">{{ m.ask.mix }}</dt>
        <dd>
          <strong>{{ mix || m.ask.noMix }}</strong>
        </dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
h2 {
  font-size: clamp(1.3rem, 1.1rem + 1vw, 1.8rem);
}
dl {
  display: grid;
  gap: 10px;
}
dd {
  display: grid;
  margin: 0;
}
@media (min-width: 960px) {
  dl {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
