<script setup lang="ts">
import { m } from '../../messages/index.ts';
import { useUndo } from '../../stores/undo.ts';
import DeedLine from '../keeping/DeedLine.vue';

/** What rests on something that is to be taken back: named, so that nothing goes unseen. */
const undo = useUndo();
const t = m.app.dependents;
</script>

<template>
  <v-dialog
    v-if="undo.question"
    :model-value="true"
    max-width="560"
    scrollable
    @update:model-value="undo.question.settle(false)"
  >
    <v-card class="in-dialog stack" :aria-label="t.title(undo.question.dependents.length)">
      <h2>{{ t.title(undo.question.dependents.length) }}</h2>
      <p>{{ t.intro }}</p>
      <DeedLine v-for="deed in undo.question.dependents" :key="deed.id" :deed="deed" />
      <div class="row">
        <v-btn color="primary" @click="undo.question.settle(true)">{{ t.all }}</v-btn>
        <v-btn variant="text" @click="undo.question.settle(false)">{{ t.keep }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>
