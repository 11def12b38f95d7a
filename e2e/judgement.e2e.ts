import { expect, test } from './garden.ts';
import { choose, openBehind } from './hands.ts';

/** Feeding the judgement and asking it: looks, logs, causes, what-ifs, the keeper's own word. */
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

test.describe('at the bench, on a phone', () => {
  test.use({ viewport: PHONE });

  test('answers are drawn, and every one is at least 48 px high', async ({ page }) => {
    await page.goto('/plants/20/look');
    await page.getByRole('button', { name: 'It is out of the pot' }).click();
    const answers = page.locator('.answers button, .examples button');
    const heights = await answers.evaluateAll((all) =>
      all.map((each) => each.getBoundingClientRect().height),
    );
    expect(heights.length).toBeGreaterThan(80);
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(48);
    const undrawn = await answers.evaluateAll((all) =>
      all.filter((each) => !each.querySelector('svg path')).map((each) => each.textContent),
    );
    expect(undrawn).toEqual([]);
  });

  test('the scale is taken only when it is steady, and the weight becomes part of the log', async ({
    page,
  }) => {
    await page.clock.install();
    await page.goto('/plants/24/look');
    await page.getByRole('button', { name: 'From the scale' }).click();
    const take = page.getByRole('button', { name: 'Take this weight' });
    await expect(take).toBeDisabled();
    await page.clock.runFor(10_000);
    await expect(page.getByText('steady', { exact: true })).toBeVisible();
    await take.click();
    await expect(page.getByLabel('Weight of the whole pot')).not.toHaveValue('');
    await page.getByRole('button', { name: 'Watered today' }).click();
    await page.getByRole('button', { name: 'Leaves and reservoir' }).click();
    await page.getByLabel('Reservoir pH').fill('6,1');
    await page.getByRole('button', { name: 'Save 3 answers' }).click();
    await expect(page).toHaveURL(/\/verdict$/);
    await page.goto('/plants/24');
    await expect(page.getByText('reservoir pH 6.1').first()).toBeVisible();
  });

  test('a picture is resized, kept, shown along the life, and removed', async ({ page }) => {
    await page.goto('/plants/24/look');
    const large = await page.evaluate(async () => {
      const canvas = document.createElement('canvas');
      canvas.width = 3000;
      canvas.height = 2000;
      const context = canvas.getContext('2d')!;
      context.fillStyle = '#6f8350';
      context.fillRect(0, 0, 3000, 2000);
      return canvas.toDataURL('image/png').split(',')[1]!;
    });
    await page.locator('input[type=file]').setInputFiles({
      name: 'leaf.png',
      mimeType: 'image/png',
      buffer: Buffer.from(large, 'base64'),
    });
    await expect(page.getByRole('img', { name: 'Picture kept.' })).toBeVisible();
    // Kept here until the look is saved, even over a reload.
    await page.reload();
    await expect(page.getByRole('img', { name: 'Picture kept.' })).toBeVisible();
    await page.getByRole('button', { name: 'Save 1 answer' }).click();
    await expect(page).toHaveURL(/\/verdict$/);
    await page.goto('/plants/24');
    const picture = page.getByRole('img', { name: /^Deckhand on/ });
    await expect(picture).toBeVisible();
    await expect
      .poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth))
      .toBe(1600);
    await page.getByRole('button', { name: 'Remove this picture' }).click();
    await expect(picture).toBeHidden();
  });

  test('one tap says that a whole spot is fine, and can be taken back', async ({ page }) => {
    await page.goto('/rounds');
    await page.getByRole('button', { name: 'All fine here: Slipway porch' }).click();
    await expect(page.getByText(/Noted for \d+ plants\./)).toBeVisible();
    await page.goto('/plants/20/verdict');
    await openBehind(page);
    await expect(page.getByText('walked past: nothing alarming was seen').first()).toBeVisible();
    await page.goto('/rounds');
    await page.getByRole('button', { name: 'All fine here: Slipway porch' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('Taken back.')).toBeVisible();
    await page.goto('/plants/20/verdict');
    await openBehind(page);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByText('walked past: nothing alarming was seen')).toHaveCount(0);
  });
});

