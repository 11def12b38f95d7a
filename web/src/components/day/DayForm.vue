<script setup lang="ts">
import { mdiClose, mdiPlus } from '@mdi/js';
import { addDays, CLEANINGS, MOST_DATES, type Cleaning } from '@fernbank/core';
import { computed, ref } from 'vue';
import { ApiError, wordsFor } from '../../api/client.ts';
import type { Day, DayAsk } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { m } from '../../messages/index.ts';
import { useSettings } from '../../stores/settings.ts';
import NumberField from '../NumberField.vue';

/** What a keeper says of a potting day: dates and minutes, hands, money, how pots are cleaned. */
const props = defineProps<{ day: Day | null; save: (ask: DayAsk) => Promise<unknown> }>();

const settings = useSettings();
const NEXT_CHANCE_DAYS = 42;
const USUAL_MINUTES = 180;
const SATURDAY = 6;
/** The coming Saturday, or today where it is one. */
const saturday = computed(() => {
  const { today } = settings.current;
  const weekday = new Date(`${today}T00:00:00Z`).getUTCDay();
  return addDays(today, (SATURDAY - weekday + 7) % 7);
});
const { draft, clear } = useDraft(`day.${props.day?.id ?? 'new'}`, () => ({
  dates: (
    props.day?.dates ?? [{ date: saturday.value, minutes: USUAL_MINUTES as number | null }]
  ).map(({ date, minutes }) => ({ date, minutes: minutes as number | null })),
  hands: (props.day?.hands ?? 1) as number | null,
  money: props.day?.money ?? null,
  nextChance: props.day?.nextChance ?? '',
  cleaning: (props.day?.cleaning ?? 'soak') as Cleaning,
}));
const cleanings = (Object.keys(CLEANINGS) as Cleaning[]).map((value) => ({
  value,
  title: CLEANINGS[value].label,
  props: { subtitle: CLEANINGS[value].does },
}));
const lastDate = computed(() => draft.value.dates.at(-1)!.date);
const nextChance = computed({
  get: () => draft.value.nextChance || addDays(lastDate.value, NEXT_CHANCE_DAYS),
  set: (date: string) => (draft.value.nextChance = date),
});
function addDate(): void {
  const last = draft.value.dates.at(-1)!;
  draft.value.dates.push({ date: addDays(last.date, 1), minutes: last.minutes });
}

const errors = ref<Record<string, string>>({});
const fault = ref('');
const saving = ref(false);
function faultsOf(): Record<string, string> {
  const { dates, hands } = draft.value;
  const found: Record<string, string> = {};
  dates.forEach(({ date, minutes }, i) => {
    if (minutes === null || minutes <= 0) found[`minutes${i}`] = m.day.minutesError;
    if (i > 0 && date <= dates[i - 1]!.date) found[`date${i}`] = m.day.datesError;
  });
  if (hands === null || hands < 1) found.hands = m.form.number;
  if (nextChance.value <= lastDate.value) found.nextChance = m.day.nextChanceError;
  return found;
}
async function submit(): Promise<void> {
  errors.value = faultsOf();
  fault.value = '';
  if (Object.keys(errors.value).length > 0) return;
  saving.value = true;
  const { dates, hands, money, cleaning } = draft.value;
  try {
    await props.save({
      dates: dates.map(({ date, minutes }) => ({ date, minutes: Math.round(minutes!) })),
      hands: Math.round(hands!),
      money,
      cleaning,
      nextChance: nextChance.value,
      pins: (props.day?.pins ?? []).filter(
        (pin) => pin.kind !== 'on' || dates.some(({ date }) => date === pin.date),
      ),
    });
    clear();
  } catch (error) {
    const { field } = error instanceof ApiError ? error : { field: undefined };
    if (field) errors.value = { [field]: wordsFor(error) };
    fault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <form class="stack" novalidate @submit.prevent="submit">
    <ul class="bare dates">
      <li v-for="(row, i) in draft.dates" :key="i">
        <v-text-field
          v-model="row.date"
          type="date"
          :label="m.day.date"
          :min="settings.current.today"
          :error-messages="errors[`date${i}`]"
        />
        <NumberField
          v-model="row.minutes"
          :label="m.day.minutes"
          :error="errors[`minutes${i}`] ?? ''"
        />
        <v-btn
          v-if="draft.dates.length > 1"
          :icon="mdiClose"
          variant="text"
          size="48"
          :aria-label="m.day.dropDate(i + 1)"
          @click="draft.dates.splice(i, 1)"
        />
      </li>
    </ul>
    <div v-if="draft.dates.length < MOST_DATES">
      <v-btn variant="text" :prepend-icon="mdiPlus" @click="addDate">{{ m.day.addDate }}</v-btn>
    </div>
    <div class="fields">
      <NumberField v-model="draft.hands" :label="m.day.hands" :error="errors.hands ?? ''" />
      <NumberField
        v-model="draft.money"
        :label="m.day.money"
        :unit="settings.current.currency"
        :hint="m.day.moneyHint"
        :error="errors.money ?? ''"
      />
      <v-select v-model="draft.cleaning" :items="cleanings" :label="m.day.cleaning" />
      <v-text-field
        v-model="nextChance"
        type="date"
        :label="m.day.nextChance"
        :hint="m.day.nextChanceHint"
        persistent-hint
        :error-messages="errors.nextChance"
      />
    </div>
    <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
    <div>
      <v-btn type="submit" color="primary" size="large" min-height="52" :loading="saving">{{
        day ? m.day.save : m.day.plan
      }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.dates li {
  display: grid;
  grid-template-columns: minmax(0, 220px) minmax(0, 200px) 48px;
  gap: 12px;
  align-items: start;
}
</style>
