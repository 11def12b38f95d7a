import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, TODAY, type Page } from './garden.ts';
import { choose } from './hands.ts';
import { OwnServer } from '../scripts/ownServer.ts';

test.use({ viewport: { width: 1280, height: 800 } });

/** A server of the test's own, which it may stop, on a collection of its own. */
class Server extends OwnServer {
  private readonly folder: string;

  constructor() {
    const folder = mkdtempSync(join(tmpdir(), '.fernbank-e2e-'));
    super({
      FERNBANK_DB: join(folder, 'collection.sqlite'),
      FERNBANK_TODAY: TODAY,
    });
    this.folder = folder;
  }
  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

const plantsOf = async (page: Page, address: string) =>
  (
    (await (await page.request.get(`${address}/api/plants?limit=1000`)).json()) as {
      items: object[];
    }
  ).items;

async function addPlant(page: Page, address: string, name: string): Promise<number> {
  const post = async (path: string, data: object) =>
    (await page.request.post(`${address}/api${path}`, { data })).json() as Promise<{ id: number }>;
  const { id: spotId } = await post('/spots', { name: 'Net loft', latitudeDeg: 54 });
  const pot = { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 };
  const plant = { name, taxon: 'Aspidistra elatior', spotId, pot, mediumKind: 'peatSoil' };
  return (await post('/plants', plant)).id;
}

test('a plant that is deleted is put back from the line at the foot, and from the bin', async ({
  page,
}) => {
  await page.goto('/plants/8');
  const name = (await page.getByRole('heading', { level: 1 }).textContent())!.trim();
  await page.getByRole('button', { name: 'Delete' }).first().click();
  await expect(page).toHaveURL(/\/record$/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page).toHaveURL(/\/plants\/8$/);
  await page.getByRole('button', { name: 'Delete' }).first().click();
  await expect(page).toHaveURL(/\/record$/);
  await page.goto('/record/past');
  const entry = page
    .getByRole('listitem')
    .filter({ hasText: name })
    .filter({ hasText: 'days left' });
  await entry.getByRole('button', { name: 'Put back' }).click();
  // Others may have left something there.
  await expect(entry).toHaveCount(0);
  await page.goto('/plants/8');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(name);
});

test('a CSV is brought in row by row judged, and taken back as one', async ({ page }) => {
  await page.goto('/record/import');
  await page.locator('input[type=file]').setInputFiles({
    name: 'collection.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Name;Scientific name;Location;Pot (in);Repotted\nMooring;Aspidistra elatior;Ropewalk;6;25/03/2024\nHalyard;Planta nulla;Ropewalk;5;1/5/2024\n',
    ),
  });
  await expect(page.getByText('“Planta nulla” is not in the catalogue')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring in 1 plant' })).toBeEnabled();
  await choose(page, '“Planta nulla” belongs to', 'foliage clumps');
  await page.getByRole('button', { name: 'Bring in 2 plants' }).click();
  await expect(page.getByRole('heading', { name: 'Brought in 2.' })).toBeVisible();
  await page.goto('/record');
  await expect(page.getByText('Mooring')).toBeVisible();
  await page.goto('/record/past');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Brought in: 2 plants' })
    .getByRole('button', { name: 'Take back' })
    .click();
  await expect(page.getByText('Taken back.')).toBeVisible();
  await page.goto('/record');
  await expect(page.getByText('Mooring')).toBeHidden();
});

test('a backup of the garden restores into an empty Fernbank, and what was there comes back', async ({
  page,
  garden,
  empty,
}) => {
  await page.goto('/record/keeping');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save a backup' }).click(),
  ]);
  const archive = readFileSync(await download.path());
  expect(archive.subarray(0, 2).toString()).toBe('PK');
  const before = await plantsOf(page, empty);
  await page.goto(`${empty}/record/keeping`);
  await page.locator('input[accept*=zip]').setInputFiles({
    name: 'garden.zip',
    mimeType: 'application/zip',
    buffer: archive,
  });
  await page.getByRole('dialog').getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('Restored. What was there before')).toBeVisible();
  expect(await plantsOf(page, empty)).toEqual(await plantsOf(page, garden));
  await page
    .getByRole('button', { name: /^Restore: / })
    .first()
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('Restored. What was there before')).toBeVisible();
  // The line at the foot may still be that of before.
  await expect.poll(() => plantsOf(page, empty)).toEqual(before);
});

