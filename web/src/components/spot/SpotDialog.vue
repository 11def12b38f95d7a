<script setup lang="ts">
import {
  isTypicalYear,
  LIGHT_CLASSES,
  OUTDOOR_HUMIDITY,
  typicalYear,
  type LightClass,
} from '@fernbank/core';
import { computed, watch } from 'vue';
import { api } from '../../api/client.ts';
import type { SpotRow } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { guessedHere } from '../../composables/whereabouts.ts';
import { m } from '../../messages/index.ts';
import LatitudeField from '../LatitudeField.vue';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';
import SensorPanel from './SensorPanel.vue';

/** Where plants stand: light, warmth (one mean or month by month), humidity, latitude. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  spot?: SpotRow | null;
  /** the spots there are: a new one lies at their latitude, and comes after them on the walk */
  spots?: readonly SpotRow[];
}>();
const emit = defineEmits<{ added: [spot: SpotRow]; changed: [spot: SpotRow] }>();

const MEAN_C = 20;
const ROOM = { humidityPercent: 50, light: 'medium' as LightClass };
const OUTDOORS = { humidityPercent: 100 * OUTDOOR_HUMIDITY, light: 'bright' as LightClass };
const here = guessedHere();
const blank = () => ({
  name: '',
  indoors: true,
  latitudeDeg: here.spot.latitudeDeg as number | null,
  temperatureC: MEAN_C as number | null,
  monthsC: null as (number | null)[] | null,
  humidityPercent: ROOM.humidityPercent as number | null,
  light: ROOM.light,
  lampHours: 0 as number | null,
  sortOrder: 0 as number | null,
  headroomCm: null as number | null,
});
const { draft, changed, clear } = useDraft('spot', blank);
const { saving, errors, fault, send } = useSaving((field) => field.split('.')[0]!);

/** An existing spot fills the form; a new one goes on where it was left. */
watch(
  () => [open.value, props.spot] as const,
  ([isOpen, spot]) => {
    if (isOpen && spot) draft.value = formOf(spot);
    else if (isOpen && !changed.value) beside(props.spots ?? []);
    else if (!isOpen && props.spot) clear();
  },
);
function beside(spots: readonly SpotRow[]): void {
  const last = spots[spots.length - 1];
  if (!last) return;
  draft.value.latitudeDeg = last.latitudeDeg;
  draft.value.sortOrder = Math.max(...spots.map(({ sortOrder }) => sortOrder)) + 1;
}
function formOf(spot: SpotRow): ReturnType<typeof blank> {
  const {
    name,
    indoors,
    latitudeDeg,
    temperatureC,
    relativeHumidity,
    light,
    lampHours,
    sortOrder,
  } = spot;
  // One mean of a spot outdoors is of before its year was asked for.
  const unsaid = indoors ? null : typicalYear(latitudeDeg);
  const monthly = typeof temperatureC === 'number' ? unsaid : [...temperatureC];
  return {
    name,
    indoors,
    latitudeDeg,
    temperatureC: typeof temperatureC === 'number' ? temperatureC : meanOf(temperatureC),
    monthsC: monthly,
    humidityPercent: Math.round(relativeHumidity * 100),
    light,
    lampHours,
    sortOrder,
    headroomCm: spot.headroomCm,
  };
}
const meanOf = (values: readonly number[]) =>
  Math.round((values.reduce((sum, value) => sum + value, 0) / values.length) * 10) / 10;

function byMonth(): void {
  draft.value.monthsC = draft.value.monthsC
    ? null
    : Array.from({ length: 12 }, () => draft.value.temperatureC ?? MEAN_C);
}
/** Outdoors the months are a typical year's until the keeper knows better; back in a room those go. */
const typical = computed(() => {
  const { monthsC, latitudeDeg } = draft.value;
  return monthsC !== null && isTypicalYear(monthsC, latitudeOf(latitudeDeg));
});
const latitudeOf = (typed: number | null) =>
  Math.max(-90, Math.min(90, typed ?? here.spot.latitudeDeg));
function setIndoors(indoors: boolean): void {
  const wasTypical = typical.value;
  draft.value.indoors = indoors;
  if (!indoors && !draft.value.monthsC) {
    draft.value.monthsC = typicalYear(latitudeOf(draft.value.latitudeDeg));
  }
  if (indoors && wasTypical) draft.value.monthsC = null;
  // What nobody has said of a room does not hold outdoors, nor the other way round.
  const [from, to] = indoors ? [OUTDOORS, ROOM] : [ROOM, OUTDOORS];
  if (draft.value.humidityPercent === from.humidityPercent) {
    draft.value.humidityPercent = to.humidityPercent;
  }
  if (draft.value.light === from.light) draft.value.light = to.light;
}
watch(
  () => latitudeOf(draft.value.latitudeDeg),
  (now, before) => {
    const { monthsC, indoors } = draft.value;
    if (!indoors && monthsC && isTypicalYear(monthsC, before)) {
      draft.value.monthsC = typicalYear(now);
    }
  },
);
const places = [
  { value: true, title: m.spot.indoors },
  { value: false, title: m.spot.outdoors },
];
const monthWord = new Intl.DateTimeFormat(undefined, { month: 'short' });
const months = Array.from({ length: 12 }, (_, i) => monthWord.format(new Date(2026, i, 15)));

