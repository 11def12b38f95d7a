<script setup lang="ts">
import { mdiPrinter } from '@mdi/js';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import { useDay } from '../../stores/day.ts';
import PlaceTabs from '../PlaceTabs.vue';
import NoPlan from './NoPlan.vue';

/** A room of the day that reads its plan: the plan is there in its slot, or what to do about it. */
defineProps<{ title: string; prints?: boolean }>();
const store = useDay();
const hasPlan = computed(() => (store.laid?.lines.length ?? 0) > 0);
const print = () => window.print();
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ title }}</h1>
      <v-btn
        v-if="prints && hasPlan"
        variant="outlined"
        class="no-print"
        :prepend-icon="mdiPrinter"
        @click="print"
        >{{ m.day.print }}</v-btn
      >
    </header>
    <PlaceTabs of="day" />
    <NoPlan v-if="!hasPlan" />
    <slot v-else />
  </div>
</template>
