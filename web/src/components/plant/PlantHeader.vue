<script setup lang="ts">
import { rimCm } from '@fernbank/core';
import { computed } from 'vue';
import type { PlantFile } from '../../api/types.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import TabLinks from '../TabLinks.vue';

/** Whose page this is, with the ways to its other pages. */
const props = defineProps<{ file: PlantFile; at: 'life' | 'look' | 'verdict' | 'fit' }>();
const { length } = useUnits();
const pages = computed(() => {
  const own = `/plants/${props.file.plant.id}`;
  return [
    { to: own, word: m.nav.record, here: props.at === 'life' },
    { to: `${own}/look`, word: m.plant.look, here: props.at === 'look' },
    { to: `${own}/verdict`, word: m.plant.verdict, here: props.at === 'verdict' },
    { to: `${own}/fit`, word: m.nav.fit, here: props.at === 'fit' },
  ];
});
</script>

<template>
  <header class="head">
    <div>
      <!-- Of a verdict and a fit the answer is the title. -->
      <component :is="at === 'verdict' || at === 'fit' ? 'div' : 'h1'" class="serif name">{{
        file.plant.name
      }}</component>
      <div class="quiet">
        <template v-if="file.plant.taxon !== file.plant.name"
          ><span class="taxon">{{ file.plant.taxon }}</span> · </template
        >{{ file.spot.name }} · {{ length(rimCm(file.plant.pot)) }}
      </div>
    </div>
    <TabLinks :label="file.plant.name" :pages="pages" />
  </header>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: end;
  gap: 8px 20px;
  flex-wrap: wrap;
}
.name {
  font-size: 1.3rem;
}
</style>
