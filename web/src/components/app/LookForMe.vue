<script setup lang="ts">
import { ref } from 'vue';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** In the garden made up for trying: fills in what a look would find. */
const props = defineProps<{ look: () => Promise<void> }>();
const settings = useSettings();
const notices = useNotices();
const looking = ref(false);
const looked = ref(false);
async function lookForMe(): Promise<void> {
  looking.value = true;
  try {
    await props.look();
    looked.value = true;
  } catch (error) {
    notices.fault(error);
  } finally {
    looking.value = false;
  }
}
</script>

<template>
  <p v-if="settings.current.clock" class="row">
    <v-btn variant="outlined" :loading="looking" @click="lookForMe">{{ m.demo.look }}</v-btn>
    <span class="quiet" role="status">{{ looked ? m.demo.looked : m.demo.lookHint }}</span>
  </p>
</template>
