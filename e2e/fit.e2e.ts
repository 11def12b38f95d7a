import { expect, test, type Page } from './garden.ts';
import { choose } from './hands.ts';

/** Pot, support and stand of one plant: dragged, by keys, compared, settled, printed, cut in a batch. */

const rim = (page: Page) => page.getByRole('slider', { name: 'Width of the pot' });
const tip = (page: Page) => page.getByRole('slider', { name: 'Length of the support' });
const now = async (page: Page, of: typeof rim) =>
  Number(await of(page).getAttribute('aria-valuenow'));

async function drag(page: Page, handle: typeof rim, dx: number, dy: number): Promise<void> {
  await handle(page).scrollIntoViewIfNeeded();
  const box = (await handle(page).boundingBox())!;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + dx / 2, at.y + dy / 2, { steps: 4 });
  await page.mouse.move(at.x + dx, at.y + dy, { steps: 4 });
  await page.mouse.up();
}

test('the rim is dragged to a wider pot and numbers follow; arrow keys go back', async ({
  page,
}) => {
  await page.goto('/plants/5/fit');
  const title = page.getByRole('heading', { level: 1 });
  const before = await title.textContent();
  const width = await now(page, rim);
  await drag(page, rim, 45, 0);
  expect(await now(page, rim)).toBeGreaterThan(width);
  await expect(title).not.toHaveText(before!);
  await expect(page.locator('.answer .lead')).toContainText(/roots would start|stays wet|wider/);
  await rim(page).focus();
  for (let i = 0; i < 30 && (await now(page, rim)) > width; i++) {
    await page.keyboard.press('ArrowLeft');
  }
  expect(await now(page, rim)).toBeLessThanOrEqual(width);
});

test('the tip of a support is dragged within what the place has, and keys move it by 5 cm', async ({
  page,
}) => {
  await page.goto('/plants/15/fit');
  const length = await now(page, tip);
  await drag(page, tip, 0, -60);
  const longer = await now(page, tip);
  expect(longer).toBeGreaterThan(length);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`${longer} cm`);
  await tip(page).focus();
  await page.keyboard.press('ArrowDown');
  const shorter = await now(page, tip);
  expect(shorter).toBeLessThan(longer);
  await expect(page.getByText(/Empty: as long as its growth asks/)).toBeVisible();
});

test('goal and minutes turn the advice; usable share and the three schools are shown', async ({
  page,
}) => {
  await page.goto('/plants/15/fit');
  await expect(page.getByText('It is grown already: good keepers differ')).toBeVisible();
  await expect(page.getByText('100 % usable')).toBeVisible();
  await expect(page.getByText(/a cutting is as tall as it is now about/)).toBeVisible();
  await page.getByRole('button', { name: 'Clear Kind' }).click();
  await page.getByLabel('Your time for it').fill('1');
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('damp moss');
  await page.getByText('All kinds, and how they suit').click();
  await expect(page.getByText(/more than your 1 min a week/).first()).toBeVisible();
});

test('warned before it is potted: what topples once grown, with the remedy of least work', async ({
  page,
}) => {
  await page.goto('/plants/15/fit');
  await expect(page.locator('.answer').getByRole('note')).toContainText(
    /In 12 months it would topple at \d+° when dry\. What helps with least work: stand it in/,
  );
  await page.getByRole('button', { name: 'Choose this one: glazed 24' }).click();
  await expect(page.locator('.answer').getByRole('note')).toBeHidden();
});

