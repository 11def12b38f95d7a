import { expect, test } from './garden.ts';
import { choose, openBehind } from './hands.ts';

/** Keeping the record: changing, undoing and deleting; shelf, spots, schools. */
test.use({
  viewport: { width: 1280, height: 800 },
});

test('a plant is found, changed, and keeps the change', async ({ page }) => {
  await page.goto('/record');
  await page.getByRole('textbox', { name: 'Search by name or plant' }).fill('aspid');
  await expect(page.getByText('1 plant ·')).toBeVisible();
  await page.getByRole('link', { name: /Wharfinger/ }).click();
  await page.getByRole('link', { name: 'Edit' }).click();
  await page.getByLabel('Your name for it').fill('Old Wharfinger');
  await page.getByLabel('Height or vine length').fill('64,5');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/plants\/\d+$/);
  await expect(page.getByText('Old Wharfinger').first()).toBeVisible();
  await page.getByRole('link', { name: 'Edit' }).click();
  await expect(page.getByLabel('Height or vine length')).toHaveValue('64.5');
});

test('a change made elsewhere meanwhile is not overwritten, and nothing typed is lost', async ({
  page,
  request,
}) => {
  await page.goto('/plants/16/edit');
  await page.getByLabel('Note').fill('Typed on the bench');
  await request.patch('/api/plants/16', { data: { supportCm: 30 } });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/plants\/16$/);
  await expect(page.getByText('Typed on the bench')).toBeVisible();
  // Each changed another field: both stand, though the form had sent all of them.
  const kept = (await (await request.get('/api/plants/16')).json()) as object;
  expect(kept).toMatchObject({ supportCm: 30, note: 'Typed on the bench' });
});

test('a repot can be undone from the notice and from the plant’s life', async ({ page }) => {
  page.on('dialog', (dialog) => void dialog.accept());
  await page.goto('/plants/10/fit');
  await page.getByRole('button', { name: 'Repotted: start aftercare' }).click();
  await expect(page.getByText('Repot written down')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page).toHaveURL(/\/plants\/10\/fit$/);

  await page.getByRole('button', { name: 'Repotted: start aftercare' }).click();
  await expect(page.getByText('Open tasks')).toBeVisible();
  await page.getByRole('button', { name: 'Undo this repot' }).first().click();
  await expect(page.getByText('Repot undone.')).toBeVisible();
  await expect(page.getByText('Open tasks')).toBeHidden();
  await expect(page.getByText('Repot now')).toBeVisible();
});

test('taking another pot from the ladder changes litres, scoops and the picture', async ({
  page,
}) => {
  await page.goto('/plants/5/fit');
  const title = page.getByRole('heading', { level: 1 });
  const first = await title.textContent();
  const litres = page.getByText(/to fill round the ball/);
  const before = await litres.textContent();
  await page.getByRole('button', { name: 'Choose this one: clay 14' }).click();
  await expect(title).toContainText('clay 14');
  expect(await title.textContent()).not.toBe(first);
  expect(await litres.textContent()).not.toBe(before);
  await expect(
    page.getByRole('img', { name: /unglazed clay pot, 14 cm wide/ }).first(),
  ).toBeVisible();
  await choose(page, 'Recipe', 'Half and half');
  await expect(page.getByRole('cell', { name: /^peat-based potting soil/ })).toBeVisible();
  await choose(page, 'Scoop', '1 L');
  await expect(page.getByRole('columnheader', { name: 'Scoop 1 L' })).toBeVisible();
});

test('a plant is deleted at once, lies in the bin, and is offered back', async ({
  page,
  request,
}) => {
  const added = await request.post('/api/plants', {
    data: {
      name: 'Short stay',
      taxon: 'Fittonia',
      spotId: 1,
      pot: { shape: 'cylinder', topDiameterCm: 8, heightCm: 8 },
      mediumKind: 'peatSoil',
    },
  });
  const { id } = (await added.json()) as { id: number };
  await page.goto(`/plants/${id}`);
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page).toHaveURL(/\/record$/);
  await expect(page.getByText('It lies in the bin for 30 days.')).toBeVisible();
  expect((await request.get(`/api/plants/${id}`)).status()).toBe(404);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page).toHaveURL(new RegExp(`/plants/${id}$`));
  await request.delete(`/api/plants/${id}`);
});

