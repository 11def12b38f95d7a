<script setup lang="ts">
import {
  checkPot,
  nominalPot,
  PEBBLE_SETUPS,
  planPebbles,
  typicalPotUseL,
  WICKS,
  type PebbleRoots,
  type PebbleSetup,
  type PebbleSetupKind,
  type PotShape,
  type WickKind,
  SCHOOLS,
  type Schools,
  PEBBLE_LIFT_CM,
} from '@fernbank/core';
import { computed } from 'vue';
import PebblesDrawing from '../../components/mix/PebblesDrawing.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { schoolItems } from '../../composables/schoolItems.ts';

/** Clay pebbles over a reservoir: how many, how much water at which level, how many wicks, how long it lasts. */
const { length, volume, weight, number } = useUnits();
const { draft } = useDraft('pebbles', () => ({
  kind: 'wick' as PebbleSetupKind,
  innerRimCm: 13 as number | null,
  innerHeightCm: 12 as number | null,
  outerRimCm: 17 as number | null,
  outerHeightCm: 19 as number | null,
  gapCm: 6 as number | null,
  roots: 'short' as PebbleRoots,
  rootsL: null as number | null,
  useL: null as number | null,
  wick: 'polyester' as WickKind,
  insideCm: 4 as number | null,
  winter: 'lower' as Schools['winter'],
  levelCm: null as number | null,
}));
const items = <K extends string>(
  rows: Record<K, { label: string; use?: string; costs?: string }>,
) =>
  (Object.keys(rows) as K[]).map((value) => ({
    value,
    title: rows[value].label,
    props: { subtitle: rows[value].use ?? rows[value].costs ?? '' },
  }));
const kinds = items(PEBBLE_SETUPS);
const wicks = (Object.keys(WICKS) as WickKind[]).map((value) => ({
  value,
  title: WICKS[value].label,
  props: { subtitle: m.mix.pebbles.lifts(length(WICKS[value].liftCm)) },
}));
const winters = schoolItems('winter');
const rootChoices = (['short', 'reached'] as const).map((value) => ({
  value,
  title: m.mix.pebbles.rootsAre[value],
}));
const hasOuter = computed(() => draft.value.kind !== 'holes');

/** Straight-sided enough: a net pot narrows by a fifth. */
const NARROWS = 0.8;
const potOf = (rimCm: number, heightCm: number) =>
  checkPot({
    shape: 'round' as const,
    topDiameterCm: rimCm,
    baseDiameterCm: rimCm * NARROWS,
    heightCm,
  });
/** What a plant of that size is likely to drink, where the keeper does not say. */
const typical = computed(() =>
  draft.value.innerRimCm === null ? null : typicalPotUseL(nominalPot(draft.value.innerRimCm)),
);
interface Outcome {
  setup: PebbleSetup | null;
  pots?: { inner: PotShape; outer: PotShape };
  fault: string;
}
const outcome = computed((): Outcome => {
  const { innerRimCm, innerHeightCm, outerRimCm, outerHeightCm, gapCm, insideCm, rootsL } =
    draft.value;
  const needed = [
    innerRimCm,
    innerHeightCm,
    gapCm,
    ...(hasOuter.value ? [outerRimCm, outerHeightCm] : []),
  ];
  if (needed.some((value) => value === null)) return { setup: null, fault: m.mix.mound.open };
  try {
    const inner = potOf(innerRimCm!, innerHeightCm!);
    const outer = hasOuter.value ? potOf(outerRimCm!, outerHeightCm!) : inner;
    const { kind, roots, wick, winter, useL, levelCm } = draft.value;
    const likely = typical.value!;
    const growth = useL ?? likely.growth;
    return {
      pots: { inner, outer },
      setup: planPebbles({
        kind,
        inner,
        outer,
        gapCm: gapCm!,
        roots,
        rootsL: rootsL ?? 0,
        usePerDayL: { growth, winter: (growth * likely.winter) / likely.growth },
        winter,
        ...(levelCm === null ? {} : { levelCm }),
        ...(kind === 'wick' ? { wick: { kind: wick, insideCm: insideCm ?? 0 } } : {}),
      }),
      fault: '',
    };
  } catch (error) {
    return { setup: null, fault: m.mix.pebbles.fault((error as Error).message) };
  }
});
const setup = computed(() => outcome.value.setup);
const pots = computed(() => outcome.value.pots);
const days = (count: number) => number(Math.floor(count), 0);
const reach = computed(() => {
  const at = setup.value;
  if (!at) return { text: '', bad: false };
  if (at.wick && !at.wick.reaches) {
    return {
      text: m.mix.pebbles.wickShort(length(at.wick.liftCm), length(WICKS[draft.value.wick].liftCm)),
      bad: true,
    };
  }
  if (at.dryTopCm < 0.5) return { text: m.mix.pebbles.wetsAll, bad: false };
  return at.wetsColumn
    ? { text: m.mix.pebbles.wets(length(at.dampCm), length(at.dryTopCm)), bad: false }
    : { text: m.mix.pebbles.dry(length(at.dampCm), length(at.dryTopCm)), bad: true };
});
</script>

