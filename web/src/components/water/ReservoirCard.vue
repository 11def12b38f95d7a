<script setup lang="ts">
import { type RemedyId, SCHOOLS, stepOf } from '@fernbank/core';
import { computed, ref } from 'vue';
import { write } from '../../api/client.ts';
import type { Measurement, OverWater } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';
import PenDialog from './PenDialog.vue';

/** One plant over water: how it stands, what it asks for, and one tap for each thing that is done. */
const props = defineProps<{ over: OverWater; titled?: boolean }>();
const emit = defineEmits<{ noted: []; change: [] }>();
const { volume, percent, number, said } = useUnits();
const { day } = useDates();
const settings = useSettings();
const notices = useNotices();

const state = computed(() => props.over.state);
const gauge = computed(() => (state.value.left ? percent(state.value.left.share) : 0));
/** The vessel narrows from 4 … 40 at its rim to 9 … 35 at its floor; full is four fifths of it. */
const wet = computed(() => {
  const y = 56 - 0.44 * gauge.value;
  const inset = 4 + (5 * (y - 4)) / 52;
  return `${inset},${y} ${44 - inset},${y} 35,56 9,56`;
});
/** What is wrong with the water ends with a flush, not with a refill. */
const FLUSHED_AWAY: readonly RemedyId[] = ['wickDry', 'empty', 'strong', 'flush', 'salt'];
const wantsFlush = computed(() => state.value.asks.some(({ id }) => FLUSHED_AWAY.includes(id)));
const flushLine = computed(() => {
  const { flush } = state.value;
  if (!flush) return m.water.noFlush;
  const over = flush.due < settings.current.today;
  return (over ? m.water.flushWas : m.water.flush)(day(flush.due), flush.why);
});
const use = computed(() => m.water.use(volume(state.value.perDayL), state.value.thirst.refills));
const lasts = computed(() =>
  state.value.daysLeft === null ? m.water.long : m.water.days(state.value.daysLeft),
);
const shown = (reading: { now: number; filled: number | null } | null) =>
  reading && {
    now: number(reading.now, 2),
    filled: reading.filled === null ? '' : number(reading.filled, 2),
  };
const ph = computed(() => shown(state.value.ph));
const ec = computed(() => shown(state.value.ec));

type Kind = Measurement['kind'];
/** Writes readings down, with a way back for as long as the notice stands. */
async function note(what: string, readings: [Kind, number][]): Promise<void> {
  try {
    const measurements = readings.map(([kind, value]) => ({ kind, value }));
    const { deed } = await write('/visits', {
      method: 'POST',
      body: { plantId: props.over.plantId, date: settings.current.today, measurements },
    });
    notices.done(m.water.noted(what), { deed, back: () => emit('noted') });
    emit('noted');
  } catch (error) {
    notices.fault(error);
  }
}

const filling = ref(false);
const litres = ref<number | null>(null);
function askLitres(): void {
  const { left, fullL } = state.value;
  litres.value = Math.max(0.01, fullL - (left?.litres ?? 0));
  filling.value = true;
}
async function filled(): Promise<void> {
  if (litres.value === null || litres.value <= 0) return;
  filling.value = false;
  await note(m.water.filled, [['reservoirFilledL', litres.value]]);
}
const reading = ref(false);
const penOpen = ref(false);
const typedPh = ref<number | null>(null);
const typedEc = ref<number | null>(null);
const readFault = ref('');
async function read(): Promise<void> {
  const readings: [Kind, number][] = [
    ...(typedPh.value === null ? [] : [['reservoirPh', typedPh.value] as [Kind, number]]),
    ...(typedEc.value === null ? [] : [['reservoirEcMsCm', typedEc.value] as [Kind, number]]),
  ];
  readFault.value = readings.length === 0 ? m.water.needOne : '';
  if (readings.length === 0) return;
  reading.value = false;
  await note(`${m.water.phField}, ${m.water.ecField}`, readings);
}
const fromPen = ({ ph: value, msPerCm }: { ph: number; msPerCm: number }) =>
  note(`${m.water.phField} ${number(value, 2)}, ${number(msPerCm, 2)} mS/cm`, [
    ['reservoirPh', value],
    ['reservoirEcMsCm', msPerCm],
  ]);
/** What the stand-in is dipped into: what was read last, a little drifted. */
const expected = computed(() => ({
  ph: (state.value.ph?.now ?? 6) + 0.1,
  msPerCm: (state.value.ec?.now ?? 1.1) * 1.05,
}));
const CRUSTS = [0, 1, 2] as const;
const crust = (value: (typeof CRUSTS)[number]) =>
  note(`${m.water.salt}: ${stepOf('saltCrust', value)}`, [['saltCrust', value]]);
</script>

