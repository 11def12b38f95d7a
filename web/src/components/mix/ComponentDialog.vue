<script setup lang="ts">
import {
  COMPONENT_NUMBER_IDS,
  COMPONENT_NUMBERS,
  COMPONENTS,
  component as shippedComponent,
  CONTENTS,
  provenanceOf,
  REWETTING,
  type ComponentNumber,
  type Content,
  type OwnNumber,
  type Rewetting,
  SCHOOLS,
  type Schools,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { ApiError, wordsFor, write } from '../../api/client.ts';
import type { PantryComponent } from '../../api/types.ts';
import { useDates } from '../../composables/useDates.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { m } from '../../messages/index.ts';
import { useSettings } from '../../stores/settings.ts';
import FormDialog from '../FormDialog.vue';
import NumberField from '../NumberField.vue';
import QuantityField from '../QuantityField.vue';
import { schoolItems } from '../../composables/schoolItems.ts';

/** A component: what it is most like, its stock and price, and every number with whence it comes. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ component: PantryComponent | null }>();
const emit = defineEmits<{ saved: [label: string, added: boolean, deed: number | null] }>();
const settings = useSettings();
const { day } = useDates();

const blank = () => ({
  label: '',
  like: null as string | null,
  grade: '',
  bagL: null as number | null,
  bags: null as number | null,
  openL: null as number | null,
  pricePerBag: null as number | null,
  rinseMinutes: null as number | null,
  soakMinutes: null as number | null,
  rewets: null as Rewetting | null,
  contains: null as Content[] | null,
  wetting: null as Schools['wetting'] | null,
  dusty: null as boolean | null,
  biohazard: null as boolean | null,
  note: '',
  /** typed anew; absent: as it stands */
  numbers: {} as Partial<Record<ComponentNumber, number | null>>,
  rots: true,
});
const { draft, clear } = useDraft('component', blank);
const errors = ref<Record<string, string>>({});
const fault = ref('');
const saving = ref(false);
watch(
  () => [open.value, props.component] as const,
  ([isOpen, row]) => {
    errors.value = {};
    fault.value = '';
    if (isOpen && row) {
      draft.value = {
        ...blank(),
        label: row.label,
        like: row.like,
        grade: row.grade,
        bagL: row.bagL,
        bags: row.bags,
        openL: row.openL,
        pricePerBag: row.pricePerBag,
        rinseMinutes: row.rinseMinutes,
        soakMinutes: row.soakMinutes,
        rewets: row.rewets,
        contains: [...row.contains],
        wetting: row.wetting,
        dusty: row.dusty,
        biohazard: row.biohazard,
        note: row.note,
        rots: row.halfLifeMonths !== null,
      };
    } else if (!isOpen && props.component) clear();
  },
);
const likes = COMPONENTS.map(({ id: value, label: title }) => ({ value, title }));
const model = computed(() => (draft.value.like ? shippedComponent(draft.value.like) : null));
const rewettings = (Object.keys(REWETTING) as Rewetting[]).map((value) => ({
  value,
  title: REWETTING[value],
}));
const contents = (Object.keys(CONTENTS) as Content[]).map((value) => ({
  value,
  title: CONTENTS[value],
}));
const schools = schoolItems('wetting');

/** Each number as it counts now, with its source in words. */
const numbers = computed(() => {
  const like = model.value;
  if (!like) return [];
  const own = props.component?.own ?? {};
  return COMPONENT_NUMBER_IDS.map((id) => {
    const { label, unit, least, most } = COMPONENT_NUMBERS[id];
    const provenance = provenanceOf({ like: like.id, own }, id);
    const value = own[id] ? own[id].value : like[id];
    return {
      id,
      label,
      unit,
      range: m.mix.range(least, most),
      value,
      isOwn: provenance.from !== 'table',
      whence:
        provenance.from === 'table'
          ? m.mix.whence.table(provenance.source, provenance.like)
          : provenance.from === 'typed'
            ? m.mix.whence.typed(day(provenance.on))
            : m.mix.whence.kitchen(day(provenance.on), provenance.error ?? 0),
    };
  });
});
const typed = (id: ComponentNumber, value: number | null) =>
  id in draft.value.numbers ? draft.value.numbers[id]! : value;

