<script setup lang="ts">
import { computed } from 'vue';
import type { Rounds } from '../../api/types.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import PlantPicture from '../cutaway/PlantPicture.vue';
import VerdictMark from '../verdict/VerdictMark.vue';

/** What matters first today, as a picture and one way on. */
const props = defineProps<{ first: NonNullable<Rounds['first']>; photo: number | null }>();
const { said } = useUnits();

const TALL_PX = 150;
const MOST_CM = 120;
const LEAST_CM = 34;
const pxPerCm = computed(() => {
  const { pot, heightCm, supportCm } = props.first.drawn;
  const tall = Math.max(LEAST_CM, pot.heightCm + heightCm, supportCm ?? 0);
  return TALL_PX / Math.min(MOST_CM, tall);
});
const subject = computed(() => ({ name: props.first.name, ...props.first.drawn }));
const way = computed(() => {
  const { plantId, kind } = props.first;
  const own = `/plants/${plantId}`;
  return {
    rescue: { to: `${own}/bench`, word: m.rounds.firstWay.rescue },
    water: { to: '/aftercare/water', word: m.rounds.firstWay.water },
    repot: { to: `${own}/fit`, word: m.rounds.firstWay.repot },
    look: { to: `${own}/look`, word: m.rounds.firstWay.look },
  }[kind];
});
</script>

<template>
  <section class="panel first" :aria-label="m.rounds.first">
    <PlantPicture
      :subject="subject"
      :photo="photo"
      :px-per-cm="pxPerCm"
      :most-cm="MOST_CM"
      :room-cm="0"
    />
    <div class="stack">
      <p class="quiet small">{{ m.rounds.first }}</p>
      <h2>
        <router-link :to="`/plants/${first.plantId}`" class="plain">{{ first.name }}</router-link>
        <span v-if="first.taxon !== first.name" class="taxon quiet">{{ first.taxon }}</span>
      </h2>
      <VerdictMark v-if="first.kind !== 'water'" :headline="first.headline" large />
      <p class="sentence" :class="{ late: first.kind === 'water' }">{{ said(first.why) }}.</p>
      <div class="row">
        <v-btn color="primary" :to="way.to">{{ way.word }}</v-btn>
        <v-btn
          v-if="first.kind !== 'look'"
          variant="text"
          :to="`/plants/${first.plantId}/verdict`"
          >{{ m.rounds.openVerdict }}</v-btn
        >
      </div>
    </div>
  </section>
</template>

<style scoped>
.first {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 10px 26px;
}
.first .stack {
  flex: 1 1 220px;
  gap: 6px;
}
h2 {
  font-size: clamp(1.4rem, 1.1rem + 1.2vw, 1.9rem);
}
.taxon {
  margin-left: 0.5em;
  font-size: 1rem;
}
.late {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}
</style>