test('two windows: the other’s change shows by itself, and a conflict is a choice with both versions', async ({
  page,
  browser,
  garden,
}) => {
  const elsewhere = await (
    await browser.newContext({ baseURL: garden, serviceWorkers: 'block' })
  ).newPage();
  await page.goto('/plants/10/edit');
  const note = (on: Page) => on.getByRole('textbox', { name: 'Note' });
  const before = await note(page).inputValue();
  await note(page).fill('written at the bench');
  // It listens once the page has settled.
  const listens = elsewhere.waitForResponse(
    (response) => new URL(response.url()).pathname === '/api/events',
  );
  await elsewhere.goto('/plants/10');
  const name = (await elsewhere.getByRole('heading', { level: 1 }).textContent())!.trim();
  await listens;
  await page.request.patch('/api/plants/10', {
    data: { name: `${name} II`, note: 'written at the desk' },
  });
  await expect(elsewhere.getByRole('heading', { level: 1 })).toContainText(`${name} II`);
  await page.getByRole('button', { name: 'Save' }).click();
  const dialog = page.getByRole('dialog').filter({ hasText: 'Changed on both sides' });
  await expect(dialog).toContainText('written at the bench');
  await expect(dialog).toContainText('written at the desk');
  // The name was changed there alone: that is nothing to ask about.
  await expect(dialog.getByRole('group')).toHaveCount(1);
  await dialog.getByRole('button', { name: 'Save what I chose' }).click();
  await expect(page).toHaveURL(/\/plants\/10$/);
  const kept = (await (await page.request.get('/api/plants/10')).json()) as object;
  expect(kept).toMatchObject({ name: `${name} II`, note: 'written at the bench' });
  await page.request.patch('/api/plants/10', { data: { name, note: before } });
});

test('keys: the list of them on ?, places by g, search by /, all without a mouse', async ({
  page,
}) => {
  await page.goto('/rounds');
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog').getByRole('heading', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('g');
  await page.keyboard.press('c');
  await expect(page).toHaveURL(/\/record$/);
  await page.getByRole('link', { name: /Gangway/ }).waitFor();
  await page.keyboard.press('/');
  await page.keyboard.type('gangway');
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(1);
});

test.describe('with a server that can be stopped', () => {
  const server = new Server();
  test.afterAll(() => server.end());

  test('asked for its passphrase by another machine, it lets in only who gives it', async ({
    page,
  }) => {
    expect(await server.start({ FERNBANK_PASSPHRASE: 'three mossy ferry ropes' })).toBe(true);
    await page.goto(`${server.address}/record/keeping`);
    await page.getByLabel('Passphrase').fill('three mossy ferry rope');
    await page.getByRole('button', { name: 'Come in' }).click();
    await expect(page.getByText('that is not the passphrase')).toBeVisible();
    await page.getByLabel('Passphrase').fill('three mossy ferry ropes');
    await page.getByLabel('Name of this device').fill('bench phone');
    await page.keyboard.press('Enter');
    await expect(page.getByText('bench phone')).toBeVisible();
    await page.getByRole('button', { name: 'Sign out: bench phone' }).click();
    await expect(page.getByRole('heading', { name: 'Who is there?' })).toBeVisible();
    await server.kill();
  });

  test('opens without it, takes looks meanwhile, and sends each once when it is back', async ({
    browser,
  }) => {
    expect(await server.start()).toBe(true);
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'allow',
    });
    const page = await context.newPage();
    const id = await addPlant(page, server.address, 'Lantern');
    await page.goto(`${server.address}/rounds`);
    await page.evaluate(() => navigator.serviceWorker.ready);
    // The first load was not its own yet.
    await page.reload();
    await page.goto(`${server.address}/plants/${id}/look`);
    await page.getByRole('heading', { name: 'Lantern' }).waitFor();
    await server.kill();

    await page.goto(`${server.address}/plants/${id}/look`);
    await expect(page.getByText('You see the collection as of')).toBeVisible();
    await page
      .getByRole('group', { name: 'Pot bulging' })
      .getByRole('button', { name: 'yes' })
      .click();
    await page.getByRole('button', { name: 'Save 1 answer' }).click();
    await expect(page.getByText('1 entry waits to be sent.')).toBeVisible();
    await page.reload();
    await expect(page.getByText('1 entry waits to be sent.')).toBeVisible();

    expect(await server.start()).toBe(true);
    await page.getByRole('button', { name: 'Send now' }).click();
    await expect(page.getByText('waits to be sent')).toBeHidden();
    const looks = async () =>
      (
        (await (await page.request.get(`${server.address}/api/looks?plantId=${id}`)).json()) as {
          items: object[];
        }
      ).items;
    expect(await looks()).toHaveLength(1);
    expect((await looks())[0]).toMatchObject({ signals: { potBulging: true } });
    await context.close();
  });
});
