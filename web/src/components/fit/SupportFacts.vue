<script setup lang="ts">
import { monthsToTop, sheetWidthCm, withLonger } from '@fernbank/core';
import { computed } from 'vue';
import type { Fit } from '../../composables/useFit.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What a planned support is: how long it lasts, where it comes from, how deep it stands, what it asks. */
const props = defineProps<{
  fit: Fit;
  plan: NonNullable<Fit['plan']['value']>;
  heightCm: number;
}>();

const { length, volume, weight, percent, number, said } = useUnits();
const { day } = useDates();
const choices = computed(() => props.fit.choices);

const reached = computed(() => {
  const free = props.plan.aboveCm - props.heightCm;
  if (free <= 0) return m.fit.support.past(length(-free));
  const { soonest, expected, latest } = props.plan.reaches;
  if (!expected) return m.fit.support.never;
  return m.fit.support.reaches(day(expected), soonest && day(soonest), latest && day(latest));
});
const pace = computed(() => {
  const { rate } = props.fit.climb.value;
  const free = props.plan.aboveCm - props.heightCm;
  const months = free > 0 ? monthsToTop(free, rate.cmPerMonth) : null;
  return m.fit.support.pace(
    length(rate.cmPerMonth),
    rate.readings,
    months === null ? null : number(months, 1),
  );
});
/** Of the same kind, which an own support keeps to itself until a new one is chosen. */
function takeLonger(lengthCm: number): void {
  Object.assign(
    choices.value,
    withLonger({ ...choices.value, kind: props.plan.kind.id }, lengthCm),
  );
}
const sheet = computed(() => (props.plan.kind.moss ? sheetWidthCm(props.plan.section) : null));
const ties = computed(() => {
  const { ties: count, tiesCm } = props.plan;
  return count === 0 ? '' : m.fit.support.ties(count, tiesCm.map((cm) => length(cm)).join(', '));
});
const stockWord = computed(() => {
  if (choices.value.supportMode === 'keep') return m.fit.support.itsOwn;
  const { stock, cutOffCm } = props.plan;
  if (!stock) return m.fit.support.noStock;
  const from = stock.owned
    ? m.fit.support.ofOwn(stock.label)
    : m.fit.support.toBuy(length(stock.lengthCm));
  return cutOffCm > 0.5 ? `${from}, ${m.fit.support.cutOff(length(cutOffCm))}` : from;
});
</script>

<template>
  <dl class="facts">
    <div>
      <dt>{{ m.fit.support.top }}</dt>
      <dd>{{ reached }}</dd>
    </div>
    <div>
      <dt>{{ m.fit.support.piece }}</dt>
      <dd>{{ stockWord }}</dd>
    </div>
    <div>
      <dt>{{ m.fit.support.depth }}</dt>
      <dd>{{ m.fit.support.depthValue(length(plan.depthCm), length(plan.aboveCm)) }}</dd>
    </div>
    <div v-if="plan.kind.rooted">
      <dt>{{ m.fit.support.usable }}</dt>
      <dd>
        {{ m.fit.support.usableValue(percent(plan.usable.share), length(plan.usable.usableCm)) }}
      </dd>
    </div>
    <div v-if="plan.kind.moss">
      <dt>{{ m.fit.support.moss }}</dt>
      <dd>
        {{
          m.fit.support.mossValue(
            volume(plan.material.mossL * plan.poles),
            weight((plan.material.mossDryG * plan.poles) / 1000),
          )
        }}
      </dd>
    </div>
    <div v-if="sheet">
      <dt>{{ m.fit.support.sheet }}</dt>
      <dd>{{ length(sheet) }} × {{ length(plan.lengthCm) }}</dd>
    </div>
    <div v-if="plan.damp">
      <dt>{{ m.fit.support.damp }}</dt>
      <dd>
        {{
          m.fit.support.dampValue(
            volume(plan.damp.perWeekL * plan.poles),
            String(Math.max(1, Math.round(plan.damp.days))),
            number(plan.damp.minutesPerWeek * plan.poles, 0),
          )
        }}
      </dd>
    </div>
    <div>
      <dt>{{ m.fit.support.weighs }}</dt>
      <dd>
        {{
          m.fit.support.weighsValue(
            weight(plan.material.dryKg * plan.poles),
            weight(plan.material.wetKg * plan.poles),
          )
        }}
      </dd>
    </div>
  </dl>
  <p class="quiet small">{{ pace }}</p>
  <ul class="plain">
    <li>{{ said(plan.fixing) }}.</li>
    <li v-if="ties">{{ ties }}</li>
    <li v-if="plan.poles > 1 || choices.stems > 1">
      {{ m.fit.support.arrange(choices.stems, plan.poles, plan.stemsEach) }}
    </li>
    <li v-for="extension in plan.extensions" :key="extension.aboveCm">
      {{
        m.fit.support.extend(
          length(extension.addsCm),
          length(extension.aboveCm),
          extension.on && day(extension.on),
          extension.stock?.label ?? null,
        )
      }}
    </li>
  </ul>
  <p v-if="fit.longer.value" class="row">
    <span>{{
      m.fit.support.longer(
        length(fit.longer.value.lengthCm),
        plan.extensions.length,
        fit.longer.value.additions,
      )
    }}</span>
    <v-btn variant="outlined" @click="takeLonger(fit.longer.value.lengthCm)">{{
      m.fit.support.takeLonger(length(fit.longer.value.lengthCm))
    }}</v-btn>
  </p>
</template>

<style scoped>
.facts dt {
  color: rgb(var(--v-theme-on-surface), 0.76);
  font-size: 0.88rem;
}
.facts dd {
  font-weight: 700;
}
</style>
