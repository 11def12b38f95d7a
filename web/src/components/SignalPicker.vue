<script setup lang="ts">
import { possibleValues, type SignalDefinition, type SignalValue } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../messages/index.ts';

/** One question of a look. Tapping the chosen answer again makes it "not looked". */
const props = defineProps<{ definition: SignalDefinition; modelValue: SignalValue | undefined }>();
const emit = defineEmits<{ 'update:modelValue': [value: SignalValue | undefined] }>();

const answers = computed(() =>
  props.definition.kind === 'share'
    ? possibleValues(props.definition).map(({ value }) => ({
        value,
        label: m.verdictPage.share(Math.round(Number(value) * 100)),
      }))
    : [...props.definition.choices],
);
const labelId = computed(() => `signal-${props.definition.id}`);
const choose = (value: SignalValue) =>
  emit('update:modelValue', props.modelValue === value ? undefined : value);
</script>

<template>
  <div class="question">
    <div :id="labelId" class="label">
      {{ definition.label }}
      <span v-if="modelValue === undefined" class="quiet not">{{ m.look.clear }}</span>
    </div>
    <div class="answers" role="group" :aria-labelledby="labelId">
      <button
        v-for="answer in answers"
        :key="String(answer.value)"
        type="button"
        :class="{ chosen: modelValue === answer.value }"
        :aria-pressed="modelValue === answer.value"
        @click="choose(answer.value)"
      >
        <svg v-if="definition.kind === 'share'" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="10" cy="10" r="8.5" class="ring" />
          <circle cx="10" cy="10" :r="8.5 * Math.sqrt(Number(answer.value))" class="disc" />
        </svg>
        {{ answer.label }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.question {
  padding: 9px 0 11px;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.1);
}
.label {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  font-weight: 700;
  margin-bottom: 6px;
}
.not {
  font-weight: 400;
  font-size: 0.85rem;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
button {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 7px;
  min-height: 48px;
  min-width: 64px;
  padding: 0 14px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.45);
  border-radius: 10px;
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  flex: 1 1 auto;
  cursor: pointer;
}
button.chosen {
  background: rgb(var(--v-theme-primary));
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
  font-weight: 700;
}
svg {
  width: 22px;
  height: 22px;
}
.ring {
  fill: none;
  stroke: currentColor;
}
.disc {
  fill: currentColor;
}
</style>