function ownChanges(): Partial<Record<ComponentNumber, OwnNumber | null>> {
  const on = settings.current.today;
  const changed: Partial<Record<ComponentNumber, OwnNumber | null>> = {};
  for (const row of numbers.value) {
    if (!(row.id in draft.value.numbers)) continue;
    const value = draft.value.numbers[row.id] ?? null;
    if (value === row.value) continue;
    // An emptied field goes back to what the component is like.
    changed[row.id] = value === null ? null : { value, from: 'typed', on };
  }
  const rotted = (props.component?.halfLifeMonths ?? model.value?.halfLifeMonths ?? null) !== null;
  if (!draft.value.rots && rotted) changed.halfLifeMonths = { value: null, from: 'typed', on };
  if (draft.value.rots && !rotted && draft.value.numbers.halfLifeMonths === undefined) {
    changed.halfLifeMonths = null;
  }
  return changed;
}
function checked(): boolean {
  const { label, like, bagL, bags, openL, pricePerBag } = draft.value;
  const found: Record<string, string> = {};
  if (!label.trim()) found.label = m.form.required;
  if (!like) found.like = m.form.required;
  if (bagL !== null && bagL <= 0) found.bagL = m.mix.bagNone;
  if (bags !== null && (bags < 0 || !Number.isInteger(bags))) found.bags = m.mix.bagsWhole;
  if (openL !== null && openL < 0) found.openL = m.mix.notBelow;
  if (pricePerBag !== null && pricePerBag < 0) found.pricePerBag = m.mix.notBelow;
  for (const [id, value] of Object.entries(draft.value.numbers)) {
    const { least, most } = COMPONENT_NUMBERS[id as ComponentNumber];
    if (value !== null && value !== undefined && (value < least || value > most)) {
      found[id] = m.mix.range(least, most);
    }
  }
  errors.value = found;
  return Object.keys(found).length === 0;
}
async function save(): Promise<void> {
  fault.value = '';
  if (!checked()) return;
  saving.value = true;
  const {
    numbers: _numbers,
    rots: _rots,
    like,
    rinseMinutes,
    soakMinutes,
    rewets,
    contains,
  } = draft.value;
  const { label, grade, note, bagL, bags, openL, pricePerBag, wetting } = draft.value;
  const { dusty, biohazard } = draft.value;
  const handling = Object.fromEntries(
    Object.entries({ rinseMinutes, soakMinutes, rewets, contains }).filter(
      ([name, value]) =>
        value !== null &&
        JSON.stringify(value) !==
          JSON.stringify((props.component ?? model.value)![name as 'rewets']),
    ),
  );
  const body = {
    label,
    grade,
    note,
    wetting,
    pricePerBag,
    dusty,
    biohazard,
    bagL,
    bags: bags ?? 0,
    openL: openL ?? 0,
    own: ownChanges(),
    ...(Object.keys(handling).length > 0 ? { handling } : {}),
  };
  try {
    const { deed } = props.component
      ? await write(`/components/${props.component.id}`, {
          method: 'PATCH',
          body,
          rev: props.component.rev,
        })
      : await write('/components', { method: 'POST', body: { ...body, like } });
    clear();
    open.value = false;
    emit('saved', label, !props.component, deed);
  } catch (error) {
    if (error instanceof ApiError && error.field) {
      errors.value = { [error.field.replace(/^own\.|\.value$/g, '')]: wordsFor(error) };
    }
    fault.value = wordsFor(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="component ? m.shelf.edit(component.label) : m.mix.addComponent"
    :save="m.app.save"
    :saving="saving"
    :fault="fault"
    :width="760"
    @submit="save"
  >
    <div class="fields">
      <v-text-field
        v-model="draft.label"
        :label="m.mix.componentLabel"
        :error-messages="errors.label"
        name="label"
        maxlength="80"
      />
      <v-autocomplete
        v-model="draft.like"
        :items="likes"
        :label="m.mix.mostLike"
        :hint="m.mix.mostLikeHint"
        persistent-hint
        :disabled="component !== null"
        :error-messages="errors.like"
      />
      <v-text-field v-model="draft.grade" :label="m.mix.grade" maxlength="60" />
    </div>
    <h3>{{ m.mix.stock }}</h3>
    <div class="fields">
      <QuantityField v-model="draft.bagL" :label="m.mix.bag" of="volume" :error="errors.bagL" />
      <NumberField v-model="draft.bags" :label="m.mix.fullBags" :error="errors.bags" />
      <QuantityField
        v-model="draft.openL"
        :label="m.mix.openBags"
        of="volume"
        :error="errors.openL"
      />
      <NumberField
        v-model="draft.pricePerBag"
        :label="m.mix.pricePerBag"
        :unit="settings.current.currency"
        :error="errors.pricePerBag"
      />
    </div>
    <h3>{{ m.mix.handling }}</h3>
    <div class="fields">
      <NumberField v-model="draft.rinseMinutes" :label="m.mix.rinse" unit="min" />
      <NumberField v-model="draft.soakMinutes" :label="m.mix.soak" unit="min" />
      <v-select v-model="draft.rewets" :items="rewettings" :label="m.mix.rewets" clearable />
      <v-select
        v-if="(draft.rewets ?? model?.rewets) === 'repels'"
        v-model="draft.wetting"
        :items="schools"
        :label="SCHOOLS.wetting.question"
        :placeholder="SCHOOLS.wetting.options[settings.current.wettingSchool].label"
        persistent-placeholder
        clearable
      />
      <v-select v-model="draft.contains" :items="contents" :label="m.mix.contains" multiple chips />
    </div>
    <div class="row">
      <v-checkbox
        :model-value="draft.dusty ?? model?.dusty ?? false"
        :label="m.mix.dusty"
        hide-details
        @update:model-value="(value: boolean | null) => (draft.dusty = value)"
      />
      <v-checkbox
        :model-value="draft.biohazard ?? model?.biohazard ?? false"
        :label="m.mix.biohazard"
        hide-details
        @update:model-value="(value: boolean | null) => (draft.biohazard = value)"
      />
      <v-checkbox v-model="draft.rots" :label="m.mix.rots" hide-details />
    </div>
    <template v-if="numbers.length > 0">
      <h3>{{ m.mix.numbers }}</h3>
      <p class="quiet">{{ m.mix.numbersHint }}</p>
      <div class="fields">
        <NumberField
          v-for="row in numbers"
          v-show="row.id !== 'halfLifeMonths' || draft.rots"
          :key="row.id"
          :model-value="typed(row.id, row.value)"
          :label="row.label[0]!.toUpperCase() + row.label.slice(1)"
          :unit="row.unit"
          :hint="row.whence"
          :error="errors[row.id]"
          :name="row.id"
          @update:model-value="(value) => (draft.numbers[row.id] = value)"
        />
      </div>
    </template>
    <v-textarea v-model="draft.note" :label="m.fit.note" rows="2" auto-grow />
  </FormDialog>
</template>
