<script setup lang="ts">
import { computed } from 'vue';
import { m } from '../../messages/index.ts';

/** Others of its kind beside it, of which the same is said; each can be left out by a tap. */
const props = defineProps<{
  alike: readonly { id: number; name: string }[];
  /** what stays of one plant alone; absent: pictures and measures of a look */
  hint?: string;
}>();
/** ids of those that look just the same */
const chosen = defineModel<number[]>({ required: true });
const all = computed(() => chosen.value.length > 0);
const setAll = (on: boolean) => (chosen.value = on ? props.alike.map(({ id }) => id) : []);
const isChosen = (id: number) => chosen.value.includes(id);
function toggle(id: number): void {
  chosen.value = isChosen(id) ? chosen.value.filter((one) => one !== id) : [...chosen.value, id];
}
</script>

<template>
  <section class="panel stack">
    <v-checkbox
      :model-value="all"
      :label="m.look.alike(alike.length)"
      hide-details
      @update:model-value="(on: boolean | null) => setAll(on === true)"
    />
    <template v-if="all">
      <p class="quiet small">{{ hint ?? m.look.alikeHint }}</p>
      <div class="row" role="group" :aria-label="m.look.alike(alike.length)">
        <v-btn
          v-for="other in alike"
          :key="other.id"
          :variant="isChosen(other.id) ? 'flat' : 'outlined'"
          :color="isChosen(other.id) ? 'primary' : undefined"
          :aria-pressed="isChosen(other.id)"
          @click="toggle(other.id)"
          >{{ other.name }}</v-btn
        >
      </div>
    </template>
  </section>
</template>