test.describe('at the desk', () => {
  test.use({ viewport: DESK });

  test('rounds name the plants where one look is expected to save most, and why', async ({
    page,
  }) => {
    await page.goto('/rounds');
    await expect(page.getByText('One look is expected to save most at')).toBeVisible();
    await expect(page.getByText(/what would help most: .*worth/).first()).toBeVisible();
  });

  test('the log tells more use than the weather explains, with its cycles, chart and table', async ({
    page,
  }) => {
    await page.goto('/plants/1');
    await expect(
      page.getByText(/more water than the weather explains \(\d+ waterings\)/),
    ).toBeVisible();
    await expect(page.locator('.chart canvas')).toBeVisible();
    await page.getByText(/The \d+ waterings as a table/).click();
    await expect(page.getByRole('columnheader', { name: 'g a day' })).toBeVisible();
    await page.goto('/plants/1/verdict');
    await openBehind(page);
    await expect(page.getByText(/more water than the weather explains/).first()).toBeVisible();
  });

  test('growth is a rate with its band', async ({ page }) => {
    await page.goto('/plants/8');
    await expect(page.getByText(/Grows [\d.]+ cm a month at full growth \(/)).toBeVisible();
  });

  test('trouble that is not the pot’s is told first, with causes and the check', async ({
    page,
  }) => {
    await page.goto('/plants/25/verdict');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Trouble-shoot first');
    const causes = page.locator('section', { hasText: 'The pot is not always the cause' });
    await expect(causes.getByText('too dark').first()).toBeVisible();
    await expect(causes.getByText(/The one check that tells/)).toBeVisible();
  });

  test('a what-if changes verdict and curves at once, and writes nothing', async ({ page }) => {
    await page.goto('/plants/22/verdict');
    const title = page.getByRole('heading', { level: 1 });
    const before = await title.textContent();
    await page.getByRole('button', { name: 'What if' }).click();
    await page.getByLabel('A finding …').fill('rot');
    await page.getByRole('option', { name: 'Rot', exact: true }).click();
    await page.getByRole('button', { name: 'in the stem' }).click();
    await expect(title).toContainText('Rescue it now');
    await expect(page.getByText('This is a what-if. Nothing is written down.')).toBeVisible();
    await page.getByRole('button', { name: 'Back to today' }).click();
    await expect(title).toHaveText(before!);
    await page.getByRole('slider').press('End');
    await expect(page.getByText('on 15 Mar 2027')).toBeVisible();
    await page.reload();
    await expect(title).toHaveText(before!);
  });

  test('what a verdict asks for is done in one tap, ends its finding, and is taken back', async ({
    page,
  }) => {
    await page.goto('/plants/12/verdict');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(
      'No new pot: flush salts out.',
    );
    await page.getByRole('button', { name: 'Done today' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Leave it.');
    await expect(page.getByText('salt has gathered')).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(
      'No new pot: flush salts out.',
    );
  });

  test('a verdict is overruled with a reason until a day, shown, and taken back', async ({
    page,
  }) => {
    await page.goto('/plants/10/verdict');
    await page.getByRole('button', { name: 'Overrule this verdict' }).click();
    await page.getByRole('button', { name: 'Overrule it', exact: true }).click();
    await expect(page.getByText('Please fill this in')).toBeVisible();
    await page.getByLabel('Reason').fill('Wedding on the quay');
    await page.getByRole('button', { name: 'Overrule it', exact: true }).click();
    await expect(page.getByText('Your own word').first()).toBeVisible();
    await expect(page.getByText('Wedding on the quay').first()).toBeVisible();
    await page.goto('/rounds');
    await expect(page.getByText('new growth presses on the pot wall')).toBeHidden();
    await page.goto('/plants/10/verdict');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByText('Wedding on the quay')).toHaveCount(0);
  });

  test('the year shows every plant, is filtered, and is walked by keyboard', async ({ page }) => {
    await page.goto('/verdicts');
    await page.getByRole('button', { name: 'Year' }).click();
    const rows = page.locator('.row-link');
    await expect(rows.first()).toBeVisible();
    await expect(page.getByText('48 plants')).toBeVisible();
    expect(await rows.count()).toBe(48);
    const fortieth = await rows.nth(39).boundingBox();
    expect(fortieth!.y + fortieth!.height).toBeLessThanOrEqual(900);
    await choose(page, 'Verdict', 'Rescue now');
    await expect(page.getByText(/^1 of \d+ plants/)).toBeVisible();
    await rows.first().focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Rescue it now');
    await page.goto('/verdicts');
    await rows.first().focus();
    await page.keyboard.press('ArrowDown');
    await expect(rows.nth(1)).toBeFocused();
    await page.getByRole('button', { name: 'List' }).click();
  });

  test('a plant’s own trait and school win, and go back to the usual', async ({ page }) => {
    await page.goto('/plants/23');
    const traits = page.locator('section', { hasText: 'What Fernbank assumes of it' });
    await traits.getByRole('button', { name: 'Edit' }).click();
    await choose(page, 'Vigour', 'slow');
    await expect(page.getByText('usually middling')).toBeVisible();
    await choose(page, 'When to repot', 'whenever it needs it');
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.goto('/plants/23/verdict');
    await openBehind(page);
    await expect(page.getByRole('row', { name: /whenever it needs it \(yours\)/ })).toBeVisible();
  });

  test('a group has its school, and a spot its months from the sensor', async ({ page }) => {
    await page.goto('/record/settings');
    await page.getByRole('combobox', { name: 'Group' }).fill('staghorn');
    await page.getByRole('option', { name: 'staghorn ferns' }).click();
    await page.getByRole('button', { name: 'Add a group' }).click();
    await expect(page.getByText('staghorn ferns').first()).toBeVisible();
    await page
      .locator('.group')
      .getByRole('combobox', { name: 'When to repot' })
      .press('ArrowDown');
    await page.getByRole('option', { name: 'whenever it needs it' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.goto('/plants/6/verdict');
    await openBehind(page);
    await expect(page.getByRole('row', { name: /whenever it needs it \(yours\)/ })).toBeVisible();
    await page.goto('/record/settings');
    await page.getByRole('button', { name: 'Remove: staghorn ferns' }).click();
    await expect(page.locator('.group')).toHaveCount(0);

    await page.getByRole('button', { name: 'Edit spot: Propagation shelf' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Listen' }).click();
    await expect(dialog.getByText(/\d+ readings kept, over \d+ days/)).toBeVisible();
    await dialog.getByRole('button', { name: 'Use these months' }).click();
    await expect(dialog.getByLabel('Jan')).toBeVisible();
    await dialog.getByRole('button', { name: 'Save spot' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByText(/ to .* over the year/).last()).toBeVisible();
  });
});
