<script setup lang="ts">
import { mdiDragVertical, mdiPlusCircleOutline, mdiPinOffOutline } from '@mdi/js';
import { leftOutWords, rimCm, type DayLine, type DayPot, type LaidDay } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useDay } from '../../stores/day.ts';
import { useNotices } from '../../stores/notices.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';
import PlantLine from './PlantLine.vue';

/** Who is potted and who is not: dragged across or by buttons, each planned anew at once. */
const props = defineProps<{ laid: LaidDay }>();
const store = useDay();
const notices = useNotices();
const { said, length } = useUnits();

const PX_PER_CM = 2.6;
const roomCm = computed(() => Math.max(8, ...props.laid.lines.map(({ pot }) => rimCm(pot.shape))));
const mixes = computed(() => new Map(props.laid.batches.map(({ mix, label }) => [mix, label])));
const asked = computed(
  () => new Map((store.problem?.plants ?? []).map((plant) => [plant.id, plant])),
);
const pots = computed(() => new Map((store.problem?.pots ?? []).map((pot) => [pot.id, pot])));
const potsOf = (plant: number) =>
  (asked.value.get(plant)?.options ?? []).map(({ pot }) => pots.value.get(pot)!);
const pinnedOn = (plant: number) =>
  (store.current?.pins ?? []).some((pin) => pin.plant === plant && pin.kind !== 'notPot');
const dates = computed(() => props.laid.dates.map(({ date }) => date));

type Left = LaidDay['leftOut'][number];
// What is dragged moves at once; the plan that follows sets it right.
const potted = ref<DayLine[]>([]);
const left = ref<Left[]>([]);
function sync(): void {
  potted.value = [...props.laid.lines];
  left.value = [...props.laid.leftOut];
}
watch(() => props.laid, sync, { immediate: true });

const nameOf = (plant: number) => asked.value.get(plant)?.name ?? '';
function takeIn(plant: number): void {
  void store.pin({ kind: 'in', plant }, m.day.told.in(nameOf(plant)));
}
function leaveOut(plant: number): void {
  void store.pin({ kind: 'out', plant }, m.day.told.out(nameOf(plant)));
}
function letGo(plant: number): void {
  void store.unpin(plant, m.day.told.free(nameOf(plant)));
}
/** A pot that another plant stays in can be had only when that plant leaves it. */
function givePot(plant: number, id: string): void {
  const pot = id.startsWith('stays-') && id !== `stays-${plant}` ? id.replace('stays', 'left') : id;
  const label = said(pots.value.get(pot)?.label ?? '');
  if (!asked.value.get(plant)?.options.some((option) => option.pot === pot)) {
    notices.say(m.day.doesNotDo(nameOf(plant), label));
    return;
  }
  void store.pin({ kind: 'pot', plant, pot }, m.day.told.pot(nameOf(plant), label));
}
function setDate(plant: number, date: string | null): void {
  if (date === null) letGo(plant);
  else void store.pin({ kind: 'on', plant, date }, m.day.told.on(nameOf(plant)));
}
const plantOf = (event: { data?: { plant: number } }) => event.data?.plant;
function draggedIn(event: { data?: { plant: number } }): void {
  const plant = plantOf(event);
  sync();
  if (plant !== undefined) takeIn(plant);
}
function draggedOut(event: { data?: { plant: number } }): void {
  const plant = plantOf(event);
  sync();
  if (plant !== undefined) leaveOut(plant);
}
/** Pots of the shelf that the plan leaves free. */
const spare = computed((): DayPot[] => {
  const used = new Map<string, number>();
  for (const { pot } of props.laid.lines) used.set(pot.id, (used.get(pot.id) ?? 0) + 1);
  return (store.problem?.pots ?? []).filter(
    ({ id, source, ready }) => source === 'shelf' && (ready?.at(-1) ?? 0) > (used.get(id) ?? 0),
  );
});
</script>

