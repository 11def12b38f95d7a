import { test as base, type Page } from '@playwright/test';
import { fillGarden } from '../demo/fill.ts';
import { collectionOf, copyOf, freshPath, OwnServer } from '../scripts/ownServer.ts';

export { expect, type Page } from '@playwright/test';

/** The day on which every browser test takes place. */
export const TODAY = '2026-03-16';

/** Made once, before any worker begins: filling a garden takes longer than copying it. */
const FILLED = 'e2e-garden';
export default function makeGarden(): void {
  collectionOf(FILLED, ({ db }) => fillGarden(db, TODAY));
}
/** The garden as it was filled, to be copied. */
export const filled = () => freshPathOf(FILLED);
const freshPathOf = (name: string) => new URL(`../.run/${name}.sqlite`, import.meta.url).pathname;

/** The cards that a fit is on a phone, open from the first page on. */
export async function openCards(page: Page): Promise<void> {
  await page.addInitScript(() => {
    localStorage.setItem('fernbank.fit.open', '["pot","support","mix","record"]');
  });
}

interface Places {
  /** addresses of the worker's own: the demo garden, and a collection with nothing in it */
  garden: string;
  empty: string;
}
interface Where {
  /** at which of them a test begins */
  place: keyof Places;
  /** whether its keeper has the cards of the fit open on the phone, as they stay once they were opened */
  cards: 'open' | 'closed';
}

async function open(path: string, use: (address: string) => Promise<void>): Promise<void> {
  const server = new OwnServer({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  if (!(await server.start())) throw new Error(`the server did not start: ${server.said}`);
  await use(server.address);
  await server.kill();
}

/** Every worker has servers of its own: what tests of one do to their garden, those of another do not see. */
export const test = base.extend<Where, Places>({
  place: ['garden', { option: true }],
  cards: ['open', { option: true }],
  page: async ({ page, cards }, use) => {
    if (cards === 'open') await openCards(page);
    await use(page);
  },
  garden: [
    // Playwright asks for the braces: by them it knows what a fixture needs.
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, { workerIndex }) => {
      await open(copyOf(filled(), `e2e-garden-${workerIndex}`), use);
    },
    { scope: 'worker' },
  ],
  empty: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, { workerIndex }) => {
      await open(freshPath(`e2e-empty-${workerIndex}`), use);
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ garden, empty, place }, use) => {
    await use(place === 'empty' ? empty : garden);
  },
});
