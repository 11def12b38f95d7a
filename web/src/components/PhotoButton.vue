<script setup lang="ts">
import { mdiCameraOutline } from '@mdi/js';
import { ref } from 'vue';
import type { Photo } from '../api/types.ts';
import { sendPhoto } from '../composables/usePhoto.ts';
import { useNotices } from '../stores/notices.ts';

/** Takes a picture of a plant and sends it at once. */
const props = defineProps<{ plantId: number; date: string; label: string }>();
const emit = defineEmits<{ taken: [photo: Photo] }>();
const notices = useNotices();
const sending = ref(false);

async function send(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement;
  const [picture] = field.files ?? [];
  field.value = '';
  if (!picture) return;
  sending.value = true;
  try {
    emit('taken', await sendPhoto(props.plantId, props.date, picture));
  } catch (error) {
    notices.say((error as Error).message);
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <v-btn
    tag="label"
    variant="outlined"
    min-height="52"
    :prepend-icon="mdiCameraOutline"
    :loading="sending"
  >
    {{ label }}
    <input
      class="field"
      type="file"
      accept="image/*"
      capture="environment"
      :aria-label="label"
      @change="send"
    />
  </v-btn>
</template>

<style scoped>
.field {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
</style>