<template>
  <div class="sides">
    <div class="stack">
      <section class="panel">
        <h2>{{ m.day.potted(laid.lines.length) }}</h2>
        <p class="quiet small no-print">{{ m.day.dragHint }}</p>
        <VueDraggable
          v-model="potted"
          tag="ul"
          class="bare lines"
          group="plants"
          handle=".grip"
          :sort="false"
          force-fallback
          fallback-on-body
          @add="draggedIn"
        >
          <PlantLine
            v-for="line in potted.filter((one) => 'pot' in one)"
            :key="line.plant"
            :line="line"
            :mix-label="mixes.get(line.mix) ?? ''"
            :dates="dates"
            :pots="potsOf(line.plant)"
            :pinned="pinnedOn(line.plant)"
            :px-per-cm="PX_PER_CM"
            :room-cm="roomCm"
            @pin-in="takeIn(line.plant)"
            @leave-out="leaveOut(line.plant)"
            @let-go="letGo(line.plant)"
            @pot="(id) => givePot(line.plant, id)"
            @date="(date) => setDate(line.plant, date)"
          />
        </VueDraggable>
      </section>
      <section v-if="spare.length > 0" class="panel">
        <h2>{{ m.day.spare }}</h2>
        <VueDraggable
          :model-value="spare"
          tag="ul"
          class="bare spare"
          :group="{ name: 'pots', pull: 'clone', put: false }"
          :sort="false"
          force-fallback
          fallback-on-body
        >
          <li v-for="pot in spare" :key="pot.id" class="grab">
            <PotCutaway
              :subject="{
                name: said(pot.label),
                pot: pot.shape,
                material: pot.material,
                mediumKind: 'peatSoil',
                empty: true,
              }"
              :px-per-cm="PX_PER_CM"
              :crown-cm="0"
            />
            <span class="small">{{ said(pot.label) }}</span>
            <span class="small quiet">{{ length(rimCm(pot.shape)) }}</span>
          </li>
        </VueDraggable>
      </section>
    </div>
    <div class="stack">
      <section class="panel">
        <h2>{{ m.day.leftOut(laid.leftOut.length) }}</h2>
        <VueDraggable
          v-model="left"
          tag="ul"
          class="bare lines"
          group="plants"
          handle=".grip"
          :sort="false"
          force-fallback
          fallback-on-body
          @add="draggedOut"
        >
          <li v-for="one in left.filter((row) => 'why' in row)" :key="one.plant" class="left">
            <v-icon :icon="mdiDragVertical" class="grip" aria-hidden="true" />
            <div class="words">
              <strong>{{ one.name }}</strong>
              <span class="small"
                ><b>{{ m.day.whyLeft[one.why] }}</b
                >: {{ leftOutWords(one.about) }}</span
              >
              <span class="quiet small">{{ m.day.saves(one.gain) }}</span>
            </div>
            <v-btn
              v-if="pinnedOn(one.plant)"
              :icon="mdiPinOffOutline"
              color="primary"
              variant="tonal"
              size="48"
              :aria-label="m.day.letGo(one.name)"
              @click="letGo(one.plant)"
            />
            <v-btn
              v-else
              :icon="mdiPlusCircleOutline"
              variant="text"
              size="48"
              :aria-label="m.day.takeIn(one.name)"
              @click="takeIn(one.plant)"
            />
          </li>
        </VueDraggable>
      </section>
      <details v-if="store.notAsked.length > 0" class="panel">
        <summary>{{ m.day.notAsked }} ({{ store.notAsked.length }})</summary>
        <ul class="bare lines">
          <li v-for="one in store.notAsked" :key="one.plant" class="left">
            <span />
            <div class="words">
              <strong>{{ one.name }}</strong>
              <span class="small sentence">{{ one.text }}</span>
            </div>
            <v-btn
              :icon="mdiPlusCircleOutline"
              variant="text"
              size="48"
              :aria-label="m.day.takeIn(one.name)"
              @click="store.pin({ kind: 'in', plant: one.plant }, m.day.told.in(one.name))"
            />
          </li>
        </ul>
      </details>
    </div>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
  gap: 14px;
  align-items: end;
}
/* The end of the shorter side goes along with the longer one: what is dragged across finds where to. */
.sides > * {
  position: sticky;
  bottom: 14px;
}
.lines {
  min-height: 60px;
}
.left {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) 48px;
  gap: 8px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
  background: rgb(var(--v-theme-surface));
}
.words {
  display: grid;
}
.grip,
.grab {
  cursor: grab;
  touch-action: none;
}
.spare {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: flex-end;
}
.spare li {
  display: grid;
  justify-items: center;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
  .sides > * {
    position: static;
  }
}
</style>
