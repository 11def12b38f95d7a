<script setup lang="ts" generic="Value extends string | number">
/** One of a few, each a tap; tapping the chosen one takes it back. */
const props = defineProps<{
  label: string;
  choices: readonly { value: Value; title: string }[];
  modelValue: Value | null;
  /** words, not numbers */
  wide?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: Value | null] }>();
const tap = (value: Value) => emit('update:modelValue', props.modelValue === value ? null : value);
</script>

<template>
  <div :class="['tiles', wide ? 'tiny' : 'thumbs']" role="group" :aria-label="label">
    <button
      v-for="{ value, title } in choices"
      :key="value"
      type="button"
      class="tap"
      :aria-pressed="modelValue === value"
      @click="tap(value)"
    >
      {{ title }}
    </button>
  </div>
</template>

<style scoped>
button {
  padding: 4px 8px;
}
</style>
