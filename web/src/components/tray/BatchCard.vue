<script setup lang="ts">
import { TRAY_MEDIA, TRAY_METHODS } from '@fernbank/core';
import { computed } from 'vue';
import { write } from '../../api/client.ts';
import type { BatchLook, SpotRow, TrayBatch } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import { useRemoval } from '../../composables/useRemoval.ts';
import { useUndo } from '../../stores/undo.ts';

/** One batch: how it stands, what it asks for, its looks. */
const props = defineProps<{ batch: TrayBatch; spots: readonly SpotRow[] }>();
const emit = defineEmits<{ look: []; potOn: []; edit: []; changed: [] }>();
const { day } = useDates();
const { length, said } = useUnits();
const notices = useNotices();
const settings = useSettings();

const spot = computed(() => props.spots.find(({ id }) => id === props.batch.spotId)?.name ?? '');
const line = computed(() => {
  const { count, method, medium, date, planned } = props.batch;
  const what = m.tray.line(count, TRAY_METHODS[method].label, TRAY_MEDIA[medium].label);
  return planned ? what : m.tray.since(what, day(date));
});
const lookLine = ({ rooted, rootCm, roots, lost }: BatchLook) =>
  m.tray.lookLine(
    rooted,
    rootCm === null ? '' : length(rootCm),
    roots === null ? '' : `${roots} ${m.tray.roots.toLowerCase()}`,
    lost,
  );
/** Until then its cut lies dry. */
const callusing = computed(() => {
  const { callusUntil } = props.batch;
  return callusUntil && callusUntil > settings.current.today ? m.tray.callus(day(callusUntil)) : '';
});
const asksNow = computed(() => ['ready', 'late'].includes(props.batch.advice.when));

const changed = () => emit('changed');
async function cutNow(): Promise<void> {
  try {
    const { deed } = await write(`/batches/${props.batch.id}`, {
      method: 'PATCH',
      body: { planned: false, date: settings.current.today },
    });
    notices.done(m.tray.started, { deed, back: changed });
    changed();
  } catch (error) {
    notices.fault(error);
  }
}
const undo = useUndo();
/** Only the newest: those before it are what it was counted from. */
async function takeLookBack({ deed }: BatchLook): Promise<void> {
  try {
    const done = await undo.takeBack(`/history/${deed}/undo`);
    if (!done) return;
    notices.done(m.tray.lookTaken, { deed: done.deed, back: changed });
    changed();
  } catch (error) {
    notices.fault(error);
  }
}
const removal = useRemoval();
const remove = () =>
  removal({
    path: `/batches/${props.batch.id}`,
    rev: props.batch.rev,
    said: m.tray.removed,
    then: changed,
    back: changed,
  });
</script>

<template>
  <section class="panel stack">
    <header class="row spread">
      <h2>{{ batch.name }}</h2>
      <span :class="['when', batch.planned ? 'wait' : batch.advice.when]">{{
        batch.planned ? m.tray.plannedFor(day(batch.date)) : m.tray.when[batch.advice.when]
      }}</span>
    </header>
    <p>
      {{ line }} <span class="quiet">· {{ spot }}</span>
    </p>
    <template v-if="!batch.planned">
      <p>
        <strong>{{ m.tray.standing(batch.living, batch.lost, batch.pottedOn) }}</strong>
      </p>
      <p class="sentence">
        <template v-if="callusing">{{ callusing }}</template>
        {{ said(batch.advice.why) }}.
        <template v-if="batch.living > 0 && !asksNow">
          <template v-if="batch.lookOn">{{ m.tray.lookOn(day(batch.lookOn)) }}</template>
          {{ m.tray.expected(day(batch.expectedOn)) }}
        </template>
      </p>
      <p v-if="asksNow">
        {{ said(m.tray.firstPot({ cm: batch.first.rimCm }, batch.first.why)) }}
      </p>
    </template>
    <div class="row">
      <v-btn v-if="batch.planned" color="primary" min-height="52" @click="cutNow">{{
        m.tray.cutNow
      }}</v-btn>
      <template v-else-if="batch.living > 0">
        <v-btn
          :color="asksNow ? 'primary' : undefined"
          :variant="asksNow ? 'flat' : 'outlined'"
          min-height="52"
          @click="emit('potOn')"
          >{{ m.tray.potOn }}</v-btn
        >
        <v-btn
          :color="asksNow ? undefined : 'primary'"
          :variant="asksNow ? 'outlined' : 'flat'"
          min-height="52"
          @click="emit('look')"
          >{{ m.tray.look }}</v-btn
        >
      </template>
      <v-btn variant="text" min-height="52" @click="emit('edit')">{{ m.app.edit }}</v-btn>
      <v-btn v-if="batch.pottedOn === 0" variant="text" min-height="52" @click="remove">{{
        m.tray.remove
      }}</v-btn>
    </div>
    <details v-if="batch.looks.length > 0">
      <summary>{{ m.tray.looks }} ({{ batch.looks.length }})</summary>
      <ul class="plain">
        <li v-for="(look, i) in batch.looks" :key="look.id">
          <span class="quiet">{{ day(look.date) }}</span> {{ lookLine(look) }} {{ look.note }}
          <v-btn v-if="i === 0" variant="text" @click="takeLookBack(look)">{{
            m.tray.lookBack
          }}</v-btn>
        </li>
      </ul>
    </details>
    <p v-if="batch.children.length > 0">
      {{ m.tray.children }}:
      <template v-for="(child, i) in batch.children" :key="child.id">
        <template v-if="i > 0">, </template>
        <router-link :to="`/plants/${child.id}`">{{ child.name }}</router-link>
      </template>
    </p>
    <p v-if="batch.note" class="quiet">{{ batch.note }}</p>
  </section>
</template>

<style scoped>
.when {
  font-weight: 700;
}
.when.ready {
  color: rgb(var(--v-theme-primary));
}
.when.late {
  color: rgb(var(--v-theme-error));
}
.when.wait,
.when.lost {
  font-weight: 400;
  color: rgb(var(--v-theme-on-surface), 0.76);
}
.plain {
  list-style: none;
  padding: 6px 0 0;
}
</style>
