<script setup lang="ts">
import { CLEANINGS } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { ApiError } from '../../api/client.ts';
import type { Day } from '../../api/types.ts';
import DayAnswer from '../../components/day/DayAnswer.vue';
import DayForm from '../../components/day/DayForm.vue';
import DayLists from '../../components/day/DayLists.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import PinConflict from '../../components/day/PinConflict.vue';
import FetchState from '../../components/FetchState.vue';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useDayWords } from '../../composables/useDayWords.ts';
import { m } from '../../messages/index.ts';
import { useDay } from '../../stores/day.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** Plan a potting day: who is potted, into what, and what is left out and why. */
const store = useDay();
const notices = useNotices();
const { full, day: short } = useDates();
const { money } = useUnits();
const { potWords } = useDayWords();
void store.load();

const settings = useSettings();
const current = computed(() => store.current);
/** Nobody came: it is planned on all the same, but for a day that is none any more. */
const gone = computed(() =>
  current.value!.dates.every(({ date }) => date < settings.current.today),
);
const changing = ref(false);
/** The form closes as soon as the day is another, not when the search for its plan is over. */
async function change(asked: Parameters<typeof store.change>[0]): Promise<void> {
  const stop = watch(
    () => current.value?.rev,
    () => (changing.value = false),
  );
  await store.change(asked).finally(stop);
}
const saving = ref(false);
const dateWords = (day: Day) =>
  day.dates.length === 1
    ? m.day.when(full(day.dates[0]!.date), day.dates[0]!.minutes, day.hands)
    : `${day.dates.map(({ date, minutes }) => m.day.whenEach(short(date), minutes)).join(', ')}`;
const limits = computed(() =>
  current.value
    ? m.day.limits(
        current.value.money === null ? null : money(current.value.money),
        CLEANINGS[current.value.cleaning].label,
      )
    : '',
);
async function attempt(run: () => Promise<unknown>, told?: string): Promise<void> {
  saving.value = true;
  try {
    const done = await run();
    if (told && done !== false) notices.done(told);
  } catch (error) {
    notices.fault(error);
    // Another window was faster: what it did is taken over, and planned with.
    if (error instanceof ApiError && [409, 412].includes(error.status)) {
      await store.load();
      if (store.current?.state === 'planning') await store.plan();
    }
  } finally {
    saving.value = false;
  }
}
const earlier = computed(() => store.days.filter(({ state }) => state === 'closed'));
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.day.title }}</h1>
      <span v-if="current && current.state === 'settled'" class="mark"
        >✓ {{ m.day.settledMark }}</span
      >
    </header>
    <PlaceTabs of="day" />
    <FetchState :fault="store.fault" :loading="!store.loaded" @retry="store.load" />
    <template v-if="store.loaded">
      <section v-if="!current" class="panel stack">
        <p>{{ m.day.none }}</p>
        <h2>{{ m.day.ask }}</h2>
        <DayForm :day="null" :save="store.create" />
      </section>
      <template v-else>
        <section class="panel stack">
          <div class="row spread">
            <div>
              <strong class="when">{{ dateWords(current) }}</strong>
              <p class="quiet">{{ limits }}</p>
              <p v-if="gone" role="status">{{ m.day.gone }}</p>
            </div>
            <div class="row no-print">
              <v-btn
                v-if="current.state === 'planning'"
                variant="outlined"
                @click="changing = !changing"
                >{{ m.day.change }}</v-btn
              >
              <v-btn
                v-if="current.state === 'planning' && !store.searching"
                variant="text"
                @click="store.plan()"
                >{{ m.day.again }}</v-btn
              >
              <v-btn
                v-if="current.state === 'settled'"
                variant="outlined"
                :loading="saving"
                @click="attempt(store.reopen, m.day.reopened)"
                >{{ m.day.reopen }}</v-btn
              >
              <v-btn
                v-if="current.state === 'planning' && current.done.length === 0"
                variant="text"
                @click="attempt(store.drop, m.day.dropped)"
                >{{ m.day.drop }}</v-btn
              >
            </div>
          </div>
          <DayForm
            v-if="changing && current.state === 'planning'"
            :key="current.rev"
            :day="current"
            :save="change"
          />
        </section>
        <PinConflict v-if="store.conflict" :conflict="store.conflict" />
        <DayAnswer
          v-if="store.laid"
          :laid="store.laid"
          :next-chance="current.nextChance"
          :searching="store.searching"
          :progress="store.progress"
          @stop="store.stop"
        />
        <p v-else-if="store.searching" class="panel" role="status" aria-busy="true">
          {{ m.day.searching(store.progress.seconds.toFixed(1)) }}
        </p>
        <p v-else class="panel">{{ m.day.noneWants }}</p>
        <div v-if="current.state === 'planning' && store.laid && store.laid.lines.length > 0">
          <v-btn
            color="primary"
            size="large"
            min-height="54"
            :loading="saving"
            :disabled="store.searching || store.conflict !== null"
            @click="attempt(store.settle, m.day.settled)"
            >{{ m.day.settle }}</v-btn
          >
        </div>
        <DayLists v-if="store.laid && current.state === 'planning'" :laid="store.laid" />
        <section v-else-if="store.laid" class="panel">
          <h2>{{ m.day.potted(store.laid.lines.length) }}</h2>
          <ul class="bare settled">
            <li v-for="line in store.laid.lines" :key="line.plant">
              <router-link :to="`/plants/${line.plant}/fit`">{{ line.name }}</router-link>
              <span>{{ potWords(line.pot) }}</span>
              <span class="quiet">{{ m.day.sources[line.pot.source] }}</span>
              <span class="quiet">{{ m.day.takes(line.minutes) }}</span>
              <span v-if="current.done.some(({ plantId }) => plantId === line.plant)"
                >✓ {{ m.day.potDone }}</span
              >
            </li>
          </ul>
        </section>
      </template>
      <section v-if="earlier.length > 0" class="panel">
        <h2>{{ m.day.earlier }}</h2>
        <ul class="bare settled">
          <li v-for="one in earlier" :key="one.id">
            {{
              m.day.earlierRow(one.dates.map(({ date }) => full(date)).join(', '), one.done.length)
            }}
            <v-btn
              v-if="one.done.length > 0"
              variant="text"
              min-height="44"
              @click="attempt(() => store.undo(one.id), m.day.undone)"
              >{{ m.day.earlierUndo }}</v-btn
            >
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.when {
  font-size: 1.15rem;
}
.mark {
  color: rgb(var(--v-theme-success));
  font-weight: 700;
}
.settled li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 7px 0;
  border-bottom: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
</style>
