import { mdiBookOpenPageVariantOutline, mdiCalendarStar, mdiScaleBalance, mdiShovel, mdiWalk, mdiWateringCanOutline } from '@mdi/js';
import type { Component } from 'vue';
import { m } from './messages/index.ts';

/** The places of the navigation; each opens on a view of its own. */
export const PLACES = {
  rounds: { to: '/rounds', word: m.nav.rounds, icon: mdiWalk },
  verdicts: { to: '/verdicts', word: m.nav.verdicts, icon: mdiScaleBalance },
  fit: { to: '/fit', word: m.nav.fit, tabs: m.mix.nav, icon: mdiShovel },
  day: { to: '/day', word: m.nav.day, short: m.nav.dayShort, icon: mdiCalendarStar },
  aftercare: { to: '/aftercare', word: m.nav.aftercare, icon: mdiWateringCanOutline },
  record: { to: '/record', word: m.nav.record, icon: mdiBookOpenPageVariantOutline },
} as const satisfies Record<string, { to: string; word: string; short?: string; tabs?: string; icon: string }>;
export type PlaceId = keyof typeof PLACES;

/** One view: where it stands, and how one comes there. */
export interface View {
  path: string;
  /** fetched when it is first opened */
  view: () => Promise<{ default: Component }>;
  /** to what place it belongs: a plant's own pages to that of their work */
  place: PlaceId;
  /** its word among the tabs of its place */
  tab?: string;
  /** the view whose tab it stands under, where it has none */
  under?: string;
  /** the letter that goes there, after g */
  key?: string;
  /** the view that one goes on to from here, made ready meanwhile */
  next?: string;
  /** addresses of it in the demo garden, where the path is not one: every view is tried there */
  tried?: readonly string[];
}

const { rooms: mix } = m.mix;
const { rooms: day } = m.day;
const { rooms: after } = m.aftercare;
const PLANT = '/plants/:id(\\d+)';

