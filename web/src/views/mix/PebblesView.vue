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
import NumberField from '../../components/NumberField.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { schoolItems } from '../../composables/schoolItems.ts';

/** Clay pebbles over a reservoir: how many, how much water at which level, how many wicks, how long it lasts. */
const {
  length,
  lengthUnit,
  lengthToCm,
  lengthFromCm,
  volume,
  volumeUnit,
  volumeToL,
  weight,
  number,
} = useUnits();
const { draft } = useDraft('pebbles', () => ({
  kind: 'wick' as PebbleSetupKind,
  innerRim: lengthFromCm(13) as number | null,
  innerHeight: lengthFromCm(12) as number | null,
  outerRim: lengthFromCm(17) as number | null,
  outerHeight: lengthFromCm(19) as number | null,
  gap: lengthFromCm(6) as number | null,
  roots: 'short' as PebbleRoots,
  rootsL: null as number | null,
  use: null as number | null,
  wick: 'polyester' as WickKind,
  inside: lengthFromCm(4) as number | null,
  winter: 'lower' as Schools['winter'],
  level: null as number | null,
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
const potOf = (rim: number, height: number) =>
  checkPot({
    shape: 'round' as const,
    topDiameterCm: lengthToCm(rim),
    baseDiameterCm: lengthToCm(rim) * NARROWS,
    heightCm: lengthToCm(height),
  });
/** What a plant of that size is likely to drink, where the keeper does not say. */
const typical = computed(() =>
  draft.value.innerRim === null
    ? null
    : typicalPotUseL(nominalPot(lengthToCm(draft.value.innerRim))),
);
const outcome = computed((): { setup: PebbleSetup | null; fault: string } => {
  const { innerRim, innerHeight, outerRim, outerHeight, gap, inside, rootsL } = draft.value;
  const needed = [innerRim, innerHeight, gap, ...(hasOuter.value ? [outerRim, outerHeight] : [])];
  if (needed.some((value) => value === null)) return { setup: null, fault: m.mix.mound.open };
  try {
    const inner = potOf(innerRim!, innerHeight!);
    const outer = hasOuter.value ? potOf(outerRim!, outerHeight!) : inner;
    const { kind, roots, wick, winter, use, level } = draft.value;
    const likely = typical.value!;
    const growth = use === null ? likely.growth : volumeToL(use);
    return {
      setup: planPebbles({
        kind,
        inner,
        outer,
        gapCm: lengthToCm(gap!),
        roots,
        rootsL: rootsL === null ? 0 : volumeToL(rootsL),
        usePerDayL: { growth, winter: (growth * likely.winter) / likely.growth },
        winter,
        ...(level === null ? {} : { levelCm: lengthToCm(level) }),
        ...(kind === 'wick' ? { wick: { kind: wick, insideCm: lengthToCm(inside ?? 0) } } : {}),
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
  const { innerRim, innerHeight, outerRim, outerHeight, gap, inside, kind } = draft.value;
  const inner = { rim: lengthToCm(innerRim!), height: lengthToCm(innerHeight!) };
  const outer = hasOuter.value
    ? { rim: lengthToCm(outerRim!), height: lengthToCm(outerHeight!) }
    : inner;
  const lift = kind === 'holes' ? 0 : lengthToCm(gap!);
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
    wick: at.wick ? `M0 0L0 ${-lift - lengthToCm(inside ?? 0)}` : '',
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
        <ul v-if="setup" class="key small">
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
          <NumberField
            v-model="draft.innerRim"
            :label="m.mix.pebbles.innerRim"
            :unit="lengthUnit"
          />
          <NumberField
            v-model="draft.innerHeight"
            :label="m.mix.pebbles.innerHeight"
            :unit="lengthUnit"
          />
          <template v-if="hasOuter">
            <NumberField
              v-model="draft.outerRim"
              :label="m.mix.pebbles.outerRim"
              :unit="lengthUnit"
            />
            <NumberField
              v-model="draft.outerHeight"
              :label="m.mix.pebbles.outerHeight"
              :unit="lengthUnit"
            />
          </template>
          <NumberField
            v-model="draft.gap"
            :label="hasOuter ? m.mix.pebbles.gap : m.mix.pebbles.holes"
            :unit="lengthUnit"
          />
          <NumberField
            v-model="draft.use"
            :label="m.mix.pebbles.use"
            :unit="volumeUnit"
            :hint="typical === null ? '' : m.mix.pebbles.useHint(volume(typical.growth))"
          />
          <NumberField
            v-model="draft.rootsL"
            :label="m.mix.mound.roots"
            :unit="volumeUnit"
            :hint="m.app.optional"
          />
          <NumberField
            v-model="draft.level"
            :label="m.mix.pebbles.ownLevel"
            :unit="lengthUnit"
            :hint="m.mix.pebbles.ownLevelHint"
          />
          <v-select v-model="draft.roots" :items="rootChoices" :label="m.mix.pebbles.roots" />
          <template v-if="draft.kind === 'wick'">
            <v-select v-model="draft.wick" :items="wicks" :label="m.mix.pebbles.wick" />
            <NumberField v-model="draft.inside" :label="m.mix.pebbles.inside" :unit="lengthUnit" />
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
  list-style: none;
  padding: 0;
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
