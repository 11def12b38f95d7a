<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api, ApiError } from '../../api/client.ts';
import type { Copy, Working } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import DeviceList from '../../components/keeping/DeviceList.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';
import { usePantry } from '../../stores/pantry.ts';
import { useSettings } from '../../stores/settings.ts';

const notices = useNotices();
const settings = useSettings();
const pantry = usePantry();
const { full } = useDates();
const { value: copies, fault, load } = useLoaded(() => api('/copies'));
const { value: tables } = useLoaded(() => api('/tables').then(({ items }) => items));
const { value: door } = useLoaded(() => api('/door'));
const { value: devices, load: loadDevices } = useLoaded(() =>
  api('/devices').then(({ items }) => items),
);
const busy = ref(false);
/** How far it has come is asked while it lasts: a large collection takes minutes. */
const ASK_MS = 1000;
const working = ref<Working | null>(null);
const { pause, resume } = useIntervalFn(
  async () => {
    const list = await api('/copies').catch(() => null);
    working.value = list?.working ?? null;
  },
  ASK_MS,
  { immediate: false },
);
watch(busy, (now) => {
  working.value = null;
  if (now) resume();
  else pause();
});
const megabytes = (bytes: number) =>
  `${(bytes / 1e6).toLocaleString(undefined, { maximumFractionDigits: 1 })} MB`;
const stateOf = ({ state }: Copy) =>
  state.sound ? m.keeping.copies.plants(state.plants) : m.keeping.copies.damaged(state.why);
/** Tables that a keeper would open in a spreadsheet; of history and mappings the backup tells. */
const INNER = new Set(['deeds', 'changes', 'mappings', 'settings', 'recipe_versions', 'benches']);
const shownTables = computed(() =>
  (tables.value ?? [])
    .filter(({ name }) => !INNER.has(name))
    .sort((a, b) => tableWord(a.name).localeCompare(tableWord(b.name))),
);
const tableWord = (name: string) => m.rowWords[name]?.[1] ?? name;

