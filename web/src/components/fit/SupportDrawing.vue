<script setup lang="ts">
import { supportFrontCm } from '@fernbank/core';
import { computed } from 'vue';
import type { Fit } from '../../composables/useFit.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import DragHandle from '../cutaway/DragHandle.vue';
import PotCutaway from '../cutaway/PotCutaway.vue';
import type { CutawaySubject } from '../cutaway/scene.ts';

/** The plant with its support, whole and to scale; its tip is drawn to another length. */
const props = defineProps<{
  fit: Fit;
  plan: NonNullable<Fit['plan']['value']>;
  /** pot and plant as they will be, without the support */
  subject: CutawaySubject;
  heightCm: number;
  headroomCm: number | null;
}>();

const { length } = useUnits();

const drawn = computed((): CutawaySubject => ({
  ...props.subject,
  support: {
    kind: props.plan.kind.id,
    lengthCm: props.plan.lengthCm,
    widthCm: Math.max(0.8, supportFrontCm(props.plan)),
    usableFromCm: props.plan.kind.rooted ? props.plan.usable.fromCm : null,
    tiesCm: props.plan.tiesCm,
    extensionsCm: props.plan.extensions.map(({ aboveCm }) => aboveCm),
  },
}));
const surfaceCm = computed(() => {
  const rung = props.fit.rung.value;
  return rung ? rung.option.outside.heightCm - rung.inside.heightCm + rung.fillHeightCm : 0;
});
const TALL_PX = 430;
const pxPerCm = computed(() => {
  const { aboveCm, extensions } = props.plan;
  const above = Math.max(props.heightCm, aboveCm, extensions.at(-1)?.aboveCm ?? 0);
  return Math.min(4.5, TALL_PX / (surfaceCm.value + above + 8));
});

/** Lengths the tip can be drawn to: those there are, and every 5 cm between. */
const STEP_CM = 5;
function toLength(lengthCm: number): void {
  const { choices } = props.fit;
  const { depthCm, stock, kind } = props.plan;
  const least = depthCm + 10;
  const most = props.headroomCm === null ? 300 : props.headroomCm - (surfaceCm.value - depthCm);
  const stops = [...kind.stockCm, ...(stock?.owned ? [stock.lengthCm] : [])];
  const near = stops.find((stop) => Math.abs(stop - lengthCm) < STEP_CM / 2);
  const wanted = near ?? Math.round(lengthCm / STEP_CM) * STEP_CM;
  choices.lengthCm = Math.min(most, Math.max(Math.ceil(least / STEP_CM) * STEP_CM, wanted));
  if (choices.supportMode === 'keep') choices.supportMode = 'new';
}
const tipMoved = ({ y }: { y: number }) => toLength(-y - (surfaceCm.value - props.plan.depthCm));
const tipStepped = (by: 1 | -1) => toLength(props.plan.lengthCm + by * STEP_CM);
</script>

<template>
  <figure class="whole">
    <PotCutaway :subject="drawn" grips :px-per-cm="pxPerCm" :crown-cm="Infinity" ruler>
      <template #default="{ scene }">
        <DragHandle
          v-if="scene.pole"
          :x="scene.pole.x + scene.pole.width / 2"
          :y="scene.pole.y"
          axis="y"
          :size-cm="34 / pxPerCm"
          :label="m.fit.support.handle"
          :text="length(plan.lengthCm)"
          :min="plan.depthCm + 10"
          :max="300"
          :now="plan.lengthCm"
          @move="tipMoved"
          @step="tipStepped"
        />
      </template>
    </PotCutaway>
    <figcaption v-if="plan.kind.rooted" class="small">{{ m.fit.support.legend }}</figcaption>
  </figure>
</template>

<style scoped>
.whole {
  align-self: start;
  text-align: center;
  max-width: 240px;
}
@media (max-width: 800px) {
  .whole {
    justify-self: center;
    order: -1;
    max-width: 100%;
  }
}
</style>
