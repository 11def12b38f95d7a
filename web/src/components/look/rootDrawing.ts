import { randomFrom } from '../cutaway/random.ts';

/** One root on the face of a ball. */
export interface DrawnRoot {
  d: string;
  alive: boolean;
}

const WIDTH = 96;
const HEIGHT = 84;
const TOP = 8;
/** Roots that cover the whole face of a ball. */
const ALL_ROOTS = 64;

/** Half the width of a ball that tapers like its pot, at a height. */
const halfWidth = (y: number) => WIDTH / 2 - 6 - (y / HEIGHT) * 11;

/**
 * A root ball as it comes out of the pot, with so many roots that they cover a
 * share of its face, a share of them alive. Seeded: the same share looks the same.
 */
export function rootBall(cover: number, alive: number, seed: string): DrawnRoot[] {
  const random = randomFrom(seed);
  const count = Math.round(ALL_ROOTS * cover);
  return Array.from({ length: count }, (_, i): DrawnRoot => {
    const y = TOP + random() * (HEIGHT - TOP - 10);
    const x = WIDTH / 2 + (random() - 0.5) * 2 * halfWidth(y);
    const reach = 10 + random() * 16;
    const side = random() < 0.5 ? -1 : 1;
    const toY = Math.min(HEIGHT - 3, y + reach * (0.4 + 0.6 * random()));
    const half = halfWidth(toY);
    const toX = Math.min(WIDTH / 2 + half, Math.max(WIDTH / 2 - half, x + side * reach * 0.7));
    const bend = `${(x + toX) / 2 + side * 5 * random()} ${(y + toY) / 2 - 3}`;
    return {
      d: `M${x.toFixed(1)} ${y.toFixed(1)} Q${bend} ${toX.toFixed(1)} ${toY.toFixed(1)}`,
      // In turn, so that a picture of 30 % alive holds just that.
      alive: Math.floor((i + 1) * alive + 1e-9) > Math.floor(i * alive + 1e-9),
    };
  });
}
