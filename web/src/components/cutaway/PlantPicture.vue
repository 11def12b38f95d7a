<script setup lang="ts">
import { computed, ref } from 'vue';
import PlantOutline from './PlantOutline.vue';
import type { OutlineSubject } from './outline.ts';

/** A plant in a list: its own newest picture where there is one, else drawn as it is, at the scale of its list. */
const props = defineProps<{
  subject: OutlineSubject;
  /** id of its newest picture */
  photo: number | null;
  pxPerCm: number;
  mostCm: number;
  roomCm: number;
}>();
/** One whose file is missing is drawn. */
const missing = ref<number | null>(null);
const shown = computed(() => (props.photo === missing.value ? null : props.photo));
const LEAST_PX = 64;
const MOST_PX = 104;
const sidePx = computed(() =>
  Math.min(MOST_PX, Math.max(LEAST_PX, (props.roomCm || props.mostCm) * props.pxPerCm)),
);
</script>

<template>
  <img
    v-if="shown !== null"
    :src="`/api/photos/${shown}`"
    :width="sidePx"
    :height="sidePx"
    alt=""
    loading="lazy"
    decoding="async"
    class="own"
    @error="missing = shown"
  />
  <PlantOutline
    v-else
    :subject="subject"
    :px-per-cm="pxPerCm"
    :most-cm="mostCm"
    :room-cm="roomCm"
  />
</template>

<style scoped>
.own {
  display: block;
  object-fit: cover;
  border-radius: 8px;
  background: rgb(var(--v-theme-on-surface), 0.06);
}
</style>
