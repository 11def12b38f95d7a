<script setup lang="ts">
import {
  preparationWords,
  WORK_KINDS,
  WORK_KIND_IDS,
  type LaidBatch,
  type Stretch,
} from '@fernbank/core';
import { computed } from 'vue';
import BatchSheet from '../../components/day/BatchSheet.vue';
import DayPage from '../../components/day/DayPage.vue';
import { useDates } from '../../composables/useDates.ts';
import { useDayPlan } from '../../composables/useDayPlan.ts';
import { useDayWords } from '../../composables/useDayWords.ts';
import { m } from '../../messages/index.ts';

/** The order of work on a time line, the batches in scoops, and where the minutes come from. */
const { store, laid } = useDayPlan();
const { potWords } = useDayWords();
const { full, day } = useDates();
const MINUTES_A_TICK = 30;

const names = computed(() => new Map(laid.value?.lines.map(({ plant, name }) => [plant, name])));
const lines = computed(() => new Map(laid.value?.lines.map((line) => [line.plant, line])));
const mixes = computed(() => new Map(laid.value?.batches.map((batch) => [batch.mix, batch])));
function words({ kind, plant, mix }: Stretch): string {
  if (kind === 'plant') return names.value.get(plant!) ?? '';
  const batch = mixes.value.get(mix ?? '');
  if (kind === 'mix') return batch ? m.day.mixNow(batch) : '';
  if (kind === 'soakPlant') return `${names.value.get(plant!)}: ${m.day.stretch.soakPlant}`;
  return m.day.stretch[kind];
}
const days = computed(() =>
  (laid.value?.schedules ?? [])
    .filter(({ stretches }) => stretches.length > 0)
    .map(({ date, stretches, lasts, idle }) => {
      const minutes = laid.value!.dates[date]!.minutes;
      const whole = Math.max(lasts, minutes);
      const lanes = [
        ...Array.from({ length: laid.value!.hands }, (_, hands) => ({
          label: laid.value!.hands > 1 ? m.day.handsNo(hands + 1) : '',
          stretches: stretches.filter(
            (one) => one.kind !== 'soakPlant' && (one.hands === null || one.hands === hands),
          ),
        })),
        ...stretches
          .filter(({ kind }) => kind === 'soakPlant')
          .map((one) => ({ label: '', stretches: [one] })),
      ];
      return {
        date,
        title: full(laid.value!.dates[date]!.date),
        told: m.day.lasts(lasts, minutes),
        idle,
        lanes: lanes.map(({ label, stretches: own }) => ({
          label,
          blocks: own.map((one) => ({
            key: `${one.kind}${one.from}${one.plant ?? ''}`,
            left: (100 * one.from) / whole,
            width: (100 * (one.to - one.from)) / whole,
            kind: one.kind,
            doubtful: one.plant !== undefined && lines.value.get(one.plant)!.tidiness !== 'clean',
            text: words(one),
          })),
        })),
        ticks: Array.from({ length: Math.floor(whole / MINUTES_A_TICK) + 1 }, (_, i) => ({
          at: (100 * i * MINUTES_A_TICK) / whole,
          text: m.day.clock(i * MINUTES_A_TICK),
        })),
        list: stretches
          .filter(({ kind }) => kind !== 'soakPlant')
          .map((one) => ({
            key: `${one.kind}${one.from}${one.hands}`,
            clock: m.day.clock(one.from),
            minutes: m.day.takes(one.to - one.from),
            text: words(one),
            hands: laid.value!.hands > 1 && one.hands !== null ? m.day.handsNo(one.hands + 1) : '',
            line: one.plant === undefined ? null : lines.value.get(one.plant)!,
          })),
      };
    }),
);
const batchesOf = (date: number): LaidBatch[] =>
  (laid.value?.batches ?? []).filter((batch) => batch.date === date);
</script>

