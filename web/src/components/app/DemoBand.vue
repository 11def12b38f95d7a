<script setup lang="ts">
import { addDays } from '@fernbank/core';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { useDisplay } from 'vuetify';
import { api, wordsFor } from '../../api/client.ts';
import FormDialog from '../FormDialog.vue';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** That this garden is made up, and the hands of its clock. */
const settings = useSettings();
const notices = useNotices();
const { smAndDown } = useDisplay();
const { day, full } = useDates();
const route = useRoute();
// What was done on the page before may have moved what comes next.
const { value: clock } = useLoaded(() => api('/demo'), [() => route.path]);

/** Tomorrow is a day on as it is. */
const next = computed(() => {
  const date = clock.value?.next;
  return date && date > addDays(settings.current.today, 1) ? date : null;
});
const going = ref(false);
async function goOn(to: 'day' | 'week' | 'next'): Promise<void> {
  going.value = true;
  try {
    const { day: now } = await api('/demo/on', { method: 'POST', body: { to } });
    await settings.load();
    notices.done(m.demo.now(full(now)));
  } catch (error) {
    notices.fault(error);
  } finally {
    going.value = false;
  }
}

const asked = ref(false);
const fault = ref('');
async function beginAnew(): Promise<void> {
  going.value = true;
  fault.value = '';
  try {
    await api('/demo/anew', { method: 'POST' });
    // Every page, draft and answer was of another garden.
    window.location.assign('/rounds');
  } catch (error) {
    fault.value = wordsFor(error);
    going.value = false;
  }
}
</script>

<template>
  <aside class="band no-print" :aria-label="m.demo.band">
    <p v-if="smAndDown">{{ m.demo.brief(day(settings.current.today)) }}</p>
    <p v-else>{{ m.demo.band }} {{ m.demo.day(full(settings.current.today)) }}</p>
    <v-menu v-if="smAndDown">
      <template #activator="{ props: opens }">
        <v-btn v-bind="opens" variant="outlined" size="small" :loading="going">{{
          m.demo.goOn
        }}</v-btn>
      </template>
      <v-list>
        <v-list-item :title="m.demo.on.day" @click="goOn('day')" />
        <v-list-item :title="m.demo.on.week" @click="goOn('week')" />
        <v-list-item
          v-if="next"
          :title="m.demo.on.next(day(next))"
          :subtitle="m.demo.nextWhy"
          @click="goOn('next')"
        />
        <v-list-item :title="m.demo.anew" @click="asked = true" />
      </v-list>
    </v-menu>
    <div v-else class="row hands">
      <v-btn variant="tonal" size="small" min-height="36" :disabled="going" @click="goOn('day')">{{
        m.demo.on.day
      }}</v-btn>
      <v-btn variant="tonal" size="small" min-height="36" :disabled="going" @click="goOn('week')">{{
        m.demo.on.week
      }}</v-btn>
      <v-btn
        v-if="next"
        variant="tonal"
        size="small"
        min-height="36"
        :disabled="going"
        :title="m.demo.nextWhy"
        @click="goOn('next')"
        >{{ m.demo.on.next(day(next)) }}</v-btn
      >
      <v-btn variant="tonal" size="small" min-height="36" :disabled="going" @click="asked = true">{{
        m.demo.anew
      }}</v-btn>
    </div>
    <FormDialog
      v-model="asked"
      :title="m.demo.anewTitle"
      :save="m.demo.anew"
      :saving="going"
      :fault="fault"
      :width="460"
      @submit="beginAnew"
    >
      <p v-if="clock">{{ m.demo.anewWhy(full(clock.begins)) }}</p>
    </FormDialog>
  </aside>
</template>

<style scoped>
.band {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 4px 24px;
  background: rgb(var(--v-theme-secondary), 0.14);
  font-size: 0.9rem;
}
.hands {
  gap: 6px;
}
@media (max-width: 960px) {
  .band {
    padding: 2px 12px;
  }
}
</style>
