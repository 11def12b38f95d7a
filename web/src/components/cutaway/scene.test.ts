import { CATALOGUE, nominalPot, RECIPES } from '@fernbank/core';
import { describe, expect, it } from 'vitest';
import { sceneOf, type CutawaySubject } from './scene.ts';

const subject: CutawaySubject = {
  name: 'Coxswain',
  pot: nominalPot(14),
  material: 'plastic',
  mediumKind: 'bark',
  explored: 0.8,
  plantHeightCm: 30,
};

describe('the scene of a cutaway', () => {
  it('is the same for the same plant, another for another', () => {
    expect(sceneOf(subject)).toEqual(sceneOf(subject));
    expect(sceneOf({ ...subject, name: 'Bosun' }).grains).not.toEqual(sceneOf(subject).grains);
  });

  it('is to scale: rim, height and plant in centimetres', () => {
    const scene = sceneOf(subject);
    expect(scene.widthCm).toBe(14);
    expect(scene.rimY).toBe(-10.5);
    expect(scene.topY).toBeCloseTo(scene.surfaceY - 30, 9);
  });

  it('cuts a tall plant off where it is told to, and says so', () => {
    const scene = sceneOf(subject, 8);
    expect(scene.topY).toBeCloseTo(scene.surfaceY - 8, 9);
    expect(scene.clipped).toBe(true);
    expect(sceneOf(subject).clipped).toBe(false);
  });

  it('shows several plants that share a pot, and the pot in its vessel with water beneath it', () => {
    const shoots = (together: number) =>
      sceneOf({ ...subject, together }).stem.split('M').length - 1;
    expect([shoots(1), shoots(3), shoots(30)]).toEqual([1, 3, 5]);
    const cover = { outside: nominalPot(20, 'standard'), material: 'plastic' as const };
    const dry = sceneOf({ ...subject, cover });
    const water = { gapCm: 4, levelCm: 3, wickUpCm: 3 };
    const over = sceneOf({ ...subject, cover, water });
    expect(dry.baseY - over.baseY).toBeCloseTo(4, 9);
    expect(dry.cover!.water).toBe('');
    expect(over.cover!.water).not.toBe('');
    expect(over.cover!.wick).toMatch(/^M0 .*L0 /);
  });

  it('draws a cactus as a ribbed body within the rim, without leaves', () => {
    const { stem, leaves, surfaceY } = sceneOf({ ...subject, growthForm: 'column' });
    expect(stem).toBe('');
    const points = [...leaves.matchAll(/(-?[\d.]+(?:e-\d+)?) (-?[\d.]+)/g)];
    const [xs, ys] = [1, 2].map((at) => points.map((point) => Number(point[at])));
    expect(Math.max(...xs!)).toBeLessThan(7);
    expect(Math.min(...ys!)).toBeCloseTo(surfaceY - 30, 9);
  });

  it('draws a palm as a bare stem with all its fronds in a crown as high as the plant', () => {
    const { stem, leaves, surfaceY } = sceneOf({ ...subject, growthForm: 'palmLike' });
    const heart = Number(/L\S+ (\S+)$/.exec(stem)![1]);
    expect(heart).toBeLessThan(surfaceY);
    const fronds = leaves.split('Z').filter(Boolean);
    expect(fronds).toHaveLength(9);
    const tips = fronds.map((frond) => Number(/Q\S+ \S+ \S+ ([^Q]+)Q/.exec(frond)![1]));
    expect(Math.max(...tips)).toBeLessThan(heart + 1);
    expect(Math.min(...tips)).toBeCloseTo(surfaceY - 30, 9);
  });

  it('seats a mound on the mouth of an empty pot, the plant on top of it', () => {
    const mound = { diameterCm: 17, heightCm: 8 };
    const scene = sceneOf({ ...subject, mound });
    expect(scene.widthCm).toBe(17);
    expect(scene.surfaceY).toBeCloseTo(scene.rimY - 8, 9);
    expect([scene.medium, scene.roots.count, scene.grains.length]).toEqual(['', 0, 0]);
    expect(scene.mound).toContain('A8.5 8');
    expect(sceneOf(subject).mound).toBe('');
  });

  it('is wetter at the floor than at the surface', () => {
    const { waterBands } = sceneOf(subject);
    const [floor, ...above] = waterBands.map(({ saturation }) => saturation);
    expect(floor).toBeGreaterThan(above[above.length - 1]! * 1.2);
    for (const saturation of [floor!, ...above]) expect(saturation).toBeLessThanOrEqual(1);
  });

  it('shows more roots in a fuller pot, and none where none are known', () => {
    const roots = (explored?: number) => sceneOf({ ...subject, explored }).roots.count;
    expect(roots(1)).toBeGreaterThan(roots(0.3));
    expect(roots()).toBe(0);
  });

  it('sets a ball from a smaller pot in at the finished level', () => {
    const scene = sceneOf({
      ...subject,
      pot: nominalPot(19),
      ball: { inside: nominalPot(14), litres: 0.9, explored: 0.9 },
    });
    const heights = [...scene.ball.matchAll(/,(-?[\d.]+)/g)].map(([, y]) => Number(y));
    expect(Math.min(...heights)).toBeCloseTo(scene.surfaceY, 1);
    expect(Math.max(...heights)).toBeLessThan(scene.floorY);
  });

  it('draws every recipe and every form of growth with finite numbers', () => {
    for (const { id } of RECIPES) {
      const { grains } = sceneOf({ ...subject, recipeId: id });
      expect(
        grains.reduce((sum, { count }) => sum + count, 0),
        id,
      ).toBeGreaterThan(3);
      for (const { path, count } of grains) {
        expect(path, id).not.toMatch(/NaN|Infinity/);
        const starts = [...path.matchAll(/M-?[\d.]+ (-?[\d.]+)/g)].map(([, y]) => Number(y));
        expect(starts.length).toBe(count);
        expect(Math.max(...starts)).toBeLessThan(0);
      }
    }
    for (const { traits } of CATALOGUE) {
      const { leaves } = sceneOf({ ...subject, growthForm: traits.growthForm });
      expect(leaves).toMatch(/^M/);
      expect(leaves).not.toContain('NaN');
    }
  });

  it('marks every component of a mix', () => {
    const { grains } = sceneOf({ ...subject, recipeId: 'chunkyClimber' });
    const drawn = new Set(grains.map(({ component }) => component.id));
    expect([...drawn].sort()).toEqual(['barkMedium', 'coconutChips', 'coir', 'perlite', 'pumice']);
  });
});

