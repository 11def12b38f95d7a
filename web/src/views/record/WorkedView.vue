<script setup lang="ts">
import { CHECKPOINTS, taxonGroup, type Checkpoint, type Comparison } from '@fernbank/core';
import { computed, ref } from 'vue';
import { api } from '../../api/client.ts';
import FetchState from '../../components/FetchState.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import ShareBand from '../../components/ShareBand.vue';
import { useLoaded } from '../../composables/useLoaded.ts';
import { useUnits } from '../../composables/useUnits.ts';
import { m } from '../../messages/index.ts';

/** What worked in this collection, with its counts; nothing is claimed from under five cases. */
const { percent } = useUnits();
const at = ref<Checkpoint | null>(null);
const group = ref<string | null>(null);
const { value, fault, load } = useLoaded(() => {
  const query = new URLSearchParams();
  if (at.value) query.set('at', at.value);
  if (group.value) query.set('group', group.value);
  const asked = query.toString();
  return api(asked ? `/worked?${asked}` : '/worked');
}, [at, group]);

const checkpoints = [
  { value: null, title: m.worked.latest },
  ...Object.entries(CHECKPOINTS).map(([id, { label }]) => ({ value: id, title: label })),
];
const groups = computed(() => [
  { value: null, title: m.worked.allGroups },
  ...(value.value?.groups ?? []).map((id) => ({ value: id, title: taxonGroup(id).label })),
]);
/** Only what was done in two ways can be held against each other. */
const several = computed(
  () => value.value?.factors.filter(({ tallies }) => tallies.length > 1) ?? [],
);
const single = computed(
  () => value.value?.factors.filter(({ tallies }) => tallies.length === 1) ?? [],
);
const said = ({ better, worse, chance }: Comparison) =>
  m.worked.better(
    better.label,
    worse.label,
    `${percent(better.mean)} % against ${percent(worse.mean)} %`,
    `${better.cases} and ${worse.cases}`,
    percent(chance),
  );
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.worked.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <FetchState :fault="fault" :loading="!value" @retry="load" />
    <template v-if="value">
      <p class="quiet">
        {{ m.worked.intro }} <strong>{{ m.worked.count(value.cases) }}</strong>
      </p>
      <p v-if="value.cases === 0 && !group && !at" class="panel">{{ m.worked.empty }}</p>
      <template v-else>
        <div class="fields">
          <v-select v-model="group" :items="groups" :label="m.worked.group" hide-details />
          <v-select v-model="at" :items="checkpoints" :label="m.worked.at" hide-details />
        </div>
        <section class="panel">
          <h2>{{ m.worked.says }}</h2>
          <ul v-if="value.comparisons.length > 0">
            <li v-for="one in value.comparisons" :key="one.factor" class="sentence">
              {{ said(one) }}
            </li>
          </ul>
          <p v-else class="quiet">{{ m.worked.nothing }}</p>
        </section>
        <div class="cards">
          <section v-for="one in several" :key="one.factor" class="panel">
            <table class="figures">
              <caption>
                {{
                  one.label
                }}
              </caption>
              <thead>
                <tr>
                  <th></th>
                  <th class="num">{{ m.worked.cases }}</th>
                  <th>{{ m.worked.went }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="tally in one.tallies" :key="tally.value">
                  <td>{{ tally.label }}</td>
                  <td
                    class="num"
                    :title="
                      m.worked.counts(
                        tally.counts.thrives,
                        tally.counts.holdsOn,
                        tally.counts.suffers,
                      )
                    "
                  >
                    {{ tally.cases }}
                  </td>
                  <td>
                    <ShareBand v-if="tally.telling" v-bind="tally" />
                    <span v-else class="quiet">{{ m.worked.few(tally.cases) }}</span>
                    <small class="quiet">{{
                      m.worked.counts(
                        tally.counts.thrives,
                        tally.counts.holdsOn,
                        tally.counts.suffers,
                      )
                    }}</small>
                  </td>
                </tr>
              </tbody>
            </table>
          </section>
        </div>
        <section v-if="single.length > 0" class="panel">
          <h2>{{ m.worked.oneWay }}</h2>
          <dl class="facts">
            <template v-for="{ factor, label, tallies } in single" :key="factor">
              <dt class="quiet">{{ label }}</dt>
              <dd>{{ tallies[0]!.label }} ({{ tallies[0]!.cases }})</dd>
            </template>
          </dl>
        </section>
      </template>
      <section v-if="value.tray.length > 0" class="panel">
        <table class="figures">
          <caption>
            {{
              m.worked.tray
            }}
          </caption>
          <thead>
            <tr>
              <th></th>
              <th class="num">{{ m.worked.started }}</th>
              <th>{{ m.worked.through }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="way in value.tray" :key="way.label">
              <td>{{ way.label }}</td>
              <td class="num">{{ way.cases }}</td>
              <td>
                <ShareBand v-if="way.telling" v-bind="way" />
                <span v-else class="quiet">{{ m.worked.few(way.cases) }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped>
caption {
  text-align: left;
  font-family: 'Fraunces Variable', serif;
  font-size: 1.15rem;
  padding-bottom: 4px;
}
td small {
  display: block;
}
td:first-child {
  width: 36%;
}
ul {
  padding-left: 1.1em;
}
</style>
