<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline } from '@mdi/js';
import {
  checkpointOn,
  CHECKPOINTS,
  GRADES,
  isTaskOver,
  rimCm,
  SEEN,
  supportKind,
  SIGNALS,
  measurement,
  stepOf,
} from '@fernbank/core';
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client.ts';
import type { Look, Measurement, Photo, Repot } from '../../api/types.ts';
import PotCutaway from '../../components/cutaway/PotCutaway.vue';
import FetchState from '../../components/FetchState.vue';
import LogPanel from '../../components/plant/LogPanel.vue';
import PictureButton from '../../components/PictureButton.vue';
import PlantHeader from '../../components/plant/PlantHeader.vue';
import QuarantineBand from '../../components/plant/QuarantineBand.vue';
import TraitsPanel from '../../components/plant/TraitsPanel.vue';
import VerdictMark from '../../components/verdict/VerdictMark.vue';
import { mediumName } from '../../composables/figureWords.ts';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useExtraWords } from '../../composables/extraWords.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import ReservoirCard from '../../components/water/ReservoirCard.vue';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import { useUndo } from '../../stores/undo.ts';

const route = useRoute();
const router = useRouter();
const notices = useNotices();
const { full, day } = useDates();
const { length, weight, volume, percent, number, said } = useUnits();
const settings = useSettings();
const { extraWords } = useExtraWords();
const {
  value: file,
  fault,
  load,
} = useLoaded(() => api(`/plants/${String(route.params.id)}/file`));

interface Moment {
  key: string;
  date: string;
  title: string;
  lines: string[];
  repot?: Repot;
  photos?: Photo[];
}

function lookLines({ signals, note }: Look): string[] {
  const words = SIGNALS.flatMap((definition) => {
    const value = signals[definition.id];
    if (value === undefined || value === null) return [];
    const said =
      definition.kind === 'share'
        ? m.verdictPage.share(percent(Number(value)))
        : definition.choices.find((choice) => choice.value === value)?.label;
    return [`${definition.label.toLowerCase()}: ${said ?? String(value)}`];
  });
  return [words.join(' · '), note].filter(Boolean);
}
function repotLines({ before, after, mixedIn, note }: Repot): string[] {
  return [
    `${length(rimCm(before.pot))} → ${length(rimCm(after.pot))}, ${mediumName(after.mediumKind, after.recipeId)}` +
      (mixedIn?.version ? ` (${m.mix.version(mixedIn.version)})` : ''),
    mixedIn
      ? mixedIn.measures.map(({ label, scoops }) => `${label} ${m.fit.scoops(scoops)}`).join(', ') +
        ` (${volume(mixedIn.scoopL)})`
      : '',
    ...(mixedIn?.extras ?? []).map(extraWords),
    note,
  ].filter(Boolean);
}

function measurementWords({ kind, value }: Measurement): string {
  const { label, as } = measurement(kind);
  switch (as) {
    case 'kg':
      return `${label} ${weight(value)}`;
    case 'cm':
      return `${label} ${length(value)}`;
    case 'L':
      return `${label} ${volume(value)}`;
    case 'share':
      return `${label} ${percent(value)} %`;
    case 'scale':
      return `${label}: ${stepOf(kind, value)}`;
    case 'done':
      return label;
    case 'mS/cm':
      return `${label} ${value} ${as}`;
    case 'number':
      return `${label} ${value}`;
  }
}
/** Days with measurements that are told one by one; a longer log is told by the month. */
const FEW_DAYS = 12;

/** What was measured on one day, or in one month of a long log, belongs together. */
function measuredMoments(measurements: Measurement[]): Moment[] {
  const sorted = [...measurements].sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id);
  const days = new Set(sorted.map(({ date }) => date));
  const keyOf = ({ date }: Measurement) => (days.size > FEW_DAYS ? date.slice(0, 7) : date);
  const groups = new Map<string, Measurement[]>();
  for (const taken of sorted)
    groups.set(keyOf(taken), [...(groups.get(keyOf(taken)) ?? []), taken]);
  return [...groups].map(([key, taken]) => ({
    key: `m${key}`,
    date: taken[taken.length - 1]!.date,
    title: m.plant.measured,
    lines: [days.size > FEW_DAYS ? inShort(taken) : taken.map(measurementWords).join(' · ')],
  }));
}

