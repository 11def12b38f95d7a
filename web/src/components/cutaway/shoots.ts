import type { Traits } from '@fernbank/core';
import { curveBasis, line } from 'd3-shape';

type Point = [number, number];
const soft = line<Point>().curve(curveBasis);

/** Paths of what grows out of a pot, cm. */
export interface Shoots {
  stem: string;
  leaves: string;
}
type DrawShoot = (at: Shooting) => Shoots;
interface Shooting {
  /** from the pot's axis */
  x: number;
  surfaceY: number;
  height: number;
  /** of the pot's rim that is its own */
  width: number;
  random: () => number;
}
/** More are not told apart in a drawing. */
const MOST_DRAWN = 5;
/** How far from the axis those that share a pot are spread, parts of its rim. */
const SPREAD = 0.52;

/** Plants that share a pot stand side by side, those at the wall a little smaller. */
export function shootsOf(
  { growthForm, together: plants = 1 }: { growthForm?: Traits['growthForm']; together?: number },
  {
    surfaceY,
    plantCm,
    width,
    random,
  }: Record<'surfaceY' | 'plantCm' | 'width', number> & {
    random: () => number;
  },
): Shoots {
  const shoot: DrawShoot = isTuft(growthForm) ? tuft : stems;
  const drawn = Math.min(MOST_DRAWN, plants);
  const all = Array.from({ length: drawn }, (_, i) => {
    const side = drawn === 1 ? 0 : (2 * i) / (drawn - 1) - 1;
    return shoot({
      x: (side * width * SPREAD) / 2,
      surfaceY,
      height: plantCm * (1 - 0.18 * Math.abs(side)),
      width: width / Math.sqrt(drawn),
      random,
    });
  });
  return {
    stem: all.map(({ stem }) => stem).join(''),
    leaves: all.map(({ leaves }) => leaves).join(''),
  };
}

/** Forms that rise from the base without a stem. */
const TUFTS: ReadonlySet<string> = new Set(['clump', 'rosette', 'walker', 'fan', 'bulb']);
export const isTuft = (growthForm: Traits['growthForm'] = 'shrub'): boolean =>
  TUFTS.has(growthForm);

/** Blades from the base, the middle ones tallest. */
function tuft({ x, surfaceY, height, width, random }: Shooting): Shoots {
  if (height <= 0) return { stem: '', leaves: '' };
  const blades = 9;
  const broad = Math.min(width * 0.09, 1.6);
  const leaves = Array.from({ length: blades }, (_, i) => {
    const lean = (2 * i) / (blades - 1) - 1;
    const tall = height * (1 - 0.45 * Math.abs(lean)) * (0.85 + 0.15 * random());
    const foot = x + lean * width * 0.12;
    const tipX = x + lean * Math.min(width * 0.62, height * 0.8);
    const tipY = surfaceY - tall;
    const bend = foot + (tipX - foot) * 0.25;
    const half = broad * (0.7 + 0.5 * random());
    return (
      `M${foot - half / 2} ${surfaceY}Q${bend - half} ${surfaceY - tall * 0.75} ${tipX} ${tipY}` +
      `Q${bend + half} ${surfaceY - tall * 0.7} ${foot + half / 2} ${surfaceY}Z`
    );
  });
  return { stem: '', leaves: leaves.join('') };
}

/** A plain shoot with pairs of leaves: it stands for height, not for the species. */
function stems({ x, surfaceY, height, width, random }: Shooting): Shoots {
  if (height <= 0) return { stem: '', leaves: '' };
  const sway = width * 0.05;
  const stem = soft([
    [x, surfaceY],
    [x + sway, surfaceY - height * 0.35],
    [x - sway, surfaceY - height * 0.7],
    [x, surfaceY - height],
  ])!;
  const pairs = Math.max(2, Math.min(9, Math.round(height / Math.max(4, width * 0.35))));
  const leafCm = Math.min(width * 0.55, Math.max(2, height * 0.45));
  const leaves = Array.from({ length: pairs * 2 }, (_, i) => {
    const share = (Math.floor(i / 2) + 1) / pairs;
    const side = i % 2 === 0 ? 1 : -1;
    const length = leafCm * (0.7 + 0.4 * random()) * (1.05 - 0.35 * share);
    const at: Point = [x, surfaceY - height * share + (share === 1 ? length * 0.15 : 0)];
    return leaf(at, side, length, 0.15 + 0.35 * random());
  });
  return { stem, leaves: leaves.join('') };
}

function leaf([x, y]: Point, side: number, length: number, rise: number): string {
  const tipX = x + side * length;
  const tipY = y - rise * length;
  const belly = length * 0.26;
  return `M${x} ${y}Q${x + side * length * 0.5} ${y - rise * length - belly} ${tipX} ${tipY}Q${
    x + side * length * 0.5
  } ${y + belly * 0.7} ${x} ${y}Z`;
}
