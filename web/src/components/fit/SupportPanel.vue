<script setup lang="ts">
import {
  FRESH_CM,
  frontCm,
  monthsToTop,
  sheetWidthCm,
  SUPPORT_GOALS,
  SUPPORT_KINDS,
  supportFrontCm,
  type GrownSchool,
} from '@fernbank/core';
import { computed } from 'vue';
import { HORIZONS_MONTHS, type Fit } from '../../composables/useFit.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import DragHandle from '../cutaway/DragHandle.vue';
import PotCutaway from '../cutaway/PotCutaway.vue';
import type { CutawaySubject } from '../cutaway/scene.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';

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

const { length, volume, weight, percent, number, said } = useUnits();
const { day } = useDates();
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

const drawn = computed((): CutawaySubject => {
  const at = plan.value;
  if (!at) return props.subject;
  return {
    ...props.subject,
    support: {
      kind: at.kind.id,
      lengthCm: at.lengthCm,
      widthCm: Math.max(0.8, supportFrontCm(at)),
      usableFromCm: at.kind.rooted ? at.usable.fromCm : null,
      tiesCm: at.tiesCm,
      extensionsCm: at.extensions.map(({ aboveCm }) => aboveCm),
    },
  };
});
const surfaceCm = computed(() => {
  const rung = props.fit.rung.value;
  return rung ? rung.option.outside.heightCm - rung.inside.heightCm + rung.fillHeightCm : 0;
});
const topCm = computed(() => {
  const at = plan.value;
  const above = Math.max(props.heightCm, at?.aboveCm ?? 0, at?.extensions.at(-1)?.aboveCm ?? 0);
  return surfaceCm.value + above + 8;
});
const TALL_PX = 430;
const pxPerCm = computed(() => Math.min(4.5, TALL_PX / topCm.value));

/** Lengths the tip can be drawn to: those there are, and every 5 cm between. */
const STEP_CM = 5;
function toLength(lengthCm: number): void {
  const at = plan.value;
  if (!at) return;
  const least = at.depthCm + 10;
  const most = props.headroomCm === null ? 300 : props.headroomCm - (surfaceCm.value - at.depthCm);
  const owned = at.stock?.owned ? [at.stock.lengthCm] : [];
  const stops = [...at.kind.stockCm, ...owned];
  const near = stops.find((stop) => Math.abs(stop - lengthCm) < STEP_CM / 2);
  const wanted = near ?? Math.round(lengthCm / STEP_CM) * STEP_CM;
  choices.value.lengthCm = Math.min(most, Math.max(Math.ceil(least / STEP_CM) * STEP_CM, wanted));
  if (choices.value.supportMode === 'keep') choices.value.supportMode = 'new';
}
const tipMoved = ({ y }: { y: number }) => toLength(-y - (surfaceCm.value - plan.value!.depthCm));
const tipStepped = (by: 1 | -1) => toLength(plan.value!.lengthCm + by * STEP_CM);

/** A school sets the kind: damp for what is still to grow, plain otherwise. */
function takeSchool(school: GrownSchool): void {
  choices.value.school = school;
  choices.value.kind = school === 'fromNow' ? 'mossSheet' : 'stake';
  choices.value.lengthCm = null;
}

