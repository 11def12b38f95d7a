import { askEarly } from './api/client.ts';
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
        askEarly('/rounds');
        return import('./views/RoundsView.vue');
      },
    },
    { path: '/verdicts', component: () => import('./views/VerdictsView.vue') },
    { path: '/fit', component: () => import('./views/FitListView.vue') },
    { path: '/day', component: () => import('./views/DayView.vue') },
    { path: '/day/pots', component: () => import('./views/DayPotsView.vue') },
    { path: '/day/order', component: () => import('./views/DayOrderView.vue') },
    { path: '/day/lists', component: () => import('./views/DayListsView.vue') },
    { path: '/day/sheets', component: () => import('./views/DaySheetsView.vue') },
    { path: '/day/bench', component: () => import('./views/DayBenchView.vue') },
    { path: '/aftercare', component: () => import('./views/AftercareView.vue') },
    { path: '/aftercare/solutions', component: () => import('./views/SolutionsView.vue') },
    { path: '/aftercare/tray', component: () => import('./views/TrayView.vue') },
    { path: '/aftercare/water', component: () => import('./views/WaterView.vue') },
    { path: '/record/worked', component: () => import('./views/WorkedView.vue') },
    { path: '/record/labels', component: () => import('./views/LabelsView.vue') },
    { path: '/record', component: () => import('./views/CollectionView.vue') },
    { path: '/record/shelf', component: () => import('./views/ShelfView.vue') },
    { path: '/record/past', component: () => import('./views/HistoryView.vue') },
    { path: '/record/keeping', component: () => import('./views/KeepingView.vue') },
    { path: '/record/import', component: () => import('./views/ImportView.vue') },
    { path: '/record/settings', component: () => import('./views/SettingsView.vue') },
    { path: '/plants/new', component: () => import('./views/PlantFormView.vue') },
    { path: '/plants/:id(\\d+)', component: () => import('./views/PlantView.vue') },
    { path: '/plants/:id(\\d+)/edit', component: () => import('./views/PlantFormView.vue') },
    { path: '/plants/:id(\\d+)/look', component: () => import('./views/LookView.vue') },
    { path: '/plants/:id(\\d+)/verdict', component: () => import('./views/VerdictView.vue') },
    { path: '/plants/:id(\\d+)/fit', component: () => import('./views/FitView.vue') },
    { path: '/plants/:id(\\d+)/bench', component: () => import('./views/BenchView.vue') },
    { path: '/plants/:id(\\d+)/outcome', component: () => import('./views/OutcomeView.vue') },
    { path: '/plants/:id(\\d+)/sheet', component: () => import('./views/SheetView.vue') },
    { path: '/mix', component: () => import('./views/RecipesView.vue') },
    { path: '/mix/components', component: () => import('./views/ComponentsView.vue') },
    { path: '/mix/batch', component: () => import('./views/BatchView.vue') },
    { path: '/mix/design', component: () => import('./views/DesignView.vue') },
    { path: '/mix/mound', component: () => import('./views/MoundView.vue') },
    { path: '/mix/pebbles', component: () => import('./views/PebblesView.vue') },
    { path: '/mix/:id', component: () => import('./views/RecipeView.vue') },
    { path: '/fit/cuts', component: () => import('./views/CutsView.vue') },
    { path: '/:rest(.*)*', component: () => import('./views/NotFoundView.vue') },
  ],
});
