<script setup lang="ts">
import { mdiChevronDown } from '@mdi/js';
import {
  LAST_REPOTS,
  LENGTH_UNITS,
  LIGHT_CLASSES,
  MEDIUM_KINDS,
  nominalPot,
  STANDARD_RIMS_CM,
  type SignalValue,
} from '@fernbank/core';
import { useElementVisibility } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { api, write } from '../../api/client.ts';
import AskAnswer from '../../components/ask/AskAnswer.vue';
import TapRow from '../../components/ask/TapRow.vue';
import FetchState from '../../components/FetchState.vue';
import NumberField from '../../components/NumberField.vue';
import QuantityField from '../../components/QuantityField.vue';
import SignalPicker from '../../components/look/SignalPicker.vue';
import TaxonField from '../../components/plant/TaxonField.vue';
import { useHeadlineWords } from '../../composables/headlineWords.ts';
import { useAsked } from '../../composables/useAsked.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** A plant in the hand: what it is, how wide its pot, what is seen, and the answer. Nothing is kept until it is. */
const router = useRouter();
const settings = useSettings();
const notices = useNotices();
const { us, length, number } = useUnits();
const {
  value: house,
  fault,
  load,
} = useLoaded(async () => {
  const [spots, offered] = await Promise.all([api('/spots?limit=1000'), api('/fitting')]);
  return { spots: spots.items, offered };
});
const { draft, clear, guess, guessedFrom, spot, spotRow, mediumKind, asked, questions, answer } =
  useAsked(() => house.value ?? { spots: [], offered: null });

/** What most pots in a window are, in the sizes that are sold where this is read. */
const OFFERED_CM = STANDARD_RIMS_CM.filter((cm) => cm >= 7 && cm <= 25 && cm !== 14);
const OFFERED_IN = [3, 4, 5, 6, 7, 8, 10, 12];
const widths = computed(() =>
  (us.value ? OFFERED_IN.map((inches) => inches * LENGTH_UNITS.in) : OFFERED_CM).map((cm) => ({
    value: cm,
    title: length(cm),
  })),
);
const repots = LAST_REPOTS.map(({ id: value, label: title }) => ({ value, title }));
const lights = LIGHT_CLASSES.map(({ id: value, label: title }) => ({ value, title }));
const media = MEDIUM_KINDS.map(({ id: value, label: title }) => ({ value, title }));
const titleOf = (items: readonly { value: string; title: string }[], value: string | null) =>
  items.find((item) => item.value === value)?.title ?? '';
const lightWord = computed(() => titleOf(lights, spot.value.light).split(': ')[1]!);
const latitude = computed(() => {
  const deg = spot.value.latitudeDeg;
  return `${number(Math.abs(deg), 0)}° ${deg < 0 ? 'S' : 'N'}`;
});

/** What the answer rests on beside what was said. */
const rests = computed(() => {
  const medium = titleOf(media, mediumKind.value);
  return [
    spotRow.value ? `${spotRow.value.name}.` : m.ask.guessed(lightWord.value, latitude.value),
    guessedFrom.value ? m.ask.guess[guessedFrom.value] : '',
    draft.value.mediumKind ? m.ask.told(medium) : m.ask.inMedium(medium),
  ]
    .filter(Boolean)
    .join(' ');
});
const { headlineLine } = useHeadlineWords();
const answerPanel = useTemplateRef<HTMLElement>('answerPanel');
/** While the answer is out of sight its first line stands at the foot of the page. */
const inSight = useElementVisibility(answerPanel);
const toAnswer = () => answerPanel.value?.scrollIntoView({ block: 'start' });

function see(id: string, value: SignalValue | undefined): void {
  const { [id as keyof typeof draft.value.signals]: _before, ...others } = draft.value.signals;
  draft.value.signals = value === undefined ? others : { ...others, [id]: value };
}

const { saving, fault: refused, send } = useSaving();
const keep = () =>
  send({}, async () => {
    const { rimCm, lastRepot, signals, date } = asked.value!;
    const name = draft.value.taxon.trim();
    const { answer: kept, deed } = await write('/plants/asked', {
      method: 'POST',
      body: {
        plant: {
          name,
          taxon: name,
          groupId: draft.value.groupId,
          pot: nominalPot(rimCm),
          mediumKind: mediumKind.value,
          lastRepot,
          ...(spotRow.value ? { spotId: spotRow.value.id } : {}),
        },
        spot: spotRow.value
          ? null
          : {
              name: guessedFrom.value ? m.ask.guessedSpot : m.ask.room,
              latitudeDeg: spot.value.latitudeDeg,
              light: spot.value.light,
            },
        date,
        signals,
      },
    });
    clear();
    const back = () => router.push('/ask');
    notices.done(m.ask.kept(name), { deed, back, said: m.ask.taken });
    await router.push(`/plants/${kept.id}/verdict`);
  });
