<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client.ts';
import type { PhoneCode } from '../../api/types.ts';
import FetchState from '../../components/FetchState.vue';
import DeviceList from '../../components/keeping/DeviceList.vue';
import PlaceTabs from '../../components/PlaceTabs.vue';
import { qrPath, QUIET_MODULES } from '../../composables/qrPath.ts';
import { useDates } from '../../composables/useDates.ts';
import { useLoaded } from '../../composables/useLoaded.ts';
import { m } from '../../messages/index.ts';
import { useNotices } from '../../stores/notices.ts';

/** A phone of the keeper's, let in by a code that it reads from this screen. */
const notices = useNotices();
const { time } = useDates();
const { value: now, fault, load } = useLoaded(() => api('/phones'));
const { value: devices, load: loadDevices } = useLoaded(() =>
  api('/devices').then(({ items }) => items),
);
const phones = computed(() => (devices.value ?? []).filter(({ scope }) => scope === 'all'));

const busy = ref(false);
const code = ref<PhoneCode | null>(null);
/** Devices that were there before the code was shown. */
const before = ref<number[]>([]);
const host = ref('');
const link = computed(
  () => (code.value?.links.find((one) => one.host === host.value) ?? code.value?.links[0])?.link,
);
const qr = computed(() => (link.value ? qrPath(link.value) : null));
const box = computed(() => {
  const side = (qr.value?.size ?? 0) + 2 * QUIET_MODULES;
  return `${-QUIET_MODULES} ${-QUIET_MODULES} ${side} ${side}`;
});
const typed = computed(() => code.value?.code.replace(/(.{4})(?=.)/g, '$1 '));

async function work(deed: () => Promise<unknown>): Promise<void> {
  busy.value = true;
  try {
    await deed();
  } catch (error) {
    notices.fault(error);
  } finally {
    busy.value = false;
  }
}
const show = () =>
  work(async () => {
    if (!now.value?.open) now.value = await api('/phones', { method: 'POST' });
    await loadDevices();
    const offered = await api('/phones/code', { method: 'POST' });
    // Both at once: a code that was used is not shown again.
    before.value = phones.value.map(({ id }) => id);
    code.value = offered;
    host.value ||= offered.links[0]?.host ?? '';
    resume();
  });
const close = () =>
  work(async () => {
    await api('/phones', { method: 'DELETE' });
    code.value = null;
    await load();
  });

/** Who comes in is seen here as it happens; a code that nobody used in time goes. */
const ASK_MS = 1500;
const paired = computed(() =>
  code.value ? phones.value.find(({ id }) => !before.value.includes(id)) : undefined,
);
const { pause, resume } = useIntervalFn(
  () => {
    if (!code.value) return;
    if (Date.parse(code.value.until) < Date.now()) code.value = null;
    else void loadDevices();
  },
  ASK_MS,
  { immediate: false },
);
watch([code, paired], () => {
  if (!code.value || paired.value) pause();
});
</script>

<template>
  <div class="page stack">
    <header class="row spread">
      <h1>{{ m.phone.title }}</h1>
      <PlaceTabs of="record" />
    </header>
    <FetchState :fault="fault" :loading="!now" @retry="load" />
    <template v-if="now">
      <section v-if="paired" class="panel stack" role="status">
        <h2>{{ m.phone.paired(paired.label) }}</h2>
        <p>{{ m.phone.pairedNext }}</p>
        <div>
          <v-btn color="primary" :loading="busy" @click="show">{{ m.phone.another }}</v-btn>
        </div>
      </section>
      <section v-else-if="code && qr" class="panel pair">
        <svg :viewBox="box" class="qr" role="img" :aria-label="m.phone.qr">
          <path :d="qr.path" />
        </svg>
        <div class="stack">
          <ol class="steps">
            <li v-for="step in m.phone.steps" :key="step">{{ step }}</li>
          </ol>
          <p>
            {{ m.phone.typed }} <code class="address">{{ link?.split('#')[0] }}</code>
            {{ m.phone.typedCode }} <strong class="typed">{{ typed }}</strong>
          </p>
          <p class="quiet">{{ m.phone.until(time(code.until)) }}</p>
          <v-select
            v-if="code.links.length > 1"
            v-model="host"
            :items="code.links.map((one) => one.host)"
            :label="m.phone.host"
            :hint="m.phone.hostHint"
            persistent-hint
          />
          <div class="row">
            <v-btn variant="outlined" :loading="busy" @click="show">{{ m.phone.again }}</v-btn>
          </div>
        </div>
      </section>
      <section v-else class="panel stack">
        <p class="lead">{{ m.phone.intro }}</p>
        <p v-if="now.fault" role="alert" class="text-error">{{ m.phone.fault(now.fault) }}</p>
        <p v-if="now.hosts.length === 0" class="caution">{{ m.phone.noNetwork }}</p>
        <div class="row">
          <v-btn color="primary" size="large" min-height="54" :loading="busy" @click="show">{{
            m.phone.begin
          }}</v-btn>
        </div>
        <ul class="quiet">
          <li v-for="fact in m.phone.facts" :key="fact">{{ fact }}</li>
        </ul>
      </section>
      <section v-if="now.open" class="panel stack">
        <h2>{{ m.phone.devices }}</h2>
        <p v-if="phones.length === 0" class="quiet">{{ m.phone.none }}</p>
        <template v-else>
          <DeviceList :devices="phones" @changed="loadDevices" />
          <p class="quiet">{{ m.phone.away }}</p>
        </template>
        <p class="quiet">
          {{ m.phone.fingerprint }}<br />
          <code class="address">{{ now.fingerprint }}</code>
        </p>
        <p class="quiet">{{ m.phone.trouble(now.port ?? 0) }}</p>
        <div>
          <v-btn variant="outlined" :loading="busy" @click="close">{{ m.phone.close }}</v-btn>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(200px, 340px) 1fr;
  gap: 28px;
  align-items: start;
}
.qr {
  width: 100%;
  background: #fff;
  border-radius: 8px;
}
.qr path {
  fill: #000;
  shape-rendering: crispEdges;
}
.steps li {
  margin: 8px 0;
}
.lead {
  max-width: 60ch;
}
.address {
  overflow-wrap: anywhere;
}
.typed {
  white-space: nowrap;
  letter-spacing: 0.06em;
}
@media (max-width: 700px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
</style>
