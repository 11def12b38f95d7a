import {
  blend,
  fillL,
  freshIn,
  halfWidthCm,
  insideOfMaterial,
  partsOf,
  recipeOfKind,
  rimCm,
  SHIPPED,
  usualHeadspaceCm,
  type Component,
  type MediumKind,
  type Pantry,
  type PotMaterialId,
  type PotShape,
  type RecipePart,
  type SupportKindId,
  type Traits,
} from '@fernbank/core';
import { curveBasis, curveLinear, line } from 'd3-shape';
import { randomFrom } from './random.ts';
import { isTuft, shootsOf } from './shoots.ts';

/**
 * What a cutaway shows. Lengths cm; the pot by its outside sizes.
 */
export interface CutawaySubject {
  /** seeds the drawing */
  name: string;
  pot: PotShape;
  material: PotMaterialId;
  mediumKind: MediumKind;
  recipeId?: string | null;
  /** what it really stands in; wins over its recipe */
  parts?: readonly RecipePart[] | null;
  /** share of the pot that roots explore, 0 … 1.15 */
  explored?: number;
  /** the ball from another pot, set into this one at the finished level */
  ball?: { inside: PotShape; litres: number; explored: number };
  plantHeightCm?: number;
  /** how the shoot is drawn: leaves up a stem, or a tuft from the base */
  growthForm?: Traits['growthForm'];
  /** plants that share the pot */
  together?: number;
  supportCm?: number | null;
  /** nothing in it: a pot on the shelf */
  empty?: boolean;
  /** drainage holes; null: not counted, drawn as usual */
  holes?: number | null;
  /** the support in full, where it is known; wins over `supportCm` */
  support?: DrawnSupport | null;
  /** the cover pot it stands in */
  cover?: { outside: PotShape; material: PotMaterialId } | null;
  /** the water in that cover: how high the pot stands over its floor, how deep it is, how far up a wick goes */
  water?: { gapCm: number; levelCm: number; wickUpCm: number | null } | null;
  /** wrapped in moss on the pot's mouth, cm; the pot itself stays empty */
  mound?: { diameterCm: number; heightCm: number } | null;
  /** drainage layer on the floor, cm */
  layerCm?: number;
  /** of what stands there, dry */
  gravityHeightCm?: number;
  tipAngleDeg?: number;
}

/** A support as it is drawn. Heights above the medium, cm. */
export interface DrawnSupport {
  kind: SupportKindId;
  /** from the pot's floor to its top */
  lengthCm: number;
  /** of all its poles from the front */
  widthCm: number;
  /** where the part begins that new growth can still root into; null: roots do not enter */
  usableFromCm: number | null;
  tiesCm: readonly number[];
  /** tops of the pieces that will be put on */
  extensionsCm: readonly number[];
}

/** A support's parts in the drawing. */
export interface PoleMark {
  x: number;
  y: number;
  width: number;
  height: number;
  kind: SupportKindId;
  /** the part that roots can still use */
  usable: { y: number; height: number } | null;
  ties: number[];
  /** pieces to come: top and height of each */
  extensions: { y: number; height: number }[];
}

/** All grains of one component: one path, since a picture of ten pots holds thousands of them. */
export interface GrainMarks {
  component: Component;
  count: number;
  path: string;
}

/** The drawing in centimetres: x from the axis, y down from the ground line (negative is up). */
export interface Scene {
  widthCm: number;
  outline: string;
  inside: string;
  medium: string;
  surfaceY: number;
  rimY: number;
  floorY: number;
  /** underside of the pot */
  baseY: number;
  topY: number;
  waterBands: { y: number; height: number; saturation: number }[];
  grains: GrainMarks[];
  /** outline of a ball set in from another pot */
  ball: string;
  /** all roots in one path */
  roots: { count: number; path: string };
  stem: string;
  /** all leaves in one path */
  leaves: string;
  pole: PoleMark | null;
  /** outline and inside of the cover pot */
  cover: { outline: string; inside: string; water: string; wick: string } | null;
  /** dome of moss over the mouth */
  mound: string;
  /** top of the drainage layer */
  layerY: number | null;
  gravity: { y: number; x: number } | null;
  water: number;
  air: number;
  fillL: number;
  holes: { x: number; width: number }[];
  clipped: boolean;
}

type Point = [number, number];
const soft = line<Point>().curve(curveBasis);
const straight = line<Point>().curve(curveLinear);

const PROFILE_STEPS = 14;
const BANDS = 12;
const MOST_GRAINS = 170;
const SMALLEST_MARK_CM = 0.22;

