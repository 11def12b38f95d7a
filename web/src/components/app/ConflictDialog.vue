<script setup lang="ts">
import { ref, watch } from 'vue';
import { fieldWord, valueWords } from '../../composables/fieldWords.ts';
import { m } from '../../messages/index.ts';
import { useConflict } from '../../stores/conflict.ts';

/** Two versions of one row side by side: nothing is overwritten without being seen. */
const conflict = useConflict();
const mine = ref<Record<string, boolean>>({});
watch(
  () => conflict.open,
  (open) => {
    mine.value = Object.fromEntries((open?.differences ?? []).map(({ field }) => [field, true]));
  },
  { immediate: true },
);
</script>

<template>
  <v-dialog
    :model-value="conflict.open !== null"
    max-width="760"
    persistent
    scrollable
    @keydown.esc="conflict.choose(null)"
  >
    <v-card v-if="conflict.open" class="in-dialog stack" :aria-label="m.keeping.conflict.title">
      <h2>{{ m.keeping.conflict.title }}</h2>
      <p class="quiet">{{ m.keeping.conflict.intro }}</p>
      <fieldset v-for="one in conflict.open.differences" :key="one.field" class="field">
        <legend>{{ fieldWord(one.field) }}</legend>
        <label v-for="own in [true, false]" :key="String(own)" class="choice">
          <input v-model="mine[one.field]" type="radio" :name="one.field" :value="own" />
          <span>
            <span class="quiet">{{
              own ? m.keeping.conflict.mine : m.keeping.conflict.theirs
            }}</span>
            <strong>{{ valueWords(one.field, own ? one.mine : one.theirs) }}</strong>
          </span>
        </label>
      </fieldset>
      <div class="row">
        <v-btn color="primary" @click="conflict.choose(mine)">{{ m.keeping.conflict.save }}</v-btn>
        <v-btn variant="text" @click="conflict.choose(null)">{{ m.keeping.conflict.drop }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.field {
  border: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px;
}
.field legend {
  font-weight: 700;
  padding: 0 0 4px;
}
.choice {
  display: flex;
  gap: 10px;
  align-items: start;
  min-height: 48px;
  padding: 10px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.3);
  border-radius: 8px;
  overflow-wrap: anywhere;
}
.choice:has(input:checked) {
  border-color: rgb(var(--v-theme-primary));
  box-shadow: inset 0 0 0 1px rgb(var(--v-theme-primary));
}
.choice input {
  margin-top: 4px;
  accent-color: rgb(var(--v-theme-primary));
}
.choice span span {
  display: block;
}
@media (max-width: 560px) {
  .field {
    grid-template-columns: 1fr;
  }
}
</style>
