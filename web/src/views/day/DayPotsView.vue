<script setup lang="ts">
import { mdiArrowRight } from '@mdi/js';
import {
  CLEANINGS,
  rimCm,
  type LaidChain,
  type PotMaterialId,
  type PotShape,
  type Saying,
} from '@fernbank/core';
import { computed } from 'vue';
import PotCutaway from '../../components/cutaway/PotCutaway.vue';
import DayPage from '../../components/day/DayPage.vue';
import { useDates } from '../../composables/useDates.ts';
import { useDayPlan } from '../../composables/useDayPlan.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** Pots from plant to plant: chains of cutaways at one scale, what ends free, what is to buy. */
const { current, laid } = useDayPlan();
const { said, length } = useUnits();
const { day } = useDates();
const PX_PER_CM = 3.4;

interface Standing {
  label: Saying;
  shape: PotShape;
  material: PotMaterialId;
}
interface Row {
  key: string;
  links: { pot: Standing; name: string; plant: number; note: string; date: string }[];
  first: string;
  end: { pot: Standing; text: string } | null;
}
const rows = computed((): Row[] =>
  (laid.value?.chains ?? []).map(({ first, links }: LaidChain): Row => {
    const last = links[links.length - 1]!;
    const apart = last.tidiness === 'quarantine';
    return {
      key: `${first.id}-${links[0]!.plant}`,
      first: m.day.chainFrom[first.source],
      links: links.map(({ into, name, plant, date, leaves, tidiness }) => ({
        pot: into,
        name,
        plant,
        date: laid.value!.dates[date]!.date,
        note:
          leaves === null
            ? ''
            : m.day.chainSoak[tidiness === 'clean' ? current.value!.cleaning : 'soak'],
      })),
      end: last.leaves && {
        pot: last.leaves,
        text: apart ? m.day.chainApart : m.day.chainFree,
      },
    };
  }),
);
const counts = computed(() => {
  const lines = laid.value?.lines ?? [];
  return {
    buy: lines.filter(({ pot }) => pot.source === 'toBuy').length,
    down: lines.filter(({ pot }) => pot.source === 'left').length,
    free: rows.value.filter(({ end }) => end !== null).length,
  };
});
const severalDates = computed(() => (laid.value?.dates.length ?? 0) > 1);
const subject = (pot: Standing, name: string, planted: boolean) => ({
  name,
  pot: pot.shape,
  material: pot.material,
  mediumKind: 'peatSoil' as const,
  ...(planted ? { explored: 0.4, plantHeightCm: 0.8 * rimCm(pot.shape) } : { empty: true }),
});
</script>

<template>
  <DayPage :title="m.day.chainsTitle">
    <template v-if="laid">
      <section class="panel stack">
        <p class="answer">
          <strong>{{ m.day.handedDown(counts.down) }}</strong> ·
          <strong>{{ m.day.buyFew(counts.buy) }}</strong> ·
          <strong>{{ m.day.endFree(counts.free) }}</strong>
        </p>
        <p class="quiet">{{ m.day.chainsIntro }} {{ CLEANINGS[current!.cleaning].does }}</p>
      </section>
      <div class="chains">
        <section v-for="row in rows" :key="row.key" class="panel">
          <ol class="bare chain">
            <li v-for="(link, i) in row.links" :key="link.plant">
              <span class="quiet small top">{{ i === 0 ? row.first : '' }}</span>
              <PotCutaway
                :subject="subject(link.pot, link.name, true)"
                :px-per-cm="PX_PER_CM"
                :crown-cm="14"
              />
              <strong>{{ link.name }}</strong>
              <span v-if="said(link.pot.label) !== length(rimCm(link.pot.shape))" class="small">{{
                said(link.pot.label)
              }}</span>
              <span class="quiet small"
                >{{ length(rimCm(link.pot.shape))
                }}<template v-if="severalDates"> · {{ day(link.date) }}</template></span
              >
              <span v-if="link.note" class="after small">
                <v-icon :icon="mdiArrowRight" size="20" aria-hidden="true" />
                {{ m.day.leaves
                }}<template v-if="i < row.links.length - 1">, {{ link.note }}</template>
              </span>
            </li>
            <li v-if="row.end" class="end">
              <span class="small top">{{ row.end.text }}</span>
              <PotCutaway
                :subject="subject(row.end.pot, row.end.text, false)"
                :px-per-cm="PX_PER_CM"
                :crown-cm="0"
              />
              <span class="small">{{ said(row.end.pot.label) }}</span>
              <span class="quiet small">{{ length(rimCm(row.end.pot.shape)) }}</span>
            </li>
          </ol>
        </section>
      </div>
    </template>
  </DayPage>
</template>

<style scoped>
.answer {
  font-size: 1.15rem;
}
.chains {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: stretch;
}
.chains > section {
  flex: 0 1 auto;
}
.chain {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 26px;
  align-items: flex-end;
}
.chain li {
  display: grid;
  justify-items: center;
  text-align: center;
  min-width: 110px;
}
.top {
  min-height: 1.4em;
}
.after {
  display: flex;
  align-items: center;
  gap: 4px;
  color: rgb(var(--v-theme-primary));
}
.end {
  opacity: 0.92;
  border-left: 2px dashed rgb(var(--v-theme-on-surface), 0.3);
  padding-left: 22px;
}
</style>
