<script setup lang="ts">
import {
  DRYINGS,
  GROWTH_FORMS,
  LIGHT_CLASSES,
  MEDIUM_KINDS,
  RHYTHMS,
  ROOT_KINDS,
  SUPPORT_HABITS,
  VIGOURS,
  WINDOWS,
  type Traits,
  SCHOOLS,
  PLANT_SCHOOLS,
} from '@fernbank/core';
import { computed, ref } from 'vue';
import { ApiError, wordsFor, write } from '../../api/client.ts';
import type { Plant, PlantFile } from '../../api/types.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';
import { useUnits } from '../../composables/useUnits.ts';
import { schoolItems } from '../../composables/schoolItems.ts';

/** What Fernbank assumes of a plant: from the catalogue, and any of it the keeper's to set. */
const props = defineProps<{ file: PlantFile }>();
const emit = defineEmits<{ changed: [] }>();
const notices = useNotices();
const { temperature, number } = useUnits();

type TraitName = keyof typeof m.traits.names;
interface Choice {
  value: string | boolean | null;
  title: string;
}
const plain = (values: readonly string[]): Choice[] =>
  values.map((value) => ({ value, title: m.traits.values[value] ?? value }));
const YES_NO: Choice[] = [
  { value: true, title: m.look.yes },
  { value: false, title: m.look.no },
];
const CHOICES: Partial<Record<TraitName, Choice[]>> = {
  growthForm: plain(GROWTH_FORMS),
  rootKind: plain(ROOT_KINDS),
  drying: plain(DRYINGS),
  vigour: plain(VIGOURS),
  window: plain(WINDOWS),
  support: plain(SUPPORT_HABITS),
  rhythm: Object.entries(RHYTHMS).map(([value, { label }]) => ({ value, title: label })),
  light: LIGHT_CLASSES.map(({ id, label }) => ({ value: id, title: label })),
  medium: MEDIUM_KINDS.map(({ id, label }) => ({ value: id, title: label })),
  recipe: usePantry().pantry.recipes.map(({ id, label }) => ({ value: id, title: label })),
  snug: YES_NO,
  renewedYearly: YES_NO,
  dryRest: YES_NO,
  fed: YES_NO,
};
const NAMES = Object.keys(m.traits.names) as TraitName[];
const own = computed(() => props.file.plant.traits);
const usual = computed(() => props.file.taxon.traits);
const editing = ref(false);
const fault = ref<Record<string, string>>({});

const shown = (name: TraitName, traits: Traits) => {
  const value = traits[name];
  if (Array.isArray(value)) return value.join(', ');
  const choice = CHOICES[name]?.find((candidate) => candidate.value === value);
  if (choice) return choice.title;
  if (typeof value === 'number' && isTemperature(name)) return temperature(value);
  if (typeof value === 'number') return `${number(inField(name, value), 1)} ${unitOf(name)}`.trim();
  if (value !== null) return String(value);
  return name === 'lengthens' ? m.traits.byForm : m.traits.byStructure;
};

async function change(
  body: Partial<Pick<Plant, 'traits' | 'schools'>>,
  name: string,
): Promise<void> {
  const { id, rev } = props.file.plant;
  fault.value = {};
  try {
    const { deed } = await write(`/plants/${id}`, { method: 'PATCH', body, rev });
    notices.done(m.form.saved, { deed, back: () => emit('changed') });
    emit('changed');
  } catch (error) {
    const said = error instanceof ApiError && error.status === 412 ? m.form.stale : wordsFor(error);
    fault.value = { [name]: said };
  }
}
const unitOf = (name: TraitName): string =>
  (m.traits.units as Partial<Record<TraitName, string>>)[name] ?? '';
