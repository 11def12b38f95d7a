<script setup lang="ts">
import { mdiDeleteOutline, mdiPlus } from '@mdi/js';
import { LARGEST_POT_CM, rimCm, SMALLEST_POT_CM } from '@fernbank/core';
import { ref } from 'vue';
import { api, ApiError, wordsFor } from '../api/client.ts';
import type { Page, ShelfPot } from '../api/types.ts';
import PotCutaway from '../components/cutaway/PotCutaway.vue';
import FetchState from '../components/FetchState.vue';
import NumberField from '../components/NumberField.vue';
import { emptyPot, potErrors, potFromEntry } from '../components/potEntry.ts';
import PotFields from '../components/PotFields.vue';
import RecordNav from '../components/RecordNav.vue';
import { useDraft } from '../composables/useDraft.ts';
import { useLoaded } from '../composables/useLoaded.ts';
import { useUnits } from '../composables/useUnits.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';

const notices = useNotices();
const { length, volume } = useUnits();
const {
  value: pots,
  fault,
  load,
} = useLoaded(() =>
  api<Page<ShelfPot>>('/pots?limit=1000').then(({ items }) =>
    items.sort((a, b) => (a.fillL ?? 0) - (b.fillL ?? 0)),
  ),
);
const { draft, clear } = useDraft('shelf', () => ({
  label: '',
  count: 1 as number | null,
  pot: emptyPot(),
}));
const errors = ref<Record<string, string>>({});
const saveFault = ref('');
async function add(): Promise<void> {
  const { pot, count, label } = draft.value;
  const range = `${length(SMALLEST_POT_CM)} – ${length(LARGEST_POT_CM)}`;
  errors.value = potErrors(
    pot,
    { required: m.form.required, range },
    SMALLEST_POT_CM,
    LARGEST_POT_CM,
  );
  saveFault.value = '';
  if (Object.keys(errors.value).length > 0) return;
  const shape = potFromEntry(pot)!;
  try {
    await api('/pots', {
      method: 'POST',
      body: {
        label: label.trim() || length(rimCm(shape)),
        shape,
        material: pot.material,
        count: count ?? 1,
      },
    });
    clear();
    notices.done(m.shelf.added);
    await load();
  } catch (error) {
    const field = error instanceof ApiError ? (error.field?.split('.').pop() ?? '') : '';
    errors.value = field ? { [field]: wordsFor(error) } : {};
    saveFault.value = wordsFor(error);
  }
}
async function remove(pot: ShelfPot): Promise<void> {
  try {
    await api(`/pots/${pot.id}`, { method: 'DELETE', rev: pot.rev });
    await load();
    notices.done(m.shelf.removed, async () => {
      const { label, shape, material, count, emptyKg } = pot;
      await api('/pots', { method: 'POST', body: { label, shape, material, count, emptyKg } });
      await load();
    });
  } catch (error) {
    notices.fault(error);
  }
}
const subject = (pot: ShelfPot) => ({
  name: pot.label,
  pot: pot.shape,
  material: pot.material,
  mediumKind: 'peatSoil' as const,
});
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.shelf.title }}</h1>
      <RecordNav at="shelf" />
    </header>
    <p class="quiet">{{ m.shelf.intro }}</p>
    <FetchState :fault="fault" :loading="!pots" @retry="load" />
    <p v-if="pots && pots.length === 0" class="panel">{{ m.shelf.empty }}</p>
    <ul class="shelf">
      <li v-for="pot in pots ?? []" :key="pot.id">
        <PotCutaway :subject="subject(pot)" :px-per-cm="3.2" :crown-cm="0" />
        <strong>{{ pot.label }}</strong>
        <span class="quiet">{{ length(rimCm(pot.shape)) }} · {{ volume(pot.fillL ?? 0) }}</span>
        <span>{{ pot.free }} / {{ pot.count }} {{ m.shelf.free }}</span>
        <v-btn
          :icon="mdiDeleteOutline"
          variant="text"
          size="48"
          :aria-label="`${m.shelf.remove}: ${pot.label}`"
          :disabled="pot.free < pot.count"
          @click="remove(pot)"
        />
      </li>
    </ul>
    <form class="panel stack" novalidate @submit.prevent="add">
      <h2>{{ m.shelf.add }}</h2>
      <div class="row fields">
        <v-text-field
          v-model="draft.label"
          :label="`${m.shelf.label} (${m.app.optional})`"
          :error-messages="errors.label"
        />
        <NumberField v-model="draft.count" :label="m.shelf.count" :error="errors.count" />
      </div>
      <PotFields v-model="draft.pot" :errors="errors" />
      <p v-if="saveFault" role="alert" class="text-error">{{ saveFault }}</p>
      <div>
        <v-btn type="submit" color="primary" :prepend-icon="mdiPlus" min-height="48">{{
          m.shelf.add
        }}</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped>
.shelf {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
  align-items: flex-end;
}
.shelf li {
  display: grid;
  justify-items: center;
}
.fields > * {
  flex: 1 1 200px;
}
</style>
