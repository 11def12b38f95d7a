import type { Page } from '@playwright/test';
import { fillMany } from './manyPlants.ts';
import { collectionOf, openBrowser, serving } from '../scripts/ownServer.ts';

const TODAY = '2026-03-16';
const PLANTS = 2000;
const RUNS = 5;

/** Lists of two thousand plants: how long the longest frame of a scroll is, and how soon a search answers. */
export async function longLists(
  print: (what: string, value: number, unit: string, goal?: number) => void,
): Promise<void> {
  const path = collectionOf('lists', (file) =>
    fillMany(file, { plants: PLANTS, measurements: PLANTS * 4 }, TODAY),
  );
  const server = await serving({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  const { address } = server;
  const browser = await openBrowser();
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  for (const [what, view] of [
    ['collection', '/record'],
    ['verdicts', '/verdicts'],
  ] as const) {
    await page.goto(address + view);
    await page.locator('main li').first().waitFor();
    await page.waitForTimeout(1500);
    const frames = await scrolled(page);
    print(`${PLANTS} plants, ${what}: a frame of a scroll, median`, at(frames, 0.5), 'ms', 16.7);
    print(`${PLANTS} plants, ${what}: the longest of a hundred frames`, at(frames, 0.99), 'ms');
    print(
      `${PLANTS} plants, ${what}: a typed letter until the list follows`,
      await typed(page),
      'ms',
      50,
    );
  }
  await browser.close();
  await server.kill('SIGTERM');
}

const at = (values: number[], share: number) =>
  [...values].sort((a, b) => a - b)[
    Math.min(values.length - 1, Math.floor(share * values.length))
  ]!;

/** Scrolls as fast as a flick of the hand, 3000 px a second at 60 frames, and times the frames. */
function scrolled(page: Page): Promise<number[]> {
  return page.evaluate(async () => {
    const frames: number[] = [];
    let before = await new Promise<number>(requestAnimationFrame);
    while (frames.length < 300) {
      window.scrollBy(0, 50);
      const now = await new Promise<number>(requestAnimationFrame);
      frames.push(now - before);
      before = now;
    }
    return frames;
  });
}

async function typed(page: Page): Promise<number> {
  const times: number[] = [];
  await page.evaluate(() => window.scrollTo(0, 0));
  for (let run = 0; run < RUNS; run++) {
    for (const text of ['1', '19', '198', '19', '1', '']) {
      times.push(
        await page.evaluate(async (value) => {
          const input = document.querySelector<HTMLInputElement>('main [data-search] input')!;
          const began = performance.now();
          input.value = value;
          input.dispatchEvent(new Event('input', { bubbles: true }));
          await new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn)));
          return performance.now() - began;
        }, text),
      );
    }
  }
  return at(times, 0.5);
}
