import { describe, expect, it } from 'vitest';
import {
  brimfulL,
  containerClass,
  coverFit,
  emptyPotKg,
  nominalPot,
  POT_MATERIALS,
  type PotShape,
} from './index.ts';
import { inMetric } from '../saying/index.ts';

const IN = 2.54;
const round = (top: number, base: number, height: number): PotShape => ({
  shape: 'round',
  topDiameterCm: top,
  baseDiameterCm: base,
  heightCm: height,
});

describe('container classes (ANSI Z60.1, from memory)', () => {
  it('6.5 / 5 / 6.5 in is a #1', () => {
    expect(containerClass(brimfulL(round(6.5 * IN, 5 * IN, 6.5 * IN)))).toBe('#1');
  });
  it.each([
    [152, '#1'],
    [251, '#1'],
    [300, null],
    [320, '#2'],
    [700, '#3'],
    [1242, '#5'],
    [100, null],
  ])('%d cubic inches: %s', (cubicInches, expected) => {
    expect(containerClass((cubicInches * IN ** 3) / 1000)).toBe(expected);
  });
});

describe('trade shapes (common practice, no source)', () => {
  it('a tall pot is a third taller than wide, a basket is a bowl half as deep as wide', () => {
    expect(nominalPot(15, 'tall').heightCm).toBeCloseTo(20, 0);
    expect(nominalPot(30, 'basket')).toMatchObject({ shape: 'bowl', heightCm: 15 });
  });
});

describe('cover pots', () => {
  const pot = nominalPot(14);
  it('a wider cover takes it; one as wide does not, and says by how much', () => {
    expect(coverFit(pot, nominalPot(20, 'standard'), 'glazed')).toMatchObject({ fits: true });
    const tight = coverFit(pot, nominalPot(14, 'standard'), 'glazed');
    expect(tight.fits ? '' : inMetric(tight.why)).toMatch(/too narrow for it by [1-9]/);
  });
  it('a cover that is wide enough above but pinches below does not take it', () => {
    expect(coverFit(pot, round(20, 9, 18), 'plastic').fits).toBe(false);
  });
  it('a saucer is no cover', () => {
    const saucer = coverFit(pot, round(30, 28, 4), 'plastic');
    expect(saucer.fits ? '' : inMetric(saucer.why)).toContain('shallow');
  });
  it('a square pot needs its corners inside a round cover', () => {
    const square: PotShape = { shape: 'square', topLengthCm: 10, baseLengthCm: 10, heightCm: 10 };
    expect(coverFit(square, round(13, 13, 12), 'plastic').fits).toBe(false);
    expect(coverFit(square, round(16, 16, 12), 'plastic').fits).toBe(true);
  });
});

describe('materials', () => {
  it('weigh in the order of the hand: fabric, net, plastic, clay, glazed', () => {
    const kg = (id: (typeof POT_MATERIALS)[number]['id']) => emptyPotKg(nominalPot(17), id);
    const order = ['fabric', 'net', 'plastic', 'terracotta', 'glazed'] as const;
    for (let i = 1; i < order.length; i++) expect(kg(order[i]!)).toBeGreaterThan(kg(order[i - 1]!));
  });
  it('only what breathes loses water through the wall', () => {
    const breathing = POT_MATERIALS.filter(({ wallEvaporation }) => wallEvaporation > 0);
    expect(breathing.map(({ id }) => id).sort()).toEqual(['fabric', 'net', 'terracotta']);
  });
});
