import { expect, test } from './garden.ts';
import { settled, takeBack } from './hands.ts';

/** One plant in the hand, from nothing: few taps, little time, and what is said then is said everywhere. */

const PHONE = { width: 390, height: 844 };
const MOST_TAPS = 10;
const MOST_SECONDS = 45;
/** A hand finds the next thing to tap in about so long. */
const PER_TAP_SECONDS = 2.5;

test.describe('from an empty start, on a phone', () => {
  test.use({ place: 'empty', viewport: PHONE, timezoneId: 'Europe/London' });

  test('a plant is asked about in ten taps and 45 seconds, kept by one more, and every page agrees', async ({
    page,
  }) => {
    await page.addInitScript(() => {
      addEventListener('pointerdown', () => {
        const taps = Number(sessionStorage.getItem('taps') ?? 0);
        sessionStorage.setItem('taps', String(taps + 1));
      });
    });
    const taps = () => page.evaluate(() => Number(sessionStorage.getItem('taps')));
    await page.goto('/');
    const began = Date.now();
    await page.getByRole('link', { name: 'Ask about this plant' }).click();
    const plant = page.getByRole('combobox', { name: 'Plant' });
    await plant.click();
    await plant.pressSequentially('hare');
    await page.getByRole('option', { name: /Davallia fejeensis/ }).click();
    await page.getByRole('button', { name: '13 cm', exact: true }).click();
    await page.getByRole('button', { name: 'longer ago' }).click();
    const pickers = page.locator('.question');
    await expect(pickers).toHaveCount(3);
    await page
      .getByRole('group', { name: 'Roots at the drainage holes' })
      .getByRole('button', { name: 'at every one' })
      .click();
    await page.getByRole('group', { name: 'Smell' }).getByRole('button', { name: 'fresh' }).click();
    // The answer's first line is in sight while questions still are.
    await expect(page.locator('.strip, .answer h2').first()).toContainText(/^.*Repot/s);
    const answer = page.locator('.answer');
    const headline = await answer.locator('h2').innerText();
    expect(headline).toMatch(/^Repot /);
    await expect(answer).toContainText(/A 1[5-7] cm pot/);
    await expect(answer).toContainText(/\d × bark/);
    await expect(answer).toContainText(
      'indoors at 52° N; light: bright room, away from glass. A guess, by the time zone of this device.',
    );
    const pot = await answer.locator('dd strong').first().innerText();
    // Three pots at one scale, the advised one between a smaller and a larger.
    const pots = answer.getByRole('list', { name: 'Three pots at one scale' });
    const told = await pots.getByRole('listitem').allInnerTexts();
    expect(told).toHaveLength(3);
    expect(told[1]).toContain('advised');
    const [small, advised, large] = told.map((text) => Number.parseFloat(text));
    expect(pot).toContain(`${advised} cm`);
    expect(small).toBeLessThan(advised!);
    expect(large).toBeGreaterThan(advised!);
    const used = await taps();
    const seconds = (Date.now() - began) / 1000 + used * PER_TAP_SECONDS;
    expect(used).toBeLessThanOrEqual(MOST_TAPS - 1);
    expect(seconds).toBeLessThanOrEqual(MOST_SECONDS);

    const written = page.waitForResponse((one) => one.url().endsWith('/api/plants/asked'));
    await page.getByRole('button', { name: 'Keep it in the collection' }).click();
    const deed = Number((await written).headers()['x-fernbank-deed']);
    expect(await taps()).toBeLessThanOrEqual(MOST_TAPS);
    await expect(page).toHaveURL(/\/verdict$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(headline);
    await page.goto(page.url().replace('verdict', 'fit'));
    await settled(page);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(pot);
    await page.goto('/record/settings');
    await expect(page.getByText('Room (a guess)').first()).toBeVisible();
    await page.goto('/ask');
    // What was kept is asked no more.
    await expect(page.getByRole('combobox', { name: 'Plant' })).toHaveValue('');
    // Other tests begin with nothing: plant, room and look go as one.
    await takeBack(page, deed);
    const left = (await (await page.request.get('/api/spots')).json()) as { items: object[] };
    expect(left.items).toEqual([]);
  });
});

test.describe('in a house with a shelf, at the desk', () => {
  test.use({ viewport: { width: 1280, height: 800 } });

  test('pots of the shelf and of other plants are offered as the fit will offer them', async ({
    page,
  }) => {
    await page.goto('/rounds');
    await page.getByRole('link', { name: 'Ask about this plant' }).click();
    await page.getByRole('combobox', { name: 'Plant' }).fill('aspid');
    await page.getByRole('option', { name: /Aspidistra elatior/ }).click();
    await page.getByRole('button', { name: '15 cm', exact: true }).click();
    await page.getByRole('button', { name: 'longer ago' }).click();
    await page
      .getByRole('group', { name: 'Roots at the drainage holes' })
      .getByRole('button', { name: 'a mat beneath' })
      .click();
    const answer = page.locator('.answer');
    // The answer stands beside what is said, in sight while it is.
    await expect(answer.locator('h2')).toBeInViewport();
    const headline = await answer.locator('h2').innerText();
    const pot = await answer.locator('dd strong').first().innerText();
    const written = page.waitForResponse((one) => one.url().endsWith('/api/plants/asked'));
    await page.getByRole('button', { name: 'Keep it in the collection' }).click();
    const deed = Number((await written).headers()['x-fernbank-deed']);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(headline);
    await page.goto(page.url().replace('verdict', 'fit'));
    await settled(page);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(pot);
    await takeBack(page, deed);
  });
});
