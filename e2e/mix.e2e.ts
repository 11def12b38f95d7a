import { expect, test, type Page } from './garden.ts';
import { choose } from './hands.ts';

/** Recipes, components, batches and designs, from the keeper's hand to the record. */

const airOf = async (page: Page, column: string) => {
  const said = (await page.locator('.columns').getAttribute('aria-label'))!;
  return Number(new RegExp(`${column}: air (\\d+) %`).exec(said)![1]);
};

test('the column reshapes with the pot and with age, and three recipes stand side by side', async ({
  page,
}) => {
  await page.goto('/mix');
  const before = await airOf(page, 'Everyday foliage');
  const height = page.getByRole('slider', { name: /Height of the pot/ });
  await height.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  const taller = await airOf(page, 'Everyday foliage');
  expect(taller).toBeGreaterThan(before);
  const age = page.getByRole('slider', { name: /After \d+ months/ });
  await age.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('After 12 months')).toBeVisible();
  expect(await airOf(page, 'Everyday foliage')).toBeLessThan(taller);
  await page.getByRole('button', { name: 'Compare: Bog' }).click();
  await expect(page.locator('.columns .name')).toHaveCount(3);
  await page.getByText('As a table').click();
  await expect(page.getByRole('cell', { name: '12', exact: true })).toBeVisible();
});

