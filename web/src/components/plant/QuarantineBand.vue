<script setup lang="ts">
import { ref } from 'vue';
import { write } from '../../api/client.ts';
import type { PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** A plant that is kept apart: since when, why, and how it is cleared; or the way to put it apart. */
const props = defineProps<{ file: PlantFile }>();
const emit = defineEmits<{ changed: [] }>();
const notices = useNotices();
const settings = useSettings();
const { full } = useDates();
const saving = ref(false);

/** The keeper's word, with its way back. */
async function say(
  body: { apartSince?: string | null; clearedOn?: string | null },
  told: string,
): Promise<void> {
  const { id, rev } = props.file.plant;
  saving.value = true;
  try {
    const { deed } = await write(`/plants/${id}`, { method: 'PATCH', body, rev });
    emit('changed');
    notices.done(told, { deed, back: () => emit('changed') });
  } catch (error) {
    notices.fault(error);
  } finally {
    saving.value = false;
  }
}
const clear = () => say({ clearedOn: settings.current.today }, m.quarantine.cleared);
const putApart = () =>
  say({ apartSince: settings.current.today, clearedOn: null }, m.quarantine.apart);
</script>

<template>
  <section v-if="file.quarantine" class="panel caution-panel">
    <div>
      <strong>{{ m.quarantine.title }}</strong>
      {{ m.quarantine.since(full(file.quarantine.since)) }}: {{ file.quarantine.text }}
      <template v-if="file.quarantine.until"
        >({{ m.quarantine.until(full(file.quarantine.until), file.quarantine.why) }})</template
      >.
      <span class="quiet">{{ m.quarantine.keeps }}</span>
    </div>
    <v-btn variant="outlined" :loading="saving" @click="clear">{{ m.quarantine.clear }}</v-btn>
  </section>
  <div v-else>
    <v-btn variant="text" :loading="saving" @click="putApart">{{ m.quarantine.putApart }}</v-btn>
  </div>
</template>

<style scoped>
.caution-panel {
  border-left: 5px solid rgb(var(--v-theme-error));
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
}
@media (max-width: 700px) {
  .caution-panel {
    display: grid;
  }
}
</style>
