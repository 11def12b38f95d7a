<script setup lang="ts">
import { computed } from 'vue';
import { api } from '../../api/client.ts';
import type { SpotRow } from '../../api/types.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useRoomSensor } from '../../composables/useRoomSensor.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';

/** A spot's room sensor: what it reads, what was kept, and its months for the asking. */
const props = defineProps<{ spot: SpotRow }>();
const emit = defineEmits<{ take: [monthlyC: (number | null)[], humidity: number | null] }>();
const notices = useNotices();
const { temperature, percent } = useUnits();
const { value: climate, load } = useLoaded(() => api(`/spots/${props.spot.id}/readings`));
const { latest, listening, fault, listen, stop } = useRoomSensor(
  () => props.spot.id,
  () => props.spot,
  () => void load(),
);
const shown = computed(() => latest.value ?? climate.value?.newest ?? null);
function take(): void {
  if (!climate.value) return;
  emit('take', climate.value.monthlyC, climate.value.relativeHumidity);
  notices.done(m.spot.usedReadings);
}
</script>

<template>
  <section class="sensor stack">
    <h3>{{ m.spot.sensor }}</h3>
    <p class="quiet">{{ m.spot.sensorIntro }}</p>
    <p v-if="shown" class="reading" aria-live="off">
      {{ m.spot.reads(temperature(shown.temperatureC), String(percent(shown.relativeHumidity))) }}
    </p>
    <p v-if="fault" class="text-error" role="alert">{{ fault }}</p>
    <p role="status">
      {{
        climate && climate.count > 0
          ? m.spot.kept(climate.count, climate.days.length)
          : m.spot.noReadings
      }}
    </p>
    <div class="row">
      <v-btn variant="outlined" @click="listening ? stop() : listen()">{{
        listening ? m.spot.stopListening : m.spot.listen
      }}</v-btn>
      <v-btn v-if="climate && climate.count > 0" variant="outlined" min-height="48" @click="take">{{
        m.spot.useReadings
      }}</v-btn>
    </div>
  </section>
</template>

<style scoped>
.sensor {
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.2);
  padding-top: 10px;
}
.reading {
  font-size: 1.4rem;
  font-variant-numeric: tabular-nums;
}
</style>
