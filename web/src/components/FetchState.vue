<script setup lang="ts">
import { m } from '../messages/index.ts';

/** What stands in for a view while it is fetched or when it could not be. */
defineProps<{ fault: string; loading: boolean }>();
defineEmits<{ retry: [] }>();
</script>

<template>
  <div v-if="fault" class="panel stack" role="alert">
    <h2>{{ m.error.title }}</h2>
    <p>{{ fault }}</p>
    <div>
      <v-btn color="primary" @click="$emit('retry')">{{ m.app.retry }}</v-btn>
    </div>
  </div>
  <p v-else-if="loading" class="quiet" role="status" aria-busy="true">{{ m.app.loading }}</p>
</template>