/**
 * @param crownCm  how much of the plant above the rim is drawn before it is cut off
 * @param mostGrains  a small picture needs few
 */
export function sceneOf(
  subject: CutawaySubject,
  crownCm = Infinity,
  pantry: Pantry = SHIPPED,
  mostGrains = MOST_GRAINS,
): Scene {
  const random = randomFrom(subject.name);
  const { pot } = subject;
  const inside = insideOfMaterial(pot, subject.material);
  const raised = subject.cover
    ? subject.cover.outside.heightCm -
      insideOfMaterial(subject.cover.outside, subject.cover.material).heightCm +
      (subject.water?.gapCm ?? 0)
    : 0;
  const floor = raised + pot.heightCm - inside.heightCm;
  const fill = inside.heightCm - usualHeadspaceCm(inside);
  const insideY = (z: number) => -(floor + z);
  const parts = partsOf(
    subject.parts ?? pantry.recipe(subject.recipeId ?? recipeOfKind(subject.mediumKind).id).parts,
    pantry,
  );
  const mix = blend(parts);
  const fresh = freshIn(mix, inside, fill);
  const plantCm = Math.min(subject.plantHeightCm ?? 0, crownCm);
  const support = supportDrawn(subject);
  const ending = Math.max(...(support?.extensionsCm ?? []), -Infinity);
  const poleTop = support ? Math.max(floor + support.lengthCm, floor + fill + ending) : 0;
  const highest = raised + pot.heightCm + crownCm;
  const rimY = -raised - pot.heightCm;
  const { mound = null } = subject;
  const empty = subject.empty === true || mound !== null;
  const surfaceY = mound ? rimY - mound.heightCm : insideY(fill);
  // A tuft is drawn smaller as a whole: it has no end that could be cut off.
  const clipped =
    (!isTuft(subject.growthForm) && plantCm < (subject.plantHeightCm ?? 0)) || highest < poleTop;

  return {
    widthCm: Math.max(
      rimCm(pot),
      subject.cover ? rimCm(subject.cover.outside) : 0,
      mound?.diameterCm ?? 0,
    ),
    outline: closed(pot, pot.heightCm, (z) => -raised - z),
    inside: closed(inside, inside.heightCm, insideY),
    medium: empty ? '' : closed(inside, fill, insideY),
    surfaceY,
    rimY,
    floorY: insideY(0),
    baseY: -raised,
    topY: Math.min(-raised - pot.heightCm, surfaceY - plantCm, -Math.min(poleTop, highest)),
    waterBands: Array.from({ length: empty ? 0 : BANDS }, (_, i) => {
      const low = (fill * i) / BANDS;
      const high = (fill * (i + 1)) / BANDS;
      return {
        y: insideY(high),
        height: high - low,
        saturation: mix.water((low + high) / 2) / mix.totalPorosity,
      };
    }),
    grains: empty ? [] : grainsIn(inside, fill, insideY, parts, { random, most: mostGrains }),
    ...(mound ? NO_ROOTS : ballAndRoots(subject, inside, fill, insideY, random)),
    mound: mound ? dome(mound, rimY) : '',
    ...shootsOf(subject, { surfaceY, plantCm, width: rimCm(pot), random }),
    pole: support && poleMark(support, { floor, surfaceY, highest, rim: rimCm(pot) }),
    cover: coverMark(subject, floor),
    layerY: subject.layerCm ? insideY(subject.layerCm) : null,
    gravity: subject.gravityHeightCm === undefined ? null : { x: 0, y: -subject.gravityHeightCm },
    water: fresh.water,
    air: fresh.air,
    fillL: fillL(inside),
    holes: subject.holes === 0 ? [] : holesOf(pot),
    clipped,
  };
}

const NO_ROOTS = { ball: '', roots: { count: 0, path: '' } };
const dome = ({ diameterCm, heightCm }: { diameterCm: number; heightCm: number }, y: number) =>
  `M${-diameterCm / 2} ${y}A${diameterCm / 2} ${heightCm} 0 0 1 ${diameterCm / 2} ${y}Z`;

/** Small plants are drawn whole; of a taller one so much, since its pot is what matters, cm. */
const WHOLE_CM = 18;
const CUT_OFF_CM = 10;
export const crownToDraw = (plantHeightCm: number): number =>
  plantHeightCm <= WHOLE_CM ? plantHeightCm : CUT_OFF_CM;

