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

  it('is wetter at the floor than at the surface', () => {
    const { waterBands } = sceneOf(subject);
    const [floor, ...above] = waterBands.map(({ saturation }) => saturation);
    expect(floor).toBeGreaterThan(above[above.length - 1]! * 1.2);
    for (const saturation of [floor!, ...above]) expect(saturation).toBeLessThanOrEqual(1);
  });

  it('shows more roots in a fuller pot, and none where none are known', () => {
    const roots = (explored?: number) => sceneOf({ ...subject, explored }).roots.length;
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
      expect(grains.length, id).toBeGreaterThan(3);
      for (const { x, y, sizeCm } of grains) {
        expect(Number.isFinite(x + y + sizeCm), id).toBe(true);
        expect(y).toBeLessThan(0);
      }
    }
    for (const { traits } of CATALOGUE) {
      const { leaves } = sceneOf({ ...subject, growthForm: traits.growthForm });
      expect(leaves.length).toBeGreaterThan(0);
      expect(leaves.every(({ path }) => !path.includes('NaN'))).toBe(true);
    }
  });

  it('marks every component of a mix', () => {
    const { grains } = sceneOf({ ...subject, recipeId: 'chunkyClimber' });
    const drawn = new Set(grains.map(({ component }) => component.id));
    expect([...drawn].sort()).toEqual(['barkMedium', 'coconutChips', 'coir', 'perlite', 'pumice']);
  });
});
