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
        /^About \d+ \(\d+–\d+\) repots by the end of \w+, most in [\w ]+\.$/,
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

      await page.getByText('What if some were given away').click();
      await page.getByLabel('Kept snug').fill('all plants');
      await page.getByRole('option', { name: 'all plants' }).click();
      await page.keyboard.press('Escape');
      await expect(page.getByText(/within a year, in place of/)).toBeVisible();
      await expect.poll(async () => count(await answer.textContent())).toBeLessThan(all);
      await page.locator('.v-chip__close').click();
      await expect.poll(async () => count(await answer.textContent())).toBe(all);

      // Bought now, a pot is no longer to be had, and no repot comes of it.
      const still = page.getByText(/^Still to be had within a year:/);
      const offered = /(\d+) pots? of [\d.]+ cm/.exec((await still.textContent())!)![0];
      await page.getByLabel('Bought now').fill(offered);
      await page.getByRole('option', { name: offered, exact: true }).click();
      await page.keyboard.press('Escape');
      await expect(still).not.toContainText(offered);
      await expect(page.getByText(/within a year, in place of/)).toHaveCount(0);
      expect(count(await answer.textContent())).toBe(all);

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

test('days are proposed on those that a keeper has, and one is taken over into the potting day', async ({
  page,
}) => {
  await page.goto('/record/ahead');
  const days = page.locator('section.days');
  const dates = () => days.locator('li strong').allTextContents();
  await expect(days.locator('li').first()).toBeVisible();
  for (const date of await dates()) expect(date).toMatch(/^Sat/);
  const before = (await dates()).length;

  await choose(page, 'You can pot on', 'weekends');
  await choose(page, 'Time on each day', '8 h');
  await expect.poll(async () => (await dates()).length).toBeLessThanOrEqual(before);
  const first = days.locator('li').first();
  const told = (await first.locator('strong').textContent())!;
  // In a week in which nobody is there no day is proposed.
  const monday = await page.evaluate(() => {
    const format = { day: 'numeric', month: 'short', timeZone: 'UTC' } as const;
    return new Intl.DateTimeFormat(undefined, format).format(new Date('2026-03-16'));
  });
  await choose(page, 'Not in the weeks of', monday);
  await page.keyboard.press('Escape');
  await expect(first.locator('strong')).not.toHaveText(told);
  // Whose weeks end before the next such day is named, not forgotten.
  await expect(days.getByText(/^No such day within its weeks/)).toBeVisible();

  const [file] = await Promise.all([
    page.waitForEvent('download'),
    days.getByRole('button', { name: 'Calendar (.ics)' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('potting-days.ics');

  const open = await (await page.request.get('/api/days/now')).json();
  const { dates: asked, nextChance } = open.items[0];
  await first.getByRole('button', { name: /^Plan a potting day on/ }).click();
  await page.waitForURL('**/day');
  const { items } = await (await page.request.get('/api/days/now')).json();
  expect(items).toHaveLength(open.items.length);
  expect(items[0].dates[0].minutes).toBe(480);
  expect(items[0].dates[0].date > asked[0].date || items[0].dates[0].date < asked[0].date).toBe(
    true,
  );
  await page.request.patch(`/api/days/${items[0].id}`, { data: { dates: asked, nextChance } });
});

test('what is stopped is told as far as it came', async ({ page }) => {
  await page.goto('/record/ahead');
  await expect(page.locator(ANSWER)).toBeVisible();
  // Many more plants than there are: so that there is something to stop.
  await page.route('**/api/ahead', async (route) => {
    const answer = await (await route.fetch()).json();
    const { plants } = answer.problem;
    answer.problem.plants = Array.from({ length: 60 }, (_, i) =>
      plants.map((one: { id: number }) => ({ ...one, id: 100 * i + one.id })),
    ).flat();
    await route.fulfill({ json: answer });
  });
  await page.reload();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(
    page.getByText(/^Stopped: told by the \d+ courses drawn until then\.$/),
  ).toBeVisible();
  await expect(page.locator(ANSWER)).toHaveText(/^About \d+/);
});

test.describe('with nothing kept', () => {
  test.use({ place: 'empty' });
  test('there is nothing to foresee, and that is said', async ({ page }) => {
    await page.goto('/record/ahead');
    await expect(
      page.getByText('No plant is kept yet: there is nothing to foresee.'),
    ).toBeVisible();
  });
});