/** What is asked before the whole collection is replaced. */
const asking = ref<{ text: string; go: () => Promise<void> } | null>(null);
async function replaced(
  work: () => Promise<unknown>,
  otherwise: (error: unknown) => boolean = () => false,
): Promise<void> {
  asking.value = null;
  busy.value = true;
  try {
    await work();
    notices.done(m.keeping.copies.restored);
    await Promise.all([load(), settings.load(), pantry.load()]);
  } catch (error) {
    if (!otherwise(error)) notices.fault(error);
  } finally {
    busy.value = false;
  }
}
function askRestore({ name, date }: Copy): void {
  const go = () => replaced(() => api(`/copies/${name}/restore`, { method: 'POST' }));
  asking.value = { text: m.keeping.copies.sure(full(date)), go };
}
function askBackup(event: Event): void {
  const input = event.target as HTMLInputElement;
  const [file] = input.files ?? [];
  if (!file) return;
  const send = (query: string) =>
    api(`/backup${query}`, { method: 'POST', body: file, type: 'application/zip' });
  // One without a single plant is brought in only by who means it.
  const askAgain = (error: unknown) => {
    if (!(error instanceof ApiError && error.code === 'emptyBackup')) return false;
    asking.value = { text: m.keeping.backup.empty, go: () => replaced(() => send('?empty=1')) };
    return true;
  };
  const go = () => replaced(() => send('').finally(() => (input.value = '')), askAgain);
  asking.value = { text: m.keeping.backup.sure(file.name), go };
}
async function copyNow(): Promise<void> {
  busy.value = true;
  try {
    copies.value = await api('/copies', { method: 'POST' });
    notices.done(m.keeping.copies.made);
  } catch (error) {
    notices.fault(error);
  } finally {
    busy.value = false;
  }
}
const calendarAddress = ref('');
async function makeAddress(): Promise<void> {
  try {
    calendarAddress.value = (await api('/devices/calendar', { method: 'POST' })).address;
    await loadDevices();
  } catch (error) {
    notices.fault(error);
  }
}
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.keeping.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <div class="panels">
      <section class="panel stack">
        <h2>{{ m.keeping.backup.title }}</h2>
        <p class="quiet">{{ m.keeping.backup.intro }}</p>
        <div class="row">
          <v-btn color="primary" href="/api/backup" download>{{ m.keeping.backup.take }}</v-btn>
          <label class="file">
            <input type="file" accept=".zip,application/zip" :disabled="busy" @change="askBackup" />
            <span>{{ m.keeping.backup.bring }}</span>
          </label>
        </div>
        <div v-if="busy" role="status">
          <p>{{ m.keeping.backup.bringing(working?.rows ?? 0) }}</p>
          <v-progress-linear
            :indeterminate="working?.share == null"
            :model-value="100 * (working?.share ?? 0)"
            :aria-label="m.keeping.backup.progress"
            color="primary"
          />
        </div>
        <h3>{{ m.keeping.backup.csv }}</h3>
        <p class="quiet">{{ m.keeping.backup.csvIntro }}</p>
        <div>
          <v-btn variant="outlined" to="/record/import">{{ m.importing.title }}</v-btn>
        </div>
      </section>
      <section class="panel stack">
        <div class="row spread">
          <h2>{{ m.keeping.copies.title }}</h2>
          <v-btn variant="outlined" :loading="busy" @click="copyNow">{{
            m.keeping.copies.now
          }}</v-btn>
        </div>
        <p class="quiet">{{ m.keeping.copies.intro }}</p>
        <p v-if="copies?.fault" role="alert" class="text-error">
          {{ m.keeping.copies.fault(copies.fault) }}
        </p>
        <FetchState :fault="fault" :loading="!copies" @retry="load" />
        <p v-if="copies && copies.items.length === 0">{{ m.keeping.copies.none }}</p>
        <ul class="bare parted">
          <li v-for="copy in copies?.items ?? []" :key="copy.name">
            <span>
              <strong>{{ full(copy.date) }}</strong>
              <span class="quiet">{{
                copy.kind === 'daily' ? m.keeping.copies.daily : m.keeping.copies.beforeRestore
              }}</span>
              <span :class="copy.state.sound ? 'quiet' : 'text-error'">
                {{ stateOf(copy) }} · {{ megabytes(copy.bytes) }}
              </span>
            </span>
            <v-btn
              v-if="copy.state.sound"
              variant="outlined"
              :disabled="busy"
              :aria-label="`${m.keeping.copies.restore}: ${full(copy.date)}`"
              @click="askRestore(copy)"
              >{{ m.keeping.copies.restore }}</v-btn
            >
          </li>
        </ul>
      </section>
      <section class="panel stack">
        <h2>{{ m.keeping.backup.tables }}</h2>
        <p class="quiet">{{ m.keeping.backup.tablesIntro }}</p>
        <ul class="tiles narrow tables">
          <li v-for="table in shownTables" :key="table.name">
            <a :href="`/api/tables/${table.name}.csv`" download>{{ tableWord(table.name) }}</a>
            <span class="quiet">{{ m.keeping.backup.rows(table.rows) }}</span>
          </li>
        </ul>
        <p class="row">
          <a href="/api/backup/schema.json">{{ m.keeping.backup.schema }}</a>
          <a href="/api/docs">{{ m.keeping.backup.api }}</a>
        </p>
      </section>
      <section class="panel stack">
        <h2>{{ m.keeping.backup.calendar }}</h2>
        <p class="quiet">{{ m.keeping.backup.calendarIntro }}</p>
        <div class="row">
          <v-btn variant="outlined" href="/api/tasks/calendar.ics" download>{{
            m.keeping.backup.calendarGet
          }}</v-btn>
          <v-btn v-if="door?.needed" variant="text" @click="makeAddress">{{
            m.keeping.backup.calendarKey
          }}</v-btn>
        </div>
        <p v-if="calendarAddress" role="status">
          {{ m.keeping.backup.calendarAddress }}<br />
          <code class="address">{{ calendarAddress }}</code>
        </p>
        <h2>{{ m.keeping.devices.title }}</h2>
        <p class="quiet">
          {{ door?.needed === false ? m.keeping.devices.noDoor : m.keeping.devices.intro }}
        </p>
        <DeviceList :devices="devices ?? []" @changed="loadDevices" />
        <div>
          <v-btn variant="outlined" to="/record/phone">{{ m.phone.title }}</v-btn>
        </div>
      </section>
    </div>
    <v-dialog :model-value="asking !== null" max-width="520" @update:model-value="asking = null">
      <v-card v-if="asking" class="sure stack">
        <h2>{{ m.keeping.copies.restore }}</h2>
        <p>{{ asking.text }}</p>
        <div class="row">
          <v-btn color="primary" @click="asking.go()">{{ m.keeping.copies.restore }}</v-btn>
          <v-btn variant="text" @click="asking = null">{{ m.app.cancel }}</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </div>
</template>

<style scoped>
.tables li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  min-height: 32px;
  align-items: center;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.file span {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  padding: 0 16px;
  border: 1px solid currentcolor;
  border-radius: 8px;
  cursor: pointer;
}
.file input:focus-visible + span {
  outline: 3px solid rgb(var(--v-theme-primary));
}
.address {
  overflow-wrap: anywhere;
}
.sure {
  padding: 20px;
}
</style>
