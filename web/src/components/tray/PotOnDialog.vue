<script setup lang="ts">
import {
  CAUTIONS,
  measureOut,
  nominalPot,
  partsOf,
  potOnSteps,
  resolveTaxon,
  rimCm,
  sayAll,
  STANDARD_RIMS_CM,
  taxonOfGroup,
  type Caution,
  schoolsIn,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { write } from '../../api/client.ts';
import type { ShelfPot, SpotRow, TrayBatch } from '../../api/types.ts';
import { kindOfRecipe } from '../../composables/figureWords.ts';
import { useBuying } from '../../composables/useBuying.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { useSaving } from '../../composables/useSaving.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';
import FormDialog from '../FormDialog.vue';
import MeasuresTable from '../mix/MeasuresTable.vue';
import NumberField from '../NumberField.vue';

/** Starts go into pots of their own: pot, mix and steps, then plants of the collection. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  batch: TrayBatch;
  pots: readonly ShelfPot[];
  spots: readonly SpotRow[];
}>();
const emit = defineEmits<{ saved: [] }>();
const { pantry } = usePantry();
const notices = useNotices();
const settings = useSettings();
const { toBuy } = useBuying();
const { length, volume, said } = useUnits();

const count = ref<number | null>(1);
const together = ref(false);
/** `rim-<cm>` for one to buy, `shelf-<id>` for one of the keeper's own */
const potKey = ref('');
const recipeId = ref('');
const spotId = ref<number | null>(null);
const date = ref('');
const { saving, errors, fault, clearFaults, send } = useSaving();

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    const { batch } = props;
    count.value = batch.looks[0]?.rooted || batch.living;
    together.value = false;
    recipeId.value = batch.first.recipe;
    potKey.value = `rim-${batch.first.rimCm}`;
    spotId.value = batch.spotId;
    date.value = settings.current.today;
    clearFaults();
  },
  { immediate: true },
);
const LARGEST_FIRST_CM = 19;
const shelf = computed(() =>
  props.pots.filter(
    ({ role, free, shape }) => role === 'pot' && free > 0 && rimCm(shape) <= LARGEST_FIRST_CM,
  ),
);
const potChoices = computed(() => [
  ...[
    ...new Set([
      ...STANDARD_RIMS_CM.filter((rim) => rim <= LARGEST_FIRST_CM),
      props.batch.first.rimCm,
    ]),
  ]
    .sort((a, b) => a - b)
    .map((rim) => ({
      value: `rim-${rim}`,
      title: `${length(rim)}, ${toBuy.value}`,
    })),
  ...shelf.value.map(({ id, label, free, shape }) => ({
    value: `shelf-${id}`,
    title: `${label} (${length(rimCm(shape))}, ${free})`,
  })),
]);
const pot = computed(() => {
  const [kind, id] = potKey.value.split('-');
  const own = kind === 'shelf' ? shelf.value.find((row) => row.id === Number(id)) : undefined;
  return own
    ? { pot: own.shape, potMaterial: own.material, potId: own.id }
    : {
        pot:
          Number(id) === props.batch.first.rimCm
            ? props.batch.first.pot
            : nominalPot(Number(id) || 8, 'standard'),
        potMaterial: 'plastic' as const,
        potId: null,
      };
});
const recipes = computed(() =>
  pantry.recipes.map(({ id, label }) => ({ value: id, title: label })),
);
const places = computed(() => props.spots.map(({ id, name }) => ({ value: id, title: name })));
const mediumKind = computed(() =>
  kindOfRecipe(recipeId.value, pantry.recipe(recipeId.value).parts),
);
const traits = computed(() => {
  const { taxon, groupId } = props.batch;
  return (groupId ? taxonOfGroup(groupId, taxon) : resolveTaxon(taxon))!.traits;
});

const parts = computed(() => partsOf(pantry.recipe(recipeId.value).parts, pantry));
const potted = computed(() =>
  potOnSteps({
    method: props.batch.method,
    medium: props.batch.medium,
    rootCm: props.batch.looks[0]?.rootCm ?? null,
    traits: traits.value,
    ...pot.value,
    to: mediumKind.value,
    components: parts.value.map(({ ingredient }) => ingredient),
    starts: together.value ? Math.max(1, count.value ?? 1) : 1,
    schools: schoolsIn(settings.current),
  }),
);
const measured = computed(() => {
  const many = together.value ? 1 : Math.max(1, count.value ?? 1);
  const { scoopL } = settings.current;
  return measureOut(parts.value, potted.value.newMediumL * many, scoopL ? { scoopL } : {});
});
/** A caution stands once, at the first step that needs it. */
const steps = computed(() => {
  const told = new Set<Caution>();
  return potted.value.steps.map((step) => {
    const cautions = step.cautions.filter((caution) => !told.has(caution));
    cautions.forEach((caution) => told.add(caution));
    return { ...step, cautions };
  });
});

async function save(): Promise<void> {
  const missing = count.value === null ? { count: m.form.number } : ({} as Record<string, string>);
  const { id } = props.batch;
  await send(missing, async () => {
    const { answer, deed } = await write(`/batches/${id}/pot-on`, {
      method: 'POST',
      body: {
        date: date.value,
        count: count.value,
        ...pot.value,
        recipeId: recipeId.value,
        mediumKind: mediumKind.value,
        spotId: spotId.value,
        together: together.value,
      },
    });
    open.value = false;
    const back = () => emit('saved');
    notices.done(m.tray.potted(answer.plantIds.length), { deed, back, said: m.tray.back });
    emit('saved');
  });
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="m.tray.potOnTitle(batch.name)"
    :save="m.tray.potOnSave"
    :saving="saving"
    :fault="fault"
    :width="720"
    @submit="save"
  >
    <p>{{ said(m.tray.firstPot({ cm: batch.first.rimCm }, batch.first.why)) }}</p>
    <div class="fields">
      <NumberField v-model="count" :label="m.tray.count" :error="errors.count ?? ''" />
      <v-select
        v-model="potKey"
        :items="potChoices"
        :label="m.tray.potSize"
        :error-messages="errors.potId"
      />
      <v-select v-model="recipeId" :items="recipes" :label="m.tray.mix" />
      <v-select v-model="spotId" :items="places" :label="m.tray.spot" />
      <v-text-field v-model="date" type="date" :label="m.tray.date" :error-messages="errors.date" />
      <v-checkbox v-model="together" :label="m.tray.together" hide-details />
    </div>
    <MeasuresTable :measures="measured.inScoops.measures" :scoop="measured.scoop" />
    <p class="quiet small">
      {{ m.sheet.scoop(volume(measured.scoop.scoopL), volume(measured.inScoops.mixedL)) }}
    </p>
    <h3>{{ m.tray.stepsTitle }}</h3>
    <ol class="steps">
      <li v-for="step in steps" :key="step.id">
        {{ said(sayAll(step.items ?? [step.title], '; ')) }}
        <p v-for="caution in step.cautions" :key="caution" class="caution small">
          {{ CAUTIONS[caution] }}
        </p>
      </li>
    </ol>
  </FormDialog>
</template>

<style scoped>
.steps {
  padding-left: 1.4em;
}
.steps li {
  margin-bottom: 4px;
}
</style>
