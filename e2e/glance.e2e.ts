import type { Locator } from '@playwright/test';
import { expect, test, type Page } from './garden.ts';
import { settled } from './hands.ts';

/** Five seconds: what is seen of each main view before anything is touched. */
interface Glance {
  path: string;
  /** what it was opened for, and the hand to act on it */
  seen: (page: Page) => Locator[];
}
const heading = (page: Page, name: RegExp | string) => page.getByRole('heading', { name });
const button = (page: Page, name: RegExp | string) =>
  page.getByRole('button', { name }).or(page.getByRole('link', { name }));

const GLANCES: Glance[] = [
  {
    path: '/rounds',
    seen: (page) => [
      heading(page, /^Pansy Locker/),
      page.getByText('Rescue now').first(),
      button(page, 'To the bench').first(),
      page.locator('.first svg, section svg').first(),
    ],
  },
  {
    path: '/ask',
    seen: (page) => [
      page.getByRole('combobox', { name: 'Plant' }),
      page.getByText('Pot, wide at the rim'),
    ],
  },
  {
    path: '/plants/5/look',
    seen: (page) => [page.getByRole('group').first(), button(page, /^Save/)],
  },
  { path: '/verdicts', seen: (page) => [page.getByText('Pansy Locker').first()] },
  {
    path: '/plants/13/verdict',
    seen: (page) => [
      heading(page, /^Rescue it now/),
      page.getByText(/^Because/),
      button(page, 'Fit a pot'),
    ],
  },
  {
    path: '/plants/17/verdict',
    seen: (page) => [page.getByRole('heading', { level: 1 }), page.locator('.year')],
  },
  { path: '/fit', seen: (page) => [page.getByText('Purser').first()] },
  {
    path: '/plants/7/fit',
    seen: (page) => [
      heading(page, /^clay 19/i),
      page.locator('svg.cutaway').nth(1),
      button(page, /^Settled? on/),
    ],
  },
  { path: '/mix', seen: (page) => [page.getByText('Everyday foliage').first()] },
  { path: '/day', seen: (page) => [heading(page, /to repot: spares/)] },
  {
    path: '/aftercare',
    seen: (page) => [heading(page, /^Today/), page.locator('main li').first()],
  },
  {
    path: '/plants/15/bench',
    seen: (page) => [page.locator('main h2').first(), button(page, /^Done/)],
  },
  { path: '/record', seen: (page) => [page.getByText('Bilge Pump').first()] },
  {
    path: '/plants/7',
    seen: (page) => [heading(page, 'Purser'), page.locator('svg.cutaway').first()],
  },
];

for (const { where, viewport } of [
  { where: 'at the desk', viewport: { width: 1280, height: 800 } },
  { where: 'on a phone', viewport: { width: 390, height: 844 } },
]) {
  test.describe(where, () => {
    test.use({ viewport, cards: 'closed' });
    test('every main view shows at a glance what it is opened for', async ({ page }) => {
      for (const { path, seen } of GLANCES) {
        await page.goto(path);
        await settled(page);
        for (const what of seen(page)) {
          await expect.soft(what, path).toBeInViewport({ ratio: 0.5 });
        }
      }
    });
  });
}
