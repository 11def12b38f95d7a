<script setup lang="ts">
import { askFirst, fillL, SIGNAL_GROUPS, SIGNALS, type SignalValue } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, freshKey, wordsFor, write } from '../../api/client.ts';
import LookForMe from '../../components/app/LookForMe.vue';
import FetchState from '../../components/FetchState.vue';
import NumberField from '../../components/NumberField.vue';
import QuantityField from '../../components/QuantityField.vue';
import PlantHeader from '../../components/plant/PlantHeader.vue';
import AlikePicker from '../../components/look/AlikePicker.vue';
import ScaleDialog from '../../components/look/ScaleDialog.vue';
import SignalPicker from '../../components/look/SignalPicker.vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { photoAsText } from '../../composables/usePhoto.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useOutbox, type Parcel } from '../../stores/outbox.ts';
import { keepPictures, picturesOf } from '../../stores/pictures.ts';
import { useSettings } from '../../stores/settings.ts';

const route = useRoute();
const router = useRouter();
const notices = useNotices();
const settings = useSettings();
const outbox = useOutbox();
const id = Number(route.params.id);

const { value: file, fault, load } = useLoaded(() => api(`/plants/${id}/file`));

interface LookDraft {
  date: string;
  signals: Record<string, SignalValue>;
  /** null: as the verdict asks */
  unpotted: boolean | null;
  weightKg: number | null;
  heightCm: number | null;
  watered: boolean;
  leafCount: number | null;
  leafCm: number | null;
  ph: number | null;
  ec: number | null;
  note: string;
  /** ids of others that look just the same */
  alike: number[];
}
const { draft, restored, clear } = useDraft<LookDraft>(`look.${id}`, () => ({
  date: settings.current.today,
  signals: {},
  unpotted: null,
  weightKg: null,
  heightCm: null,
  watered: false,
  leafCount: null,
  leafCm: null,
  ph: null,
  ec: null,
  note: '',
  alike: [],
}));
const scaleOpen = ref(false);
const moreOpen = ref(false);

/** What would tell most comes first; once the page stands, nothing moves under the thumb. */
const first = ref<string[]>([]);
watch(
  () => file.value?.decision,
  (decision, before) => {
    if (decision && !before) first.value = askFirst(decision);
  },
);
/** Who was told to slide it out has it in the hand. */
const unpotted = computed(() => draft.value.unpotted ?? Boolean(file.value?.decision.unpot));
const groups = computed(() => [
  {
    id: 'first',
    label: m.look.first,
    signals: first.value.map((id) => SIGNALS.find((definition) => definition.id === id)!),
  },
  ...SIGNAL_GROUPS.filter((group) => !group.unpotted || unpotted.value).map((group) => ({
    ...group,
    signals: SIGNALS.filter(
      (definition) => definition.group === group.id && !first.value.includes(definition.id),
    ),
  })),
]);
function answer(signal: string, value: SignalValue | undefined): void {
  const { [signal]: _before, ...others } = draft.value.signals;
  draft.value.signals = value === undefined ? others : { ...others, [signal]: value };
}
/** Of the garden made up for trying: what would be found, over what was answered so far. */
async function lookForMe(): Promise<void> {
  const { signals, measurements } = await api(`/demo/plants/${id}/look`);
  draft.value.signals = { ...draft.value.signals, ...(signals as Record<string, SignalValue>) };
  draft.value.date = settings.current.today;
  for (const { kind, value } of measurements) if (kind === 'heightCm') draft.value.heightCm = value;
}
const measured = computed(() => {
  const { weightKg, heightCm, watered, leafCount, leafCm, ph, ec } = draft.value;
  return [
    { kind: 'weightKg', value: weightKg },
    { kind: 'watered', value: watered ? 1 : null },
    { kind: 'heightCm', value: heightCm },
    { kind: 'leafCount', value: leafCount },
    { kind: 'leafCm', value: leafCm },
    { kind: 'reservoirPh', value: ph },
    { kind: 'reservoirEcMsCm', value: ec },
  ].filter((taken): taken is { kind: string; value: number } => taken.value !== null);
});
const answers = computed(
  () =>
    Object.keys(draft.value.signals).length +
    measured.value.length +
    photos.value.length +
    Number(draft.value.note.trim() !== ''),
);
/** Its own last weight, else what such a pot weighs moist: what the stand-in scale is loaded with. */
const expectedKg = computed(() => {
  const last = file.value?.measurements.find(({ kind }) => kind === 'weightKg')?.value;
  return last ?? (file.value ? 0.15 + 0.7 * fillL(file.value.situation.pot) : 1);
});

