import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { freshPath, serving } from '../scripts/ownServer.ts';
import { expect, test, TODAY, type Page } from './garden.ts';
import { choose, settled, takeBack } from './hands.ts';

/** What follows a repot: outcomes, reservoirs, the tray, labels, a bench for several devices. */
test.use({ viewport: { width: 390, height: 844 } });

test('a repot is judged in three taps from Rounds, and taken back', async ({ page }) => {
  await page.goto('/rounds');
  await page.getByRole('link', { name: 'How did it go? Deckhand' }).click();
  await page.getByRole('button', { name: 'new growth' }).click();
  await expect(page.getByRole('button', { name: /it thrives/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'Write it down' }).click();
  // The walk goes on where the question was met.
  await expect(page).toHaveURL(/\/rounds$/);
  await expect(page.getByRole('link', { name: 'How did it go? Deckhand' })).toBeHidden();
  await page.goto('/plants/24');
  await expect(page.getByText('How did it go? (3 weeks)')).toBeVisible();
  await page.goto('/plants/24/outcome');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await page.goto('/rounds');
  await expect(page.getByRole('link', { name: 'How did it go? Deckhand' })).toBeVisible();
});

test('a dry wick is an alarm in Rounds until it is flushed, and again when that is undone', async ({
  page,
}) => {
  const alarm = page.getByRole('alert').filter({ hasText: 'Ropewalk' });
  await page.goto('/rounds');
  await expect(alarm).toContainText('Its wick is dry: flush at once');
  await page.goto('/aftercare/water');
  const card = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /Ropewalk/ }) });
  await expect(card).toContainText('refilling is not enough');
  await card.getByRole('button', { name: 'Flushed' }).click();
  await expect(card).not.toContainText('Its wick is dry');
  await expect(card).toContainText('450 mL left (100 %)');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(card).toContainText('Its wick is dry');
});

test('the pen is read once it has settled, and the reading stands with the fresh one', async ({
  page,
}) => {
  await page.clock.install();
  await page.goto('/aftercare/water');
  const card = page.locator('section').filter({ has: page.getByRole('heading', { name: /Buoy/ }) });
  await card.getByRole('button', { name: 'Read the pen' }).click();
  const take = page.getByRole('button', { name: 'Take both readings' });
  await expect(take).toBeDisabled();
  await page.clock.runFor(30_000);
  await expect(take).toBeEnabled();
  await take.click();
  await expect(card).toContainText(/pH 6\.[23]\d?, 6 when fresh/);
});

test('rooted cuttings are potted on into the collection, and back into the tray', async ({
  page,
}) => {
  await page.goto('/aftercare/tray');
  const card = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Tidewrack cuttings' }) });
  await card.getByRole('button', { name: 'Pot on' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Lift it out of the water with its roots as they are');
  await expect(dialog.getByLabel('How many')).toHaveValue('4');
  // More than there are is refused at its field, and stays typed.
  await dialog.getByLabel('How many').fill('9');
  await dialog.getByRole('button', { name: 'They are potted' }).click();
  await expect(dialog).toContainText('count must be at most the 4 that live, got 9');
  await dialog.getByLabel('How many').fill('2');
  await dialog.getByRole('button', { name: 'They are potted' }).click();
  await expect(card).toContainText('2 in the tray · 1 lost · 2 potted on');
  await card.getByRole('link', { name: 'Tidewrack cuttings 1' }).click();
  await expect(
    page.getByRole('heading', { name: 'Open tasks' }).or(page.getByText('First water')).first(),
  ).toBeVisible();
  await page.goBack();
  const { items } = await (await page.request.get('/api/batches/tray')).json();
  const batch = items.find(({ name }: { name: string }) => name === 'Tidewrack cuttings');
  await takeBack(page, batch.children[0].deed);
  await page.reload();
  await expect(card).toContainText('4 in the tray · 1 lost');
});

test('a label’s code, photographed, opens the plant; sheets print on A4 and on Letter', async ({
  page,
  garden,
}) => {
  await page.setViewportSize({ width: 1280, height: 900 });
  await page.goto('/record/labels?plants=5,15');
  const code = page.getByRole('img', { name: 'Code that opens the page of Gangway' });
  const { data, width, height } = PNG.sync.read(await code.screenshot());
  expect(jsQR(new Uint8ClampedArray(data), width, height)?.data).toBe(`${garden}/plants/5`);
  // PDF measures in points: 72 to the inch.
  const paper = async () => {
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    const [, across, down] = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf)!;
    return [Math.round((Number(across) / 72) * 25.4), Math.round((Number(down) / 72) * 25.4)];
  };
  expect(await paper()).toEqual([210, 297]);
  await choose(page, 'Sheet', '30 on Letter, 66.7 × 25.4 mm');
  expect(await paper()).toEqual([216, 279]);
});

test('a bench sheet is one page, on A4 and on Letter', async ({ page }) => {
  for (const paper of ['a4', 'letter']) {
    await page.request.patch('/api/settings', { data: { paper } });
    await page.goto('/plants/15/sheet');
    await settled(page);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf.match(/\/Type \/Page\b(?!s)/g), paper).toHaveLength(1);
  }
  await page.request.patch('/api/settings', { data: { paper: 'a4' } });
});

