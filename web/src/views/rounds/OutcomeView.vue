<script setup lang="ts">
import {
  addDays,
  CHECKPOINTS,
  checkpointOn,
  daysBetween,
  gradeBySeen,
  GRADES,
  SEEN,
  SEEN_IDS,
  type Grade,
  type Seen,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, wordsFor, write } from '../../api/client.ts';
import type { Outcome, Photo } from '../../api/types.ts';
import LookForMe from '../../components/app/LookForMe.vue';
import FetchState from '../../components/FetchState.vue';
import AlikePicker from '../../components/look/AlikePicker.vue';
import PhotoButton from '../../components/PhotoButton.vue';
import { useDates } from '../../composables/useDates.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { useUndo } from '../../stores/undo.ts';

/** One question about a repot: what is seen, and a grade by one tap. */
const route = useRoute();
/** A walk goes on where the question was met. */
const back: unknown = window.history.state?.back;
const cameFrom = back === '/rounds' || back === '/aftercare' ? back : null;
const router = useRouter();
const notices = useNotices();
const settings = useSettings();
const { full } = useDates();
const id = String(route.params.id);
const { value: file, fault, load } = useLoaded(() => api(`/plants/${id}/file`));

const repot = computed(() => file.value?.repots[0] ?? null);
const today = computed(() => settings.current.today);
const at = computed(() => (repot.value ? checkpointOn(repot.value.date, today.value) : null));
const days = computed(() => (repot.value ? daysBetween(repot.value.date, today.value) : 0));
const ofRepot = computed(
  () => file.value?.outcomes.filter(({ repotId }) => repotId === repot.value?.id) ?? [],
);
const kept = computed(() => ofRepot.value.find((one) => one.at === at.value) ?? null);
const earlier = computed(() => ofRepot.value.filter((one) => one !== kept.value));

const { draft, clear } = useDraft(`outcome.${id}`, () => ({
  seen: [] as Seen[],
  grade: null as Grade | null,
  note: '',
  photoId: null as number | null,
  alike: [] as number[],
}));
/** Others beside it of whose repot the same question is open. */
const alike = computed(() =>
  kept.value ? [] : (file.value?.alike ?? []).filter(({ toJudge }) => toJudge?.at === at.value),
);
const alikeRepots = computed(() =>
  alike.value.flatMap(({ id: other, toJudge }) =>
    toJudge && draft.value.alike.includes(other) ? [toJudge.repotId] : [],
  ),
);
watch(kept, (before) => {
  if (before) Object.assign(draft.value, pick(before));
});
const pick = ({ seen, grade, note, photoId }: Outcome) => ({
  seen: [...seen],
  grade,
  note,
  photoId,
});
const offered = computed(() => gradeBySeen(draft.value.seen));
const chosen = computed(() => draft.value.grade ?? offered.value);
function toggle(sign: Seen): void {
  const { seen } = draft.value;
  draft.value.seen = seen.includes(sign) ? seen.filter((one) => one !== sign) : [...seen, sign];
}
/** Of the garden made up for trying: what would be seen. */
async function lookForMe(): Promise<void> {
  Object.assign(draft.value, await api(`/demo/repots/${repot.value!.id}/outcome`));
}
const grades = Object.entries(GRADES) as [Grade, (typeof GRADES)[Grade]][];

/** The picture from the day of the repot, or the first after it. */
const before = computed((): Photo | null => {
  const since = [...(file.value?.photos ?? [])].reverse();
  return since.find(({ date }) => repot.value && date >= repot.value.date) ?? null;
});
const now = computed(
  () => file.value?.photos.find((photo) => photo.id === draft.value.photoId) ?? null,
);
async function taken(photo: Photo): Promise<void> {
  draft.value.photoId = photo.id;
  await load();
}

