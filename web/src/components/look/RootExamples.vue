<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import { rootBall } from './rootDrawing.ts';

/** A share read off a ball by matching it against drawn ones: nobody types a percentage. */
const props = defineProps<{
  of: 'ballCover' | 'liveRoots';
  modelValue: number | undefined;
  labelledBy: string;
}>();
const emit = defineEmits<{ choose: [value: number] }>();

const LEVELS = {
  ballCover: [0.1, 0.3, 0.5, 0.65, 0.8, 1],
  liveRoots: [0.1, 0.3, 0.5, 0.7, 0.85, 1],
};
/** Cover of the balls that show how many roots are alive. */
const COVER_OF_LIVE = 0.55;
const examples = computed(() =>
  LEVELS[props.of].map((value) => ({
    value,
    roots:
      props.of === 'ballCover'
        ? rootBall(value, 1, 'cover')
        : rootBall(COVER_OF_LIVE, value, 'alive'),
  })),
);
</script>

<template>
  <div class="examples" role="group" :aria-labelledby="labelledBy">
    <button
      v-for="{ value, roots } in examples"
      :key="value"
      type="button"
      :class="{ chosen: modelValue === value }"
      :aria-pressed="modelValue === value"
      @click="emit('choose', value)"
    >
      <svg viewBox="0 0 96 84" aria-hidden="true">
        <path d="M6 4 H90 L79 82 H17 Z" class="ball" />
        <path
          v-for="(root, i) in roots"
          :key="i"
          :d="root.d"
          :class="root.alive ? 'alive' : 'dead'"
        />
      </svg>
      <span>{{ m.verdictPage.share(Math.round(value * 100)) }}</span>
    </button>
  </div>
  <p class="quiet hint">{{ of === 'ballCover' ? m.look.matchCover : m.look.matchAlive }}</p>
</template>

<style scoped>
.examples {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px;
}
button {
  display: grid;
  justify-items: center;
  gap: 2px;
  min-height: 48px;
  padding: 6px 4px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.45);
  border-radius: 10px;
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  cursor: pointer;
}
button.chosen {
  border-color: rgb(var(--v-theme-primary));
  box-shadow: inset 0 0 0 2.5px rgb(var(--v-theme-primary));
  font-weight: 700;
}
svg {
  width: 100%;
  max-width: 110px;
}
.ball {
  fill: #4a3a2c;
  stroke: rgb(var(--v-theme-on-surface), 0.6);
}
.alive,
.dead {
  fill: none;
  stroke-linecap: round;
}
.alive {
  stroke: #f4ead2;
  stroke-width: 2.6;
}
.dead {
  stroke: #b98a5a;
  stroke-width: 1.5;
  stroke-dasharray: 2.2 2.6;
}
.hint {
  font-size: 0.88rem;
  margin-top: 4px;
}
</style>
