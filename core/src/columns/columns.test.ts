import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber } from '../season/index.ts';
import {
  amountWithWords,
  amountIn,
  COLLECTION_FIELDS,
  dateIn,
  guessColumns,
  guessDateOrder,
  guessDecimal,
  headingParts,
  LOG_FIELDS,
  numberIn,
} from './index.ts';
import { LENGTH_UNITS, MASS_UNITS } from '../number/index.ts';

describe('numbers as people write them', () => {
  it.each([
    ['12,5', ',', 12.5],
    ['12.5', '.', 12.5],
    ['1,234.5', '.', 1234.5],
    ['1.234,5', ',', 1234.5],
    ['1 234,5', ',', 1234.5],
    ['1’234.5', '.', 1234.5],
    ['1\u202f234', '.', 1234],
    ['-3', '.', -3],
    ['+.5', '.', 0.5],
  ] as const)('%s with a decimal %s is %d', (text, decimal, value) => {
    expect(numberIn(text, decimal)?.value).toBe(value);
  });

  it.each(['', 'n/a', '-', 'about 5', '1.2.3'])('“%s” is none', (text) => {
    expect(numberIn(text, '.')).toBeNull();
  });

  it.each([
    ['14', 14],
    ['140 mm', 14],
    ['5.5"', 13.97],
    ['5.5 inches', 13.97],
    ['0.14 m', 14],
    ['1 ft', 30.48],
  ])('%s in a column of centimetres is %d cm', (text, cm) => {
    expect(amountIn(text, '.', LENGTH_UNITS, 'cm')).toBeCloseTo(cm, 10);
  });

  it('takes the column’s unit where a number has none', () => {
    expect(amountIn('6', '.', LENGTH_UNITS, 'in')).toBeCloseTo(15.24, 10);
    // 16 oz are a pound, by definition.
    expect(amountIn('16', '.', MASS_UNITS, 'oz')).toBeCloseTo(0.45359237, 12);
    expect(amountIn('850', '.', MASS_UNITS, 'g')).toBeCloseTo(0.85, 12);
  });

  it('is not taken in by a unit of another kind', () => {
    expect(amountIn('5 kg', '.', LENGTH_UNITS, 'cm')).toBeNull();
    expect(amountIn('5 pots', '.', LENGTH_UNITS, 'cm')).toBeNull();
  });

  it('the decimal sign is found from what can only be one', () => {
    expect(guessDecimal(['12,5', '8', '1.200,5'])).toBe(',');
    expect(guessDecimal(['12.5', '1,200'])).toBe('.');
    expect(guessDecimal(['1,200', '3'])).toBe('.');
    expect(guessDecimal([])).toBe('.');
  });
});

describe('days as people write them', () => {
  it.each([
    ['2024-03-05', 'dmy', '2024-03-05'],
    ['20240305', 'mdy', '2024-03-05'],
    ['2024-03-05T14:30:00Z', 'dmy', '2024-03-05'],
    ['2024-03-05/2024-03-09', 'dmy', '2024-03-05'],
    ['5/3/2024', 'dmy', '2024-03-05'],
    ['3/5/2024', 'mdy', '2024-03-05'],
    ['05.03.24', 'dmy', '2024-03-05'],
    ['24/3/5', 'ymd', '2024-03-05'],
    ['5 March 2024', 'mdy', '2024-03-05'],
    ['Mar 5, 2024', 'dmy', '2024-03-05'],
    ['5th of march 2024', 'dmy', '2024-03-05'],
    ['2024 Mar 5', 'dmy', '2024-03-05'],
    ['5/3/2024 14:30', 'dmy', '2024-03-05'],
    ['45356', 'serial', '2024-03-05'],
    ['45356.604', 'serial', '2024-03-05'],
    ['29.2.2024', 'dmy', '2024-02-29'],
    ['1/1/70', 'dmy', '1970-01-01'],
  ] as const)('%s in the order %s is %s', (text, order, date) => {
    expect(dateIn(text, order)).toEqual({ date, told: 'day' });
  });

  it('a month or a year alone is its first day, and says so', () => {
    expect(dateIn('2024-05', 'ymd')).toEqual({ date: '2024-05-01', told: 'month' });
    expect(dateIn('05/2024', 'dmy')).toEqual({ date: '2024-05-01', told: 'month' });
    expect(dateIn('May 2024', 'mdy')).toEqual({ date: '2024-05-01', told: 'month' });
    expect(dateIn('2024', 'dmy')).toEqual({ date: '2024-01-01', told: 'year' });
  });

  it('a season of a year is its middle, half a year on in the south', () => {
    expect(dateIn('spring 2022', 'dmy', 51)).toEqual({ date: '2022-04-15', told: 'season' });
    expect(dateIn('2022 Fall', 'ymd', 51)).toEqual({ date: '2022-10-15', told: 'season' });
    expect(dateIn('winter of 2022', 'dmy', 51)?.date).toBe('2022-01-15');
    expect(dateIn('Spring 2022', 'dmy', -34)?.date).toBe('2022-10-15');
    expect(dateIn('summer 2022', 'dmy', -34)?.date).toBe('2022-01-15');
  });

  it('what is written as about a day is taken as that day', () => {
    expect(dateIn('ca. 2021', 'dmy')).toEqual({ date: '2021-01-01', told: 'year' });
    expect(dateIn('~ 3/2021', 'dmy')).toEqual({ date: '2021-03-01', told: 'month' });
    expect(dateIn('2.5.2021?', 'dmy')).toEqual({ date: '2021-05-02', told: 'day' });
  });

  it.each([
    '',
    'spring',
    'spring 22',
    'spring 2022 2023',
    '?',
    '30/2/2024',
    '29.2.2023',
    '32/1/2024',
    '1/13/2024',
    '1/2/3/4',
    '12',
  ])('“%s” is no day', (text) => expect(dateIn(text, 'dmy')).toBeNull());

  it('any day written in an order is read back in it, whatever stands between', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1970-01-01'), max: new Date('2068-12-31'), noInvalidDate: true }),
        fc.constantFrom('ymd', 'dmy', 'mdy'),
        fc.constantFrom('/', '.', '-', ' '),
        fc.boolean(),
        (moment, order, sign, padded) => {
          const date = moment.toISOString().slice(0, 10);
          const [y, m, d] = date.split('-').map((part) => (padded ? part : String(Number(part))));
          const text = [...order].map((letter) => ({ y, m, d })[letter]).join(sign);
          expect(dateIn(text, order as 'ymd')?.date).toBe(date);
        },
      ),
    );
  });

  it('serial days count as spreadsheets do', () => {
    // 2 January 2024 is 45293; one more a day.
    expect(dateIn('45293', 'serial')?.date).toBe('2024-01-02');
    expect(dayNumber(dateIn('45658', 'serial')!.date)).toBe(dayNumber('2025-01-01'));
  });

  it('the order is found where one day tells it, and owned up to where none does', () => {
    expect(guessDateOrder(['3/5/2024', '25/3/2024'])).toEqual({ order: 'dmy', unsure: false });
    expect(guessDateOrder(['3/5/2024', '3/25/2024'])).toEqual({ order: 'mdy', unsure: false });
    expect(guessDateOrder(['2024-03-05'])).toMatchObject({ unsure: false });
    expect(guessDateOrder(['3/5/2024', '4/5/2024'])).toMatchObject({ unsure: true });
    expect(guessDateOrder(['5/5/2024'])).toMatchObject({ unsure: false });
    expect(guessDateOrder(['45356', ''])).toEqual({ order: 'serial', unsure: false });
  });
});

