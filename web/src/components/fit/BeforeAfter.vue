<script setup lang="ts">
import { rimCm, type PotShape, type Rung } from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import DragHandle from '../cutaway/DragHandle.vue';
import PotCutaway from '../cutaway/PotCutaway.vue';
import type { CutawaySubject } from '../cutaway/scene.ts';
import PictureButton from '../PictureButton.vue';

/** The plant as it stands and as it would stand, at one scale; the rim is dragged to another pot. */
const props = defineProps<{
  name: string;
  present: PotShape;
  before: CutawaySubject;
  after: CutawaySubject | null;
  rung: Rung | null;
  rungs: readonly Rung[];
  pxPerCm: number;
  crownCm: number;
  roomCm: number;
}>();
const emit = defineEmits<{ pick: [id: string] }>();
const { length, said } = useUnits();

/** Dragged, the rim goes to the nearest pot there is. */
const rims = computed(() => props.rungs.map((of) => of.rimCm));
function rimMoved({ x }: { x: number }): void {
  const wanted = Math.max(2, 2 * x);
  const nearest = props.rungs.reduce((best, of) =>
    Math.abs(of.rimCm - wanted) < Math.abs(best.rimCm - wanted) ? of : best,
  );
  emit('pick', nearest.option.id);
}
function rimStepped(by: 1 | -1): void {
  const at = props.rungs.findIndex((of) => of === props.rung);
  const next = props.rungs[at + by];
  if (next) emit('pick', next.option.id);
}
</script>

<template>
  <div class="compare" role="group" :aria-label="m.fit.compare">
    <figure>
      <PictureButton :name="`${name} ${m.fit.before}`">
        <PotCutaway
          :subject="before"
          :px-per-cm="pxPerCm"
          :crown-cm="crownCm"
          :room-cm="rimCm(present)"
          ruler
        />
      </PictureButton>
      <figcaption>{{ m.fit.before }}: {{ length(rimCm(present)) }}</figcaption>
    </figure>
    <figure v-if="rung && after">
      <PictureButton :name="`${name} ${m.fit.after}`">
        <PotCutaway
          :subject="after"
          grips
          :px-per-cm="pxPerCm"
          :crown-cm="crownCm"
          :room-cm="roomCm"
        >
          <template #default="{ scene }">
            <DragHandle
              :x="rung.rimCm / 2"
              :y="scene.rimY"
              axis="x"
              :size-cm="34 / pxPerCm"
              :label="m.fit.rimHandle"
              :text="`${said(rung.option.label)}, ${length(rung.rimCm)}`"
              :min="Math.min(...rims)"
              :max="Math.max(...rims)"
              :now="rung.rimCm"
              @move="rimMoved"
              @step="rimStepped"
            />
          </template>
        </PotCutaway>
      </PictureButton>
      <figcaption>{{ m.fit.after }}: {{ length(rung.rimCm) }}</figcaption>
    </figure>
  </div>
</template>

<style scoped>
.compare {
  display: flex;
  gap: 8px;
  align-items: flex-end;
  min-width: 0;
}
.compare > figure {
  min-width: 0;
}
.compare figcaption {
  text-align: center;
}
</style>
