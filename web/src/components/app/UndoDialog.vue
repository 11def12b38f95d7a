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
    <v-card :title="t.title(undo.question.dependents.length)">
      <v-card-text class="stack">
        <p>{{ t.intro }}</p>
        <DeedLine v-for="deed in undo.question.dependents" :key="deed.id" :deed="deed" />
      </v-card-text>
      <v-card-actions class="row">
        <v-btn min-height="48" variant="text" @click="undo.question.settle(false)">{{
          t.keep
        }}</v-btn>
        <v-btn min-height="48" variant="flat" color="primary" @click="undo.question.settle(true)">{{
          t.all
        }}</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>
