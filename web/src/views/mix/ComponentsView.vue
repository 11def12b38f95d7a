<script setup lang="ts">
import { mdiDeleteOutline, mdiFlaskOutline, mdiPencilOutline, mdiPlus } from '@mdi/js';
import { CONTENTS, POROMETER_CM, REWETTING, whyAvoided, type Content } from '@fernbank/core';
import { computed, ref } from 'vue';
import type { PantryComponent } from '../../api/types.ts';
import ComponentDialog from '../../components/mix/ComponentDialog.vue';
import KitchenTestDialog from '../../components/mix/KitchenTestDialog.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import { useRemoval } from '../../composables/useRemoval.ts';

/** Everything mixes are made of: numbers with their source, stock, price, and what is avoided. */
const store = usePantry();
const settings = useSettings();
const notices = useNotices();
const { day } = useDates();
const { volume, percent, number, length, density, money } = useUnits();

const search = ref('');
const shown = computed(() => {
  const words = search.value.trim().toLowerCase();
  return store.components.filter(
    ({ label, grade, removed }) => !removed && `${label} ${grade}`.toLowerCase().includes(words),
  );
});
const rows = computed(() =>
  shown.value.map((row) => {
    const owned = Object.values(row.own);
    const tested = row.kitchen;
    return {
      row,
      numbers: m.mix.numbersLine(
        percent(row.totalPorosity),
        percent(row.airAt7_6cm),
        length(POROMETER_CM),
        density(row.dryKgPerL),
      ),
      source: tested
        ? m.mix.sourceKitchen(day(tested.on))
        : owned.length > 0
          ? m.mix.sourceTyped(owned.length)
          : m.mix.sourceTypical,
      stock: store.counted(row.id)
        ? m.mix.stockLine(
            row.bags,
            row.bagL === null ? null : volume(row.bagL),
            row.openL > 0 ? volume(row.openL) : null,
          )
        : m.mix.notCounted,
      out: store.outOfStock(row.id),
      price: row.pricePerBag === null ? '' : money(row.pricePerBag),
      handling: [
        row.soakMinutes > 0 ? m.mix.soakLine(minutes(row.soakMinutes)) : '',
        row.rinseMinutes > 0 ? m.mix.rinseLine(minutes(row.rinseMinutes)) : '',
        row.rewets === 'easily' ? '' : REWETTING[row.rewets],
        row.dusty ? m.mix.dusty : '',
        row.biohazard ? m.mix.biohazardShort : '',
      ]
        .filter(Boolean)
        .join('; '),
      avoided: whyAvoided(row, settings.current.avoided) !== null,
    };
  }),
);
const minutes = (count: number) =>
  count >= 60 ? m.mix.hours(number(count / 60, 1)) : m.mix.minutes(count);

const editing = ref<PantryComponent | null>(null);
const dialog = ref(false);
function edit(row: PantryComponent | null): void {
  editing.value = row;
  dialog.value = true;
}
async function saved(label: string, added: boolean, deed: number | null): Promise<void> {
  notices.done(added ? m.mix.componentAdded(label) : m.form.saved, { deed, back: store.load });
  await store.load();
}
const testing = ref<PantryComponent | null>(null);
async function tested(label: string, deed: number | null): Promise<void> {
  testing.value = null;
  await store.load();
  notices.done(m.mix.test.kept(label), { deed, back: store.load });
}
const removal = useRemoval();
const remove = ({ id, rev, label }: PantryComponent) =>
  removal({
    path: `/components/${id}`,
    rev,
    said: m.mix.removed(label),
    then: store.load,
    back: store.load,
  });

const contents = (Object.keys(CONTENTS) as Content[]).map((value) => ({
  value,
  title: CONTENTS[value],
}));
const all = computed(() =>
  store.components
    .filter(({ removed }) => !removed)
    .map(({ id: value, label: title }) => ({ value, title })),
);
async function set(changed: Parameters<typeof settings.change>[0]): Promise<void> {
  try {
    await settings.change(changed);
  } catch (error) {
    notices.fault(error);
  }
}
const avoided = computed(() => settings.current.avoided);
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.mix.components }}</h1>
      <v-btn color="primary" :prepend-icon="mdiPlus" @click="edit(null)">{{
        m.mix.addComponent
      }}</v-btn>
    </header>
    <PlaceTabs of="fit" />
    <section class="panel stack">
      <h2>{{ m.mix.avoidTitle }}</h2>
      <div class="fields">
        <v-select
          :model-value="avoided.contents"
          :items="contents"
          :label="m.mix.avoidContents"
          :hint="m.mix.avoidHint"
          persistent-hint
          multiple
          chips
          @update:model-value="
            (value: readonly Content[]) => set({ avoided: { ...avoided, contents: [...value] } })
          "
        />
        <v-autocomplete
          :model-value="avoided.components"
          :items="all"
          :label="m.mix.avoidComponents"
          multiple
          chips
          @update:model-value="
            (value: readonly string[]) => set({ avoided: { ...avoided, components: [...value] } })
          "
        />
      </div>
    </section>
    <v-text-field
      v-model="search"
      :label="m.mix.search"
      type="search"
      hide-details
      clearable
      @click:clear="search = ''"
    />
    <p v-if="rows.length === 0" class="panel">{{ m.mix.noneFound }}</p>
    <ul class="tiles components">
      <li v-for="{ row, ...line } in rows" :key="row.id" class="panel">
        <div class="row spread top">
          <div>
            <strong class="serif">{{ row.label }}</strong>
            <span v-if="row.grade" class="quiet"> · {{ row.grade }}</span>
            <span v-if="line.avoided" class="text-error small"> · {{ m.mix.avoidedMark }}</span>
          </div>
          <strong :class="line.out ? 'text-error' : ''">{{ line.stock }}</strong>
        </div>
        <p>{{ line.numbers }}</p>
        <p class="quiet small">
          {{ line.source }}<template v-if="line.price"> · {{ line.price }}</template>
        </p>
        <p v-if="line.handling" class="small">{{ line.handling }}</p>
        <div class="row acts">
          <v-btn
            variant="outlined"
            :prepend-icon="mdiPencilOutline"
            :aria-label="m.shelf.edit(row.label)"
            @click="edit(row)"
            >{{ m.app.edit }}</v-btn
          >
          <v-btn
            variant="text"
            :prepend-icon="mdiFlaskOutline"
            :aria-label="m.mix.test.title(row.label)"
            @click="testing = row"
            >{{ m.mix.test.name }}</v-btn
          >
          <v-btn
            v-if="!row.shipped"
            :icon="mdiDeleteOutline"
            variant="text"
            size="48"
            :aria-label="`${m.shelf.remove}: ${row.label}`"
            @click="remove(row)"
          />
        </div>
      </li>
    </ul>
    <ComponentDialog v-model="dialog" :component="editing" @saved="saved" />
    <KitchenTestDialog :component="testing" @close="testing = null" @saved="tested" />
  </div>
</template>

<style scoped>
.components li {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.top {
  align-items: baseline;
}
.acts {
  margin-top: auto;
  gap: 4px;
}
</style>
