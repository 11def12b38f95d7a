import { createRouter, createWebHistory } from 'vue-router';
import { askEarly } from './api/client.ts';
import { ROUNDS } from './api/lists.ts';
import { VIEWS, type PlaceId, type View } from './places.ts';

declare module 'vue-router' {
  interface RouteMeta {
    place?: PlaceId;
    /** the tab that is lit */
    tab?: string;
  }
}

/** What the rounds show is asked for while their view is fetched. */
const loaderOf = ({ path, view }: View) =>
  path !== '/rounds'
    ? view
    : () => {
        askEarly(ROUNDS);
        return view();
      };

/** One view a place; a view is fetched when it is first opened. */
export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  routes: [
    { path: '/', redirect: '/rounds' },
    ...VIEWS.map((one) => ({
      path: one.path,
      component: loaderOf(one),
      meta: { place: one.place, tab: one.under ?? one.path },
    })),
    { path: '/:rest(.*)*', component: () => import('./views/NotFoundView.vue') },
  ],
});
