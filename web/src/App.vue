<script setup lang="ts">
import {
  mdiCellphone,
  mdiFlowerPollenOutline,
  mdiKeyboardOutline,
  mdiThemeLightDark,
} from '@mdi/js';
import { useLocalStorage, useMediaQuery, useTimeout } from '@vueuse/core';
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useDisplay, useTheme } from 'vuetify';
import TimerBar from './components/bench/TimerBar.vue';
import PageSize from './components/PageSize.vue';
import OutboxBar from './components/app/OutboxBar.vue';
import { useDates } from './composables/useDates.ts';
import { useShortcuts } from './composables/useShortcuts.ts';
import { m } from './messages/index.ts';
import { PLACES } from './places.ts';
import { useBench } from './stores/bench.ts';
import { useConflict } from './stores/conflict.ts';
import { useLive } from './stores/live.ts';
import { useOffline } from './stores/offline.ts';
import { useNotices } from './stores/notices.ts';
import { useUndo } from './stores/undo.ts';
import { usePantry } from './stores/pantry.ts';
import { useSettings } from './stores/settings.ts';
import { wordsFor, whenCalled } from './api/client.ts';

// What is seldom opened is fetched when it is.
const SignIn = defineAsyncComponent(() => import('./components/app/SignIn.vue'));
const DemoBand = defineAsyncComponent(() => import('./components/app/DemoBand.vue'));
const ConflictDialog = defineAsyncComponent(() => import('./components/app/ConflictDialog.vue'));
const UndoDialog = defineAsyncComponent(() => import('./components/app/UndoDialog.vue'));
const NoticeBar = defineAsyncComponent(() => import('./components/app/NoticeBar.vue'));
const ShortcutsDialog = defineAsyncComponent(() => import('./components/app/ShortcutsDialog.vue'));

const route = useRoute();
const settings = useSettings();
settings.followDay();
const notices = useNotices();
const pantry = usePantry();
const bench = useBench();
const { smAndDown } = useDisplay();
const { moment } = useDates();

const places: { to: string; word: string; short?: string; icon: string }[] = Object.values(PLACES);
const place = computed(() => (route.meta.place ? PLACES[route.meta.place].to : ''));

const theme = useTheme();
const chosenTheme = useLocalStorage<'light' | 'dark' | ''>('fernbank.theme', '');
const systemDark = useMediaQuery('(prefers-color-scheme: dark)');
const isDark = computed(
  () => (chosenTheme.value || (systemDark.value ? 'dark' : 'light')) === 'dark',
);
watch(isDark, (dark) => theme.change(dark ? 'dark' : 'light'), { immediate: true });
const switchTheme = () => (chosenTheme.value = isDark.value ? 'light' : 'dark');
const { listOpen } = useShortcuts({
  t: switchTheme,
  u: () => void notices.undo(),
});
/** Once opened it stays, so that the focus finds its way back. */
const listAsked = ref(false);
watch(listOpen, (open) => (listAsked.value ||= open));

const ready = ref(false);
/** By then the first page stands: what tells of a fault is fetched while there is a server to fetch it from. */
const SETTLED_MS = 2000;
const settled = useTimeout(SETTLED_MS);
const fault = ref('');
const shut = ref(false);
const live = useLive();
const offline = useOffline();
const conflict = useConflict();
const undo = useUndo();
whenCalled({
  settle: conflict.ask,
  signIn: () => {
    shut.value = true;
    void offline.forget();
  },
});
watch(
  () => live.turn,
  () => {
    const { tables } = live.newest;
    const any = (...names: string[]) => tables.some((table) => ['*', ...names].includes(table));
    if (any('settings')) settings.load().catch(notices.fault);
    if (any('components', 'recipes')) pantry.load().catch(notices.fault);
    if (any('benches')) void bench.load();
  },
);
async function start(): Promise<void> {
  fault.value = '';
  shut.value = false;
  try {
    await Promise.all([settings.load(), pantry.load()]);
    ready.value = true;
    live.start();
    void offline.start();
    void bench.load();
  } catch (error) {
    fault.value = wordsFor(error);
  }
}
/** Back inside: what was open goes on where it was. */
function entered(): void {
  if (!ready.value) return void start();
  shut.value = false;
  live.told({ tables: ['*'] });
}
void start();
watch(
  () => settings.current.collectionName,
  (name) => (document.title = name ? `${name} · ${m.app.name}` : m.app.name),
);
</script>

