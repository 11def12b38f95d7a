import { createHash, X509Certificate } from 'node:crypto';
import { rmSync } from 'node:fs';
import { chromium, type Browser, type Page } from '@playwright/test';
import readQr from 'jsqr';
import { PNG } from 'pngjs';
import { fillGarden } from '../demo/fill.ts';
import { collectionOf, OwnServer } from '../scripts/ownServer.ts';
import { phonesFileOf } from '../server/src/phones/phones.ts';
import { expect, test, TODAY } from './garden.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

/** What a phone's camera reads from the screen. */
async function scanned(desk: Page): Promise<string> {
  const { data, width, height } = PNG.sync.read(await desk.locator('svg.qr').screenshot());
  return readQr(new Uint8ClampedArray(data), width, height)!.data;
}
async function certificateAt(address: string): Promise<X509Certificate> {
  const answer = await fetch(new URL('/fernbank.crt', address));
  return new X509Certificate(Buffer.from(await answer.arrayBuffer()));
}
/** A browser that trusts one key, as a phone does after the three steps; every other one it refuses. */
function trusting(authority: X509Certificate): Promise<Browser> {
  const key = authority.publicKey.export({ type: 'spki', format: 'der' });
  const hash = createHash('sha256').update(key).digest('base64');
  const { executablePath, args = [] } = test.info().project.use.launchOptions!;
  return chromium.launch({
    executablePath,
    args: [...args, `--ignore-certificate-errors-spki-list=${hash}`],
  });
}

test('a phone is paired by scanning a code, works by HTTPS without its server, and is out when it is signed out', async ({
  browser,
}) => {
  const path = collectionOf('e2e-phone', ({ db }) => fillGarden(db, TODAY));
  rmSync(phonesFileOf(path), { force: true });
  const server = new OwnServer({
    FERNBANK_DB: path,
    FERNBANK_TODAY: TODAY,
    FERNBANK_ADDRESS: '127.0.0.1',
  });
  expect(await server.start(), server.said).toBe(true);
  let phones: Browser | null = null;
  try {
    const desk = await browser.newPage();
    await desk.goto(`${server.address}/rounds`);
    await desk.getByRole('link', { name: 'Use your phone' }).click();
    await desk.getByRole('button', { name: 'Show the code' }).click();
    await expect(desk.locator('svg.qr')).toBeVisible();
    const link = await scanned(desk);
    expect(link).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/#[0-9A-Z]{8}$/);

    // A browser that does not trust the machine yet goes no further than how to.
    const stranger = await browser.newPage();
    await stranger.goto(link);
    await stranger.getByText('Android', { exact: true }).click();
    await expect(stranger.getByText('CA certificate')).toBeVisible();
    const fingerprint = (await stranger.locator('code').textContent())!;
    await expect(desk.getByText(fingerprint)).toBeVisible();
    const inside = new URL('/rounds', link.replace('http:', 'https:')).href;
    await expect(stranger.goto(inside)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID');

    const authority = await certificateAt(link);
    expect(authority.fingerprint256).toBe(fingerprint);
    phones = await trusting(authority);
    const pocket = await phones.newContext({ ...PHONE, serviceWorkers: 'allow' });
    const phone = await pocket.newPage();
    await phone.goto(link);
    await phone.getByRole('link', { name: 'Go on to Fernbank' }).tap();
    await expect(phone.getByText('Rescue now').first()).toBeVisible();
    // Nobody who reads over the shoulder, or the browser's history, learns the code.
    expect(phone.url()).toBe(inside);
    expect(await phone.evaluate(() => window.isSecureContext)).toBe(true);
    await expect(desk.getByRole('heading', { name: 'It is in: a phone' })).toBeVisible();

    // Once used, the code is worth nothing to another one.
    const [, code] = link.split('#');
    const late = await (await phones.newContext(PHONE)).newPage();
    await late.goto(`${inside}#pair=${code}`);
    await expect(late.getByText('this code was used already')).toBeVisible();
    await expect(late.getByText('Rescue now')).toHaveCount(0);
    // By the next one, typed, it is let in.
    await desk.getByRole('button', { name: 'Pair another one' }).click();
    await late.getByLabel('Code').fill((await desk.locator('.typed').textContent())!.toLowerCase());
    await late.getByLabel('Name of this device').fill('the tablet');
    await late.getByRole('button', { name: 'Come in' }).tap();
    await expect(late.getByText('Rescue now').first()).toBeVisible();

    // What the phone keeps opens without its server.
    await phone.evaluate(() => navigator.serviceWorker.ready);
    await phone.reload();
    await expect(phone.getByText('Rescue now').first()).toBeVisible();
    await pocket.setOffline(true);
    await phone.reload();
    await expect(phone.getByText('Rescue now').first()).toBeVisible();
    await pocket.setOffline(false);

    await desk.getByRole('button', { name: 'Sign out: the tablet' }).click();
    await expect(desk.getByText('the tablet')).toHaveCount(0);
    await late.reload();
    await expect(late.getByText('This device is not paired')).toBeVisible();
    // Closed, it lets nobody in.
    await desk.getByRole('button', { name: 'Let no phone in any more' }).click();
    await expect(desk.getByRole('button', { name: 'Show the code' })).toBeVisible();
    await expect(late.goto(inside)).rejects.toThrow('ERR_CONNECTION_REFUSED');
  } finally {
    await phones?.close();
    await server.kill();
  }
});
