import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import { qrPath, QUIET_MODULES } from './qrPath.ts';

const PX_PER_MODULE = 4;

/** The path as a reader's camera sees it: only what is drawn, white all round. */
function rastered({ path, size }: { path: string; size: number }) {
  const side = (size + 2 * QUIET_MODULES) * PX_PER_MODULE;
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
  for (const [, x, y, width] of path.matchAll(/M(\d+) (\d+)h(\d+)v1h-\d+z/g)) {
    for (let row = 0; row < PX_PER_MODULE; row++) {
      for (let column = 0; column < Number(width) * PX_PER_MODULE; column++) {
        const px = (Number(x) + QUIET_MODULES) * PX_PER_MODULE + column;
        const py = (Number(y) + QUIET_MODULES) * PX_PER_MODULE + row;
        pixels.fill(0, (py * side + px) * 4, (py * side + px) * 4 + 3);
      }
    }
  }
  return { pixels, side };
}

// Read back by another library than the one that writes: jsQR.
describe('the code on a label (ISO/IEC 18004)', () => {
  it.each([
    'http://192.168.1.20:4180/plants/5',
    'http://127.0.0.1:4180/plants/1234',
    'https://fernbank.example/plants/7',
  ])('%s is read back as it was written', (address) => {
    const { pixels, side } = rastered(qrPath(address));
    expect(jsQR(pixels, side, side)?.data).toBe(address);
  });

  it('rows of dark modules are joined, none is drawn twice', () => {
    const { path, size } = qrPath('http://127.0.0.1:4180/plants/5');
    const drawn = new Set<string>();
    for (const [, x, y, width] of path.matchAll(/M(\d+) (\d+)h(\d+)v1h-\d+z/g)) {
      for (let i = 0; i < Number(width); i++) {
        const module = `${Number(x) + i} ${y}`;
        expect(drawn.has(module)).toBe(false);
        drawn.add(module);
      }
    }
    // The three finder patterns: 33 dark modules each, at three corners.
    const finder = (left: number, top: number) => {
      let dark = 0;
      for (let i = 0; i < 49; i++) {
        if (drawn.has(`${left + (i % 7)} ${top + Math.floor(i / 7)}`)) dark += 1;
      }
      return dark;
    };
    expect([finder(0, 0), finder(size - 7, 0), finder(0, size - 7)]).toEqual([33, 33, 33]);
  });
});
