<script setup lang="ts">
import {
  DRAINAGE_LAYERS,
  MOST_FEED_G_PER_L,
  MOST_FEED_MONTHS,
  TOP_DRESSING_USES,
  TOP_DRESSINGS,
  USUAL_FEED_G_PER_L,
  USUAL_FEED_MONTHS,
  type RecipeExtras,
  type RecipeLayer,
} from '@fernbank/core';
import { computed } from 'vue';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

/** What goes into each pot beside the parts: a dressing, a layer, a feed, a handful. */
const extras = defineModel<RecipeExtras>({ required: true });
const store = usePantry();

/** An extra that is not wanted is left out, not kept empty. */
function set(changed: { [K in keyof RecipeExtras]: RecipeExtras[K] | undefined }): void {
  const all = Object.entries({ ...extras.value, ...changed });
  extras.value = Object.fromEntries(all.filter(([, value]) => value !== undefined));
}
const HANDFUL_L = 0.1;
const components = computed(() => [
  { value: '', title: m.mix.none, props: { subtitle: '' } },
  ...store.pantry.components.map(({ id: value, label: title, like }) => ({
    value,
    title,
    props: { subtitle: TOP_DRESSING_USES[like as keyof typeof TOP_DRESSING_USES] ?? '' },
  })),
]);
const USUAL_DEPTH_MM = 8;
const depthOf = (id: string) =>
  TOP_DRESSINGS[store.pantry.component(id).like as keyof typeof TOP_DRESSINGS]?.depthMm ??
  USUAL_DEPTH_MM;
const layers = [
  { value: '', title: m.mix.layerUsual, props: { subtitle: '' } },
  ...(Object.keys(DRAINAGE_LAYERS) as RecipeLayer[]).map((value) => ({
    value,
    title: DRAINAGE_LAYERS[value].label,
    props: { subtitle: DRAINAGE_LAYERS[value].costs },
  })),
];
const tooMuchFeed = computed(() =>
  (extras.value.feedGPerL ?? 0) > MOST_FEED_G_PER_L ? m.mix.feedMost(MOST_FEED_G_PER_L) : '',
);
const tooLong = computed(() => {
  const months = extras.value.feedMonths ?? USUAL_FEED_MONTHS;
  return months < 1 || months > MOST_FEED_MONTHS ? m.mix.feedMonthsRange(MOST_FEED_MONTHS) : '';
});
</script>

<template>
  <div class="fields">
    <v-select
      :model-value="extras.topDressing?.component ?? ''"
      :items="components"
      :label="m.mix.topDressing"
      @update:model-value="
        (id: string) =>
          set({ topDressing: id ? { component: id, depthMm: depthOf(id) } : undefined })
      "
    />
    <NumberField
      v-if="extras.topDressing"
      :model-value="extras.topDressing.depthMm"
      :label="m.mix.dressingDepth"
      unit="mm"
      @update:model-value="
        (mm) => mm !== null && set({ topDressing: { ...extras.topDressing!, depthMm: mm } })
      "
    />
    <v-select
      :model-value="extras.layer ?? ''"
      :items="layers"
      :label="m.fit.layer"
      @update:model-value="
        (id: string) => set({ layer: (id || undefined) as RecipeLayer | undefined })
      "
    />
    <NumberField
      :model-value="extras.feedGPerL ?? null"
      :label="m.mix.feed"
      unit="g/L"
      :hint="m.mix.feedHint(USUAL_FEED_G_PER_L)"
      :error="tooMuchFeed"
      @update:model-value="
        (g) => set({ feedGPerL: g || undefined, ...(g ? {} : { feedMonths: undefined }) })
      "
    />
    <NumberField
      v-if="extras.feedGPerL"
      :model-value="extras.feedMonths ?? USUAL_FEED_MONTHS"
      :label="m.feed.lasts"
      :unit="m.feed.months"
      :hint="m.feed.byLabel"
      :error="tooLong"
      @update:model-value="(months) => set({ feedMonths: months || undefined })"
    />
    <v-select
      :model-value="extras.perPot?.component ?? ''"
      :items="components"
      :label="m.mix.perPot"
      @update:model-value="
        (id: string) =>
          set({
            perPot: id ? { component: id, litres: extras.perPot?.litres ?? HANDFUL_L } : undefined,
          })
      "
    />
    <QuantityField
      v-if="extras.perPot"
      :model-value="extras.perPot.litres"
      :label="m.mix.perPotLitres"
      of="volume"
      @update:model-value="
        (litres) => litres !== null && set({ perPot: { ...extras.perPot!, litres } })
      "
    />
  </div>
</template>
