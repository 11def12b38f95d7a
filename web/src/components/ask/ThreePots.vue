<script setup lang="ts">
import type { Fit } from '@fernbank/core';
import { computed } from 'vue';
import { outlineScale } from '../../composables/outlineScale.ts';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import PlantOutline from '../cutaway/PlantOutline.vue';

/** The pot that is advised between the next smaller and the next larger, at one scale. */
const props = defineProps<{ fit: Fit; name: string }>();
const { crowdedWord, dryShort } = useFigureWords();
const { length } = useUnits();

/** A pot is another size from so many times its litres on. */
const ANOTHER = 1.15;
const three = computed(() => {
  const { rung, ladder, subject } = props.fit;
  if (!rung) return [];
  const { traits } = subject.situation;
  const bySize = [...ladder.rungs].sort((a, b) => a.fillL - b.fillL);
  const smaller = bySize.findLast(({ fillL }) => fillL * ANOTHER <= rung.fillL);
  const larger = bySize.find(({ fillL }) => fillL >= rung.fillL * ANOTHER);
  return [smaller, rung, larger]
    .filter((one) => one !== undefined)
    .map((one) => ({
      id: one.option.id,
      advised: one === rung,
      width: length(one.rimCm),
      words: [m.ask.crowded(crowdedWord(one.monthsToCrowded)), dryShort(one)],
      drawn: {
        name: props.name,
        pot: one.option.outside,
        potMaterial: one.option.material,
        heightCm: subject.heightCm,
        growthForm: traits.growthForm,
        supportCm: null,
        together: 1,
      },
    }));
});
const TALL_PX = 64;
const scale = computed(() =>
  outlineScale(
    three.value.map(({ drawn }) => drawn),
    TALL_PX,
  ),
);
</script>

<template>
  <ol v-if="three.length > 1" class="bare three" :aria-label="m.ask.threePots">
    <li v-for="pot in three" :key="pot.id" :class="{ advised: pot.advised }">
      <span class="drawn"><PlantOutline :subject="pot.drawn" v-bind="scale" /></span>
      <strong
        >{{ pot.width }}<span v-if="pot.advised"> · {{ m.ask.advised }}</span></strong
      >
      <span v-for="word in pot.words" :key="word" class="quiet small">{{ word }}</span>
    </li>
  </ol>
</template>

<style scoped>
.three {
  display: flex;
  gap: 8px;
  list-style: none;
  padding: 0;
}
.three li {
  flex: 1;
  min-width: 0;
  display: grid;
  justify-items: center;
  align-content: start;
  text-align: center;
  padding: 6px 4px;
  border-bottom: 3px solid transparent;
}
.three .advised {
  border-bottom-color: rgb(var(--v-theme-primary));
}
.drawn {
  height: 72px;
  display: flex;
  align-items: flex-end;
}
</style>
