import type { SignalValue } from '@fernbank/core';

/** A stroke or a filled shape of a drawing, on a field of 44 × 40. */
export interface Stroke {
  d: string;
  /** how it is drawn: see SignalDrawing.vue */
  as: 'pot' | 'soil' | 'root' | 'leaf' | 'water' | 'mark' | 'thin' | 'dead';
  /** degrees about the foot of the pot */
  turn?: number;
}

const line = (d: string, as: Stroke['as'] = 'pot', turn?: number): Stroke =>
  turn === undefined ? { d, as } : { d, as, turn };

const POT = line('M9 14 H35 L31 35 H13 Z');
const SURFACE = line('M10 17 H34', 'soil');
const shoot = (x: number, top = 4, lean = 0) =>
  line(
    `M${x} 16 Q${x + lean / 2} ${(16 + top) / 2} ${x + lean} ${top} M${x} 12 q-5 -1 -6 -5 M${x + lean / 2} 9 q5 -1 6 -5`,
    'leaf',
  );
const leaf = (x: number, y: number, size: number) =>
  line(
    `M${x} ${y} q${-size} ${-size} 0 ${-2.2 * size} q${size} ${1.2 * size} 0 ${2.2 * size} Z`,
    'leaf',
  );
const dots = (spots: [number, number][], as: Stroke['as'] = 'mark', r = 1.3) =>
  line(
    spots
      .map(([x, y]) => `M${x - r} ${y} a${r} ${r} 0 1 0 ${2 * r} 0 a${r} ${r} 0 1 0 ${-2 * r} 0`)
      .join(' '),
    as,
  );
const wave = (x: number, y: number) => `M${x} ${y} q2 -3 0 -6 q-2 -3 0 -6`;
const rootsBelow = (xs: number[]) => line(xs.map((x) => `M${x} 35 q1 2 -1 4`).join(' '), 'root');
const bare = [POT, SURFACE];
const plant = [...bare, shoot(22)];

type Drawn = Record<string, readonly Stroke[]>;
const yesNo = (no: readonly Stroke[], yes: readonly Stroke[]): Drawn => ({ false: no, true: yes });
const turned = (degrees: number) => plant.map((stroke) => ({ ...stroke, turn: degrees }));

