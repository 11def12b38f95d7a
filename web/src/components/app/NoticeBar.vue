<script setup lang="ts">
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';

const notices = useNotices();
/** Long enough to see what was said and to take it back with a hand that is full. */
const NOTICE_MS = 10_000;
</script>

<template>
  <!-- Each notice has its own time: a second one does not end with the first. -->
  <v-snackbar
    :key="notices.turn"
    :model-value="notices.current !== null"
    :color="notices.current?.kind === 'fault' ? 'error' : 'slate'"
    :timeout="notices.current?.kind === 'fault' ? -1 : NOTICE_MS"
    location="bottom"
    class="notice"
    @update:model-value="(open: boolean) => !open && notices.clear()"
  >
    <span role="status">{{ notices.current?.text }}</span>
    <template #actions>
      <v-btn v-if="notices.current?.undo" variant="text" @click="notices.undo">
        {{ m.app.undo }}
      </v-btn>
      <v-btn variant="text" @click="notices.clear()">{{ m.app.close }}</v-btn>
    </template>
  </v-snackbar>
</template>

<style scoped>
@media (max-width: 960px) {
  .notice {
    margin-bottom: 66px;
  }
}
</style>
