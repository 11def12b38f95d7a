<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { m } from '../messages/index.ts';
import { typedNumber } from './typedNumber.ts';

/** A number as it is typed, decimal comma or point; what is no number stays visible and is named. */
const props = defineProps<{
  modelValue: number | null;
  label: string;
  unit?: string;
  error?: string;
  hint?: string;
  name?: string;
}>();
const emit = defineEmits<{
  'update:modelValue': [value: number | null];
  /** it is typed to its end: for what is written at once */
  settled: [value: number | null];
}>();

/** Converted there and back, a number is the one that was typed. */
const ROUNDING = 0.006;

const text = ref(props.modelValue === null ? '' : String(props.modelValue));
const parse = (typed: string) => typedNumber(typed, props.unit);
watch(
  () => props.modelValue,
  (value) => {
    const shown = parse(text.value);
    const same = value !== null && Math.abs(shown - value) < ROUNDING;
    if (value !== null && !same) text.value = String(value);
    if (value === null && text.value !== '' && Number.isFinite(shown)) text.value = '';
  },
);
const nonsense = computed(() => text.value.trim() !== '' && !Number.isFinite(parse(text.value)));
function typed(value: string | null): void {
  text.value = value ?? '';
  emit('update:modelValue', read());
}
function read(): number | null {
  const number = parse(text.value);
  return text.value.trim() === '' || !Number.isFinite(number) ? null : number;
}
</script>

<template>
  <v-text-field
    :model-value="text"
    :label="label"
    :suffix="unit"
    :error-messages="nonsense ? m.form.number : error"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :name="name"
    inputmode="decimal"
    autocomplete="off"
    @update:model-value="typed"
    @change="nonsense || emit('settled', read())"
  />
</template>
