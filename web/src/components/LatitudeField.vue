<script setup lang="ts">
import { computed } from 'vue';
import { guessedHere } from '../composables/whereabouts.ts';
import { m } from '../messages/index.ts';
import NumberField from './NumberField.vue';

/** How far from the equator: where nobody has said it yet it stands as this device's clock has it, and says so. */
const deg = defineModel<number | null>({ required: true });
const props = defineProps<{
  /** no spot tells it yet */
  first: boolean;
  error?: string | undefined;
}>();
const here = guessedHere();
const hint = computed(() =>
  props.first && deg.value === here.spot.latitudeDeg ? m.ask.guess[here.from] : m.spot.latitudeHint,
);
</script>

<template>
  <NumberField v-model="deg" :label="m.spot.latitude" unit="°" :hint :error="error ?? ''" />
</template>
