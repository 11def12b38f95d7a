<script setup lang="ts">
import { computed } from 'vue';
import type { Fitting, PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import type { Fit } from '../../composables/useFit.ts';
import type { useSettling } from '../../composables/useSettling.ts';
import { m } from '../../messages/index.ts';

/** Settles on what stands on the page, or drops what was settled on; and leads to sheet and bench. */
const props = defineProps<{
  loaded: { file: PlantFile; fitting: Fitting };
  fit: Fit;
  settling: ReturnType<typeof useSettling>;
  /** others beside it for which the same is settled */
  alikeIds: readonly number[];
  /** what a thumb is to reach at once, or the rest; absent: all of it */
  part?: 'first' | 'rest';
}>();
const emit = defineEmits<{ settled: [] }>();
const { settled, piecesRefused } = props.fit;
const { kept, same, saving, settle } = props.settling;
const { day } = useDates();
async function settleOnThis(): Promise<void> {
  // Those beside it are settled with it once.
  if (await settle(settled.value, m.fit.used, props.alikeIds)) emit('settled');
}
const settledAlready = computed(
  () => kept.value !== null && same.value && props.alikeIds.length === 0,
);
</script>

<template>
  <div v-if="settled" class="row no-print">
    <v-btn
      v-if="part !== 'rest'"
      color="primary"
      size="large"
      min-height="52"
      :disabled="settledAlready || Boolean(piecesRefused)"
      :loading="saving"
      @click="settleOnThis"
      >{{
        settledAlready && part ? m.fit.settledOn(day(kept!.date)) : m.fit.useOf(1 + alikeIds.length)
      }}</v-btn
    >
    <v-btn
      v-if="kept && part !== 'rest'"
      variant="outlined"
      :class="{ solid: part }"
      :to="`/plants/${loaded.file.plant.id}/sheet`"
      >{{ m.fit.sheet }}</v-btn
    >
    <v-btn
      v-if="part !== 'first' || !kept"
      variant="outlined"
      :class="{ solid: part }"
      :to="`/plants/${loaded.file.plant.id}/bench`"
      >{{ m.bench.open }}</v-btn
    >
    <v-btn v-if="kept && part !== 'first'" variant="text" @click="settle(null, m.fit.dropped)">{{
      m.fit.drop
    }}</v-btn>
    <span v-if="kept && (!part || (part === 'rest' && !same))" class="quiet small">{{
      same ? m.fit.settledOn(day(kept.date)) : m.fit.changed
    }}</span>
  </div>
</template>

<style scoped>
/* It stands over what scrolls past. */
.solid {
  background: rgb(var(--v-theme-surface));
}
</style>
