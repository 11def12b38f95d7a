<script setup lang="ts">
import type { Unjudged } from '../../api/types.ts';
import { m } from '../../messages/index.ts';

/** Plants whose record does not hold: named with why and where to mend it, beside all the others. */
defineProps<{ plants: readonly Unjudged[] }>();
</script>

<template>
  <section v-if="plants.length > 0" class="panel" role="note">
    <h2>{{ m.unjudged.title(plants.length) }}</h2>
    <ul class="plain">
      <li v-for="{ plantId, name, spot, why } in plants" :key="plantId">
        <strong>{{ name }}</strong><template v-if="spot"> ({{ spot }})</template>:
        {{ m.unjudged.why }}.
        <router-link :to="`/plants/${plantId}/edit`">{{ m.unjudged.mend }}</router-link>
        <small class="quiet reason">{{ why }}</small>
      </li>
    </ul>
    <p class="quiet">
      {{ m.unjudged.otherwise }}
      <router-link to="/record/keeping">{{ m.unjudged.keeping }}</router-link>
    </p>
  </section>
</template>

<style scoped>
.reason {
  display: block;
}
</style>