const reached = computed(() => {
  const at = plan.value;
  if (!at) return '';
  const free = at.aboveCm - props.heightCm;
  if (free <= 0) return m.fit.support.past(length(-free));
  const { soonest, expected, latest } = at.reaches;
  if (!expected) return m.fit.support.never;
  return m.fit.support.reaches(day(expected), soonest && day(soonest), latest && day(latest));
});
const pace = computed(() => {
  const { rate } = props.fit.climb.value;
  const at = plan.value;
  const free = at ? at.aboveCm - props.heightCm : 0;
  const months = free > 0 ? monthsToTop(free, rate.cmPerMonth) : null;
  return m.fit.support.pace(
    length(rate.cmPerMonth),
    rate.readings,
    months === null ? null : number(months, 1),
  );
});
const across = computed(() => (plan.value ? frontCm(plan.value.section) : null));
const sheet = computed(() => (plan.value?.kind.moss ? sheetWidthCm(plan.value.section) : null));
const ties = computed(() => {
  const at = plan.value;
  if (!at || at.ties === 0) return '';
  return m.fit.support.ties(at.ties, at.tiesCm.map((cm) => length(cm)).join(', '));
});
const stockWord = computed(() => {
  const at = plan.value;
  if (!at) return '';
  if (choices.value.supportMode === 'keep') return m.fit.support.itsOwn;
  if (!at.stock) return m.fit.support.noStock;
  const from = at.stock.owned
    ? m.fit.support.ofOwn(at.stock.label)
    : m.fit.support.toBuy(length(at.stock.lengthCm));
  return at.cutOffCm > 0.5 ? `${from}, ${m.fit.support.cutOff(length(at.cutOffCm))}` : from;
});
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
          }}</strong>
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

        <template v-if="plan">
          <dl class="facts">
            <div>
              <dt>{{ m.fit.support.top }}</dt>
              <dd>{{ reached }}</dd>
            </div>
            <div>
              <dt>{{ m.fit.support.piece }}</dt>
              <dd>{{ stockWord }}</dd>
            </div>
            <div>
              <dt>{{ m.fit.support.depth }}</dt>
              <dd>{{ m.fit.support.depthValue(length(plan.depthCm), length(plan.aboveCm)) }}</dd>
            </div>
            <div v-if="plan.kind.rooted">
              <dt>{{ m.fit.support.usable }}</dt>
              <dd>
                {{
                  m.fit.support.usableValue(
                    percent(plan.usable.share),
                    length(plan.usable.usableCm),
                  )
                }}
              </dd>
            </div>
            <div v-if="plan.kind.moss">
              <dt>{{ m.fit.support.moss }}</dt>
              <dd>
                {{
                  m.fit.support.mossValue(
                    volume(plan.material.mossL * plan.poles),
                    weight((plan.material.mossDryG * plan.poles) / 1000),
                  )
                }}
              </dd>
            </div>
            <div v-if="sheet">
              <dt>{{ m.fit.support.sheet }}</dt>
              <dd>{{ length(sheet) }} × {{ length(plan.lengthCm) }}</dd>
            </div>
            <div v-if="plan.damp">
              <dt>{{ m.fit.support.damp }}</dt>
              <dd>
                {{
                  m.fit.support.dampValue(
                    volume(plan.damp.perWeekL * plan.poles),
                    String(Math.max(1, Math.round(plan.damp.days))),
                    number(plan.damp.minutesPerWeek * plan.poles, 0),
                  )
                }}
              </dd>
            </div>
            <div>
              <dt>{{ m.fit.support.weighs }}</dt>
              <dd>
                {{
                  m.fit.support.weighsValue(
                    weight(plan.material.dryKg * plan.poles),
                    weight(plan.material.wetKg * plan.poles),
                  )
                }}
              </dd>
            </div>
          </dl>
          <p class="quiet small">{{ pace }}</p>
          <ul class="plain">
            <li>{{ said(plan.fixing) }}.</li>
            <li v-if="ties">{{ ties }}</li>
            <li v-if="plan.poles > 1 || choices.stems > 1">
              {{ m.fit.support.arrange(choices.stems, plan.poles, plan.stemsEach) }}
            </li>
            <li v-for="extension in plan.extensions" :key="extension.aboveCm">
              {{
                m.fit.support.extend(
                  length(extension.addsCm),
                  length(extension.aboveCm),
                  extension.on && day(extension.on),
                  extension.stock?.label ?? null,
                )
              }}
            </li>
          </ul>
        </template>

        <div v-if="fit.grown.value.length > 0" class="grown">
          <h3>{{ m.fit.support.grown }}</h3>
          <p class="quiet small">{{ m.fit.support.grownWhy(length(FRESH_CM)) }}</p>
          <ul class="bare schools">
            <li v-for="outcome in fit.grown.value" :key="outcome.school">
              <strong>{{ outcome.label }}</strong>
              <span
                class="bar"
                role="img"
                :aria-label="m.fit.support.usableOf(percent(outcome.usable.share))"
              >
                <span :style="{ width: `${100 * outcome.usable.share}%` }"></span>
              </span>
              <span class="num">{{ m.fit.support.usableOf(percent(outcome.usable.share)) }}</span>
              <v-btn
                variant="outlined"
                :aria-pressed="choices.school === outcome.school"
                :aria-label="`${m.fit.support.takeSchool}: ${outcome.label}`"
                @click="takeSchool(outcome.school)"
                >{{
                  choices.school === outcome.school ? `✓ ${m.fit.chosen}` : m.fit.support.takeSchool
                }}</v-btn
              >
              <span>
                {{ said(outcome.gives) }};
                {{ m.fit.support.minutesAWeek(number(outcome.minutesPerWeek, 0))
                }}<template v-if="outcome.usedUp"
                  >; {{ m.fit.support.usedUp(day(outcome.usedUp)) }}</template
                ><template v-if="outcome.caughtUp"
                  >; {{ m.fit.support.caughtUp(day(outcome.caughtUp)) }}</template
                >
              </span>
            </li>
          </ul>
          <p v-if="choices.school === 'restart'" class="row">
            <span>{{ m.fit.support.cuttingToo }}</span>
            <v-btn variant="outlined" @click="emit('planCutting')">{{ m.tray.planCutting }}</v-btn>
          </p>
        </div>

        <details v-if="choices.supportMode === 'new'">
          <summary>{{ m.fit.support.kinds }}</summary>
          <ul class="bare kinds">
            <li v-for="row in fit.advice.value" :key="row.kind.id" :class="{ out: !row.possible }">
              <strong>{{ row.kind.label }}</strong>
              <span class="quiet">{{ said(row.because.join('; ')) }}</span>
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

    <figure v-if="plan && choices.supportMode !== 'none'" class="whole">
      <PotCutaway :subject="drawn" grips :px-per-cm="pxPerCm" :crown-cm="Infinity" ruler>
        <template #default="{ scene }">
          <DragHandle
            v-if="scene.pole"
            :x="scene.pole.x + scene.pole.width / 2"
            :y="scene.pole.y"
            axis="y"
            :size-cm="34 / pxPerCm"
            :label="m.fit.support.handle"
            :text="length(plan.lengthCm)"
            :min="plan.depthCm + 10"
            :max="300"
            :now="plan.lengthCm"
            @move="tipMoved"
            @step="tipStepped"
          />
        </template>
      </PotCutaway>
      <figcaption v-if="plan.kind.rooted" class="small">{{ m.fit.support.legend }}</figcaption>
    </figure>
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
.facts dt {
  color: rgb(var(--v-theme-on-surface), 0.76);
  font-size: 0.88rem;
}
.facts dd {
  font-weight: 700;
}
.whole {
  align-self: start;
  text-align: center;
  max-width: 240px;
}
.schools,
.kinds {
  display: grid;
  gap: 10px;
  margin-top: 6px;
}
.schools li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 120px auto auto;
  gap: 2px 12px;
  align-items: center;
}
.schools li > span:last-child {
  grid-column: 1 / -1;
}
.bar {
  height: 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.5);
  border-radius: 3px;
  overflow: hidden;
}
.bar > span {
  display: block;
  height: 100%;
  background: #7d9446;
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
  .whole {
    justify-self: center;
    order: -1;
    max-width: 100%;
  }
  .schools li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .schools .bar {
    display: none;
  }
}
</style>
