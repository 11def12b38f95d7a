import type { ToldState } from '@fernbank/core';

/** "1 pot", "12 pots" */
const count = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;
const times = (factor: number) => `${factor.toFixed(1)} times`;

interface StateWords {
  title: string;
  /** of one, and of several: "2 were full" */
  was: string;
  were: string;
  one: string;
}

/** Texts of Fernbank's own record. */
export const right = {
  title: 'Was it right?',
  intro:
    'What Fernbank said the day before, held against what was found: with each look into a pot, each repot, watering and height.',
  empty:
    'Nothing was found yet that could be held against what was said. Looks and repots do it by themselves; from twelve findings on it corrects itself.',
  workingOut: (left: number) => `Going through the record … ${count(left, 'plant')} to come`,
  leaned: (right: number, of: number) =>
    `It leaned the right way in ${right} of ${count(of, 'finding')}.`,
  always: (always: number) => `Always saying the likelier would have been right in ${always}.`,
  since: (date: string) => `Since ${date} it corrects what it says by this, gently.`,
  notYetAtAll: (fewest: number) =>
    `It corrects itself once ${fewest} findings of one kind are there.`,
  states: {
    crowded: { title: 'Full pots', was: 'was full', were: 'were full', one: 'full' },
    mediumFailing: {
      title: 'Worn-out media',
      was: 'was worn out',
      were: 'were worn out',
      one: 'worn out',
    },
    danger: {
      title: 'Roots in danger',
      was: 'was in danger',
      were: 'were in danger',
      one: 'in danger',
    },
    tooWet: {
      title: 'Pots that stay wet',
      was: 'stayed wet',
      were: 'stayed wet',
      one: 'staying wet',
    },
  } satisfies Record<ToldState, StateWords>,
  outcomes: { title: 'How repots go', was: 'went well', were: 'went well', one: 'going well' },
  said: (percent: number, pots: number, found: number, { was, were }: StateWords) => {
    const about = `It said about ${percent} % for ${count(pots, 'pot')}`;
    if (pots === 1) return `${about}: it ${found === 1 ? was : 'was not'}.`;
    if (found === 0) return `${about}: none ${was}.`;
    return `${about}: ${found === pots ? 'all' : found} ${found === 1 ? was : were}.`;
  },
  better: (percent: number) =>
    `Its misses are ${percent} % smaller than had it always said the average.`,
  noBetter: 'So far it did no better than had it always said the average.',
  alike: 'All came alike: it could not show yet whether it tells them apart.',
  none: 'Nothing found yet.',
  errs: (what: string, found: number, of: number, expected: string, { was, were }: StateWords) =>
    `Where it errs: of ${count(of, 'pot')} (${what}) ${found} ${found === 1 ? was : were}, it expected ${expected}.`,
  corrected: (since: string, findings: number, examples: string) =>
    `Corrected since ${since}, by ${count(findings, 'finding')}: ${examples}.`,
  example: (said: number, says: number) => `what was ${said} % is now ${says} %`,
  notYet: (findings: number, fewest: number) =>
    `Not corrected: ${count(findings, 'finding')} by the first of the month, it takes ${fewest}.`,
  off: 'Not corrected: you switched it off.',
  table: 'Row by row',
  score: 'The score in numbers',
  rowSaid: 'It said',
  rowFound: 'Found so',
  rowBand: 'Likely share, with the 80 % band',
  of: (found: string, count: number) => `${found} of ${count}`,
  range: (from: number, to: number) => `${from}–${to} %`,
  brier: 'Mean squared miss (Brier score)',
  reliability: 'how far off what it said was',
  resolution: 'less: what it told apart',
  uncertainty: 'what there was to tell',
  withinRows: 'differences within rows',
  dry: 'Dry when it said?',
  drySaid: (waterings: number, ratio: number) =>
    ratio > 0.9 && ratio < 1.1
      ? `You watered as it said, as a rule (${count(waterings, 'watering')}).`
      : `You watered after ${times(ratio)} as many days as it said, as a rule (${count(waterings, 'watering')}): ${ratio > 1 ? 'you let pots get drier than it reckons' : 'you do not wait for them to get as dry as it reckons'}.`,
  use: (factor: number, weighings: number) =>
    `Your weighed plants use ${times(factor)} as much water as is typical (${count(weighings, 'weighing')}).`,
  useApplied: 'Plants that you do not weigh are reckoned so too.',
  filling: (factor: number, pots: number) =>
    `Roots fill pots ${times(factor)} as fast here as is typical (${count(pots, 'pot')} that plants have left).`,
  fillingApplied: 'Plants whose own pots have told nothing yet are reckoned so.',
  full: 'Full when it said?',
  fullSaid: (all: number, asSaid: number, sooner: number, later: number) =>
    `Of ${count(all, 'pot')} ${asSaid} filled within the months that were said when it was potted, ${sooner} sooner, ${later} later.`,
  climbs: 'As tall as it said?',
  climbsSaid: (all: number, close: number, held: number) =>
    `Of ${count(all, 'growth', 'growths')} from one height to a later one ${close} came within a quarter of what it said, ${held} within its band, which is meant to hold four of five.`,
  rests: 'What it rests on, the newest first',
  date: 'Found on',
  plant: 'Plant',
  question: 'Whether',
  saidBefore: 'It said',
  found: 'Found',
  yes: 'yes',
  no: 'no',
  switch: 'Correct what is said by this record',
  switchWhy:
    'Once a month, and never from under twelve findings. Verdicts, the fit and Ahead all go by it.',
  switched: (on: boolean) =>
    on ? 'What is said is corrected by your record.' : 'What is said is no longer corrected.',
};