test('pots go on the shelf, offer themselves on ladders, and leave it again', async ({ page }) => {
  await page.goto('/record/shelf');
  await page.getByRole('button', { name: 'Add pots' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('How many').fill('12');
  await dialog.getByLabel('Name (optional)').fill('blue 18');
  await dialog.getByLabel('Width at the rim').fill('18');
  await dialog.getByLabel('Drainage holes (optional)').fill('4');
  await dialog.getByRole('button', { name: 'Add pots' }).click();
  await expect(dialog).toBeHidden();
  const card = page.getByRole('listitem').filter({ hasText: 'blue 18' });
  await expect(card).toContainText('plastic, 4 holes');
  await expect(card.locator('dd').first()).toHaveText('12');
  await card.getByRole('button', { name: 'Add more: blue 18' }).click();
  await page.getByRole('dialog').getByLabel('How many').fill('3');
  await page.getByRole('dialog').getByRole('button', { name: 'Add more' }).click();
  await expect(card.locator('dd').first()).toHaveText('15');
  await page.goto('/plants/5/fit');
  await expect(page.getByText('blue 18').first()).toBeVisible();
  await expect(page.getByText('15 on the shelf').first()).toBeVisible();
  await page.goto('/record/shelf');
  await page.getByRole('button', { name: 'Remove: blue 18' }).click();
  await expect(card).toBeHidden();
});

test('the school of the collection changes whose verdict is yours', async ({ page }) => {
  await page.goto('/record/settings');
  await choose(page, 'When to repot', 'whenever it needs it');
  await expect(page.getByText('Saved.')).toBeVisible();
  await expect(page.getByText(/slower to take hold/)).toBeVisible();
  await page.goto('/plants/1/verdict');
  await openBehind(page);
  await expect(page.getByRole('row', { name: /whenever it needs it \(yours\)/ })).toBeVisible();
  await page.goto('/record/settings');
  await choose(page, 'When to repot', 'only in the growing window');
  await expect(page.getByText('Saved.')).toBeVisible();
});

test('a spot with plants is not removed, and says why', async ({ page }) => {
  await page.goto('/record/settings');
  await page.getByRole('button', { name: 'Remove: East glazing' }).click();
  await expect(page.getByText(/plants stand there; move them first/)).toBeVisible();
});

test('light and dark are remembered', async ({ page }) => {
  await page.goto('/rounds');
  const background = () =>
    page.evaluate(
      () => getComputedStyle(document.querySelector('.v-application')!).backgroundColor,
    );
  const light = await background();
  await page.getByRole('button', { name: 'Switch between light and dark' }).click();
  await expect.poll(background).not.toBe(light);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Rounds' })).toBeVisible();
  expect(await background()).not.toBe(light);
});

test('verdicts can be filtered, and a contradiction is shown as one', async ({ page }) => {
  await page.goto('/verdicts');
  await page.getByRole('textbox', { name: 'Filter by name, plant or spot' }).fill('evening');
  await expect(page.getByText(/Contradiction: water runs straight through/)).toBeVisible();
  await page.getByRole('link', { name: /Evening Watch/ }).click();
  await expect(page.getByRole('note')).toContainText('Contradiction');
  await page.goto('/verdicts');
  await page
    .getByRole('textbox', { name: 'Filter by name, plant or spot' })
    .fill('nothing like it');
  await expect(page.getByText('No plant matches.')).toBeVisible();
});

test('a plant of which nothing is known asks for a look first', async ({ page }) => {
  await page.goto('/plants/4/verdict');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Look at it first');
  await page.goto('/plants/4');
  await expect(page.getByText('Left on the steps one morning')).toBeVisible();
});
