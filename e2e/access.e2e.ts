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