test('two devices share the bench: a step ticked on both is done once, and what is found reaches the other', async ({
  browser,
  garden,
}) => {
  const device = async () => {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    await page.goto(`${garden}/plants/14/bench`);
    await expect(page.getByText(/^Step 1 of \d+/)).toBeVisible();
    return page;
  };
  const one = await device();
  const two = await device();
  const done = (page: Page) => page.getByRole('button', { name: 'Done', exact: true });
  await done(one).click();
  await done(two).click();
  for (const page of [one, two]) {
    await expect(page.getByText(/^1 of \d+ steps done/).first()).toBeVisible();
  }
  await one.getByText('What was found instead').click();
  await choose(one, 'Roots alive', '40 %');
  await expect(two.getByText(/^The batch fits|left over|more must be mixed/).first()).toBeVisible();
  const { items } = await (await one.request.get(`${garden}/api/benches`)).json();
  expect(items).toMatchObject([{ plantId: 14, found: { liveRoots: 0.4 } }]);
  expect(items[0].done).toHaveLength(1);
  // A third device picks up where the others are.
  const three = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await three.goto(`${garden}/plants/14/bench`);
  await expect(three.getByText(/^Step 2 of \d+/)).toBeVisible();
  await three.context().close();
  await one.getByRole('button', { name: 'Take it off the bench' }).click();
  await expect(one).toHaveURL(/\/plants\/14\/fit$/);
  await one.context().close();
  await two.context().close();
});