const saving = ref(false);
const refused = ref('');
async function save(): Promise<void> {
  if (!chosen.value || !repot.value) return;
  saving.value = true;
  refused.value = '';
  const { seen, note, photoId } = draft.value;
  const body = { grade: chosen.value, seen, note, photoId };
  try {
    const { deed } = kept.value
      ? await write(`/outcomes/${kept.value.id}`, {
          method: 'PATCH',
          body,
          rev: kept.value.rev,
        })
      : await write('/outcomes', {
          method: 'POST',
          body: {
            ...body,
            repotId: repot.value.id,
            date: today.value,
            ...(alikeRepots.value.length > 0 ? { alike: alikeRepots.value } : {}),
          },
        });
    clear();
    notices.done(m.outcome.saved, { deed, back: load, said: m.outcome.takenBack });
    await router.push(cameFrom ?? `/plants/${id}`);
  } catch (error) {
    refused.value = error instanceof ApiError ? wordsFor(error) : m.error.unknown;
  } finally {
    saving.value = false;
  }
}
const undo = useUndo();
const removal = useRemoval();
function openAgain(): Promise<void> {
  clear();
  return load();
}
async function takeBack({ id: row, rev, deed }: Outcome): Promise<void> {
  const path = `/outcomes/${row}`;
  if (deed === null) {
    return removal({ path, rev, said: m.outcome.takenBack, then: openAgain, back: load });
  }
  try {
    const done = await undo.takeBack(`/history/${deed}/undo`);
    if (!done) return;
    notices.done(m.outcome.takenBack, { deed: done.deed, back: load });
    await openAgain();
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <template v-if="file">
      <header>
        <h1>{{ m.outcome.title }}</h1>
        <p>
          <router-link :to="`/plants/${id}`">{{ file.plant.name }}</router-link>
          <template v-if="repot"> · {{ m.outcome.of(days, full(repot.date)) }}</template>
        </p>
      </header>
      <p v-if="!repot" class="panel">{{ m.outcome.none }}</p>
      <p v-else-if="!at" class="panel">
        {{
          days < CHECKPOINTS.weeks3.from
            ? m.outcome.notYet(full(addDays(repot.date, CHECKPOINTS.weeks3.from)))
            : m.outcome.over
        }}
      </p>
      <template v-else>
        <p>{{ m.outcome.at(CHECKPOINTS[at].label) }}</p>
        <p v-if="kept" class="panel row spread">
          <span>{{ m.outcome.again(full(kept.date)) }}</span>
          <v-btn variant="outlined" @click="takeBack(kept)">{{ m.outcome.takeBack }}</v-btn>
        </p>
        <section class="panel stack">
          <h2>{{ m.outcome.seen }}</h2>
          <LookForMe :look="lookForMe" />
          <div class="tiles tiny signs">
            <v-btn
              v-for="sign in SEEN_IDS"
              :key="sign"
              :variant="draft.seen.includes(sign) ? 'flat' : 'outlined'"
              :color="draft.seen.includes(sign) ? 'slate' : undefined"
              :aria-pressed="draft.seen.includes(sign)"
              min-height="56"
              @click="toggle(sign)"
              >{{ draft.seen.includes(sign) ? '✓ ' : '' }}{{ SEEN[sign].label }}</v-btn
            >
          </div>
          <p v-if="draft.seen.includes('lost')" class="caution">{{ m.outcome.lostNote }}</p>
        </section>
        <AlikePicker
          v-if="alike.length > 0"
          v-model="draft.alike"
          :alike="alike"
          :hint="m.outcome.alikeHint"
        />
        <section class="panel stack">
          <h2>{{ m.outcome.grade }}</h2>
          <div class="tiles tiny" role="group" :aria-label="m.outcome.grade">
            <v-btn
              v-for="[grade, { label }] in grades"
              :key="grade"
              :variant="chosen === grade ? 'flat' : 'outlined'"
              :color="chosen === grade ? 'primary' : undefined"
              :aria-pressed="chosen === grade"
              min-height="68"
              @click="draft.grade = grade"
            >
              <span class="two-lines">
                {{ label }}
                <small v-if="offered === grade && !draft.grade">{{ m.outcome.offered }}</small>
              </span>
            </v-btn>
          </div>
          <v-textarea
            v-model="draft.note"
            :label="m.outcome.note"
            rows="1"
            auto-grow
            hide-details
          />
          <p v-if="refused" role="alert" class="text-error">{{ refused }}</p>
          <div>
            <v-btn
              color="primary"
              size="large"
              min-height="60"
              :disabled="!chosen"
              :loading="saving"
              @click="save"
              >{{ kept ? m.outcome.change : m.outcome.saveOf(1 + alikeRepots.length) }}</v-btn
            >
          </div>
        </section>
        <section class="panel pictures">
          <figure>
            <figcaption class="quiet">
              {{ m.outcome.then }}<template v-if="before"> · {{ full(before.date) }}</template>
            </figcaption>
            <img
              v-if="before"
              :src="`/api/photos/${before.id}`"
              :alt="m.photo.of(file.plant.name, full(before.date))"
            />
            <p v-else>{{ m.outcome.noPhoto }}</p>
          </figure>
          <figure>
            <figcaption class="quiet">{{ m.outcome.now }}</figcaption>
            <img
              v-if="now"
              :src="`/api/photos/${now.id}`"
              :alt="m.photo.of(file.plant.name, full(now.date))"
            />
            <PhotoButton
              :plant-id="file.plant.id"
              :date="today"
              :label="m.outcome.photo"
              @taken="taken"
            />
          </figure>
        </section>
      </template>
      <section v-if="earlier.length > 0" class="panel">
        <h2>{{ m.outcome.earlier }}</h2>
        <ul class="bare">
          <li v-for="one in earlier" :key="one.id">
            {{ full(one.date) }}, {{ CHECKPOINTS[one.at].label }}:
            <strong>{{ GRADES[one.grade].label }}</strong>
            <template v-if="one.seen.length > 0">
              ({{ one.seen.map((sign) => SEEN[sign].label).join(', ') }})</template
            >
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.signs :deep(.v-btn__content) {
  white-space: normal;
}
.two-lines {
  display: grid;
  white-space: normal;
}
.pictures {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px;
}
.pictures img {
  width: 100%;
  max-height: 320px;
  object-fit: cover;
  border-radius: 8px;
  margin-bottom: 8px;
}
</style>
