<script setup lang="ts">
import { AIM_DEG, footing, pushLike, UNSAFE_DEG, type Remedy, type Stance } from '@fernbank/core';
import { computed } from 'vue';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Will it stand: dry, wet, and once it has grown; and what would help. */
const props = defineProps<{
  stances: { now: Stance; later: Stance };
  horizonMonths: number;
  remedies: Remedy[];
  hangs: boolean;
}>();
const { weight, length, said } = useUnits();
const { degrees } = useFigureWords();

const rows = computed(() => {
  const { now, later } = props.stances;
  return [
    { key: 'dry', word: m.fit.stand.nowDry, angle: now.tipAngleDryDeg, kg: now.dryKg, stance: now },
    { key: 'wet', word: m.fit.stand.nowWet, angle: now.tipAngleWetDeg, kg: now.wetKg, stance: now },
    {
      key: 'later',
      word: m.fit.stand.laterDry(props.horizonMonths),
      angle: later.tipAngleDryDeg,
      kg: later.dryKg,
      stance: later,
    },
  ];
});
const MARK = { firm: '●', short: '▲', unsafe: '◆' } as const;
</script>

<template>
  <section class="panel">
    <h2>{{ m.fit.stand.title }}</h2>
    <p v-if="hangs">{{ m.fit.stand.hangs(weight(stances.now.wetKg)) }}</p>
    <template v-else>
      <ul class="tiles tiny states">
        <li v-for="row in rows" :key="row.key" :class="footing(row.angle)">
          <span>{{ row.word }}</span>
          <strong>{{ m.fit.tip }} {{ degrees(row.angle) }}</strong>
          <span class="verdict">
            <span aria-hidden="true">{{ MARK[footing(row.angle)] }}</span>
            {{ m.fit.stand.footing[footing(row.angle)] }}
          </span>
          <span class="quiet small">{{
            row.key === 'wet'
              ? weight(row.kg)
              : m.fit.stand.more(
                  weight(row.kg),
                  m.fit.stand.pushes[pushLike(row.stance.pushN)],
                  length(row.stance.topCm),
                )
          }}</span>
        </li>
      </ul>
      <p class="quiet small">{{ m.fit.stand.reference(UNSAFE_DEG, AIM_DEG) }}</p>
      <template v-if="remedies.length > 0">
        <h3>{{ m.fit.stand.remedies }}</h3>
        <ol class="remedies">
          <li v-for="remedy in remedies" :key="remedy.kind + remedy.text">
            <strong>{{ said(remedy.text) }}</strong>
            <span class="quiet">
              {{
                remedy.stance
                  ? m.fit.stand.then(degrees(remedy.stance.tipAngleDryDeg), weight(remedy.addsKg))
                  : m.fit.stand.cannot
              }}{{ remedy.enough ? '' : `: ${m.fit.stand.notEnough}` }}
            </span>
          </li>
        </ol>
      </template>
    </template>
  </section>
</template>

<style scoped>
.small {
  font-size: 0.88rem;
  margin-top: 6px;
}
.states li {
  display: grid;
  align-content: start;
  padding: 8px 10px;
  border-left: 4px solid rgb(var(--v-theme-success));
}
.states li.short {
  border-color: rgb(var(--v-theme-warning));
}
.states li.unsafe {
  border-color: rgb(var(--v-theme-error));
}
.firm .verdict {
  color: rgb(var(--v-theme-success));
}
.short .verdict {
  color: rgb(var(--v-theme-warning));
}
.unsafe .verdict {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}
h3 {
  margin-top: 12px;
}
.remedies {
  padding-left: 1.3em;
  margin-top: 4px;
  display: grid;
  gap: 4px;
}
.remedies strong {
  display: block;
  font-weight: 600;
}
</style>
