<script setup lang="ts">
import { USUAL_FEED_MONTHS, valueFault } from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { write } from '../../api/client.ts';
import { useDates } from '../../composables/useDates.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';

/** Feed that was given to one plant or several: with a watering, or laid in for months. */
const props = defineProps<{ plants: readonly { id: number; name: string }[] }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ saved: [] }>();

const names = computed(() => props.plants.map(({ name }) => name));
const settings = useSettings();
const notices = useNotices();
const { full } = useDates();
const kind = ref<'fedLiquid' | 'fedLastingMonths'>('fedLiquid');
const months = ref<number | null>(USUAL_FEED_MONTHS);
const date = ref('');
const { saving, errors, fault, send } = useSaving();
watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    date.value = settings.current.today;
    fault.value = '';
  },
  { immediate: true },
);
const monthsFault = computed(() => {
  if (kind.value === 'fedLiquid') return '';
  return months.value === null
    ? m.feed.monthsMissing
    : (valueFault(kind.value, months.value) ?? '');
});

async function save(): Promise<void> {
  const missing: Record<string, string> = monthsFault.value ? { value: monthsFault.value } : {};
  await send(missing, async () => {
    const value = kind.value === 'fedLiquid' ? 1 : months.value!;
    const given = { date: date.value, kind: kind.value, value };
    const [plantId, ...others] = props.plants.map(({ id }) => id);
    const { deed } =
      others.length === 0
        ? await write('/measurements', { method: 'POST', body: { plantId, ...given } })
        : await write('/measurements/together', {
            method: 'POST',
            body: { plantIds: [plantId, ...others], ...given },
          });
    open.value = false;
    const said = m.feed.saved(names.value, full(date.value));
    notices.done(said, { deed, back: () => emit('saved') });
    emit('saved');
  });
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="m.feed.title(names)"
    :save="m.app.save"
    :saving="saving"
    :fault="fault"
    :width="460"
    @submit="save"
  >
    <p v-if="m.feed.isMany(names)" class="quiet">{{ names.join(', ') }}</p>
    <v-radio-group v-model="kind" :label="m.feed.what" hide-details>
      <v-radio value="fedLiquid" :label="m.feed.liquid" />
      <v-radio value="fedLastingMonths" :label="m.feed.slow" />
    </v-radio-group>
    <NumberField
      v-if="kind === 'fedLastingMonths'"
      v-model="months"
      :label="m.feed.lasts"
      :unit="m.feed.months"
      :hint="m.feed.byLabel"
      :error="monthsFault || errors.value"
    />
    <v-text-field
      v-model="date"
      type="date"
      :label="m.tray.date"
      :error-messages="errors.date"
      name="date"
    />
    <p class="quiet small">{{ m.feed.caution }}</p>
  </FormDialog>
</template>