<template>
  <div class="page stack">
    <h1>{{ m.mix.pebbles.title }}</h1>
    <PlaceTabs of="fit" />
    <section class="panel two">
      <div class="stack">
        <template v-if="setup">
          <h2>{{ m.mix.pebbles.amount(volume(setup.pebblesL), volume(setup.summer.litres)) }}</h2>
          <p :class="reach.bad ? 'caution' : ''">{{ reach.text }}</p>
          <table class="figures">
            <thead>
              <tr>
                <th></th>
                <th class="num">{{ m.mix.pebbles.summer }}</th>
                <th class="num">{{ m.mix.pebbles.winter }}</th>
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">{{ m.mix.pebbles.level }}</th>
                <td class="num">{{ length(setup.summer.levelCm) }}</td>
                <td class="num">{{ length(setup.winter.levelCm) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.pebbles.water }}</th>
                <td class="num">{{ volume(setup.summer.litres) }}</td>
                <td class="num">{{ volume(setup.winter.litres) }}</td>
              </tr>
              <tr>
                <th scope="row">{{ m.mix.pebbles.lasts }}</th>
                <td class="num">{{ m.mix.pebbles.days(days(setup.summer.days)) }}</td>
                <td class="num">{{ m.mix.pebbles.days(days(setup.winter.days)) }}</td>
              </tr>
            </tbody>
          </table>
          <p>
            {{
              m.mix.pebbles.pebblesLine(
                volume(setup.pebblesL),
                weight(setup.dryKg),
                volume(setup.voidL),
              )
            }}
          </p>
          <p v-if="setup.wick && setup.wick.reaches">
            {{
              m.mix.pebbles.wickLine(
                setup.wick.count,
                length(setup.wick.lengthCm),
                volume(setup.wick.flowPerDayL),
                length(setup.wick.liftCm),
              )
            }}
          </p>
          <p v-if="setup.winter.days < 4" class="caution">{{ m.mix.pebbles.soonDry }}</p>
          <p>{{ m.mix.pebbles.winterCosts(SCHOOLS.winter.options[draft.winter].costs) }}</p>
          <p class="quiet small">{{ m.mix.pebbles.how(length(PEBBLE_LIFT_CM)) }}</p>
        </template>
        <p v-else role="alert" class="text-error">{{ outcome.fault }}</p>
      </div>
      <div class="stack">
        <PebblesDrawing
          v-if="setup && pots"
          :setup="setup"
          :inner="pots.inner"
          :outer="hasOuter ? pots.outer : null"
          :gap-cm="draft.gapCm!"
          :wick-inside-cm="draft.insideCm ?? 0"
          :label="reach.text"
        />
        <v-select
          v-model="draft.kind"
          :items="kinds"
          :label="m.mix.pebbles.kind"
          class="no-print"
        />
        <div class="fields no-print">
          <QuantityField v-model="draft.innerRimCm" :label="m.mix.pebbles.innerRim" of="length" />
          <QuantityField
            v-model="draft.innerHeightCm"
            :label="m.mix.pebbles.innerHeight"
            of="length"
          />
          <template v-if="hasOuter">
            <QuantityField v-model="draft.outerRimCm" :label="m.mix.pebbles.outerRim" of="length" />
            <QuantityField
              v-model="draft.outerHeightCm"
              :label="m.mix.pebbles.outerHeight"
              of="length"
            />
          </template>
          <QuantityField
            v-model="draft.gapCm"
            :label="hasOuter ? m.mix.pebbles.gap : m.mix.pebbles.holes"
            of="length"
          />
          <QuantityField
            v-model="draft.useL"
            :label="m.mix.pebbles.use"
            of="volume"
            :hint="typical === null ? '' : m.mix.pebbles.useHint(volume(typical.growth))"
          />
          <QuantityField
            v-model="draft.rootsL"
            :label="m.mix.mound.roots"
            of="volume"
            :hint="m.app.optional"
          />
          <QuantityField
            v-model="draft.levelCm"
            :label="m.mix.pebbles.ownLevel"
            of="length"
            :hint="m.mix.pebbles.ownLevelHint"
          />
          <v-select v-model="draft.roots" :items="rootChoices" :label="m.mix.pebbles.roots" />
          <template v-if="draft.kind === 'wick'">
            <v-select v-model="draft.wick" :items="wicks" :label="m.mix.pebbles.wick" />
            <QuantityField v-model="draft.insideCm" :label="m.mix.pebbles.inside" of="length" />
          </template>
          <v-select v-model="draft.winter" :items="winters" :label="m.mix.pebbles.winterSchool" />
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.two > .stack {
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
