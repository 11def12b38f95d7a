<script setup lang="ts">
import { LARGEST_POT_CM, POT_TONES, rimCm, SMALLEST_POT_CM, type PotTone } from '@fernbank/core';
import { computed, watch } from 'vue';
import { write } from '../../api/client.ts';
import type { ShelfPot } from '../../api/types.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';
import { emptyPot, entryOf, potErrors, potFromEntry } from '../plant/potEntry.ts';
import PotFields from '../plant/PotFields.vue';

/** One kind of pot or cover pot: its measures, what is odd about it, and how many there are. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ pot: ShelfPot | null; role: ShelfPot['role'] }>();
const emit = defineEmits<{ saved: [deed: number | null] }>();

const { length } = useUnits();
const blank = () => ({
  label: '',
  pot: emptyPot(),
  count: 1 as number | null,
  free: null as number | null,
  soaking: 0 as number | null,
  emptyKg: null as number | null,
  holes: null as number | null,
  tone: null as PotTone | null,
  reservoirL: null as number | null,
  wicks: null as number | null,
  hangs: false,
  drain: false,
});
const { draft, clear } = useDraft(`shelf.${props.role}`, blank);
const { saving, errors, fault, clearFaults, send } = useSaving();
watch(
  () => [open.value, props.pot] as const,
  ([isOpen, pot]) => {
    clearFaults();
    if (isOpen && pot) draft.value = formOf(pot);
    else if (!isOpen && props.pot) clear();
  },
);
function formOf(pot: ShelfPot): ReturnType<typeof blank> {
  const { label, shape, material, count, free, soaking, emptyKg, holes, tone, hangs, drain } = pot;
  return {
    label,
    pot: entryOf(shape, material),
    count,
    free,
    soaking,
    emptyKg,
    holes,
    tone,
    reservoirL: pot.reservoirL || null,
    wicks: pot.wicks || null,
    hangs,
    drain,
  };
}
const inUse = computed(() =>
  props.pot ? props.pot.count - props.pot.free - props.pot.soaking - props.pot.apart : 0,
);
async function save(): Promise<void> {
  const { pot, label, count, free, soaking, ...rest } = draft.value;
  const range = `${length(SMALLEST_POT_CM)} – ${length(LARGEST_POT_CM)}`;
  const missing = potErrors(
    pot,
    { required: m.form.required, range },
    SMALLEST_POT_CM,
    LARGEST_POT_CM,
  );
  if (count === null) missing.count = m.form.required;
  await send(missing, async () => {
    const shape = potFromEntry(pot)!;
    const { deed } = await write(props.pot ? `/pots/${props.pot.id}` : '/pots', {
      method: props.pot ? 'PATCH' : 'POST',
      body: {
        ...rest,
        reservoirL: rest.reservoirL ?? 0,
        wicks: rest.wicks ?? 0,
        role: props.role,
        label: label.trim() || length(rimCm(shape)),
        shape,
        material: pot.material,
        count,
        soaking: soaking ?? 0,
        free: props.pot ? (free ?? 0) : Math.max(0, count! - (soaking ?? 0)),
      },
      ...(props.pot ? { rev: props.pot.rev } : {}),
    });
    clear();
    open.value = false;
    emit('saved', deed);
  });
}
const tones = POT_TONES.map(({ id: value, label: title }) => ({ value, title }));
const title = computed(() => {
  if (props.pot) return m.shelf.edit(props.pot.label);
  return props.role === 'cover' ? m.shelf.addCover : m.shelf.add;
});
</script>

<template>
  <FormDialog
    v-model="open"
    :title="title"
    :save="pot ? m.app.save : title"
    :saving="saving"
    :fault="fault"
    @submit="save"
  >
    <div class="fields">
      <NumberField v-model="draft.count" :label="m.shelf.count" :error="errors.count" />
      <v-text-field
        v-model="draft.label"
        :label="`${m.shelf.label} (${m.app.optional})`"
        :error-messages="errors.label"
      />
    </div>
    <PotFields v-model="draft.pot" :errors="errors" />
    <div v-if="pot" class="fields">
      <NumberField
        v-model="draft.free"
        :label="m.shelf.freeCount"
        :hint="inUse > 0 ? m.shelf.inUse(inUse) : ''"
        :error="errors.free"
      />
      <NumberField v-model="draft.soaking" :label="m.shelf.soakingCount" :error="errors.soaking" />
    </div>
    <div class="fields">
      <QuantityField
        v-model="draft.emptyKg"
        :label="`${m.shelf.emptyKg} (${m.app.optional})`"
        of="weight"
        :error="errors.emptyKg"
      />
      <v-select
        v-model="draft.tone"
        :items="tones"
        :label="`${m.shelf.tone} (${m.app.optional})`"
        clearable
      />
      <NumberField
        v-model="draft.holes"
        :label="`${m.shelf.holes} (${m.app.optional})`"
        :hint="m.shelf.holesHint"
        :error="errors.holes"
      />
      <v-checkbox v-if="role === 'cover'" v-model="draft.drain" :label="m.shelf.drain" />
      <template v-else>
        <QuantityField
          v-model="draft.reservoirL"
          :label="`${m.shelf.reservoir} (${m.app.optional})`"
          of="volume"
          :error="errors.reservoirL"
        />
        <NumberField
          v-model="draft.wicks"
          :label="`${m.shelf.wicks} (${m.app.optional})`"
          :error="errors.wicks"
        />
        <v-checkbox v-model="draft.hangs" :label="m.shelf.hangs" />
      </template>
    </div>
  </FormDialog>
</template>