<template>
  <section class="panel stack">
    <header class="row spread">
      <h2 v-if="titled">
        <router-link :to="`/plants/${over.plantId}`" class="plain">{{ over.name }}</router-link>
        <small class="quiet">{{ over.spot }}</small>
      </h2>
      <h2 v-else>{{ m.water.standsOver }}</h2>
      <v-btn variant="text" @click="emit('change')">{{ m.water.more }}</v-btn>
    </header>
    <div
      v-for="ask in state.asks"
      :key="ask.id"
      :class="['ask', { urgent: ask.urgent }]"
      :role="ask.urgent ? 'alert' : undefined"
    >
      <strong>{{ ask.title }}</strong> <span class="quiet">({{ said(ask.why) }})</span>
      <div class="sentence">{{ ask.remedy }}.</div>
    </div>
    <div class="level">
      <svg viewBox="0 0 44 60" class="vessel" aria-hidden="true">
        <path d="M4 4 L9 56 H35 L40 4" class="wall" />
        <polygon :points="wet" class="wet" />
        <path d="M4 4 L9 56 H35 L40 4" class="outline" />
      </svg>
      <div>
        <p v-if="state.left" class="big">{{ m.water.left(volume(state.left.litres), gauge) }}</p>
        <p v-else>{{ m.water.unknown }}</p>
        <p v-if="state.left" class="sentence">{{ lasts }}; {{ use }}</p>
        <p class="quiet">
          {{ flushLine }}
          {{ m.water.school(SCHOOLS.flush.options[over.school].label) }}
          <template v-if="state.winter">{{
            m.water.winter(SCHOOLS.winter.options[over.winter].label)
          }}</template>
        </p>
        <p v-if="ph || ec" class="quiet">
          <template v-if="ph">{{ m.water.ph(ph.now, ph.filled) }}</template>
          <template v-if="ph && ec"> · </template>
          <template v-if="ec">{{ m.water.ec(ec.now, ec.filled) }}</template>
        </p>
      </div>
    </div>
    <div class="tiles tiny">
      <v-btn
        :color="wantsFlush ? undefined : 'primary'"
        :variant="wantsFlush ? 'outlined' : 'flat'"
        min-height="52"
        @click="askLitres"
        >{{ m.water.filled }}</v-btn
      >
      <v-btn
        :color="wantsFlush ? 'primary' : undefined"
        :variant="wantsFlush ? 'flat' : 'outlined'"
        min-height="52"
        @click="note(m.water.flushed, [['reservoirFlushed', 1]])"
        >{{ m.water.flushed }}</v-btn
      >
      <template v-if="over.reservoir.wick">
        <v-btn
          variant="outlined"
          min-height="52"
          @click="note(m.water.wickDamp, [['wickDamp', 1]])"
          >{{ m.water.wickDamp }}</v-btn
        >
        <v-btn
          variant="outlined"
          min-height="52"
          @click="note(m.water.wickDry, [['wickDamp', 0]])"
          >{{ m.water.wickDry }}</v-btn
        >
      </template>
      <v-btn variant="outlined" min-height="52" @click="penOpen = true">{{ m.water.pen }}</v-btn>
      <v-btn variant="outlined" min-height="52" @click="reading = true">{{ m.water.read }}</v-btn>
    </div>
    <div class="row" role="group" :aria-label="m.water.salt">
      <span>{{ m.water.salt }}:</span>
      <v-btn v-for="value in CRUSTS" :key="value" variant="outlined" @click="crust(value)">{{
        stepOf('saltCrust', value)
      }}</v-btn>
    </div>
    <FormDialog
      v-model="filling"
      :title="m.water.filledTitle(over.name)"
      :save="m.water.readBoth"
      :width="440"
      @submit="filled"
    >
      <QuantityField v-model="litres" :label="m.water.litres" of="volume" />
    </FormDialog>
    <FormDialog
      v-model="reading"
      :title="`${over.name}: ${m.water.penTitle}`"
      :save="m.water.readBoth"
      :fault="readFault"
      :width="440"
      @submit="read"
    >
      <NumberField v-model="typedPh" :label="m.water.phField" />
      <NumberField v-model="typedEc" :label="m.water.ecField" unit="mS/cm" />
    </FormDialog>
    <PenDialog v-model="penOpen" :expected="expected" @read="fromPen" />
  </section>
</template>

<style scoped>
.level {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
}
.vessel {
  width: 62px;
  height: 84px;
}
.wall {
  fill: rgb(var(--v-theme-surface));
}
.wet {
  fill: rgb(var(--v-theme-water));
  opacity: 0.75;
}
.outline {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2;
}
.big {
  font-size: 1.25rem;
  font-weight: 700;
}
.ask {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding: 4px 10px;
}
.ask.urgent {
  border: 2px solid rgb(var(--v-theme-error));
  border-left-width: 8px;
  border-radius: 8px;
}
small {
  margin-left: 10px;
  font-family: 'Atkinson Hyperlegible', sans-serif;
  font-weight: 400;
}
</style>
