<script setup lang="ts">
import { steadyWeight, type ScaleReading } from '@fernbank/core';
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { benchStandIn, hasSerial, serialScale, type Scale } from '../../devices/scale.ts';
import { m } from '../../messages/index.ts';

/** Reads a scale: the weight can be taken once the plate has come to rest. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ expectedKg: number }>();
const emit = defineEmits<{ weighed: [kg: number] }>();
const { weight } = useUnits();

const KEPT = 60;
const readings = shallowRef<ScaleReading[]>([]);
const scale = shallowRef<Scale | null>(null);
const fault = ref('');
const shown = computed(() => steadyWeight(readings.value));
const live = computed(() => readings.value[readings.value.length - 1]?.kg ?? null);

async function use(next: Scale): Promise<void> {
  await stop();
  fault.value = '';
  readings.value = [];
  try {
    await next.start((reading) => {
      readings.value = [...readings.value.slice(-KEPT), reading];
    });
    scale.value = next;
  } catch {
    fault.value = m.scale.noPort;
  }
}
async function stop(): Promise<void> {
  await scale.value?.stop();
  scale.value = null;
}
function tare(): void {
  scale.value?.tare();
  readings.value = [];
}
function take(): void {
  if (shown.value.state !== 'steady' || shown.value.kg === null) return;
  emit('weighed', shown.value.kg);
  open.value = false;
}
watch(open, (isOpen) => (isOpen ? use(benchStandIn(props.expectedKg)) : stop()));
onBeforeUnmount(stop);
</script>

<template>
  <v-dialog v-model="open" max-width="460">
    <v-card class="pa-5 stack">
      <h2>{{ m.scale.title }}</h2>
      <p class="quiet">{{ m.scale.standIn }}</p>
      <p class="display" role="status" aria-live="off">
        {{ live === null ? '—' : weight(Math.max(0, live)) }}
      </p>
      <p :class="['state', shown.state]" aria-live="polite">{{ m.scale[shown.state] }}</p>
      <p v-if="fault" class="text-error" role="alert">{{ fault }}</p>
      <div class="row">
        <v-btn color="primary" min-height="54" :disabled="shown.state !== 'steady'" @click="take">{{
          m.scale.take
        }}</v-btn>
        <v-btn variant="outlined" min-height="54" @click="tare">{{ m.scale.tare }}</v-btn>
        <v-btn v-if="hasSerial()" variant="outlined" min-height="54" @click="use(serialScale())">{{
          m.scale.serial
        }}</v-btn>
        <v-btn variant="text" min-height="54" @click="open = false">{{ m.app.cancel }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.display {
  font-size: 2.8rem;
  font-variant-numeric: tabular-nums;
  font-family: 'Fraunces Variable', serif;
  text-align: center;
  padding: 10px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.4);
  border-radius: 10px;
}
.state {
  text-align: center;
  font-weight: 700;
}
.state.steady {
  color: rgb(var(--v-theme-success));
}
</style>
