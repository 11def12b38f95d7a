<script setup lang="ts">
import { mdiCheck, mdiCheckAll, mdiEyeOutline } from '@mdi/js';
import { CHECKPOINTS, type Headline } from '@fernbank/core';
import { useTimeoutFn } from '@vueuse/core';
import { computed, defineAsyncComponent, reactive, watch } from 'vue';
import { api, write } from '../../api/client.ts';
import { EACH, ROUNDS } from '../../api/lists.ts';
import type { RoundsAsk, Stop, Task } from '../../api/types.ts';
import PlantPicture from '../../components/cutaway/PlantPicture.vue';
import FetchState from '../../components/FetchState.vue';
import FirstThing from '../../components/rounds/FirstThing.vue';
import UnjudgedPanel from '../../components/verdict/UnjudgedPanel.vue';
import VerdictMark from '../../components/verdict/VerdictMark.vue';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { usePortraits } from '../../composables/usePortraits.ts';
import { outlineScale } from '../../composables/outlineScale.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { asksForFeed, useFeeding } from '../../composables/useFeeding.ts';
import { runsOf } from '../../composables/roundsAlike.ts';
import { usePainted } from '../../composables/usePainted.ts';
import { useTaskDone } from '../../composables/useTaskDone.ts';
import { weeksLost } from '../../messages/cost.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';

// Fetched when something is fed.
const FeedDialog = defineAsyncComponent(() => import('../../components/feed/FeedDialog.vue'));

/** How many were asked for of a spot where it is more than at first. */
const told = new Map<number, number>();
const {
  value: rounds,
  fault,
  load,
} = useLoaded(async () => {
  const fetched = await api(ROUNDS);
  await Promise.all(fetched.spots.map((stop) => goOn(stop, told.get(stop.id) ?? 0)));
  return fetched;
});
const portraitOf = usePortraits();
/** The first thing stands before the walk is drawn. */
const painted = usePainted(() => rounds.value !== null);
/** So soon the walk is asked for again while plants are still being judged, ms. */
const AGAIN_MS = 1500;
const again = useTimeoutFn(load, AGAIN_MS, { immediate: false });
watch(rounds, (now) => (now && now.toCome > 0 ? again.start() : again.stop()));
/** Fetches what is missed of a spot's plants up to so many. */
async function goOn(stop: Stop, upTo: number): Promise<void> {
  while (stop.plants.length < Math.min(upTo, stop.asking)) {
    const at = `spot=${stop.id}&from=${stop.plants.length}&each=${EACH}`;
    const { spots } = await api(`/rounds?${at}`);
    const more = spots[0]?.plants ?? [];
    if (more.length === 0) return;
    stop.plants.push(...more);
  }
}
async function more(stop: Stop): Promise<void> {
  const upTo = stop.plants.length + EACH;
  try {
    await goOn(stop, upTo);
    told.set(stop.id, upTo);
  } catch (error) {
    notices.fault(error);
  }
}
const notices = useNotices();
const { full, daysLate } = useDates();
const { said } = useUnits();

type LookAsk = Extract<RoundsAsk, { kind: 'look' }>;

const tally = computed(() => {
  const { look, task, act, reservoir } = rounds.value!.tally;
  return m.rounds.counts(look, task, act, reservoir + rounds.value!.tray.length);
});
async function allFine(spotId: number): Promise<void> {
  const { date } = rounds.value!;
  try {
    const { answer, deed } = await write(`/spots/${spotId}/fine`, {
      method: 'POST',
      body: { date },
    });
    const noted = m.rounds.fineSaved(answer.lookIds.length);
    notices.done(noted, { deed: deed ?? answer.earlier, back: load, said: m.rounds.fineUndone });
    await load();
  } catch (error) {
    notices.fault(error);
  }
}

/** A day or two of growth is nothing that one would say aloud. */
const TOLD_FROM_WEEKS = 1;

/**
 * Why a look is due, and what it is expected to spare. Of a plant that nothing
 * is known of, that is against never looking at all: nothing one would say.
 */
const lookReason = (headline: Headline, { why, worth }: LookAsk) =>
  headline === 'lookFirst' || weeksLost(worth) < TOLD_FROM_WEEKS
    ? why
    : `${why} (${m.rounds.lookWorth(worth)})`;

/** Runs of plants alike that the keeper unfolded, by their first plant. */
const unfolded = reactive(new Set<number>());
const entriesOf = ({ plants }: Stop) =>
  runsOf(plants).flatMap(([first, ...rest]) =>
    rest.length === 0 || unfolded.has(first!.plantId)
      ? [first!, ...rest].map((entry) => ({ entry, rest: [] }))
      : [{ entry: first!, rest }],
  );

/** From so many spots on a walk is too long to be scrolled through. */
const MANY_SPOTS = 6;
const goTo = (id: number) =>
  document.getElementById(`spot-${id}`)?.scrollIntoView({ block: 'start' });

const TALL_PX = 64;
/** Every plant of the walk at one scale. */
const scale = computed(() =>
  outlineScale(
    (rounds.value?.spots ?? []).flatMap(({ plants }) => plants.map(({ drawn }) => drawn)),
    TALL_PX,
  ),
);