export function closed(pot: PotShape, height: number, y: (z: number) => number): string {
  const left: Point[] = [];
  const right: Point[] = [];
  for (let i = 0; i <= PROFILE_STEPS; i++) {
    const z = (height * i) / PROFILE_STEPS;
    const half = halfWidthCm(pot, z);
    left.unshift([-half, y(z)]);
    right.push([half, y(z)]);
  }
  return `${straight([...left, ...right])!}Z`;
}

/** The support in full, or a plain stake of the length that is known. */
function supportDrawn({ support, supportCm }: CutawaySubject): DrawnSupport | null {
  if (support) return support;
  if (!supportCm) return null;
  return {
    kind: 'stake',
    lengthCm: supportCm,
    widthCm: 1.2,
    usableFromCm: null,
    tiesCm: [],
    extensionsCm: [],
  };
}

function poleMark(
  { kind, lengthCm, widthCm, usableFromCm, tiesCm, extensionsCm }: DrawnSupport,
  at: { floor: number; surfaceY: number; highest: number; rim: number },
): PoleMark {
  const top = Math.min(at.floor + lengthCm, at.highest);
  const y = -top;
  const usableBottom = usableFromCm === null ? null : at.surfaceY - usableFromCm;
  let below = top;
  return {
    kind,
    // Behind the shoot, a little to the right of it.
    x: -widthCm / 2 + at.rim * 0.1,
    y,
    width: widthCm,
    height: top - at.floor,
    usable: usableBottom === null || usableBottom <= y ? null : { y, height: usableBottom - y },
    ties: tiesCm.map((cm) => at.surfaceY - cm).filter((tie) => tie >= y),
    extensions: extensionsCm.flatMap((cm) => {
      const ends = Math.min(-at.surfaceY + cm, at.highest);
      if (ends <= below) return [];
      const piece = { y: -ends, height: ends - below };
      below = ends;
      return [piece];
    }),
  };
}

/** @param potFloor  of the plant's pot, above the ground */
function coverMark({ cover, water }: CutawaySubject, potFloor: number): Scene['cover'] {
  if (!cover) return null;
  const { outside, material } = cover;
  const inside = insideOfMaterial(outside, material);
  const floor = outside.heightCm - inside.heightCm;
  return {
    outline: closed(outside, outside.heightCm, (z) => -z),
    inside: closed(inside, inside.heightCm, (z) => -(floor + z)),
    water: water ? closed(inside, water.levelCm, (z) => -(floor + z)) : '',
    wick: water?.wickUpCm == null ? '' : `M0 ${-floor}L0 ${-(potFloor + water.wickUpCm)}`,
  };
}

function holesOf(pot: PotShape): Scene['holes'] {
  const base = halfWidthCm(pot, 0);
  const width = Math.max(0.5, base * 0.16);
  return [-0.55, 0, 0.55].map((share) => ({ x: share * base - width / 2, width }));
}

/** Grains strewn through the medium, each component as often as its volume and size ask. */
function grainsIn(
  inside: PotShape,
  fill: number,
  y: (z: number) => number,
  parts: readonly { ingredient: Component; parts: number }[],
  { random, most }: { random: () => number; most: number },
): GrainMarks[] {
  const total = parts.reduce((sum, part) => sum + part.parts, 0);
  const area = 2 * halfWidthCm(inside, fill / 2) * fill;
  return parts.map(({ ingredient, parts: amount }) => {
    const sizeCm = Math.max(SMALLEST_MARK_CM, Math.min(ingredient.grainMm / 10, fill / 4));
    const drawn = ingredient.grain === 'strand' ? sizeCm * 1.4 : sizeCm;
    const wanted = (0.5 * area * (amount / total)) / (drawn * drawn);
    const count = Math.min(Math.round((most * amount) / total), Math.round(wanted));
    const paths = Array.from({ length: Math.max(2, count) }, () => {
      const z = fill * Math.sqrt(random() * 0.98 + 0.01) * 0.985;
      const half = Math.max(0, halfWidthCm(inside, z) - drawn / 2);
      return grainPath(ingredient.grain, random, {
        x: (2 * random() - 1) * half,
        y: y(Math.max(drawn / 2, Math.min(fill - drawn / 2, z))),
        sizeCm: drawn * (0.75 + 0.5 * random()),
        turn: 2 * Math.PI * random(),
      });
    });
    return { component: ingredient, count: paths.length, path: paths.join('') };
  });
}

interface Place {
  x: number;
  y: number;
  sizeCm: number;
  /** radians */
  turn: number;
}
const short = (cm: number) => cm.toFixed(2);

