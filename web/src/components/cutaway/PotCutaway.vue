<script setup lang="ts">
import { potMaterial, supportKind, type Component, type SupportKindId } from '@fernbank/core';
import { computed, useId } from 'vue';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { usePantry } from '../../stores/pantry.ts';
import { sceneOf, type CutawaySubject } from './scene.ts';
import { WALL } from './wall.ts';

/** A pot cut open, to scale: the same pixels per centimetre wherever pots are compared. */
const props = withDefaults(
  defineProps<{
    subject: CutawaySubject;
    /** scale; every cutaway of one list uses the same */
    pxPerCm?: number;
    /** cm of plant drawn above the rim */
    crownCm?: number;
    ruler?: boolean;
    /** width kept free for the drawing, cm, so that a list lines up */
    roomCm?: number;
    /** grips stand on it: then it is a group of controls, not a picture */
    grips?: boolean;
  }>(),
  { pxPerCm: 4, crownCm: 14, ruler: false, roomCm: 0, grips: false },
);

const { length, volume, percent } = useUnits();
const id = useId();
const store = usePantry();

/** Below this scale grains are specks: a list of pots draws few of them. */
const SPECK_PX_PER_CM = 4;
const FEW_GRAINS = 36;
const scene = computed(() =>
  sceneOf(
    props.subject,
    props.crownCm,
    store.pantry,
    props.pxPerCm < SPECK_PX_PER_CM ? FEW_GRAINS : undefined,
  ),
);
/** Figures of the ruler stay legible however small the scale, cm of the drawing. */
const figureCm = computed(() => Math.max(1.35, 11 / props.pxPerCm));
const margin = computed(() => (props.ruler ? 1 + 2 * figureCm.value : 0.6));
const half = computed(() => Math.max(scene.value.widthCm, props.roomCm) / 2 + 0.6);
const box = computed(() => {
  const leaf = props.crownCm > 0 ? scene.value.widthCm * 0.2 : 0;
  const left = -half.value - margin.value - leaf;
  // The centre of gravity may lie above what is drawn of the plant.
  const gravityY = scene.value.gravity?.y ?? 0;
  const top = Math.min(scene.value.topY - (props.crownCm > 0 ? 2.4 : 1), gravityY - 2.2);
  return { left, top, width: half.value * 2 + margin.value + 2 * leaf, height: -top + 1 };
});

const rulerMarks = computed(() => {
  const inches = length(2.54).endsWith('in');
  const step = inches ? 2.54 : 1;
  const strong = inches ? 2 : 5;
  const count = Math.floor(-scene.value.topY / step);
  return Array.from({ length: count + 1 }, (_, i) => ({
    y: -i * step,
    strong: i % strong === 0,
    label: i % (strong * (count > 60 ? 4 : 1)) === 0 ? String(i) : '',
  }));
});

const isLine = (component: Component) =>
  component.grain === 'fibre' || component.grain === 'strand';

const wallColour = computed(() => WALL[props.subject.material]);
const POLE: Record<SupportKindId, string> = {
  mossMesh: '#9a8a5c',
  mossSheet: '#9a8a5c',
  coirPole: '#8a6236',
  barkPlank: '#7c4e2c',
  stake: '#b4976a',
  hoop: '#77746c',
  trellis: '#b4976a',
};
/** Green where roots can still go in. */
const USABLE = '#7d9446';
const coverColour = computed(() => (props.subject.cover ? WALL[props.subject.cover.material] : ''));

/** Between the grains: dark gaps in a coarse mix, the fine stuff itself in a dense one. */
const ground = computed(() => (scene.value.air > 0.32 ? '#3a3029' : '#5c4936'));

const tip = computed(() => {
  const { gravity } = scene.value;
  const { tipAngleDeg } = props.subject;
  if (!gravity || tipAngleDeg === undefined) return null;
  return { y: gravity.y, label: `${tipAngleDeg.toFixed(0)}°` };
});

