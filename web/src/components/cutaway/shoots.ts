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
  const shoot = BODIES[growthForm ?? 'shrub'] ?? (isTuft(growthForm) ? tuft : stems);
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

/** How far the ribs of a column stand out, parts of its half width. */
const RIBS = [1, 0.6, 0.2];

/** A ribbed body without leaves: a globe where it is low, a column where it is tall. */
function column({ x, surfaceY, height, width }: Shooting): Shoots {
  if (height <= 0) return { stem: '', leaves: '' };
  const half = Math.min(width * 0.36, Math.max(height * 0.55, width * 0.15));
  const top = surfaceY - height;
  const ribs = RIBS.map((share) => {
    const [foot, belly, shoulder] = [0.8, 1.25, 0.85].map((out) => out * share * half);
    return (
      `M${x - foot!} ${surfaceY}C${x - belly!} ${surfaceY - height * 0.6} ${x - shoulder!} ${top} ${x} ${top}` +
      `C${x + shoulder!} ${top} ${x + belly!} ${surfaceY - height * 0.6} ${x + foot!} ${surfaceY}Z`
    );
  });
  return { stem: '', leaves: ribs.join('') };
}

/** A bare stem with a crown of arching fronds, as of palms and tree ferns. */
function palmLike({ x, surfaceY, height, width, random }: Shooting): Shoots {
  if (height <= 0) return { stem: '', leaves: '' };
  const long = Math.min(height * 0.7, Math.max(width * 0.75, height * 0.45));
  const heart = surfaceY - Math.max(0, height - long * 0.8);
  const fronds = 9;
  const leaves = Array.from({ length: fronds }, (_, i) => {
    const lean = (2 * i) / (fronds - 1) - 1;
    const out = long * lean * (0.85 + 0.15 * random());
    const rise = long * 0.8 * (1 - 0.75 * lean * lean);
    const half = long * 0.07;
    // The outer ones arch over: their tips hang below the bend.
    const bendY = heart - rise - long * 0.1 * Math.abs(lean);
    return (
      `M${x} ${heart}Q${x + out * 0.45} ${bendY - half} ${x + out} ${heart - rise * (1 - 0.5 * Math.abs(lean))}` +
      `Q${x + out * 0.45} ${bendY + half * 2} ${x} ${heart}Z`
    );
  });
  return {
    stem: heart < surfaceY ? `M${x} ${surfaceY}L${x} ${heart}` : '',
    leaves: leaves.join(''),
  };
}

/** Forms that are neither a tuft nor a leafy stem. */
const BODIES: Partial<Record<Traits['growthForm'], DrawShoot>> = { column, palmLike };

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
