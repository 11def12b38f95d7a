<script setup lang="ts">
import { kitchenTest, POROMETER_CM, type KitchenReading, type KitchenResult } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { wordsFor, write } from '../../api/client.ts';
import type { PantryComponent } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import QuantityField from '../QuantityField.vue';

/**
 * The kitchen test step by step: plug, fill, pour, drain, weigh. What it finds
 * replaces the typical values, with the error that its readings leave.
 */
const props = defineProps<{ component: PantryComponent | null }>();
const emit = defineEmits<{ close: []; saved: [label: string, deed: number | null] }>();
const { length, number, volume } = useUnits();

const STEPS = ['plug', 'fill', 'pour', 'drain', 'weigh', 'result'] as const;
const { draft, clear } = useDraft('kitchenTest', () => ({
  component: '',
  step: 0,
  mediumL: null as number | null,
  heightCm: null as number | null,
  pouredL: null as number | null,
  drainedL: null as number | null,
  dryKg: null as number | null,
  startedAt: null as number | null,
}));
watch(
  () => props.component?.id,
  (id) => {
    // A test that was begun goes on where it stood.
    if (id && draft.value.component !== id) {
      clear();
      draft.value.component = id;
    }
  },
  { immediate: true },
);
const step = computed(() => STEPS[draft.value.step]!);

const reading = computed((): KitchenReading | null => {
  const { mediumL, heightCm, pouredL, drainedL, dryKg } = draft.value;
  if (mediumL === null || heightCm === null || pouredL === null || drainedL === null) return null;
  return { mediumL, pouredL, drainedL, heightCm, ...(dryKg === null ? {} : { dryKg }) };
});
/** What each step cannot be, told there and not at the end. */
const fault = computed((): string => {
  const { mediumL: v, heightCm, pouredL: a, drainedL: b } = draft.value;
  switch (step.value) {
    case 'fill':
      if (v !== null && (v < 0.2 || v > 100))
        return m.mix.test.mediumRange(volume(0.2), volume(100));
      if (heightCm !== null && (heightCm < 3 || heightCm > 60)) return m.mix.test.heightRange;
      return '';
    case 'pour':
      if (a !== null && a <= 0) return m.mix.test.pouredNone;
      return a !== null && v !== null && a >= v ? m.mix.test.pouredMost(volume(v)) : '';
    case 'drain':
      if (b !== null && b < 0) return m.mix.test.drainedNone;
      return a !== null && b !== null && b >= a ? m.mix.test.drainedMost(volume(a)) : '';
    default:
      return '';
  }
});
const ready = computed(() => {
  const { mediumL, heightCm, pouredL, drainedL } = draft.value;
  const filled = {
    plug: true,
    fill: mediumL !== null && heightCm !== null,
    pour: pouredL !== null,
    drain: drainedL !== null,
    weigh: true,
    result: true,
  };
  return filled[step.value] && !fault.value;
});
const outcome = computed((): { result: KitchenResult | null; fault: string } => {
  if (!reading.value || !props.component) return { result: null, fault: '' };
  try {
    return { result: kitchenTest(reading.value, props.component.n), fault: '' };
  } catch (error) {
    return { result: null, fault: (error as Error).message };
  }
});
const rows = computed(() => {
  const { component } = props;
  const { result } = outcome.value;
  if (!component || !result) return [];
  const row = (
    label: string,
    { value, error }: { value: number; error: number },
    was: number,
    digits: number,
    times = 1,
    unit = '',
  ) => ({
    label,
    now: `${number(times * value, digits)} ± ${number(times * error, digits)}${unit}`,
    was: `${number(times * was, digits)}${unit}`,
  });
  return [
    row(m.mix.test.porosity, result.totalPorosity, component.totalPorosity, 1, 100, ' %'),
    row(m.mix.test.air, result.airAt7_6cm, component.airAt7_6cm, 1, 100, ' %'),
    ...(result.dryKgPerL
      ? [row(m.mix.test.dry, result.dryKgPerL, component.dryKgPerL, 3, 1, ' kg/L')]
      : []),
  ];
});