test('a timer outlives the page, the server, and the device it was started on', async ({
  browser,
}) => {
  // A server of its own, which is stopped and started again on the same collection.
  const server = await serving({ FERNBANK_DB: freshPath('e2e-bench'), FERNBANK_TODAY: TODAY });
  const post = async (to: string, body: object) =>
    (await fetch(`${server.address}/api${to}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }).then((answer) => answer.json())) as { id: number };
  const spot = await post('/spots', { name: 'Sill', latitudeDeg: 54 });
  const plant = await post('/plants', {
    name: 'Mooring',
    taxon: 'Oncidium',
    spotId: spot.id,
    pot: { shape: 'round', topDiameterCm: 12, baseDiameterCm: 9, heightCm: 11 },
    mediumKind: 'bark',
  });
  const bench = `${server.address}/plants/${plant.id}/bench`;
  const one = await browser.newPage();
  await one.goto(bench);
  await one.getByRole('button', { name: /Start the timer/ }).click();
  await expect(one.getByRole('timer').first()).toBeVisible();
  await server.kill('SIGTERM');
  // Without a server the bench goes on, and what is tapped waits.
  await one.getByRole('button', { name: 'Done', exact: true }).click();
  await one.getByRole('button', { name: /Start the timer/ }).click();
  await expect(one.getByText(/^1 of \d+ steps done/).first()).toBeVisible();
  expect(await server.start()).toBe(true);
  await one.reload();
  await expect(one.getByText(/^1 of \d+ steps done/).first()).toBeVisible();
  await expect(one.getByRole('list', { name: 'Timers of the bench' })).toContainText('Mooring');
  // Another device knows of it too.
  const other = await browser.newPage();
  await other.goto(bench);
  await expect(other.getByRole('list', { name: 'Timers of the bench' })).toContainText('Mooring');
  await expect(other.getByText(/^1 of \d+ steps done/).first()).toBeVisible();
  await one.close();
  await other.close();
  await server.kill('SIGTERM');
});

test('more pieces than its roots allow are refused where they are chosen', async ({ page }) => {
  await page.goto('/plants/2/fit');
  await choose(page, 'Divide into', '4 pieces');
  await page.getByLabel('Growths counted').fill('12');
  await page.getByLabel('Live roots counted').fill('5');
  await expect(
    page.getByText('4 pieces are too many: 5 roots, at least 2 on each piece: 2 pieces at most'),
  ).toBeVisible();
  await page.getByLabel('Live roots counted').fill('9');
  await expect(page.getByText(/are too many/)).toBeHidden();
});

test('another school changes the steps of the same plant, with its own caution', async ({
  page,
}) => {
  const steps = async () => {
    await page.goto('/plants/13/bench');
    await page.getByText('All steps').click();
    return (await page.locator('ol.all').innerText()).split('\n');
  };
  const air = await steps();
  expect(air.some((step) => step.includes('dry, moving air'))).toBe(true);
  await page.request.patch('/api/settings', {
    data: { rotSchool: 'peroxide', weakRootSchool: 'anchors' },
  });
  const peroxide = await steps();
  expect(peroxide.some((step) => step.includes('3 % hydrogen peroxide'))).toBe(true);
  expect(peroxide.some((step) => step.includes('dry, wiry ones'))).toBe(true);
  await page.locator('ol.all button').filter({ hasText: 'hydrogen peroxide' }).click();
  await expect(page.getByText(/Never with bleach or vinegar/)).toBeVisible();
  await page.request.patch('/api/settings', {
    data: { rotSchool: 'dryAir', weakRootSchool: 'cutAll' },
  });
  await page.getByRole('button', { name: 'Take it off the bench' }).click();
});

test('a task is moved by hand, says so, and goes back', async ({ page }) => {
  await page.goto('/aftercare');
  await page
    .getByRole('button', { name: /Move to another day: Look after a season, Fletching/ })
    .click();
  await page.getByRole('textbox', { name: 'Day' }).fill('2026-08-30');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/Moved: moved by hand from/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText(/30 Aug/)).toBeHidden();
});

test('bottles are poured in an order in which nothing falls out, none above its label', async ({
  page,
}) => {
  await page.goto('/aftercare/solutions');
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Several bottles in one can' }) });
  await expect(panel.getByRole('listitem').nth(0)).toContainText('1. B: 20 mL');
  await expect(panel.getByRole('listitem').nth(1)).toContainText('2. A: 20 mL; calcium');
  await panel.getByLabel('Wanted').first().fill('9');
  await expect(
    panel.getByText('The rate must not be above the label’s 5 mL/L, got 9'),
  ).toBeVisible();
});

test('a photo is taken at a step and stands with the plant; at three weeks it is the first beside the new one', async ({
  page,
}) => {
  const picture = new PNG({ width: 24, height: 24 });
  picture.data.fill(180);
  const file = { name: 'roots.png', mimeType: 'image/png', buffer: PNG.sync.write(picture) };
  await page.goto('/plants/24/bench');
  await page.getByLabel('Photo of this step').setInputFiles(file);
  await expect(page.getByRole('img', { name: /^Photo: / })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: /^Photo: / })).toBeVisible();
  await page.goto('/plants/24/outcome');
  await expect(page.getByRole('img', { name: /Deckhand/ })).toHaveCount(1);
  const other = new PNG({ width: 32, height: 24 });
  other.data.fill(90);
  await page
    .getByLabel('Take a photo')
    .setInputFiles({ ...file, name: 'now.png', buffer: PNG.sync.write(other) });
  await expect(page.getByRole('img', { name: /Deckhand/ })).toHaveCount(2);
  const { photos } = await (await page.request.get('/api/plants/24/file')).json();
  // In lists a plant is known by its own picture.
  await page.goto('/record');
  const own = page.locator('a[href="/plants/24"] img');
  await expect(own).toBeVisible();
  expect(photos.map(({ id }: { id: number }) => `/api/photos/${id}`)).toContain(
    await own.getAttribute('src'),
  );
  for (const { id } of photos) await page.request.delete(`/api/photos/${id}`);
  await page.goto('/plants/24/bench');
  await page.getByRole('button', { name: 'Take it off the bench' }).click();
});

test('a cutting instead of a pole on a grown plant is planned from its fit, and waits in the tray', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 900 });
  await page.goto('/plants/15/fit');
  const school = page.getByRole('listitem').filter({ hasText: 'restart a cutting at its foot' });
  await school.getByRole('button').click();
  await page.getByRole('button', { name: 'Plan the cutting in the tray' }).click();
  await expect(page.getByText('A cutting is planned in the tray.')).toBeVisible();
  await page.goto('/aftercare/tray');
  const card = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Fletching, cutting', exact: true }) });
  await expect(card).toContainText('Planned for');
  await card.getByRole('button', { name: 'It is cut today' }).click();
  await expect(card).toContainText('in the tray');
  await card.getByRole('button', { name: 'Remove the batch' }).click();
  await expect(card).toHaveCount(0);
});
