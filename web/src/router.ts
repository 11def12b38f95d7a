import { askEarly } from './api/client.ts';
import { ROUNDS } from './api/lists.ts';
import { createRouter, createWebHistory } from 'vue-router';

/** One view a place; a view is fetched when it is first opened. */
export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  routes: [
    { path: '/', redirect: '/rounds' },
    {
      path: '/rounds',
      component: () => {
        askEarly(ROUNDS);
        return import('./views/rounds/RoundsView.vue');
      },
    },
    { path: '/verdicts', component: () => import('./views/verdicts/VerdictsView.vue') },
    { path: '/fit', component: () => import('./views/fit/FitListView.vue') },
    { path: '/day', component: () => import('./views/day/DayView.vue') },
    { path: '/day/pots', component: () => import('./views/day/DayPotsView.vue') },
    { path: '/day/order', component: () => import('./views/day/DayOrderView.vue') },
    { path: '/day/lists', component: () => import('./views/day/DayListsView.vue') },
    { path: '/day/sheets', component: () => import('./views/day/DaySheetsView.vue') },
    { path: '/day/bench', component: () => import('./views/day/DayBenchView.vue') },
    { path: '/aftercare', component: () => import('./views/aftercare/AftercareView.vue') },
    {
      path: '/aftercare/solutions',
      component: () => import('./views/aftercare/SolutionsView.vue'),
    },
    { path: '/aftercare/tray', component: () => import('./views/aftercare/TrayView.vue') },
    { path: '/aftercare/water', component: () => import('./views/aftercare/WaterView.vue') },
    { path: '/record/worked', component: () => import('./views/record/WorkedView.vue') },
    { path: '/record/labels', component: () => import('./views/record/LabelsView.vue') },
    { path: '/record', component: () => import('./views/record/CollectionView.vue') },
    { path: '/record/shelf', component: () => import('./views/record/ShelfView.vue') },
    { path: '/record/past', component: () => import('./views/record/HistoryView.vue') },
    { path: '/record/keeping', component: () => import('./views/record/KeepingView.vue') },
    { path: '/record/import', component: () => import('./views/record/ImportView.vue') },
    { path: '/record/settings', component: () => import('./views/record/SettingsView.vue') },
    { path: '/plants/new', component: () => import('./views/record/PlantFormView.vue') },
    { path: '/plants/:id(\\d+)', component: () => import('./views/record/PlantView.vue') },
    { path: '/plants/:id(\\d+)/edit', component: () => import('./views/record/PlantFormView.vue') },
    { path: '/plants/:id(\\d+)/look', component: () => import('./views/rounds/LookView.vue') },
    {
      path: '/plants/:id(\\d+)/verdict',
      component: () => import('./views/verdicts/VerdictView.vue'),
    },
    { path: '/plants/:id(\\d+)/fit', component: () => import('./views/fit/FitView.vue') },
    { path: '/plants/:id(\\d+)/bench', component: () => import('./views/fit/BenchView.vue') },
    {
      path: '/plants/:id(\\d+)/outcome',
      component: () => import('./views/rounds/OutcomeView.vue'),
    },
    { path: '/plants/:id(\\d+)/sheet', component: () => import('./views/fit/SheetView.vue') },
    { path: '/mix', component: () => import('./views/mix/RecipesView.vue') },
    { path: '/mix/components', component: () => import('./views/mix/ComponentsView.vue') },
    { path: '/mix/batch', component: () => import('./views/mix/BatchView.vue') },
    { path: '/mix/design', component: () => import('./views/mix/DesignView.vue') },
    { path: '/mix/mound', component: () => import('./views/mix/MoundView.vue') },
    { path: '/mix/pebbles', component: () => import('./views/mix/PebblesView.vue') },
    { path: '/mix/:id', component: () => import('./views/mix/RecipeView.vue') },
    { path: '/fit/cuts', component: () => import('./views/fit/CutsView.vue') },
    { path: '/:rest(.*)*', component: () => import('./views/NotFoundView.vue') },
  ],
});
