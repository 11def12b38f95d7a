<script setup lang="ts">
import { addDays } from '@fernbank/core';
import { ref } from 'vue';
import { api, write } from '../../api/client.ts';
import type { Overrule, PlantFile } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';

/** The keeper's own word against the verdict: with a reason, until a day. */
const props = defineProps<{ file: PlantFile }>();
const emit = defineEmits<{ changed: [] }>();
const { full } = useDates();
const notices = useNotices();
const settings = useSettings();
const open = ref(false);
const MONTHS_2 = 61;
const { draft, clear } = useDraft(`overrule.${props.file.plant.id}`, () => ({
  instead: 'leave' as Overrule['instead'],
  until: addDays(settings.current.today, MONTHS_2),
  reason: '',
}));
const { saving, errors, fault, send } = useSaving();

async function say(): Promise<void> {
  const missing: Record<string, string> = draft.value.reason.trim()
    ? {}
    : { reason: m.form.required };
  await send(missing, async () => {
    const { deed } = await write('/overrules', {
      method: 'POST',
      body: { plantId: props.file.plant.id, date: settings.current.today, ...draft.value },
    });
    clear();
    open.value = false;
    notices.done(m.overrule.said, { deed, back: () => emit('changed') });
    emit('changed');
  });
}
async function takeBack(overrule: Overrule): Promise<void> {
  try {
    await api(`/overrules/${overrule.id}`, { method: 'DELETE' });
    emit('changed');
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <section class="panel stack no-print">
    <h2>{{ m.overrule.title }}</h2>
    <template v-if="file.overrule">
      <p>
        <strong>{{ m.overrule.instead[file.overrule.instead] }}</strong>
        {{ m.overrule.until(full(file.overrule.until)) }}: {{ file.overrule.reason }}
      </p>
      <p class="quiet">
        {{ m.overrule.advised(m.verdict[file.overrule.advised], full(file.overrule.date)) }}
      </p>
      <div>
        <v-btn variant="outlined" @click="takeBack(file.overrule)">{{ m.overrule.takeBack }}</v-btn>
      </div>
    </template>
    <div v-else-if="!open">
      <v-btn variant="outlined" @click="open = true">{{ m.overrule.open }}</v-btn>
    </div>
    <form v-else class="stack" novalidate @submit.prevent="say">
      <div class="row" role="group" :aria-label="m.overrule.title">
        <v-btn
          v-for="(word, kind) in m.overrule.instead"
          :key="kind"
          :variant="draft.instead === kind ? 'flat' : 'outlined'"
          :color="draft.instead === kind ? 'primary' : undefined"
          :aria-pressed="draft.instead === kind"
          @click="draft.instead = kind"
          >{{ word }}</v-btn
        >
      </div>
      <v-text-field
        v-model="draft.until"
        type="date"
        :label="m.overrule.untilLabel"
        :min="addDays(settings.current.today, 1)"
        :error-messages="errors.until"
      />
      <v-textarea
        v-model="draft.reason"
        :label="m.overrule.reason"
        rows="2"
        auto-grow
        :error-messages="errors.reason"
      />
      <p v-if="fault" role="alert" class="text-error">{{ fault }}</p>
      <div class="row">
        <v-btn type="submit" color="primary" :loading="saving">{{ m.overrule.say }}</v-btn>
        <v-btn variant="text" @click="open = false">{{ m.app.cancel }}</v-btn>
      </div>
    </form>
    <p v-if="file.overrules.length > 0" class="quiet">
      {{ m.overrule.counted(file.overrules.length) }}
    </p>
  </section>
</template>
