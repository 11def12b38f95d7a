import { describe, expect, it } from 'vitest';
import { workFor, type MoveTo } from './oldMedium.ts';
import type { MediumKind } from '../media/index.ts';
import type { Signals } from './signals.ts';
import type { Schools } from '../schools/index.ts';

const work = (
  kind: MediumKind,
  signals: Signals = {},
  move: MoveTo = {},
  oldMedium: Schools['oldMedium'] = 'byMedium',
) => workFor({ medium: { kind }, signals, schools: { oldMedium } }, move);

// Common practice, no source; written before the code was asked.
describe('how much of the old medium comes off', () => {
  it('is the school’s, else what the medium asks', () => {
    expect(work('peatSoil')).toBe('ballKept');
    expect(work('bark')).toBe('bareRoot');
    expect(work('mineral')).toBe('mostOff');
    expect(work('bark', {}, {}, 'ballWhole')).toBe('ballKept');
    expect(work('peatSoil', {}, {}, 'loosen')).toBe('mostOff');
  });

  it('is all of it where it is sour, rotted, mouldy through or lived in, whatever the school', () => {
    for (const signals of [
      { smell: 'sour' },
      { rot: 'roots' },
      { rot: 'stem' },
      { mould: 'through' },
      { infestedRoots: true },
      { pests: 'mealy' },
    ]) {
      expect(work('peatSoil', signals, {}, 'ballWhole'), JSON.stringify(signals)).toBe('bareRoot');
    }
    for (const signals of [
      { smell: 'fresh' },
      { rot: 'none' },
      { mould: 'surface' },
      { pests: 'gnats' },
      { saltCrust: 'thick' },
    ]) {
      expect(work('peatSoil', signals), JSON.stringify(signals)).toBe('ballKept');
    }
  });

  it('is all of it on the way into or out of pebbles, into moss, and onto a mound', () => {
    expect(work('peatSoil', {}, { newKind: 'pebbles' })).toBe('bareRoot');
    expect(work('pebbles', {}, { newKind: 'peatSoil' }, 'ballWhole')).toBe('bareRoot');
    expect(work('peatSoil', {}, { newKind: 'moss' })).toBe('bareRoot');
    expect(work('peatSoil', {}, { mound: true })).toBe('bareRoot');
    // Moss round the roots of a start may go with it.
    expect(work('moss', {}, { newKind: 'peatSoil' }, 'ballWhole')).toBe('ballKept');
    expect(work('peatSoil', {}, { newKind: 'loam' })).toBe('ballKept');
  });

  it('is the outside at least where the ball is cut', () => {
    expect(work('peatSoil', {}, { pieces: 2 })).toBe('mostOff');
    expect(work('peatSoil', {}, { rootsPruned: true })).toBe('mostOff');
    expect(work('bark', {}, { pieces: 2 })).toBe('bareRoot');
    expect(work('peatSoil', {}, { pieces: 1 })).toBe('ballKept');
  });
});
