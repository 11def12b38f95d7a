<script setup lang="ts">
import {
  mdiDragVertical,
  mdiMinusCircleOutline,
  mdiPinOffOutline,
  mdiPinOutline,
  mdiSwapHorizontal,
} from '@mdi/js';
import { rimCm, supportKind, type DayLine, type DayPot } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { useDates } from '../../composables/useDates.ts';
import { useDayWords } from '../../composables/useDayWords.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';

/** One plant of the day: its pot at the common scale, what it saves and takes, and the keeper's word on it. */
const props = defineProps<{
  line: DayLine;
  mixLabel: string;
  /** dates to choose from; none where there is one only */
  dates: string[];
  /** pots that would do, the best first */
  pots: Pick<DayPot, 'id' | 'label' | 'shape' | 'source'>[];
  pinned: boolean;
  pxPerCm: number;
  roomCm: number;
}>();
const emit = defineEmits<{
  pinIn: [];
  leaveOut: [];
  letGo: [];
  pot: [pot: string];
  date: [date: string | null];
}>();
const { said, length, volume } = useUnits();
const { day } = useDates();
const { potWords } = useDayWords();

/** A pot that is dragged onto this plant goes to it; its own stays drawn until the plan has changed. */
const slot = ref([props.line.pot]);
watch(
  () => props.line.pot,
  (pot) => (slot.value = [pot]),
);
function dropped(event: { data?: Pick<DayPot, 'id'> }): void {
  slot.value = [props.line.pot];
  if (event.data) emit('pot', event.data.id);
}
/** Lists to choose from are made when they are asked for: a day can have a hundred plants. */
const choosing = ref(false);
const choices = computed(() =>
  props.pots.map(({ id, label, shape, source }) => ({
    value: id,
    title: label,
    props: { subtitle: `${length(rimCm(shape))} · ${m.day.sources[source]}` },
  })),
);
const dateChoices = computed(() => [
  { value: '', title: m.day.anyDate },
  ...props.dates.map((date) => ({ value: date, title: day(date) })),
]);
</script>

<template>
  <li class="line">
    <v-icon :icon="mdiDragVertical" class="grip" aria-hidden="true" />
    <VueDraggable
      v-model="slot"
      tag="div"
      class="pot"
      :group="{ name: 'pots', pull: 'clone', put: true }"
      :sort="false"
      force-fallback
      fallback-on-body
      @add="dropped"
    >
      <div v-for="pot in slot.slice(0, 1)" :key="pot.id" class="grab" :title="said(pot.label)">
        <PotCutaway
          :subject="{
            name: line.name,
            pot: pot.shape,
            material: pot.material,
            mediumKind: 'peatSoil',
            empty: true,
          }"
          :px-per-cm="pxPerCm"
          :crown-cm="0"
          :room-cm="roomCm"
        />
      </div>
    </VueDraggable>
    <div class="words">
      <router-link :to="`/plants/${line.plant}/fit`" class="name">{{ line.name }}</router-link>
      <span v-if="line.tidiness !== 'clean'" class="mark">{{ m.day.tidiness[line.tidiness] }}</span>
      <span>{{ potWords(line.pot) }}</span>
      <span class="quiet small">
        {{ m.day.sources[line.pot.source] }} · {{ m.day.fills(volume(line.filledL), mixLabel) }} ·
        {{ m.day.takes(line.minutes)
        }}<template v-if="line.support">
          ·
          {{
            m.day.withPole(supportKind(line.support.kind).label, length(line.support.lengthCm))
          }}</template
        >
      </span>
      <strong class="small">{{ m.day.saves(line.gain) }}</strong>
    </div>
    <div class="acts">
      <template v-if="choosing">
        <v-select
          :model-value="line.pot.id"
          :items="choices"
          :label="m.day.otherPot(line.name)"
          density="compact"
          hide-details
          @update:model-value="(id: string) => $emit('pot', id)"
        />
        <v-select
          v-if="dates.length > 1"
          :model-value="dates[line.date]"
          :items="dateChoices"
          :label="m.day.onDate(line.name)"
          density="compact"
          hide-details
          @update:model-value="(date: string) => $emit('date', date || null)"
        />
      </template>
      <span class="row tight">
        <v-btn
          v-if="!choosing"
          :icon="mdiSwapHorizontal"
          variant="text"
          size="48"
          :aria-label="m.day.choose(line.name)"
          @click="choosing = true"
        />
        <v-btn
          v-if="pinned"
          :icon="mdiPinOffOutline"
          color="primary"
          variant="tonal"
          size="48"
          :aria-label="m.day.letGo(line.name)"
          @click="$emit('letGo')"
        />
        <v-btn
          v-else
          :icon="mdiPinOutline"
          variant="text"
          size="48"
          :aria-label="m.day.pinIn(line.name)"
          @click="$emit('pinIn')"
        />
        <v-btn
          :icon="mdiMinusCircleOutline"
          variant="text"
          size="48"
          :aria-label="m.day.leaveOut(line.name)"
          @click="$emit('leaveOut')"
        />
      </span>
    </div>
  </li>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 22px auto minmax(0, 1fr) minmax(150px, auto);
  gap: 10px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
  background: rgb(var(--v-theme-surface));
}
.grip,
.grab {
  cursor: grab;
  touch-action: none;
}
.pot {
  display: flex;
  align-items: flex-end;
  min-height: 48px;
}
.pot > :nth-child(n + 2) {
  display: none;
}
.words {
  display: grid;
}
.name {
  font-weight: 700;
  color: inherit;
}
.mark {
  justify-self: start;
  border: 1px solid rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-error));
  border-radius: 5px;
  padding: 0 6px;
  font-size: 0.85rem;
}
.acts {
  display: grid;
  gap: 6px;
  justify-items: stretch;
}
.tight {
  gap: 0;
  justify-content: flex-end;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 18px auto minmax(0, 1fr);
  }
  .acts {
    grid-column: 1 / -1;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
  }
}
</style>
