<script setup lang="ts">
import { LIGHT_CLASSES, type LightClass } from '@fernbank/core';
import { ref } from 'vue';
import { api, ApiError, wordsFor } from '../api/client.ts';
import type { SpotRow } from '../api/types.ts';
import { useDraft } from '../composables/useDraft.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import NumberField from './NumberField.vue';

/** A few words on where plants stand: light, warmth, humidity, latitude. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ added: [spot: SpotRow] }>();

const { draft, clear } = useDraft('spot', () => ({
  name: '',
  latitudeDeg: 50 as number | null,
  temperatureC: 20 as number | null,
  humidityPercent: 50 as number | null,
  light: 'medium' as LightClass,
  lampHours: 0 as number | null,
}));
const { temperatureUnit, temperatureFromC, temperatureToC } = useUnits();
const errors = ref<Record<string, string>>({});
const fault = ref('');
const saving = ref(false);

async function save(): Promise<void> {
  errors.value = {};
  fault.value = '';
  const { name, latitudeDeg, temperatureC, humidityPercent, light, lampHours } = draft.value;
  if (!name.trim()) {
    errors.value = { name: m.form.required };
    return;
  }
  saving.value = true;
  try {
    const spot = await api<SpotRow>('/spots', {
      method: 'POST',
      body: {
        name,
        latitudeDeg: latitudeDeg ?? 50,
        temperatureC: temperatureC ?? 20,
        relativeHumidity: (humidityPercent ?? 50) / 100,
        light,
        lampHours: lampHours ?? 0,
      },
    });
    clear();
    open.value = false;
    emit('added', spot);
  } catch (error) {
    const field = error instanceof ApiError ? error.field : undefined;
    if (field) errors.value = { [field]: wordsFor(error) };
    else fault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
const lights = LIGHT_CLASSES.map(({ id, label }) => ({ value: id, title: label }));
</script>

<template>
  <v-dialog v-model="open" max-width="520">
    <v-card class="pa-5">
      <form class="stack" novalidate @submit.prevent="save">
        <h2>{{ m.spot.add }}</h2>
        <v-text-field
          v-model="draft.name"
          :label="m.spot.name"
          :error-messages="errors.name"
          name="spotName"
          autofocus
        />
        <v-select v-model="draft.light" :items="lights" :label="m.spot.light" />
        <div class="pair">
          <NumberField
            :model-value="draft.temperatureC === null ? null : temperatureFromC(draft.temperatureC)"
            :label="m.spot.temperature"
            :unit="temperatureUnit"
            :error="errors.temperatureC"
            @update:model-value="
              (typed) => (draft.temperatureC = typed === null ? null : temperatureToC(typed))
            "
          />
          <NumberField
            v-model="draft.humidityPercent"
            :label="m.spot.humidity"
            unit="%"
            :error="errors.relativeHumidity"
          />
          <NumberField
            v-model="draft.lampHours"
            :label="m.spot.lamp"
            unit="h"
            :error="errors.lampHours"
          />
          <NumberField
            v-model="draft.latitudeDeg"
            :label="m.spot.latitude"
            unit="°"
            :error="errors.latitudeDeg"
          />
        </div>
        <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
        <div class="row">
          <v-btn type="submit" color="primary" :loading="saving">{{ m.spot.add }}</v-btn>
          <v-btn variant="text" @click="open = false">{{ m.app.cancel }}</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
