<script setup lang="ts">
import { computed } from 'vue';
import { api } from '../../api/client.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';

/** After a look the walk goes on: the next plant that is due for one, in the order of the spots. */
const props = defineProps<{ plantId: number }>();
const { value: walk } = useLoaded(() => api(`/rounds/next?after=${props.plantId}`));
const next = computed(() => walk.value?.next ?? null);
</script>

<template>
  <div v-if="walk" class="row panel next">
    <v-btn v-if="next" color="primary" variant="tonal" :to="`/plants/${next.plantId}/look`">{{
      m.look.next(next.name, next.spot)
    }}</v-btn>
    <span v-else>{{ m.look.walkDone }}</span>
    <v-btn variant="text" to="/rounds">{{ m.look.backToRounds }}</v-btn>
  </div>
</template>

<style scoped>
.next {
  padding: 10px 14px;
}
</style>