test('three pots side by side, one is taken, settled, and stands on the bench sheet', async ({
  page,
}) => {
  await page.goto('/plants/10/fit');
  for (const label of ['clay 14', 'clear 15', 'wick pot 18']) {
    await page.getByRole('button', { name: `Compare: ${label}` }).click();
  }
  const table = page.getByRole('region', { name: 'Side by side' });
  await expect(table.getByRole('columnheader')).toHaveCount(4);
  await expect(table).toContainText('wrap it dark');
  await expect(table).toContainText('unglazed clay breathes');
  await table.getByRole('button', { name: 'Choose this one' }).first().click();
  await choose(page, 'On the pot’s floor', 'a thin layer of grit as ballast');
  const title = await page.getByRole('heading', { level: 1 }).textContent();
  await page.getByRole('button', { name: 'Settle on this' }).click();
  await expect(page.getByText('Settled: the mix and the bench sheet follow it.')).toBeVisible();
  await page.getByRole('link', { name: 'Bench sheet' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Quickstep');
  const label = title!.trim().split(':')[0]!;
  await expect(page.getByText(new RegExp(`^${label}, `))).toBeVisible();
  await expect(page.getByText(/Pour in grit as ballast, 2 cm/)).toBeVisible();
  await expect(page.getByText(/scoops?$/).first()).toBeVisible();

  // It is there again after a reload, and can be dropped.
  await page.goto('/plants/10/fit');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(title!.trim());
  await expect(page.getByText(/^Settled on/)).toBeVisible();
  await page.getByRole('button', { name: 'Drop the plan' }).click();
  await expect(page.getByText('Plan dropped.')).toBeVisible();
});

test('poles of settled plants are cut from the shelf, mesh from a roll, best and drawn', async ({
  page,
}) => {
  await page.goto('/fit/cuts');
  await expect(page.getByText('No plan buys less')).toBeVisible();
  await expect(page.getByText('85 cm, Purser')).toBeVisible();
  const before = await page.locator('.lead strong').textContent();
  await page.getByRole('button', { name: 'Add a piece' }).click();
  await page.getByLabel('Length').first().fill('110');
  await page.getByLabel('How many').first().fill('4');
  await expect(page.locator('.lead strong')).not.toHaveText(before!);
  await expect(page.getByRole('img', { name: /1 × 110 cm/ }).first()).toBeVisible();
  await choose(page, 'Kind of support', 'folded-sheet pole of damp moss');
  await expect(page.getByText(/off the roll; \d+ % of it is waste/)).toBeVisible();
  await page.getByLabel('Length').first().fill('900');
  await expect(page.getByRole('alert').first()).toContainText('pieces must fit into the stock');
});

test('what soaks is rinsed in one tap, a cover that is too narrow is refused by its field', async ({
  page,
}) => {
  await page.goto('/record/shelf');
  const clean = page.getByRole('button', { name: 'Clean: black 21' });
  await clean.click();
  await expect(page.getByText('Rinsed and free.')).toBeVisible();
  await expect(clean).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(clean).toBeVisible();

  await page.goto('/plants/2/edit');
  await choose(page, 'Stands in a cover pot', 'white cover 24');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(
    page.getByText(/white cover 24 does not take this pot: too narrow/).first(),
  ).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, cards: 'closed' });

  test('a fit is an answer and cards: the recipe is one swipe away, settling under the thumb, what was opened stays', async ({
    page,
  }) => {
    await page.goto('/plants/2/fit');
    const summary = (title: string) =>
      page.locator('summary', { has: page.getByRole('heading', { name: title, exact: true }) });
    await expect(summary('The mix')).toContainText(/\d+ × .+ in scoops of/);
    await expect(page.getByRole('button', { name: 'Settle on this' })).toBeInViewport();
    // One swipe: from the first screen no farther than the height of another.
    const { y } = (await summary('The mix').boundingBox())!;
    expect(y).toBeLessThan(844 + 300);
    await expect(page.getByRole('combobox', { name: 'Recipe' })).toBeHidden();
    await summary('The mix').click();
    await expect(page.getByRole('combobox', { name: 'Recipe' })).toBeVisible();
    await page.goto('/plants/1/fit');
    await expect(page.getByRole('combobox', { name: 'Recipe' })).toBeVisible();
    await expect(page.getByText('The ladder of pots')).toBeHidden();
    await summary('The mix').click();
    await expect(page.getByRole('combobox', { name: 'Recipe' })).toBeHidden();
  });
});