/** A month of a log: how often each was taken, and the newest of each. */
function inShort(taken: Measurement[]): string {
  const kinds = [...new Set(taken.map(({ kind }) => kind))];
  return kinds
    .map((kind) => {
      const ofKind = taken.filter((measurement) => measurement.kind === kind);
      return m.plant.times(measurementWords(ofKind[ofKind.length - 1]!), ofKind.length);
    })
    .join(' · ');
}

const moments = computed<Moment[]>(() => {
  if (!file.value) return [];
  const { looks, repots, measurements, plant, photos, overrules } = file.value;
  const list: Moment[] = [
    ...looks.map((look) => ({
      key: `l${look.id}`,
      date: look.date,
      title: m.plant.looked,
      lines: lookLines(look),
    })),
    ...repots.map((repot) => ({
      key: `r${repot.id}`,
      date: repot.date,
      title: m.plant.repotted,
      lines: repotLines(repot),
      repot,
    })),
    ...measuredMoments(measurements),
    ...overrules.map((overrule) => ({
      key: `o${overrule.id}`,
      date: overrule.date,
      title: m.plant.overruled,
      lines: [
        `${m.overrule.instead[overrule.instead]} ${m.overrule.until(full(overrule.until))}: ${overrule.reason}`,
      ],
    })),
    ...[...new Set(photos.map(({ date }) => date))].map((date) => ({
      key: `p${date}`,
      date,
      title: m.plant.pictures,
      lines: [],
      photos: photos.filter((photo) => photo.date === date),
    })),
    ...file.value.outcomes.map((outcome) => ({
      key: `g${outcome.id}`,
      date: outcome.date,
      title: `${m.outcome.title} (${CHECKPOINTS[outcome.at].label})`,
      lines: [
        [GRADES[outcome.grade].label, ...outcome.seen.map((sign) => SEEN[sign].label)].join(' · '),
        outcome.note,
      ].filter(Boolean),
    })),
    ...(plant.acquired
      ? [{ key: 'a', date: plant.acquired, title: m.plant.arrived, lines: [] }]
      : []),
  ];
  return list.sort((a, b) => b.date.localeCompare(a.date) || b.key.localeCompare(a.key));
});
/** The question that is open today, if one is. */
const askedAt = computed(() => {
  const [newest] = file.value?.repots ?? [];
  if (!newest || file.value!.plant.goneOn) return null;
  const at = checkpointOn(newest.date, settings.current.today);
  const told = file.value!.outcomes.some((one) => one.repotId === newest.id && one.at === at);
  return told ? null : at;
});
/** What its record taught, and how others of its kind of repot went. */
const lessons = computed(() => {
  const { learned, worked } = file.value!;
  return [
    learned.pace && m.worked.pace(times(learned.pace.factor), String(percent(learned.pace.sdLog))),
    learned.life &&
      m.worked.life(
        times(learned.life.factor),
        times(learned.life.low),
        times(learned.life.high),
        learned.life.judged,
      ),
    worked &&
      (worked.tally.telling
        ? m.worked.like(worked.label, `${percent(worked.tally.mean)} %`, worked.tally.cases)
        : m.worked.likeFew(worked.label, worked.tally.cases)),
  ].filter((line): line is string => Boolean(line));
});
const times = (factor: number) => `${number(factor, 1)}×`;
const openTasks = computed(
  () =>
    file.value?.tasks.filter(
      (task) => task.done === null && !isTaskOver(task, settings.current.today),
    ) ?? [],
);
const subject = computed(() => {
  const { plant, height, cover } = file.value!;
  return {
    name: plant.name,
    pot: plant.pot,
    material: plant.potMaterial,
    mediumKind: plant.mediumKind,
    recipeId: plant.recipeId,
    parts: plant.mediumParts,
    explored: 0.35 + 0.65 * file.value!.decision.states.crowded,
    plantHeightCm: height.cm,
    growthForm: file.value!.situation.traits.growthForm,
    supportCm: plant.supportCm,
    cover: cover && { outside: cover.shape, material: cover.material },
  };
});
const newestRepot = computed(() => file.value?.repots[0]?.id);

