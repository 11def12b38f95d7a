import type { Ahead, Course } from '@fernbank/core';

/** Two years ahead as RFC 4180, in the units of the collection’s file: months, litres, minutes. */
export function aheadCsv({ months, ...of }: Ahead): string {
  const courses: [string, Course][] = [
    ['repots', of.repots],
    ['minutes', of.minutes],
    ...of.components.map(({ component, litres }): [string, Course] => [`${component} L`, litres]),
    ...of.toBuy.map(({ rimCm, pots }): [string, Course] => [`pots to buy ${rimCm} cm`, pots]),
    ...of.poles.map(({ label, lengthCm, poles }): [string, Course] => [
      `${label} ${lengthCm} cm`,
      poles,
    ]),
    ['lasting feed g', of.feedG],
  ];
  const BANDS = ['low', 'middle', 'high'] as const;
  const rows = [
    ['month', ...courses.flatMap(([name]) => BANDS.map((each) => `${name} ${each}`))],
    ...months.map((month, i) => [
      month,
      ...courses.flatMap(([, { byMonth }]) => BANDS.map((key) => byMonth[i]![key].toFixed(2))),
    ]),
  ];
  return rows.map((row) => `${row.map(cell).join(',')}\r\n`).join('');
}
const cell = (text: string) => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
