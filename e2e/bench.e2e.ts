import { expect, test } from './garden.ts';

/** At the bench, on a phone: one step at a time, timers that outlive the page, several plants at once. */
test.use({
  viewport: { width: 390, height: 844 },
});

test('steps go on by thumb, back takes the tick off, and a reload picks up where it was', async ({
  page,
}) => {
  await page.goto('/plants/15/bench');
  const done = page.getByRole('button', { name: 'Done', exact: true });
  await expect(page.getByText(/^Step 1 of \d+/)).toBeVisible();
  await expect(page.getByText('Soak bark 8–12 mm: overnight')).toBeVisible();
  await done.click();
  await done.click();
  await expect(page.getByText(/^2 of \d+ steps done/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByText(/^1 of \d+ steps done/).first()).toBeVisible();
  await page.getByLabel('Note for this step').fill('stems still stiff');
  await page.reload();
  await expect(page.getByText(/^Step 2 of \d+/)).toBeVisible();
  await expect(page.getByLabel('Note for this step')).toHaveValue('stems still stiff');
  await page.getByRole('button', { name: 'Take it off the bench' }).click();
});

test('a timer runs on while the page is closed, is told anywhere when it is over, and another plant is worked on meanwhile', async ({
  page,
}) => {
  await page.clock.install({ time: new Date('2026-03-16T10:00:00') });
  await page.goto('/plants/15/bench');
  await page.getByRole('button', { name: /Start the timer/ }).click();
  await expect(page.getByRole('timer').first()).toBeVisible();
  await page.goto('/plants/18/bench');
  await expect(page.getByRole('heading', { level: 1, name: 'Lamplighter' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Timers of the bench' })).toContainText('Fletching');
  await expect(page.getByRole('heading', { name: 'Also on the bench' })).toBeVisible();
  // The page is closed over night.
  await page.goto('about:blank');
  await page.clock.setSystemTime(new Date('2026-03-17T09:00:00'));
  await page.goto('/rounds');
  const over = page.getByRole('list', { name: 'Timers of the bench' });
  await expect(over).toContainText('Time is up');
  await over.getByRole('button', { name: /Stop the timer of Fletching/ }).click();
  await expect(over).toBeHidden();
});

test('walked to its end by keys, the notes go into the record, and the record can be undone', async ({
  page,
}) => {
  await page.goto('/plants/18/bench');
  await page.getByLabel('Note for this step').fill('ball very dry');
  await page.getByRole('heading', { level: 1 }).click();
  for (let i = 0; i < 40 && !(await page.getByText('All steps are done.').isVisible()); i++) {
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('All steps are done. Write it down.')).toBeVisible();
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue(/ball very dry/);
  await page
    .getByRole('button', { name: /Repotted|Write|Confirm|done/i })
    .last()
    .click();
  await expect(page).toHaveURL(/\/plants\/18$/);
  await expect(page.getByText(/ball very dry/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page).toHaveURL(/\/plants\/18\/fit$/);
});

test('bleach with an acid is refused with the reason, and a feed above its label is not poured', async ({
  page,
}) => {
  await page.goto('/aftercare/solutions');
  await page.getByRole('combobox', { name: 'Would be mixed' }).press('ArrowDown');
  await page.getByRole('option', { name: /^bleach/ }).click();
  await page.getByRole('option', { name: /^an acid/ }).click();
  await page.keyboard.press('Escape');
  await expect(
    page.getByText(/Do not: bleach .* with an acid.* gives off chlorine gas/),
  ).toBeVisible();
  await page.getByLabel('The label’s most').fill('2');
  await expect(
    page.getByText('The rate must not be above the label’s 2 mL/L, got 5'),
  ).toBeVisible();
});
