import { expect, test, type Page } from './garden.ts';
import { aftercareByPlant, choose, takeBack, openBehind } from './hands.ts';

/** The keeper's whole path: add, look, verdict, fit and mix, repot, rounds; on a desk and on a phone. */

const SIZES = {
  desk: { width: 1280, height: 800 },
  phone: { width: 390, height: 844 },
} as const;

async function addPlant(page: Page, name: string, needsSpot: boolean): Promise<void> {
  await page.getByRole('link', { name: 'Add a plant' }).first().click();
  await page.getByLabel('Your name for it').fill(name);
  const taxon = page.getByRole('combobox', { name: 'Plant' });
  await taxon.fill('hare');
  await page.getByRole('option', { name: /Davallia fejeensis/ }).click();
  if (needsSpot) {
    await page.getByRole('button', { name: 'Add a spot' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name of the spot').fill('Kitchen sill');
    await dialog.getByLabel('Latitude').fill('54');
    await dialog.getByRole('button', { name: 'Add a spot' }).click();
    await expect(dialog).toBeHidden();
  } else {
    await choose(page, 'Spot', 'East glazing');
  }
  await page.getByLabel('Width at the rim').fill('14');
  await choose(page, 'What it stands in', 'bark');
  await page.getByLabel('Last repot').fill('2024-04-20');
  await page.locator('form').getByRole('button', { name: 'Add a plant' }).click();
  await expect(page).toHaveURL(/\/look$/);
}

async function answer(page: Page, question: string, value: string): Promise<void> {
  const group = page.getByRole('group', { name: question });
  await group.getByRole('button', { name: value, exact: true }).click();
  await expect(group.getByRole('button', { name: value, exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
}

async function walk(page: Page, name: string, needsSpot: boolean): Promise<void> {
  await page.goto('/record');
  await addPlant(page, name, needsSpot);

  // Look, from outside and out of the pot.
  await answer(page, 'Roots at the drainage holes', 'at every one');
  await answer(page, 'New root tips', 'just starting');
  await answer(page, 'Smell', 'fresh');
  await page.getByRole('button', { name: 'It is out of the pot' }).click();
  await answer(page, 'Ball covered by roots', '80 %');
  await page.getByRole('button', { name: 'Save 4 answers' }).click();

  // Verdict.
  await expect(page).toHaveURL(/\/verdict$/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Repot it this week.');
  await expect(page.getByText('roots come out of every hole').first()).toBeVisible();
  await openBehind(page);
  await expect(page.getByText('Roots have used the pot').first()).toBeVisible();
  await expect(page.locator('canvas')).toBeVisible();
  await expect(page.getByText('whenever it needs it')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What would turn it' })).toBeVisible();

  // Fit and mix.
  await page.getByRole('link', { name: 'Fit a pot' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('17 cm');
  await expect(page.getByText(/one size up/).first()).toBeVisible();
  await expect(page.getByText(/scoops?$/).first()).toBeVisible();
  await expect(page.getByRole('img', { name: /A plastic pot, 14 cm wide/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'keep snug' }).click();
  await expect(page.getByText(/keep snug: the smallest step up/).first()).toBeVisible();
  await page.getByRole('button', { name: 'one size up' }).click();

  // Repot.
  await page.getByLabel('Roots were cut, or the plant divided').check();
  await page.getByRole('button', { name: 'Repotted: start aftercare' }).click();
  await expect(page).toHaveURL(/\/plants\/\d+$/);
  await expect(page.getByText('Water thoroughly and let it drain').first()).toBeVisible();
  await expect(page.getByText('Look at 3 weeks').first()).toBeVisible();
  await expect(page.getByText('14 cm → 17 cm', { exact: false })).toBeVisible();
  await aftercareByPlant(page);
  await expect(page.getByRole('heading', { name: new RegExp(name) })).toBeVisible();
}

/** The garden is shared by all tests: its pot goes back to the shelf. */
async function takeRepotBack(page: Page, name: string): Promise<void> {
  const listed = async (path: string) =>
    (await (await page.request.get(`/api/${path}`)).json()).items as { id: number; name: string }[];
  const plant = (await listed('plants?limit=1000')).find((row) => row.name === name)!;
  const { repots } = await (await page.request.get(`/api/plants/${plant.id}/file`)).json();
  await takeBack(page, repots[0].deed);
}

for (const [size, viewport] of Object.entries(SIZES)) {
  test.describe(`${size}, demo garden`, () => {
    test.use({ viewport });

    test('a keeper adds a plant and takes it from look to aftercare', async ({ page }) => {
      await walk(page, `Ropewalk ${size}`, false);
      await takeRepotBack(page, `Ropewalk ${size}`);
    });

    test('rounds show what is due today, and a task can be done and undone', async ({ page }) => {
      await page.goto('/rounds');
      await expect(page.getByRole('heading', { name: 'Boiler landing' })).toBeVisible();
      await expect(page.getByText('Rescue now').first()).toBeVisible();
      const done = page.getByRole('button', { name: /^Done: Turn it so that .*, Deckhand/ });
      await done.click();
      await expect(done).toBeHidden();
      await page.getByRole('button', { name: 'Undo' }).click();
      await expect(done).toBeVisible();
    });
  });
}

test.describe('an empty collection', () => {
  test.use({ viewport: SIZES.phone, place: 'empty' });

  test('every empty place says what to do next', async ({ page }) => {
    for (const path of ['/rounds', '/verdicts', '/fit']) {
      await page.goto(path);
      await expect(page.getByRole('link', { name: 'Add a plant' })).toBeVisible();
    }
    await page.goto('/aftercare');
    await expect(page.getByText('No plant is in aftercare')).toBeVisible();
    await page.goto('/record/shelf');
    await expect(page.getByText('No pots on the shelf')).toBeVisible();
  });

  test('the whole path works from nothing, spot included', async ({ page }) => {
    await walk(page, 'First of all', true);
    await page.goto('/rounds');
    await expect(page.getByRole('heading', { name: 'Kitchen sill' })).toBeVisible();
  });
});
