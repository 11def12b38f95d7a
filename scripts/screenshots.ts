import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { fillGarden } from '../demo/fill.ts';
import { takePictures } from '../demo/pictures.ts';
import { settled } from '../e2e/hands.ts';
import { photoFolderOf } from '../server/src/place.ts';
import { collectionOf, openBrowser, root, serving } from './ownServer.ts';

/** One current picture of each main view from the demo garden, into docs/screenshots. */
const folder = join(root, 'docs/screenshots');
const TODAY = '2026-03-16';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

interface Shot {
  /** what is done before the picture is taken */
  before?: (page: Page) => Promise<void>;
}
const VIEWS: [name: string, path: string, size: typeof DESK, shot?: Shot][] = [
  ['rounds', '/rounds', DESK],
  ['look-phone', '/plants/5/look', PHONE],
  ['verdicts', '/verdicts', DESK],
  ['verdict', '/plants/5/verdict', DESK],
  ['ask-phone', '/ask', PHONE, { before: aPlantInTheHand }],
  ['fit', '/plants/15/fit', DESK],
  ['bench-phone', '/plants/15/bench', PHONE],
  ['sheet', '/plants/15/sheet', DESK],
  ['mix', '/mix', DESK],
  [
    'day',
    '/day',
    DESK,
    { before: async (page) => page.getByText('No plan can be better').waitFor() },
  ],
  ['aftercare', '/aftercare', DESK],
  ['outcome-phone', '/plants/24/outcome', PHONE],
  ['tray', '/aftercare/tray', DESK],
  ['worked', '/record/worked', DESK],
  ['record', '/record', DESK],
  ['plant', '/plants/7', DESK],
  [
    'ahead',
    '/record/ahead',
    DESK,
    { before: async (page) => page.getByText(/^About \d+/).waitFor() },
  ],
  ['past', '/record/past', DESK, { before: aFewChanges }],
  ['right', '/record/right', DESK],
];

/** Said of a plant that is not in the collection, as far as its answer. */
async function aPlantInTheHand(page: Page): Promise<void> {
  const plant = page.getByRole('combobox', { name: 'Plant' });
  await plant.fill('Davallia');
  await page.getByRole('option', { name: /Davallia fejeensis/ }).click();
  await page.getByRole('button', { name: '13 cm', exact: true }).click();
  await page.getByRole('button', { name: 'longer ago' }).click();
  await page
    .getByRole('group', { name: 'Roots at the drainage holes' })
    .getByRole('button', { name: 'at every one' })
    .click();
  await page.locator('.answer').evaluate((panel) => panel.scrollIntoView({ block: 'start' }));
}

/** Something to be told of the past: the garden itself was grown, not written. */
async function aFewChanges(page: Page): Promise<void> {
  const { request } = page;
  const api = (path: string) => new URL(`/api${path}`, page.url()).href;
  await request.patch(api('/plants/6'), { data: { heightCm: 41, note: 'turned to the light' } });
  const signals = { smell: 'sour', compacted: true };
  await request.post(api('/looks'), {
    data: { plantId: 5, date: TODAY, signals, note: 'sour at the base' },
  });
  await request.delete(api('/plants/9'));
  await page.reload();
}

const path = collectionOf('screenshots', ({ db }, at) => {
  fillGarden(db, TODAY);
  takePictures(db, photoFolderOf(at), TODAY);
});
const server = await serving({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
const { address } = server;
const browser = await openBrowser();
for (const [name, view, viewport, { before }] of VIEWS.map(
  ([a, b, c, shot = {}]) => [a, b, c, shot] as const,
)) {
  const context = await browser.newContext({
    viewport,
    colorScheme: 'light',
    locale: 'en-GB',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.goto(address + view);
  await settled(page);
  await before?.(page);
  await settled(page);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(name);
  await context.close();
}
await browser.close();
await server.kill('SIGTERM');