const errors = ref<Record<string, string>>({});
const saveFault = ref('');
const saving = ref(false);

/** The whole visit at once: what was seen, measured and photographed. */
function visit(): Parcel {
  const { date, signals, note } = draft.value;
  // The minute of today's walk orders weights before and after a watering.
  const now = new Date();
  const minute = date === settings.current.today ? now.getHours() * 60 + now.getMinutes() : null;
  return {
    path: '/visits',
    label: `${m.look.title}: ${file.value!.plant.name}`,
    key: freshKey(),
    body: {
      plantId: id,
      date,
      minute,
      signals,
      note,
      measurements: measured.value,
      ...(draft.value.alike.length > 0 ? { alike: draft.value.alike } : {}),
    },
  };
}

async function save(): Promise<void> {
  errors.value = {};
  saveFault.value = '';
  if (answers.value === 0) {
    saveFault.value = m.look.nothing;
    return;
  }
  saving.value = true;
  const parcel = visit();
  try {
    const { deed } = await write(parcel.path, {
      method: 'POST',
      body: photos.value.length > 0 ? { ...parcel.body, photos: photos.value } : parcel.body,
      key: parcel.key,
    });
    notices.done(m.look.saved, { deed, back: () => router.push(`/plants/${id}`) });
    startOver();
    await router.push({ path: `/plants/${id}/verdict`, state: { looked: true } });
  } catch (error) {
    if (error instanceof ApiError && error.silent) {
      await outbox.keep(parcel, photos.value);
      startOver();
      saveFault.value = m.look.kept;
      return;
    }
    const field = error instanceof ApiError ? error.field : undefined;
    if (field === 'date') errors.value = { date: wordsFor(error) };
    else saveFault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
function startOver(): void {
  clear();
  photos.value = [];
}

/** Pictures of this visit, as base64: kept here until it is saved. */
const photos = ref<string[]>([]);
const drawer = `look.${id}`;
void picturesOf(drawer).then(
  (kept) => (photos.value = [...kept, ...photos.value]),
  () => undefined,
);
watch(photos, (now) => void keepPictures(drawer, now).catch(() => undefined), { deep: true });
const photoFault = ref('');
const preparing = ref(false);
async function addPhoto(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const [chosen] = input.files ?? [];
  if (!chosen) return;
  photoFault.value = '';
  preparing.value = true;
  try {
    const all = [...photos.value, await photoAsText(chosen)];
    // What is shown as kept is kept: a page that goes the next moment loses nothing.
    await keepPictures(drawer, all).catch(() => undefined);
    photos.value = all;
  } catch (error) {
    photoFault.value = error instanceof Error ? error.message : m.error.unknown;
  } finally {
    preparing.value = false;
    input.value = '';
  }
}
</script>

<template>
  <div class="page stack">
    <FetchState :fault="fault" :loading="!file" @retry="load" />
    <form v-if="file" class="stack" novalidate @submit.prevent="save">
      <PlantHeader :file="file" at="look" />
      <p class="quiet">{{ m.look.hint }}</p>
      <LookForMe :look="lookForMe" />
      <p v-if="restored" class="row">
        {{ m.app.draftKept }}
        <v-btn size="small" variant="outlined" @click="startOver">{{ m.app.startOver }}</v-btn>
      </p>
      <div class="panels">
        <section
          v-for="group in groups.filter(({ signals }) => signals.length > 0)"
          :key="group.id"
          class="panel"
        >
          <h2>{{ group.label }}</h2>
          <SignalPicker
            v-for="definition in group.signals"
            :key="definition.id"
            :definition="definition"
            :model-value="draft.signals[definition.id]"
            @update:model-value="(value) => answer(definition.id, value)"
          />
        </section>
        <section class="panel stack">
          <v-btn
            :variant="unpotted ? 'flat' : 'outlined'"
            color="primary"
            :aria-pressed="unpotted"
            @click="draft.unpotted = !unpotted"
          >
            {{ m.look.unpotted }}
          </v-btn>
          <div class="weigh">
            <QuantityField v-model="draft.weightKg" :label="m.look.weight" of="weight" />
            <v-btn variant="outlined" min-height="54" @click="scaleOpen = true">{{
              m.scale.open
            }}</v-btn>
          </div>
          <v-btn
            :variant="draft.watered ? 'flat' : 'outlined'"
            :color="draft.watered ? 'info' : undefined"
            :aria-pressed="draft.watered"
            @click="draft.watered = !draft.watered"
            >{{ m.look.watered }}</v-btn
          >
          <QuantityField v-model="draft.heightCm" :label="m.look.height" of="length" />
          <v-btn variant="text" :aria-expanded="moreOpen" @click="moreOpen = !moreOpen">{{
            m.look.more
          }}</v-btn>
          <div v-if="moreOpen" class="tiles tiny">
            <NumberField v-model="draft.leafCount" :label="m.look.leafCount" />
            <QuantityField v-model="draft.leafCm" :label="m.look.leafCm" of="length" />
            <NumberField v-model="draft.ph" :label="m.look.ph" />
            <NumberField v-model="draft.ec" :label="m.look.ec" unit="mS/cm" />
          </div>
          <div>
            <label class="picture">
              <input type="file" accept="image/*" capture="environment" @change="addPhoto" />
              <span>{{ m.photo.add }}</span>
            </label>
            <v-progress-linear
              v-if="preparing"
              indeterminate
              color="primary"
              :aria-label="m.photo.preparing"
            />
            <p v-if="photoFault" class="text-error" role="alert">{{ photoFault }}</p>
            <div v-if="photos.length > 0" class="row pictures">
              <figure v-for="(photo, i) in photos" :key="photo" class="taken">
                <img :src="`data:image/jpeg;base64,${photo}`" :alt="m.photo.added" class="thumb" />
                <v-btn
                  size="small"
                  variant="text"
                  :aria-label="m.photo.remove"
                  @click="photos = photos.filter((_, at) => at !== i)"
                  >{{ m.app.delete }}</v-btn
                >
              </figure>
            </div>
          </div>
          <v-textarea v-model="draft.note" :label="m.look.note" rows="2" auto-grow />
          <v-text-field
            v-model="draft.date"
            type="date"
            :label="m.look.date"
            :max="settings.current.today"
            :error-messages="errors.date"
            name="date"
          />
        </section>
      </div>
      <AlikePicker v-if="file.alike.length > 0" v-model="draft.alike" :alike="file.alike" />
      <ScaleDialog
        v-model="scaleOpen"
        :expected-kg="expectedKg"
        @weighed="(kg) => (draft.weightKg = kg)"
      />
      <div class="sticky">
        <p v-if="saveFault" role="alert" class="text-error">{{ saveFault }}</p>
        <v-btn type="submit" color="primary" size="large" block min-height="54" :loading="saving">
          {{ m.look.save(answers, 1 + draft.alike.length) }}
        </v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped>
.weigh {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
}
.picture input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.picture span {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  padding: 0 18px;
  border: 1.5px solid rgb(var(--v-theme-on-surface), 0.5);
  border-radius: 8px;
  cursor: pointer;
}
.picture input:focus-visible + span {
  outline: 3px solid rgb(var(--v-theme-primary));
}
.pictures {
  margin-top: 10px;
}
.taken {
  display: grid;
  justify-items: center;
}
.thumb {
  width: 96px;
  height: 96px;
  object-fit: cover;
  border-radius: 8px;
}
</style>