/** Shares are kept as such, and typed and told in per cent. */
const perUnit = (name: TraitName) => (unitOf(name).startsWith('%') ? 100 : 1);
const inField = (name: TraitName, value: number) => Number((value * perUnit(name)).toPrecision(10));
/** Of the numbers, those that are °C. */
const isTemperature = (name: TraitName) => name.endsWith('C');
/** Traits that are not chosen from a list are numbers. */
const numberOf = (name: TraitName) => {
  const value = props.file.situation.traits[name];
  return typeof value === 'number' ? value : null;
};
function set(name: TraitName, value: unknown): void {
  const { [name]: _before, ...others } = own.value;
  const same = value === usual.value[name] || value === null || value === undefined;
  void change({ traits: same ? others : { ...others, [name]: value } }, name);
}
type Caution = Traits['cautions'][number];
const cautions = Object.entries(m.plant.cautions).map(([value, title]) => ({ value, title }));
function setCautions(chosen: Caution[]): void {
  const { cautions: _before, ...others } = own.value;
  const usually = usual.value.cautions;
  const same = chosen.length === usually.length && chosen.every((each) => usually.includes(each));
  void change({ traits: same ? others : { ...others, cautions: chosen } }, 'cautions');
}
function setSchool(name: keyof Plant['schools'], value: string | null): void {
  const { [name]: _before, ...others } = props.file.plant.schools;
  void change({ schools: value === null ? others : { ...others, [name]: value } }, name);
}
</script>

<template>
  <section class="panel stack">
    <div class="row spread">
      <h2>{{ m.plant.traits }}</h2>
      <v-btn variant="outlined" @click="editing = !editing">{{
        editing ? m.app.close : m.app.edit
      }}</v-btn>
    </div>
    <p class="quiet">{{ m.plant.traitsIntro }}</p>
    <dl v-if="!editing" class="tiles narrow traits">
      <div v-for="name in NAMES" :key="name">
        <dt>{{ m.traits.names[name] }}</dt>
        <dd>
          {{ shown(name, file.situation.traits) }}
          <strong v-if="name in own"> ({{ m.traits.yours }})</strong>
        </dd>
      </div>
    </dl>
    <div v-else class="fields">
      <template v-for="name in NAMES" :key="name">
        <v-select
          v-if="CHOICES[name]"
          :model-value="file.situation.traits[name]"
          :items="CHOICES[name]!"
          :label="m.traits.names[name]"
          :clearable="name in own"
          :hint="name in own ? m.traits.usual(shown(name, usual)) : undefined"
          :persistent-hint="name in own"
          :error-messages="fault[name]"
          @update:model-value="(value: unknown) => set(name, value)"
        />
        <QuantityField
          v-else-if="isTemperature(name)"
          of="temperature"
          :model-value="numberOf(name)"
          :label="m.traits.names[name]"
          :error="fault[name] ?? ''"
          :hint="name in own ? m.traits.usual(shown(name, usual)) : ''"
          @settled="(value) => set(name, value)"
        />
        <NumberField
          v-else
          :model-value="numberOf(name) === null ? null : inField(name, numberOf(name)!)"
          :unit="unitOf(name)"
          :label="m.traits.names[name]"
          :error="fault[name] ?? ''"
          :hint="name in own ? m.traits.usual(shown(name, usual)) : ''"
          @settled="(value) => set(name, value === null ? null : value / perUnit(name))"
        />
      </template>
      <v-select
        :model-value="[...file.situation.traits.cautions]"
        :items="cautions"
        :label="m.traits.cautions"
        multiple
        :error-messages="fault.cautions"
        @update:model-value="(chosen: Caution[]) => setCautions(chosen)"
      />
      <v-select
        v-for="name in PLANT_SCHOOLS"
        :key="name"
        :model-value="file.plant.schools[name] ?? null"
        :items="schoolItems(name, m.settings.asCollection)"
        :label="SCHOOLS[name].question"
        :error-messages="fault[name]"
        @update:model-value="(value: string | null) => setSchool(name, value)"
      />
    </div>
  </section>
</template>

<style scoped>
.traits dt {
  font-size: 0.86rem;
  color: rgb(var(--v-theme-on-surface), 0.76);
}
</style>
