import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { COMPONENTS, RECIPES, type Component } from '../media/index.ts';
import { solveByHighs, type Solve } from '../milp/index.ts';
import { seeded } from '../number/index.ts';
import { partsOf } from './batch.ts';
import type { Part } from './blend.ts';
import {
  A_COMPONENT,
  designMix,
  reachedBy,
  relaxing,
  TARGET_PROPERTIES,
  type DesignRequest,
  type MixTarget,
} from './design.ts';

let solve: Solve;
beforeAll(async () => {
  solve = solveByHighs(await highsLoader());
});

/** A price for every component, different enough to matter. */
const priceOf = ({ id }: Component) => 0.1 + (id.length % 9) / 10;

const missOf = (parts: Part<Component>[], request: DesignRequest) =>
  reachedBy(parts, request).reduce((sum, r) => sum + r.shortfall * r.target.importance, 0);

/** Every way to write `total` as whole parts of `n` components. */
function* splits(total: number, n: number): Generator<number[]> {
  if (n === 1) {
    yield [total];
    return;
  }
  for (let first = 0; first <= total; first++) {
    for (const rest of splits(total - first, n - 1)) yield [first, ...rest];
  }
}

function randomTargets(random: () => number): MixTarget[] {
  const RANGES = {
    air: [0.05, 0.5],
    water: [0.1, 0.7],
    totalPorosity: [0.4, 0.95],
    dryKgPerL: [0.1, 0.9],
    organic: [0, 1],
    halfLifeMonths: [8, 40],
    ph: [4, 7.5],
    pricePerL: [0.1, 0.9],
  } as const;
  return TARGET_PROPERTIES.filter(() => random() < 0.6).map((property) => {
    const [least, most] = RANGES[property];
    const a = least + (most - least) * random();
    const b = least + (most - least) * random();
    return { property, low: Math.min(a, b), high: Math.max(a, b), importance: 0.5 + random() };
  });
}

describe('design of a mix against brute force', () => {
  it('100 small random cases: no recipe on the grid comes closer, and what is said is so', () => {
    const random = seeded(12);
    let tried = 0;
    while (tried < 100) {
      const targets = randomTargets(random);
      if (targets.length === 0) continue;
      tried += 1;
      const components = [...COMPONENTS].sort(() => random() - 0.5).slice(0, 3 + (tried % 2));
      const total = 4 + (tried % 3);
      const request: DesignRequest = {
        components,
        targets,
        heightCm: 8 + 10 * random(),
        mostComponents: 2 + (tried % 2),
        totalParts: [total],
        priceOf,
      };
      const { parts, miss } = designMix(request, solve);
      let best = Infinity;
      for (const counts of splits(total, components.length)) {
        const mix = counts.flatMap((n, i) =>
          n > 0 ? [{ ingredient: components[i]!, parts: n }] : [],
        );
        if (mix.length > request.mostComponents) continue;
        best = Math.min(best, missOf(mix, request) + A_COMPONENT * mix.length);
      }
      expect(miss + A_COMPONENT * parts.length, JSON.stringify(targets)).toBeCloseTo(best, 4);
      expect(missOf(parts, request)).toBeCloseTo(miss, 9);
      expect(parts.length).toBeLessThanOrEqual(request.mostComponents);
    }
  });
});

describe('design from the whole shelf', () => {
  const FOLIAGE: MixTarget[] = [
    { property: 'air', low: 0.2, high: 0.3, importance: 2 },
    { property: 'water', low: 0.45, high: 0.6, importance: 1 },
    { property: 'dryKgPerL', low: 0.15, high: 0.4, importance: 1 },
  ];
  const request: DesignRequest = {
    components: COMPONENTS,
    targets: FOLIAGE,
    heightCm: 12,
    mostComponents: 4,
  };

  it('is never worse than any shipped recipe on the stated targets', () => {
    const { miss } = designMix(request, solve);
    for (const recipe of RECIPES.filter(({ parts }) => parts.length <= 4)) {
      expect(miss, recipe.id).toBeLessThanOrEqual(missOf(partsOf(recipe.parts), request) + 1e-6);
    }
  });

  it('without what is avoided it uses none of it', () => {
    const peatFree = COMPONENTS.filter(({ id }) => id !== 'peat' && id !== 'pottingSoil');
    const { parts } = designMix({ ...request, components: peatFree }, solve);
    expect(parts.map(({ ingredient }) => ingredient.id)).not.toContain('peat');
  });

  it('a target that cannot be met is told with the nearest, and relaxing it buys the most', () => {
    const impossible: MixTarget = { property: 'dryKgPerL', low: 5, importance: 1 };
    const asked = { ...request, targets: [FOLIAGE[0]!, impossible], totalParts: [6] };
    const { reached, miss } = designMix(asked, solve);
    expect(miss).toBeGreaterThan(1);
    expect(reached[1]!.shortfall).toBeGreaterThan(1);
    expect(relaxing(asked, solve)[0]!.target).toBe(impossible);
  });
});

describe('what cannot be designed', () => {
  const base: DesignRequest = {
    components: COMPONENTS,
    targets: [{ property: 'air', low: 0.2, importance: 1 }],
    heightCm: 12,
    mostComponents: 3,
  };
  it.each([
    ['no component', { components: [] }, /number of components/],
    ['no target', { targets: [] }, /number of targets/],
    [
      'low above high',
      { targets: [{ property: 'air', low: 0.5, high: 0.2, importance: 1 }] },
      /air must not/,
    ],
    ['neither low nor high', { targets: [{ property: 'air', importance: 1 }] }, /low or a high/],
    ['no importance', { targets: [{ property: 'air', low: 0.2, importance: 0 }] }, /importance/],
    ['a column of nothing', { heightCm: 0 }, /heightCm/],
    [
      'a price that nobody knows',
      { targets: [{ property: 'pricePerL', high: 1, importance: 1 }] },
      /pricePerL needs the price/,
    ],
  ])('%s is refused in words', (_what, wrong, words) => {
    expect(() => designMix({ ...base, ...wrong } as DesignRequest, solve)).toThrow(words);
  });
});
