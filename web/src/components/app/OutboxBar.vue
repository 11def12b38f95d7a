<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { onMounted } from 'vue';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useOutbox } from '../../stores/outbox.ts';

/** Says what still waits to be sent, and sends it as soon as it can. */
const outbox = useOutbox();
const notices = useNotices();
async function send(by: () => Promise<number> = outbox.send): Promise<void> {
  const sent = await by();
  if (sent > 0) notices.done(m.outbox.sent(sent));
}
onMounted(() => send());
useEventListener(window, 'online', () => send());
</script>

<template>
  <div v-if="outbox.parcels.length > 0" class="outbox no-print" role="status">
    <p v-if="outbox.waiting.length > 0" class="row">
      {{ m.outbox.waiting(outbox.waiting.length) }}
      <v-btn variant="outlined" :loading="outbox.sending" @click="send()">{{
        m.outbox.sendNow
      }}</v-btn>
    </p>
    <p v-for="(parcel, i) in outbox.refused" :key="i" class="row text-error">
      {{ m.outbox.refused(parcel.label, parcel.refused ?? '') }}
      <v-btn
        variant="outlined"
        :loading="outbox.sending"
        @click="send(() => outbox.again(parcel))"
        >{{ m.outbox.again }}</v-btn
      >
      <v-btn variant="text" @click="outbox.drop(parcel)">{{ m.outbox.drop }}</v-btn>
    </p>
  </div>
</template>

<style scoped>
.outbox {
  max-width: 1180px;
  margin: 0 auto;
  padding: 10px 24px 0;
}
</style>
