import { pickList, shoppingList, type LaidDay } from '@fernbank/core';
import Papa from 'papaparse';

/** Lists of a day that go out as CSV. */
export const DAY_LISTS = ['shopping', 'picking', 'batches', 'order'] as const;
export type DayList = (typeof DAY_LISTS)[number];

type Row = Record<string, string | number | null>;

/**
 * A list of a day as CSV: a row a thing, lengths in cm, volumes in L, minutes
 * from the start of the day. What a spreadsheet would take for a formula is
 * told as text.
 *
 * @source RFC 4180, by the papaparse package
 */
export function dayCsv(laid: LaidDay, list: DayList): string {
  return Papa.unparse(ROWS[list](laid), { newline: '\r\n', escapeFormulae: true });
}

const ROWS: Record<DayList, (laid: LaidDay) => Row[]> = {
  shopping: (laid) =>
    shoppingList(laid).map((bought) => {
      switch (bought.kind) {
        case 'bag':
          return row('bag', bought.label, bought.count, bought.bagL, 'L', bought.price, '');
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
          return row('pole', bought.label, bought.count, bought.lengthCm, 'cm', null, '');
        case 'check':
          return row('check what you have', bought.label, 1, litres(bought.litres), 'L', null, '');
      }
    }),
  picking: (laid) =>
    pickList(laid).map((picked) => {
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
            amount: litres(picked.litres),
            unit: 'L',
            note: picked.counted ? 'count: bags to open' : 'not counted on the shelf',
          };
        case 'pole':
          return {
            what: 'pole',
            name: picked.label,
            count: picked.count,
            amount: picked.lengthCm,
            unit: 'cm',
            note: '',
          };
      }
    }),
  batches: (laid) =>
    laid.batches.flatMap(({ label, date, loads, scoopL, mixedL, measures, pots }) =>
      measures.map((measure) => ({
        date: laid.dates[date]!.date,
        mix: label,
        component: measure.label,
        scoopL,
        scoopsPerLoad: measure.scoops,
        loads,
        litres: litres(measure.litres),
        mixedL: litres(mixedL),
        pots: pots.map(({ name }) => name).join('; '),
      })),
    ),
  order: (laid) => {
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
          pot: kind === 'plant' ? (line?.pot.label ?? '') : '',
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

const litres = (value: number) => Math.round(value * 1000) / 1000;
