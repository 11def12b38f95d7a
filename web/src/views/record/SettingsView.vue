<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline, mdiPlus } from '@mdi/js';
import {
  LIGHT_CLASSES,
  PAPERS,
  SCHOOLS,
  SCHOOL_IDS,
  optionsOf,
  type School,
  isTypicalYear,
} from '@fernbank/core';
import { ref } from 'vue';
import { api, ApiError, wordsFor } from '../../api/client.ts';
import type { Settings, SpotRow } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import GroupSchools from '../../components/spot/GroupSchools.vue';
import NumberField from '../../components/NumberField.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import QuantityField from '../../components/QuantityField.vue';
import SpotDialog from '../../components/spot/SpotDialog.vue';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import { schoolItems } from '../../composables/schoolItems.ts';

const settings = useSettings();
const notices = useNotices();
const { temperature } = useUnits();
const {
  value: spots,
  fault,
  load,
} = useLoaded(() => api('/spots?limit=1000').then(({ items }) => items));
const dialog = ref(false);
const editing = ref<SpotRow | null>(null);
function edit(spot: SpotRow | null): void {
  editing.value = spot;
  dialog.value = true;
}
const name = ref(settings.current.collectionName);
const currency = ref(settings.current.currency);

/** Why the server did not take what stands in a field. */
const refused = ref<Record<string, string>>({});
async function change(changed: Partial<Omit<Settings, 'demo' | 'today'>>): Promise<void> {
  refused.value = {};
  try {
    await settings.change(changed);
    notices.done(m.settings.saved);
  } catch (error) {
    const field = error instanceof ApiError ? error.field : undefined;
    if (field && field in changed) refused.value = { [field]: wordsFor(error) };
    else notices.fault(error);
  }
}
const removal = useRemoval();
const remove = ({ id, rev, name: label }: SpotRow) =>
  removal({ path: `/spots/${id}`, rev, said: m.spot.removed(label), then: load, back: load });
const costsOf = (id: School) => optionsOf(id)[settings.current[SCHOOLS[id].setting]]!.costs;
const papers = Object.entries(PAPERS).map(([value, { label }]) => ({ value, title: label }));
const lightWord = (id: string) =>
  LIGHT_CLASSES.find((light) => light.id === id)?.label.split(':')[0];
const warmth = (spot: SpotRow) =>
  typeof spot.temperatureC === 'number'
    ? temperature(spot.temperatureC)
    : m.spot.monthly(
        temperature(Math.min(...spot.temperatureC)),
        temperature(Math.max(...spot.temperatureC)),
        !spot.indoors && isTypicalYear(spot.temperatureC, spot.latitudeDeg),
      );
const aboutSpot = (spot: SpotRow) =>
  [
    lightWord(spot.light),
    spot.lampHours > 0 ? m.spot.lampFor(spot.lampHours) : null,
    warmth(spot),
    m.spot.humidityOf(Math.round(spot.relativeHumidity * 100)),
  ]
    .filter(Boolean)
    .join(' · ');
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.settings.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <section class="panel stack">
      <div class="fields">
        <v-text-field
          v-model="name"
          :label="m.settings.collection"
          @change="change({ collectionName: name })"
        />
        <v-select
          :model-value="settings.current.units"
          :items="[
            { value: 'metric', title: m.settings.metric },
            { value: 'us', title: m.settings.us },
          ]"
          :label="m.settings.units"
          @update:model-value="(units) => change({ units })"
        />
        <v-select
          :model-value="settings.current.paper"
          :items="papers"
          :label="m.settings.paper"
          @update:model-value="(paper) => change({ paper })"
        />
      </div>
    </section>
    <section class="panel stack">
      <h2>{{ m.settings.tools }}</h2>
      <div class="fields">
        <QuantityField
          of="volume"
          :model-value="settings.current.scoopL"
          :label="m.settings.scoop"
          :hint="m.settings.scoopHint"
          :error="refused.scoopL"
          @settled="(scoopL) => change({ scoopL })"
        />
        <QuantityField
          of="volume"
          :model-value="settings.current.tubL"
          :label="m.mix.tub"
          :hint="m.mix.tubHint"
          :error="refused.tubL"
          @settled="(tubL) => change({ tubL })"
        />
        <v-text-field
          v-model="currency"
          :label="m.settings.currency"
          maxlength="4"
          @change="change({ currency })"
        />
        <NumberField
          :model-value="settings.current.potPrice"
          :label="m.settings.potPrice"
          :unit="settings.current.currency"
          :hint="m.settings.potPriceHint"
          :error="refused.potPrice"
          @settled="(potPrice) => change({ potPrice })"
        />
      </div>
    </section>
    <section class="panel stack">
      <h2>{{ m.settings.schools }}</h2>
      <p class="quiet">{{ m.settings.schoolsIntro }}</p>
      <div class="fields">
        <v-select
          v-for="id in SCHOOL_IDS"
          :key="id"
          :model-value="settings.current[SCHOOLS[id].setting]"
          :items="schoolItems(id)"
          :label="SCHOOLS[id].question"
          :hint="`${m.settings.costs}: ${costsOf(id)}`"
          persistent-hint
          @update:model-value="(value: string) => change({ [SCHOOLS[id].setting]: value })"
        />
      </div>
      <GroupSchools
        :group-schools="settings.current.groupSchools"
        @change="(groupSchools) => change({ groupSchools })"
      />
    </section>
    <section class="panel stack">
      <div class="row spread">
        <h2>{{ m.spot.title }}</h2>
        <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="edit(null)">{{
          m.spot.add
        }}</v-btn>
      </div>
      <FetchState :fault="fault" :loading="!spots" @retry="load" />
      <p v-if="spots && spots.length === 0" class="quiet">{{ m.spot.none }}</p>
      <ul v-else class="bare parted">
        <li v-for="spot in spots ?? []" :key="spot.id">
          <div>
            <strong>{{ spot.name }}</strong>
            <p class="quiet">{{ aboutSpot(spot) }}</p>
          </div>
          <div class="acts">
            <v-btn
              :icon="mdiPencilOutline"
              variant="text"
              :aria-label="`${m.spot.edit}: ${spot.name}`"
              @click="edit(spot)"
            />
            <v-btn
              :icon="mdiDeleteOutline"
              variant="text"
              :aria-label="`${m.spot.remove}: ${spot.name}`"
              @click="remove(spot)"
            />
          </div>
        </li>
      </ul>
    </section>
    <SpotDialog
      v-model="dialog"
      :spot="editing"
      :spots="spots ?? []"
      @added="load"
      @changed="load"
    />
  </div>
</template>

<style scoped>
.acts {
  flex: none;
}
</style>
