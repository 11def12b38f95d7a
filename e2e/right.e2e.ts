import { copyOf, freshPath, OwnServer } from '../scripts/ownServer.ts';
import { expect, filled, test, TODAY } from './garden.ts';
import { settled } from './hands.ts';

/** Where Fernbank holds what it said against what was found. */
for (const [where, viewport] of [
  ['at the desk', { width: 1280, height: 800 }],
  ['on a phone', { width: 390, height: 844 }],
] as const) {
  test.describe(where, () => {
    test.use({ viewport });

    test('what was said is held against what is found, and corrects it until that is switched off', async ({
      page,
    }) => {
      await page.goto('/record/right');
      const lead = page.locator('.answer .lead');
      await expect(lead).toHaveText(/leaned the right way in \d+ of \d+ findings\./);
      await expect(lead).toBeInViewport();
      await settled(page);
      const counted = async () => Number(/of (\d+) finding/.exec((await lead.textContent())!)![1]);
      const before = await counted();

      // A look into a pot by which nobody knew yet whether it is full.
      const { items } = await (await page.request.get('/api/verdicts')).json();
      const { plantId, name } = items.find((one: { name: string }) => one.name === 'Turnstile');
      const look = await page.request.post('/api/looks', {
        data: { plantId, date: '2026-03-16', signals: { rot: 'none', liveRoots: 0.9 } },
      });
      expect(look.status()).toBe(201);
      await page.reload();
      await expect.poll(counted).toBe(before + 1);
      const row = page.getByRole('row').filter({ hasText: name }).first();
      await expect(row).toContainText('in danger');
      await expect(row).toContainText('no');

      const full = page.locator('section', {
        has: page.getByRole('heading', { name: 'Full pots' }),
      });
      await expect(full.getByText(/^Corrected since 1 Mar, by \d+ findings/)).toBeVisible();
      await full.getByText('Row by row').click();
      await expect(full.getByText('Mean squared miss (Brier score)')).toBeVisible();
      const said = async () => {
        const file = await (await page.request.get(`/api/plants/${plantId}/file`)).json();
        return JSON.stringify(file.decision.reasons);
      };
      expect(await said()).toContain('by your own record');
      await page.getByLabel('Correct what is said by this record').uncheck();
      await expect(full.getByText('Not corrected: you switched it off.')).toBeVisible();
      expect(await said()).not.toContain('by your own record');
      await page.getByLabel('Correct what is said by this record').check();
      await expect(full.getByText(/^Corrected since/)).toBeVisible();

      const { id } = await look.json();
      await page.request.delete(`/api/looks/${id}`);
      await page.reload();
      await expect.poll(counted).toBe(before);
    });
  });
}

test('the server learns by itself once a month, beside other work, and the past tells of it', async ({
  page,
}) => {
  const path = copyOf(filled(), 'e2e-april');
  const server = new OwnServer({ FERNBANK_DB: path, FERNBANK_TODAY: '2026-04-02' });
  expect(await server.start()).toBe(true);
  const since = async () => {
    const settings = await (await page.request.get(`${server.address}/api/settings`)).json();
    return settings.ownRecord?.since;
  };
  expect(await since()).toBe('2026-03-01');
  await expect.poll(since).toBe('2026-04-01');
  await page.goto(`${server.address}/record/past`);
  await expect(page.getByText('what Fernbank corrects by its own record')).toBeVisible();
  await server.kill();
});

test('of a collection with nothing in it says what will be told there', async ({ page }) => {
  // Its own: what others leave in the empty one of their worker has been looked at.
  const server = new OwnServer({ FERNBANK_DB: freshPath('e2e-right'), FERNBANK_TODAY: TODAY });
  expect(await server.start()).toBe(true);
  await page.goto(`${server.address}/record/right`);
  await expect(page.getByText('Nothing was found yet')).toBeVisible();
  await server.kill();
});
