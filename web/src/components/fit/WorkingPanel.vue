<script setup lang="ts">
import { fillL as fillOf, type Ladder, type Rung, type Stance } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { useWaterWords } from '../../composables/waterWords.ts';
import { m } from '../../messages/index.ts';

/** Every figure of the chosen pot, opened to the sum that gave it. */
const props = defineProps<{
  rung: Rung;
  ladder: Ladder;
  stance: Stance;
  /** what the present pot holds, L */
  oldFillL: number;
  /** room that poles take, L */
  poleL: number;
}>();
const { volume, weight, length, percent, number } = useUnits();
const w = m.fit.working;

const waterWords = useWaterWords();
const rows = computed(() => {
  const { rung, ladder, oldFillL } = props;
  const { ball } = ladder;
  const { heldL, spentShare, growthG, restG, growthDays, restDays, standsAtRest } = rung.drying;
  const layerL = fillOf(rung.inside) - rung.fillL;
  const goesG = heldL * 1000 * spentShare;
  return [
    {
      what: m.fit.newMedium,
      sum: w.medium(
        volume(rung.fillL),
        volume(ball.displacesL),
        props.poleL > 0.005 ? volume(props.poleL) : '',
        layerL > 0.005 ? volume(layerL) : '',
        volume(rung.newMediumL),
      ),
    },
    {
      what: m.fit.crowded,
      sum: w.crowded(
        percent(ball.explored),
        volume(oldFillL),
        volume(rung.fillL),
        percent(rung.explored),
        percent(ladder.crowdedAt),
        number(ball.pace.factor, 2),
        number(ladder.meanActivity, 2),
      ),
    },
    {
      what: m.fit.dry,
      // A reservoir has another level in the dark months: its two fillings are told, not one sum.
      sum: rung.under
        ? waterWords.fillings(rung.under).join(' ')
        : w.dry(
            volume(heldL),
            percent(spentShare),
            weight(goesG / 1000),
            weight(growthG / 1000),
            number(growthDays, 0),
          ) +
          (restDays === null
            ? w.noWaterAtRest
            : w.dryRest(
                weight(restG / 1000),
                number(restDays, 0),
                standsAtRest > 1 ? number(standsAtRest, 1) : null,
              )),
    },
    {
      what: m.fit.tip,
      sum: w.tip(
        length(props.stance.baseRadiusCm),
        length(props.stance.gravityHeightDryCm),
        number(props.stance.tipAngleDryDeg, 1),
      ),
    },
    {
      what: m.fit.stand.pushed,
      sum: w.pushedBy(`${number(props.stance.pushN, 1)} N`, length(props.stance.topCm)),
    },
  ];
});
</script>

<template>
  <details class="panel">
    <summary>{{ w.title }}</summary>
    <dl class="sums">
      <template v-for="row in rows" :key="row.what">
        <dt>{{ row.what }}</dt>
        <dd>{{ row.sum }}</dd>
      </template>
    </dl>
    <table class="figures bodies">
      <caption>
        {{
          w.bodies
        }}
      </caption>
      <thead>
        <tr>
          <th>{{ w.part }}</th>
          <th class="num">{{ w.mass }}</th>
          <th class="num">{{ w.centre }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="body in stance.bodies" :key="body.what">
          <td>{{ w.parts[body.what] }}</td>
          <td class="num">{{ weight(body.massKg) }}</td>
          <td class="num">{{ length(body.heightCm) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="quiet small">{{ w.sources }}</p>
  </details>
</template>

<style scoped>
.sums {
  display: grid;
  grid-template-columns: minmax(110px, auto) minmax(0, 1fr);
  gap: 6px 18px;
}
.sums dt {
  font-weight: 700;
}
.bodies {
  max-width: 460px;
  margin-top: 12px;
}
caption {
  text-align: left;
  padding-bottom: 4px;
}
.small {
  font-size: 0.88rem;
  margin-top: 8px;
}
@media (max-width: 640px) {
  .sums {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
  .sums dd {
    margin-bottom: 8px;
  }
}
</style>
