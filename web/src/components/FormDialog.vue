<script setup lang="ts">
import { m } from '../messages/index.ts';

/** A form that opens over the page: its fields scroll, its fault stands above its buttons. */
defineProps<{ title: string; save: string; saving?: boolean; fault?: string; width?: number }>();
const open = defineModel<boolean>({ required: true });
defineEmits<{ submit: [] }>();
</script>

<template>
  <v-dialog v-model="open" :max-width="width ?? 700" scrollable>
    <v-card>
      <form class="form stack" novalidate @submit.prevent="$emit('submit')">
        <h2>{{ title }}</h2>
        <slot />
        <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
        <div class="row">
          <v-btn type="submit" color="primary" :loading="saving">{{ save }}</v-btn>
          <v-btn variant="text" @click="open = false">{{ m.app.cancel }}</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.form {
  overflow: auto;
  padding: 20px;
}
</style>