const body = computed(() => {
  const { name, indoors, latitudeDeg, temperatureC, monthsC, humidityPercent, light } = draft.value;
  const { lampHours, sortOrder } = draft.value;
  return {
    name,
    indoors,
    latitudeDeg: latitudeDeg ?? here.spot.latitudeDeg,
    temperatureC: monthsC
      ? monthsC.map((celsius) => celsius ?? temperatureC ?? MEAN_C)
      : (temperatureC ?? MEAN_C),
    relativeHumidity: (humidityPercent ?? 50) / 100,
    light,
    lampHours: lampHours ?? 0,
    sortOrder: sortOrder ?? 0,
    headroomCm: draft.value.headroomCm,
  };
});

async function save(): Promise<void> {
  const missing: Record<string, string> = draft.value.name.trim() ? {} : { name: m.form.required };
  const { spot } = props;
  await send(missing, async () => {
    const saved = await api(spot ? `/spots/${spot.id}` : '/spots', {
      method: spot ? 'PATCH' : 'POST',
      body: body.value,
      ...(spot ? { rev: spot.rev } : {}),
    });
    clear();
    open.value = false;
    if (spot) emit('changed', saved);
    else emit('added', saved);
  });
}
/** What the sensor read replaces what was typed, where it read anything. */
function takeReadings(monthlyC: (number | null)[], humidity: number | null): void {
  const before = draft.value.monthsC ?? Array.from({ length: 12 }, () => draft.value.temperatureC);
  draft.value.monthsC = monthlyC.map((celsius, i) =>
    celsius === null ? (before[i] ?? null) : Math.round(celsius * 10) / 10,
  );
  if (humidity !== null) draft.value.humidityPercent = Math.round(humidity * 100);
}
const lights = LIGHT_CLASSES.map(({ id, label }) => ({ value: id, title: label }));
</script>

<template>
  <v-dialog v-model="open" max-width="620" scrollable>
    <v-card class="pa-5">
      <form class="stack form" novalidate @submit.prevent="save">
        <h2>{{ spot ? m.spot.edit : m.spot.add }}</h2>
        <v-text-field
          v-model="draft.name"
          :label="m.spot.name"
          :error-messages="errors.name"
          name="spotName"
          autofocus
        />
        <div class="fields">
          <v-select
            :model-value="draft.indoors"
            :items="places"
            :label="m.spot.where"
            @update:model-value="setIndoors"
          />
          <v-select v-model="draft.light" :items="lights" :label="m.spot.light" />
        </div>
        <p v-if="typical" role="note" class="quiet">
          {{ m.spot.typicalYear(Math.abs(latitudeOf(draft.latitudeDeg))) }}
        </p>
        <div v-if="draft.indoors" class="fields">
          <QuantityField
            v-if="!draft.monthsC"
            v-model="draft.temperatureC"
            :label="m.spot.temperature"
            of="temperature"
            :error="errors.temperatureC"
          />
          <v-btn variant="outlined" min-height="54" @click="byMonth">{{
            draft.monthsC ? m.spot.oneMean : m.spot.byMonth
          }}</v-btn>
        </div>
        <div v-if="draft.monthsC" class="tiles tiny">
          <QuantityField
            v-for="(_, i) in draft.monthsC"
            :key="i"
            v-model="draft.monthsC[i]!"
            :label="months[i]!"
            of="temperature"
          />
        </div>
        <p v-if="draft.monthsC && errors.temperatureC" class="text-error" role="alert">
          {{ errors.temperatureC }}
        </p>
        <div class="fields">
          <NumberField
            v-model="draft.humidityPercent"
            :label="m.spot.humidity"
            unit="%"
            :error="errors.relativeHumidity"
          />
          <NumberField
            v-model="draft.lampHours"
            :label="m.spot.lamp"
            unit="h"
            :error="errors.lampHours"
          />
          <LatitudeField
            v-model="draft.latitudeDeg"
            :first="!spot && !spots?.length"
            :error="errors.latitudeDeg"
          />
          <NumberField
            v-model="draft.sortOrder"
            :label="m.spot.order"
            :hint="m.spot.orderHint"
            :error="errors.sortOrder"
          />
          <QuantityField
            v-model="draft.headroomCm"
            :label="m.spot.headroom"
            of="length"
            :hint="m.spot.headroomHint"
            :error="errors.headroomCm"
          />
        </div>
        <SensorPanel v-if="spot" :spot="spot" @take="takeReadings" />
        <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
        <div class="row">
          <v-btn type="submit" color="primary" :loading="saving">{{
            spot ? m.spot.save : m.spot.add
          }}</v-btn>
          <v-btn variant="text" @click="open = false">{{ m.app.cancel }}</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.form {
  overflow: auto;
}
</style>