const { takeBack } = useUndo();
/** Its deed is taken back; what was written down before the history began only leaves the record. */
async function undoRepot({ id, rev, deed }: Repot): Promise<void> {
  if (deed === null) {
    const path = `/repots/${id}`;
    return removal({ path, rev, said: m.plant.repotRemoved, then: load, back: load });
  }
  try {
    const done = await takeBack(`/history/${deed}/undo`);
    if (!done) return;
    notices.done(m.plant.undone, { deed: done.deed, back: load });
    await load();
  } catch (error) {
    notices.fault(error);
  }
}
const removal = useRemoval();
const removePhoto = (photo: Photo) =>
  removal({ path: `/photos/${photo.id}`, said: m.plant.deleted, then: load, back: load });
function remove(): Promise<void> {
  const { id: gone, rev } = file.value!.plant;
  return removal({
    path: `/plants/${gone}`,
    rev,
    said: m.plant.deleted,
    then: () => router.push('/record'),
    back: () => router.push(`/plants/${gone}`),
  });
}
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file">
      <PlantHeader :file="file" at="life" />
      <p v-if="file.plant.goneOn" class="caution" role="status">
        {{ m.plant.gone(full(file.plant.goneOn)) }}
      </p>
      <QuarantineBand v-if="file.quarantine" :file="file" @changed="load" />
      <div class="two">
        <section class="panel stack">
          <figure class="drawing">
            <PictureButton :name="file.plant.name">
              <PotCutaway
                :subject="subject"
                :px-per-cm="Math.min(11, 190 / rimCm(file.plant.pot))"
                :crown-cm="rimCm(file.plant.pot)"
                ruler
              />
            </PictureButton>
          </figure>
          <div class="row">
            <VerdictMark
              :headline="file.decision.headline"
              :overruled="file.overrule !== null"
              large
            />
            <router-link :to="`/plants/${file.plant.id}/verdict`">{{
              m.rounds.openVerdict
            }}</router-link>
          </div>
          <table class="figures">
            <tbody>
              <tr>
                <td>{{ m.plant.standsIn }}</td>
                <td>
                  {{ length(rimCm(file.plant.pot)) }} × {{ length(file.plant.pot.heightCm) }},
                  {{ file.plant.potMaterial }}
                </td>
              </tr>
              <tr v-if="file.cover">
                <td>{{ m.fit.coverPot }}</td>
                <td>{{ file.cover.label }}</td>
              </tr>
              <tr v-if="file.plant.supportCm !== null">
                <td>{{ m.fit.support.title }}</td>
                <td>
                  {{ file.plant.supportKind ? `${supportKind(file.plant.supportKind).label}, ` : ''
                  }}{{ length(file.plant.supportCm) }}
                </td>
              </tr>
              <tr>
                <td>{{ m.plant.medium }}</td>
                <td>{{ mediumName(file.plant.mediumKind, file.plant.recipeId) }}</td>
              </tr>
              <tr>
                <td>{{ m.plant.lastRepot }}</td>
                <td>{{ file.plant.lastRepot ? full(file.plant.lastRepot) : m.app.unknown }}</td>
              </tr>
              <tr v-if="file.situation.traits.cautions.length > 0">
                <td></td>
                <td>
                  <strong class="text-error">{{
                    file.situation.traits.cautions.map((c) => m.plant.cautions[c]).join(', ')
                  }}</strong>
                  <div class="quiet">{{ m.plant.cautionLine }}</div>
                </td>
              </tr>
            </tbody>
          </table>
          <QuarantineBand
            v-if="!file.quarantine && !file.plant.goneOn"
            :file="file"
            @changed="load"
          />
          <p v-if="file.plant.note">{{ file.plant.note }}</p>
          <div class="row no-print">
            <v-btn
              :to="`/plants/${file.plant.id}/edit`"
              :prepend-icon="mdiPencilOutline"
              variant="outlined"
              min-height="48"
              >{{ m.app.edit }}</v-btn
            >
            <v-btn
              :to="`/record/labels?plants=${file.plant.id}`"
              variant="outlined"
              min-height="48"
              >{{ m.plant.label }}</v-btn
            >
            <v-btn
              :to="`/aftercare/tray?from=${file.plant.id}`"
              variant="outlined"
              min-height="48"
              >{{ m.plant.propagate }}</v-btn
            >
            <v-btn variant="text" min-height="48" :to="`/record/past?plant=${file.plant.id}`">{{
              m.plant.past
            }}</v-btn>
            <v-btn
              :prepend-icon="mdiDeleteOutline"
              variant="text"
              min-height="48"
              @click="remove"
              >{{ m.app.delete }}</v-btn
            >
          </div>
        </section>
        <div class="stack">
          <section v-if="openTasks.length > 0" class="panel">
            <h2>{{ m.plant.tasksOpen }}</h2>
            <ul class="tasks">
              <li v-for="task in openTasks" :key="task.id">
                <span class="when">{{ day(task.due) }}</span>
                <strong>{{ said(task.title) }}</strong>
                <div class="quiet sentence">{{ said(task.why) }}</div>
              </li>
            </ul>
          </section>
          <section v-if="askedAt || lessons.length > 0" class="panel stack">
            <div v-if="askedAt" class="row spread">
              <h2>{{ m.outcome.title }}</h2>
              <v-btn color="primary" min-height="52" :to="`/plants/${file.plant.id}/outcome`">{{
                m.outcome.answer
              }}</v-btn>
            </div>
            <template v-if="lessons.length > 0">
              <h2>{{ m.worked.learned }}</h2>
              <p v-for="lesson in lessons" :key="lesson">{{ lesson }}</p>
            </template>
          </section>
          <ReservoirCard
            v-if="file.reservoir"
            :over="file.reservoir"
            @noted="load"
            @change="router.push('/aftercare/water')"
          />
          <LogPanel :file="file" />
          <section class="panel">
            <h2>{{ m.plant.life }}</h2>
            <p v-if="moments.length === 0" class="quiet">{{ m.plant.noLife }}</p>
            <ol class="life">
              <li v-for="moment in moments" :key="moment.key">
                <span class="when">{{ full(moment.date) }}</span>
                <div>
                  <strong>{{ moment.title }}</strong>
                  <div v-for="line in moment.lines" :key="line">{{ line }}</div>
                  <div v-if="moment.photos" class="row">
                    <figure v-for="photo in moment.photos" :key="photo.id" class="photo">
                      <a :href="`/api/photos/${photo.id}`" target="_blank" rel="noopener">
                        <img
                          :src="`/api/photos/${photo.id}`"
                          :alt="m.photo.of(file.plant.name, full(photo.date))"
                          loading="lazy"
                        />
                      </a>
                      <v-btn
                        size="small"
                        variant="text"
                        class="no-print"
                        :aria-label="m.photo.remove"
                        @click="removePhoto(photo)"
                        >{{ m.app.delete }}</v-btn
                      >
                    </figure>
                  </div>
                  <v-btn
                    v-if="moment.repot?.id === newestRepot && !moment.repot?.before.fromBatch"
                    size="small"
                    variant="outlined"
                    class="no-print"
                    @click="undoRepot(moment.repot!)"
                    >{{
                      moment.repot!.deed === null ? m.plant.removeRepot : m.plant.undoRepot
                    }}</v-btn
                  >
                </div>
              </li>
            </ol>
          </section>
        </div>
      </div>
      <TraitsPanel :file="file" @changed="load" />
    </template>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 14px;
  align-items: start;
}
.drawing {
  display: flex;
  justify-content: center;
}
.photo img {
  width: 128px;
  height: 128px;
  object-fit: cover;
  border-radius: 8px;
  display: block;
}
.life,
.tasks {
  list-style: none;
  padding: 0;
}
.life li {
  display: grid;
  grid-template-columns: 7.4em minmax(0, 1fr);
  gap: 12px;
  padding: 7px 0;
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.12);
}
.tasks li {
  padding: 6px 0;
}
.when {
  color: rgb(var(--v-theme-on-surface), 0.76);
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