/** Every view there is; router, tabs, keys and the browser tests follow. Tabs stand in this order. */
export const VIEWS: readonly View[] = [
  { path: '/ask', place: 'rounds', view: () => import('./views/ask/AskView.vue') },
  { path: '/rounds', place: 'rounds', key: 'r', view: () => import('./views/rounds/RoundsView.vue') },
  { path: `${PLANT}/look`, place: 'rounds', tried: ['/plants/5/look'], view: () => import('./views/rounds/LookView.vue') },
  { path: `${PLANT}/outcome`, place: 'rounds', tried: ['/plants/15/outcome'], view: () => import('./views/rounds/OutcomeView.vue') },

  { path: '/verdicts', place: 'verdicts', key: 'v', next: `${PLANT}/verdict`, view: () => import('./views/verdicts/VerdictsView.vue') },
  { path: '/thinking', place: 'verdicts', view: () => import('./views/verdicts/ThinkingView.vue') },
  { path: `${PLANT}/verdict`, place: 'verdicts', tried: ['/plants/5/verdict'], view: () => import('./views/verdicts/VerdictView.vue') },

  { path: '/fit', place: 'fit', key: 'f', next: `${PLANT}/fit`, tab: mix.plants, view: () => import('./views/fit/FitListView.vue') },
  { path: '/mix', place: 'fit', key: 'm', tab: mix.recipes, view: () => import('./views/mix/RecipesView.vue') },
  { path: '/mix/components', place: 'fit', tab: mix.components, view: () => import('./views/mix/ComponentsView.vue') },
  { path: '/mix/batch', place: 'fit', tab: mix.batch, view: () => import('./views/mix/BatchView.vue') },
  { path: '/mix/design', place: 'fit', tab: mix.design, view: () => import('./views/mix/DesignView.vue') },
  { path: '/mix/mound', place: 'fit', tab: mix.mound, view: () => import('./views/mix/MoundView.vue') },
  { path: '/mix/pebbles', place: 'fit', tab: mix.pebbles, view: () => import('./views/mix/PebblesView.vue') },
  { path: '/mix/:id', place: 'fit', under: '/mix', tried: ['/mix/everyday', '/mix/new'], view: () => import('./views/mix/RecipeView.vue') },
  { path: '/fit/cuts', place: 'fit', view: () => import('./views/fit/CutsView.vue') },
  { path: `${PLANT}/fit`, place: 'fit', tried: ['/plants/5/fit', '/plants/15/fit'], view: () => import('./views/fit/FitView.vue') },
  { path: `${PLANT}/sheet`, place: 'fit', tried: ['/plants/15/sheet'], view: () => import('./views/fit/SheetView.vue') },
  { path: `${PLANT}/bench`, place: 'fit', tried: ['/plants/15/bench'], view: () => import('./views/fit/BenchView.vue') },

  { path: '/day', place: 'day', key: 'd', tab: day.plan, view: () => import('./views/day/DayView.vue') },
  { path: '/day/pots', place: 'day', tab: day.pots, view: () => import('./views/day/DayPotsView.vue') },
  { path: '/day/order', place: 'day', tab: day.order, view: () => import('./views/day/DayOrderView.vue') },
  { path: '/day/lists', place: 'day', tab: day.lists, view: () => import('./views/day/DayListsView.vue') },
  { path: '/day/bench', place: 'day', tab: day.bench, view: () => import('./views/day/DayBenchView.vue') },
  { path: '/day/sheets', place: 'day', under: '/day/lists', view: () => import('./views/day/DaySheetsView.vue') },

  { path: '/aftercare', place: 'aftercare', key: 'a', tab: after.tasks, view: () => import('./views/aftercare/AftercareView.vue') },
  { path: '/aftercare/tray', place: 'aftercare', tab: after.tray, view: () => import('./views/aftercare/TrayView.vue') },
  { path: '/aftercare/water', place: 'aftercare', tab: after.water, view: () => import('./views/aftercare/WaterView.vue') },
  { path: '/aftercare/solutions', place: 'aftercare', tab: after.solutions, view: () => import('./views/aftercare/SolutionsView.vue') },

  { path: '/record', place: 'record', key: 'c', next: PLANT, tab: m.record.collection, view: () => import('./views/record/CollectionView.vue') },
  { path: '/record/shelf', place: 'record', key: 's', tab: m.record.shelf, view: () => import('./views/record/ShelfView.vue') },
  { path: '/record/ahead', place: 'record', tab: m.ahead.title, view: () => import('./views/record/AheadView.vue') },
  { path: '/record/worked', place: 'record', tab: m.worked.title, view: () => import('./views/record/WorkedView.vue') },
  { path: '/record/right', place: 'record', tab: m.right.title, view: () => import('./views/record/RightView.vue') },
  { path: '/record/labels', place: 'record', tab: m.labels.title, view: () => import('./views/record/LabelsView.vue') },
  { path: '/record/past', place: 'record', tab: m.keeping.past, view: () => import('./views/record/HistoryView.vue') },
  { path: '/record/keeping', place: 'record', tab: m.keeping.title, view: () => import('./views/record/KeepingView.vue') },
  { path: '/record/phone', place: 'record', under: '/record/keeping', view: () => import('./views/record/PhoneView.vue') },
  { path: '/record/import', place: 'record', under: '/record/keeping', view: () => import('./views/record/ImportView.vue') },
  { path: '/record/settings', place: 'record', tab: m.record.settings, view: () => import('./views/record/SettingsView.vue') },
  { path: '/plants/new', place: 'record', view: () => import('./views/record/PlantFormView.vue') },
  { path: PLANT, place: 'record', tried: ['/plants/5'], view: () => import('./views/record/PlantView.vue') },
  { path: `${PLANT}/edit`, place: 'record', tried: ['/plants/5/edit'], view: () => import('./views/record/PlantFormView.vue') },
];

/** How a place's tabs are called, where they lead, and which of them is `lit`. */
export function tabsOf(place: PlaceId, lit: string) {
  const { word, tabs }: { word: string; tabs?: string } = PLACES[place];
  return {
    label: tabs ?? word,
    pages: VIEWS.flatMap((one) => (one.place === place && one.tab ? [{ to: one.path, word: one.tab, here: one.path === lit }] : [])),
  };
}

/** Keys that go to a view, with its word. */
export const GO_TO = Object.fromEntries(
  VIEWS.flatMap(({ key, path, place, tab }) => {
    const { to, word } = PLACES[place];
    return key ? [[key, { to: path, word: to === path ? word : tab! }]] : [];
  }),
);
