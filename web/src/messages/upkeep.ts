/** Texts of what a plant asks between repots: how often water, how many minutes. */
export const upkeep = {
  water: 'Water',
  work: 'Work',
  days: (days: number) => (days === 1 ? 'day' : `${days} days`),
  weeks: (weeks: number) => `${weeks} weeks`,
  every: {
    dries: (spell: string) => `about every ${spell} now, once it feels dry enough`,
    filling: (spell: string) => `a filling lasts about ${spell} now`,
  },
  neverDry: (spell: string | null) =>
    spell === null
      ? 'never dry: keep it damp, and look every few days'
      : `never dry: about every ${spell} now`,
  atRest: (now: string, spell: string) => `${now}; ${spell} at rest`,
  thenDry: (now: string) => `${now}; none at rest`,
  none: 'none',
  dry: 'none now: it is kept dry at rest',
  byLog: (said: string) => `${said} (by its own log)`,
  minutes: (minutes: string) => `about ${minutes} min a week`,
  byMedium: 'Work by medium',
  byMediumWhy:
    'Between repots, for this plant in the pot above: watering or filling, rinsing, feeding, a look now and then.',
  medium: 'Medium',
  now: 'Water now',
  rest: 'at rest',
  one: 'min a week',
  forty: 'forty of them',
  source: 'Minutes: common practice, no source; days: as reckoned for the pot.',
  chosen: 'chosen',
};