<template>
  <v-app>
    <PageSize :paper="settings.current.paper" :margin-mm="12" />
    <a class="skip" href="#page">{{ m.app.skip }}</a>
    <v-app-bar flat color="background" :height="smAndDown ? 52 : 64" class="masthead">
      <router-link to="/rounds" class="plain mark">
        <v-icon :icon="mdiFlowerPollenOutline" color="primary" />
        <span class="serif">{{ settings.current.collectionName || m.app.name }}</span>
      </router-link>
      <nav v-if="!smAndDown" class="places" :aria-label="m.app.name">
        <router-link
          v-for="p in places"
          :key="p.to"
          :to="p.to"
          :class="['place', { here: place === p.to }]"
          :aria-current="place === p.to ? 'page' : undefined"
        >
          <v-icon :icon="p.icon" size="20" /> {{ p.word }}
        </router-link>
      </nav>
      <template #append>
        <v-btn
          v-if="!smAndDown"
          :icon="mdiCellphone"
          variant="text"
          :aria-label="m.phone.title"
          :title="m.phone.title"
          to="/record/phone"
        />
        <v-btn
          v-if="!smAndDown"
          :icon="mdiKeyboardOutline"
          variant="text"
          :aria-label="m.keeping.keys.help"
          @click="listOpen = true"
        />
        <v-btn
          :icon="mdiThemeLightDark"
          variant="text"
          :aria-label="m.app.theme"
          @click="switchTheme"
        />
      </template>
    </v-app-bar>

    <v-main id="page" tabindex="-1">
      <DemoBand v-if="ready && !shut && settings.current.clock" />
      <SignIn v-if="shut" @entered="entered" />
      <div v-else-if="fault" class="page">
        <div class="panel stack" role="alert">
          <h1>{{ m.error.title }}</h1>
          <p>{{ fault }}</p>
          <div>
            <v-btn color="primary" @click="start">{{ m.app.retry }}</v-btn>
          </div>
        </div>
      </div>
      <div v-if="offline.asOf || offline.waiting" class="told no-print" role="status">
        <p v-if="offline.asOf" class="caution">
          {{ m.keeping.offline.reading(moment(new Date(offline.asOf).toISOString())) }}
        </p>
        <p v-if="offline.waiting" class="row">
          {{ m.keeping.offline.update }}
          <v-btn variant="outlined" @click="offline.takeOver()">{{
            m.keeping.offline.reload
          }}</v-btn>
        </p>
      </div>
      <OutboxBar v-if="ready" />
      <TimerBar v-if="ready && !route.path.endsWith('/bench')" />
      <router-view v-if="ready && !fault && !shut" :key="route.path" />
      <p
        v-if="ready && settings.current.demo && !settings.current.clock"
        class="demo quiet no-print"
      >
        {{ m.demo.band }}
      </p>
    </v-main>

    <nav v-if="smAndDown" class="thumbs no-print" :aria-label="m.app.name">
      <router-link
        v-for="p in places"
        :key="p.to"
        :to="p.to"
        :class="['thumb', { here: place === p.to }]"
        :aria-current="place === p.to ? 'page' : undefined"
      >
        <v-icon :icon="p.icon" size="24" />
        <span>{{ p.short ?? p.word }}</span>
      </router-link>
    </nav>

    <ConflictDialog v-if="conflict.open" />
    <UndoDialog v-if="undo.question" />
    <ShortcutsDialog v-if="listAsked" v-model="listOpen" />
    <NoticeBar v-if="settled || notices.current" />
  </v-app>
</template>

<style scoped>
.masthead {
  border-bottom: 1px solid rgb(var(--v-theme-on-background), 0.14) !important;
  padding: 0 12px;
}
.mark {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 1.12rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 0;
}
.mark .serif {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.places {
  display: flex;
  gap: 4px;
  margin-left: auto;
  align-self: stretch;
}
.place {
  display: flex;
  align-items: center;
  gap: 7px;
  padding: 0 14px;
  color: rgb(var(--v-theme-on-background), 0.82);
  text-decoration: none;
  white-space: nowrap;
  border-bottom: 3px solid transparent;
  border-top: 3px solid transparent;
}
@media (max-width: 1180px) {
  .place {
    padding: 0 8px;
  }
  .place .v-icon {
    display: none;
  }
}
.place:hover {
  color: rgb(var(--v-theme-primary));
}
.place.here {
  color: rgb(var(--v-theme-primary));
  border-bottom-color: rgb(var(--v-theme-primary));
  font-weight: 700;
}
.thumbs {
  position: fixed;
  inset: auto 0 0 0;
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  background: rgb(var(--v-theme-surface));
  border-top: 1px solid rgb(var(--v-theme-on-surface), 0.2);
  padding-bottom: env(safe-area-inset-bottom);
  z-index: 1006;
}
.thumb {
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 1px;
  min-height: 58px;
  font-size: 0.78rem;
  color: rgb(var(--v-theme-on-surface), 0.82);
  text-decoration: none;
}
.thumb.here {
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
  box-shadow: inset 0 3px 0 rgb(var(--v-theme-primary));
}
.told {
  max-width: 1180px;
  margin: 0 auto;
  padding: 10px 24px 0;
}
.demo {
  max-width: 1180px;
  margin: 0 auto;
  padding: 0 24px 24px;
  font-size: 0.85rem;
}
@media (max-width: 960px) {
  .demo {
    padding-bottom: 90px;
  }
}
</style>
