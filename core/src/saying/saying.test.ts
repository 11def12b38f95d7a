import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METRIC, monthsSaid, say, sayAll, speakerFor, spoken, spokenOut } from './index.ts';

const US = speakerFor('us');

describe('a sentence with its quantities apart', () => {
  it('is plain words where it holds none', () => {
    expect(say`one size ${'up'}: ${3} ${'pots'}`).toBe('one size up: 3 pots');
    expect(say``).toBe('');
  });

  it('tells litres as finely as a jug is read', () => {
    const told = [0.0042, 0.1234, 0.578, 0.996, 1.813, 2.25, 9.99, 56.5, 123.44].map(METRIC.litres);
    expect(told).toEqual([
      '4 mL',
      '123 mL',
      '580 mL',
      '1 L',
      '1.8 L',
      '2.25 L',
      '10 L',
      '56.5 L',
      '123.4 L',
    ]);
  });

  it('is told in each reader’s units', () => {
    const saying = say`the pot is ${{ cm: 25.4 }} wide, holds ${{ litres: 0.946352946 }} and weighs ${{ kg: 0.45359237 }} at ${{ celsius: 20 }} since ${{ day: '2026-03-04' }}`;
    expect(spoken(saying, METRIC)).toBe(
      'the pot is 25 cm wide, holds 950 mL and weighs 454 g at 20 °C since 2026-03-04',
    );
    // NIST SP 811 (2008), appendix B.
    expect(spoken(saying, US)).toBe(
      'the pot is 10 in wide, holds 4 cups and weighs 1 lb at 68 °F since 2026-03-04',
    );
  });

  it('goes into another sentence whole, and one follows another', () => {
    const wider = say`${{ cm: 2 }} wider`;
    expect(spoken(say`one size up: ${wider}`, METRIC)).toBe('one size up: 2 cm wider');
    expect(spoken(sayAll([wider, 'it fits'], '; '), METRIC)).toBe('2 cm wider; it fits');
  });

  it('an answer is written out to its depths, and nothing else of it is touched', () => {
    const answer = {
      because: say`${{ cm: 4 }} wider`,
      rungs: [{ notes: [{ text: say`${{ litres: 2 }} below` }] }],
      none: null,
      count: 3,
    };
    expect(spokenOut(answer, METRIC)).toEqual({
      because: '4 cm wider',
      rungs: [{ notes: [{ text: '2 L below' }] }],
      none: null,
      count: 3,
    });
  });

  it('loses no word and no quantity on its way, nor when it was kept as JSON', () => {
    const quantity = fc.double({ min: 0.1, max: 900, noNaN: true }).map((cm) => ({ cm }));
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.string(), quantity)), (parts) => {
        const saying = sayAll(
          parts.map((part) => say`${part}`),
          '·',
        );
        const plain = parts.map((part) => (typeof part === 'string' ? part : METRIC.cm(part.cm)));
        expect(spoken(saying, METRIC)).toBe(plain.join('·'));
        expect(JSON.parse(JSON.stringify(saying))).toEqual(saying);
      }),
    );
  });
});

it('tells months as one says them: halves below three, years from two of them on', () => {
  expect([0.2, 0.9, 1.4, 5.1, 8, 23.4, 23.6, 34, 43, 71, 108].map(monthsSaid)).toEqual([
    'under a month',
    'a month',
    '1½ months',
    '5 months',
    '8 months',
    '23 months',
    '2 years',
    '3 years',
    '3½ years',
    '6 years',
    '9 years',
  ]);
});
