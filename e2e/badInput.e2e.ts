import { expect, test } from './garden.ts';
import { choose } from './hands.ts';

test.use({
  viewport: { width: 1280, height: 800 },
});

test('a form with nothing in it names every field that is missing', async ({ page }) => {
  await page.goto('/plants/new');
  await page.locator('form').getByRole('button', { name: 'Add a plant' }).click();
  await expect(page.getByText('Please fill this in')).not.toHaveCount(0);
  await expect(page).toHaveURL(/\/plants\/new$/);
});

test('a 140 cm pot asks whether 14 cm was meant, and can be put right', async ({ page }) => {
  await page.goto('/plants/new');
  const width = page.getByLabel('Width at the rim');
  await width.fill('140');
  await expect(page.getByText('Did you mean 14 cm?')).toBeVisible();
  await page.getByRole('button', { name: 'Use 14 cm' }).click();
  await expect(width).toHaveValue('14');
});

test('impossible sizes and days in the future are named by the field', async ({ page }) => {
  await page.goto('/plants/new');
  await page.getByLabel('Width at the rim').fill('0');
  await page.getByLabel('Last repot').fill('2027-01-01');
  await page.locator('form').getByRole('button', { name: 'Add a plant' }).click();
  await expect(page.getByText('1 cm – 200 cm')).toBeVisible();
  await expect(page.getByText('This day is in the future').first()).toBeVisible();
  await page.getByLabel('Last repot').fill('2024-01-01');
  await page.getByText('More of it: height, support').click();
  await page.getByLabel('Came to you on').fill('2024-02-01');
  await page.locator('form').getByRole('button', { name: 'Add a plant' }).click();
  await expect(page.getByText('This is before it came to you').first()).toBeVisible();
  await page.getByLabel('Width at the rim').fill('wide');
  await expect(page.getByText('Please type a number above 0')).toBeVisible();
});

test('a pot whose base is wider than its top is taken', async ({ page }) => {
  await page.goto('/plants/new');
  await page.getByRole('button', { name: 'its measures' }).click();
  await page.getByLabel('Rim, across').fill('12');
  await page.getByLabel('Base, across').fill('16');
  await page.getByLabel('Height').first().fill('14');
  await expect(page.getByText(/holds [\d.]+ L filled/)).toBeVisible();
});

test('an unknown plant asks for its group', async ({ page }) => {
  await page.goto('/plants/new');
  await page.getByRole('combobox', { name: 'Plant' }).fill('Imaginaria nulla');
  await page.keyboard.press('Tab');
  const group = page.getByRole('combobox', { name: 'Group' });
  await expect(group).toBeVisible();
  await group.fill('tree');
  await page.getByRole('option', { name: 'tree ferns' }).click();
  await expect(group).toHaveValue('tree ferns');
});

test('what is typed survives a reload', async ({ page }) => {
  await page.goto('/plants/new');
  await page.getByLabel('Your name for it').fill('Half typed');
  await page.getByLabel('Width at the rim').fill('13.5');
  await page.reload();
  await expect(page.getByLabel('Your name for it')).toHaveValue('Half typed');
  await expect(page.getByLabel('Width at the rim')).toHaveValue('13.5');
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(page.getByLabel('Your name for it')).toHaveValue('');
});

test('a look that is half done survives a reload', async ({ page }) => {
  await page.goto('/plants/2/look');
  const holes = page.getByRole('group', { name: 'Roots at the drainage holes' });
  await holes.getByRole('button', { name: 'at one' }).click();
  await page.getByLabel('Note').fill('Seen by torchlight');
  await page.reload();
  await expect(page.getByText('Picked up where you left off.')).toBeVisible();
  await expect(holes.getByRole('button', { name: 'at one' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByLabel('Note')).toHaveValue('Seen by torchlight');
  await page.getByRole('button', { name: 'Start over' }).click();
});

test('a look survives a lost server and a reload, and is sent when it is back', async ({
  page,
}) => {
  await page.goto('/plants/2/look');
  const holes = page.getByRole('group', { name: 'Roots at the drainage holes' });
  await holes.getByRole('button', { name: 'at one' }).click();
  await page.getByLabel('Note').fill('Seen by lantern');
  await page.route('**/api/visits', (route) => route.abort());
  await page.getByRole('button', { name: 'Save 2 answers' }).click();
  await expect(page.getByRole('alert')).toContainText('kept here and sent as soon as it does');
  // The page tries by itself as it opens; only after that does it wait for a hand.
  const tried = page.waitForEvent('requestfailed', (one) => one.url().endsWith('/api/visits'));
  await page.reload();
  await tried;
  await expect(page.getByText('1 entry waits to be sent.')).toBeVisible();
  await page.unroute('**/api/visits');
  await page.getByRole('button', { name: 'Send now' }).click();
  await expect(page.getByText('1 entry sent.')).toBeVisible();
  await expect(page.getByText('1 entry waits to be sent.')).toBeHidden();
  await page.goto('/plants/2');
  await expect(page.getByText('Seen by lantern')).toBeVisible();
});

test('a file that is no picture is named, and nothing is lost', async ({ page }) => {
  await page.goto('/plants/2/look');
  await page.getByLabel('Note').fill('With a picture');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.txt', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('“notes.txt” is not a picture');
  await expect(page.getByLabel('Note')).toHaveValue('With a picture');
});

test('a repot before the plant arrived is refused by the date', async ({ page }) => {
  await page.goto('/plants/4/fit');
  await page.getByLabel('Day', { exact: true }).fill('2019-01-01');
  await page.getByRole('button', { name: 'Repotted: start aftercare' }).click();
  await expect(page.getByText(/must not be before the plant arrived/)).toBeVisible();
});

test('sizes can be typed in inches, and are shown in them', async ({ page }) => {
  await page.goto('/record/settings');
  await choose(page, 'Units', 'US');
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto('/plants/new');
  await page.getByLabel('Width at the rim').fill('6');
  await expect(page.getByText(/holds [\d.]+ (cups|qt) filled/)).toBeVisible();
  await page.goto('/plants/5/fit');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('in,');
  await page.goto('/record/settings');
  await choose(page, 'Units', 'metric');
  await expect(page.getByText('Saved.')).toBeVisible();
});

test('a scoop that holds nothing is refused by its field, and what was typed stays', async ({
  page,
}) => {
  await page.goto('/record/settings');
  const scoop = page.getByLabel('Your scoop');
  await scoop.fill('0.001');
  await scoop.press('Tab');
  await expect(page.getByText(/must be .*0\.01/)).toBeVisible();
  await expect(scoop).toHaveValue('0.001');
  await scoop.fill('');
  await scoop.press('Tab');
  await expect(page.getByText(/must be .*0\.01/)).toHaveCount(0);
});

test('an address that leads nowhere says so, and a server that is gone can be asked again', async ({
  page,
}) => {
  await page.goto('/somewhere/else');
  await expect(page.getByRole('link', { name: 'To the rounds' })).toBeVisible();
  await page.route('**/api/rounds?*', (route) => route.abort());
  await page.getByRole('link', { name: 'To the rounds' }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.unroute('**/api/rounds?*');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Ticket hall' })).toBeVisible();
});
