import { describe, expect, it } from 'vitest';
import { centreOfGravity, pushLike, tipAngleDeg, topplingPushN } from './index.ts';

describe('stability by hand cases (statics)', () => {
  it('base radius 5.5 cm and centre of gravity at 30 cm tip at 10.4°', () => {
    expect(tipAngleDeg(5.5, 30)).toBeCloseTo(10.4, 1);
  });

  it('a cube tips at 45°', () => {
    expect(tipAngleDeg(5, 5)).toBeCloseTo(45, 12);
  });

  it('two equal weights balance half-way', () => {
    const joint = centreOfGravity([
      { massKg: 1, heightCm: 4 },
      { massKg: 1, heightCm: 20 },
    ]);
    expect(joint).toEqual({ massKg: 2, heightCm: 12 });
  });

  it('1 kg on a 10 cm radius is toppled at 1 m by a tenth of its weight, 0.981 N', () => {
    expect(topplingPushN(1, 10, 100)).toBeCloseTo(0.981, 3);
  });

  it.each([
    [0, 10],
    [5, 0],
    [-1, 10],
    [NaN, 10],
  ])('radius %d and height %d are refused', (radius, height) => {
    expect(() => tipAngleDeg(radius, height)).toThrow(RangeError);
  });

  it('nothing at all has no centre', () => {
    expect(() => centreOfGravity([])).toThrow(/mass/);
  });
});

it('a push is told as a hand feels it: a finger, a hand, a shoulder (common practice, no source)', () => {
  // A 9 cm pot of 0.4 kg with 15 cm of leaves falls to a touch, a tub of 14 kg and 60 cm to no breeze.
  expect(pushLike(topplingPushN(0.4, 3, 22))).toBe('touch');
  expect(pushLike(topplingPushN(2.6, 5, 40))).toBe('lightPush');
  expect(pushLike(topplingPushN(5, 8, 60))).toBe('firmPush');
  expect(pushLike(topplingPushN(14, 15, 90))).toBe('shove');
});
