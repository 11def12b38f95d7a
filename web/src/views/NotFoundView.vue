<script setup lang="ts">
import { m } from '../messages/index.ts';
</script>

<template>
  <div class="page stack">
    <h1>{{ m.error.notFound }}</h1>
    <div>
      <v-btn color="primary" to="/rounds">{{ m.error.home }}</v-btn>
    </div>
  </div>
</template>