describe('what stands with a plant in its scene', () => {
  const support = {
    kind: 'mossMesh' as const,
    lengthCm: 60,
    widthCm: 7,
    usableFromCm: 20,
    tiesCm: [6, 20, 34],
    extensionsCm: [80, 95],
  };

  it('a support reaches from the floor to its top; green begins where old nodes end', () => {
    const { pole, floorY, surfaceY } = sceneOf({ ...subject, support });
    expect(pole!.y + pole!.height).toBeCloseTo(floorY, 9);
    expect(pole!.height).toBeCloseTo(60, 9);
    expect(pole!.usable!.y).toBe(pole!.y);
    expect(pole!.usable!.y + pole!.usable!.height).toBeCloseTo(surfaceY - 20, 9);
    expect(pole!.ties).toEqual([6, 20, 34].map((cm) => surfaceY - cm));
  });

  it('pieces to come stand on each other up to their tops', () => {
    const { pole, surfaceY, topY } = sceneOf({ ...subject, support });
    const [first, second] = pole!.extensions;
    expect(first!.y + first!.height).toBeCloseTo(pole!.y, 9);
    expect(second!.y + second!.height).toBeCloseTo(first!.y, 9);
    expect(second!.y).toBeCloseTo(surfaceY - 95, 9);
    expect(topY).toBeLessThanOrEqual(second!.y);
  });

  it('a plant past its pole leaves no green on it', () => {
    expect(
      sceneOf({ ...subject, support: { ...support, usableFromCm: 90 } }).pole!.usable,
    ).toBeNull();
    expect(
      sceneOf({ ...subject, support: { ...support, usableFromCm: null } }).pole!.usable,
    ).toBeNull();
  });

  it('in a cover everything stands on the cover’s floor', () => {
    const cover = { outside: nominalPot(20, 'standard'), material: 'glazed' as const };
    const bare = sceneOf(subject);
    const covered = sceneOf({ ...subject, cover });
    // A glazed wall of 20 cm across is 0.8 cm thick.
    expect(covered.floorY).toBeCloseTo(bare.floorY - 0.8, 9);
    expect(covered.widthCm).toBe(20);
    expect(covered.cover!.outline).not.toBe('');
  });

  it('an empty pot on the shelf shows no medium, and no hole where there is none', () => {
    const { grains, medium, waterBands, holes } = sceneOf({ ...subject, empty: true, holes: 0 });
    expect([grains, medium, waterBands, holes]).toEqual([[], '', [], []]);
    expect(sceneOf({ ...subject, empty: true, holes: 4 }).holes).not.toEqual([]);
  });

  it('grit on the floor is drawn as high as it is', () => {
    const { layerY, floorY } = sceneOf({ ...subject, layerCm: 2 });
    expect(layerY).toBeCloseTo(floorY - 2, 9);
    expect(sceneOf(subject).layerY).toBeNull();
  });
});
