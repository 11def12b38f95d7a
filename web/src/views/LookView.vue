<script setup lang="ts">
import { SIGNAL_GROUPS, SIGNALS, type SignalValue } from '@fernbank/core';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, wordsFor } from '../api/client.ts';
import type { Look, PlantFile } from '../api/types.ts';
import FetchState from '../components/FetchState.vue';
import NumberField from '../components/NumberField.vue';
import PlantHeader from '../components/PlantHeader.vue';
import SignalPicker from '../components/SignalPicker.vue';
import { useDraft } from '../composables/useDraft.ts';
import { useLoaded } from '../composables/useLoaded.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';
import { useSettings } from '../stores/settings.ts';

const route = useRoute();
const router = useRouter();
const notices = useNotices();
const settings = useSettings();
const { weightUnit, weightToKg, lengthUnit, lengthToCm } = useUnits();
const id = Number(route.params.id);

const { value: file, fault, load } = useLoaded(() => api<PlantFile>(`/plants/${id}/file`));

interface LookDraft {
  date: string;
  signals: Record<string, SignalValue>;
  unpotted: boolean;
  weight: number | null;
  height: number | null;
  note: string;
}
const { draft, restored, clear } = useDraft<LookDraft>(`look.${id}`, () => ({
  date: settings.current.today,
  signals: {},
  unpotted: false,
  weight: null,
  height: null,
  note: '',
}));

const groups = computed(() =>
  SIGNAL_GROUPS.filter((group) => !group.unpotted || draft.value.unpotted).map((group) => ({
    ...group,
    signals: SIGNALS.filter((definition) => definition.group === group.id),
  })),
);
function answer(signal: string, value: SignalValue | undefined): void {
  const { [signal]: _before, ...others } = draft.value.signals;
  draft.value.signals = value === undefined ? others : { ...others, [signal]: value };
}
const answers = computed(
  () =>
    Object.keys(draft.value.signals).length +
    Number(draft.value.weight !== null) +
    Number(draft.value.height !== null) +
    Number(draft.value.note.trim() !== ''),
);

const errors = ref<Record<string, string>>({});
const saveFault = ref('');
const saving = ref(false);

async function save(): Promise<void> {
  errors.value = {};
  saveFault.value = '';
  if (answers.value === 0) {
    saveFault.value = m.look.nothing;
    return;
  }
  saving.value = true;
  try {
    const { date, signals, note, weight, height } = draft.value;
    const measured = [
      ...(weight === null ? [] : [{ kind: 'weightKg', value: weightToKg(weight) }]),
      ...(height === null ? [] : [{ kind: 'heightCm', value: lengthToCm(height) }]),
    ];
    for (const measurement of measured) {
      await api('/measurements', { method: 'POST', body: { plantId: id, date, ...measurement } });
      // What was sent is not sent twice when a later part fails.
      if (measurement.kind === 'weightKg') draft.value.weight = null;
      else draft.value.height = null;
    }
    if (Object.keys(signals).length > 0 || note.trim()) {
      const look = await api<Look>('/looks', {
        method: 'POST',
        body: { plantId: id, date, signals, note },
      });
      notices.done(m.look.saved, async () => {
        await api(`/looks/${look.id}`, { method: 'DELETE' });
        await router.push(`/plants/${id}`);
      });
    }
    clear();
    await router.push(`/plants/${id}/verdict`);
  } catch (error) {
    const field = error instanceof ApiError ? error.field : undefined;
    if (field === 'date' || field === 'value') errors.value = { [field]: wordsFor(error) };
    else saveFault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <form v-if="file" class="stack" novalidate @submit.prevent="save">
      <PlantHeader :file="file" at="look" />
      <p class="quiet">{{ m.look.hint }}</p>
      <p v-if="restored" class="row">
        {{ m.app.draftKept }}
        <v-btn size="small" variant="outlined" @click="clear">{{ m.app.startOver }}</v-btn>
      </p>
      <div class="groups">
        <section v-for="group in groups" :key="group.id" class="panel">
          <h2>{{ group.label }}</h2>
          <SignalPicker
            v-for="definition in group.signals"
            :key="definition.id"
            :definition="definition"
            :model-value="draft.signals[definition.id]"
            @update:model-value="(value) => answer(definition.id, value)"
          />
        </section>
        <section class="panel stack">
          <v-btn
            :variant="draft.unpotted ? 'flat' : 'outlined'"
            color="primary"
            min-height="48"
            :aria-pressed="draft.unpotted"
            @click="draft.unpotted = !draft.unpotted"
          >
            {{ m.look.unpotted }}
          </v-btn>
          <NumberField
            v-model="draft.weight"
            :label="m.look.weight"
            :unit="weightUnit"
            :error="errors.value"
          />
          <NumberField v-model="draft.height" :label="m.look.height" :unit="lengthUnit" />
          <v-textarea v-model="draft.note" :label="m.look.note" rows="2" auto-grow />
          <v-text-field
            v-model="draft.date"
            type="date"
            :label="m.look.date"
            :max="settings.current.today"
            :error-messages="errors.date"
            name="date"
          />
        </section>
      </div>
      <div class="bar">
        <p v-if="saveFault" role="alert" class="text-error">{{ saveFault }}</p>
        <v-btn type="submit" color="primary" size="large" block min-height="54" :loading="saving">
          {{ m.look.save(answers) }}
        </v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped>
.groups {
  columns: 2 440px;
  column-gap: 14px;
}
.groups > section {
  break-inside: avoid;
  margin-bottom: 14px;
}
.bar {
  position: sticky;
  bottom: 0;
  padding: 10px 0;
  background: linear-gradient(transparent, rgb(var(--v-theme-background)) 22%);
  z-index: 5;
}
@media (max-width: 960px) {
  .bar {
    bottom: 58px;
  }
}
</style>
