import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { GARDEN_PORT } from './playwright.config.ts';
import { VIEWS } from './views.ts';

test.use({
  viewport: { width: 1280, height: 800 },
  baseURL: `http://127.0.0.1:${GARDEN_PORT}`,
});

for (const colorScheme of ['light', 'dark'] as const) {
  test(`axe finds nothing in any view, ${colorScheme}`, async ({ browser }) => {
    // Thirty views, each read as a whole: how long that takes is not what is tested.
    test.setTimeout(480_000);
    const context = await browser.newContext({ colorScheme, serviceWorkers: 'block' });
    const page = await context.newPage();
    for (const path of VIEWS) {
      await page.goto(`http://127.0.0.1:${GARDEN_PORT}${path}`);
      await page.waitForLoadState('networkidle');
      const axe = new AxeBuilder({ page });
      // The dark theme differs in its colours alone: all else is read once.
      if (colorScheme === 'dark') axe.withRules(['color-contrast']);
      else axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa']);
      const { violations } = await axe.analyze();
      const found = violations.map(({ id, nodes }) => `${path} ${id}: ${nodes[0]?.html}`);
      expect(found).toEqual([]);
    }
    await context.close();
  });
}

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

test('at 200 % zoom every view fits its width, and nothing moves where motion is not wanted', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  // A window of 1280 × 800 that is zoomed to twice the size.
  const context = await browser.newContext({
    viewport: { width: 640, height: 400 },
    deviceScaleFactor: 2,
    reducedMotion: 'reduce',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  for (const path of VIEWS) {
    await page.goto(`http://127.0.0.1:${GARDEN_PORT}${path}`);
    await page.waitForLoadState('networkidle');
    const [over, moving] = await page.evaluate(() => [
      document.documentElement.scrollWidth - innerWidth,
      document.getAnimations().filter(({ playState }) => playState === 'running').length,
    ]);
    expect([path, Math.max(0, over!), moving]).toEqual([path, 0, 0]);
  }
  await context.close();
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
