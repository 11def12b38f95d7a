<script setup lang="ts">
import {
  amendments,
  BALL_STAYS,
  mediumHeightCm,
  monthsBetween,
  oldMedium,
  partsOf,
  permitted,
  recipeOfKind,
  WETNESS,
  whyNotReuse,
  type Part,
  type PotShape,
  type PottedPlace,
  type RootBall,
  type Situation,
} from '@fernbank/core';
import { computed } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';

/** The medium that comes out of the old pot: how much stays, and whether the rest may be used again. */
const props = defineProps<{
  situation: Situation;
  /** how much of it comes off */
  work: RootBall['work'];
  place: PottedPlace;
  /** inside of the new pot */
  pot: PotShape;
}>();
const store = usePantry();
const { percent } = useUnits();

const stays = computed(() =>
  (['ballKept', 'mostOff', 'bareRoot'] as const).map((id) => ({
    id,
    text: m.mix.old.works[id](percent(BALL_STAYS[id])),
    here: id === props.work,
  })),
);
const against = computed(() => whyNotReuse(props.situation.signals));
const months = computed(() => {
  const { lastRepot, date } = props.situation;
  return lastRepot === null ? null : monthsBetween(lastRepot, date);
});
const parts = computed((): readonly Part[] => {
  const { parts: own, recipe, kind } = props.situation.medium;
  if (own && own.length > 0) return own;
  return partsOf(store.pantry.recipe(recipe ?? recipeOfKind(kind).id).parts, store.pantry);
});
const old = computed(() => {
  if (months.value === null) return null;
  const { temperatureC, drying } = props.place;
  const conditions = { temperatureC, wetness: WETNESS[drying] };
  return oldMedium(parts.value, conditions, months.value, mediumHeightCm(props.pot));
});
/** A plant that is not judged by air gets back most of what the medium had. */
const FRESH_SHARE = 0.9;
const SHOWN = 3;
const wanted = computed(() => {
  const at = old.value!;
  return props.place.airNeed ?? (at.air / at.airLeft) * FRESH_SHARE;
});
const toAdd = computed(() =>
  old.value && against.value.length === 0 && old.value.air < wanted.value
    ? amendments(old.value, wanted.value, mediumHeightCm(props.pot), permitted(store.pantry))
        .filter(({ component }) => !store.outOfStock(component.id))
        .slice(0, SHOWN)
    : [],
);
</script>

<template>
  <div class="stack">
    <ul class="bare works">
      <li v-for="row in stays" :key="row.id" :class="{ here: row.here }">
        {{ row.text }}{{ ' ' }}<strong v-if="row.here">{{ m.mix.old.here }}</strong>
      </li>
    </ul>
    <p v-if="against.length > 0" class="caution">
      {{ m.mix.old.never(against.join('; ')) }}
    </p>
    <p v-else-if="old === null">{{ m.mix.old.unknownAge }}</p>
    <template v-else>
      <p>
        {{
          m.mix.old.left(
            Math.round(months!),
            percent(old.airLeft),
            percent(old.air),
            percent(wanted),
          )
        }}
      </p>
      <p v-if="old.air >= wanted">{{ m.mix.old.fine }}</p>
      <ul v-else-if="toAdd.length > 0" class="plain">
        <li v-for="row in toAdd" :key="row.component.id">
          {{
            m.mix.old.add(
              row.old,
              row.added,
              row.component.label,
              percent(row.air),
              percent(row.water),
            )
          }}
        </li>
      </ul>
      <p v-else>{{ m.mix.old.hopeless }}</p>
    </template>
  </div>
</template>

<style scoped>
.works .here {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding-left: 10px;
}
.plain {
  padding-left: 1.1em;
}
</style>
