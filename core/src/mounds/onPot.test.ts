import { describe, expect, it } from 'vitest';
import { component } from '../media/index.ts';
import { moundOnPot } from './onPot.ts';

describe('a mound on a pot', () => {
  it('by hand: a mouth of 12 cm, a net pot of 7, moss all round', () => {
    const { core, diameterCm, heightCm, mossL, looseL, dryG, dampG } = moundOnPot(12, 0);
    expect(core).toEqual({ topDiameterCm: 7, baseDiameterCm: 7 * 0.7, heightCm: 5.25 });
    // Settled it stands half a centimetre over each side: (13 − 0.2 · 7) / 0.8 = 14.5 wide when made.
    expect(diameterCm).toBeCloseTo(15, 6);
    expect(heightCm).toBeCloseTo(5.25 + 2.4, 6);
    // Half an ellipsoid less a frustum, cm³.
    const dome = (2 / 3) * Math.PI * 7.5 ** 2 * 7.65;
    const frustum = ((Math.PI * 5.25) / 12) * (49 + 7 * 4.9 + 4.9 ** 2);
    expect(mossL).toBeCloseTo((dome - frustum) / 1000, 6);
    // Weighed out by five grams, never too little.
    const needed = looseL * component('longMoss').dryKgPerL * 1000;
    expect(dryG % 5).toBe(0);
    expect(dampG).toBeCloseTo(8 * dryG, 6);
    expect(dryG - needed).toBeGreaterThanOrEqual(0);
    expect(dryG - needed).toBeLessThan(5);
  });

  it('stays on every mouth it is made for, its core inside it, more moss for a wider one', () => {
    let before = 0;
    for (let mouthCm = 5; mouthCm <= 40; mouthCm += 0.5) {
      const { holds, core, diameterCm, sideCm, mossL } = moundOnPot(mouthCm, 0);
      expect(holds, `${mouthCm} cm`).toBe(true);
      expect(diameterCm - mouthCm).toBeGreaterThanOrEqual(2);
      expect(core.topDiameterCm).toBeLessThan(mouthCm);
      expect(sideCm).toBeGreaterThan(1);
      if (mouthCm % 5 === 0) {
        expect(mossL).toBeGreaterThan(before);
        before = mossL;
      }
    }
  });

  it('takes less moss round more roots, never none', () => {
    const bare = moundOnPot(12, 0);
    const rooted = moundOnPot(12, 0.2);
    expect(bare.mossL - rooted.mossL).toBeCloseTo(0.2, 9);
    expect(moundOnPot(12, 5).mossL).toBeGreaterThan(0.3 * bare.mossL);
  });

  it('is made on no mouth that nothing can sit on', () => {
    for (const mouthCm of [0, -3, NaN]) expect(() => moundOnPot(mouthCm, 0)).toThrow(RangeError);
  });
});
