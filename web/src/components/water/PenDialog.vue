<script setup lang="ts">
import { steadyPen, type PenReading } from '@fernbank/core';
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { penStandIn, type Pen } from '../../devices/pen.ts';
import { m } from '../../messages/index.ts';

/** Reads a pen: both figures can be taken once it has come to rest. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ expected: { ph: number; msPerCm: number } }>();
const emit = defineEmits<{ read: [reading: { ph: number; msPerCm: number }] }>();
const { number } = useUnits();

const KEPT = 40;
const readings = shallowRef<PenReading[]>([]);
let pen: Pen | null = null;
const live = computed(() => readings.value.at(-1) ?? null);
const steady = computed(() => steadyPen(readings.value));

function start(): void {
  readings.value = [];
  pen = penStandIn(props.expected);
  pen.start((reading) => {
    readings.value = [...readings.value.slice(-KEPT), reading];
  });
}
function stop(): void {
  pen?.stop();
  pen = null;
}
function take(): void {
  if (!steady.value) return;
  emit('read', steady.value);
  open.value = false;
}
function calibrate(): void {
  pen?.calibrate();
  readings.value = [];
}
watch(open, (isOpen) => (isOpen ? start() : stop()));
onBeforeUnmount(stop);
</script>

<template>
  <v-dialog v-model="open" max-width="460">
    <v-card class="pa-5 stack">
      <h2>{{ m.water.penTitle }}</h2>
      <p class="quiet">{{ m.water.penStandIn }}</p>
      <p class="display" role="status" aria-live="off">
        <span>pH {{ live ? number(live.ph, 2) : '—' }}</span>
        <span>{{ live ? number(live.msPerCm, 2) : '—' }} mS/cm</span>
      </p>
      <p class="state" aria-live="polite">
        {{ steady ? m.water.penSteady : m.water.penSettling }}
      </p>
      <div class="row">
        <v-btn color="primary" min-height="54" :disabled="!steady" @click="take">{{
          m.water.take
        }}</v-btn>
        <v-btn variant="outlined" min-height="54" @click="calibrate">{{ m.water.calibrate }}</v-btn>
        <v-btn variant="text" min-height="54" @click="open = false">{{ m.app.cancel }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.display {
  display: flex;
  justify-content: space-around;
  flex-wrap: wrap;
  gap: 8px 20px;
  font-size: 2rem;
  font-variant-numeric: tabular-nums;
  font-family: 'Fraunces Variable', serif;
  padding: 10px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.4);
  border-radius: 10px;
}
.state {
  text-align: center;
  font-weight: 700;
}
</style>
