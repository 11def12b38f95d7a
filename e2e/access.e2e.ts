import AxeBuilder from '@axe-core/playwright';
import {
  expect,
  test,
  type Browser,
  type BrowserContextOptions,
  type Page,
} from '@playwright/test';
import { GARDEN_PORT } from './playwright.config.ts';
import { VIEWS } from './views.ts';

test.use({
  viewport: { width: 1280, height: 800 },
  baseURL: `http://127.0.0.1:${GARDEN_PORT}`,
});

/** Every view at one size, scheme and zoom: what is found on each is none. */
async function visitEach(
  browser: Browser,
  options: BrowserContextOptions,
  findings: (page: Page) => Promise<string[]>,
): Promise<void> {
  const context = await browser.newContext({ serviceWorkers: 'block', ...options });
  const page = await context.newPage();
  for (const path of VIEWS) {
    await page.goto(`http://127.0.0.1:${GARDEN_PORT}${path}`);
    await page.waitForLoadState('networkidle');
    expect([path, ...(await findings(page))]).toEqual([path]);
  }
  await context.close();
}
async function byAxe(page: Page, rules: (axe: AxeBuilder) => AxeBuilder): Promise<string[]> {
  const { violations } = await rules(new AxeBuilder({ page })).analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`);
}
const tooWide = (page: Page) =>
  page.evaluate(() => {
    const over = document.documentElement.scrollWidth - innerWidth;
    return over > 0 ? [`${over} px wider than the window`] : [];
  });

// Forty views, each read as a whole: how long that takes is not what is tested.
test.describe('every view', () => {
  test.describe.configure({ timeout: 480_000 });

  test('is found without fault by axe, and fits the window of a desk', async ({ browser }) => {
    const viewport = { width: 1280, height: 800 };
    await visitEach(browser, { colorScheme: 'light', viewport }, async (page) => [
      ...(await byAxe(page, (axe) => axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa']))),
      ...(await tooWide(page)),
    ]);
  });

  test('at 200 % zoom, dark, fits its width, has its contrast, and does not move where motion is not wanted', async ({
    browser,
  }) => {
    const zoomed = {
      // A window of 1280 × 800 that is zoomed to twice the size.
      viewport: { width: 640, height: 400 },
      deviceScaleFactor: 2,
      reducedMotion: 'reduce',
      colorScheme: 'dark',
    } as const;
    await visitEach(browser, zoomed, async (page) => {
      const moving = await page.evaluate(
        () => document.getAnimations().filter(({ playState }) => playState === 'running').length,
      );
      return [
        // The dark theme differs in its colours alone: all else is read once.
        ...(await byAxe(page, (axe) => axe.withRules(['color-contrast']))),
        ...(await tooWide(page)),
        ...(moving > 0 ? [`${moving} things move`] : []),
      ];
    });
  });

  test('fits a phone', async ({ browser }) => {
    await visitEach(browser, { viewport: { width: 390, height: 844 } }, tooWide);
  });
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
