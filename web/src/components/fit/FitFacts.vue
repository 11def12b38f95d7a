<script setup lang="ts">
import { isTellingPace, type Ladder, type Rung, type Stance } from '@fernbank/core';
import { useFigureWords } from '../../composables/figureWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What the chosen pot means: medium, months, days, how it stands, and what is to be noted of it. */
defineProps<{ rung: Rung; ladder: Ladder; now: Stance | null }>();
const { length, volume, weight, number, said } = useUnits();
const { crowdedBand, mediumWord, dryWord, degrees } = useFigureWords();
/** From here on two people carry it. */
const HEAVY_KG = 20;
</script>

<template>
  <dl class="facts">
    <div>
      <dt>{{ m.fit.newMedium }}</dt>
      <dd>{{ volume(rung.newMediumL) }}</dd>
    </div>
    <div v-if="!rung.mound">
      <dt>{{ m.fit.crowded }}</dt>
      <dd>{{ crowdedBand(rung) }}</dd>
    </div>
    <div>
      <dt>{{ m.fit.medium }}</dt>
      <dd>{{ mediumWord(rung.mediumMonths) }}</dd>
    </div>
    <div>
      <dt>{{ m.fit.dry }}</dt>
      <dd>
        {{ dryWord(rung) }}
      </dd>
    </div>
    <div v-if="now && !rung.mound">
      <dt>{{ m.fit.tip }}</dt>
      <dd>
        {{ m.fit.tipValue(degrees(now.tipAngleDryDeg), degrees(now.tipAngleWetDeg)) }}
      </dd>
    </div>
    <div v-if="now">
      <dt>{{ m.fit.weight }}</dt>
      <dd>{{ weight(now.wetKg) }}</dd>
    </div>
    <div v-if="rung.clearanceCm !== null">
      <dt>{{ m.fit.clearance }}</dt>
      <dd>
        {{
          rung.clearanceCm >= 0
            ? m.fit.clearanceValue(length(rung.clearanceCm))
            : m.fit.clearanceOver(length(-rung.clearanceCm))
        }}
      </dd>
    </div>
    <div v-if="rung.standing.cover">
      <dt>{{ m.fit.coverPot }}</dt>
      <dd>{{ m.fit.keepsCover(said(rung.standing.cover.label)) }}</dd>
    </div>
  </dl>
  <ul v-if="rung.notes.length > 0" class="plain">
    <li v-for="(note, i) in rung.notes" :key="i">{{ said(note.text) }}</li>
  </ul>
  <p v-if="now && now.wetKg > HEAVY_KG" class="caution">
    {{ m.fit.heavy(weight(now.wetKg)) }}
  </p>
  <p class="quiet small">
    {{ ladder.own ? m.fit.ownLog(ladder.own.cycles, number(ladder.own.factor, 1)) : m.fit.typical }}
    <template v-if="ladder.ball.pace.own && isTellingPace(ladder.ball.pace)">
      {{ m.fit.pace(number(ladder.ball.pace.factor, 1)) }}
    </template>
  </p>
</template>

<style scoped>
.facts {
  margin-top: 10px;
}
.facts dt {
  color: rgb(var(--v-theme-on-surface), 0.76);
  font-size: 0.88rem;
}
.facts dd {
  font-weight: 700;
}
.plain,
p {
  margin-top: 8px;
}
</style>
