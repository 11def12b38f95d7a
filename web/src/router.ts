import { createRouter, createWebHistory } from 'vue-router';
import { askEarly } from './api/client.ts';
import { ROUNDS } from './api/lists.ts';
import { VIEWS, type PlaceId } from './places.ts';

declare module 'vue-router' {
  interface RouteMeta {
    place?: PlaceId;
    /** the view that one goes on to */
    next?: string | undefined;
    /** the tab that is lit */
    tab?: string;
  }
}

/** One view a place; a view is fetched when it is first opened. */
export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  routes: [
    { path: '/', redirect: '/rounds' },
    ...VIEWS.map((one) => ({
      path: one.path,
      component: one.view,
      meta: { place: one.place, tab: one.under ?? one.path, next: one.next },
    })),
    { path: '/:rest(.*)*', component: () => import('./views/NotFoundView.vue') },
  ],
});

/** By then what was opened stands, and nobody waits for what is made ready. */
const STANDS_MS = 400;
router.afterEach(({ meta }) => {
  const next = VIEWS.find(({ path }) => path === meta.next);
  // Without a network it is fetched when it is needed, and said to be missing then.
  if (next) setTimeout(() => void next.view().catch(() => undefined), STANDS_MS);
});

/** The first view is on its way while the frame around it is being built; with what the rounds show. */
export function fetchFirst(address: string): void {
  const path = router.resolve(address).matched.at(-1)?.path;
  const first = VIEWS.find((one) => one.path === (path === '/' ? '/rounds' : path));
  void first?.view();
  if (first?.path === '/rounds') askEarly(ROUNDS);
}
