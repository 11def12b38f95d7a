<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline, mdiPlus, mdiSpray } from '@mdi/js';
import {
  brimfulL,
  containerClass,
  coverFit,
  holdsWater,
  insideOfMaterial,
  potMaterial,
  rimCm,
} from '@fernbank/core';
import { computed } from 'vue';
import type { FilledPot } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import PotCutaway from '../cutaway/PotCutaway.vue';

/** Pots of the shelf at one scale: what they are, and where each of them is. */
const props = defineProps<{
  pots: FilledPot[];
  inUseBy: (pot: FilledPot) => string[];
  /** cover pots of the shelf, to say which of them a pot goes into */
  covers: FilledPot[];
}>();
defineEmits<{
  edit: [FilledPot];
  remove: [FilledPot];
  more: [FilledPot];
  clean: [FilledPot];
  disinfect: [FilledPot];
}>();

const { us, length, volume } = useUnits();
const { day } = useDates();
const PX_PER_CM = 3.2;
const rows = computed(() =>
  props.pots.map((pot) => {
    const { shape, material, holes, tone, reservoirL, wicks, hangs, drain } = pot;
    const used = pot.count - pot.free - pot.soaking - pot.apart;
    const odd = [
      potMaterial(material).label,
      tone ? m.shelf.tones[tone] : '',
      holes === 0 ? m.shelf.noHoles : holes ? m.shelf.holesOf(holes) : '',
      reservoirL > 0 ? m.shelf.reservoirOf(volume(reservoirL), wicks) : '',
      hangs ? m.shelf.hangsWord : '',
      pot.role === 'cover' && holdsWater(material, holes)
        ? m.shelf.holds(volume(brimfulL(insideOfMaterial(shape, material))))
        : '',
      drain ? m.shelf.drainWord : '',
    ].filter(Boolean);
    return {
      pot,
      used,
      odd: odd.join(', '),
      goesInto: props.covers
        .filter((cover) => pot.role === 'pot' && coverFit(shape, cover.shape, cover.material).fits)
        .map(({ label }) => label)
        .join(', '),
      size: `${length(rimCm(shape))} · ${volume(pot.fillL ?? 0)}`,
      trade: us.value ? containerClass(brimfulL(insideOfMaterial(shape, material))) : null,
      subject: {
        name: pot.label,
        pot: shape,
        material,
        mediumKind: 'peatSoil' as const,
        empty: true,
        holes,
      },
    };
  }),
);
</script>

<template>
  <ul class="tiles narrow shelf">
    <li v-for="row in rows" :key="row.pot.id">
      <PotCutaway :subject="row.subject" :px-per-cm="PX_PER_CM" :crown-cm="0" />
      <strong>{{ row.pot.label }}</strong>
      <span
        >{{ row.size }}<template v-if="row.trade"> · {{ row.trade }}</template></span
      >
      <span class="quiet">{{ row.odd }}</span>
      <span v-if="row.goesInto" class="quiet">{{ m.shelf.goesInto(row.goesInto) }}</span>
      <dl class="counts">
        <div>
          <dt>{{ m.shelf.free }}</dt>
          <dd>{{ row.pot.free }}</dd>
        </div>
        <div>
          <dt>{{ m.shelf.used }}</dt>
          <dd>{{ row.used }}</dd>
        </div>
        <div v-if="row.pot.role === 'pot'">
          <dt>{{ m.shelf.soaking }}</dt>
          <dd>{{ row.pot.soaking }}</dd>
        </div>
        <div v-if="row.pot.apart > 0">
          <dt>{{ m.shelf.apart }}</dt>
          <dd>{{ row.pot.apart }}</dd>
        </div>
      </dl>
      <span v-if="row.pot.soakingSince" class="quiet">{{
        m.shelf.since(day(row.pot.soakingSince))
      }}</span>
      <span v-if="inUseBy(row.pot).length > 0" class="quiet">{{
        m.shelf.withPlants(inUseBy(row.pot).join(', '))
      }}</span>
      <v-btn
        v-if="row.pot.soaking > 0"
        variant="outlined"
        class="clean"
        min-height="48"
        :prepend-icon="mdiSpray"
        :aria-label="`${m.shelf.clean}: ${row.pot.label}`"
        @click="$emit('clean', row.pot)"
        >{{ m.shelf.clean }}</v-btn
      >
      <v-btn
        v-if="row.pot.apart > 0"
        variant="outlined"
        class="clean"
        min-height="48"
        :prepend-icon="mdiSpray"
        :aria-label="`${m.shelf.disinfect}: ${row.pot.label}`"
        @click="$emit('disinfect', row.pot)"
        >{{ m.shelf.disinfect }}</v-btn
      >
      <span class="row acts">
        <v-btn
          :icon="mdiPlus"
          variant="text"
          size="48"
          :aria-label="`${m.shelf.more}: ${row.pot.label}`"
          @click="$emit('more', row.pot)"
        />
        <v-btn
          :icon="mdiPencilOutline"
          variant="text"
          size="48"
          :aria-label="m.shelf.edit(row.pot.label)"
          @click="$emit('edit', row.pot)"
        />
        <v-btn
          :icon="mdiDeleteOutline"
          variant="text"
          size="48"
          :aria-label="`${m.shelf.remove}: ${row.pot.label}`"
          :disabled="row.used > 0"
          @click="$emit('remove', row.pot)"
        />
      </span>
    </li>
  </ul>
</template>

<style scoped>
.shelf li {
  display: flex;
  flex-direction: column;
  gap: 1px;
  padding: 12px;
  border: 1px solid rgb(var(--v-theme-on-surface), 0.14);
  border-radius: 10px;
  background: rgb(var(--v-theme-surface));
}
.shelf li > svg {
  align-self: center;
  margin-bottom: 6px;
}
.counts {
  display: flex;
  gap: 16px;
  margin-top: 4px;
}
.counts dt {
  font-size: 0.85rem;
  color: rgb(var(--v-theme-on-surface), 0.76);
}
.counts dd {
  font-weight: 700;
  font-size: 1.15rem;
}
.acts {
  gap: 0;
  margin-top: auto;
}
.clean {
  align-self: start;
  margin-top: 6px;
}
</style>
