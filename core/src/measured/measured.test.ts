import { describe, expect, it } from 'vitest';
import { CARE_KINDS } from '../decide/index.ts';
import { kindNamed, measurement, MEASUREMENT_KINDS, stepOf, valueFault } from './index.ts';

describe('what is measured', () => {
  it.each(MEASUREMENT_KINDS)('%s is found by its words, and takes just its range', (kind) => {
    const { label, least, most, aka = [] } = measurement(kind);
    for (const word of [kind, label, ...aka])
      expect(kindNamed(` ${word.toUpperCase()} `)).toBe(kind);
    expect([valueFault(kind, least), valueFault(kind, most)]).toEqual([null, null]);
    expect(valueFault(kind, most + 1)).toContain(label);
    expect(valueFault(kind, least - 1)).toContain(`got ${least - 1}`);
  });

  it('has every deed of care as one that is done', () => {
    for (const kind of CARE_KINDS) expect(measurement(kind).as).toBe('done');
  });

  it('names the unit that its name ends on', () => {
    const ends = { kg: /Kg$/, cm: /Cm$/, L: /L$/, 'mS/cm': /MsCm$/ } as const;
    for (const kind of MEASUREMENT_KINDS) {
      const { as } = measurement(kind);
      if (as in ends) expect(kind).toMatch(ends[as as keyof typeof ends]);
    }
    expect(valueFault('weightKg', 900)).toBe(
      'must be between 0.001 and 500 kg for weight, got 900',
    );
    expect(valueFault('reservoirPh', 20)).toBe('must be between 0 and 14 for reservoir pH, got 20');
  });

  it('tells a scale by its nearest step', () => {
    expect([0, 1, 2, 7].map((value) => stepOf('saltCrust', value))).toEqual([
      'none',
      'some',
      'thick',
      'thick',
    ]);
    expect([0.2, 1].map((value) => stepOf('wickDamp', value))).toEqual(['dry', 'damp']);
  });

  it('knows nothing of what is not kept', () => {
    for (const word of ['', 'mood', 'constructor']) expect(kindNamed(word)).toBeNull();
  });
});
