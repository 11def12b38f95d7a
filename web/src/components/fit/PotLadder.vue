<script setup lang="ts">
import {
  containerClass,
  brimfulL,
  type Ladder,
  type PotOption,
  type Rung,
  type Schools,
} from '@fernbank/core';
import { useIntersectionObserver } from '@vueuse/core';
import { computed, nextTick, reactive, ref, watch } from 'vue';
import { useFigureWords } from '../../composables/figureWords.ts';
import { sizeSchools } from '../../composables/useFit.ts';
import { useBuying } from '../../composables/useBuying.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import type { CutawaySubject } from '../cutaway/scene.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';

/** Pots side by side at one scale, with what each would mean and why it loses. */
const props = defineProps<{
  ladder: Ladder;
  choice: Rung | null;
  subjectOf: (rung: Rung) => CutawaySubject;
  freeOnShelf: (option: PotOption) => number;
  /** pots that other plants are settled on, in words; empty: none */
  promised: string;
  pxPerCm: number;
  /** ids of the pots that are compared */
  compared: readonly string[];
}>();
const school = defineModel<Schools['size']>('school', { required: true });
defineEmits<{ pick: [id: string]; compare: [id: string] }>();

const { us, volume, weight, length, said } = useUnits();
const { crowdedWord, crowdedBand, mediumWord, dryShort, dryWord, degrees } = useFigureWords();

const { toBuy } = useBuying();

const NEIGHBOURS = 3;
/** Rungs worth drawing: the choice, its neighbours and what is owned; the table has all. */
const drawn = computed(() => {
  const { rungs } = props.ladder;
  const at = rungs.findIndex((rung) => rung === props.choice);
  return rungs.filter(
    (rung, i) => rung.option.source !== 'toBuy' || at < 0 || Math.abs(i - at) <= NEIGHBOURS,
  );
});
/** Cut open and filled with grains it is costly to draw: a pot is drawn when it comes into sight. */
const items = ref<HTMLElement[]>([]);
const seen = reactive(new Set<string>());
useIntersectionObserver(
  items,
  (entries) => {
    for (const { isIntersecting, target } of entries) {
      if (isIntersecting) seen.add((target as HTMLElement).dataset.rung!);
    }
  },
  { rootMargin: '200px' },
);
/** Of their drawings, px: none moves the others when it comes. */
const tallestPx = computed(
  () =>
    props.pxPerCm *
    Math.max(
      ...drawn.value.map(
        ({ option, mound }) => option.outside.heightCm + (mound?.heightCm ?? 0) + 2,
      ),
    ),
);
function sourceWord(option: PotOption): string {
  if (option.source === 'free') return m.fit.shelf(props.freeOnShelf(option));
  return option.source === 'toBuy' ? toBuy.value : m.fit.source[option.source];
}
/** What a buyer in inches and gallons would ask for. */
const classOf = (rung: Rung) => (us.value ? containerClass(brimfulL(rung.inside)) : null);

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
        <v-btn v-for="s in sizeSchools" :key="s.value" :value="s.value">{{ s.label }}</v-btn>
      </v-btn-toggle>
    </div>
    <slot />
    <p class="quiet">{{ m.fit.ladderIntro }}</p>
    <ol ref="list" class="ladder" tabindex="0" :aria-label="m.fit.ladder">
      <li
        v-for="rung in drawn"
        :key="rung.option.id"
        ref="items"
        :data-rung="rung.option.id"
        :class="{ chosen: rung === choice }"
      >
        <div class="drawing" :style="{ minHeight: `${tallestPx}px` }">
          <PotCutaway
            v-if="seen.has(rung.option.id)"
            :subject="subjectOf(rung)"
            :px-per-cm="pxPerCm"
            :crown-cm="0"
          />
        </div>
        <strong>{{ said(rung.option.label) }}</strong>
        <span class="quiet">{{ sourceWord(rung.option) }}</span>
        <span
          >{{ length(rung.rimCm) }} · {{ volume(rung.fillL)
          }}<template v-if="classOf(rung)"> · {{ classOf(rung) }}</template></span
        >
        <span>{{ m.fit.crowded }} {{ crowdedBand(rung) }}</span>
        <span>{{ dryShort(rung) }}</span>
        <span>{{ m.fit.tip }} {{ degrees(rung.stance.tipAngleDryDeg) }}</span>
        <span class="why">{{ said(rung.because) }}</span>
        <strong v-if="rung === choice" class="pickmark">✓ {{ m.fit.chosen }}</strong>
        <v-btn
          v-else
          variant="outlined"
          :aria-label="`${m.fit.choose1}: ${said(rung.option.label)}`"
          @click="$emit('pick', rung.option.id)"
        >
          {{ m.fit.choose1 }}
        </v-btn>
        <v-btn
          variant="text"
          :aria-pressed="compared.includes(rung.option.id)"
          :aria-label="`${m.fit.compareThis}: ${said(rung.option.label)}`"
          @click="$emit('compare', rung.option.id)"
        >
          {{ compared.includes(rung.option.id) ? m.fit.compared : m.fit.compareThis }}
        </v-btn>
      </li>
    </ol>
    <p v-if="promised" class="quiet">{{ promised }}</p>
    <details>
      <summary>{{ m.fit.table }}</summary>
      <div class="scroll" tabindex="0" :aria-label="m.fit.table" role="region">
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.fit.pot }}</th>
              <th>{{ m.fit.from }}</th>
              <th class="num">{{ m.fit.newMedium }}</th>
              <th class="num">{{ m.fit.crowded }}</th>
              <th class="num">{{ m.fit.medium }}</th>
              <th class="num">{{ m.fit.dry }}</th>
              <th class="num">{{ m.fit.tip }}</th>
              <th class="num">{{ m.fit.weight }}</th>
              <th class="num">{{ m.fit.height }}</th>
              <th>{{ m.fit.coverPot }}</th>
              <th>{{ m.fit.why }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="rung in ladder.rungs" :key="rung.option.id">
              <td>{{ said(rung.option.label) }}</td>
              <td>{{ sourceWord(rung.option) }}</td>
              <td class="num">{{ volume(rung.newMediumL) }}</td>
              <td class="num">{{ crowdedWord(rung.monthsToCrowded) }}</td>
              <td class="num">{{ mediumWord(rung.mediumMonths) }}</td>
              <td class="num">
                {{ dryWord(rung) }}
              </td>
              <td class="num">
                {{
                  m.fit.tipValue(
                    degrees(rung.stance.tipAngleDryDeg),
                    degrees(rung.stance.tipAngleWetDeg),
                  )
                }}
              </td>
              <td class="num">{{ weight(rung.stance.wetKg) }}</td>
              <td class="num">{{ length(rung.stance.topCm) }}</td>
              <td>{{ rung.covers.map(({ label }) => label).join(', ') || m.fit.noCover }}</td>
              <td>{{ m.fit.verdictName[rung.verdict] }}: {{ said(rung.because) }}</td>
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
  flex: 0 0 184px;
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
.drawing {
  display: flex;
  align-items: end;
  justify-content: center;
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
</style>
