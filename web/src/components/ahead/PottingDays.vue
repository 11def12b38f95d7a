<script setup lang="ts">
import { addDays, mondayOf, pottingDays, type AheadProblem, type PottingDay } from '@fernbank/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client.ts';
import { saveAs } from '../../composables/saveAs.ts';
import { useDates } from '../../composables/useDates.ts';
import { hours } from '../../messages/duration.ts';
import { m } from '../../messages/index.ts';
import { useDay } from '../../stores/day.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** Days on which a keeper could pot what is due, to be taken over into a potting day. */
const props = defineProps<{ problem: AheadProblem }>();
const settings = useSettings();
const notices = useNotices();
const store = useDay();
const router = useRouter();
const { day: short, weekday } = useDates();
const words = m.ahead.days;

const WEEKDAYS = {
  saturdays: [5],
  sundays: [6],
  weekends: [5, 6],
  any: [0, 1, 2, 3, 4, 5, 6],
} as const;
type When = keyof typeof WEEKDAYS;
const HOURS = [2, 3, 4, 5, 6, 8];
/** A keeper’s week stays the same from one visit to the next. */
const when = useLocalStorage<When>('fernbank.ahead.when', 'saturdays');
const minutes = useLocalStorage('fernbank.ahead.minutes', 180);
const away = ref<string[]>([]);

const WEEKS_SHOWN = 26;
const weeks = computed(() => {
  const monday = mondayOf(settings.current.today);
  return Array.from({ length: WEEKS_SHOWN }, (_, week) => {
    const value = addDays(monday, 7 * week);
    return { value, title: short(value) };
  });
});
const proposed = computed(() =>
  pottingDays(props.problem, {
    weekdays: WEEKDAYS[when.value] ?? WEEKDAYS.saturdays,
    minutes: minutes.value,
    away: away.value,
    from: settings.current.today,
  }),
);
const names = (plants: PottingDay['plants']) => plants.map(({ name }) => name).join(', ');

const taking = ref(false);
/** The day that is being planned moves to the date; where none is, one is begun. */
async function take({ date }: PottingDay): Promise<void> {
  taking.value = true;
  try {
    const { days } = proposed.value;
    const next = days[days.findIndex((one) => one.date === date) + 1];
    const asked = {
      dates: [{ date, minutes: minutes.value }],
      nextChance: next?.date ?? addDays(date, NEXT_CHANCE_DAYS),
    };
    await store.load();
    const { current } = store;
    if (current?.state === 'planning' && current.done.length === 0) {
      await store.change(asked);
      notices.done(words.moved(short(date)));
    } else {
      await store.create(asked);
      notices.done(words.planned(short(date)));
    }
    await router.push('/day');
  } catch (error) {
    notices.fault(error);
  } finally {
    taking.value = false;
  }
}
const NEXT_CHANCE_DAYS = 42;

async function saveCalendar(): Promise<void> {
  try {
    const days = proposed.value.days.map(({ date, plants }) => ({
      date,
      summary: words.event(plants.length),
      text: names(plants),
    }));
    const { ics } = await api('/ahead/calendar', { method: 'POST', body: { days } });
    saveAs(new Blob([ics], { type: 'text/calendar' }), 'potting-days.ics');
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <section class="panel stack days">
    <div class="row spread">
      <h2>{{ words.title }}</h2>
      <v-btn
        v-if="proposed.days.length > 0"
        variant="outlined"
        class="no-print"
        @click="saveCalendar"
        >{{ words.calendar }}</v-btn
      >
    </div>
    <p class="quiet small">{{ words.intro }}</p>
    <div class="fields no-print">
      <v-select
        v-model="when"
        :items="(Object.keys(WEEKDAYS) as When[]).map((id) => ({ value: id, title: words[id] }))"
        :label="words.on"
        hide-details
      />
      <v-select
        v-model="minutes"
        :items="HOURS.map((count) => ({ value: 60 * count, title: hours(60 * count) }))"
        :label="words.hours"
        hide-details
      />
      <v-select
        v-model="away"
        :items="weeks"
        :label="words.away"
        multiple
        chips
        closable-chips
        hide-details
      />
    </div>
    <ul v-if="proposed.days.length > 0" class="bare">
      <li v-for="one in proposed.days" :key="one.date" class="row spread">
        <span>
          <strong>{{ weekday(one.date) }}</strong>: {{ words.day(one.plants.length, one.minutes) }}
          <span class="quiet">{{ names(one.plants) }}</span>
        </span>
        <v-btn
          variant="outlined"
          class="no-print"
          :loading="taking"
          :aria-label="words.takeHint(short(one.date))"
          @click="take(one)"
          >{{ words.take }}</v-btn
        >
      </li>
    </ul>
    <p v-else>{{ words.none }}</p>
    <p v-if="proposed.without.length > 0" class="quiet">
      {{ words.without(names(proposed.without)) }}
    </p>
  </section>
</template>

<style scoped>
li {
  flex-wrap: nowrap;
  align-items: start;
  padding: 6px 0;
}
</style>
