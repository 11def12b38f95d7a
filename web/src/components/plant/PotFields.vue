<script setup lang="ts">
import {
  checkPot,
  fillL,
  insideOfMaterial,
  likelyMeantCm,
  POT_MATERIALS,
  POT_SHAPES,
  sizesOf,
  TRADE_SHAPES,
  type PotMaterialId,
  type PotShape,
  type TradeShapeId,
} from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import QuantityField from '../QuantityField.vue';
import { potFromEntry, sizeNames, type PotEntry } from './potEntry.ts';

/** A pot by its nominal size or by its measures, in the keeper's own unit. */
const entry = defineModel<PotEntry>({ required: true });
defineProps<{ errors: Record<string, string> }>();

const { length, volume } = useUnits();
const set = (changed: Partial<PotEntry>) => (entry.value = { ...entry.value, ...changed });

const words: Record<string, string> = {
  topDiameterCm: m.form.top,
  topLengthCm: m.form.top,
  topWidthCm: m.form.topWidth,
  baseDiameterCm: m.form.base,
  baseLengthCm: m.form.base,
  baseWidthCm: m.form.baseWidth,
  heightCm: m.form.heightCm,
};
const setSize = (name: string, typed: number | null) =>
  set({ sizes: { ...entry.value.sizes, [name]: typed } });

const pot = computed(() => potFromEntry(entry.value));
const holds = computed(() => {
  try {
    return pot.value
      ? volume(fillL(insideOfMaterial(checkPot(pot.value), entry.value.material)))
      : '';
  } catch {
    return '';
  }
});
const nominalPreview = computed(() =>
  entry.value.by === 'nominal' && pot.value
    ? sizesOf(pot.value)
        .map(([name, cm]) => `${words[name]?.toLowerCase()} ${length(cm)}`)
        .join(', ')
    : '',
);

/** A size that was most likely typed in another unit. */
const doubt = computed(() => {
  const sizes: [string, number | null | undefined][] =
    entry.value.by === 'nominal'
      ? [['nominalCm', entry.value.nominalCm]]
      : sizeNames(entry.value.shape).map((name) => [name, entry.value.sizes[name]]);
  const suspect = sizes.find(([, cm]) => cm != null && likelyMeantCm(cm) !== null);
  return suspect ? { name: suspect[0], cm: likelyMeantCm(suspect[1]!)! } : null;
});
function useMeant(): void {
  if (!doubt.value) return;
  if (entry.value.by === 'nominal') set({ nominalCm: doubt.value.cm });
  else {
    const sizes = Object.fromEntries(
      Object.entries(entry.value.sizes).map(([name, cm]) => [
        name,
        cm == null ? cm : (likelyMeantCm(cm) ?? cm),
      ]),
    );
    set({ sizes });
  }
}
const shapes = POT_SHAPES.map((value) => ({ value, title: m.form.shapes[value] }));
const trades = TRADE_SHAPES.map(({ id, label }) => ({ value: id, title: label }));
const materials = POT_MATERIALS.map(({ id, label }) => ({ value: id, title: label }));
</script>

<template>
  <fieldset class="stack">
    <legend class="serif">{{ m.form.potTitle }}</legend>
    <v-btn-toggle
      :model-value="entry.by"
      mandatory
      :aria-label="m.form.potBy"
      @update:model-value="(by: PotEntry['by']) => set({ by })"
    >
      <v-btn value="nominal">{{ m.form.nominal }}</v-btn>
      <v-btn value="measured">{{ m.form.measured }}</v-btn>
    </v-btn-toggle>
    <div class="fields">
      <template v-if="entry.by === 'nominal'">
        <QuantityField
          :model-value="entry.nominalCm"
          :label="m.form.nominalSize"
          of="length"
          :error="errors.nominalCm"
          name="nominalCm"
          @update:model-value="(nominalCm) => set({ nominalCm })"
        />
        <v-select
          :model-value="entry.trade"
          :items="trades"
          :label="m.form.trade"
          @update:model-value="(trade: TradeShapeId) => set({ trade })"
        />
      </template>
      <template v-else>
        <v-select
          :model-value="entry.shape"
          :items="shapes"
          :label="m.form.shape"
          @update:model-value="(shape: PotShape['shape']) => set({ shape })"
        />
        <QuantityField
          v-for="name in sizeNames(entry.shape)"
          :key="name"
          :model-value="entry.sizes[name] ?? null"
          :label="words[name]!"
          of="length"
          :error="errors[name]"
          :name="name"
          @update:model-value="(typed) => setSize(name, typed)"
        />
      </template>
      <v-select
        :model-value="entry.material"
        :items="materials"
        :label="m.form.material"
        @update:model-value="(material: PotMaterialId) => set({ material })"
      />
    </div>
    <div v-if="doubt" class="row doubt" role="alert">
      <strong>{{ m.form.meant(length(doubt.cm)) }}</strong>
      <v-btn size="small" color="primary" @click="useMeant">{{
        m.form.useMeant(length(doubt.cm))
      }}</v-btn>
    </div>
    <p v-if="holds" class="quiet">
      {{ m.form.holds(holds) }}<template v-if="nominalPreview"> · {{ nominalPreview }}</template>
    </p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
}
legend {
  font-size: 1.06rem;
  margin-bottom: 8px;
}
.doubt {
  border-left: 4px solid rgb(var(--v-theme-warning));
  padding: 6px 12px;
}
</style>
