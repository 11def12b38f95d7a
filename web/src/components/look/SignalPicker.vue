<script setup lang="ts">
import type { SignalDefinition, SignalValue } from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import RootExamples from './RootExamples.vue';
import SignalDrawing from './SignalDrawing.vue';

/** One question of a look. Tapping the chosen answer again makes it "not looked". */
const props = defineProps<{ definition: SignalDefinition; modelValue: SignalValue | undefined }>();
const emit = defineEmits<{ 'update:modelValue': [value: SignalValue | undefined] }>();

const answers = computed(() => (props.definition.kind === 'share' ? [] : props.definition.choices));
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
    <RootExamples
      v-if="definition.id === 'ballCover' || definition.id === 'liveRoots'"
      :of="definition.id"
      :model-value="typeof modelValue === 'number' ? modelValue : undefined"
      :labelled-by="labelId"
      @choose="choose"
    />
    <div v-else class="answers" role="group" :aria-labelledby="labelId">
      <button
        v-for="answer in answers"
        :key="String(answer.value)"
        type="button"
        class="tap"
        :aria-pressed="modelValue === answer.value"
        @click="choose(answer.value)"
      >
        <SignalDrawing :signal="definition.id" :value="answer.value" />
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
  min-height: 64px;
  min-width: 96px;
  padding: 3px 12px 3px 6px;
  flex: 1 1 auto;
}
</style>