const setDone = useTaskDone(load);
const { fed, feeding, feed } = useFeeding();
/** Looks at three weeks, seven, a season ask how it went. */
const isGraded = ({ rule }: Task) => rule !== null && rule in CHECKPOINTS;
/** What is kept up over a time is not late while that lasts. */
const late = ({ due, until }: { due: string; until: string | null }) => {
  const days = daysLate(until ?? due);
  return days > 0 ? m.rounds.overdue(days) : '';
};
</script>

<template>
  <div class="page stack">
    <header>
      <div class="row spread">
        <h1>{{ m.rounds.title }}</h1>
        <v-btn v-if="rounds && rounds.spots.length > 0" variant="outlined" to="/ask">{{
          m.ask.open
        }}</v-btn>
      </div>
      <p v-if="rounds" class="quiet">
        {{ m.rounds.intro(full(rounds.date)) }}
        <strong v-if="rounds.spots.length > 0" class="sentence tally">{{ tally }}</strong>
      </p>
      <p v-if="rounds && rounds.toCome > 0" role="status">
        {{ m.rounds.toCome(rounds.toCome) }}
      </p>
      <p v-if="rounds?.potting" class="potting">
        <router-link to="/day/bench">{{
          m.rounds.potting(full(rounds.potting.date))
        }}</router-link>: {{ m.rounds.pottingOf(rounds.potting.plants, rounds.potting.minutes) }}
      </p>
      <p v-for="alarm in rounds?.alarms" :key="`${alarm.plantId} ${alarm.title}`" role="alert">
        <router-link :to="`/plants/${alarm.plantId}`">{{ alarm.name }}</router-link>:
        <strong class="late">{{ alarm.title }}</strong>
      </p>
      <p v-if="rounds && rounds.mostWorth.length > 0" class="worth">
        {{ m.rounds.worth }}
        <template v-for="(entry, i) in rounds.mostWorth" :key="entry.plantId">
          <template v-if="i > 0">, </template>
          <router-link :to="`/plants/${entry.plantId}/look`">{{ entry.name }}</router-link>
        </template>
      </p>
    </header>
    <FetchState :fault="fault" :loading="!rounds" @retry="load" />
    <UnjudgedPanel v-if="rounds" :plants="rounds.unjudged" />
    <section v-if="rounds && rounds.spots.length === 0" class="panel stack">
      <h2>{{ m.rounds.emptyTitle }}</h2>
      <p>{{ m.rounds.empty }}</p>
      <div class="row">
        <v-btn color="primary" size="large" to="/ask">{{ m.ask.open }}</v-btn>
        <v-btn variant="outlined" to="/plants/new">{{ m.rounds.addPlant }}</v-btn>
        <v-btn variant="outlined" to="/record/import">{{ m.importing.title }}</v-btn>
        <v-btn variant="text" to="/record/shelf">{{ m.rounds.addPots }}</v-btn>
      </div>
      <ol class="first">
        <li v-for="step in m.rounds.firstSteps" :key="step">{{ step }}</li>
      </ol>
    </section>
    <FirstThing
      v-if="rounds?.first"
      :first="rounds.first"
      :photo="portraitOf(rounds.first.plantId)"
    />
    <nav
      v-if="rounds && rounds.spots.length >= MANY_SPOTS"
      class="jump"
      :aria-label="m.rounds.spots"
    >
      <v-btn v-for="spot in rounds.spots" :key="spot.id" variant="outlined" @click="goTo(spot.id)"
        >{{ spot.name }}<span v-if="spot.asking" class="asking">{{ spot.asking }}</span></v-btn
      >
    </nav>
    <div v-if="rounds && painted" class="cards">
      <section
        v-for="spot in rounds.spots"
        :id="`spot-${spot.id}`"
        :key="spot.id"
        class="panel spot"
      >
        <header class="row spread nowrap stop">
          <div>
            <h2>{{ spot.name }}</h2>
            <small class="quiet">{{
              spot.plants.length === 0 ? m.rounds.allQuiet : m.rounds.quiet(spot.quiet)
            }}</small>
          </div>
          <v-btn
            variant="outlined"
            :prepend-icon="mdiCheckAll"
            :aria-label="`${m.rounds.allFine}: ${spot.name}`"
            :title="m.rounds.allFineHint"
            @click="allFine(spot.id)"
            >{{ m.rounds.allFine }}</v-btn
          >
        </header>
        <ul v-if="spot.plants.length > 0" class="bare entries">
          <li v-for="{ entry, rest } in entriesOf(spot)" :key="entry.plantId" class="entry">
            <PlantPicture
              class="drawn"
              :photo="portraitOf(entry.plantId)"
              :subject="{ name: entry.name, ...entry.drawn }"
              v-bind="scale"
            />
            <div class="row spread nowrap">
              <router-link :to="`/plants/${entry.plantId}`" class="who">
                <strong>{{ entry.name }}</strong>
                <span v-if="entry.taxon !== entry.name" class="taxon quiet">{{ entry.taxon }}</span>
              </router-link>
              <div class="row">
                <v-btn
                  :to="`/plants/${entry.plantId}/look`"
                  :prepend-icon="mdiEyeOutline"
                  color="primary"
                  variant="tonal"
                  :aria-label="`${m.rounds.look}: ${entry.name}`"
                >
                  {{ m.rounds.look }}
                </v-btn>
              </div>
            </div>
            <ul class="bare asks">
              <li v-for="(ask, i) in entry.asks" :key="i">
                <template v-if="ask.kind === 'task'">
                  <div class="row spread nowrap">
                    <div>
                      <strong>{{ said(ask.task.title) }}</strong>
                      <span v-if="late(ask.task)" class="late"> · {{ late(ask.task) }}</span>
                      <div class="quiet sentence">{{ said(ask.task.why) }}</div>
                    </div>
                    <v-btn
                      v-if="isGraded(ask.task)"
                      variant="outlined"
                      :to="`/plants/${entry.plantId}/outcome`"
                      :aria-label="`${m.outcome.ask} ${entry.name}`"
                      >{{ m.outcome.ask }}</v-btn
                    >
                    <v-btn
                      v-else
                      :prepend-icon="mdiCheck"
                      variant="outlined"
                      :aria-label="`${m.rounds.done}: ${said(ask.task.title)}, ${entry.name}`"
                      @click="
                        asksForFeed(ask.task)
                          ? feed({ id: entry.plantId, name: entry.name })
                          : setDone([ask.task], rounds.date)
                      "
                    >
                      {{ m.rounds.done }}
                    </v-btn>
                  </div>
                </template>
                <template v-else-if="ask.kind === 'reservoir'">
                  <div class="row spread nowrap">
                    <div>
                      <strong :class="{ late: ask.ask.urgent }">{{ ask.ask.title }}</strong>
                      <div class="quiet">{{ said(ask.ask.why) }}; {{ ask.ask.remedy }}</div>
                    </div>
                    <v-btn
                      variant="outlined"
                      to="/aftercare/water"
                      :aria-label="`${m.water.title}: ${entry.name}`"
                      >{{ m.water.title }}</v-btn
                    >
                  </div>
                </template>
                <template v-else-if="ask.kind === 'act'">
                  <div class="row">
                    <VerdictMark :headline="entry.headline" :overruled="entry.overruled" />
                    <span class="sentence why">{{ said(ask.why) }}</span>
                    <router-link :to="`/plants/${entry.plantId}/verdict`">{{
                      m.rounds.openVerdict
                    }}</router-link>
                  </div>
                </template>
                <template v-else>
                  <strong>{{ m.rounds.lookDue }}</strong>
                  <span class="quiet"> · {{ lookReason(entry.headline, ask) }}</span>
                </template>
              </li>
            </ul>
            <v-btn
              v-if="rest.length > 0"
              class="rest"
              variant="text"
              @click="unfolded.add(entry.plantId)"
              >{{ m.rounds.alike(rest.length, rest[rest.length - 1]!.name) }}</v-btn
            >
          </li>
        </ul>
        <v-btn
          v-if="spot.plants.length < spot.asking"
          variant="outlined"
          block
          @click="more(spot)"
          >{{ m.rounds.more(spot.plants.length, spot.asking) }}</v-btn
        >
      </section>
      <section v-if="rounds.tray.length > 0" class="panel">
        <h2>{{ m.tray.asks }}</h2>
        <ul class="bare asks">
          <li v-for="ask in rounds.tray" :key="ask.id" class="row spread nowrap">
            <div>
              <strong
                >{{ ask.kind === 'potOn' ? m.tray.potOn : m.tray.look }}: {{ ask.name }}</strong
              >
              <div class="quiet">{{ said(ask.why) }} · {{ ask.spot }}</div>
            </div>
            <v-btn
              variant="outlined"
              to="/aftercare/tray"
              :aria-label="`${m.tray.title}: ${ask.name}`"
              >{{ m.aftercare.rooms.tray }}</v-btn
            >
          </li>
        </ul>
      </section>
    </div>
    <FeedDialog v-if="fed.length > 0" v-model="feeding" :plants="fed" @saved="load" />
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  column-gap: 12px;
}
.jump {
  display: flex;
  gap: 8px;
  overflow-x: auto;
  padding-bottom: 4px;
}
.jump > * {
  flex: none;
}
@media (min-width: 640px) {
  .jump {
    flex-wrap: wrap;
  }
}
.rest {
  grid-column: 2;
  justify-self: start;
}
.asking {
  margin-left: 6px;
  font-weight: 400;
}
.spot {
  scroll-margin-top: 72px;
}
.drawn {
  grid-row: 1 / span 2;
  align-self: end;
  justify-self: center;
}
.entries > li {
  padding: 10px 0;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.asks > li {
  padding: 4px 0;
}
.who {
  color: inherit;
  text-decoration: none;
  min-height: 48px;
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-content: center;
}
.tally,
.why {
  display: inline-block;
}
.first {
  padding-left: 1.3em;
}
.late {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}
.nowrap {
  flex-wrap: nowrap;
}
.stop {
  margin-bottom: 8px;
}
small {
  font-size: 0.9rem;
}
</style>
