<script setup lang="ts">
import { m } from '../../messages/index.ts';
import { GO_TO } from '../../places.ts';

/** Every key there is, on one page. */
const open = defineModel<boolean>({ required: true });
const { keys } = m.keeping;
const groups = [
  {
    title: keys.places,
    rows: Object.entries(GO_TO).map(([key, { word }]) => [key, word] as const),
  },
  {
    title: keys.anywhere,
    rows: [
      ['?', keys.help],
      ['/', keys.search],
      ['t', keys.theme],
      ['u', keys.undo],
      ['Esc', keys.back],
    ] as const,
  },
  {
    title: keys.lists,
    rows: [
      ['↓ ↑, j k', keys.walk],
      ['Enter', keys.open],
    ] as const,
  },
  { title: keys.drawing, rows: [['← → ↑ ↓', keys.grips]] as const },
];
</script>

<template>
  <v-dialog v-model="open" max-width="640" scrollable>
    <v-card class="in-dialog stack">
      <h2>{{ keys.title }}</h2>
      <div class="groups">
        <section v-for="group in groups" :key="group.title">
          <h3>{{ group.title }}</h3>
          <dl>
            <div v-for="[key, what] in group.rows" :key="key">
              <dt>
                <kbd>{{ key }}</kbd>
              </dt>
              <dd>{{ what }}</dd>
            </div>
          </dl>
        </section>
      </div>
      <v-btn variant="outlined" autofocus @click="open = false">{{ m.app.close }}</v-btn>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.groups {
  columns: 2 240px;
}
section {
  break-inside: avoid;
  margin-bottom: 14px;
}
dl div {
  display: grid;
  grid-template-columns: 92px 1fr;
  padding: 3px 0;
}
dd {
  margin: 0;
}
kbd {
  font: inherit;
  font-weight: 700;
  padding: 1px 7px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.4);
  border-radius: 5px;
}
</style>