const text = computed(() => {
  const { subject } = props;
  const { water, air, fillL } = scene.value;
  const sentences = [
    m.cutaway.pot(
      length(scene.value.widthCm),
      length(subject.pot.heightCm),
      potMaterial(subject.material).label,
      volume(fillL),
    ),
    ...(subject.empty ? [] : [m.cutaway.split(percent(water), percent(air))]),
  ];
  if (subject.explored) sentences.push(m.cutaway.roots(Math.round(subject.explored * 100)));
  if (subject.plantHeightCm) sentences.push(m.cutaway.plant(length(subject.plantHeightCm)));
  if (subject.support) {
    const { kind, lengthCm } = subject.support;
    sentences.push(m.cutaway.support(supportKind(kind).label, length(lengthCm)));
  } else if (subject.supportCm) sentences.push(m.cutaway.pole(length(subject.supportCm)));
  if (tip.value) sentences.push(m.cutaway.tip(tip.value.label));
  return m.cutaway.describe(sentences);
});
</script>

<template>
  <svg
    :role="grips ? 'group' : 'img'"
    :aria-labelledby="`${id}-text`"
    :viewBox="`${box.left} ${box.top} ${box.width} ${box.height}`"
    :width="box.width * pxPerCm"
    :height="box.height * pxPerCm"
    class="cutaway"
  >
    <title :id="`${id}-text`">{{ text }}</title>
    <defs>
      <clipPath :id="`${id}-medium`"><path :d="scene.medium" /></clipPath>
    </defs>

    <g v-if="scene.cover">
      <path :d="scene.cover.outline" :fill="coverColour" />
      <path :d="scene.cover.inside" class="hollow" />
      <path v-if="scene.cover.water" :d="scene.cover.water" class="below" />
    </g>
    <g v-if="scene.pole" class="pole">
      <rect
        v-for="(piece, i) in scene.pole.extensions"
        :key="`e${i}`"
        :x="scene.pole.x"
        :y="piece.y"
        :width="scene.pole.width"
        :height="piece.height"
        class="tocome"
      />
      <rect
        :x="scene.pole.x"
        :y="scene.pole.y"
        :width="scene.pole.width"
        :height="scene.pole.height"
        rx="0.2"
        :fill="POLE[scene.pole.kind]"
        stroke="#54401f"
        stroke-width="0.12"
      />
      <rect
        v-if="scene.pole.usable"
        :x="scene.pole.x"
        :y="scene.pole.usable.y"
        :width="scene.pole.width"
        :height="scene.pole.usable.height"
        rx="0.2"
        :fill="USABLE"
        stroke="#45551f"
        stroke-width="0.16"
      />
    </g>
    <g v-if="scene.leaves" class="shoot">
      <path v-if="scene.stem" :d="scene.stem" fill="none" stroke="#5f7a45" stroke-width="0.5" />
      <path
        :d="scene.leaves"
        fill="#7f9a5e"
        stroke="#4d6b3c"
        stroke-width="0.12"
        fill-opacity="0.92"
      />
    </g>

    <line
      v-for="(tie, i) in scene.pole?.ties ?? []"
      :key="`t${i}`"
      :x1="scene.pole!.x - 0.5"
      :x2="scene.pole!.x + scene.pole!.width + 0.5"
      :y1="tie"
      :y2="tie"
      class="tie"
    />
    <path
      :d="scene.outline"
      :fill="wallColour"
      :stroke="wallColour"
      :stroke-width="subject.empty ? 0.35 : 0"
    />
    <path :d="scene.inside" class="hollow" />
    <g :clip-path="`url(#${id}-medium)`">
      <path :d="scene.medium" :fill="ground" />
      <path
        v-for="{ component, path } in scene.grains"
        :key="component.id"
        :d="path"
        :fill="isLine(component) ? 'none' : component.colour"
        :stroke="isLine(component) ? component.colour : '#2b2018'"
        :stroke-width="isLine(component) ? 0.1 : 0.04"
        :stroke-opacity="isLine(component) ? 1 : 0.4"
      />
      <rect
        v-for="(band, i) in scene.waterBands"
        :key="`w${i}`"
        :x="-half"
        :y="band.y"
        :width="half * 2"
        :height="band.height + 0.02"
        fill="#2f6f96"
        :fill-opacity="(0.03 + 0.46 * band.saturation ** 2).toFixed(3)"
      />
      <rect
        v-if="scene.layerY !== null"
        :x="-half"
        :y="scene.layerY"
        :width="half * 2"
        :height="scene.floorY - scene.layerY"
        class="grit"
      />
      <path v-if="scene.ball" :d="scene.ball" class="ball" />
      <path
        v-if="scene.roots.path"
        :d="scene.roots.path"
        fill="none"
        stroke="#f6ecd2"
        stroke-width="0.17"
        stroke-opacity="0.9"
      />
    </g>
    <rect
      v-for="(hole, i) in scene.holes"
      :key="`h${i}`"
      :x="hole.x"
      :y="scene.floorY - 0.02"
      :width="hole.width"
      :height="scene.baseY - scene.floorY + 0.1"
      class="hole"
    />
    <path v-if="scene.mound" :d="scene.mound" class="mound" />
    <path v-if="scene.cover?.wick" :d="scene.cover.wick" class="wick" />
    <path
      v-if="scene.clipped"
      :d="`M-2.4 ${scene.topY - 0.6}l1.2 -0.6l1.2 1.2l1.2 -1.2l1.2 1.2`"
      class="cutmark"
      fill="none"
    />

    <g v-if="tip" class="tip">
      <line :x1="-half" :x2="half" :y1="tip.y" :y2="tip.y" stroke-dasharray="0.6 0.5" />
      <circle cx="0" :cy="tip.y" r="0.55" />
      <text :x="half - 0.2" :y="tip.y - 0.5" text-anchor="end">{{ tip.label }}</text>
    </g>

    <g v-if="scene.pole" class="pole" :clip-path="`url(#${id}-medium)`">
      <rect
        :x="scene.pole.x"
        :y="scene.pole.y"
        :width="scene.pole.width"
        :height="scene.pole.height"
        :fill="POLE[scene.pole.kind]"
        stroke="#54401f"
        stroke-width="0.12"
        fill-opacity="0.85"
      />
    </g>
    <slot :scene="scene" :half="half" />
    <line :x1="box.left" :x2="box.left + box.width" y1="0" y2="0" class="ground" />
    <g v-if="ruler" class="ruler">
      <line :x1="-half - 0.8" :x2="-half - 0.8" y1="0" :y2="scene.topY" />
      <g v-for="mark in rulerMarks" :key="mark.y">
        <line :x1="-half - 0.8" :x2="-half - (mark.strong ? 1.8 : 1.3)" :y1="mark.y" :y2="mark.y" />
        <text
          v-if="mark.label"
          :x="-half - 2"
          :y="mark.y + figureCm / 3"
          :font-size="figureCm"
          text-anchor="end"
        >
          {{ mark.label }}
        </text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.cutaway {
  display: block;
  max-width: 100%;
}
.hollow {
  fill: rgb(var(--v-theme-background));
}
.mound {
  fill: #7d9446;
  stroke: #54662c;
  stroke-width: 0.15;
}
.below {
  fill: rgb(var(--v-theme-water));
  fill-opacity: 0.75;
}
.wick {
  stroke: #f6ecd2;
  stroke-width: 0.4;
  fill: none;
}
.ball {
  fill: #4a3a2a;
  fill-opacity: 0.42;
  stroke: #f6ecd2;
  stroke-width: 0.12;
  stroke-dasharray: 0.5 0.4;
}
.grit {
  fill: #8d8a84;
  stroke: #4c4a45;
  stroke-width: 0.15;
  stroke-dasharray: 0.4 0.3;
}
.tocome {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface), 0.6);
  stroke-width: 0.25;
  stroke-dasharray: 1 0.8;
}
.tie {
  stroke: #b8653c;
  stroke-width: 0.5;
  stroke-linecap: round;
}
.hole {
  fill: rgb(var(--v-theme-background));
}
.ground,
.ruler line,
.cutmark {
  stroke: rgb(var(--v-theme-on-surface), 0.55);
  stroke-width: 0.12;
}
.tip text {
  font-size: 1.35px;
}
.ruler text,
.tip text {
  fill: rgb(var(--v-theme-on-surface), 0.8);
}
.tip line {
  stroke: rgb(var(--v-theme-slate));
  stroke-width: 0.14;
}
.tip circle {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-slate));
  stroke-width: 0.2;
}
</style>
