import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { say, weightInLine } from '@fernbank/core';
import { useSettings } from '../stores/settings.ts';
import { useUnits } from './useUnits.ts';

beforeEach(() => setActivePinia(createPinia()));
const us = () => {
  useSettings().current.units = 'us';
  return useUnits();
};

// NIST SP 811 (2008), appendix B: exact, or to the digits given there.
describe('units against the published conversion factors', () => {
  it('inch: 2.54 cm exactly', () => {
    expect(us().measures.value.length.to(1)).toBeCloseTo(2.54, 12);
    expect(us().measures.value.length.from(25.4)).toBe(10);
  });
  it('pound: 0.453 592 37 kg exactly; ounce: 0.028 349 52 kg', () => {
    expect(us().measures.value.weight.to(1)).toBeCloseTo(0.453_592_37, 12);
    expect(weightInLine('1 lb')).toBeCloseTo(0.453_592_37, 12);
    expect(weightInLine('1 oz')).toBeCloseTo(0.028_349_52, 8);
  });
  it('US liquid quart: 0.946 352 9 L', () => {
    expect(us().measures.value.volume.to(1)).toBeCloseTo(0.946_352_9, 7);
  });
  it('US cup: 0.236 588 2 L; 0.47 L are told as two of them', () => {
    expect(us().volume(2 * 0.236_588_2)).toBe('2 cups');
  });
  it('Fahrenheit: t/°C = (t/°F − 32)/1.8', () => {
    expect(us().measures.value.temperature.to(68)).toBeCloseTo(20, 12);
    expect(us().measures.value.temperature.to(-40)).toBeCloseTo(-40, 12);
  });
  it('pound per quart: 0.453 592 37 / 0.946 352 9 kg/L', () => {
    expect(us().density(0.453_592_37 / 0.946_352_9)).toBe('1 lb/qt');
  });
  it('a sentence of the core is told in the keeper’s units, its days as days', () => {
    expect(us().said(say`roots of about ${{ cm: 5.08 }}, seen on ${{ day: '2026-03-04' }}`)).toBe(
      'roots of about 2 in, seen on Mar 4',
    );
    // What a keeper typed is left as it was typed.
    expect(us().said('in the 12 cm pot since 2026-03-04')).toBe(
      'in the 12 cm pot since 2026-03-04',
    );
    useSettings().current.units = 'metric';
    expect(useUnits().said(say`${{ litres: 0.25 }} left on ${{ day: '2026-03-04' }}`)).toBe(
      '250 mL left on Mar 4',
    );
  });
});