test('a recipe of one’s own is turned, kept, versioned, copied and taken off again', async ({
  page,
}) => {
  await page.goto('/mix/new');
  await page.getByLabel('Name', { exact: true }).fill('Ticket-hall mix');
  await page.getByRole('button', { name: 'One part more of perlite' }).click();
  await page.getByRole('combobox', { name: 'Add a component' }).fill('pumice');
  await page.getByRole('option', { name: 'pumice' }).click();
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  await expect(page.getByText('Ticket-hall mix is kept.')).toBeVisible();
  await expect(page).toHaveURL(/\/mix\/own-\d+$/);
  await page.getByRole('button', { name: 'Take pumice out' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Ticket-hall mix is kept, version 2.')).toBeVisible();
  await expect(page.getByText(/Version 1, until 16 Mar/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it off the list' }).click();
  await expect(page).toHaveURL(/\/mix$/);
  await expect(page.getByRole('link', { name: 'Ticket-hall mix' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page).toHaveURL(/\/mix\/own-\d+$/);
});

test('parts that are all zero, or a name that is taken, are told where they are typed', async ({
  page,
}) => {
  await page.goto('/mix/pebblesOnly');
  await page.getByRole('button', { name: 'One part less of clay pebbles' }).click();
  await expect(page.getByText('All parts are 0: nothing would be mixed.')).toBeVisible();
  await page.goto('/mix/new');
  await page.getByLabel('Name', { exact: true }).fill('bog');
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  await expect(page.getByText('there is a recipe called Bog already')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('bog');
});

test('a kitchen test, step by step, replaces the typical values, and its undo brings them back', async ({
  page,
}) => {
  await page.goto('/mix/components');
  const card = page.getByRole('listitem').filter({ hasText: 'vermiculite' });
  await expect(card).toContainText('typical values, from memory');
  await page.getByRole('button', { name: 'Kitchen test of vermiculite' }).click();
  const next = page.getByRole('button', { name: 'Next' });
  await next.click();
  await page.getByLabel('Medium, to the mark').fill('1');
  await page.getByLabel('Its height in the pot').fill('12');
  await next.click();
  await page.getByLabel('Water poured in').fill('0.9');
  await next.click();
  await page.getByLabel('Water that ran out').fill('0.95');
  await expect(page.getByText(/More ran out than was poured/)).toBeVisible();
  await expect(next).toBeDisabled();
  // What was typed is there after a reload.
  await page.reload();
  await page.getByRole('button', { name: 'Kitchen test of vermiculite' }).click();
  await page.getByLabel('Water that ran out').fill('0.36');
  await next.click();
  await page.getByLabel('Dry weight').fill('0.1');
  await next.click();
  await expect(page.getByRole('row', { name: /Total porosity 90 ± 1.*92 %/ })).toBeVisible();
  await page.getByRole('button', { name: 'Use these values' }).click();
  await expect(card).toContainText('kitchen test of 16 Mar');
  await expect(card).toContainText('90 % pores');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(card).toContainText('92 % pores');
});

test('an avoid-list holds everywhere: recipes, a plant’s own mix, a design', async ({ page }) => {
  await page.goto('/mix/components');
  await page.getByRole('combobox', { name: 'Avoid everywhere' }).press('ArrowDown');
  await page.getByRole('option', { name: 'peat', exact: true }).click();
  await page.keyboard.press('Escape');
  await page.goto('/mix');
  await expect(
    page.getByText(/Holds what you avoid: peat-based potting soil/).first(),
  ).toBeVisible();
  await page.goto('/plants/18/fit');
  await expect(
    page.getByText(/peat-based potting soil is on your avoid-list: .* stands in/),
  ).toBeVisible();
  await expect(page.locator('.mix tbody')).not.toContainText('peat');
  await page.goto('/mix/design');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.locator('.answer h2')).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('.answer h2')).not.toContainText('peat');
  // Off the list again for the tests that follow, which begin once it is.
  await page.goto('/mix/components');
  await page.getByRole('combobox', { name: 'Avoid everywhere' }).press('ArrowDown');
  const allowed = page.waitForResponse(
    (answer) => answer.url().endsWith('/api/settings') && answer.request().method() === 'PATCH',
  );
  await page.getByRole('option', { name: 'peat', exact: true }).click();
  expect(((await (await allowed).json()) as { avoided: { contents: string[] } }).avoided).toEqual({
    contents: [],
    components: [],
  });
});

test('what is out of stock is swapped with one tap, settled, and on the bench sheet', async ({
  page,
}) => {
  await page.goto('/plants/15/fit');
  await expect(page.getByText('Out of stock: coconut chips.')).toBeVisible();
  await page.getByRole('button', { name: 'What instead?' }).click();
  const first = page.getByRole('dialog').getByRole('listitem').first();
  await expect(first).toContainText(/points of|changes hardly/);
  const instead = (await first.locator('strong').textContent())!;
  await first.getByRole('button').click();
  await expect(page.locator('.mix tbody')).toContainText(instead);
  await expect(page.getByText(/Mixed otherwise than Chunky climber/)).toBeVisible();
  await page.getByRole('button', { name: 'Settle on this' }).click();
  await expect(page.getByText('Settled: the mix and the bench sheet follow it.')).toBeVisible();
  await page.goto('/plants/15/sheet');
  await expect(page.getByRole('article')).toContainText(instead);
  await expect(page.getByRole('article')).not.toContainText('coconut chips');
  await expect(page.getByRole('article')).toContainText(/Top dressing: 7 mm of worm compost/);
  // Back to the recipe for the tests that follow.
  await page.goto('/plants/15/fit');
  await page.getByRole('button', { name: 'Back to the recipe' }).click();
  await page.getByRole('button', { name: 'Settle on this' }).click();
});

test('a batch from settled plans and pots: loads, bags, cost; taken off the stock and put back', async ({
  page,
}) => {
  await page.goto('/mix/batch?recipe=everyday');
  await expect(page.getByLabel('Tidewrack')).toBeChecked();
  await page.getByRole('button', { name: 'Add pots' }).click();
  await page.getByLabel('Pots', { exact: true }).fill('10');
  await page.getByLabel('New pot, wide').fill('19');
  await choose(page, 'Root ball', 'none: cuttings, seedlings');
  await page.getByLabel('Tub, to its brim').fill('20');
  await expect(page.getByRole('heading', { name: /equal loads make/ })).toBeVisible();
  await expect(page.getByText(/Whole scoops move no part by more than [0-5] %/)).toBeVisible();
  const soil = page.getByRole('row', { name: /^peat-based potting soil/ }).last();
  await expect(soil).toContainText('1 bag');
  await page.getByRole('button', { name: 'Mixed: take it off the stock' }).click();
  await expect(page.getByText('Taken off the stock.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.goto('/mix/components');
  await expect(
    page.getByRole('listitem').filter({ hasText: 'peat-based potting soil' }),
  ).toContainText('1 × 40 L + 14 L open');
});

test('a design that cannot be met says what misses, what stands in its way, and becomes a recipe', async ({
  page,
}) => {
  await page.goto('/mix/design');
  const target = (name: string) => page.getByRole('group', { name, exact: true });
  await target('Air').getByLabel('at least').fill('60');
  await target('Air').getByLabel('at most').fill('');
  await target('Water').getByLabel('at least').fill('60');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByText('Not every target can be met; this comes nearest.')).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByRole('heading', { name: 'What stands in its way' })).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByText(/without it \d+ % of the miss would be gone/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Make it a recipe' }).click();
  await expect(page).toHaveURL(/\/mix\/new\?parts=/);
  await expect(page.locator('.parts li').first()).toBeVisible();
  await page.goto('/mix/design');
  await target('Air').getByLabel('at most').fill('20');
  await expect(page.getByText('At least is above at most.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeDisabled();
});

test('a mound that would slip and a wick that is too short are warnings before they are made', async ({
  page,
}) => {
  await page.goto('/mix/mound');
  await page.getByLabel('Wider than it, each side').fill('0.3');
  await expect(page.getByText(/It would slip in/)).toBeVisible();
  await page.goto('/mix/pebbles');
  await page.getByLabel('Pot stands above the floor').fill('14');
  await page.getByLabel('Wick goes into the pebbles').fill('9');
  await expect(page.getByText(/The wick must lift 23 cm, and lifts 20 cm at most/)).toBeVisible();
  await page.getByLabel('Pot stands above the floor').fill('18');
  await expect(page.getByText(/height above the water’s floor must be between/)).toBeVisible();
});
