<script setup lang="ts">
import { computed } from 'vue';
import type { Deed, Entry } from '../../api/types.ts';
import { fieldWord, rowsInWords, valueWords } from '../../composables/fieldWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { m } from '../../messages/index.ts';

/** One deed in words: when, where, what became of which row, and what hung on it. */
const props = defineProps<{ deed: Deed }>();
const { moment, full } = useDates();
const h = m.keeping.history;

const head = computed(() => {
  const { kind, entries } = props.deed;
  if (kind === 'import') return h.broughtIn;
  if (kind === 'restore') return h.restored;
  if (kind === 'undo') return h.tookBack;
  return { add: h.added, change: h.changed, remove: h.removed }[entries[0]?.op ?? 'change'];
});
/** What it was about: the rows of one table, the first by name. */
const about = computed(() => {
  const { deed } = props;
  const [first] = deed.entries;
  if (!first) return deed.what;
  const alike = deed.counts[first.of] ?? 1;
  if (alike > 1) return rowsInWords(first.of, alike);
  return `${m.rowWords[first.of]?.[0] ?? first.of}${titleOf(first)}`;
});
function titleOf(entry: Entry): string {
  const named = entry.name || entry.plant;
  const day = entry.date && entry.of !== 'plants' ? `, ${full(entry.date)}` : '';
  return `${named ? ` “${named}”` : ''}${day}`;
}
const others = computed(() => {
  const { counts, entries } = props.deed;
  const rest = Object.entries(counts).filter(([table]) => table !== entries[0]?.of);
  return rest.map(([table, count]) => rowsInWords(table, count)).join(', ');
});
const sentence = computed(() =>
  others.value ? `: ${about.value} ${h.with(others.value)}` : `: ${about.value}`,
);
/** Fields of what was changed; of a row that came or went only what says what it was. */
const TELLING = new Set(['signals', 'value', 'kind', 'grade', 'note', 'reason']);
const told = computed(() => {
  const [first] = props.deed.entries;
  if (!first || (props.deed.counts[first.of] ?? 1) > 1) return [];
  if (first.op === 'change') return first.fields;
  return first.fields.filter(({ field, before, after }) => {
    const value = first.op === 'add' ? after : before;
    return TELLING.has(field) && value !== null && value !== '';
  });
});
const MOST_TOLD = 6;
/** A day is written as the reader writes days. */
const ISO_DAY = /^\d{4}-\d\d-\d\d$/;
const words = (field: string, value: unknown) =>
  typeof value === 'string' && ISO_DAY.test(value) ? full(value) : valueWords(field, value);
</script>

<template>
  <div class="deed" :class="{ undone: deed.undoneBy !== null }">
    <p class="line">
      <strong>{{ head }}</strong>{{ sentence }}
      <span v-if="deed.undoneBy !== null" class="mark">{{ h.undone }}</span>
    </p>
    <ul v-if="told.length > 0" class="told">
      <li v-for="one in told.slice(0, MOST_TOLD)" :key="one.field">
        {{ fieldWord(one.field) }}:
        <template v-if="deed.entries[0]!.op === 'change'">
          <span class="was">{{ words(one.field, one.before) }}</span> →
          {{ words(one.field, one.after) }}
        </template>
        <template v-else>{{
          words(one.field, deed.entries[0]!.op === 'add' ? one.after : one.before)
        }}</template>
      </li>
      <li v-if="told.length > MOST_TOLD" class="quiet">{{ h.more(told.length - MOST_TOLD) }}</li>
    </ul>
    <p class="quiet when">{{ moment(deed.at) }} · {{ deed.device ? h.by(deed.device) : h.here }}</p>
  </div>
</template>

<style scoped>
.deed {
  min-width: 0;
  overflow-wrap: anywhere;
}
.undone .line {
  text-decoration: line-through;
  text-decoration-color: rgb(var(--v-theme-on-surface), 0.5);
}
.mark {
  display: inline-block;
  text-decoration: none;
  margin-left: 6px;
  padding: 0 8px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.4);
  border-radius: 10px;
  font-size: 0.85rem;
}
.told {
  margin: 2px 0;
  padding: 0;
  list-style: none;
}
.was {
  text-decoration: line-through;
  text-decoration-color: rgb(var(--v-theme-on-surface), 0.5);
}
.when {
  font-size: 0.88rem;
}
</style>
