<script setup lang="ts">
import {
  SIZE_SCHOOLS,
  type Ladder,
  type PotOption,
  type Rung,
  type SizeSchool,
} from '@fernbank/core';
import { computed, nextTick, ref, watch } from 'vue';
import { useFigureWords } from '../composables/figureWords.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import type { CutawaySubject } from './cutaway/scene.ts';
import PotCutaway from './cutaway/PotCutaway.vue';

/** Pots side by side at one scale, with what each would mean and why it loses. */
const props = defineProps<{
  ladder: Ladder;
  choice: Rung | null;
  subjectOf: (rung: Rung) => CutawaySubject;
  freeOnShelf: (option: PotOption) => number;
  pxPerCm: number;
}>();
const school = defineModel<SizeSchool>('school', { required: true });
defineEmits<{ pick: [id: string] }>();

const { volume, weight } = useUnits();
const { crowdedWord, mediumWord, days, degrees } = useFigureWords();
const schools = Object.entries(SIZE_SCHOOLS).map(([value, { label }]) => ({ value, label }));

const NEIGHBOURS = 3;
/** Rungs worth drawing: the choice, its neighbours and what is on the shelf; the table has all. */
const drawn = computed(() => {
  const { rungs } = props.ladder;
  const at = rungs.findIndex((rung) => rung === props.choice);
  return rungs.filter((rung, i) => rung.option.owned || at < 0 || Math.abs(i - at) <= NEIGHBOURS);
});

/** The chosen pot is the one to see first, also where the ladder is wider than the screen. */
const list = ref<HTMLElement>();
watch(
  () => props.choice?.option.id,
  async () => {
    await nextTick();
    const chosen = list.value?.querySelector<HTMLElement>('.chosen');
    if (list.value && chosen) {
      list.value.scrollLeft =
        chosen.offsetLeft -
        list.value.offsetLeft -
        (list.value.clientWidth - chosen.clientWidth) / 2;
    }
  },
  { immediate: true },
);
</script>

<template>
  <section class="panel">
    <div class="row spread">
      <h2>{{ m.fit.ladder }}</h2>
      <v-btn-toggle v-model="school" mandatory :aria-label="m.fit.school">
        <v-btn v-for="s in schools" :key="s.value" :value="s.value">{{ s.label }}</v-btn>
      </v-btn-toggle>
    </div>
    <p class="quiet">{{ m.fit.ladderIntro }}</p>
    <ol ref="list" class="ladder" tabindex="0" :aria-label="m.fit.ladder">
      <li v-for="rung in drawn" :key="rung.option.id" :class="{ chosen: rung === choice }">
        <PotCutaway :subject="subjectOf(rung)" :px-per-cm="pxPerCm" :crown-cm="0" />
        <strong>{{ rung.option.label }}</strong>
        <span class="quiet">{{
          rung.option.owned ? m.fit.shelf(freeOnShelf(rung.option)) : m.fit.buy
        }}</span>
        <span>{{ volume(rung.fillL) }}</span>
        <span>{{ m.fit.crowded }} {{ crowdedWord(rung.monthsToCrowded) }}</span>
        <span>{{ m.fit.dryShort(days(rung.daysToDryInGrowth), days(rung.daysToDryAtRest)) }}</span>
        <span>{{ m.fit.tip }} {{ degrees(rung.stance.tipAngleDryDeg) }}</span>
        <span class="why">{{ rung.because }}</span>
        <strong v-if="rung === choice" class="pickmark">✓ {{ m.fit.chosen }}</strong>
        <v-btn
          v-else
          variant="outlined"
          min-height="48"
          :aria-label="`${m.fit.choose1}: ${rung.option.label}`"
          @click="$emit('pick', rung.option.id)"
        >
          {{ m.fit.choose1 }}
        </v-btn>
      </li>
    </ol>
    <details>
      <summary>{{ m.fit.table }}</summary>
      <div class="scroll" tabindex="0" :aria-label="m.fit.table" role="region">
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.fit.pot }}</th>
              <th class="num">{{ m.fit.newMedium }}</th>
              <th class="num">{{ m.fit.crowded }}</th>
              <th class="num">{{ m.fit.medium }}</th>
              <th class="num">{{ m.fit.dry }}</th>
              <th class="num">{{ m.fit.tip }}</th>
              <th class="num">{{ m.fit.weight }}</th>
              <th>{{ m.fit.why }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="rung in ladder.rungs" :key="rung.option.id">
              <td>{{ rung.option.label }}</td>
              <td class="num">{{ volume(rung.newMediumL) }}</td>
              <td class="num">{{ crowdedWord(rung.monthsToCrowded) }}</td>
              <td class="num">{{ mediumWord(rung.mediumMonths) }}</td>
              <td class="num">
                {{ m.fit.dryValue(days(rung.daysToDryInGrowth), days(rung.daysToDryAtRest)) }}
              </td>
              <td class="num">{{ degrees(rung.stance.tipAngleDryDeg) }}</td>
              <td class="num">{{ weight(rung.stance.wetKg) }}</td>
              <td>{{ m.fit.verdictName[rung.verdict] }}: {{ rung.because }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </section>
</template>

<style scoped>
.ladder {
  list-style: none;
  padding: 6px 0 10px;
  display: flex;
  gap: 12px;
  overflow-x: auto;
  align-items: stretch;
}
.ladder li {
  flex: 0 0 176px;
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 10px;
  border: 2px solid rgb(var(--v-theme-on-surface), 0.14);
  border-radius: 10px;
  font-size: 0.92rem;
}
.ladder li.chosen {
  border-color: rgb(var(--v-theme-primary));
}
.ladder li > svg {
  align-self: center;
  margin-top: auto;
}
.why {
  color: rgb(var(--v-theme-on-surface), 0.76);
  min-height: 7.2em;
}
.pickmark {
  color: rgb(var(--v-theme-primary));
  min-height: 48px;
  display: flex;
  align-items: center;
  justify-content: center;
}
.scroll {
  overflow-x: auto;
}
</style>