describe('headings', () => {
  it.each([
    ['Pot (in)', 'pot', 'in'],
    ['diameter_mm', 'diameter', 'mm'],
    ['Weight [g]', 'weight', 'g'],
    ['Height cm', 'height', 'cm'],
    ['dwc:scientificName', 'scientificname', null],
    ['http://rs.tdwg.org/dwc/terms/eventDate', 'eventdate', null],
    ['Last repotted', 'lastrepotted', null],
    ['Pot size (nominal)', 'potsizenominal', null],
  ] as const)('%s is %s in %s', (heading, word, unit) => {
    expect(headingParts(heading)).toEqual({ word, unit });
  });

  it('no word stands for two fields of one kind of file', () => {
    for (const fields of [COLLECTION_FIELDS, LOG_FIELDS]) {
      const words = fields.flatMap(({ known }) => known);
      expect(new Set(words).size).toBe(words.length);
      for (const word of words) expect(headingParts(word)).toEqual({ word, unit: null });
    }
  });

  it('“plant” is a name, but beside a name what it is', () => {
    const fieldsOf = (...headings: string[]) =>
      guessColumns(headings, [], 'metric').columns.map(({ field }) => field);
    expect(fieldsOf('Plant', 'Species', 'Pot')).toEqual(['name', 'taxon', 'potTop']);
    expect(fieldsOf('Name', 'Plant', 'Pot')).toEqual(['name', 'taxon', 'potTop']);
    expect(fieldsOf('Plant', 'Name', 'Pot')).toEqual(['taxon', 'name', 'potTop']);
    expect(fieldsOf('Plant', 'Pot')).toEqual(['name', 'potTop']);
  });

  it('a collection in Darwin Core is understood', () => {
    const { kind, columns } = guessColumns(
      [
        'dwc:catalogNumber',
        'dwc:scientificName',
        'dwc:vernacularName',
        'dwc:locality',
        'dwc:eventDate',
        'dwc:recordedBy',
      ],
      [
        [
          'MQ-1',
          'Davallia fejeensis',
          'hare’s foot fern',
          'Ticket hall',
          '2024-05-01',
          'A. Keeper',
        ],
      ],
      'metric',
    );
    expect(kind).toBe('collection');
    expect(columns.map(({ field }) => field)).toEqual([
      'number',
      'taxon',
      'common',
      'spot',
      'acquired',
      null,
    ]);
  });

  it('measurements in Darwin Core are a log', () => {
    const { kind, columns } = guessColumns(
      [
        'organismName',
        'measurementType',
        'measurementValue',
        'measurementUnit',
        'measurementDeterminedDate',
      ],
      [['Gangway', 'weight', '850', 'g', '2026-03-01']],
      'metric',
    );
    expect(kind).toBe('log');
    expect(columns.map(({ field }) => field)).toEqual(['plant', 'kind', 'value', 'unit', 'date']);
  });

  it('units follow the heading, else the keeper’s own', () => {
    const units = (system: 'metric' | 'us') =>
      guessColumns(['date', 'plant', 'weight', 'height (mm)', 'leafCm'], [], system).columns.map(
        ({ unit }) => unit,
      );
    expect(units('metric')).toEqual([undefined, undefined, 'kg', 'mm', 'cm']);
    expect(units('us')).toEqual([undefined, undefined, 'lb', 'mm', 'cm']);
  });
});

it.each([
  ['8 cm net pot', { amount: '8 cm', words: 'net pot' }],
  ['6 in', { amount: '6 in', words: '' }],
  ['4.5" Clay', { amount: '4.5 "', words: 'clay' }],
  ['15 square', { amount: '15', words: 'square' }],
  ['14', { amount: '14', words: '' }],
  ['12,5cm', { amount: '12,5 cm', words: '' }],
  ['net pot', null],
  ['', null],
])('an amount is told from the words behind it: %s', (text, told) => {
  expect(amountWithWords(text)).toEqual(told);
});