/** A grain where it lies. */
function grainPath(grain: Component['grain'], random: () => number, at: Place): string {
  const cos = Math.cos(at.turn) * at.sizeCm;
  const sin = Math.sin(at.turn) * at.sizeCm;
  /** From the grain of unit size about the origin. */
  const point = ([x, y]: Point) =>
    `${short(at.x + x * cos - y * sin)} ${short(at.y + x * sin + y * cos)}`;
  const outline = (points: Point[]) => `M${points.map(point).join('L')}Z`;
  const bent = (...points: Point[]) => {
    const [from, over, to, ...on] = points.map(point);
    return `M${from}Q${over} ${to}${on.map((end) => `T${end}`).join('')}`;
  };
  const dot = (radius: number) => {
    const r = short(radius * at.sizeCm);
    const across = short(2 * radius * at.sizeCm);
    return `M${short(at.x - radius * at.sizeCm)} ${short(at.y)}a${r} ${r} 0 1 1 ${across} 0a${r} ${r} 0 1 1-${across} 0Z`;
  };
  switch (grain) {
    case 'round':
      return dot(0.5);
    case 'dust':
      return dot(0.3);
    case 'crumb':
      return outline(polygon(7, 0.3, random));
    case 'shard':
      return outline(polygon(5, 0.42, random));
    case 'chip':
      return outline([
        [-0.5, -0.2],
        [0.42, -0.28],
        [0.5, 0.18],
        [-0.44, 0.26],
      ]);
    case 'plate':
      return outline([
        [-0.4, -0.12],
        [0.4, -0.12],
        [0.4, 0.12],
        [-0.4, 0.12],
      ]);
    case 'fibre':
      return bent([-0.5, 0.1], [0, -0.35], [0.5, 0.12]);
    case 'strand':
      return bent([-0.7, 0.2], [-0.3, -0.3 - 0.3 * random()], [0, 0], [0.7, -0.15]);
  }
}

function polygon(corners: number, spread: number, random: () => number): Point[] {
  return Array.from({ length: corners }, (_, i): Point => {
    const angle = (2 * Math.PI * i) / corners;
    const radius = 0.5 - spread * random() * 0.6;
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  });
}

/** A ball set in keeps its roots to itself; otherwise they run through the whole pot. */
function ballAndRoots(
  { ball, explored }: CutawaySubject,
  inside: PotShape,
  fill: number,
  y: (z: number) => number,
  random: () => number,
): Pick<Scene, 'ball' | 'roots'> {
  if (!ball) return { ball: '', roots: rootsIn(inside, fill, y, explored ?? 0, random) };
  const oldFill = ball.inside.heightCm - usualHeadspaceCm(ball.inside);
  const scale = Math.min(1, Math.cbrt(ball.litres / fillL(ball.inside)), fill / oldFill);
  const depth = oldFill * scale;
  const ballY = (z: number) => y(fill - depth + z * scale);
  const outline: Point[] = [];
  for (const side of [-1, 1]) {
    for (let i = 0; i <= PROFILE_STEPS; i++) {
      const share = side < 0 ? i / PROFILE_STEPS : 1 - i / PROFILE_STEPS;
      const z = oldFill * share;
      outline.push([side * halfWidthCm(ball.inside, z) * scale, ballY(z)]);
    }
  }
  const roots = rootsIn(ball.inside, oldFill, (z) => ballY(z), ball.explored, random, scale);
  return { ball: `${straight(outline)!}Z`, roots };
}

const MOST_ROOTS = 34;

/** Roots wander out and down from the stem; the fuller the pot, the more and the farther. */
function rootsIn(
  inside: PotShape,
  fill: number,
  y: (z: number) => number,
  explored: number,
  random: () => number,
  widthScale = 1,
): Scene['roots'] {
  const count = explored > 0 ? Math.round(6 + MOST_ROOTS * Math.min(1, explored)) : 0;
  const reach = Math.min(1, 0.25 + 0.78 * explored);
  const paths = Array.from({ length: count }, (_, i) => {
    const side = (2 * (i + 0.5 + random() * 0.6)) / count - 1.05;
    const depth = fill * reach * (0.55 + 0.45 * random());
    const points: Point[] = [];
    for (let step = 0; step <= 7; step++) {
      const share = step / 7;
      const z = Math.max(0.15, fill - depth * share ** 1.1);
      const half = halfWidthCm(inside, z) - 0.15;
      const wave = 0.05 * half * Math.sin(5 * share + i);
      const x = side * half * reach * share ** 0.65 * 1.1 + wave;
      points.push([Math.max(-half, Math.min(half, x)) * widthScale, y(z)]);
    }
    return soft(points)!;
  });
  return { count, path: paths.join('') };
}