</script>

<template>
  <div class="page stack">
    <header>
      <h1>{{ m.ask.title }}</h1>
      <p class="quiet">{{ m.ask.intro }}</p>
    </header>
    <FetchState :fault="fault" :loading="!house" @retry="load" />
    <div v-if="house" class="ask">
      <section class="panel stack">
        <TaxonField v-model:taxon="draft.taxon" v-model:group-id="draft.groupId" />
        <h2>{{ m.ask.width }}</h2>
        <TapRow v-model="draft.rimCm" :label="m.ask.width" :choices="widths" />
        <h2>{{ m.ask.lastRepot }}</h2>
        <TapRow v-model="draft.remembered" wide :label="m.ask.lastRepot" :choices="repots" />
        <details>
          <summary>{{ m.ask.otherWidth }} · {{ m.ask.onDay }}</summary>
          <div class="fields">
            <QuantityField v-model="draft.rimCm" of="length" :label="m.ask.otherWidth" />
            <v-text-field
              v-model="draft.lastRepot"
              type="date"
              :label="m.ask.onDay"
              :max="settings.current.today"
            />
          </div>
        </details>
      </section>

      <section v-if="questions.length > 0" class="panel">
        <h2>{{ m.ask.see }}</h2>
        <p class="quiet small">{{ m.ask.seeHint }}</p>
        <SignalPicker
          v-for="definition in questions"
          :key="definition.id"
          :definition="definition"
          :model-value="draft.signals[definition.id]"
          @update:model-value="(value) => see(definition.id, value)"
        />
      </section>

      <section ref="answerPanel" class="panel stack answer" aria-live="polite">
        <template v-if="answer">
          <AskAnswer :answer="answer" :name="draft.taxon" />
          <p v-if="refused" role="alert" class="text-error">{{ refused }}</p>
          <div>
            <v-btn color="primary" size="large" min-height="52" :loading="saving" @click="keep">{{
              m.ask.keep
            }}</v-btn>
          </div>
          <details>
            <summary>
              <span
                >{{ rests }} <u>{{ m.ask.change }}</u></span
              >
            </summary>
            <div class="fields">
              <v-select
                v-if="house.spots.length > 0"
                :model-value="spotRow?.id"
                :items="house.spots.map(({ id, name }) => ({ value: id, title: name }))"
                :label="m.ask.spot"
                @update:model-value="(id: number) => (draft.spotId = id)"
              />
              <template v-else>
                <v-select
                  v-model="draft.light"
                  :items="lights"
                  :label="m.ask.light"
                  :placeholder="lightWord"
                />
                <NumberField
                  :model-value="draft.latitudeDeg ?? guess.spot.latitudeDeg"
                  :label="m.ask.latitude"
                  @update:model-value="
                    (deg) => (draft.latitudeDeg = deg === null || Math.abs(deg) > 90 ? null : deg)
                  "
                />
              </template>
              <v-select
                :model-value="mediumKind"
                :items="media"
                :label="m.ask.medium"
                @update:model-value="(kind) => (draft.mediumKind = kind)"
              />
            </div>
          </details>
        </template>
        <p v-else class="quiet">{{ m.ask.waiting }}</p>
      </section>
    </div>
    <button v-if="answer && !inSight" type="button" class="strip" @click="toAnswer">
      {{ headlineLine(answer.decision) }}
      <v-icon :icon="mdiChevronDown" />
    </button>
  </div>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 14px;
  align-items: start;
}
@media (min-width: 960px) {
  .ask {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  /* The answer stands beside what is said, in sight while it is. */
  .answer {
    grid-column: 2;
    grid-row: 1 / span 2;
    position: sticky;
    top: 80px;
    max-height: calc(100dvh - 96px);
    overflow-y: auto;
  }
}
.answer {
  scroll-margin-top: 70px;
}
.strip {
  position: sticky;
  bottom: calc(68px + env(safe-area-inset-bottom));
  z-index: 2;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  font-weight: 700;
  padding: 8px 14px;
  border: 1.5px solid rgb(var(--v-theme-primary));
  border-radius: 12px;
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  text-align: left;
  cursor: pointer;
}
h2 {
  font-size: 1.1rem;
}
</style>
