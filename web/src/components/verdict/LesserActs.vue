<script setup lang="ts">
import { CARE_KINDS, lesserActLabel, type CareKind, type LesserAct } from '@fernbank/core';
import { mdiCheck } from '@mdi/js';
import { ref } from 'vue';
import { write } from '../../api/client.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** What pays now instead of another pot, or until then; once it is done, the findings that it answers end. */
const props = defineProps<{ plantId: number; acts: readonly LesserAct[] }>();
const emit = defineEmits<{ done: [] }>();
const settings = useSettings();
const notices = useNotices();
const saving = ref(false);

const isCare = (act: LesserAct): act is LesserAct & CareKind =>
  (CARE_KINDS as readonly string[]).includes(act);

async function done(kind: CareKind): Promise<void> {
  saving.value = true;
  try {
    const body = {
      plantId: props.plantId,
      date: settings.current.today,
      measurements: [{ kind, value: 1 }],
    };
    const { deed } = await write('/visits', { method: 'POST', body });
    notices.done(m.care.noted(m.care.done[kind]), { deed, back: () => emit('done') });
    emit('done');
  } catch (error) {
    notices.fault(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <ul class="acts">
    <li v-for="act in acts" :key="act">
      <span
        ><strong>{{ m.verdictPage.meanwhile }}:</strong> {{ lesserActLabel(act) }}</span
      >
      <v-btn
        v-if="isCare(act)"
        variant="outlined"
        min-height="48"
        :prepend-icon="mdiCheck"
        :disabled="saving"
        @click="done(act)"
        >{{ m.care.doneToday }}</v-btn
      >
    </li>
  </ul>
</template>

<style scoped>
.acts {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 8px;
}
.acts li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
</style>
