import AxeBuilder from '@axe-core/playwright';
import Axe, { type RunOptions } from 'axe-core';
import { expect, test as inGarden, type Page, openCards } from './garden.ts';
import { settled } from './hands.ts';
import { VIEWS } from './views.ts';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
/** A window of a desk that is zoomed to twice the size. */
const ZOOMED = { width: 640, height: 400 };
inGarden.use({ viewport: DESK });

/** One visitor per worker, who opens view after view: what is fetched and compiled once is not again. */
const test = inGarden.extend<object, { visitor: Page }>({
  visitor: [
    async ({ browser, garden }, use) => {
      const context = await browser.newContext({
        baseURL: garden,
        locale: 'en-GB',
        serviceWorkers: 'block',
      });
      await context.addInitScript({ content: Axe.source });
      const page = await context.newPage();
      await openCards(page);
      await use(page);
      await context.close();
    },
    { scope: 'worker' },
  ],
});

/** The rules of a reading; the script stands in every page of the visitor already. */
async function byAxe(page: Page, runOnly: RunOptions['runOnly']): Promise<string[]> {
  return page.evaluate(async (only) => {
    const { axe } = window as unknown as { axe: typeof Axe };
    const { violations } = await axe.run(
      // A drawing is read as a whole, by its name: its strokes are none of axe's business.
      { exclude: [['svg > *']] },
      // Nothing is fetched for it, and what is without fault is not described.
      { preload: false, resultTypes: ['violations'], runOnly: only! },
    );
    return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`);
  }, runOnly);
}
const over = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
/** Drawings follow a window that was resized: what is asked is how wide the page is then. */
async function tooWide(page: Page): Promise<string[]> {
  await expect
    .poll(() => over(page), { timeout: 5000 })
    .toBeLessThanOrEqual(0)
    .catch(() => undefined);
  const px = await over(page);
  return px > 0 ? [`${px} px wider than the window`] : [];
}
/** What is data shown as if it were a sentence. */
const unspoken = (page: Page) =>
  page.evaluate(() => {
    const spoken = [
      ...document.querySelectorAll('[aria-label], [title], [alt], [aria-valuetext]'),
    ].flatMap((element) =>
      ['aria-label', 'title', 'alt', 'aria-valuetext'].map(
        (name) => element.getAttribute(name) ?? '',
      ),
    );
    // What is folded away is read too.
    return [document.querySelector('#app')!.textContent!, ...spoken].flatMap(
      (text) => text.match(/.{0,30}(\[object |"told"|\{\s*"|undefined|NaN).{0,20}/g) ?? [],
    );
  });
const moving = (page: Page) =>
  page.evaluate(() =>
    document
      .getAnimations()
      .filter(({ playState }) => playState === 'running')
      .map((one) => `moves: ${(one as CSSAnimation).animationName ?? one.id}`),
  );

test.describe('every view, at every size and in both themes', () => {
  // Nothing is changed by looking: each view may be read beside any other.
  test.describe.configure({ mode: 'parallel' });

  for (const path of VIEWS) {
    test(`${path} is without fault`, async ({ visitor: page }) => {
      await page.setViewportSize(DESK);
      await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
      await page.goto(path);
      await settled(page);
      const found = {
        'by axe at a desk': await byAxe(page, {
          type: 'tag',
          values: ['wcag2a', 'wcag2aa', 'wcag21aa'],
        }),
        'too wide for a desk': await tooWide(page),
        'no words': await unspoken(page),
      };
      await page.setViewportSize(PHONE);
      const onPhone = { 'too wide for a phone': await tooWide(page) };
      await page.setViewportSize(ZOOMED);
      await page.emulateMedia({ colorScheme: 'dark' });
      await expect(page.locator('.v-theme--dark').first()).toBeVisible();
      const dark = {
        // The dark theme differs in its colours alone: all else is read once.
        'by axe in the dark': await byAxe(page, { type: 'rule', values: ['color-contrast'] }),
        'too wide at 200 %': await tooWide(page),
        'moves where no motion is wanted': await moving(page),
      };
      const all = Object.entries({ ...found, ...onPhone, ...dark });
      expect(Object.fromEntries(all.filter(([, faults]) => faults.length > 0))).toEqual({});
    });
  }
});

test('a look can be taken by keyboard alone', async ({ page }) => {
  await page.goto('/plants/20/look');
  const first = page
    .getByRole('group', { name: 'Pot bulging' })
    .getByRole('button', { name: 'no' });
  await first.focus();
  await page.keyboard.press('Space');
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Space');
  await expect(first).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Save 1 answer' }).focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/verdict$/);
});

test('axe finds nothing in the dialogs of keys, of a conflict and at the door', async ({
  page,
}) => {
  // What lies behind a dialog is veiled and cannot be used: its dimmed colours are no text to read.
  const found = async (within: string) => {
    const axe = new AxeBuilder({ page })
      .include(within)
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa']);
    return (await axe.analyze()).violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`);
  };
  await page.goto('/plants/10/edit');
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('?');
  await page.getByRole('dialog').waitFor();
  expect(await found('.v-dialog')).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('textbox', { name: 'Note' }).fill('axe was here');
  const { note } = (await (await page.request.get('/api/plants/10')).json()) as { note: string };
  await page.request.patch('/api/plants/10', { data: { note: 'and elsewhere' } });
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('dialog').filter({ hasText: 'Changed on both sides' }).waitFor();
  expect(await found('.v-dialog')).toEqual([]);
  await page.getByRole('button', { name: 'Keep what is there' }).click();
  await page.request.patch('/api/plants/10', { data: { note } });
  await page.route('**/api/settings', (route) =>
    route.fulfill({ status: 401, json: { error: { code: 'signIn', message: 'closed' } } }),
  );
  await page.goto('/record/keeping');
  await page.getByRole('heading', { name: 'Who is there?' }).waitFor();
  expect(await found('main')).toEqual([]);
});
