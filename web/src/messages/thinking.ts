/** Texts of how Fernbank thinks. */
export const thinking = {
  title: 'How Fernbank thinks',
  intro: 'Five questions about the pot, one about the season, and what either choice costs.',
  open: 'How Fernbank thinks',
  states: 'What may be wrong with the pot',
  statesIntro:
    'Each is held for more or less likely, by the time that has passed and by what you see. What you leave blank counts for nothing.',
  state: {
    crowded: 'Told by roots at the holes, by drying sooner, by a ball that is all roots.',
    mediumFailing:
      'The medium has packed down or rotted. Told by its age, a sunk surface, water that stays or runs straight through.',
    danger: 'Rot, a sour smell or pests at the roots. It does not wait for a season.',
    tooWet: 'More water than its living roots drink: too wide a pot, too few roots.',
    unstable: 'It leans, or a push would tip it. Often a heavier pot or a stake does.',
  },
  look: 'What a look does',
  lookIntro: (plant: string, months: number, rim: string) =>
    `A ${plant} of ${months} months in ${rim}, of which nobody has looked at the pot yet: is it full?`,
  before: 'nobody looked',
  likely: (percent: number) =>
    percent === 0 ? 'hardly' : percent === 100 ? 'as good as certain' : `about ${percent} % likely`,
  sees: {
    none: 'no root at the holes',
    several: 'roots at several holes',
    every: 'roots out of every hole',
  },
  when: 'When',
  whenIntro:
    'To disturb a plant costs growth: little in its own season, more at rest, in flower or in heat. To wait costs too, if the pot is used up. The best week is where the two together are least.',
  weeks: (weeks: number) =>
    `Both are told in weeks of growth lost. A plain repot at a poor time of year sets a plant back by about ${weeks} weeks.`,
  example: (headline: string) => `For that plant with roots at several holes: ${headline}`,
  schools: 'Where keepers differ',
  schoolsIntro:
    'On these the good ones disagree. Choose yours, for all plants, for a group or for one; every verdict says what the others would do.',
  costs: (what: string) => `what it costs: ${what}`,
  choose: 'Choose yours',
  knows: 'What it does not know',
  limits: [
    'It judges by what was seen and by time. It cannot see the plant: you can, and your word goes before its own.',
    'Where much is at stake and little known it says: slide it out and look.',
    'Numbers begin as what keepers commonly find. Your own log of weights, heights and outcomes moves them.',
  ],
} as const;
