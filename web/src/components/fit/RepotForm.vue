<script setup lang="ts">
import type { MediumKind } from '@fernbank/core';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiError, wordsFor, write } from '../../api/client.ts';
import type { FitPlan } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** Writes the repot down: from then on the plant stands in its new pot, with its aftercare. */
const props = defineProps<{
  plantId: number;
  /** pot, mix and support as they stand on the page */
  settled: FitPlan;
  /** the support it keeps is not told anew */
  keepsSupport: boolean;
  /** when its support is to be made longer */
  extensions: readonly { on: string | null; addsCm: number; aboveCm: number }[];
  mediumKind: MediumKind;
  /** it goes into pebbles through a jar of water; absent: it does not, or stands in them already */
  longWay?: boolean;
  /** its mix was taken off the stock already, as a batch of the day */
  inTub?: boolean;
  scoopL: number | null;
  /** what was noted at the bench */
  noted?: string;
  /** share of the roots found alive there, 0 … 1 */
  liveRoots?: number | null;
  /** why it cannot be done so */
  refused?: string;
  /** where the keeper goes on; absent: the plant's own page */
  then?: string | undefined;
}>();
const emit = defineEmits<{ written: [] }>();

const router = useRouter();
const notices = useNotices();
const settings = useSettings();
const { draft, clear } = useDraft(`repot.${props.plantId}`, () => ({
  date: settings.current.today,
  rootsCut: false,
  drawStock: true,
  jar: true,
  note: props.noted ?? '',
}));
const dateError = ref('');
const fault = ref('');
const saving = ref(false);

const housed = ({ lengthCm, kind, section, stock }: NonNullable<FitPlan['support']>) => ({
  lengthCm,
  kind,
  section,
  supportId: stock?.id ?? null,
});
async function confirm(): Promise<void> {
  dateError.value = '';
  fault.value = '';
  saving.value = true;
  const { plantId, settled, keepsSupport, extensions, mediumKind, scoopL } = props;
  const { pot, potMaterial, potId, recipeId, parts, layer, cuts, support, water } = settled;
  try {
    const { deed } = await write('/repots', {
      method: 'POST',
      body: {
        plantId,
        pot,
        potMaterial,
        potId,
        mediumKind,
        recipeId,
        ...(parts ? { parts } : {}),
        layer,
        cuts,
        extensions,
        scoopL,
        ...(keepsSupport ? {} : { support: support && housed(support) }),
        liveRoots: props.liveRoots ?? null,
        mound: settled.mound ?? false,
        ...(water ? { water: { kind: water.kind }, coverId: water.coverId } : {}),
        ...draft.value,
        jar: props.longWay === true && draft.value.jar,
        rootsCut: draft.value.rootsCut || cuts.rootsPruned || cuts.pieces > 1,
      },
    });
    clear();
    emit('written');
    notices.done(m.fit.done, { deed, back: () => router.push(`/plants/${plantId}/fit`) });
    await router.push(props.then ?? `/plants/${plantId}`);
  } catch (error) {
    if (error instanceof ApiError && error.field === 'date') dateError.value = wordsFor(error);
    else fault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <form class="panel stack no-print" novalidate @submit.prevent="confirm">
    <h2>{{ m.fit.confirmTitle }}</h2>
    <div class="row fields">
      <v-text-field
        v-model="draft.date"
        type="date"
        :label="m.fit.date"
        :max="settings.current.today"
        :error-messages="dateError"
        name="date"
      />
      <v-checkbox v-model="draft.rootsCut" :label="m.fit.rootsCut" />
      <v-checkbox v-if="longWay" v-model="draft.jar" :label="m.fit.under.jar" />
      <v-checkbox v-if="!inTub" v-model="draft.drawStock" :label="m.fit.drawStock" />
    </div>
    <v-textarea v-model="draft.note" :label="m.fit.note" rows="2" auto-grow />
    <p v-if="refused" role="alert" class="text-error">{{ refused }}</p>
    <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
    <div>
      <v-btn
        type="submit"
        color="primary"
        size="large"
        min-height="54"
        :loading="saving"
        :disabled="Boolean(refused)"
      >
        {{ m.fit.confirmButton }}
      </v-btn>
    </div>
  </form>
</template>

<style scoped>
.fields > * {
  flex: 1 1 200px;
}
</style>
