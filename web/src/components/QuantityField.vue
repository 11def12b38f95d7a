<script setup lang="ts">
import { computed } from 'vue';
import { useUnits, type Measure } from '../composables/useUnits.ts';
import NumberField from './NumberField.vue';

/** A length, volume, weight or temperature: kept in metric, typed and shown in the keeper's units. */
const props = defineProps<{
  /** cm, L, kg or °C */
  modelValue: number | null;
  of: Measure;
  label: string;
  error?: string;
  hint?: string;
  name?: string;
}>();
const emit = defineEmits<{
  'update:modelValue': [value: number | null];
  settled: [value: number | null];
}>();
const { measures } = useUnits();
const measure = computed(() => measures.value[props.of]);
const shown = computed(() =>
  props.modelValue == null ? null : measure.value.from(props.modelValue),
);
const metric = (value: number | null) => (value === null ? null : measure.value.to(value));
</script>

<template>
  <NumberField
    :model-value="shown"
    :unit="measure.unit"
    :label="label"
    :error="error"
    :hint="hint"
    :name="name"
    @update:model-value="(value) => emit('update:modelValue', metric(value))"
    @settled="(value) => emit('settled', metric(value))"
  />
</template>