<template>
  <DayPage :title="m.day.orderTitle" prints>
    <template v-if="laid">
      <section v-if="laid.ahead.length > 0" class="panel">
        <h2>{{ m.day.ahead }}</h2>
        <ul class="plain">
          <li
            v-for="one in laid.ahead"
            :key="`${one.date}${one.component}${one.does}`"
            class="sentence"
          >
            {{
              laid.dates.length > 1
                ? m.day.aheadOn(preparationWords(one), day(laid.dates[one.date]!.date))
                : preparationWords(one)
            }}
          </li>
        </ul>
      </section>
      <section v-for="one in days" :key="one.date" class="panel stack">
        <h2>
          {{ one.title }} <span class="quiet small">{{ one.told }}</span>
          <span v-if="one.idle >= 1" class="quiet small"> · {{ m.day.idle(one.idle) }}</span>
        </h2>
        <div class="line" aria-hidden="true">
          <div v-for="(lane, i) in one.lanes" :key="i" class="lane">
            <span
              v-for="block in lane.blocks"
              :key="block.key"
              :class="['block', block.kind, { doubtful: block.doubtful }]"
              :style="{ left: `${block.left}%`, width: `${block.width}%` }"
              :title="block.text"
              >{{ block.width > 5 ? block.text : '' }}</span
            >
          </div>
          <div class="ticks">
            <span v-for="tick in one.ticks" :key="tick.at" :style="{ left: `${tick.at}%` }">{{
              tick.text
            }}</span>
          </div>
        </div>
        <table class="figures">
          <thead>
            <tr>
              <th>{{ m.day.clockWord }}</th>
              <th>{{ m.day.whatWord }}</th>
              <th class="num">{{ m.day.minutesWord }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="step in one.list" :key="step.key">
              <td>{{ step.clock }}</td>
              <td>
                <strong v-if="step.line">{{ step.text }}</strong>
                <template v-else>{{ step.text }}</template>
                <span v-if="step.line" class="quiet">
                  → {{ potWords(step.line.pot) }}, {{ mixes.get(step.line.mix)?.label }}</span
                >
                <span v-if="step.line && step.line.tidiness !== 'clean'" class="mark">{{
                  m.day.tidiness[step.line.tidiness]
                }}</span>
                <span v-if="step.hands" class="quiet small"> {{ step.hands }}</span>
              </td>
              <td class="num">{{ step.minutes }}</td>
            </tr>
          </tbody>
        </table>
        <h3>{{ m.day.batchesTitle }}</h3>
        <div class="tiles">
          <BatchSheet v-for="batch in batchesOf(one.date)" :key="batch.mix" :batch="batch" />
        </div>
      </section>
      <details v-if="store.pace" class="panel no-print">
        <summary>{{ m.day.paceTitle }}</summary>
        <p>{{ m.day.paceIntro }}</p>
        <ul class="plain">
          <li v-for="kind in WORK_KIND_IDS" :key="kind">
            {{
              m.day.paceRow(
                WORK_KINDS[kind],
                Math.round(100 * store.pace[kind].factor),
                store.pace[kind].from,
              )
            }}
          </li>
        </ul>
      </details>
    </template>
  </DayPage>
</template>

<style scoped>
.line {
  display: grid;
  gap: 3px;
}
.lane {
  position: relative;
  height: 34px;
}
.block {
  position: absolute;
  top: 0;
  bottom: 0;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  font-size: 0.8rem;
  line-height: 32px;
  padding: 0 5px;
  border: 1px solid rgb(var(--v-theme-surface));
  border-radius: 5px;
  background: rgb(var(--v-theme-on-surface), 0.14);
}
.block.plant {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}
.block.plant.doubtful {
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  border: 2px solid rgb(var(--v-theme-error));
}
.block.mix {
  background: rgb(var(--v-theme-secondary));
  color: rgb(var(--v-theme-on-secondary));
}
.block.soakPlant {
  background: rgb(var(--v-theme-water), 0.3);
}
.block.rest {
  background: none;
  border: 1px dashed rgb(var(--v-theme-on-surface), 0.4);
}
.ticks {
  position: relative;
  height: 20px;
  font-size: 0.8rem;
}
.ticks span {
  position: absolute;
  border-left: 1px solid rgb(var(--v-theme-on-surface), 0.4);
  padding-left: 3px;
}
.mark {
  margin-left: 8px;
  border: 1px solid rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-error));
  border-radius: 5px;
  padding: 0 6px;
  font-size: 0.85rem;
}
@media (max-width: 700px) {
  .line {
    display: none;
  }
}
</style>