const HOUR_MS = 3_600_000;
const now = ref(Date.now());
let timer: ReturnType<typeof setInterval> | null = null;
watch(step, (at) => {
  if (timer) clearInterval(timer);
  timer = null;
  if (at !== 'drain') return;
  draft.value.startedAt ??= Date.now();
  now.value = Date.now();
  timer = setInterval(() => (now.value = Date.now()), 5000);
});
const minutesLeft = computed(() => {
  const { startedAt } = draft.value;
  return startedAt === null
    ? 60
    : Math.max(0, Math.ceil((startedAt + HOUR_MS - now.value) / 60_000));
});

const saving = ref(false);
const saveFault = ref('');
async function save(): Promise<void> {
  const { component } = props;
  if (!component || !reading.value) return;
  saving.value = true;
  saveFault.value = '';
  try {
    const { answer, deed } = await write(`/components/${component.id}/kitchen-test`, {
      method: 'POST',
      body: reading.value,
      rev: component.rev,
    });
    clear();
    emit('saved', answer.label, deed);
  } catch (error) {
    saveFault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <v-dialog
    :model-value="component !== null"
    max-width="620"
    scrollable
    @update:model-value="(open: boolean) => !open && $emit('close')"
  >
    <v-card v-if="component">
      <form class="stack in-dialog" novalidate @submit.prevent="ready && draft.step++">
        <h2>{{ m.mix.test.title(component.label) }}</h2>
        <p class="quiet">{{ m.mix.test.stepOf(draft.step + 1, STEPS.length) }}</p>
        <h3>{{ m.mix.test.steps[step].title }}</h3>
        <p class="do">{{ m.mix.test.steps[step].does }}</p>
        <div v-if="step === 'fill'" class="fields">
          <QuantityField
            v-model="draft.mediumL"
            :label="m.mix.test.medium"
            of="volume"
            name="mediumL"
          />
          <QuantityField
            v-model="draft.heightCm"
            :label="m.mix.test.height"
            of="length"
            name="heightCm"
          />
        </div>
        <QuantityField
          v-else-if="step === 'pour'"
          v-model="draft.pouredL"
          :label="m.mix.test.poured"
          of="volume"
          name="pouredL"
        />
        <template v-else-if="step === 'drain'">
          <p role="timer" class="timer">{{ m.mix.test.minutesLeft(minutesLeft) }}</p>
          <QuantityField
            v-model="draft.drainedL"
            :label="m.mix.test.drained"
            of="volume"
            name="drainedL"
          />
        </template>
        <QuantityField
          v-else-if="step === 'weigh'"
          v-model="draft.dryKg"
          :label="m.mix.test.dryWeight"
          of="weight"
          :hint="m.app.optional"
          name="dryKg"
        />
        <template v-else-if="step === 'result'">
          <p v-if="outcome.fault" role="alert" class="text-error">{{ outcome.fault }}</p>
          <table v-else class="figures">
            <thead>
              <tr>
                <th></th>
                <th class="num">{{ m.mix.test.measured }}</th>
                <th class="num">{{ m.mix.test.before }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in rows" :key="row.label">
                <th scope="row">{{ row.label }}</th>
                <td class="num">
                  <strong>{{ row.now }}</strong>
                </td>
                <td class="num">{{ row.was }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="reading" class="quiet small">
            {{
              m.mix.test.working(
                volume(reading.pouredL),
                volume(reading.drainedL),
                volume(reading.mediumL),
                length(reading.heightCm),
                length(POROMETER_CM),
              )
            }}
          </p>
        </template>
        <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
        <p v-if="component.dusty" class="caution">{{ m.fit.dust }}</p>
        <p v-if="component.biohazard" class="caution">{{ m.fit.bio }}</p>
        <p v-if="saveFault" role="alert" class="text-error">{{ saveFault }}</p>
        <div class="row">
          <v-btn
            v-if="step !== 'result'"
            type="submit"
            color="primary"
            size="large"
            min-height="52"
            :disabled="!ready"
            >{{ m.mix.test.next }}</v-btn
          >
          <v-btn
            v-else
            color="primary"
            size="large"
            min-height="52"
            :loading="saving"
            :disabled="!outcome.result"
            @click="save"
            >{{ m.mix.test.keep }}</v-btn
          >
          <v-btn v-if="draft.step > 0" variant="outlined" min-height="48" @click="draft.step--">{{
            m.mix.test.back
          }}</v-btn>
          <v-btn variant="text" @click="$emit('close')">{{ m.app.close }}</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.do {
  font-size: 1.1rem;
}
.timer {
  font-size: 1.3rem;
  font-weight: 700;
}
</style>
