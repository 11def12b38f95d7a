import { hours } from './duration.ts';

/** A number with its band: "30 (28–33)"; alone where nothing else is to be expected. */
const banded = (middle: string, low: string, high: string) =>
  low === high ? middle : `${middle} (${low}–${high})`;
const counted = (n: string, one: string, many: string) => `${n} ${n === '1' ? one : many}`;

/** Texts of what the next two years may bring. */
export const ahead = {
  title: 'Ahead',
  intro: 'Two years from today, if you go on doing what Fernbank advises.',
  band: 'In brackets: of ten possible courses one lies below, one above.',
  empty: 'No plant is kept yet: there is nothing to foresee.',
  emptyPart: 'No plant fits that choice.',
  leftOut: (names: string) => `Not foreseen, for they cannot be judged: ${names}.`,
  spot: 'Spot',
  group: 'Plants',
  everywhere: 'all spots',
  allGroups: 'all plants',
  drawing: 'Drawing possible courses …',
  stop: 'Stop',
  banded,
  repots: (count: string, until: string, month: string) =>
    `About ${counted(count, 'repot', 'repots')} by the end of ${until}, most in ${month}.`,
  noRepots: (until: string) => `Hardly a repot by the end of ${until}.`,
  work: (month: string, low: number, high: number) =>
    low === high
      ? `In ${month} that is about ${hours(high)} at the bench.`
      : `In ${month} that is ${hours(low)} to ${hours(high)} at the bench.`,
  short: (what: string) => `Still to be had within a year: ${what}.`,
  shortPots: (count: string, rim: string) => `${counted(count, 'pot', 'pots')} of ${rim}`,
  shortMix: (litres: string, label: string) => `${litres} of ${label}`,
  enough: 'Pots and mix for them are there.',
  room: (spot: string, more: string, when: string) =>
    `${spot} needs about ${more} more shelf by ${when}.`,
  whatIf: 'What if',
  away: 'Given away',
  snug: 'Pots are kept snug',
  snugWhy: 'each waits until it is plainly full, and is used about a third longer',
  notBefore: 'Nothing before',
  now: 'as it comes',
  against: (now: string, before: string) => `${now} within a year, in place of ${before}.`,
  same: 'That changes nothing within a year.',
  byMonth: 'Repots month by month',
  chart: (months: number) => `Repots expected in each of ${months} months, with their band`,
  lines: 'Full line: as many as not. Broken: of ten courses one lies below, one above.',
  table: 'As a table',
  month: 'Month',
  count: 'Repots',
  soFar: 'Since today',
  hands: 'At the bench',
  mix: 'What goes into the mixes within a year',
  component: 'Component',
  needed: 'Needed',
  there: 'There',
  notCounted: 'not counted',
  missing: 'Missing',
  bags: (n: number) => (n === 1 ? '1 bag' : `${n} bags`),
  pots: 'Pots within a year',
  potsFrom: (shelf: string, handed: string) =>
    `From the shelf: ${shelf}. Left by one plant and taken by another: ${handed}.`,
  toBuy: 'To buy',
  rim: 'Width',
  none: 'None must be bought.',
  lost: (count: string) => `Plants lost in spite of all: ${count}.`,
  roomTitle: 'Room on the shelves',
  roomWhy: 'The rims of all pots of a spot, side by side.',
  where: 'Spot',
  today: 'Today',
  inYear: 'In a year',
  inTwo: 'In two years',
  who: 'Who is likely to be repotted within a year',
  plant: 'Plant',
  likely: 'How likely',
  chance: (percent: number) =>
    percent >= 98 ? 'as good as certain' : `about ${5 * Math.round(percent / 5)} %`,
  when: 'Likeliest in',
  save: 'CSV',
};
