<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import { resolveTaxon, rimCm, taxonOfGroup } from '@fernbank/core';
import { computed, ref } from 'vue';
import { apiAll } from '../../api/client.ts';
import type { Plant } from '../../api/types.ts';
import type { OutlineSubject } from '../../components/cutaway/outline.ts';
import PlantPicture from '../../components/cutaway/PlantPicture.vue';
import FetchState from '../../components/FetchState.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { useDates } from '../../composables/useDates.ts';
import { useGrowing } from '../../composables/useGrowing.ts';
import { outlineScale } from '../../composables/outlineScale.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { usePortraits } from '../../composables/usePortraits.ts';
import { m } from '../../messages/index.ts';

const portraitOf = usePortraits();
const { value: plants, fault, load } = useLoaded(() => apiAll('/plants'));
const { value: gone } = useLoaded(() => apiAll('/plants?gone=1'));
const { full } = useDates();
const typed = ref<string | null>('');
/** Put together once, not for every letter that is typed. */
const known = computed(() =>
  (plants.value ?? [])
    .map((plant) => {
      const { name, taxon, common } = plant;
      return { plant, text: `${name} ${taxon} ${common}`.toLowerCase() };
    })
    .sort((a, b) => a.plant.name.localeCompare(b.plant.name)),
);
const shown = computed(() => {
  const words = (typed.value ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  return known.value
    .filter(({ text }) => words.every((word) => text.includes(word)))
    .map(({ plant }) => plant);
});
const { drawn, more } = useGrowing(shown);
const traitsOf = ({ groupId, taxon }: Plant) =>
  (groupId ? taxonOfGroup(groupId, taxon) : resolveTaxon(taxon))?.traits;
function subject(plant: Plant): OutlineSubject {
  const { name, pot, potMaterial, supportCm, together } = plant;
  const traits = { ...traitsOf(plant), ...plant.traits };
  // A height that nobody measured is that of its kind.
  const heightCm = plant.heightCm ?? Math.round((traits.heightInPots ?? 1) * rimCm(pot));
  return {
    name,
    pot,
    potMaterial,
    supportCm,
    together,
    heightCm,
    growthForm: traits.growthForm ?? 'shrub',
  };
}
const subjects = computed(
  () => new Map((plants.value ?? []).map((plant) => [plant.id, subject(plant)])),
);
const TALL_PX = 80;
const scale = computed(() => outlineScale([...subjects.value.values()], TALL_PX));
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.record.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <div class="row spread">
      <v-text-field v-model="typed" data-search :label="m.record.search" clearable class="search" />
      <v-btn color="primary" to="/plants/new" :prepend-icon="mdiPlus">{{ m.record.add }}</v-btn>
    </div>
    <FetchState :fault="fault" :loading="!plants" @retry="load" />
    <p v-if="plants && plants.length === 0" class="panel">{{ m.record.empty }}</p>
    <p v-else-if="plants" class="quiet">
      {{ m.record.intro(shown.length) }} · {{ m.record.scale }}
    </p>
    <ul class="tiles plants">
      <li v-for="plant in drawn" :key="plant.id" v-memo="[plant, portraitOf(plant.id)]">
        <router-link :to="`/plants/${plant.id}`" class="plain entry">
          <span class="pot">
            <PlantPicture
              :subject="subjects.get(plant.id)!"
              :photo="portraitOf(plant.id)"
              v-bind="scale"
            />
          </span>
          <span>
            <strong>{{ plant.name }}</strong>
            <span class="quiet line taxon">{{ plant.taxon }}</span>
            <span class="quiet line">
              {{ m.plant.lastRepot.toLowerCase() }}
              {{ plant.lastRepot ? full(plant.lastRepot) : m.app.unknown }}
            </span>
          </span>
        </router-link>
      </li>
    </ul>
    <div v-show="more" ref="end" class="end" aria-hidden="true"></div>
    <section v-if="gone && gone.length > 0" class="panel">
      <h2>{{ m.record.gone }}</h2>
      <ul class="bare gone">
        <li v-for="plant in gone" :key="plant.id">
          <router-link :to="`/plants/${plant.id}`">{{ plant.name }}</router-link>
          <span class="quiet taxon">{{ plant.taxon }}</span>
          <span class="quiet">{{ full(plant.goneOn!) }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.end {
  min-height: 1px;
}
.gone li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  padding: 4px 0;
}
.search {
  max-width: 420px;
  flex: 1 1 240px;
}
.plants li {
  content-visibility: auto;
  contain-intrinsic-block-size: auto 120px;
}
.entry {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  gap: 12px;
  align-items: end;
  padding: 8px;
  border-radius: 10px;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.1);
}
.entry:hover {
  background: rgb(var(--v-theme-surface));
}
.line {
  display: block;
}
.pot {
  display: flex;
  justify-content: center;
  align-items: end;
  min-height: 88px;
}
</style>
