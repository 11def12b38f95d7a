import { expect, type Page } from '@playwright/test';

/** Opens a list by its label and takes an entry, as a keyboard user does who looks whether it was taken. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  const list = page.getByRole('combobox', { name: label });
  await list.press('ArrowDown');
  // While it opens, a list still scrolls to what is chosen: an entry taken then slips from under the hand.
  await page.getByRole('option').first().waitFor();
  await expect(page.locator('[class*="-enter-active"]')).toHaveCount(0);
  // An entry may go on with a line of explanation; one that slipped from under the hand is taken again.
  const entry = page.getByRole('option', { name: new RegExp(`^${option}( |$)`) }).first();
  await expect(async () => {
    if ((await list.getAttribute('aria-expanded')) !== 'true') await list.press('ArrowDown');
    // A long list shows the entries in sight only.
    if ((await entry.count()) === 0) await page.keyboard.press('End');
    await entry.click({ timeout: 3000 });
    await expect(list).toHaveValue(new RegExp(`^${option}`), { timeout: 2000 });
  }).toPass();
}

/** Waits until a view shows what it was opened for: nothing is being fetched or searched for any more. */
export async function settled(page: Page): Promise<void> {
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await expect(page.locator('[aria-busy="true"], .v-progress-linear--indeterminate')).toHaveCount(
    0,
  );
  await page.evaluate(() => document.fonts.ready);
}

/** Takes a deed back, with what rests on it. */
export async function takeBack(page: Page, deed: number): Promise<void> {
  const answer = await page.request.post(`/api/history/${deed}/undo`, { data: { also: [] } });
  if (answer.ok()) return;
  const { error } = (await answer.json()) as { error: { dependents?: { id: number }[] } };
  const also = (error.dependents ?? []).map(({ id }) => id);
  const again = await page.request.post(`/api/history/${deed}/undo`, { data: { also } });
  expect(again.status()).toBe(200);
}

/** Opens what stands behind a verdict, where it is not open from the plant before. */
export async function openBehind(page: Page): Promise<void> {
  const fold = page.locator('details.behind');
  await fold.waitFor();
  if ((await fold.getAttribute('open')) === null) {
    await fold.getByRole('heading', { name: 'How this was judged' }).click();
  }
}

/** Aftercare as it stands plant by plant. */
export async function aftercareByPlant(page: Page): Promise<void> {
  await page.goto('/aftercare');
  await page.getByRole('button', { name: 'By plant', exact: true }).click();
}