/** What each answer looks like, by signal and value. */
export const DRAWINGS: Record<string, Drawn> = {
  rootsAtHoles: {
    none: [POT],
    one: [POT, rootsBelow([22])],
    several: [POT, rootsBelow([16, 22, 28])],
    every: [POT, rootsBelow([14, 17, 20, 24, 27, 30])],
    mat: [
      POT,
      line('M12 37 q2 -3 4 0 t4 0 t4 0 t4 0 t4 0 M12 39 q2 -3 4 0 t4 0 t4 0 t4 0 t4 0', 'root'),
    ],
  },
  potBulging: yesNo([POT], [line('M9 14 H35 Q42 26 31 35 H13 Q2 26 9 14 Z')]),
  growthAtWall: yesNo([...bare, shoot(22)], [...bare, shoot(33, 6, 7)]),
  emptySide: yesNo([...bare, shoot(15), shoot(22), shoot(29)], [...bare, shoot(14), shoot(19)]),
  aerialRootsOutside: {
    none: plant,
    few: [...plant, line('M35 14 q5 6 2 14', 'root')],
    many: [
      ...plant,
      line('M35 14 q5 6 2 14 M34 14 q8 4 6 16 M9 14 q-5 6 -2 14 M10 14 q-8 5 -6 17', 'root'),
    ],
  },
  nurseryPlug: yesNo(plant, [...plant, line('M17 20 H27 V30 H17 Z M17 25 H27 M22 20 V30', 'thin')]),
  wobble: { no: turned(0), leans: turned(12), topples: turned(46) },
  rootsOnTop: {
    none: plant,
    few: [...plant, line('M15 17 q4 -3 8 0', 'root')],
    many: [...plant, line('M11 17 q4 -4 8 0 t8 0 t7 0 M14 15 q4 -4 8 0 t8 0', 'root')],
  },
  waterRunsThrough: yesNo(
    [...bare, line('M18 5 v6 M26 5 v6', 'water'), line('M12 26 H32 L31 34 H13 Z', 'water')],
    [...bare, line('M18 5 v6 M26 5 v6 M17 36 v4 M22 36 v4 M27 36 v4', 'water')],
  ),
  driesSooner: yesNo(
    [POT, line('M11 22 H33 L31 34 H13 Z', 'water')],
    [
      POT,
      line('M12.6 32 H31.5 L31 34 H13 Z', 'water'),
      line('M17 8 a5 5 0 1 0 10 0 a5 5 0 1 0 -10 0 M22 0 v1 M13 8 h-2 M33 8 h-2', 'thin'),
    ],
  ),
  staysWetLonger: yesNo(
    [POT, line('M12 28 H32 L31 34 H13 Z', 'water')],
    [POT, line('M10 16 H34 L31 34 H13 Z', 'water'), line('M15 20 h4 M25 24 h4 M17 29 h4', 'thin')],
  ),
  compacted: yesNo(
    [
      POT,
      dots([
        [15, 20],
        [22, 19],
        [29, 21],
        [18, 26],
        [26, 27],
        [21, 32],
      ]),
    ],
    [
      POT,
      line(
        'M11 18 H33 M11.5 20.5 H32.5 M12 23 H32 M12.4 25.5 H31.6 M12.8 28 H31.2 M13 30.5 H31 M13 33 H31',
        'soil',
      ),
    ],
  ),
  mediumSunk: yesNo(
    [POT, SURFACE],
    [POT, line('M11.5 26 H32.5', 'soil'), line('M22 16 v6 m-3 -3 l3 3 l3 -3', 'thin')],
  ),
  smell: {
    fresh: [...bare, line(`${wave(16, 12)} ${wave(22, 12)} ${wave(28, 12)}`, 'leaf')],
    sour: [
      ...bare,
      line(`${wave(16, 12)} ${wave(28, 12)}`, 'dead'),
      line('M19 3 l6 6 M25 3 l-6 6', 'mark'),
    ],
  },
  mould: {
    none: bare,
    surface: [
      ...bare,
      dots([
        [14, 15],
        [19, 14],
        [25, 15],
        [30, 14],
      ]),
    ],
    through: [
      ...bare,
      dots([
        [14, 15],
        [19, 14],
        [25, 15],
        [30, 14],
        [15, 22],
        [22, 21],
        [29, 23],
        [18, 28],
        [26, 29],
        [22, 33],
      ]),
    ],
  },
  saltCrust: {
    none: bare,
    some: [...bare, line('M10 14 v-2 M17 14 v-2 M26 14 v-2', 'mark')],
    thick: [
      ...bare,
      line(
        'M9 14 v-4 M12 14 v-3 M15 14 v-5 M18 14 v-3 M21 14 v-4 M24 14 v-3 M27 14 v-5 M30 14 v-3 M33 14 v-4',
        'mark',
      ),
    ],
  },
  algae: yesNo(
    [POT],
    [POT, line('M11 20 q3 4 6 0 t6 0 t6 0 t4 0 M12 27 q3 4 6 0 t6 0 t6 0', 'leaf')],
  ),
  growth: {
    stalled: [...bare, line('M22 16 V12', 'leaf'), line('M17 7 h10', 'mark')],
    slow: [...bare, leaf(22, 16, 3)],
    normal: [...bare, leaf(22, 16, 5)],
    vigorous: [...bare, leaf(22, 16, 6), leaf(14, 16, 4), leaf(30, 16, 4)],
  },
  newLeaves: {
    smaller: [leaf(12, 34, 9), leaf(32, 34, 4)],
    same: [leaf(12, 34, 8), leaf(32, 34, 8)],
    larger: [leaf(12, 34, 5), leaf(32, 34, 11)],
  },
  oldLeavesYellowing: yesNo(
    [...bare, leaf(22, 16, 5)],
    [...bare, leaf(22, 16, 5), line('M13 16 q-6 0 -9 6 M31 16 q6 0 9 6', 'dead')],
  ),
  brownTips: yesNo(
    [leaf(22, 36, 12)],
    [leaf(22, 36, 12), line('M22 9 l-4 7 M22 9 l4 7 M22 9 v8', 'dead')],
  ),
  leafSpots: yesNo(
    [leaf(22, 36, 12)],
    [
      leaf(22, 36, 12),
      dots(
        [
          [20, 20],
          [24, 25],
          [20, 29],
        ],
        'mark',
        1.6,
      ),
    ],
  ),
  stemBare: yesNo(
    [...bare, leaf(18, 16, 4), leaf(26, 16, 4)],
    [...bare, line('M22 16 V5', 'soil'), leaf(19, 6, 2.5), leaf(25, 6, 2.5)],
  ),
  vinePastSupport: yesNo(
    [...bare, line('M22 32 V2', 'soil'), line('M22 16 q-4 -3 0 -6', 'leaf')],
    [...bare, line('M22 32 V9', 'soil'), line('M22 16 q-4 -4 0 -7 t2 -6 q6 -3 12 3', 'leaf')],
  ),
  newRootTips: {
    none: [line('M22 4 V16', 'leaf')],
    starting: [line('M22 4 V16', 'leaf'), line('M22 16 l-5 4 M22 16 l5 4 M22 16 v5', 'root')],
    long: [
      line('M22 4 V16', 'leaf'),
      line('M22 16 q-8 6 -9 20 M22 16 q8 6 9 20 M22 16 V38', 'root'),
    ],
  },
  bloom: {
    none: [...bare, leaf(22, 16, 5)],
    bud: [...plant, line('M22 5 q-3 -2 0 -5 q3 3 0 5 Z', 'mark')],
    open: [
      ...bare,
      line('M22 16 V8', 'leaf'),
      line('M22 8 q-6 0 -6 -4 q4 -1 6 4 q0 -6 4 -6 q2 4 -4 6 q6 0 6 3 q-4 2 -6 -3', 'mark'),
    ],
    fading: [
      ...bare,
      line('M22 16 V8 q1 -4 6 -3', 'leaf'),
      line('M28 5 q2 4 0 7 M28 5 q4 2 4 6', 'dead'),
    ],
  },
  resting: yesNo(plant, [...bare, line('M18 5 h6 l-6 6 h6 M28 3 h4 l-4 4 h4', 'thin')]),
  limp: yesNo(
    [...bare, line('M22 16 V5 M22 11 q-6 -1 -8 -6 M22 11 q6 -1 8 -6', 'leaf')],
    [...bare, line('M22 16 q-1 -7 -7 -7 q-6 1 -7 8 M22 16 q1 -7 7 -7 q6 1 7 8', 'leaf')],
  ),
  pests: {
    none: [leaf(22, 36, 12)],
    gnats: [...bare, line('M14 8 l3 -2 l3 2 M25 5 l3 -2 l3 2 M20 12 l3 -2 l3 2', 'mark')],
    snails: [line('M10 30 h20 q5 0 5 -5 M14 30 a7 7 0 1 1 12 -3 a4 4 0 1 1 -6 -3', 'pot')],
    ants: [
      dots(
        [
          [12, 24],
          [20, 23],
          [29, 24],
        ],
        'mark',
        3,
      ),
      line('M12 27 l-3 6 M20 26 v7 M29 27 l3 6', 'thin'),
    ],
    mealy: [
      line('M22 2 V38', 'leaf'),
      dots(
        [
          [20, 14],
          [24, 16],
          [21, 19],
          [24, 26],
          [20, 28],
        ],
        'mark',
        2.6,
      ),
    ],
    scale: [
      line('M22 2 V38', 'leaf'),
      line('M19 12 a3 4 0 0 1 6 0 Z M19 22 a3 4 0 0 1 6 0 Z M19 32 a3 4 0 0 1 6 0 Z', 'mark'),
    ],
    other: [leaf(22, 36, 12), line('M17 14 l10 12 M27 14 l-10 12', 'thin')],
  },
  justArrived: yesNo(plant, [...plant, line('M2 22 h6 m-3 -3 l3 3 l-3 3', 'thin')]),
  // A leaf that hangs dark beneath the star of frost.
  coldHurt: yesNo(plant, [
    POT,
    line('M22 16 V9 q-9 -4 -12 7 M22 9 q9 -4 12 7', 'dead'),
    line('M37 3 v10 M32.7 5.5 l8.6 5 M41.3 5.5 l-8.6 5', 'thin'),
  ]),
  circling: {
    none: [POT, line('M22 16 V33 M22 18 q-6 6 -7 14 M22 18 q6 6 7 14', 'root')],
    some: [POT, line('M22 16 V30 M22 18 q-6 6 -7 12 M13 31 q9 5 18 0', 'root')],
    tight: [
      POT,
      line('M10 19 q12 6 24 0 M11 24 q11 6 22 0 M12 29 q10 6 20 0 M13 33 q9 4 18 0', 'root'),
    ],
  },
  rot: {
    none: [
      line('M22 4 V14', 'leaf'),
      line('M22 14 q-8 6 -9 20 M22 14 q8 6 9 20 M22 14 V36', 'root'),
    ],
    roots: [
      line('M22 4 V14', 'leaf'),
      line('M22 14 q-8 6 -9 20 M22 14 q8 6 9 20 M22 14 V36', 'dead'),
    ],
    stem: [
      line('M22 2 V8', 'leaf'),
      line('M18 8 h8 v8 h-8 Z', 'mark'),
      line('M22 16 q-8 6 -9 19 M22 16 q8 6 9 19', 'dead'),
    ],
  },
  infestedRoots: yesNo(
    [line('M22 6 q-8 10 -9 28 M22 6 q8 10 9 28 M22 6 V36', 'root')],
    [
      line('M22 6 q-8 10 -9 28 M22 6 q8 10 9 28 M22 6 V36', 'root'),
      dots(
        [
          [16, 20],
          [22, 24],
          [28, 20],
          [14, 30],
        ],
        'mark',
        2.2,
      ),
    ],
  ),
};

export const drawingOf = (signal: string, value: SignalValue): readonly Stroke[] =>
  DRAWINGS[signal]?.[String(value)] ?? [];
