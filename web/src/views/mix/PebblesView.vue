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
  type WickKind,
  SCHOOLS,
  type Schools,
  PEBBLE_LIFT_CM,
} from '@fernbank/core';
import { computed } from 'vue';
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
const outcome = computed((): { setup: PebbleSetup | null; fault: string } => {
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
/** From the side, at one scale: vessel, water, inner pot with its damp part, wick. */
const drawn = computed(() => {
  const at = setup.value!;
  const { innerRimCm, innerHeightCm, outerRimCm, outerHeightCm, gapCm, insideCm, kind } =
    draft.value;
  const inner = { rim: innerRimCm!, height: innerHeightCm! };
  const outer = hasOuter.value ? { rim: outerRimCm!, height: outerHeightCm! } : inner;
  const lift = kind === 'holes' ? 0 : gapCm!;
  const half = (rim: number, z: number, height: number) =>
    (rim / 2) * (NARROWS + (1 - NARROWS) * (z / height));
  const body = (rim: number, height: number, from: number, to: number, raised: number) => {
    const [a, b] = [half(rim, from, height), half(rim, to, height)];
    return `M${-a} ${-raised - from}L${a} ${-raised - from}L${b} ${-raised - to}L${-b} ${-raised - to}Z`;
  };
  const top = Math.max(outer.height, lift + inner.height);
  const widest = Math.max(outer.rim, inner.rim) / 2;
  return {
    box: `${-widest - 1} ${-top - 1} ${2 * widest + 2} ${top + 2}`,
    width: (2 * widest + 2) * 12,
    vessel: body(outer.rim, outer.height, 0, outer.height, 0),
    water: body(outer.rim, outer.height, 0, at.summer.levelCm, 0),
    winter: -at.winter.levelCm,
    winterHalf: half(outer.rim, at.winter.levelCm, outer.height),
    pebbles: body(inner.rim, inner.height, 0, at.fillCm, lift),
    damp: body(inner.rim, inner.height, 0, Math.max(0.01, at.dampCm), lift),
    wick: at.wick ? `M0 0L0 ${-lift - (insideCm ?? 0)}` : '',
  };
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
        <svg
          v-if="setup"
          :viewBox="drawn.box"
          :style="{ maxWidth: `${Math.min(340, drawn.width)}px` }"
          class="drawing"
          role="img"
          :aria-label="reach.text"
        >
          <path :d="drawn.water" class="water" />
          <path :d="drawn.pebbles" class="pebbles" />
          <path :d="drawn.damp" class="damp" />
          <line
            :x1="-drawn.winterHalf"
            :x2="drawn.winterHalf"
            :y1="drawn.winter"
            :y2="drawn.winter"
            class="winter"
          />
          <path :d="drawn.vessel" class="vessel" />
          <path v-if="drawn.wick" :d="drawn.wick" class="wick" />
        </svg>
        <ul v-if="setup" class="bare key small">
          <li class="k-water">{{ m.mix.pebbles.keyWater }}</li>
          <li class="k-damp">{{ m.mix.pebbles.keyDamp }}</li>
          <li class="k-dry">{{ m.mix.pebbles.keyDry }}</li>
          <li class="k-winter">{{ m.mix.pebbles.keyWinter }}</li>
        </ul>
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
.drawing {
  width: 100%;
  justify-self: center;
}
.vessel {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.8);
  stroke-width: 0.35;
}
.water {
  fill: #2f6f96;
}
.pebbles {
  fill: #c9a27c;
}
.damp {
  fill: #8d5f3c;
}
.winter {
  stroke: #fff;
  stroke-width: 0.22;
  stroke-dasharray: 0.7 0.5;
}
.wick {
  stroke: #fff;
  stroke-width: 0.45;
  fill: none;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.key li::before {
  content: '';
  display: inline-block;
  width: 14px;
  height: 14px;
  margin-right: 6px;
  vertical-align: -2px;
}
.k-water::before {
  background: #2f6f96;
}
.k-damp::before {
  background: #8d5f3c;
}
.k-dry::before {
  background: #c9a27c;
}
.k-winter::before {
  border-top: 3px dashed rgb(var(--v-theme-on-surface), 0.7);
  height: 4px !important;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
