import { freshPath, OwnServer } from '../scripts/ownServer.ts';
import { expect, test } from './garden.ts';
import { settled } from './hands.ts';

const SIZES = [
  { name: 'at the desk', width: 1280, height: 800 },
  { name: 'on the phone', width: 390, height: 844 },
] as const;

for (const { name, ...viewport } of SIZES) {
  test(`the demo opens in its spring, goes on when asked, answers a look, and begins anew ${name}`, async ({
    page,
  }) => {
    const path = freshPath(`e2e-demo-${viewport.width}`);
    const server = new OwnServer({}, undefined, ['demo', path]);
    expect(await server.start(), server.said).toBe(true);
    try {
      await page.setViewportSize(viewport);
      await page.goto(`${server.address}/rounds`);
      const band = page.getByRole('complementary', { name: 'A garden made up for trying.' });
      await expect(band).toContainText('16 Mar');
      const turn = async (hand: string | RegExp) => {
        if (viewport.width < 960) await band.getByRole('button', { name: 'Go on' }).click();
        await page.getByText(hand, { exact: typeof hand === 'string' }).click();
      };
      await turn('A week on');
      await expect(band).toContainText('23 Mar');
      await expect(page.getByText('What asks for attention on 23 Mar 2026')).toBeVisible();
      await turn(/^On to \d+ \w+$/);
      await expect(band).not.toContainText('23 Mar');

      await page
        .getByRole('link', { name: 'Look at it' })
        .or(page.locator('a[href$="/look"]'))
        .first()
        .click();
      await page.getByRole('button', { name: 'Look for me' }).click();
      await expect(page.getByText('Filled in with what you would find today.')).toBeVisible();
      await page.getByRole('button', { name: /^Save \d+ answers$/ }).click();
      await page.waitForURL(/verdict/);
      await settled(page);

      await turn('Begin anew');
      const asked = page.getByRole('dialog');
      await expect(asked).toContainText('It goes back to 16 Mar 2026');
      await asked.getByRole('button', { name: 'Begin anew' }).click();
      await expect(page.getByText('What asks for attention on 16 Mar 2026')).toBeVisible();
    } finally {
      await server.kill();
    }
  });
}
