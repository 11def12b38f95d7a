import { expect, test } from './garden.ts';
import { choose, settled } from './hands.ts';

/** Where two years are foreseen. */
const ANSWER = '.answer .first';
const count = (text: string | null) => Number(/About (\d+)/.exec(text ?? '')?.[1]);

for (const [where, viewport] of [
  ['at the desk', { width: 1280, height: 800 }],
  ['on a phone', { width: 390, height: 844 }],
] as const) {
  test.describe(where, () => {
    test.use({ viewport });

    test('two years ahead are told in words first, and what could be done is drawn at once', async ({
      page,
    }) => {
      await page.goto('/record/ahead');
      const answer = page.locator(ANSWER);
      await expect(answer).toHaveText(
        /^About \d+ \(\d+–\d+\) repots by the end of \w+, most in \w+\.$/,
      );
      await expect(answer).toBeInViewport();
      await settled(page);
      const all = count(await answer.textContent());
      // The verdicts of today stand in it: what is to be repotted now is likely within the year.
      const { items } = await (await page.request.get('/api/verdicts')).json();
      const now = items.filter(({ headline }: { headline: string }) => headline === 'repotNow');
      expect(now.length).toBeGreaterThan(3);
      for (const { name } of now) {
        await expect(page.getByRole('row', { name }).getByText('as good as certain')).toBeVisible();
      }

      await choose(page, 'Spot', 'East glazing');
      await expect.poll(async () => count(await answer.textContent())).toBeLessThan(all);
      await choose(page, 'Spot', 'all spots');
      await expect.poll(async () => count(await answer.textContent())).toBe(all);

      await page.getByLabel('Pots are kept snug').check();
      await expect(page.getByText(/within a year, in place of/)).toBeVisible();
      await expect.poll(async () => count(await answer.textContent())).toBeLessThan(all);
      await page.getByLabel('Pots are kept snug').uncheck();
      await expect.poll(async () => count(await answer.textContent())).toBe(all);

      await page.getByLabel('Given away').fill('Old Stoker');
      await page.getByRole('option', { name: 'Old Stoker' }).click();
      await page.keyboard.press('Escape');
      await expect(page.getByRole('row', { name: 'Old Stoker' })).toHaveCount(0);

      const [saved] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'CSV' }).click(),
      ]);
      expect(saved.suggestedFilename()).toBe('ahead.csv');
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
      ).toBeLessThanOrEqual(0);
    });
  });
}

test.describe('with nothing kept', () => {
  test.use({ place: 'empty' });
  test('there is nothing to foresee, and that is said', async ({ page }) => {
    await page.goto('/record/ahead');
    await expect(
      page.getByText('No plant is kept yet: there is nothing to foresee.'),
    ).toBeVisible();
  });
});
