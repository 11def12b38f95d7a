<script setup lang="ts">
import { frontCm, sayAll, SUPPORT_GOALS, SUPPORT_KINDS } from '@fernbank/core';
import { computed } from 'vue';
import { HORIZONS_MONTHS, type Fit } from '../../composables/useFit.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import type { CutawaySubject } from '../cutaway/scene.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';
import GrownSchools from './GrownSchools.vue';
import SupportDrawing from './SupportDrawing.vue';
import SupportFacts from './SupportFacts.vue';

/** Which support, how long, when its top is reached, and what it asks; drawn whole and to scale. */
const props = defineProps<{
  fit: Fit;
  /** pot and plant as they will be, without the support */
  subject: CutawaySubject;
  heightCm: number;
  headroomCm: number | null;
  hasSupport: boolean;
}>();
const emit = defineEmits<{ planCutting: [] }>();

const { length, said } = useUnits();
const choices = computed(() => props.fit.choices);
const plan = computed(() => props.fit.plan.value);

const modes = computed(() =>
  (['keep', 'new', 'none'] as const)
    .filter((mode) => mode !== 'keep' || props.hasSupport)
    .map((value) => ({ value, title: m.fit.support.modes[value] })),
);
const goals = SUPPORT_GOALS.map(({ id: value, label: title }) => ({ value, title }));
const horizons = HORIZONS_MONTHS.map((value) => ({
  value,
  title: m.verdictPage.months(String(value)),
}));
const kinds = computed(() => [
  ...SUPPORT_KINDS.map(({ id, label }) => ({ value: id as string, title: label })),
]);
const best = computed(() => props.fit.advice.value[0]!);

const across = computed(() => (plan.value ? frontCm(plan.value.section) : null));
</script>

<template>
  <section class="panel support">
    <div class="words stack">
      <div class="row spread">
        <h2>{{ m.fit.support.title }}</h2>
        <v-btn-toggle v-model="choices.supportMode" mandatory :aria-label="m.fit.support.title">
          <v-btn v-for="mode in modes" :key="mode.value" :value="mode.value">{{
            mode.title
          }}</v-btn>
        </v-btn-toggle>
      </div>
      <p v-if="choices.supportMode === 'none'" class="quiet">{{ m.fit.support.none }}</p>
      <template v-else>
        <p v-if="plan" class="lead">
          <strong>{{
            m.fit.support.line(plan.poles, plan.kind.label, length(plan.lengthCm))
          }}</strong>{{ choices.supportMode === 'new' ? ':' : '' }}
          <span v-if="choices.supportMode === 'new'">&nbsp;{{ said(plan.because) }}.</span>
        </p>
        <p v-if="fit.supportFault.value" role="alert" class="text-error">
          {{ m.fit.support.cannot }} {{ said(fit.supportFault.value) }}
        </p>
        <div v-if="choices.supportMode === 'new'" class="fields">
          <v-select v-model="choices.goal" :items="goals" :label="m.fit.support.goal" />
          <NumberField
            v-model="choices.minutesPerWeek"
            :label="m.fit.support.minutes"
            :unit="m.fit.support.minutesUnit"
          />
          <v-select
            v-model="choices.kind"
            :items="kinds"
            :label="m.fit.support.kind"
            :placeholder="m.fit.support.advised(best.kind.label)"
            persistent-placeholder
            clearable
          />
          <QuantityField
            v-model="choices.lengthCm"
            :label="m.fit.support.length"
            of="length"
            :hint="m.fit.support.lengthHint"
          />
          <QuantityField
            v-model="choices.acrossCm"
            :label="m.fit.support.across"
            of="length"
            :hint="across === null ? '' : m.fit.support.acrossHint(length(across))"
          />
          <NumberField
            :model-value="choices.stems"
            :label="m.fit.support.stems"
            @update:model-value="(typed) => (choices.stems = Math.max(1, Math.round(typed ?? 1)))"
          />
        </div>
        <div class="fields">
          <v-select
            v-model="choices.horizonMonths"
            :items="horizons"
            :label="m.fit.support.horizon"
          />
          <v-checkbox v-model="choices.wound" :label="m.fit.support.wound" hide-details />
        </div>

        <SupportFacts v-if="plan" :fit="fit" :plan="plan" :height-cm="heightCm" />

        <GrownSchools
          v-if="fit.grown.value.length > 0"
          :fit="fit"
          @plan-cutting="emit('planCutting')"
        />

        <details v-if="choices.supportMode === 'new'">
          <summary>{{ m.fit.support.kinds }}</summary>
          <ul class="bare kinds">
            <li v-for="row in fit.advice.value" :key="row.kind.id" :class="{ out: !row.possible }">
              <strong>{{ row.kind.label }}</strong>
              <span class="quiet">{{ said(sayAll(row.because, '; ')) }}</span>
              <v-btn
                variant="outlined"
                :disabled="choices.kind === row.kind.id"
                :aria-label="`${m.fit.support.take}: ${row.kind.label}`"
                @click="choices.kind = row.kind.id"
                >{{ m.fit.support.take }}</v-btn
              >
            </li>
          </ul>
          <p class="quiet small">{{ m.fit.support.source }}</p>
        </details>
      </template>
    </div>

    <SupportDrawing
      v-if="plan && choices.supportMode !== 'none'"
      :fit="fit"
      :plan="plan"
      :subject="subject"
      :height-cm="heightCm"
      :headroom-cm="headroomCm"
    />
  </section>
</template>

<style scoped>
.support {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 18px;
}
.words {
  align-content: start;
}
.kinds {
  display: grid;
  gap: 10px;
  margin-top: 6px;
}
.kinds li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: center;
}
.kinds li > .quiet {
  grid-row: 2;
}
.kinds li > .v-btn {
  grid-row: 1 / 3;
  grid-column: 2;
}
.kinds li.out strong {
  text-decoration: line-through;
}
@media (max-width: 800px) {
  .support {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
