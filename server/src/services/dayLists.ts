import {
  LENGTH_UNITS,
  MASS_UNITS,
  pickList,
  shoppingList,
  speakerFor,
  spoken,
  spokenOut,
  VOLUME_UNITS,
  type LaidDay,
  type Settings,
  type Speaker,
} from '@fernbank/core';
import Papa from 'papaparse';

/** Lists of a day that go out as CSV. */
export const DAY_LISTS = ['shopping', 'picking', 'batches', 'order'] as const;
export type DayList = (typeof DAY_LISTS)[number];

type Row = Record<string, string | number | null>;

/** The keeper's units as columns have them. */
interface Columns {
  /** litres or quarts, to the thousandth */
  volume: (litres: number) => number;
  volumeUnit: 'L' | 'qt';
  length: (cm: number) => number;
  lengthUnit: 'cm' | 'in';
  mass: (grams: number) => number;
  massUnit: 'g' | 'oz';
  by: Speaker;
}
const thousandths = (value: number) => Math.round(value * 1000) / 1000;
const COLUMNS: Record<Settings['units'], Columns> = {
  metric: {
    volume: thousandths,
    volumeUnit: 'L',
    length: (cm) => cm,
    lengthUnit: 'cm',
    mass: (grams) => grams,
    massUnit: 'g',
    by: speakerFor('metric'),
  },
  us: {
    volume: (litres) => thousandths(litres / VOLUME_UNITS.qt),
    volumeUnit: 'qt',
    length: (cm) => thousandths(cm / LENGTH_UNITS.in),
    lengthUnit: 'in',
    mass: (grams) => thousandths(grams / 1000 / MASS_UNITS.oz),
    massUnit: 'oz',
    by: speakerFor('us'),
  },
};

/**
 * A list of a day as CSV: a row a thing, lengths and volumes in the keeper's
 * units, minutes from the start of the day. What a spreadsheet would take for
 * a formula is told as text.
 *
 * @source RFC 4180, by the papaparse package
 */
export function dayCsv(laid: LaidDay, list: DayList, units: Settings['units']): string {
  return Papa.unparse(ROWS[list](laid, COLUMNS[units]), { newline: '\r\n', escapeFormulae: true });
}

const ROWS: Record<DayList, (laid: LaidDay, columns: Columns) => Row[]> = {
  shopping: (laid, { volume, volumeUnit, length, lengthUnit, by }) =>
    spokenOut(shoppingList(laid), by).map((bought) => {
      switch (bought.kind) {
        case 'bag':
          return row(
            'bag',
            bought.label,
            bought.count,
            volume(bought.bagL),
            volumeUnit,
            bought.price,
            '',
          );
        case 'pot':
          return row(
            'pot',
            bought.label,
            bought.count,
            null,
            '',
            bought.price,
            bought.for.join('; '),
          );
        case 'pole':
          return row(
            'pole',
            bought.label,
            bought.count,
            length(bought.lengthCm),
            lengthUnit,
            null,
            '',
          );
        case 'check':
          return row(
            'check what you have',
            bought.label,
            1,
            volume(bought.litres),
            volumeUnit,
            null,
            '',
          );
      }
    }),
  picking: (laid, { volume, volumeUnit, length, lengthUnit, mass, massUnit, by }) =>
    spokenOut(pickList(laid), by).map((picked) => {
      switch (picked.kind) {
        case 'plant':
          return {
            what: 'plant',
            name: picked.label,
            count: 1,
            amount: null,
            unit: '',
            note: [laid.dates[picked.date]!.date, picked.apart ? 'apart, last' : '']
              .filter(Boolean)
              .join('; '),
          };
        case 'pot':
          return {
            what: 'pot',
            name: picked.label,
            count: picked.count,
            amount: null,
            unit: '',
            note: picked.for.join('; '),
          };
        case 'component':
          return {
            what: 'component',
            name: picked.label,
            count: picked.opens,
            amount: volume(picked.litres),
            unit: volumeUnit,
            note: picked.counted ? 'count: bags to open' : 'not counted on the shelf',
          };
        case 'pole':
          return {
            what: 'pole',
            name: picked.label,
            count: picked.count,
            amount: length(picked.lengthCm),
            unit: lengthUnit,
            note: '',
          };
        case 'netPot':
          return {
            what: 'net pot',
            name: picked.label,
            count: picked.count,
            amount: length(picked.widthCm),
            unit: lengthUnit,
            note: picked.for.join('; '),
          };
        case 'strands':
          return {
            what: 'moss for mounds',
            name: picked.label,
            count: picked.count,
            amount: mass(picked.dryG),
            unit: massUnit,
            note: 'dry',
          };
        case 'overWater':
          return {
            what: 'vessel for water',
            name: picked.vessel,
            count: 1,
            amount: volume(picked.litres),
            unit: volumeUnit,
            note: [
              picked.label,
              picked.wicks
                ? `${picked.wicks.count} × ${picked.wicks.label}, ${length(picked.wicks.lengthCm)} ${lengthUnit}`
                : '',
            ]
              .filter(Boolean)
              .join('; '),
          };
        case 'solution':
          return {
            what: 'solution',
            name: picked.label,
            count: picked.count,
            amount: volume(picked.litres),
            unit: volumeUnit,
            note: '',
          };
      }
    }),
  batches: (laid, { volume, volumeUnit }) =>
    laid.batches.flatMap(({ label, date, loads, scoopL, mixedL, measures, pots }) =>
      measures.map((measure) => ({
        date: laid.dates[date]!.date,
        mix: label,
        component: measure.label,
        scoopsPerLoad: measure.scoops,
        loads,
        unit: volumeUnit,
        scoop: volume(scoopL),
        amount: volume(measure.litres),
        mixed: volume(mixedL),
        pots: pots.map(({ name }) => name).join('; '),
      })),
    ),
  order: (laid, { by }) => {
    const byPlant = new Map(laid.lines.map((line) => [line.plant, line]));
    const mixes = new Map(laid.batches.map(({ mix, label }) => [mix, label]));
    return laid.schedules.flatMap(({ date, stretches }) =>
      stretches.map(({ kind, from, to, hands, plant, mix }) => {
        const line = plant === undefined ? undefined : byPlant.get(plant);
        return {
          date: laid.dates[date]!.date,
          fromMinute: Math.round(from),
          toMinute: Math.round(to),
          hands: hands === null ? '' : hands + 1,
          what: kind,
          plant: line?.name ?? '',
          pot: kind === 'plant' ? (line ? spoken(line.pot.label, by) : '') : '',
          mix: mix ? (mixes.get(mix) ?? '') : '',
        };
      }),
    );
  },
};

const row = (
  what: string,
  name: string,
  count: number,
  each: number | null,
  unit: string,
  priceEach: number | null,
  forWhom: string,
): Row => ({ what, name, count, each, unit, priceEach, for: forWhom });
