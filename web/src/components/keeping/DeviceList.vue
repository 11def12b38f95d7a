<script setup lang="ts">
import { api } from '../../api/client.ts';
import type { DeviceRow } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useOffline } from '../../stores/offline.ts';

/** Devices that are signed in, each to be signed out. */
defineProps<{ devices: readonly DeviceRow[] }>();
const emit = defineEmits<{ changed: [] }>();
const notices = useNotices();
const offline = useOffline();
const { moment } = useDates();

async function signOut(device: DeviceRow): Promise<void> {
  try {
    await api(device.here ? '/door' : `/devices/${device.id}`, { method: 'DELETE' });
    if (device.here) await offline.forget();
    notices.done(m.keeping.devices.outNow);
    emit('changed');
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <ul class="bare parted">
    <li v-for="device in devices" :key="device.id">
      <span>
        <strong>{{ device.label }}</strong>
        <span v-if="device.here" class="quiet">{{ m.keeping.devices.here }}</span>
        <span v-if="device.scope === 'calendar'" class="quiet">{{
          m.keeping.devices.calendar
        }}</span>
        <span class="quiet">{{ m.keeping.devices.seen(moment(device.seen)) }}</span>
      </span>
      <v-btn
        variant="outlined"
        :aria-label="`${m.keeping.devices.out}: ${device.label}`"
        @click="signOut(device)"
        >{{ m.keeping.devices.out }}</v-btn
      >
    </li>
  </ul>
</template>
