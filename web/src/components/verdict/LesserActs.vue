<script setup lang="ts">
import {
  CARE_KINDS,
  lesserActLabel,
  type CareKind,
  type LesserAct,
  measurement,
} from '@fernbank/core';
import { mdiCheck } from '@mdi/js';
import { ref } from 'vue';
import { write } from '../../api/client.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** What pays now instead of another pot, or until then; once it is done, the findings that it answers end. */
const props = defineProps<{
  plantId: number;
  acts: readonly LesserAct[];
  /** nothing else is asked for: the headline says the first of them */
  first: boolean;
  /** they belong to a what-if: nothing is noted of what was only asked */
  asked: boolean;
  /** called when something was noted or taken back, also once nothing is to be done here any more */
  changed: () => unknown;
}>();
const settings = useSettings();
const notices = useNotices();
const saving = ref(false);

const isCare = (act: LesserAct): act is LesserAct & CareKind =>
  (CARE_KINDS as readonly string[]).includes(act);

async function done(kind: CareKind): Promise<void> {
  saving.value = true;
  try {
    // Its minute tells it from the same act earlier that day, done before it was found again.
    const now = new Date();
    const body = {
      plantId: props.plantId,
      date: settings.current.today,
      minute: now.getHours() * 60 + now.getMinutes(),
      measurements: [{ kind, value: 1 }],
    };
    const { deed } = await write('/visits', { method: 'POST', body });
    notices.done(m.care.noted(measurement(kind).label), { deed, back: props.changed });
    await props.changed();
  } catch (error) {
    notices.fault(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <div>
    <ul class="bare now">
      <li v-for="act in acts" :key="act">
        <span v-if="!(first && acts.length === 1)"
          ><strong>{{ m.verdictPage.meanwhile }}:</strong> {{ lesserActLabel(act) }}</span
        >
        <v-btn
          v-if="isCare(act) && !asked"
          :variant="first ? 'flat' : 'outlined'"
          color="primary"
          :prepend-icon="mdiCheck"
          :disabled="saving"
          @click="done(act)"
          >{{ m.care.doneToday }}</v-btn
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.now {
  display: grid;
  gap: 8px;
}
.now li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
</style>
