<script setup lang="ts">
import {
  addDays,
  SIGNALS,
  signal,
  type Decision,
  type SignalValue,
  type Situation,
  type Schools,
} from '@fernbank/core';
import { computed, ref, watch } from 'vue';
import { useDates } from '../../composables/useDates.ts';
import { useJudge } from '../../composables/useJudge.ts';
import { m } from '../../messages/index.ts';
import { schoolItems } from '../../composables/schoolItems.ts';

/** Another day, another finding, another school: what the verdict would be then. */
const props = defineProps<{ situation: Situation; own: Schools['when']; headline: string }>();
const emit = defineEmits<{ judged: [decision: Decision | null, situation: Situation | null] }>();
const { full } = useDates();
const judge = useJudge();

const open = ref(false);
const weeks = ref(0);
const school = ref<Schools['when']>(props.own);
const signalId = ref<string | null>(null);
const changed = ref<Record<string, SignalValue>>({});

const shares = [0.1, 0.3, 0.5, 0.65, 0.8, 1];
const asked = SIGNALS.map(({ id, label }) => ({ value: id, title: label }));
const values = computed(() => {
  if (!signalId.value) return [];
  const definition = signal(signalId.value);
  return definition.kind === 'share'
    ? shares.map((value) => ({ value, title: m.verdictPage.share(Math.round(value * 100)) }))
    : definition.choices.map(({ value, label }) => ({ value, title: label }));
});
function set(value: SignalValue): void {
  if (signalId.value) changed.value = { ...changed.value, [signalId.value]: value };
}
function unset(id: string): void {
  const { [id]: _gone, ...others } = changed.value;
  changed.value = others;
}
const wordFor = (id: string, value: SignalValue) => {
  const definition = signal(id);
  const said =
    definition.kind === 'share'
      ? m.verdictPage.share(Math.round(Number(value) * 100))
      : definition.choices.find((choice) => choice.value === value)?.label;
  return `${definition.label}: ${said ?? String(value)}`;
};
const date = computed(() => addDays(props.situation.date, 7 * weeks.value));
const isAsked = computed(
  () => weeks.value > 0 || school.value !== props.own || Object.keys(changed.value).length > 0,
);
function reset(): void {
  weeks.value = 0;
  school.value = props.own;
  changed.value = {};
}

watch([date, school, changed], async () => {
  if (!isAsked.value) return emit('judged', null, null);
  const then: Situation = {
    ...props.situation,
    date: date.value,
    signals: { ...props.situation.signals, ...changed.value },
    schools: { ...props.situation.schools, when: school.value },
  };
  const decision = await judge(then);
  if (decision) emit('judged', decision, then);
});
const schools = schoolItems('when');
</script>

<template>
  <section class="panel stack no-print" :aria-label="m.whatIf.title">
    <div class="row spread">
      <h2>
        <button type="button" class="fold" :aria-expanded="open" @click="open = !open">
          {{ m.whatIf.title }}
        </button>
      </h2>
      <p v-if="!open && !isAsked" class="quiet intro">{{ m.whatIf.intro }}</p>
      <p v-if="isAsked" class="then" role="status">{{ headline }}</p>
      <v-btn v-if="isAsked" variant="outlined" @click="reset">{{ m.whatIf.reset }}</v-btn>
    </div>
    <template v-if="open">
      <v-slider
        v-model="weeks"
        :min="0"
        :max="52"
        :step="1"
        color="primary"
        hide-details
        :label="m.whatIf.day(full(date))"
      />
      <div class="fields">
        <v-autocomplete v-model="signalId" :items="asked" :label="m.whatIf.signal" hide-details />
        <div v-if="values.length > 0" class="row" role="group" :aria-label="m.whatIf.value">
          <v-btn
            v-for="value in values"
            :key="String(value.value)"
            :variant="changed[signalId!] === value.value ? 'flat' : 'outlined'"
            :color="changed[signalId!] === value.value ? 'primary' : undefined"
            :aria-pressed="changed[signalId!] === value.value"
            @click="set(value.value)"
            >{{ value.title }}</v-btn
          >
        </div>
        <v-select v-model="school" :items="schools" :label="m.whatIf.school" hide-details />
      </div>
      <div v-if="Object.keys(changed).length > 0" class="row">
        <v-chip
          v-for="(value, id) in changed"
          :key="id"
          closable
          :close-label="m.whatIf.unset(wordFor(String(id), value))"
          @click:close="unset(String(id))"
          >{{ wordFor(String(id), value) }}</v-chip
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.fold {
  background: none;
  border: 0;
  padding: 4px 0;
  min-height: 44px;
  font: inherit;
  color: inherit;
  cursor: pointer;
}
.fold::before {
  content: '▸ ';
}
.fold[aria-expanded='true']::before {
  content: '▾ ';
}
.intro {
  flex: 1 1 260px;
}
.then {
  font-weight: 700;
}
</style>
